import { z } from 'zod';
import { ahead } from './later';

/** The part of the framework's manifest that is used here. */
const Pages = z.object({
  routes: z.record(
    z.string(),
    z.object({ module: z.string(), imports: z.array(z.string()).optional(), css: z.array(z.string()).optional() }),
  ),
});

/** So many are fetched at once. */
const AT_ONCE = 12;

/** Fetches modules and compiles them, without running them: that is for when their page is opened. */
async function preload(hrefs: readonly string[]): Promise<void> {
  const links = hrefs.map((href) => Object.assign(document.createElement('link'), { rel: 'modulepreload', href }));
  const settled = links.map(
    (link) =>
      new Promise<void>((resolve) => {
        link.addEventListener('load', () => resolve());
        link.addEventListener('error', () => (link.remove(), resolve()));
      }),
  );
  document.head.append(...links);
  await Promise.all(settled);
}

/**
 * Fetches the code of all other pages, so that they open without a network. Without it the framework would reload the page, and
 * an offline browser would show nothing. Where the service worker keeps the program this is done already.
 */
export function pagesAhead(): void {
  if (navigator.serviceWorker?.controller) return;
  const read = Pages.safeParse((window as { __reactRouterManifest?: unknown }).__reactRouterManifest);
  const routes = Object.values(read.data?.routes ?? {});
  const modules = new Set(routes.flatMap(({ module, imports = [] }) => [module, ...imports]));
  for (const { href } of document.querySelectorAll<HTMLLinkElement>('link[rel=modulepreload]'))
    modules.delete(new URL(href).pathname);
  const left = [...modules];
  while (left.length > 0) {
    const some = left.splice(0, AT_ONCE);
    ahead(() => preload(some));
  }
  for (const style of new Set(routes.flatMap(({ css = [] }) => css))) ahead(() => fetch(style));
}
