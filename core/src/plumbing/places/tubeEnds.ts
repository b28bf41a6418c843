import type { TubeEnd } from './tubeEnd.ts';
import type { DrainWay } from './drainWay.ts';
import { type Place, placeFacts } from './place.ts';
import type { TubeSize } from './tubeSize.ts';

/** How far a tube goes in, m: to the mark past the first stop, home in the nut, over the barb. Defaults; a kit's sheet says. */
const insertionM: Record<Exclude<TubeEnd, 'saddle'>, Record<TubeSize, number>> = {
  'push-fit': { '1/4"': 0.014, '3/8"': 0.018 },
  threaded: { '1/4"': 0.014, '3/8"': 0.018 },
  compression: { '1/4"': 0.012, '3/8"': 0.015 },
  barb: { '1/4"': 0.016, '3/8"': 0.02 },
  open: { '1/4"': 0, '3/8"': 0 },
};

/** Length of a tube that an end takes, m. @param saddleM how far the drain hole lets it in */
export const insertion = (end: TubeEnd, size: TubeSize, saddleM: number): number =>
  end === 'saddle' ? saddleM : insertionM[end][size];

/** Whether an end is held by a collet, and so by a clip. */
export const takesClip = (end: TubeEnd): boolean => end === 'push-fit' || end === 'threaded';

/** How a tube ends at a place. @param electric a tap whose stem is a push-fit port */
export function endAt(place: Place, drain: DrainWay, electric: boolean): TubeEnd {
  const { end } = placeFacts(place);
  if (end === 'tap-stem') return electric ? 'push-fit' : 'compression';
  if (end === 'drain-way') return drain === 'standpipe' ? 'open' : 'saddle';
  return end;
}
