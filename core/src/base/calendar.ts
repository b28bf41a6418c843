/** Calendar days as ISO dates, and as whole days since 1 January 1970; without clock or time zone. */

export const daysInMonth = 30.4375;
const msInDay = 86_400_000;

const written = /^(\d{4})-(\d{2})-(\d{2})$/;

/** The day of a date; null where there is no such day. */
export function dayOf(date: string): number | null {
  const parts = written.exec(date);
  if (!parts) return null;
  const [month, day] = [Number(parts[2]) - 1, Number(parts[3])];
  const ms = Date.UTC(Number(parts[1]), month, day);
  const there = new Date(ms);
  return there.getUTCMonth() === month && there.getUTCDate() === day ? ms / msInDay : null;
}

/** ISO date of a day. */
export const dateOf = (day: number): string =>
  new Date(Math.round(day) * msInDay).toISOString().slice(0, 10);
