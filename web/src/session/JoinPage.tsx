import { joinSchema } from '@katharos/contract';
import { roleExplanations, roleNames } from '@katharos/words';
import { Button, Loader, Stack, Text, Title } from '@mantine/core';
import { useForm } from '@mantine/form';
import { useEffect } from 'react';
import { useNavigate, useParams } from 'react-router';
import { troubleOf, useInvitationQuery, useJoinMutation } from '../data/api.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { Tone } from '../ui/Tone.tsx';
import { DoorPage } from './DoorPage.tsx';
import { AccountFields } from './AccountFields.tsx';

/** Behind a link of an invitation: whose firm it is, and the account that one makes. */
export function JoinPage() {
  const { token = '' } = useParams();
  const { data, error, isLoading } = useInvitationQuery(token);
  const [join, joining] = useJoinMutation();
  const navigate = useNavigate();
  const form = useForm({
    initialValues: { name: '', email: '', password: '' },
    validate: faultsBy(joinSchema),
  });
  const { setFieldValue } = form;
  const name = data?.name;
  useEffect(() => {
    if (name) setFieldValue('name', name);
    // Only what the invitation says is taken over; typing afterwards is the person's own.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [name]);
  const submit = form.onSubmit(async (values) => {
    const answer = await join({ token, ...values });
    if (!answer.error) await navigate('/board', { replace: true });
  });
  return (
    <DoorPage title="Join">
      <Title order={1}>{data ? `Join ${data.firm}` : 'An invitation'}</Title>
      {isLoading && <Loader aria-label="Looking at the invitation" />}
      {error && (
        <Tone kind="warn" head="This invitation is not good any more">
          It was used, taken back or is older than a week. Ask who sent it for another.
        </Tone>
      )}
      {data && (
        <form onSubmit={submit} className="panel" noValidate>
          <Stack>
            <Text>
              <strong>{roleNames[data.role]}.</strong> {roleExplanations[data.role]}
            </Text>
            <AccountFields propsOf={(field) => form.getInputProps(field)} />
            {joining.error && (
              <Tone kind="bad" head={troubleOf(joining.error).message} role="alert" />
            )}
            <Button type="submit" size="md" loading={joining.isLoading}>
              Join
            </Button>
          </Stack>
        </form>
      )}
    </DoorPage>
  );
}
