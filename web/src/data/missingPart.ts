/** A part of the page that was asked for and did not come: what a page remembers for as long as it stands. */
export const isMissingPart = (error: unknown): error is Error =>
  error instanceof Error && /dynamically imported module|preload CSS/.test(error.message);

/** What is answered under the address that a failed import names: a status, or undefined where there is no answer or no address. */
export async function statusOfPart({ message }: Error): Promise<number | undefined> {
  const [address] = /(?:https?:\/\/[^/\s]+)?\/assets\/\S+/.exec(message) ?? [];
  const answer = address && (await fetch(address).catch(() => undefined));
  return answer ? answer.status : undefined;
}

const key = 'katharos-loaded-again';
/** Within this a page is not loaded again by itself, ms: what fails each time is for a person to see. */
const onceIn = 30_000;

/** Whether a page may load itself again now; notes that it did. Where nothing can be noted, it may not. */
export function mayLoadAgain(now: number): boolean {
  try {
    const before = Number(sessionStorage.getItem(key) ?? 0);
    if (now - before < onceIn) return false;
    sessionStorage.setItem(key, String(now));
    return true;
  } catch {
    return false;
  }
}
