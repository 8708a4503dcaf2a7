import { Action } from '../parts/action';
import { Busy } from '../parts/busy';
import { wholeFirst } from './whole-part';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { ComponentType, ReactNode } from 'react';

/**
 * Parts of a screen that load later: once the page is idle, or when they are first shown. A part that can't be loaded says so
 * where it would stand, and is tried again.
 */

/** Milliseconds to wait: a page that has just opened has other things to do. */
const REST = 2500;

/** Milliseconds after which the pictures of a page have begun to come. */
const SOON = 500;

/** Milliseconds after which a page that is never idle goes on all the same. */
const LONGEST = 2000;

const queue: (() => Promise<unknown>)[] = [];
let going = false;

const whenIdle = (work: () => void) =>
  'requestIdleCallback' in window ? requestIdleCallback(work, { timeout: LONGEST }) : setTimeout(work, 200);

async function next(): Promise<void> {
  const work = queue.shift();
  if (!work) return void (going = false);
  await wholeFirst(work).catch(() => {
    // It is fetched again when it is needed.
  });
  whenIdle(() => void next());
}

type Connection = { saveData?: boolean };
/** Whether the browser was asked to load no more than is needed. */
const savesData = () => (navigator as { connection?: Connection }).connection?.saveData === true;

/**
 * Runs this once the page is idle, one task at a time; where data is to be saved it is left for when it is needed.
 * @param always even then
 */
export function ahead(work: () => Promise<unknown>, always = false): void {
  if (typeof window === 'undefined' || (savesData() && !always)) return;
  queue.push(work);
  if (going) return;
  going = true;
  setTimeout(() => whenIdle(() => void next()), REST);
}

/** Whether a page that has just opened has come to rest: what takes the server long, and is looked at later, is asked for then. */
export function useRested(): boolean {
  const [rested, setRested] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => whenIdle(() => setRested(true)), SOON);
    return () => clearTimeout(timer);
  }, []);
  return rested;
}

/** Fetched when first asked for, then kept. After a failure it is asked for again. */
export class Fetched<T> {
  now: { kind: 'on its way' } | { kind: 'failed' } | { kind: 'here'; value: T } = { kind: 'on its way' };
  private asked: Promise<void> | undefined;
  /** The network came back while it was on its way, too late for what was asked for. */
  private isBack = false;
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
        if (!this.isBack) return this.put({ kind: 'failed' });
        this.isBack = false;
        return this.fetch();
      },
    ));

  again = () => {
    this.put({ kind: 'on its way' });
    void this.fetch();
  };

  /** The network is there again. */
  back = () => {
    if (this.now.kind === 'failed') this.again();
    else this.isBack = this.now.kind === 'on its way';
  };

  private put(now: typeof this.now) {
    this.now = now;
    for (const listener of this.listeners) listener();
  }
}

/** The state of something that is fetched once and kept. Asking for it starts the fetch. */
export function useFetched<T>(where: Fetched<T>) {
  const now = useSyncExternalStore(
    where.subscribe,
    () => where.now,
    () => where.now,
  );
  useEffect(() => {
    void where.fetch();
    window.addEventListener('online', where.back);
    return () => window.removeEventListener('online', where.back);
  }, [where]);
  return now;
}

/** Something to fetch ahead of time, or when it is first needed. */
export function fetched<T>(load: () => Promise<T>): Fetched<T> {
  const made = new Fetched(load);
  ahead(made.fetch);
  return made;
}

export function NotFetched({ again }: { again: () => void }) {
  return (
    <p className="quiet not-fetched" role="alert">
      This part is not here yet, and the school can’t be reached just now. <Action onClick={again}>Try again</Action>
    </p>
  );
}

/** A component of a module that is fetched later. */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  waiting: ReactNode = <Busy />,
): ComponentType<P> {
  const part = fetched(load);
  return function Later(props: P) {
    const now = useFetched(part);
    if (now.kind === 'failed') return <NotFetched again={part.again} />;
    if (now.kind === 'on its way') return waiting;
    return <now.value {...props} />;
  };
}
