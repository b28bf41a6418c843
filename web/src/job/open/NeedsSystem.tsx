import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';
import { partsInWords } from './designWords.ts';
import { useSizing } from './sizingContext.ts';
import { useJob } from './useJob.ts';

/** Shown by the stages that work on a chosen system while there is none. */
export function NeedsSystem({ title, reason }: { title: string; reason: string }) {
  const { design } = useSizing();
  const { jobId, edit, stamp } = useJob();
  const choose = () => {
    if (!design) return;
    const { at, by } = stamp();
    edit(() => ({ system: { design, chosenAt: at, chosenBy: by, agreed: null } }));
  };
  return (
    <Stack align="flex-start" className="panel">
      <Title order={2} size="h3">
        {title}
      </Title>
      <Text>{reason}</Text>
      {design && <Text c="dimmed">Proposed: {partsInWords(design)}.</Text>}
      <Group gap="xs">
        {design && (
          <Button size="md" onClick={choose}>
            Use the proposed system
          </Button>
        )}
        <Button size="md" variant="default" component={Link} to={`/jobs/${jobId}/size`}>
          Go to Size
        </Button>
      </Group>
    </Stack>
  );
}
