import { setupSchema } from '@katharos/contract';
import { troubleOf, useSetUpMutation } from '../data/api.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { AccountFields } from './AccountFields.tsx';
import { Tone } from '../ui/Tone.tsx';
import { Button, Stack, Text, TextInput, Title } from '@mantine/core';
import { useForm } from '@mantine/form';

/** The first owner of a fresh installation. */
export function SetupForm({ onDone }: { onDone: () => void }) {
  const [setUp, { isLoading, error }] = useSetUpMutation();
  const form = useForm({
    initialValues: { code: '', firm: '', name: '', email: '', password: '' },
    validate: faultsBy(setupSchema),
  });
  const submit = form.onSubmit(async (setup) => {
    const answer = await setUp(setup);
    if (!answer.error) onDone();
  });
  return (
    <form onSubmit={submit} className="panel" noValidate>
      <Stack>
        <Title order={2} size="h3">
          First start
        </Title>
        <Text size="sm" c="dimmed">
          Nobody has used this installation yet. Its first owner is created here, once.
        </Text>
        <TextInput
          label="Setup code"
          description="Printed where the server was started."
          size="md"
          {...form.getInputProps('code')}
        />
        <TextInput
          label="Firm"
          size="md"
          autoComplete="organization"
          {...form.getInputProps('firm')}
        />
        <AccountFields propsOf={(field) => form.getInputProps(field)} />
        {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
        <Button type="submit" size="md" loading={isLoading}>
          Create the first owner
        </Button>
      </Stack>
    </form>
  );
}
