import { decisionChoice, decisionSentence, decisionTitle } from '@katharos/contract';
import type { Decision } from '@katharos/core';
import { Group, SimpleGrid, Text, Title } from '@mantine/core';
import { useUnits } from '../quantities/useUnits.ts';

/** Yes, no or consider, as a tone: what asks for something stands out. */
function toneOf(decision: Decision): 'good' | 'warn' | 'bad' {
  if (decision.code === 'shut-off-never-closes' || decision.code === 'lamp-needs-outlet')
    return 'bad';
  return decision.choice === 'consider' ? 'warn' : 'good';
}

/** Each explicit decision with the numbers behind it. */
export function DecisionCards({ decisions }: { decisions: readonly Decision[] }) {
  const { say } = useUnits();
  return (
    <section aria-label="Decisions">
      <Title order={3} size="h4" mb="xs">
        Decisions
      </Title>
      <SimpleGrid cols={{ base: 1, sm: 2, lg: 3 }}>
        {decisions.map((decision) => (
          <article
            className="panel"
            key={decision.topic}
            data-testid={`decision-${decision.topic}`}
          >
            <Group justify="space-between" wrap="nowrap">
              <Text fw={650}>{decisionTitle(decision)}</Text>
              <span className={`mark ${toneOf(decision)}`}>{decisionChoice(decision)}</span>
            </Group>
            <Text size="sm" mt={6}>
              {decisionSentence(decision, say)}
            </Text>
          </article>
        ))}
      </SimpleGrid>
    </section>
  );
}
