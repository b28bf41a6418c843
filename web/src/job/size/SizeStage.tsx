import { NeedsBrief } from '../open/NeedsBrief.tsx';
import { Tone } from '../../ui/Tone.tsx';
import { useSearch, useSizing } from '../open/sizingContext.ts';
import { SizedSystem } from './SizedSystem.tsx';
import { SizedUltraviolet } from './SizedUltraviolet.tsx';
import { type Headway, useShare } from '../../workers/headway.ts';
import { Button, Group, Stack, Text, Title } from '@mantine/core';

/** The size: searched for, then shown with its numbers and reasons. */
export function SizeStage() {
  const search = useSearch();
  const { brief, design, ultraviolet, cancel, again } = useSizing();
  if (brief && !brief.ok) return <NeedsBrief />;
  if (brief && ultraviolet) return <SizedUltraviolet brief={brief.value} line={ultraviolet} />;
  if (brief && design) return <SizedSystem brief={brief.value} design={design} />;
  return (
    <Stack align="flex-start">
      <Title order={2} size="h3">
        Size
      </Title>
      {search.kind === 'searching' && (
        <Group>
          <Judged headway={search.headway} />
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

const Judged = ({ headway }: { headway: Headway }) => (
  <Text>Judging combinations, {Math.round(useShare(headway) * 100)} % done.</Text>
);
