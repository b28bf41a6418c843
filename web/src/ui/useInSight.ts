import { type RefObject, useEffect } from 'react';

/**
 * Pushes a row sideways until what is in use stands in its middle: whenever that is another, and when the row becomes wider or narrower,
 * as where a phone is turned.
 * @param inUse selector of what is in use within the row
 * @param which it is
 */
export function useInSight(row: RefObject<HTMLElement | null>, inUse: string, which: string): void {
  useEffect(() => {
    const whole = row.current;
    if (!whole) return;
    const push = () => {
      const own = whole.querySelector(inUse)?.getBoundingClientRect();
      if (!own) return;
      const { left, width } = whole.getBoundingClientRect();
      whole.scrollBy({ left: own.left + own.width / 2 - (left + width / 2) });
    };
    // It says at once how wide the row is, when that has been reckoned anyway.
    const turned = new ResizeObserver(push);
    turned.observe(whole);
    return () => turned.disconnect();
  }, [row, inUse, which]);
}
