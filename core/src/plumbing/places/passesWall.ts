import type { DrainWay } from './drainWay.ts';
import { type Place, placeFacts } from './place.ts';

/**
 * Whether a tube of a remote unit passes floor or wall: what comes from the street, and what goes to counter and waste. A stand-pipe
 * or floor drain is taken to be where the unit is.
 */
export function passesWall({ from, to }: { from: Place; to: Place }, drain: DrainWay): boolean {
  const stays = (place: Place) => {
    const { atSink } = placeFacts(place);
    return atSink === 'drain-way' ? drain !== 'standpipe' : atSink;
  };
  return stays(from) !== stays(to);
}
