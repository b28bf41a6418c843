import { failureHead, failureSentence, flushWords, type Reader } from '@katharos/words';
import { lampFeedOf } from '@katharos/job';
import {
  assess,
  assessUltraviolet,
  flushPlan,
  type FlushStep,
  type InstalledSystem,
  isUltravioletLine,
  ultravioletFlushPlan,
} from '@katharos/core';
import { NeedsBrief } from '../open/NeedsBrief.tsx';
import { NeedsSystem } from '../open/NeedsSystem.tsx';
import { useDocument, useJob } from '../open/useJob.ts';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useSizing } from '../open/sizingContext.ts';
import { StepCard } from './StepCard.tsx';
import { Button, Group, Stack, Text, Title } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import styles from './Flush.module.css';

/** Flushing, one step at a time. */
export function FlushStage() {
  const document = useDocument();
  if (!document.system) {
    return (
      <NeedsSystem
        title="Flush"
        reason="How long each fill takes depends on the system that was chosen."
      />
    );
  }
  return <Flushing design={document.system.design} />;
}

function Flushing({ design }: { design: InstalledSystem }) {
  const { document, edit, stamp, jobId } = useJob();
  const { brief } = useSizing();
  const reader = useReader();
  const water = brief?.ok ? brief.value.task.waters.today : null;
  // Once a step was done here, the next one takes the focus and is read out.
  const [following, setFollowing] = useState(false);
  const plan = useMemo(() => {
    if (!water) return null;
    if (isUltravioletLine(design)) {
      const lit = assessUltraviolet(design, water, lampFeedOf(document.survey, water.hardnessMgL));
      return lit.ok ? { ok: true as const, steps: ultravioletFlushPlan(design, lit.value) } : lit;
    }
    const today = assess(design, water);
    return today.ok ? { ok: true as const, steps: flushPlan(design, today.value) } : today;
  }, [design, water, document.survey]);
  if (!plan) return <NeedsBrief />;
  if (!plan.ok) {
    return (
      <Tone kind="bad" head={failureHead(plan.failure)} role="alert">
        {failureSentence(plan.failure)}
      </Tone>
    );
  }
  const { steps } = plan;
  const records = document.flush.steps;
  const current = steps.find((step) => !records[step.id]?.done);
  const record = (
    step: FlushStep,
    change: { startedAt: string | null; done: { at: string; by: string } | null },
  ) => edit(({ flush }) => ({ flush: { steps: { ...flush.steps, [step.id]: change } } }));
  const start = (step: FlushStep) => record(step, { startedAt: stamp().at, done: null });
  const finish = (step: FlushStep) => {
    setFollowing(true);
    const done = stamp();
    record(step, { startedAt: records[step.id]?.startedAt ?? done.at, done });
  };
  const reopen = (step: FlushStep) => record(step, { startedAt: null, done: null });
  return (
    <Stack gap="md">
      <Group justify="space-between">
        <Title order={2} size="h3" className="stage-title">
          Flush
        </Title>
        <Text c="dimmed">{timeLeft(steps, (step) => !!records[step.id]?.done, reader)}</Text>
      </Group>
      {current ? (
        <StepCard
          key={current.id}
          step={current}
          position={steps.indexOf(current) + 1}
          of={steps.length}
          startedAt={records[current.id]?.startedAt ?? null}
          takesFocus={following}
          onStart={() => start(current)}
          onDone={() => finish(current)}
        />
      ) : (
        <Tone kind="good" head="Flushed">
          <Text mb="xs">
            Every step is done. Readings are taken from running product, not from the first tank.
          </Text>
          <Button size="lg" component={Link} to={`/jobs/${jobId}/verify`}>
            Take the readings
          </Button>
        </Tone>
      )}
      <StepList
        steps={steps}
        current={current}
        isDone={(step) => records[step.id]?.done ?? null}
        onReopen={reopen}
      />
    </Stack>
  );
}

/** What is still before the person, and how much of it is waiting. */
function timeLeft(
  steps: readonly FlushStep[],
  isDone: (step: FlushStep) => boolean,
  reader: Reader,
): string {
  const ahead = steps.filter((step) => !isDone(step));
  const minutes = (wanted: boolean) =>
    ahead
      .filter((step) => step.attended === wanted)
      .reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  if (ahead.length === 0) return '';
  const waiting = minutes(false);
  return `Still ahead: ${reader.minutes(minutes(true))} beside it${waiting > 0 ? `, ${reader.minutes(waiting)} of filling alone` : ''}`;
}

interface StepListProps {
  steps: readonly FlushStep[];
  current: FlushStep | undefined;
  isDone: (step: FlushStep) => { at: string; by: string } | null;
  onReopen: (step: FlushStep) => void;
}

function StepList({ steps, current, isDone, onReopen }: StepListProps) {
  const reader = useReader();
  return (
    <ol className={`panel ${styles.list}`} aria-label="All steps">
      {steps.map((step) => {
        const done = isDone(step);
        return (
          <li
            key={step.id}
            data-now={step === current}
            aria-current={step === current ? 'step' : undefined}
          >
            <span className={styles.drop} data-done={!!done} aria-hidden />
            <span>
              <strong>{flushWords(step, reader).title}</strong>
              <span className="quiet">
                {step.minutes !== null && ` · ${reader.minutes(step.minutes)}`}
                {done && ` · done ${reader.when(done.at, 'time')} by ${done.by}`}
              </span>
            </span>
            {done && (
              <Button
                variant="subtle"
                size="sm"
                mih={44}
                onClick={() => onReopen(step)}
                aria-label={`Do again: ${flushWords(step, reader).title}`}
              >
                Again
              </Button>
            )}
          </li>
        );
      })}
    </ol>
  );
}
