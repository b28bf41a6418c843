import { serverNow } from '../data/serverClock.ts';
import { useEffect, useState } from 'react';

/** The time, renewed every half second or so while something runs, and at once when the page is looked at again. */
export function useNow(running: boolean, everyMs = 500, clock: () => number = serverNow): number {
  const [now, setNow] = useState(clock);
  useEffect(() => {
    if (!running) return undefined;
    const tick = () => setNow(clock());
    tick();
    const timer = setInterval(tick, everyMs);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [running, everyMs, clock]);
  return now;
}
