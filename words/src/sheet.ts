import type { FeedChoice, PlannedHole } from '@katharos/core';
import type { Reader } from './reader.ts';

const where: Record<FeedChoice['way'], string> = {
  'valve-adapter': 'cold stop valve under the sink',
  'hose-adapter': 'cold stop valve under the sink, at the foot of the tap’s hose',
  'three-way': 'the cold line’s stop valve, or the house’s where it has none',
  saddle: 'the cold line’s stop valve, or the house’s where it has none',
};

/** Where the water is shut off. */
export const waterOffSentence = ({ way, thread }: FeedChoice, hotSide: boolean): string =>
  `Water off: ${where[way]}${thread ? `, ${thread}` : ''}${hotSide ? '; the hot one as well, for a mixer lets it across' : ''}. If it does not close, the house’s main valve.`;

const holeWords: Record<PlannedHole['what'], string> = {
  tap: 'tap',
  pilot: 'pilot for the tap',
  drain: 'drain, one wall only',
};

/** What is drilled, in the reader's units. */
export const holesSentence = (holes: readonly PlannedHole[], reader: Reader): string =>
  holes.length === 0
    ? 'Nothing is drilled.'
    : `Holes: ${reader.list(holes.map(({ what, mm }) => `${holeWords[what]} ${reader.millimetres(mm)}`))}.`;
