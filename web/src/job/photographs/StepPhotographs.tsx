import { Button, FileButton, Group } from '@mantine/core';
import type { Photograph } from '@katharos/contract';
import { useState } from 'react';
import { useJobId } from '../open/useJob.ts';
import { PhotographViewer } from './PhotographViewer.tsx';
import { nameOf, photographAddress } from './photographWords.ts';
import { UnsentPhotographs } from './UnsentPhotographs.tsx';
import { useSendPhotographs } from './useSendPhotographs.ts';
import styles from './Photographs.module.css';

/** Photographs that prove one step of the work; a phone opens its camera. */
export function StepPhotographs({
  step,
  title,
  own,
  mayAdd,
}: {
  step: string;
  title: string;
  /** Those of this step. */
  own: readonly Photograph[];
  mayAdd: boolean;
}) {
  const jobId = useJobId();
  const [open, setOpen] = useState<string | null>(null);
  const { send, sending, waiting } = useSendPhotographs({ about: 'work', step });
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
            <img src={photographAddress(jobId, photograph.id)} alt="" loading="lazy" />
          </button>
        ))}
        {mayAdd && (
          <FileButton
            multiple
            accept="image/*"
            inputProps={{ 'aria-label': `Photograph file: ${title}` }}
            onChange={(files) => void send(files)}
          >
            {(props) => (
              <Button
                {...props}
                variant="subtle"
                size="compact-sm"
                mih={44}
                miw={44}
                px={4}
                className="no-print"
                loading={sending}
                aria-label={`Photograph: ${title}`}
              >
                Photograph
              </Button>
            )}
          </FileButton>
        )}
      </Group>
      <UnsentPhotographs waiting={waiting} onSend={(files) => void send(files)} />
      {shown && (
        <PhotographViewer key={shown.id} photograph={shown} onClose={() => setOpen(null)} />
      )}
    </>
  );
}
