import { Button, Group, Stack, Text, TextInput, Title } from '@mantine/core';
import { useClipboard } from '@mantine/hooks';
import { useState } from 'react';
import { troubleOf } from '../data/api.ts';
import { notify } from '../ui/notices.tsx';
import { useReader } from '../ui/useReader.ts';
import { useEndFeedMutation, useFeedQuery, useMakeFeedMutation } from './diaryApi.ts';

/** The diary in a person's own calendar, by an address that only they know and that can be ended. */
export function FeedPanel() {
  const reader = useReader();
  const { data, refetch } = useFeedQuery();
  const [make, { isLoading }] = useMakeFeedMutation();
  const [end] = useEndFeedMutation();
  const [address, setAddress] = useState('');
  const { copy, copied } = useClipboard();
  const begin = async () => {
    const answer = await make();
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    setAddress(new URL(answer.data.path, window.location.href).href);
    await refetch();
  };
  const stop = async () => {
    const answer = await end();
    if (answer.error) notify({ message: troubleOf(answer.error).message, color: 'red' });
    setAddress('');
    await refetch();
  };
  return (
    <section className="panel" aria-label="In your own calendar">
      <Stack gap="sm">
        <Title order={2} size="h4">
          In your own calendar
        </Title>
        <Text size="sm" c="dimmed">
          An address that your calendar looks at by itself. Whoever has it sees names and addresses
          of what is due: give it to nobody, and end it when a telephone is lost.
        </Text>
        {address ? (
          <TextInput
            label="Its address, shown this once"
            size="md"
            readOnly
            value={address}
            onFocus={({ currentTarget }) => currentTarget.select()}
          />
        ) : (
          data?.madeAt && <Text>There is one, made {reader.when(data.madeAt, 'date')}.</Text>
        )}
        <Group>
          {address && (
            <Button size="md" onClick={() => copy(address)}>
              {copied ? 'Copied' : 'Copy it'}
            </Button>
          )}
          <Button variant="default" size="md" loading={isLoading} onClick={() => void begin()}>
            {data?.madeAt ? 'Make a new one' : 'Make an address'}
          </Button>
          {data?.madeAt && (
            <Button variant="subtle" size="md" onClick={() => void stop()}>
              End it
            </Button>
          )}
        </Group>
      </Stack>
    </section>
  );
}
