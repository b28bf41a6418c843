import { failureSentence } from '@katharos/words';
import { useJobId } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { useSearch, useSizing } from '../open/sizingContext.ts';
import { SizedSystem } from './SizedSystem.tsx';
import { SizedUltraviolet } from './SizedUltraviolet.tsx';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { Link } from 'react-router';

/** The size: searched for, then shown with its numbers and reasons. */
export function SizeStage() {
  const jobId = useJobId();
  const search = useSearch();
  const { brief, design, ultraviolet, cancel, again } = useSizing();
  if (brief && !brief.ok) {
    return (
      <Tone kind="bad" head="These readings contradict each other" role="alert">
        {failureSentence(brief.failure)}{' '}
        <Link to={`/jobs/${jobId}/survey`}>Correct them in the survey.</Link>
      </Tone>
    );
  }
  if (brief && ultraviolet) return <SizedUltraviolet brief={brief.value} line={ultraviolet} />;
  if (brief && design) return <SizedSystem brief={brief.value} design={design} />;
  return (
    <Stack align="flex-start">
      <Title order={2} size="h3">
        Size
      </Title>
      {search.kind === 'searching' && (
        <Group>
          <Text>Judging combinations, {Math.round(search.share * 100)} % done.</Text>
          <Button variant="default" onClick={cancel}>
            Stop
          </Button>
        </Group>
      )}
      {search.kind === 'idle' && brief && <Button onClick={again}>Look for a system</Button>}
      {search.kind === 'nothing' && (
        <Tone kind="bad" head="The catalogue cannot make up a system">
          It needs at least a tap, a membrane, a restrictor and a tank.
        </Tone>
      )}
      {search.kind === 'failed' && (
        <Tone kind="bad" head="The search stopped" role="alert">
          {search.message}{' '}
          <Button variant="default" onClick={again}>
            Search again
          </Button>
        </Tone>
      )}
    </Stack>
  );
}
