import { ActionIcon, Group, Text, TextInput, Title, Tooltip } from '@mantine/core';
import IconArrowBackUp from '@tabler/icons-react/dist/esm/icons/IconArrowBackUp.mjs';
import IconArrowForwardUp from '@tabler/icons-react/dist/esm/icons/IconArrowForwardUp.mjs';
import IconPencil from '@tabler/icons-react/dist/esm/icons/IconPencil.mjs';
import { useState } from 'react';
import { useAppDispatch } from '../../data/store.ts';
import { redone, type SaveState, undone } from '../../data/jobSlice.ts';
import { useJob } from '../open/useJob.ts';

const saveWords: Record<SaveState['kind'], string> = {
  saved: 'Saved',
  waiting: 'Saving …',
  saving: 'Saving …',
  offline: 'Not reached; kept in this browser',
  refused: 'Not saved',
  conflict: 'Needs your choice',
};

/** Who and where, how it is saved, and the way back. */
export function JobHeader() {
  const { job, document } = useJob();
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState(false);
  return (
    <Group justify="space-between" wrap="nowrap" align="flex-start">
      {editing ? (
        <CustomerForm onDone={() => setEditing(false)} />
      ) : (
        <div style={{ minWidth: 0 }}>
          <Group gap={4} wrap="nowrap">
            <Title order={1} size="h2" lineClamp={1}>
              {document.customer.name}
            </Title>
            <ActionIcon
              className="no-print"
              variant="subtle"
              size={36}
              aria-label="Change name and address"
              onClick={() => setEditing(true)}
            >
              <IconPencil size={17} />
            </ActionIcon>
          </Group>
          <Text c="dimmed" lineClamp={1}>
            No. {job.number}
            {document.customer.address && ` · ${document.customer.address}`}
          </Text>
        </div>
      )}
      <Group gap={2} wrap="nowrap" className="no-print">
        <Text size="sm" c="dimmed" role="status" visibleFrom="xs" mr={6}>
          {saveWords[job.save.kind]}
        </Text>
        <Tooltip label="Take back">
          <ActionIcon
            variant="subtle"
            size={44}
            aria-label="Undo"
            disabled={job.past.length === 0}
            onClick={() => dispatch(undone())}
          >
            <IconArrowBackUp size={20} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label="Bring back">
          <ActionIcon
            variant="subtle"
            size={44}
            aria-label="Redo"
            disabled={job.future.length === 0}
            onClick={() => dispatch(redone())}
          >
            <IconArrowForwardUp size={20} />
          </ActionIcon>
        </Tooltip>
      </Group>
    </Group>
  );
}

function CustomerForm({ onDone }: { onDone: () => void }) {
  const { document, edit } = useJob();
  const [customer, setCustomer] = useState(document.customer);
  const named = customer.name.trim() !== '';
  const commit = () => {
    if (!named) return;
    edit(() => ({
      customer: { ...customer, name: customer.name.trim(), address: customer.address.trim() },
    }));
    onDone();
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        commit();
      }}
      style={{ flex: 1, maxWidth: 640 }}
    >
      <Group align="flex-start" grow>
        <TextInput
          label="Customer or place"
          autoFocus
          maxLength={120}
          value={customer.name}
          error={named ? null : 'A job needs a name.'}
          onChange={(event) => setCustomer({ ...customer, name: event.currentTarget.value })}
        />
        <TextInput
          label="Address"
          maxLength={300}
          value={customer.address}
          onChange={(event) => setCustomer({ ...customer, address: event.currentTarget.value })}
          onBlur={commit}
        />
      </Group>
      <button type="submit" hidden />
    </form>
  );
}
