/**
 * The server's time. A phone's own clock may be minutes off; what is recorded and what a timer shows goes by the server's clock, as far as it
 * has been heard, also after a reload without a line.
 */

/** The server says the time in whole seconds, and an answer is under way for a while: less than this is no difference, ms. */
const noticedMs = 3000;
/** An answer that took longer says little of the moment it was given, ms. */
const slowestMs = 4000;
const keptAs = 'katharos:clock-ahead';

/** By how much this device's clock is ahead of the server's, ms. */
let aheadMs = Number(readKept()) || 0;

function readKept(): string | null {
  try {
    return localStorage.getItem(keptAs);
  } catch {
    return null;
  }
}

/** Hears the time out of an answer. @param sentAt when it was asked, by this device's clock, ms of the epoch */
export function hearTime(response: Response, sentAt: number): void {
  const said = Date.parse(response.headers.get('date') ?? '');
  const heardAt = Date.now();
  if (Number.isNaN(said) || heardAt - sentAt > slowestMs || heardAt < sentAt) return;
  // In the middle of the way there and back, and of the second that is left out.
  const ahead = (sentAt + heardAt) / 2 - (said + 500);
  const next = Math.abs(ahead) < noticedMs ? 0 : ahead;
  if (Math.abs(next - aheadMs) < noticedMs && next !== 0) return;
  aheadMs = next;
  try {
    localStorage.setItem(keptAs, String(Math.round(next)));
  } catch {
    // It is heard again.
  }
}

/** The server's time, ms of the epoch. */
export const serverNow = (): number => Date.now() - aheadMs;

/** Asks as `fetch` does, and hears the time. What the service worker kept says another time: only the server's own answers are heard. */
export const fetchAndHear: typeof fetch = async (input, init) => {
  const sentAt = Date.now();
  const response = await fetch(input, init);
  hearTime(response, sentAt);
  return response;
};
