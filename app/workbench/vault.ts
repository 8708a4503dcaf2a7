import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';
import type { Change } from '../../core/sheet/change';
import type { History, Step } from '../../core/sheet/history';
import { NO_HISTORY } from '../../core/sheet/history';

/** What the browser keeps over a reload: changes that are not saved yet, and the steps that can be undone. */

/** Changes on their way: `base` is the number they build on; `sent` are those of a batch that got no answer yet. */
export type Pending = { base: number; sent: { batch: string; changes: Change[] } | null; queue: Change[] };

interface Schema extends DBSchema {
  pending: { key: string; value: Pending };
  past: { key: [string, number]; value: Step };
  future: { key: string; value: readonly Step[] };
}

let opened: Promise<IDBPDatabase<Schema> | null> | undefined;
/** null where the browser keeps nothing (private windows): then work goes on without. */
const open = () =>
  (opened ??= openDB<Schema>('dappled-margin', 1, {
    upgrade(db) {
      db.createObjectStore('pending');
      db.createObjectStore('past');
      db.createObjectStore('future');
    },
  }).catch(() => null));

/**
 * One window's drawer in the vault. The first window on a document holds the main slot; a second one keeps to itself, so
 * that neither overwrites the other's unsent changes.
 */
export class Slot {
  private past: readonly Step[] = [];
  private constructor(
    readonly name: string,
    /** Lets the next window have the slot. */
    readonly release: () => void,
  ) {}

  static async take(documentId: string, personId: string): Promise<Slot> {
    const main = `${personId}/${documentId}`;
    const release = await holdLock(main);
    return release ? new Slot(main, release) : new Slot(`${main}/${Math.random().toString(36).slice(2, 10)}`, () => {});
  }

  async pending(): Promise<Pending | undefined> {
    return (await open())?.get('pending', this.name);
  }

  async keepPending(pending: Pending): Promise<void> {
    const db = await open();
    if (pending.sent || pending.queue.length > 0) await db?.put('pending', pending, this.name);
    else await db?.delete('pending', this.name);
  }

  async history(): Promise<History> {
    const db = await open();
    if (!db) return NO_HISTORY;
    const past = await db.getAll('past', IDBKeyRange.bound([this.name, 0], [this.name, Infinity]));
    this.past = past;
    return { past, future: (await db.get('future', this.name)) ?? [] };
  }

  /** Writes what differs from the last time. */
  async keepHistory({ past, future }: History): Promise<void> {
    const before = this.past;
    this.past = past;
    const db = await open();
    if (!db) return;
    let same = 0;
    while (same < past.length && same < before.length && past[same] === before[same]) same++;
    const tx = db.transaction(['past', 'future'], 'readwrite');
    for (let i = same; i < past.length; i++) void tx.objectStore('past').put(past[i], [this.name, i]);
    if (before.length > past.length)
      void tx.objectStore('past').delete(IDBKeyRange.bound([this.name, past.length], [this.name, Infinity]));
    void tx.objectStore('future').put(future, this.name);
    await tx.done;
  }
}

/** What gives the lock back, or null when another window has it. A reload's old page may take a moment to let go. */
async function holdLock(name: string): Promise<(() => void) | null> {
  if (!navigator.locks) return () => {};
  const attempt = () =>
    new Promise<(() => void) | null>((answer) => {
      void navigator.locks.request(name, { ifAvailable: true }, (lock) => {
        if (lock === null) return answer(null);
        return new Promise<void>((release) => answer(release));
      });
    });
  for (let tries = 0; tries < 10; tries++) {
    const release = await attempt();
    if (release) return release;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return null;
}
