import { useEffect } from 'react';
import { ahead } from '../browser/later';
import { OWN } from './kept-pages';

/** Registers the service worker, and tells it which pages to keep. */

/** Milliseconds between looks for a new version. */
const LOOK_EVERY = 10 * 60_000;

const registered = () =>
  import.meta.env.PROD && typeof navigator !== 'undefined' && 'serviceWorker' in navigator
    ? navigator.serviceWorker
    : null;

let outdated = false;
/** Whether there is a newer version than this page: the next one is loaded whole then, so that it comes from one version alone. */
export const isOutdated = (): boolean => outdated;

async function register(workers: ServiceWorkerContainer): Promise<void> {
  const registration = await workers.register('/sw.js');
  registration.addEventListener('updatefound', () => (outdated = workers.controller !== null));
}

/** Keeps the program in the browser, from when the page is idle. */
export function keepProgram(): () => void {
  const workers = registered();
  if (!workers) return () => {};
  ahead(() => register(workers), true);
  const look = setInterval(() => {
    void workers.getRegistration().then((registration) => registration?.update().catch(() => {}));
  }, LOOK_EVERY);
  return () => clearInterval(look);
}

/** The page that was loaded through the worker, which has kept it already. */
let loadedThrough = registered()?.controller ? location.href : null;

/** Whose pages are kept. */
const OWNER = '/kept-for';

/** Removes what is kept of pages, data and pictures. */
export const forgetPages = async (): Promise<void> => {
  if (typeof caches !== 'undefined') await caches.delete(OWN);
};

async function keepPage(workers: ServiceWorkerContainer, personId: string): Promise<void> {
  const own = await caches.open(OWN);
  const owner = await (await own.match(OWNER))?.text();
  if (owner !== personId) {
    loadedThrough = null;
    await forgetPages();
    await (await caches.open(OWN)).put(OWNER, new Response(personId));
  }
  const { active } = await workers.ready;
  // What came before the worker was there, and pages that were opened without loading them.
  const loaded = performance.getEntriesByType('resource').map(({ name }) => name);
  const art = loaded.filter((name) => name.startsWith(`${location.origin}/art/`));
  const page = loadedThrough === location.href ? [] : [location.href];
  loadedThrough = null;
  active?.postMessage({ type: 'CACHE_URLS', payload: { urlsToCache: [...page, ...new Set(art)] } });
}

/** Keeps this page for a time without a network. `state`: when this changes the page is kept anew. */
export function useKeptPage(personId: string, state: string): void {
  useEffect(() => {
    const workers = registered();
    // Storage that fails, or a worker that never comes, costs what is kept, and nothing else.
    if (workers) ahead(async () => void keepPage(workers, personId).catch(() => {}), true);
  }, [personId, state]);
}
