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

/** Longest waits for an answer of the browser's storage, in milliseconds: where it hangs, saving must not hang with it. */
const STUCK = 3000;
const STUCK_LOCK = 1500;

async function within<T>(limit: number, work: Promise<T>, otherwise: T): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<T>((resolve) => {
    timer = setTimeout(() => {
      console.warn(`The browser’s storage gave no answer for ${limit} ms`);
      resolve(otherwise);
    }, limit);
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

let opened: Promise<IDBPDatabase<Schema> | null> | undefined;
/** null where the browser keeps nothing (private windows) or does not answer: then work goes on without. */
const open = () =>
  (opened ??= within(
    STUCK,
    openDB<Schema>('dappled-margin', 1, {
      upgrade(db) {
        db.createObjectStore('pending');
        db.createObjectStore('past');
        db.createObjectStore('future');
      },
    }),
    null,
  ).catch(() => null));

/** What is read while a sheet opens; null where there is no storage, or where it fails or hangs. */
async function read<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>): Promise<T | null> {
  const db = await open();
  return db && within(STUCK, work(db), null).catch(() => null);
}

const isUnsent = (pending: Pending | undefined): pending is Pending =>
  pending !== undefined && (pending.sent !== null || pending.queue.length > 0);

/**
 * One window's drawer in the vault. The first window on a document holds the main slot; a second one keeps to itself, so
 * that neither overwrites the other's unsent changes. What closed windows left behind is taken up by the next main one.
 */
export class Slot {
  private past: readonly Step[] = [];
  /** Where something could not be read nothing is written, for it would mix with that. */
  private keeps = { pending: true, history: true };
  private constructor(
    readonly name: string,
    private isMain: boolean,
    /** Lets the next window have the slot. */
    readonly release: () => void,
  ) {}

  static async take(documentId: string, personId: string): Promise<Slot> {
    const main = `${personId}/${documentId}`;
    const unsent = () => read(async (db) => isUnsent(await db.get('pending', main)));
    // A reload's old page may take a moment to let go. While something unsent lies there it is worth a longer wait.
    for (const began = Date.now(); Date.now() - began < PATIENCE;) {
      const release = await tryLock(main);
      if (release) return new Slot(main, true, release);
      if (Date.now() - began >= 500 && !(await unsent())) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    const own = `${main}/${Math.random().toString(36).slice(2, 10)}`;
    return new Slot(own, false, (await tryLock(own)) ?? (() => {}));
  }

  /** What closed windows left unsent, this slot's own first; the others' slots are emptied by `forget`. */
  async left(): Promise<{ pending: Pending; forget: () => Promise<void> }[]> {
    const left = await read(async (db) => {
      const found: { pending: Pending; forget: () => Promise<void> }[] = [];
      const own = await db.get('pending', this.name);
      if (isUnsent(own)) found.push({ pending: own, forget: async () => {} });
      if (!this.isMain) return found;
      const others = await db.getAllKeys('pending', IDBKeyRange.bound(`${this.name}/`, `${this.name}/\uffff`));
      for (const key of others) {
        const release = await tryLock(key);
        // Its window is still open.
        if (!release) continue;
        const pending = await db.get('pending', key);
        if (isUnsent(pending))
          found.push({
            pending,
            forget: async () => {
              await db.delete('pending', key);
              release();
            },
          });
        else release();
      }
      return found;
    });
    this.keeps.pending = left !== null;
    return left ?? [];
  }

  /** Whether unsent changes and steps are kept, both. */
  get whole(): boolean {
    return this.keeps.pending && this.keeps.history;
  }

  async keepPending(pending: Pending): Promise<void> {
    const db = this.keeps.pending ? await open() : null;
    if (pending.sent || pending.queue.length > 0) await db?.put('pending', pending, this.name);
    else await db?.delete('pending', this.name);
  }

  async history(): Promise<History> {
    const kept = await read(async (db) => ({
      past: await db.getAll('past', IDBKeyRange.bound([this.name, 0], [this.name, Infinity])),
      future: (await db.get('future', this.name)) ?? [],
    }));
    this.keeps.history = kept !== null;
    this.past = kept?.past ?? [];
    return kept ?? NO_HISTORY;
  }

  /** Writes what differs from the last time. */
  async keepHistory({ past, future }: History): Promise<void> {
    const before = this.past;
    this.past = past;
    const db = this.keeps.history ? await open() : null;
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

/** Longest wait for a slot that holds something unsent, in milliseconds. */
const PATIENCE = 8000;

/** What gives the lock back, or null when another window has it. */
function tryLock(name: string): Promise<(() => void) | null> {
  if (!navigator.locks) return Promise.resolve(() => {});
  let late = false;
  const asked = new Promise<(() => void) | null>((answer, fail) => {
    const given = (lock: Lock | null) => {
      if (lock === null) return answer(null);
      return late ? undefined : new Promise<void>((release) => answer(release));
    };
    navigator.locks.request(name, { ifAvailable: true }, given).catch(fail);
  });
  return within(STUCK_LOCK, asked, null)
    .catch(() => null)
    .finally(() => (late = true));
}
