import type { PhotographSubject } from '@katharos/job';
import { Dialog } from '../../ui/Dialog.tsx';
import { useReader } from '../../ui/useReader.ts';
import { photographWords } from '@katharos/words';
import { showUndo } from '../../ui/undoNotice.tsx';
import { type ShownPhotograph, usePhotographDeeds } from './useJobPhotographs.ts';
import { nameOf, subjects } from './photographWords.ts';
import { Button, Group, NativeSelect, Stack, Text, TextInput } from '@mantine/core';
import { useHalfTyped } from '../../ui/typed/halfTyped.ts';
import { textFault } from '../../ui/typed/NoteField.tsx';
import { useState } from 'react';
import styles from './Photographs.module.css';

const longestCaption = 300;

/** One photograph, large, with its caption; taken away it can be brought back. */
export function PhotographViewer({
  photograph,
  onClose,
}: {
  photograph: ShownPhotograph;
  onClose: () => void;
}) {
  const reader = useReader();
  const { change, remove, restore } = usePhotographDeeds();
  const half = useHalfTyped(`caption:${photograph.id}`);
  const [caption, setCaption] = useState(half.restored ?? photograph.caption);
  const keep = () => {
    if (textFault(caption, longestCaption)) return;
    half.forget();
    if (caption.trim() !== photograph.caption) {
      void change(photograph, { caption: caption.trim() });
    }
  };
  const takeAway = async () => {
    await remove(photograph.id);
    onClose();
    showUndo({
      id: `removed-${photograph.id}`,
      message: 'The photograph was taken away.',
      label: 'Bring it back',
      undo: () => void restore(photograph.id),
    });
  };
  return (
    <Dialog
      onClose={() => {
        keep();
        onClose();
      }}
      size="xl"
      title={photographWords[photograph.about]}
    >
      <Stack>
        <img
          src={photograph.address}
          alt={nameOf(photograph)}
          {...(photograph.waits ? {} : { width: photograph.width, height: photograph.height })}
          className={styles.whole}
        />
        <Group grow preventGrowOverflow={false} align="flex-end">
          <TextInput
            label="Caption"
            value={caption}
            error={textFault(caption, longestCaption)}
            onChange={(event) => {
              setCaption(event.currentTarget.value);
              half.keep(event.currentTarget.value);
            }}
            onBlur={keep}
          />
          <NativeSelect
            label="It shows"
            data={subjects}
            value={photograph.about}
            onChange={(event) =>
              void change(photograph, { about: event.currentTarget.value as PhotographSubject })
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
    </Dialog>
  );
}
