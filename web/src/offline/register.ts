import { applicationUpdated } from '../data/line/lineSlice.ts';
import { statusOfPart } from '../data/missingPart.ts';
import { store } from '../data/store.ts';

/** Time after the page is there until everything else is fetched for pages without a line, ms. */
const afterMs = 5000;
/** How often a page that stays open looks for a newer version, ms. */
const lookAgainMs = 30 * 60_000;

/** How long the old version may go on with what it is fetching once a person wants the newer one, ms. */
const oldVersionEndsMs = 4000;

const offer = (worker: ServiceWorker | null): void => {
  // The first of all has nothing to replace.
  if (worker && navigator.serviceWorker.controller) store.dispatch(applicationUpdated());
};

async function register(): Promise<void> {
  const registration = await navigator.serviceWorker.register('/serviceWorker.js');
  offer(registration.waiting);
  registration.addEventListener('updatefound', () => {
    const { installing } = registration;
    installing?.addEventListener('statechange', () => {
      if (installing.state === 'installed') offer(installing);
    });
  });
  setInterval(() => void registration.update().catch(() => undefined), lookAgainMs);
}

/** A page of before an update may want a file that is gone: the newer version is offered at once. A lost line is no such reason. */
async function lookFor(error: Error): Promise<void> {
  if ((await statusOfPart(error)) === 404) store.dispatch(applicationUpdated());
}

/** Has the browser keep the application; once the first page stands, so that it waits for nothing. */
export function keepApplication(): void {
  window.addEventListener('vite:preloadError', (event) => {
    void lookFor((event as Event & { payload: Error }).payload);
  });
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  setTimeout(() => void register().catch(() => undefined), afterMs);
}

/**
 * Goes over to the newer version, now that the person wants it. A browser lets the old one end what it is fetching, for minutes if
 * need be; then the page is asked of the server, and kept anew from there.
 */
export async function takeNewVersion(): Promise<void> {
  const registration = await navigator.serviceWorker?.getRegistration().catch(() => undefined);
  if (registration?.waiting) {
    const takenOver = new Promise<true>((resolve) => {
      navigator.serviceWorker.addEventListener('controllerchange', () => resolve(true));
    });
    registration.waiting.postMessage('take-over');
    const isStuck = !(await Promise.race([takenOver, pause(oldVersionEndsMs)]));
    // Without a line the old one is all there is.
    if (isStuck && (await isServerThere())) await registration.unregister();
  }
  window.location.reload();
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

const isServerThere = (): Promise<boolean> =>
  fetch('/healthz', { cache: 'no-store', signal: AbortSignal.timeout(oldVersionEndsMs) }).then(
    ({ ok }) => ok,
    () => false,
  );
