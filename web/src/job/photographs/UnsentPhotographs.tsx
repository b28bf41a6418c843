import { Button, Group } from '@mantine/core';
import { Tone } from '../../ui/Tone.tsx';
import type { Unsent } from './useSendPhotographs.ts';

/** What did not arrive, with another try. */
export function UnsentPhotographs({
  waiting,
  onSend,
}: {
  waiting: Unsent | null;
  onSend: (files: File[]) => void;
}) {
  if (!waiting) return null;
  return (
    <Tone kind="bad" head="Not everything arrived" role="alert">
      {waiting.message}
      <Group mt="xs">
        <Button variant="default" onClick={() => onSend(waiting.files)}>
          Send {waiting.files.length} again
        </Button>
        {waiting.files.length > 1 && (
          <Button variant="subtle" onClick={() => onSend(waiting.files.slice(1))}>
            Go on without it
          </Button>
        )}
      </Group>
    </Tone>
  );
}
