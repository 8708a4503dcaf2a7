import type { DBSchema, IDBPDatabase } from 'idb';
import { openDB } from 'idb';
import type { Change } from '../../core/changes/change';
import type { UndoHistory, Step } from '../../core/changes/history';
import { NO_HISTORY } from '../../core/changes/history';
import type { Sheet } from '../../core/schema/sheet';
import { plainNames, quietly } from './kept';

/** What the browser stores over a reload: unsaved changes, and the steps that can be undone. */

/** Changes on their way. `base`: the number they are based on. `sent`: those of a batch without an answer yet. */
export type Pending = {
  base: number;
  sent: { batch: string; changes: Change[] } | null;
  queue: Change[];
  /** For a following window: its name, and the number of the first of these changes. */
  mine?: { from: string; first: number };
  /** For the leading window: the last change it has from each follower. */
  taken?: Record<string, number>;
};
/** What was left in a slot. `own`: the reader's own. */
export type Left = { pending: Pending; own: boolean; forget: () => Promise<void> };

/** A sheet with all changes up to a number. */
export type Confirmed = { seq: number; sheet: Sheet };

/** A change that could not be saved, when and why. */
export type Aside = { at: number; reason: string; change: Change };

interface Schema extends DBSchema {
  pending: { key: string; value: Pending };
  aside: { key: string; value: readonly Aside[] };
  past: { key: [string, number]; value: Step };
  future: { key: string; value: readonly Step[] };
  /** The sheet as the server last had it, as far as is known here. */
  confirmed: { key: string; value: Confirmed };
  /** Left by somebody who signed out, by slot and number. */
  sealed: { key: [string, string]; value: Uint8Array };
}

/** Longest waits for the browser's storage, in milliseconds: if it hangs, saving must not. */
export const STUCK = 3000;
const STUCK_LOCK = 1500;

export async function within<T>(limit: number, work: Promise<T>, otherwise: T): Promise<T> {
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
/** Null if the browser stores nothing (private windows) or does not answer: then work goes on without. */
export const openVault = () =>
  (opened ??= within(
    STUCK,
    openDB<Schema>('dappled-margin', 4, {
      upgrade(db, from) {
        if (from < 1) {
          db.createObjectStore('pending');
          db.createObjectStore('past');
          db.createObjectStore('future');
        }
        if (from < 2) db.createObjectStore('aside');
        if (from < 3) db.createObjectStore('sealed');
        db.createObjectStore('confirmed');
      },
    }),
    null,
  ).catch(() => null));

/** Read while a sheet opens. Null without storage, or when it fails or hangs. */
async function read<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>): Promise<T | null> {
  const db = await openVault();
  return db && within(STUCK, work(db), null).catch(() => null);
}

/**
 * Unsent changes when a page closes, written at once: IndexedDB is too slow then. They are newer than what IndexedDB has for
 * the slot.
 */
const NOW = 'dappled-margin unsent ';
export const keptNow = (name: string) =>
  quietly(() => JSON.parse(localStorage.getItem(NOW + name) ?? 'null') as Pending | null, null);
const keepNow = (name: string, { base, sent, queue, mine, taken }: Pending) =>
  quietly(() => localStorage.setItem(NOW + name, JSON.stringify({ base, sent, queue, mine, taken })), undefined);
export const forgetNow = (name: string) => quietly(() => localStorage.removeItem(NOW + name), undefined);
/** The raw entries, for browsers without other storage. */
export const nowEntry = (name: string): [key: string, raw: string][] => {
  const raw = quietly(() => localStorage.getItem(NOW + name), null);
  return raw === null ? [] : [[NOW + name, raw]];
};
export const namesNow = (within: string) =>
  plainNames()
    .filter((key) => key.startsWith(NOW + within))
    .map((key) => key.slice(NOW.length));

/** The main slot this window had before a reload: the old page may still be holding it. */
const MINE = 'dappled-margin main slot';
const wasMine = (name: string) => quietly(() => sessionStorage.getItem(MINE) === name, false);
const noteMine = (name: string) => quietly(() => sessionStorage.setItem(MINE, name), undefined);

export const mainSlot = (documentId: string, personId: string) => `${personId}/${documentId}`;

/** For a page that closes before its slot has opened: adds changes to those left for the main slot. */
export function keepEarly(documentId: string, personId: string, base: number, changes: readonly Change[]): void {
  const name = mainSlot(documentId, personId);
  const before = keptNow(name) ?? { base, sent: null, queue: [] };
  keepNow(name, { ...before, queue: [...before.queue, ...changes] });
}

export const isUnsent = (pending: Pending | null | undefined): pending is Pending =>
  !!pending && (pending.sent !== null || pending.queue.length > 0);

/**
 * One window's slot. The first window on a document holds the main slot. A second one has its own, so that neither overwrites
 * the other's unsent changes. What closed windows left is taken up by the next main one.
 */
export class Slot {
  private past: readonly Step[] = [];
  /** Nothing is written over what could not be read. */
  private keeps = { pending: true, history: true };
  private constructor(
    readonly name: string,
    private isMain: boolean,
    /** Releases the slot for the next window. */
    readonly release: () => void,
  ) {}

  /** `isLed`: whether another window answers for the main slot. Then it is not waited for. */
  static async take(documentId: string, personId: string, isLed: () => Promise<boolean> = no): Promise<Slot> {
    const main = mainSlot(documentId, personId);
    const unsent = async () =>
      keptNow(main) !== null || (await read(async (db) => isUnsent(await db.get('pending', main))));
    // After a reload the old page may hold the slot for a moment. If this window had it, or left something in it, it is waited
    // for.
    for (const began = Date.now(); Date.now() - began < PATIENCE;) {
      const release = await tryLock(main);
      if (release) {
        return Slot.main(main, release);
      }
      if (await isLed()) break;
      if (Date.now() - began >= 500 && !wasMine(main) && !(await unsent())) break;
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    const own = `${main}/${Math.random().toString(36).slice(2, 10)}`;
    return new Slot(own, false, (await tryLock(own)) ?? (() => {}));
  }

  private static main(name: string, release: () => void): Slot {
    noteMine(name);
    return new Slot(name, true, () => {
      noteMine('');
      release();
    });
  }

  /** Resolves with the main slot once its window has released it. @throws when the signal ends the wait */
  static async next(documentId: string, personId: string, signal: AbortSignal): Promise<Slot> {
    const name = mainSlot(documentId, personId);
    const release = await new Promise<() => void>((given, fail) => {
      navigator.locks.request(name, { signal }, () => new Promise<void>((free) => given(free))).catch(fail);
    });
    return Slot.main(name, release);
  }

  get leads(): boolean {
    return this.isMain;
  }

  /** What closed windows left unsent, this slot's own first. `forget` empties the others' slots. */
  async left(): Promise<Left[]> {
    const { name } = this;
    const stored = await read(async (db) => ({
      own: await db.get('pending', name),
      others: this.isMain ? await db.getAllKeys('pending', IDBKeyRange.bound(`${name}/`, `${name}/\uffff`)) : [],
    }));
    this.keeps.pending = stored !== null;
    const found: Left[] = [];
    const own = keptNow(name) ?? stored?.own;
    if (own && (own.taken || isUnsent(own)))
      found.push({ pending: own, own: true, forget: async () => forgetNow(name) });
    if (!this.isMain) return found;
    // What a closing page stored at once is there without other storage, too.
    const others = new Set([...(stored?.others ?? []), ...namesNow(`${name}/`)]);
    for (const key of others) {
      const release = await tryLock(key);
      // Its window is still open.
      if (!release) continue;
      // It may have stored more until it closed.
      const pending = keptNow(key) ?? (stored && (await read((db) => db.get('pending', key))));
      if (!isUnsent(pending)) release();
      else
        found.push({
          pending,
          own: false,
          forget: async () => {
            forgetNow(key);
            if (stored) await (await openVault())?.delete('pending', key);
            release();
          },
        });
    }
    return found;
  }

  /** For a closing page: stores unsent changes at once. */
  keepNow(pending: Pending): void {
    keepNow(this.name, pending);
  }
  /** For a page restored from the browser's cache. */
  forgetNow(): void {
    forgetNow(this.name);
  }

  /** Whether both unsent changes and undo steps are stored. */
  get whole(): boolean {
    return this.keeps.pending && this.keeps.history;
  }

  /**
   * Stores what is unsent, and with `confirmed` the sheet below it. Both or none: a change is in one of them. They are stored even
   * if the page closes now.
   */
  async keepPending(pending: Pending, confirmed?: Sheet): Promise<void> {
    const db = this.keeps.pending ? await openVault() : null;
    if (!db) return;
    const { base, sent, queue, mine, taken } = pending;
    const kept = Object.keys(taken ?? {}).length > 0;
    const tx = db.transaction(['pending', 'confirmed'], 'readwrite');
    const unsent = tx.objectStore('pending');
    void (isUnsent(pending) || kept
      ? unsent.put({ base, sent, queue, mine, taken }, this.name)
      : unsent.delete(this.name));
    if (confirmed && base !== this.confirmedAt)
      void tx.objectStore('confirmed').put({ seq: base, sheet: confirmed }, this.name);
    this.confirmedAt = base;
    tx.commit();
    await tx.done;
  }
  /** The number that the stored sheet is of. */
  private confirmedAt: number | undefined;

  /** The sheet as the server had it when this browser last heard of it; null where that is not stored. */
  async confirmed(): Promise<Confirmed | null> {
    return (await read((db) => db.get('confirmed', this.name))) ?? null;
  }

  /** What could not be saved before. */
  async aside(): Promise<readonly Aside[]> {
    return (await read((db) => db.get('aside', this.name))) ?? [];
  }
  async keepAside(aside: readonly Aside[]): Promise<void> {
    const db = await openVault();
    if (aside.length > 0) await db?.put('aside', aside, this.name);
    else await db?.delete('aside', this.name);
  }

  async history(): Promise<UndoHistory> {
    const kept = await read(async (db) => ({
      past: await db.getAll('past', IDBKeyRange.bound([this.name, 0], [this.name, Infinity])),
      future: (await db.get('future', this.name)) ?? [],
    }));
    this.keeps.history = kept !== null;
    this.past = kept?.past ?? [];
    return kept ?? NO_HISTORY;
  }

  /** Writes only what changed since the last time. */
  async keepHistory({ past, future }: UndoHistory): Promise<void> {
    const before = this.past;
    this.past = past;
    const db = this.keeps.history ? await openVault() : null;
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

const no = () => Promise.resolve(false);

/** Longest wait for a slot with unsent changes, in milliseconds. */
const PATIENCE = 8000;

/** A function that releases the lock, or null if another window holds it. */
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
