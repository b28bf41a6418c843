import type { GapCode } from '@katharos/job';
import { gapWords } from '@katharos/words';
import { Button, Group, Stack, Text, Textarea } from '@mantine/core';
import { useState } from 'react';
import { Dialog } from '../ui/Dialog.tsx';
import { textFault } from '../ui/typed/NoteField.tsx';

const longestReason = 300;

interface Props {
  title: string;
  gaps: readonly GapCode[];
  /** A version was issued before: then why there is another. */
  again: boolean;
  onIssue: (reason: string) => void;
  onClose: () => void;
}

/** Before a paper becomes a record: what is open is said, and going on regardless is a deliberate act with a name. */
export function IssueDialog({ title, gaps, again, onIssue, onClose }: Props) {
  const [reason, setReason] = useState('');
  const fault = textFault(reason, longestReason);
  return (
    <Dialog onClose={onClose} title={title}>
      <Stack>
        {gaps.length > 0 && (
          <div>
            <Text fw={650}>Still open</Text>
            <ul>
              {gaps.map((gap) => (
                <li key={gap}>{gapWords[gap]}</li>
              ))}
            </ul>
            <Text size="sm" c="dimmed" mt="xs">
              It stands on the paper that these were open, and who issued it regardless.
            </Text>
          </div>
        )}
        <Text>
          What is issued stays as it is now, under its date. Later changes make a new version.
        </Text>
        <Textarea
          label={again ? 'Why there is a new version' : 'Remark on the issue'}
          rows={2}
          resize="vertical"
          value={reason}
          error={fault}
          onChange={(event) => setReason(event.currentTarget.value)}
        />
        <Group justify="flex-end">
          <Button variant="default" size="md" onClick={onClose}>
            Not yet
          </Button>
          <Button size="md" disabled={fault !== null} onClick={() => onIssue(reason.trim())}>
            {gaps.length > 0 ? 'Issue regardless' : 'Issue'}
          </Button>
        </Group>
      </Stack>
    </Dialog>
  );
}
