import { z } from 'zod';
import { ahead } from './later';

/** The part of the framework's manifest that is used here. */
const Pages = z.object({
  routes: z.record(z.string(), z.object({ module: z.string(), css: z.array(z.string()).optional() })),
});

/**
 * Fetches the code of all other pages, so that they open without a network. Without it the framework would reload the page, and
 * an offline browser would show nothing.
 */
export function pagesAhead(): void {
  const read = Pages.safeParse((window as { __reactRouterManifest?: unknown }).__reactRouterManifest);
  for (const { module, css = [] } of Object.values(read.data?.routes ?? {})) {
    ahead(() => import(/* @vite-ignore */ module));
    for (const style of css) ahead(() => fetch(style));
  }
}
