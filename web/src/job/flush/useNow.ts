import { useEffect, useState } from 'react';

/** The time, renewed every half second while something runs, and at once when the page is looked at again. */
export function useNow(running: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!running) return undefined;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 500);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [running]);
  return now;
}
