import { Button } from '@mantine/core';
import { Tone } from './Tone.tsx';

/** What could not be loaded, and another try. */
export const LoadTrouble = ({ message, onRetry }: { message: string; onRetry: () => unknown }) => (
  <Tone kind="bad" head={message} role="alert">
    <Button variant="default" mt="xs" onClick={() => void onRetry()}>
      Try again
    </Button>
  </Tone>
);
