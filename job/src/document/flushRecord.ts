import type { FlushRecord } from '@katharos/core';
import type { JobDocument } from './job.ts';

/** What was recorded of a step, on the clock. */
export const flushRecordOf = (
  record: JobDocument['flush']['steps'][string] | undefined,
): FlushRecord | undefined =>
  record && {
    startedAt: record.startedAt === null ? null : Date.parse(record.startedAt),
    doneAt: record.done === null ? null : Date.parse(record.done.at),
    minutes: record.minutes,
  };

/** Whether every step of the plan is done; of a flush that kept no plan, the last look. */
export const isFlushed = ({ steps, plan }: JobDocument['flush']): boolean =>
  plan ? plan.every(({ id }) => steps[id]?.done) : Boolean(steps['rest-and-recheck']?.done);
