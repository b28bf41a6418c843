import { flushVisits, hasVisitsChoice, proposedVisits, visitsCosts } from '@katharos/core';
import { visitsCostSentence, visitsNames } from '@katharos/words';
import { Text } from '@mantine/core';
import { Segments } from '../../ui/Segments.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useDocument } from '../open/useJob.ts';
import type { Flush } from './useFlush.ts';
import type { FlushDeeds } from './useFlushDeeds.ts';

/** One visit or two, with what each costs; only where a tank is filled more than once, and before it is. */
export function VisitsChoice({ flush, deeds }: { flush: Flush; deeds: FlushDeeds }) {
  const { visits } = useDocument().flush;
  const reader = useReader();
  const isFilled = flush.steps.some(
    ({ id, code }) => code === 'tank-drain' && flush.records[id]?.done,
  );
  if (!hasVisitsChoice(flush.steps) || isFilled) return null;
  const chosen = visits ?? proposedVisits(flush.steps);
  const cost = visitsCosts(flush.steps).find((one) => one.visits === chosen);
  return (
    <div>
      <Text fw={560}>While the tank fills</Text>
      <Segments
        wide
        label="While the tank fills"
        value={chosen}
        onChange={deeds.visits}
        options={flushVisits.map((value) => ({ value, label: visitsNames[value] }))}
      />
      {cost && <Text size="sm">{visitsCostSentence(cost, reader)}</Text>}
    </div>
  );
}
