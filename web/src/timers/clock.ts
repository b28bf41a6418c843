/** Hours only where there are any: 1:04:09, 12:30. */
export function clock(seconds: number): string {
  const whole = Math.ceil(seconds);
  const two = (n: number) => String(n).padStart(2, '0');
  const [h, m, s] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  return h > 0 ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
