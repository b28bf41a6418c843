import {
  failureHead,
  failureSentence,
  flushHandNames,
  flushWords,
  type Reader,
} from '@katharos/words';
import { flushOf, type JobDocument } from '@katharos/job';
import {
  type FlushRecord,
  type FlushSchedule,
  flushSchedule,
  type FlushStep,
  type InstalledSystem,
} from '@katharos/core';
import { NeedsBrief } from '../open/NeedsBrief.tsx';
import { NeedsSystem } from '../open/NeedsSystem.tsx';
import { useDocument, useJob } from '../open/useJob.ts';
import { usePlumbing } from '../open/usePlumbing.ts';
import { Tone } from '../../ui/Tone.tsx';
import { useReader } from '../../ui/useReader.ts';
import { useSizing } from '../open/sizingContext.ts';
import { FlushTimes } from './FlushTimes.tsx';
import { StepCard } from './StepCard.tsx';
import { useNow } from './useNow.ts';
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
  const known = brief?.ok ? brief.value : null;
  const plumbing = usePlumbing(design, known);
  const { survey } = document;
  // Once a step was done here, the next one takes the focus and is read out.
  const [following, setFollowing] = useState(false);
  const now = useNow(true, wholeMinutes);
  const plan = useMemo(
    () => (known && plumbing ? flushOf({ survey }, design, known, plumbing) : null),
    [survey, design, known, plumbing],
  );
  if (!plan) return <NeedsBrief />;
  if (!plan.ok) {
    return (
      <Tone kind="bad" head={failureHead(plan.failure)} role="alert">
        {failureSentence(plan.failure)}
      </Tone>
    );
  }
  const steps = plan.value;
  const records = document.flush.steps;
  const current = steps.find((step) => !records[step.id]?.done);
  const schedule = flushSchedule(steps, (id) => epochOf(records[id]), now);
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
      <FlushTimes schedule={schedule} now={now} />
      <StepList
        schedule={schedule}
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

/** How often times that lie ahead are reckoned anew, ms. */
const wholeMinutes = 20_000;

const epochOf = (
  record: JobDocument['flush']['steps'][string] | undefined,
): FlushRecord | undefined =>
  record && {
    startedAt: record.startedAt === null ? null : Date.parse(record.startedAt),
    doneAt: record.done === null ? null : Date.parse(record.done.at),
  };

interface StepListProps {
  schedule: FlushSchedule;
  current: FlushStep | undefined;
  isDone: (step: FlushStep) => { at: string; by: string } | null;
  onReopen: (step: FlushStep) => void;
}

function StepList({ schedule, current, isDone, onReopen }: StepListProps) {
  const reader = useReader();
  return (
    <ol className={`panel ${styles.list}`} aria-label="All steps">
      {schedule.steps.map(({ step, by, startsAt }) => {
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
                {!done && ` · ${reader.when(startsAt, 'time')}`}
                {!done && by !== 'installer' && ` · ${flushHandNames[by]}`}
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
