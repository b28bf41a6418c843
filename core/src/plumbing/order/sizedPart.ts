import type { Place } from '../places/place.ts';
import type { ScheduledTube } from '../tubes/tubeSchedule.ts';

/** A fitting's role in the size of the widest tube that meets it at a place. */
export const sizedPart = (
  role: string,
  tubes: readonly Pick<ScheduledTube, 'from' | 'to' | 'size'>[],
  place: Place,
): string =>
  tubes.some(({ from, to, size }) => (from === place || to === place) && size === '3/8"')
    ? `${role}-wide`
    : role;
