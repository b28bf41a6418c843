import { flushTimes } from '../base/practice.ts';
import type { FlushStep } from './flushPlan.ts';

/** What was recorded of a step, ms of the epoch. */
export interface FlushRecord {
  startedAt: number | null;
  doneAt: number | null;
}

/** Who does a step: the waiting outlasts the visit. */
export type FlushHand = 'installer' | 'household' | 'return-visit';

/** A step with its times, ms of the epoch: as they were, or as they will be if everything goes on from now. */
export interface TimedStep {
  step: FlushStep;
  by: FlushHand;
  startsAt: number;
  endsAt: number;
  isDone: boolean;
}

export interface FlushSchedule {
  steps: TimedStep[];
  /** When somebody has to be there again, while nobody has to now. */
  comeBackAt: number | null;
  /** Product that is washed out runs from here on: readings can be taken. */
  verifyFrom: number;
  /** Water that may be drunk once it is verified. */
  drinkFrom: number;
}

const minuteMs = 60_000;

const durationMs = ({ minutes }: FlushStep): number =>
  (minutes ?? flushTimes.simpleStep) * minuteMs;

/** Fills and drainings behind the first fill are what a household finishes; what comes after those waits for another visit. */
function handsOf(steps: readonly FlushStep[]): FlushHand[] {
  let isHanded = false;
  return steps.map((step) => {
    const isWaiting =
      step.code === 'tank-drain' || (step.code === 'tank-fill' && step.data.cycle > 1);
    isHanded ||= isWaiting;
    return isWaiting ? 'household' : isHanded ? 'return-visit' : 'installer';
  });
}

/** Whether a step gives the first water that is not thrown away: the fill that is kept. */
const isKept = (step: FlushStep): boolean => step.code === 'tank-fill' && step.data.kept;

/**
 * A flush in clock times: what is done as it was recorded, a step under way until its own end, the rest one after the other from there. A
 * step that runs late moves all that follow.
 * @param recordOf what was recorded of a step; @param now ms of the epoch
 */
export function flushSchedule(
  steps: readonly FlushStep[],
  recordOf: (id: string) => FlushRecord | undefined,
  now: number,
): FlushSchedule {
  const hands = handsOf(steps);
  let at = now;
  const timed = steps.map((step, i): TimedStep => {
    const { startedAt = null, doneAt = null } = recordOf(step.id) ?? {};
    const by = hands[i]!;
    if (doneAt !== null) {
      return { step, by, startsAt: startedAt ?? doneAt, endsAt: doneAt, isDone: true };
    }
    const startsAt = startedAt ?? at;
    // What is over its time ends now at the earliest.
    const endsAt = Math.max(startsAt + durationMs(step), now);
    at = Math.max(at, endsAt);
    return { step, by, startsAt, endsAt, isDone: false };
  });
  const next = timed.find(({ isDone }) => !isDone);
  const kept = timed.find(({ step }) => isKept(step));
  const end = timed.at(-1)?.endsAt ?? now;
  // Without a tank the last look is all that comes behind the rinse.
  const washed = kept ?? timed.find(({ step }) => step.code === 'rest-and-recheck');
  return {
    steps: timed,
    comeBackAt: next && !next.step.attended && next.endsAt > now ? next.endsAt : null,
    verifyFrom: washed?.startsAt ?? end,
    drinkFrom: kept?.endsAt ?? end,
  };
}
