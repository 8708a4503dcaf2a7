import { CacheableResponsePlugin } from 'workbox-cacheable-response';
import { clientsClaim } from 'workbox-core';
import { ExpirationPlugin } from 'workbox-expiration';
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from 'workbox-precaching';
import { NavigationRoute, registerRoute, setCatchHandler } from 'workbox-routing';
import { CacheFirst, NetworkFirst, NetworkOnly } from 'workbox-strategies';
import { KEPT_ART } from '../browser/kept-art';
import { isOwn, OWN, PAGE } from './kept-pages';

/**
 * The service worker: keeps the program and a student's open copies in the browser, so that a lesson goes on without a network,
 * also over a reload. A new version waits until all windows of the old one are closed. Every file of the program has a name of
 * its own in each version: whichever page is shown finds the files it was built with.
 */

declare const PROGRAM: { url: string; revision: string | null }[];

type Extendable = Event & { waitUntil(work: Promise<unknown>): void };

const DAY = 24 * 3600;
/** Seconds after which a page that was kept is shown, if the network is too slow. */
const SLOW = 8;

const complete = new CacheableResponsePlugin({ statuses: [200] });

clientsClaim();
cleanupOutdatedCaches();
precacheAndRoute(PROGRAM);

// Files of a newer version, whose worker waits.
registerRoute(
  ({ url }) => url.pathname.startsWith('/assets/'),
  new CacheFirst({
    cacheName: 'dappled-newer',
    plugins: [complete, new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: 30 * DAY, purgeOnQuotaError: true })],
  }),
);

registerRoute(
  ({ url }) => isOwn(url.pathname),
  new NetworkFirst({
    cacheName: OWN,
    networkTimeoutSeconds: SLOW,
    plugins: [complete, new ExpirationPlugin({ maxEntries: 200, maxAgeSeconds: 30 * DAY, purgeOnQuotaError: true })],
  }),
);

// Art keeps its names over versions: it is asked for first.
registerRoute(
  ({ url }) => url.pathname.startsWith('/art/'),
  new NetworkFirst({
    cacheName: KEPT_ART,
    networkTimeoutSeconds: SLOW,
    plugins: [complete, new ExpirationPlugin({ maxEntries: 1500, maxAgeSeconds: 90 * DAY, purgeOnQuotaError: true })],
  }),
);

// Any other page can't be shown without a network, which is said.
registerRoute(new NavigationRoute(new NetworkOnly()));
setCatchHandler(async ({ request }) =>
  request.mode === 'navigate' ? ((await matchPrecache('/offline.html')) ?? Response.error()) : Response.error(),
);

/** Pages of an earlier version lack their files now: they are fetched anew. */
async function renew(): Promise<void> {
  const pages = await caches.open(OWN);
  for (const { url } of await pages.keys()) {
    if (!PAGE.test(new URL(url).pathname)) continue;
    const answer = await fetch(url, { credentials: 'same-origin' }).catch(() => null);
    if (answer?.status === 200 && !answer.redirected) await pages.put(url, answer);
    else await pages.delete(url);
  }
}
self.addEventListener('activate', (event) => (event as Extendable).waitUntil(renew()));
