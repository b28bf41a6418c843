import { proofSchema } from '@katharos/contract';
import { Button, Group, Stack, Text } from '@mantine/core';
import { useForm } from '@mantine/form';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf, useProveMutation } from '../data/api.ts';
import { answerProof } from '../data/proof.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { PasswordBox } from '../ui/PasswordBox.tsx';
import { Tone } from '../ui/Tone.tsx';
import { passkeysServe, usePasskeysQuery, useProveByPasskeyMutation } from './passkeyApi.ts';

/** The password once more, before something that whoever finds the page open must not do. */
export function PasswordAgain() {
  const [prove, { isLoading, error }] = useProveMutation();
  const [proveByPasskey, byPasskey] = useProveByPasskeyMutation();
  const { data: passkeys = [] } = usePasskeysQuery();
  const form = useForm({ initialValues: { password: '' }, validate: faultsBy(proofSchema) });
  const submit = form.onSubmit(async ({ password }) => {
    const answer = await prove(password);
    if (!answer.error) answerProof(true);
  });
  return (
    <Dialog onClose={() => answerProof(false)} title="Your password once more" above>
      <form onSubmit={submit} noValidate>
        <Stack>
          <Text>
            This page may have stood open, and what you are about to do is yours alone to do. For
            ten minutes you are not asked again.
          </Text>
          <PasswordBox
            of="current"
            label="Password"
            data-autofocus
            {...form.getInputProps('password')}
          />
          {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
          {byPasskey.error && (
            <Tone kind="bad" head={troubleOf(byPasskey.error).message} role="alert" />
          )}
          {passkeys.length > 0 && passkeysServe() && (
            <Button
              variant="default"
              size="md"
              loading={byPasskey.isLoading}
              onClick={() =>
                void proveByPasskey().then((answer) => {
                  if (!answer.error) answerProof(true);
                })
              }
            >
              With a passkey instead
            </Button>
          )}
          <Group justify="flex-end">
            <Button variant="default" size="md" onClick={() => answerProof(false)}>
              Leave it
            </Button>
            <Button type="submit" size="md" loading={isLoading}>
              Go on
            </Button>
          </Group>
        </Stack>
      </form>
    </Dialog>
  );
}
