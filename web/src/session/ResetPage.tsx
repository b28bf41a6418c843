import { resetSchema } from '@katharos/contract';
import { Button, Loader, Stack, Text, Title } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useNavigate, useParams } from 'react-router';
import { troubleOf, useResetFaceQuery, useResetMutation } from '../data/api.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { notify } from '../ui/notices.tsx';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';
import { DoorPage } from './DoorPage.tsx';

/** Behind a link for a forgotten password. */
export function ResetPage() {
  const { token = '' } = useParams();
  const { data, error, isLoading } = useResetFaceQuery(token);
  const [reset, resetting] = useResetMutation();
  const navigate = useNavigate();
  const form = useForm({ initialValues: { password: '' }, validate: faultsBy(resetSchema) });
  const submit = form.onSubmit(async ({ password }) => {
    const answer = await reset({ token, password });
    if (answer.error) return;
    notify({ message: 'The new password holds. Sign in with it.' });
    await navigate('/sign-in', { replace: true });
  });
  return (
    <DoorPage title="A new password">
      <Title order={1}>A new password</Title>
      {isLoading && <Loader aria-label="Looking at the link" />}
      {error && (
        <Tone kind="warn" head="This link is not good any more">
          It was used, or is older than an hour. Ask for another where you sign in.
        </Tone>
      )}
      {data && (
        <form onSubmit={submit} className="panel" noValidate>
          <Stack>
            <Text>For {data.name}. Everywhere else it signs you out.</Text>
            <PasswordBox of="new" label="The new one" {...form.getInputProps('password')} />
            {resetting.error && (
              <Tone kind="bad" head={troubleOf(resetting.error).message} role="alert" />
            )}
            <Button type="submit" size="md" loading={resetting.isLoading}>
              Set it
            </Button>
          </Stack>
        </form>
      )}
    </DoorPage>
  );
}
