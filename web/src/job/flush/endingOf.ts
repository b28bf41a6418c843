import type { EndKind, FlushStep } from '@katharos/core';

interface EndingSource {
  step: FlushStep;
  seen: readonly EndKind[];
  minutes: number | null;
  leftS: number;
  isRunning: boolean;
}

/** Off by less than this, s, nobody is asked: it was done when the timer ended. */
const noticedS = 60;
/** What somebody stands beside is late when it takes this many times its time. */
const lateTimes = 2;

/** Whether a step ends so early or so late that it is asked why: not where all that ends it was seen. */
export function endingOf({
  step,
  seen,
  minutes,
  leftS,
  isRunning,
}: EndingSource): 'early' | 'late' | null {
  if (!isRunning || minutes === null) return null;
  const isAllSeen = step.ends.length > 0 && step.ends.every(({ kind }) => seen.includes(kind));
  if (leftS > noticedS) return isAllSeen ? null : 'early';
  const overS = -leftS;
  const isLate = step.attended && overS > noticedS && overS > (lateTimes - 1) * minutes * 60;
  return isLate && !isAllSeen ? 'late' : null;
}
