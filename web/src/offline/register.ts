import { applicationUpdated } from '../data/line/lineSlice.ts';
import { store } from '../data/store.ts';

/** Time after the page is there until everything else is fetched for pages without a line, ms. */
const afterMs = 5000;
/** How often a page that stays open looks for a newer version, ms. */
const lookAgainMs = 30 * 60_000;

let waiting: ServiceWorker | null = null;

const offer = (worker: ServiceWorker | null): void => {
  // The first of all has nothing to replace.
  if (!worker || !navigator.serviceWorker.controller) return;
  waiting = worker;
  store.dispatch(applicationUpdated());
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
async function lookFor({ message }: Error): Promise<void> {
  const [address] = /(?:https?:\/\/[^/\s]+)?\/assets\/\S+/.exec(message) ?? [];
  const answer = address && (await fetch(address).catch(() => undefined));
  if (answer && answer.status === 404) store.dispatch(applicationUpdated());
}

/** Has the browser keep the application; once the first page stands, so that it waits for nothing. */
export function keepApplication(): void {
  window.addEventListener('vite:preloadError', (event) => {
    void lookFor((event as Event & { payload: Error }).payload);
  });
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  setTimeout(() => void register().catch(() => undefined), afterMs);
}

/** Goes over to the newer version, now that the person wants it. */
export function takeNewVersion(): void {
  navigator.serviceWorker?.addEventListener('controllerchange', () => window.location.reload(), {
    once: true,
  });
  if (waiting) waiting.postMessage('take-over');
  else window.location.reload();
}
