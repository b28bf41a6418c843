import { changePasswordSchema } from '@katharos/contract';
import { roleNames } from '@katharos/words';
import { Button, Group, Skeleton, Stack, Text, Title } from '@mantine/core';
import { useForm } from '@mantine/form';
import { troubleOf } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { notify } from '../ui/notices.tsx';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { deviceName } from './deviceName.ts';
import { Passkeys } from './Passkeys.tsx';
import { SecondFactor } from './SecondFactor.tsx';
import {
  useChangePasswordMutation,
  useEndOtherSessionsMutation,
  useEndSessionMutation,
  useOpenSessionsQuery,
} from './peopleApi.ts';

/** One's own account: who one is here, the password, and where one is signed in. */
export function AccountPage() {
  const { user, firm } = useSession()!;
  return (
    <Stack gap="md">
      <PageTitle>Your account</PageTitle>
      <Title order={1} size="h2">
        Your account
      </Title>
      <section className="panel" aria-label="Who you are here">
        <Text fw={650}>{user.name}</Text>
        <Text>
          {user.email} · {roleNames[user.role]} of {firm.name}
        </Text>
      </section>
      <Password />
      <Passkeys />
      <SecondFactor />
      <Sessions />
    </Stack>
  );
}

function Password() {
  const [change, { isLoading, error }] = useChangePasswordMutation();
  const form = useForm({
    initialValues: { current: '', next: '' },
    validate: faultsBy(changePasswordSchema),
  });
  const submit = form.onSubmit(async (values) => {
    const answer = await change(values);
    if (answer.error) return;
    form.reset();
    notify({ message: 'The new password holds. Everywhere else you are signed out.' });
  });
  return (
    <section className="panel" aria-label="Password">
      <Title order={2} size="h4" mb="xs">
        Password
      </Title>
      <form onSubmit={submit} noValidate>
        <Stack maw={420}>
          <PasswordBox of="current" label="The one of now" {...form.getInputProps('current')} />
          <PasswordBox of="new" label="The new one" {...form.getInputProps('next')} />
          {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
          <Button type="submit" variant="default" size="md" loading={isLoading}>
            Change it
          </Button>
        </Stack>
      </form>
    </section>
  );
}

function Sessions() {
  const reader = useReader();
  const { data, error, refetch } = useOpenSessionsQuery();
  const [end] = useEndSessionMutation();
  const [endOthers] = useEndOtherSessionsMutation();
  if (error && !data) {
    return <LoadTrouble message={troubleOf(error).message} onRetry={() => void refetch()} />;
  }
  if (!data)
    return <Skeleton height={120} radius="lg" aria-label="Looking where you are signed in" />;
  return (
    <section className="panel" aria-label="Where you are signed in">
      <Title order={2} size="h4" mb="xs">
        Where you are signed in
      </Title>
      <ul style={{ listStyle: 'none', padding: 0, margin: 0 }}>
        {data.sessions.map(({ id, device, openedAt, seenAt, own }) => (
          <li key={id} style={{ padding: '6px 0' }}>
            <Group justify="space-between" wrap="nowrap">
              <div style={{ minWidth: 0 }}>
                <Text fw={own ? 650 : 400}>{own ? 'Here' : 'Elsewhere'}</Text>
                <Text size="sm" c="dimmed" style={{ overflowWrap: 'anywhere' }}>
                  {deviceName(device)}. Since {reader.when(openedAt, 'date')}, last used{' '}
                  {reader.when(seenAt, 'date')}.
                </Text>
              </div>
              {!own && (
                <Button
                  variant="subtle"
                  size="sm"
                  mih={44}
                  onClick={() => void end(id).then(() => refetch())}
                >
                  End it
                </Button>
              )}
            </Group>
          </li>
        ))}
      </ul>
      {data.sessions.length > 1 && (
        <Button
          variant="default"
          size="md"
          mt="sm"
          onClick={() => void endOthers().then(() => refetch())}
        >
          End all others
        </Button>
      )}
    </section>
  );
}
