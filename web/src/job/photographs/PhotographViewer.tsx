import type { Photograph } from '@katharos/contract';
import type { PhotographSubject } from '@katharos/job';
import { useReader } from '../../ui/useReader.ts';
import { photographWords } from '@katharos/words';
import {
  useChangePhotographMutation,
  useRemovePhotographMutation,
  useRestorePhotographMutation,
} from '../../data/jobApi.ts';
import { troubleOf } from '../../data/api.ts';
import { showUndo } from '../../ui/undoNotice.tsx';
import { useJobId } from '../open/useJob.ts';
import { nameOf, photographAddress, subjects } from './photographWords.ts';
import { Button, Group, Modal, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { notify } from '../../ui/notices.tsx';
import { useState } from 'react';
import styles from './Photographs.module.css';

/** One photograph, large, with its caption; taken away it can be brought back. */
export function PhotographViewer({
  photograph,
  onClose,
}: {
  photograph: Photograph;
  onClose: () => void;
}) {
  const jobId = useJobId();
  const reader = useReader();
  const [change] = useChangePhotographMutation();
  const [remove] = useRemovePhotographMutation();
  const [restore] = useRestorePhotographMutation();
  const [caption, setCaption] = useState(photograph.caption);
  const key = { jobId: jobId, id: photograph.id };
  const keep = () => {
    if (caption.trim() !== photograph.caption) void change({ ...key, caption: caption.trim() });
  };
  const takeAway = async () => {
    const answer = await remove(key);
    if (answer.error) {
      notify({ message: troubleOf(answer.error).message, color: 'red' });
      return;
    }
    onClose();
    showUndo({
      id: `removed-${photograph.id}`,
      message: 'The photograph was taken away.',
      label: 'Bring it back',
      undo: () => void restore(key),
    });
  };
  return (
    <Modal
      opened
      onClose={() => {
        keep();
        onClose();
      }}
      size="xl"
      title={photographWords[photograph.about]}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <Stack>
        <img
          src={photographAddress(jobId, photograph.id)}
          alt={nameOf(photograph)}
          width={photograph.width}
          height={photograph.height}
          className={styles.whole}
        />
        <Group grow preventGrowOverflow={false} align="flex-end">
          <TextInput
            label="Caption"
            maxLength={300}
            value={caption}
            onChange={(event) => setCaption(event.currentTarget.value)}
            onBlur={keep}
          />
          <NativeSelect
            label="It shows"
            data={subjects}
            value={photograph.about}
            onChange={(event) =>
              void change({ ...key, about: event.currentTarget.value as PhotographSubject })
            }
          />
        </Group>
        <Group justify="space-between">
          <Text size="sm" c="dimmed">
            {photograph.takenBy}, {reader.when(photograph.takenAt, 'moment')}
          </Text>
          <Button variant="default" onClick={() => void takeAway()}>
            Take it away
          </Button>
        </Group>
      </Stack>
    </Modal>
  );
}
