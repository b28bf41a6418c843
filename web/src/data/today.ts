import { serverNow } from './serverClock.ts';

/** Today where this device is, as an ISO date. */
export function today(): string {
  const now = new Date(serverNow());
  const two = (count: number) => String(count).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
