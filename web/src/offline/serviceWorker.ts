import { ExpirationPlugin } from 'workbox-expiration';
import {
  addPlugins,
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
} from 'workbox-precaching';
import { NavigationRoute, registerRoute } from 'workbox-routing';
import { CacheFirst } from 'workbox-strategies';

/** The files of this build, written in when it is built. */
declare const builtFiles: { url: string; revision: string | null }[];

/** What this file needs of the scope that it runs in. */
interface WorkerScope {
  skipWaiting: () => Promise<void>;
  addEventListener: (
    type: 'message',
    listener: (event: MessageEvent & { waitUntil: (done: Promise<void>) => void }) => void,
  ) => void;
}
const scope = self as unknown as WorkerScope;

// A kept file is read to its end before it is handed on, or the server is asked: the browser now and then breaks off one that it is
// still reading, and a page remembers for as long as it stands that a part of it did not come.
addPlugins([
  {
    cachedResponseWillBeUsed: async ({ cachedResponse }) => {
      if (!cachedResponse) return null;
      const { status, statusText, headers } = cachedResponse;
      const content = await cachedResponse.arrayBuffer().catch(() => undefined);
      return content ? new Response(content, { status, statusText, headers }) : null;
    },
  },
]);
// Every page opens without a line: all of this build is kept, and every address that is not the server's own is a page of it.
precacheAndRoute(builtFiles);
cleanupOutdatedCaches();
registerRoute(
  new NavigationRoute(createHandlerBoundToURL('/index.html'), {
    denylist: [/^\/(api|home|feeds)\//, /^\/(healthz|readyz)$/],
  }),
);

// A photograph's bytes never change under its address.
registerRoute(
  ({ url }) => /^\/api\/jobs\/[^/]+\/photographs\/[^/]+$/.test(url.pathname),
  new CacheFirst({
    cacheName: 'photographs',
    plugins: [new ExpirationPlugin({ maxEntries: 600, purgeOnQuotaError: true })],
  }),
);

// A new version waits until the person says so: nothing is changed under a page at work.
scope.addEventListener('message', (event) => {
  if (event.data === 'take-over') event.waitUntil(scope.skipWaiting());
});
