import { Button, Group, Skeleton, Stack, Text, TextInput, Title } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { troubleOf } from '../data/api.ts';
import {
  passkeysServe,
  useMakePasskeyMutation,
  usePasskeysQuery,
  useRemovePasskeyMutation,
} from '../session/passkeyApi.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { notify } from '../ui/notices.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { deviceName } from './deviceName.ts';

/** The devices that let their person in by themselves: made here, and removed when one is lost. */
export function Passkeys() {
  const { data, error, refetch } = usePasskeysQuery();
  return (
    <section className="panel" aria-label="Passkeys">
      <Title order={2} size="h4" mb="xs">
        Passkeys
      </Title>
      <Text size="sm" c="dimmed" mb="sm" maw={560}>
        A passkey stays in your telephone, computer or security key and is unlocked as the device
        is, by finger, face or its own code. It signs you in by itself; no password and no second
        factor is typed, and no false page can ask for it.
      </Text>
      {error && !data && (
        <LoadTrouble message={troubleOf(error).message} onRetry={() => void refetch()} />
      )}
      {!data && !error && <Skeleton height={60} />}
      {data && (
        <>
          <ul style={{ listStyle: 'none', padding: 0, margin: 0 }}>
            {data.map((passkey) => (
              <Held key={passkey.id} {...passkey} onDone={() => void refetch()} />
            ))}
          </ul>
          {passkeysServe() ? (
            <Make onDone={() => void refetch()} />
          ) : (
            <Text size="sm">
              None can be made here: a passkey wants https and an address that is a name rather than
              a number.
            </Text>
          )}
        </>
      )}
    </section>
  );
}

interface HeldProps {
  id: string;
  name: string;
  madeAt: string;
  usedAt: string | null;
  onDone: () => void;
}

function Held({ id, name, madeAt, usedAt, onDone }: HeldProps) {
  const reader = useReader();
  const [remove, { isLoading, error }] = useRemovePasskeyMutation();
  const removeIt = async () => {
    const answer = await remove(id);
    if (answer.error) return;
    notify({ message: `The passkey of ${name} lets nobody in any more.` });
    onDone();
  };
  return (
    <li style={{ padding: '6px 0' }}>
      <Group justify="space-between" wrap="nowrap">
        <div style={{ minWidth: 0 }}>
          <Text style={{ overflowWrap: 'anywhere' }}>{name}</Text>
          <Text size="sm" c="dimmed">
            Made {reader.when(madeAt, 'date')},{' '}
            {usedAt ? `last used ${reader.when(usedAt, 'date')}` : 'not used yet'}.
          </Text>
        </div>
        <Button
          variant="subtle"
          size="sm"
          mih={44}
          loading={isLoading}
          aria-label={`Remove the passkey of ${name}`}
          onClick={() => void removeIt()}
        >
          Remove
        </Button>
      </Group>
      {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
    </li>
  );
}

function Make({ onDone }: { onDone: () => void }) {
  const [make, { isLoading, error }] = useMakePasskeyMutation();
  const [name, setName] = useState(() => deviceName(navigator.userAgent).slice(0, 60));
  const [tried, setTried] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!name.trim()) return;
    const answer = await make(name.trim());
    if (answer.error) return;
    notify({ message: 'From now on you can sign in with this passkey.' });
    onDone();
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate>
      <Stack maw={420} mt="xs">
        <TextInput
          label="What you call this device"
          size="md"
          maxLength={60}
          value={name}
          error={tried && !name.trim() && 'Enter what you call this device.'}
          onChange={({ currentTarget: { value } }) => setName(value)}
        />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" variant="default" size="md" loading={isLoading}>
          Make a passkey
        </Button>
      </Stack>
    </form>
  );
}
