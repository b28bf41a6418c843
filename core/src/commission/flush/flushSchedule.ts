import { flushTimes } from '../../base/practice.ts';
import type { FlushStep, FlushStepCode, PlannedStep } from './flushStep.ts';

/** What was recorded of a step, ms of the epoch. */
export interface FlushRecord {
  startedAt: number | null;
  doneAt: number | null;
  /** What it was to take when it was begun; the plan's own where nobody kept it. */
  minutes?: number | undefined;
}

/** A step with its times, ms of the epoch: as they were, or as they will be if everything goes on from now. */
export interface TimedStep<S extends PlannedStep = FlushStep> {
  step: S;
  startsAt: number;
  endsAt: number;
  isDone: boolean;
}

export interface FlushSchedule<S extends PlannedStep = FlushStep> {
  steps: TimedStep<S>[];
  /** When somebody has to be there again, while nobody has to now. */
  comeBackAt: number | null;
  /** Product that is washed out runs from here on: readings can be taken. */
  verifyFrom: number;
  /** Water that has been through everything that makes it safe: what is owed besides is not a matter of the clock. */
  drinkFrom: number;
}

const minuteMs = 60_000;

/** What makes water fit to drink, and may come after the tank's last fill: a lamp lit and run in, what is rinsed and disinfected. */
const treating: ReadonlySet<string> = new Set<FlushStepCode>([
  'lamp-on',
  'dispenser-rinse',
  'sanitise-rinse',
]);
const treats = ({ code }: PlannedStep): boolean => treating.has(code);

const durationMs = (minutes: number | null): number =>
  (minutes ?? flushTimes.simpleStep) * minuteMs;

/**
 * A flush in clock times: what is done as it was recorded, a step under way until its own end, the rest one after the other from there. A
 * step that runs late moves all that follow.
 * @param recordOf what was recorded of a step; @param now ms of the epoch
 * @param awake when a household can be asked for something that falls at a moment: then, or the next morning
 */
export function flushSchedule<S extends PlannedStep>(
  steps: readonly S[],
  recordOf: (id: string) => FlushRecord | undefined,
  now: number,
  awake: (at: number) => number = (at) => at,
): FlushSchedule<S> {
  let at = now;
  const timed = steps.map((step): TimedStep<S> => {
    const { startedAt = null, doneAt = null, minutes = step.minutes } = recordOf(step.id) ?? {};
    if (doneAt !== null) {
      return { step, startsAt: startedAt ?? doneAt, endsAt: doneAt, isDone: true };
    }
    const startsAt = startedAt ?? (step.by === 'household' && step.attended ? awake(at) : at);
    // What is over its time ends now at the earliest.
    const endsAt = Math.max(startsAt + durationMs(minutes), now);
    at = Math.max(at, endsAt);
    return { step, startsAt, endsAt, isDone: false };
  });
  const next = timed.find(({ isDone }) => !isDone);
  // The fill after the last that is thrown away.
  const kept = timed.findLast(({ step }) => step.code === 'tank-fill');
  const end = timed.at(-1)?.endsAt ?? now;
  // Without a tank the last look is all that comes behind the rinse.
  const washed = kept ?? timed.find(({ step }) => step.code === 'rest-and-recheck');
  return {
    steps: timed,
    comeBackAt: next && !next.step.attended && next.endsAt > now ? next.endsAt : null,
    verifyFrom: washed?.startsAt ?? end,
    drinkFrom: kept
      ? Math.max(kept.endsAt, ...timed.filter(({ step }) => treats(step)).map((one) => one.endsAt))
      : end,
  };
}
