import { Button, Stack, Text } from '@mantine/core';

interface Props {
  onSeen: () => void;
  onUnseen: () => void;
  onBack: () => void;
}

/** Whether the drain was seen to stop: only then it is known how long the fill took. */
export const EndedWhen = ({ onSeen, onUnseen, onBack }: Props) => (
  <Stack gap="xs" role="group" aria-label="When the drain stopped">
    <Text fw={650}>When did the drain stop?</Text>
    <Button size="lg" mih={64} onClick={onSeen}>
      Just now, I saw it
    </Button>
    <Button size="lg" mih={64} variant="default" onClick={onUnseen}>
      Before I looked
    </Button>
    <Button variant="subtle" mih={48} onClick={onBack}>
      It still runs
    </Button>
  </Stack>
);
