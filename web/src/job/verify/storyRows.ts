import {
  alongTheWater,
  type Diagnosis,
  type Examination,
  type ExpectedReadings,
  placeOf,
  type ReadingCode,
  type ReadingPlaceCode,
} from '@katharos/core';

/** A reading beside what a sound system shows: everything as a ratio to that. */
export interface StoryRow {
  code: ReadingCode;
  place: ReadingPlaceCode;
  /** As read; null where nobody has read it yet. */
  read: number | null;
  /** Nine in ten sound systems. */
  low: number;
  high: number;
  /** What each of the leading stories would show; null where nothing comes. */
  stories: (number | null)[];
}

/** Readings that nobody took yet are shown where the two stories differ by this, in the logarithm. */
const worthShowing = Math.log(1.5);
const mostUnread = 4;
/** What is read of the water itself is what the system gets; nothing of it can be off. */
const asRead: readonly ReadingCode[] = ['feedTdsMgL', 'temperatureC', 'supplyPressureBar'];

/** Rows along the way of the water: all that was read, and what would tell the two leading stories apart. */
export function storyRows(
  { given }: Examination,
  expected: ExpectedReadings,
  stories: Diagnosis['stories'],
): StoryRow[] {
  const rows = alongTheWater.flatMap((code): StoryRow[] => {
    const sound = expected[code];
    const seen = given.find((one) => one.code === code)?.seen;
    if (!sound || sound === true || !(sound.middle > 0) || asRead.includes(code)) return [];
    if (typeof seen === 'boolean') return [];
    const told = stories.map(({ readings }) => {
      const value = readings[code];
      return typeof value === 'number' ? value / sound.middle : null;
    });
    return [
      {
        code,
        place: placeOf(code),
        read: typeof seen === 'number' ? seen / sound.middle : null,
        low: sound.low / sound.middle,
        high: sound.high / sound.middle,
        stories: told,
      },
    ];
  });
  const apart = ({ stories: [a, b] }: StoryRow) =>
    a && b ? Math.abs(Math.log(a / b)) : a || b ? worthShowing : 0;
  const unread = rows
    .filter((row) => row.read === null && apart(row) >= worthShowing)
    .sort((a, b) => apart(b) - apart(a))
    .slice(0, mostUnread);
  return rows.filter((row) => row.read !== null || unread.includes(row));
}
