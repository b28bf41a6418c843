import {
  decisionChoice,
  decisionSentence,
  decisionTitle,
  optionWords,
  schoolWords,
} from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  type Decision,
  decisionOptions,
  type DecisionTopic,
  type SystemDesign,
} from '@katharos/core';
import { useJob } from '../open/useJob.ts';
import { useUnits } from '../../ui/useUnits.ts';
import { DecideOtherwise } from './DecideOtherwise.tsx';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Button, Group, SimpleGrid, Stack, Text, Title } from '@mantine/core';
import { useState } from 'react';

/** Choices after which nobody should drink, or nothing ever stops. */
const alarming = new Set([
  'shut-off-never-closes',
  'lamp-needs-outlet',
  'lamp-left-out',
  'refrigerator-too-weak',
]);

/** Yes, no or consider, as a tone: what asks for something stands out. */
const toneOf = (decision: Decision): 'good' | 'warn' | 'bad' =>
  alarming.has(decision.code) ? 'bad' : decision.choice === 'consider' ? 'warn' : 'good';

interface Props {
  decisions: readonly Decision[];
  design: SystemDesign;
  brief: JobBrief;
}

/** Each explicit decision with the numbers behind it, its school, and a way to decide otherwise. */
export function DecisionCards({ decisions, design, brief }: Props) {
  const [topic, setTopic] = useState<DecisionTopic | null>(null);
  return (
    <section aria-label="Decisions">
      <Title order={3} size="h4" mb="xs">
        Decisions
      </Title>
      <SimpleGrid cols={{ base: 1, sm: 2, lg: 3 }}>
        {decisions.map((decision) => (
          <DecisionCard
            key={decision.topic}
            decision={decision}
            design={design}
            brief={brief}
            onOpen={() => setTopic(decision.topic)}
          />
        ))}
      </SimpleGrid>
      {topic && (
        <DecideOtherwise
          topic={topic}
          design={design}
          brief={brief}
          onClose={() => setTopic(null)}
        />
      )}
    </section>
  );
}

function DecisionCard({
  decision,
  design,
  brief,
  onOpen,
}: {
  decision: Decision;
  design: SystemDesign;
  brief: JobBrief;
  onOpen: () => void;
}) {
  const { say } = useUnits();
  const { document } = useJob();
  const { catalogue } = useSizing();
  const { agreed, restore } = useChosenSystem();
  const { topic } = decision;
  const options = decisionOptions(topic, design, brief.settings, catalogue);
  const overruled = document.size.overruled[topic];
  const inUse = options.find((option) => option.inUse);
  const school = schoolWords[decision.code];
  return (
    <article className="panel" data-testid={`decision-${topic}`}>
      <Stack gap={6} h="100%">
        <Group justify="space-between" wrap="nowrap">
          <Text fw={650}>{decisionTitle(decision)}</Text>
          <span className={`mark ${toneOf(decision)}`}>{decisionChoice(decision)}</span>
        </Group>
        <Text size="sm">{decisionSentence(decision, say)}</Text>
        {school && (
          <Text size="xs" c="dimmed">
            {school}
          </Text>
        )}
        {overruled && (
          <Text size="sm" data-testid={`overruled-${topic}`}>
            <strong>Decided by {overruled.by}</strong>
            {inUse && `: ${optionWords(topic, inUse, say)}`}. {overruled.reason}
          </Text>
        )}
        {options.length > 1 && (
          <Group gap="xs" mt="auto">
            <Button
              variant="default"
              size="sm"
              mih={44}
              disabled={agreed !== null}
              title={agreed ? 'Open the agreement first' : undefined}
              aria-label={`Decide otherwise: ${decisionTitle(decision)}`}
              onClick={onOpen}
            >
              Decide otherwise
            </Button>
            {overruled && (
              <Button
                variant="subtle"
                size="sm"
                mih={44}
                disabled={agreed !== null}
                onClick={() => restore(topic)}
              >
                Back to the proposal
              </Button>
            )}
          </Group>
        )}
      </Stack>
    </article>
  );
}
