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

/** What has to be asked when a step ends: why so early or so late; or, of what ends by itself, whether anybody saw it. */
export type AskedAtEnd = 'early' | 'late' | 'unseen';

/**
 * What is asked at the end of a step: nothing where all that ends it was seen in time. A drain that has stopped by the time somebody comes
 * may have stopped long before, and then says nothing of how long the fill took.
 */
export function endingOf({
  step,
  seen,
  minutes,
  leftS,
  isRunning,
}: EndingSource): AskedAtEnd | null {
  if (!isRunning || minutes === null) return null;
  const isAllSeen = step.ends.length > 0 && step.ends.every(({ kind }) => seen.includes(kind));
  if (leftS > noticedS) return isAllSeen ? null : 'early';
  const overS = -leftS;
  if (step.code === 'tank-fill') return overS > noticedS ? 'unseen' : null;
  const isLate = step.attended && overS > noticedS && overS > (lateTimes - 1) * minutes * 60;
  return isLate && !isAllSeen ? 'late' : null;
}
