const two = (n: number): string => String(n).padStart(2, '0');

/** A minute of the day as the clock shows it. */
export const clockOf = (minute: number): string => {
  const whole = Math.min(Math.floor(minute), 1439);
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
};

/** The minute of the day of a time such as 07:35; nothing where it is none. */
export function minuteOf(clock: string): number | undefined {
  const parts = /^(\d{1,2}):(\d{2})/.exec(clock);
  if (!parts) return undefined;
  const minute = Number(parts[1]) * 60 + Number(parts[2]);
  return minute < 1440 ? minute : undefined;
}
