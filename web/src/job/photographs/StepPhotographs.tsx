import { Button, FileButton, Group } from '@mantine/core';
import { useState } from 'react';
import { late } from '../../ui/late.tsx';
import { nameOf, photographKinds } from './photographWords.ts';
import { TakenNot } from './TakenNot.tsx';
import { type ShownPhotograph, usePhotographDeeds } from './useJobPhotographs.ts';
import styles from './Photographs.module.css';

const PhotographViewer = late(
  async () => (await import('./PhotographViewer.tsx')).PhotographViewer,
);

/** Photographs that prove one step of the work; a phone opens its camera. */
export function StepPhotographs({
  step,
  title,
  own,
  mayAdd,
  large = false,
}: {
  step: string;
  title: string;
  /** Those of this step. */
  own: readonly ShownPhotograph[];
  mayAdd: boolean;
  /** For a hand in a glove. */
  large?: boolean;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const { add } = usePhotographDeeds();
  const [troubles, setTroubles] = useState<string[]>([]);
  const shown = own.find(({ id }) => id === open);
  if (!mayAdd && own.length === 0) return null;
  return (
    <>
      <Group gap="xs">
        {own.map((photograph) => (
          <button
            key={photograph.id}
            type="button"
            className={`${styles.thumb} ${styles.small}`}
            onClick={() => setOpen(photograph.id)}
            aria-label={`Open: ${nameOf(photograph)}, ${title}`}
          >
            <img src={photograph.address} alt="" loading="lazy" />
          </button>
        ))}
        {mayAdd && (
          <FileButton
            multiple
            accept={photographKinds}
            inputProps={{ 'aria-label': `Photograph file: ${title}` }}
            onChange={(files) => void add(files, { about: 'work', step }).then(setTroubles)}
          >
            {(props) => (
              <Button
                {...props}
                {...(large
                  ? { variant: 'default', mih: 64 }
                  : { variant: 'subtle', size: 'compact-sm', mih: 44, miw: 44, px: 4 })}
                className="no-print"
                aria-label={`Photograph: ${title}`}
              >
                Photograph
              </Button>
            )}
          </FileButton>
        )}
      </Group>
      <TakenNot troubles={troubles} />
      {shown && (
        <PhotographViewer key={shown.id} photograph={shown} onClose={() => setOpen(null)} />
      )}
    </>
  );
}
