/** Calendar days as ISO dates, and as whole days since 1 January 1970; without clock or time zone. */

export const daysInMonth = 30.4375;

const written = /^(\d{4})-(\d{2})-(\d{2})$/;
/** Days of four hundred years, after which the Gregorian calendar repeats itself. */
const eraDays = 146_097;
/** Day 0 of the count below, 1 March of the year 0, in days before 1970. */
const epochDays = 719_468;

/**
 * Days since 1970 of a day in the Gregorian calendar, whether there is such a day or not.
 * Source: E. M. Reingold and N. Dershowitz, Calendrical Calculations; years are counted from March, so that a leap day is the last.
 */
function daysSince1970(year: number, month: number, day: number): number {
  const shifted = month <= 2 ? year - 1 : year;
  const era = Math.floor(shifted / 400);
  const inEra = shifted - 400 * era;
  const inYear = Math.floor((153 * ((month + 9) % 12) + 2) / 5) + day - 1;
  return (
    era * eraDays +
    365 * inEra +
    Math.floor(inEra / 4) -
    Math.floor(inEra / 100) +
    inYear -
    epochDays
  );
}

/** The day of a date; null where there is no such day. */
export function dayOf(date: string): number | null {
  const parts = written.exec(date);
  if (!parts) return null;
  const [year, month, day] = [Number(parts[1]), Number(parts[2]), Number(parts[3])];
  if (month < 1 || month > 12 || day < 1) return null;
  const days = daysSince1970(year, month, day);
  return dateOf(days) === date ? days : null;
}

/** ISO date of a day. */
export function dateOf(days: number): string {
  const count = Math.round(days) + epochDays;
  const era = Math.floor(count / eraDays);
  const inEra = count - era * eraDays;
  const year = Math.floor(
    (inEra - Math.floor(inEra / 1460) + Math.floor(inEra / 36_524) - Math.floor(inEra / 146_096)) /
      365,
  );
  const inYear = inEra - (365 * year + Math.floor(year / 4) - Math.floor(year / 100));
  const march = Math.floor((5 * inYear + 2) / 153);
  const day = inYear - Math.floor((153 * march + 2) / 5) + 1;
  const month = march < 10 ? march + 3 : march - 9;
  const padded = (value: number, length: number) => String(value).padStart(length, '0');
  return `${padded(year + 400 * era + (month <= 2 ? 1 : 0), 4)}-${padded(month, 2)}-${padded(day, 2)}`;
}
