import { inviteSchema, type Person, type Role, roles } from '@katharos/contract';
import { roleExplanations, roleNames } from '@katharos/words';
import {
  Button,
  Group,
  NativeSelect,
  SimpleGrid,
  Skeleton,
  Stack,
  Text,
  TextInput,
  Title,
} from '@mantine/core';
import { useForm } from '@mantine/form';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { troubleOf } from '../data/api.ts';
import { useSession } from '../data/session.ts';
import { useMay } from '../data/useMay.ts';
import { faultsBy } from '../ui/faultsBy.ts';
import { LoadTrouble } from '../ui/LoadTrouble.tsx';
import { notify } from '../ui/notices.tsx';
import { PageTitle } from '../ui/PageTitle.tsx';
import { Tone } from '../ui/Tone.tsx';
import { useReader } from '../ui/useReader.ts';
import { RowsTable } from '../ui/RowsTable.tsx';
import {
  useChangeRoleMutation,
  useEndFactorOfMutation,
  useInviteMutation,
  useMakeResetMutation,
  usePeopleQuery,
  useRemovePersonMutation,
  useWithdrawMutation,
} from './peopleApi.ts';

const roleChoices = roles.map((value) => ({ value, label: roleNames[value] }));

/** Who works in the firm and what each may; invitations; letting somebody go. The owner's. */
export function PeoplePage() {
  const mayPeople = useMay('people');
  if (!mayPeople) {
    return (
      <Tone kind="warn" head="The people of the firm are its owner’s">
        Ask the owner where somebody is to come, to go or to do something else.
      </Tone>
    );
  }
  return <People />;
}

function People() {
  const reader = useReader();
  const { data, error, isLoading, refetch } = usePeopleQuery();
  const [withdraw] = useWithdrawMutation();
  const told = async (answer: { error?: unknown }) => {
    if (answer.error) {
      notify({
        message: troubleOf(answer.error).message,
        color: 'red',
      });
    }
    await refetch();
  };
  return (
    <Stack gap="md">
      <PageTitle>People</PageTitle>
      <Title order={1} size="h2">
        People
      </Title>
      {isLoading && <Skeleton height={200} radius="lg" aria-label="Loading the people" />}
      {error && !data && <LoadTrouble message={troubleOf(error).message} onRetry={refetch} />}
      {data && (
        <section className="panel" aria-label="Who works here">
          <RowsTable
            label="Who works here"
            minWidth={620}
            columns={['Name', 'E-mail', 'Part', 'Going']}
          >
            {data.people.map((person) => (
              <PersonRow key={person.id} person={person} onDone={told} />
            ))}
          </RowsTable>
        </section>
      )}
      <Invite onDone={() => void refetch()} />
      {data && data.invitations.length > 0 && (
        <section className="panel" aria-label="Open invitations">
          <Title order={2} size="h4" mb="xs">
            Open invitations
          </Title>
          <ul style={{ listStyle: 'none', padding: 0, margin: 0 }}>
            {data.invitations.map(({ id, name, role, expiresAt }) => (
              <li key={id}>
                <Group>
                  <Text>
                    {name}, {reader.within(roleNames[role])}, until {reader.when(expiresAt, 'date')}
                  </Text>
                  <Button
                    variant="subtle"
                    size="sm"
                    mih={44}
                    onClick={() => void withdraw(id).then(told)}
                  >
                    Take it back
                  </Button>
                </Group>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section className="panel" aria-label="What each part may">
        <Title order={2} size="h4" mb="xs">
          What each part may
        </Title>
        {roles.map((role) => (
          <Text key={role}>
            <strong>{roleNames[role]}.</strong> {roleExplanations[role]}
          </Text>
        ))}
      </section>
    </Stack>
  );
}

interface RowProps {
  person: Person;
  onDone: (answer: { error?: unknown }) => Promise<void>;
}

function PersonRow({ person: { id, name, email, role }, onDone }: RowProps) {
  const me = useSession()!.user.id;
  const [change] = useChangeRoleMutation();
  const [remove] = useRemovePersonMutation();
  const [asks, setAsks] = useState(false);
  return (
    <tr>
      <td className="strong">
        {name}
        {id === me && <span className="quiet"> · you</span>}
      </td>
      <td>{email}</td>
      <td>
        <NativeSelect
          aria-label={`Part of ${name}`}
          size="md"
          value={role}
          data={roleChoices}
          onChange={({ currentTarget: { value } }) =>
            void change({ id, role: value as Role }).then(onDone)
          }
        />
      </td>
      <td>
        {asks ? (
          <Group gap="xs" wrap="nowrap">
            <Button size="sm" mih={44} color="red" onClick={() => void remove(id).then(onDone)}>
              Yes, {name} goes
            </Button>
            <Button size="sm" mih={44} variant="default" onClick={() => setAsks(false)}>
              No
            </Button>
          </Group>
        ) : (
          <Group gap="xs" wrap="nowrap">
            <Button
              size="sm"
              mih={44}
              variant="subtle"
              aria-label={`Let ${name} go`}
              onClick={() => setAsks(true)}
            >
              Let go
            </Button>
            {id !== me && <LostAccess id={id} name={name} onDone={onDone} />}
          </Group>
        )}
      </td>
    </tr>
  );
}

/** For whoever forgot the password or lost the telephone: a link that is handed over, and the end of the second factor. */
function LostAccess({
  id,
  name,
  onDone,
}: {
  id: string;
  name: string;
  onDone: RowProps['onDone'];
}) {
  const [make, { isLoading }] = useMakeResetMutation();
  const [end] = useEndFactorOfMutation();
  const [link, setLink] = useState('');
  const [opened, setOpened] = useState(false);
  const close = () => {
    setOpened(false);
    setLink('');
  };
  const makeLink = async () => {
    const answer = await make(id);
    if (answer.error) await onDone(answer);
    else setLink(new URL(answer.data.path, window.location.href).href);
  };
  return (
    <>
      <Button
        size="sm"
        mih={44}
        variant="subtle"
        aria-label={`${name} cannot get in`}
        onClick={() => setOpened(true)}
      >
        Cannot get in
      </Button>
      {opened && (
        <Dialog onClose={close} title={`${name} cannot get in`}>
          <Stack>
            <Text>
              A link for a new password is good for an hour, and signs {name} out everywhere once it
              is used. Hand it over yourself, and be sure to whom.
            </Text>
            {link ? (
              <TextInput
                label="The link, shown this once"
                size="md"
                readOnly
                value={link}
                onFocus={({ currentTarget }) => currentTarget.select()}
              />
            ) : (
              <Button
                variant="default"
                size="md"
                loading={isLoading}
                onClick={() => void makeLink()}
              >
                Make a link
              </Button>
            )}
            <Text>
              Where the telephone with the codes is lost, the password alone lets in again.
            </Text>
            <Button
              variant="default"
              size="md"
              onClick={() => void end(id).then(onDone).then(close)}
            >
              End the second factor
            </Button>
          </Stack>
        </Dialog>
      )}
    </>
  );
}

/** A link for somebody new; it is shown once. */
function Invite({ onDone }: { onDone: () => void }) {
  const [invite, { isLoading, error }] = useInviteMutation();
  const [link, setLink] = useState('');
  const form = useForm({
    initialValues: { name: '', role: 'installer' as Role },
    validate: faultsBy(inviteSchema),
  });
  const submit = form.onSubmit(async (values) => {
    const answer = await invite(values);
    if (answer.error) return;
    setLink(new URL(answer.data.path, window.location.href).href);
    form.reset();
    onDone();
  });
  return (
    <section className="panel" aria-label="Invite somebody">
      <Title order={2} size="h4" mb="xs">
        Invite somebody
      </Title>
      <form onSubmit={submit} noValidate>
        <SimpleGrid cols={{ base: 1, sm: 3 }} style={{ alignItems: 'end' }}>
          <TextInput label="Name" size="md" maxLength={120} {...form.getInputProps('name')} />
          <NativeSelect label="Part" size="md" data={roleChoices} {...form.getInputProps('role')} />
          <Button type="submit" variant="default" size="md" loading={isLoading}>
            Make a link
          </Button>
        </SimpleGrid>
      </form>
      {error && <Tone kind="bad" head={troubleOf(error).message} role="alert" />}
      {link && (
        <Stack gap={4} mt="sm">
          <TextInput
            label="Its link, shown this once"
            description="Good for a week and for one person. Give it to nobody else."
            size="md"
            readOnly
            value={link}
            onFocus={({ currentTarget }) => currentTarget.select()}
          />
        </Stack>
      )}
    </section>
  );
}
