import { Button, Group, Text } from '@mantine/core';
import { notify, withdraw } from './notices.tsx';

/** Says what was done, with a button that takes it back. */
export function showUndo({
  id,
  message,
  label,
  undo,
}: {
  id: string;
  message: string;
  label: string;
  undo: () => void;
}): void {
  notify({
    id,
    autoClose: 12000,
    message: (
      <Group justify="space-between">
        <Text size="sm">{message}</Text>
        <Button
          variant="default"
          size="compact-md"
          mih={44}
          onClick={() => {
            undo();
            withdraw(id);
          }}
        >
          {label}
        </Button>
      </Group>
    ),
  });
}
