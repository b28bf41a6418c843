import {
  decisionChoice,
  decisionSentence,
  decisionTitle,
  optionWords,
  schoolWords,
} from '@katharos/words';
import type { JobBrief } from '@katharos/job';
import {
  decide,
  type Decision,
  decisionOptions,
  type DecisionTopic,
  type JudgedDesign,
  type Recommendation,
  type SystemDesign,
} from '@katharos/core';
import { late } from '../../ui/late.tsx';
import { remembered } from '../open/remembered.ts';
import { useDocument } from '../open/useJob.ts';
import { useReader } from '../../ui/useReader.ts';
import { useSizing } from '../open/sizingContext.ts';
import { useChosenSystem } from '../open/useChosenSystem.ts';
import { Button, Group, SimpleGrid, Stack, Text } from '@mantine/core';
import { useState } from 'react';
import styles from './Decisions.module.css';

const DecideOtherwise = late(async () => (await import('./DecideOtherwise.tsx')).DecideOtherwise);

/** Choices after which nobody should drink, or nothing ever stops. */
const alarming = new Set([
  'shut-off-never-closes',
  'lamp-needs-outlet',
  'lamp-left-out',
  'membrane-not-needed-carbon',
  'membrane-not-needed-carbon-and-lamp',
  'membrane-not-needed-lamp',
  'membrane-not-needed-nothing',
  'refrigerator-too-weak',
]);

/** Yes, no or consider, as a tone: what asks for something stands out. */
const toneOf = (decision: Decision): 'good' | 'warn' | 'bad' =>
  alarming.has(decision.code) ? 'bad' : decision.choice === 'consider' ? 'warn' : 'good';

/** Topics whose yes is a part to buy or somebody to call; a yes to the rest only says that all is well. */
const costly = new Set<DecisionTopic>([
  'regulator',
  'pretreatment',
  'booster',
  'scaling',
  'minerals',
  'disinfection',
  'refrigerator',
]);

/** Whether a decision merely confirms: nothing to buy, nobody to ask, and nobody went against it. */
const confirms = (decision: Decision, overruled: boolean): boolean =>
  !overruled &&
  toneOf(decision) === 'good' &&
  (decision.choice === 'no' || !costly.has(decision.topic));

const decisionsOn = remembered(
  (
    judged: JudgedDesign,
    { task, requirements, facts, settings }: JobBrief,
    recommendation: Recommendation | undefined,
  ) =>
    decide(judged, {
      waters: task.waters,
      requirements,
      facts,
      leakStop: settings.leakStop,
      catalogue: task.catalogue,
      branches: task.site.branches,
      recommendation,
    }),
);

interface Props {
  judged: JudgedDesign;
  brief: JobBrief;
  recommendation: Recommendation | undefined;
}

/** What asks for money or a person first, what stands out before the rest; what merely confirms is a line each. */
export function DecisionCards({ judged, brief, recommendation }: Props) {
  const decisions = decisionsOn(judged, brief, recommendation);
  const { design } = judged;
  const { overruled } = useDocument().size;
  const [topic, setTopic] = useState<DecisionTopic | null>(null);
  const weight = { bad: 0, warn: 1, good: 2 } as const;
  const plain = (decision: Decision) => confirms(decision, !!overruled[decision.topic]);
  const open = decisions
    .filter((decision) => !plain(decision))
    .sort((one, other) => weight[toneOf(one)] - weight[toneOf(other)]);
  const settled = decisions.filter(plain);
  const body = (decision: Decision) => (
    <DecisionBody
      decision={decision}
      design={design}
      brief={brief}
      onOpen={() => setTopic(decision.topic)}
    />
  );
  return (
    <section aria-label="Decisions">
      {open.length > 0 && (
        <SimpleGrid cols={{ base: 1, sm: 2, lg: 3 }} mb="sm">
          {open.map((decision) => (
            <article
              key={decision.topic}
              className="panel"
              data-testid={`decision-${decision.topic}`}
            >
              <Stack gap={6} h="100%">
                <DecisionHead decision={decision} />
                {body(decision)}
              </Stack>
            </article>
          ))}
        </SimpleGrid>
      )}
      {settled.length > 0 && (
        <div className={`panel ${styles.settled}`}>
          {settled.map((decision) => (
            <details key={decision.topic} data-testid={`decision-${decision.topic}`}>
              <summary className={styles.line}>
                <DecisionHead decision={decision} />
              </summary>
              <Stack gap={6} pb="sm">
                {body(decision)}
              </Stack>
            </details>
          ))}
        </div>
      )}
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

const DecisionHead = ({ decision }: { decision: Decision }) => (
  <span className={styles.head}>
    <Text fw={650} span>
      {decisionTitle(decision)}
    </Text>
    <span className={`mark ${toneOf(decision)}`}>{decisionChoice(decision)}</span>
  </span>
);

/** The reason with its numbers, its school, who decided otherwise, and one quiet way to do so. */
function DecisionBody({
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
  const reader = useReader();
  const document = useDocument();
  const { catalogue } = useSizing();
  const { agreed, restore } = useChosenSystem();
  const { topic } = decision;
  const options = decisionOptions(topic, design, brief.settings, catalogue);
  const overruled = document.size.overruled[topic];
  const inUse = options.find((option) => option.inUse);
  const school = schoolWords[decision.code];
  return (
    <>
      <Text size="sm">{decisionSentence(decision, reader)}</Text>
      {school && (
        <Text size="xs" c="dimmed">
          {school}
        </Text>
      )}
      {overruled && (
        <Text size="sm" data-testid={`overruled-${topic}`}>
          <strong>Decided by {overruled.by}</strong>
          {inUse && `: ${optionWords(topic, inUse, reader)}`}. {overruled.reason}
        </Text>
      )}
      {options.length > 1 && (
        <Group gap="xs" mt="auto">
          <Button
            variant="subtle"
            size="sm"
            mih={44}
            px={0}
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
    </>
  );
}
