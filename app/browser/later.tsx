import { useEffect, useSyncExternalStore } from 'react';
import type { ComponentType, ReactNode } from 'react';
import { z } from 'zod';

/**
 * Parts of a screen that are fetched later: ahead of time once the page is idle, else when they are first shown. What can't be
 * fetched says so in its own place, and is tried again.
 */

/** A page that has just come up has other things to do, in milliseconds. */
const REST = 2500;

const queue: (() => Promise<unknown>)[] = [];
let going = false;

const whenIdle = (work: () => void) =>
  'requestIdleCallback' in window ? requestIdleCallback(work) : setTimeout(work, 200);

async function next(): Promise<void> {
  const work = queue.shift();
  if (!work) return void (going = false);
  await work().catch(() => {
    // It is fetched when it is wanted.
  });
  whenIdle(() => void next());
}

/** Does this once the page has nothing else to do, one after the other. */
export function ahead(work: () => Promise<unknown>): void {
  if (typeof window === 'undefined') return;
  queue.push(work);
  if (going) return;
  going = true;
  setTimeout(() => whenIdle(() => void next()), REST);
}

/** What the framework tells a page about the others; only what is used here. */
const Pages = z.object({
  routes: z.record(z.string(), z.object({ module: z.string(), css: z.array(z.string()).optional() })),
});

/** Fetches all other pages: without one the framework would reload, and a browser without a network shows nothing then. */
export function pagesAhead(): void {
  const read = Pages.safeParse((window as { __reactRouterManifest?: unknown }).__reactRouterManifest);
  for (const { module, css = [] } of Object.values(read.data?.routes ?? {})) {
    ahead(() => import(/* @vite-ignore */ module));
    for (const style of css) ahead(() => fetch(style));
  }
}

/** What is fetched when it is first asked for and kept; after a failure it is asked for again. */
export class Fetched<T> {
  now: { kind: 'on its way' } | { kind: 'failed' } | { kind: 'here'; value: T } = { kind: 'on its way' };
  private asked: Promise<void> | undefined;
  private listeners = new Set<() => void>();
  constructor(private load: () => Promise<T>) {}

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  fetch = (): Promise<void> =>
    (this.asked ??= this.load().then(
      (value) => this.put({ kind: 'here', value }),
      () => {
        this.asked = undefined;
        this.put({ kind: 'failed' });
      },
    ));

  again = () => {
    this.put({ kind: 'on its way' });
    void this.fetch();
  };

  private put(now: typeof this.now) {
    this.now = now;
    for (const listener of this.listeners) listener();
  }
}

/** A thing that is fetched once and kept; in `where` it can be asked for by a screen. */
export function useFetched<T>(where: Fetched<T>) {
  const now = useSyncExternalStore(
    where.subscribe,
    () => where.now,
    () => where.now,
  );
  useEffect(() => {
    void where.fetch();
    const back = () => where.now.kind === 'failed' && where.again();
    window.addEventListener('online', back);
    return () => window.removeEventListener('online', back);
  }, [where]);
  return now;
}

/** Something to be fetched ahead of time, or when it is first wanted. */
export function fetched<T>(load: () => Promise<T>): Fetched<T> {
  const made = new Fetched(load);
  ahead(made.fetch);
  return made;
}

export function NotFetched({ again }: { again: () => void }) {
  return (
    <p className="quiet not-fetched" role="alert">
      This part is not here yet, and the school can’t be reached just now.{' '}
      <button type="button" className="plainbtn" onClick={again}>
        Try again
      </button>
    </p>
  );
}

/** A component of a module that is fetched later. */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: ReactNode = <p className="quiet">…</p>,
): ComponentType<P> {
  const part = fetched(load);
  return function Later(props: P) {
    const now = useFetched(part);
    if (now.kind === 'failed') return <NotFetched again={part.again} />;
    if (now.kind === 'on its way') return waiting;
    return <now.value {...props} />;
  };
}
