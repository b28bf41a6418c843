import { Button, Group, Text } from '@mantine/core';
import { notifications } from '@mantine/notifications';

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
  notifications.show({
    id,
    autoClose: 12000,
    message: (
      <Group justify="space-between">
        <Text size="sm">{message}</Text>
        <Button
          variant="default"
          size="compact-md"
          onClick={() => {
            undo();
            notifications.hide(id);
          }}
        >
          {label}
        </Button>
      </Group>
    ),
  });
}
