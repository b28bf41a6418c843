import type { Judgement } from '@katharos/core';
import { causeOfFaults, sayProbability, worthALine } from '@katharos/words';
import { Group, Progress, Text } from '@mantine/core';
import { useReader } from '../../ui/useReader.ts';

/** The causes, each with how likely it is. */
export function Causes({ judgement }: { judgement: Judgement }) {
  const reader = useReader();
  const shown = judgement.told.filter(({ probability }) => probability >= worthALine).slice(0, 6);
  return (
    <ol aria-label="Likely causes" style={{ listStyle: 'none', padding: 0, margin: 0 }}>
      {shown.map(({ faults, probability }) => (
        <li key={faults.join()} style={{ marginBottom: 8 }}>
          <Group justify="space-between" wrap="nowrap" align="start">
            <Text>{causeOfFaults(faults, reader)}</Text>
            <Text fw={650} style={{ whiteSpace: 'nowrap' }}>
              {sayProbability(probability, reader)}
            </Text>
          </Group>
          <Progress value={100 * probability} size="sm" aria-hidden />
        </li>
      ))}
    </ol>
  );
}
