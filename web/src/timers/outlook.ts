import type { BoardRow } from '@katharos/contract';
import {
  flushSchedule,
  type FlushStepCode,
  type PlannedStep,
  type TimedStep,
} from '@katharos/core';
import { flushRecordOf } from '@katharos/job';

/** A timer that was started, and has not been answered. */
export interface Timer {
  /** One of its kind: a step started again is another. */
  key: string;
  jobId: string;
  name: string;
  step: string;
  code: FlushStepCode;
  attended: boolean;
  /** ms of the epoch. */
  endsAt: number;
}

/** A job as it waits: what runs, and what somebody has to be there for next. */
export interface Outlook {
  row: BoardRow;
  timers: Timer[];
  /** Null where the plan was not made yet, or all is done. */
  next: TimedStep<PlannedStep> | null;
  isBegun: boolean;
}

/** A plan as it was kept; codes are those of the version that kept it. */
const planOf = ({ plan }: Pick<BoardRow, 'plan'>): PlannedStep[] => (plan ?? []) as PlannedStep[];

/** The timers of a job that run or have run out. */
export function timersOf(row: Pick<BoardRow, 'id' | 'name' | 'plan' | 'steps'>): Timer[] {
  return planOf(row).flatMap(({ id, code, minutes, attended }) => {
    const record = row.steps[id];
    const takes = record?.minutes ?? minutes;
    if (!record?.startedAt || record.done || takes === null) return [];
    return [
      {
        key: `${row.id}:${id}:${record.startedAt}`,
        jobId: row.id,
        name: row.name,
        step: id,
        code,
        attended,
        endsAt: Date.parse(record.startedAt) + takes * 60_000,
      },
    ];
  });
}

export function outlookOf(row: BoardRow, now: number): Outlook {
  const { steps } = flushSchedule(planOf(row), (id) => flushRecordOf(row.steps[id]), now);
  const open = steps.filter(({ isDone }) => !isDone);
  const timers = timersOf(row);
  const isRunning = (id: string) => timers.some(({ step }) => step === id);
  return {
    row,
    timers,
    next: open.find(({ step }) => step.attended && !isRunning(step.id)) ?? null,
    isBegun: Object.keys(row.steps).length > 0,
  };
}
