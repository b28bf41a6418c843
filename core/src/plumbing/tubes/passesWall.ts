import type { DrainWay } from '../connections/drainHole.ts';

/** Places that stay at sink and counter when the unit stands elsewhere. */
const atSink = /^(feed-valve|regulator|tap|dispenser|air-gap)$/;

/**
 * Whether a tube of a remote unit passes floor or wall: what comes from the street, and what goes to counter and waste. A stand-pipe
 * or floor drain is taken to be where the unit is.
 */
export function passesWall({ from, to }: { from: string; to: string }, drain: DrainWay): boolean {
  const stays = (place: string) =>
    atSink.test(place) || (place === 'drain' && drain !== 'standpipe');
  return stays(from) !== stays(to);
}
