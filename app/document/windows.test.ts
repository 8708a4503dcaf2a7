import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { bodyText } from '../../core/text/body';
import type { Change } from '../../core/changes/change';
import { apply } from '../../core/changes/change';
import { plain } from '../../core/schema/defaults';
import type { Sheet, TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { Follower } from './follower';
import { Lead } from './lead';
import { Saver } from './saver';
import type { SaveState, Told } from './save-state';
import type { Left, Pending, Slot } from '../keeping/vault';
import type { Said } from './windows-line';

/** Windows of one browser on one sheet: one leads, the others follow. Their messages take their time, each sender's in order. */

class FakeStorage {
  slots = new Map<string, Pending>();
  slot(name: string, main: boolean): Slot {
    return {
      left: () => {
        const own = this.slots.get(name);
        const left: Left[] = own ? [{ pending: own, own: true, forget: () => Promise.resolve() }] : [];
        if (main)
          for (const [other, pending] of this.slots)
            if (other !== name && !open.has(other))
              left.push({ pending, own: false, forget: () => Promise.resolve(void this.slots.delete(other)) });
        return Promise.resolve(left);
      },
      keepPending: ({ base, sent, queue, mine, taken }: Pending) => {
        if (sent || queue.length > 0 || taken) this.slots.set(name, { base, sent, queue, mine, taken });
        else this.slots.delete(name);
        return Promise.resolve();
      },
      keepNow: () => {},
      forgetNow: () => {},
      aside: () => Promise.resolve([]),
      keepAside: () => Promise.resolve(),
    } as unknown as Slot;
  }
}
/** Slots whose window is open. */
let open: Set<string>;
let storage: FakeStorage;
let windows: FakeWindow[];
/** Messages on their way, by who gets them. */
let way: { to: FakeWindow; said: Said }[];

class FakeWindow {
  sheet: Sheet = sampleSheet();
  notices: string[] = [];
  save: SaveState | null = null;
  saver: Saver | Follower | undefined;
  lead: Lead | undefined;
  readonly line = {
    say: (said: Said) => {
      for (const to of windows) if (to !== this) way.push({ to, said: structuredClone(said) });
    },
    close: () => {},
  };
  readonly told: Told = {
    sheet: (sheet) => void (this.sheet = sheet),
    state: (save) => {
      this.save = save;
      this.lead?.state(save);
    },
    notice: (text) => void this.notices.push(text),
    results: () => {},
    aside: () => {},
  };
  constructor(readonly name: string) {
    windows.push(this);
    open.add(name);
  }
  async leads(followed?: Parameters<Saver['start']>[0]) {
    const start = followed
      ? { seq: followed.outbox.base, sheet: followed.outbox.confirmed }
      : { seq: 0, sheet: sampleSheet() };
    const saver = new Saver('d', start, storage.slot('main', true), this.told);
    this.saver = saver;
    this.sheet = await saver.start(followed);
    this.lead = new Lead(saver, this.line, (change) => this.told.sheet(saver.sheetNow, [change]));
  }
  async follows() {
    const follower = new Follower(
      this.name,
      { seq: 0, sheet: sampleSheet() },
      storage.slot(this.name, false),
      this.line,
      this.told,
    );
    this.saver = follower;
    const shown = follower.start();
    await deliver();
    this.sheet = (await shown)!;
  }
  heard(said: Said) {
    if (this.saver instanceof Follower) this.saver.heard(said);
    else this.lead?.heard(said);
  }
  does(change: Change) {
    const result = apply(this.sheet, change);
    if (!result.ok) return;
    this.sheet = result.sheet;
    this.saver!.push(change);
  }
  closes() {
    if (this.saver instanceof Follower) this.saver.leave();
    this.saver!.stop();
    windows = windows.filter((one) => one !== this);
    open.delete(this.name);
  }
}

/** Lets messages arrive: all of them, or the first so many. */
async function deliver(most = Infinity) {
  for (let i = 0; i < most && way.length > 0; i++) {
    const { to, said } = way.shift()!;
    if (windows.includes(to)) to.heard(said);
    await Promise.resolve();
  }
}
const typed = (words: string, at = 0): Change => ({ kind: 'splice', id: 'words', at, remove: 0, insert: plain(words) });
const to = (x: number): Change => ({ kind: 'set', id: 'box', values: { x } });
const wordsOf = (sheet: Sheet) => bodyText((find(sheet, 'words')!.item as TextItem).body);

beforeEach(() => {
  [open, storage, windows, way] = [new Set(['main']), new FakeStorage(), [], []];
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('document', Object.assign(new EventTarget(), { visibilityState: 'hidden' }));
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
});
afterEach(() => {
  for (const one of windows) one.saver?.stop();
  vi.unstubAllGlobals();
});

describe('windows of one browser', () => {
  test('without a network show one sheet, whatever is done in which order', async () => {
    const step = fc.record({
      who: fc.nat(2),
      what: fc.oneof(fc.string({ minLength: 1, maxLength: 3 }), fc.nat(9)),
      rest: fc.nat(4),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 25 }), async (steps) => {
        [storage, windows, way] = [new FakeStorage(), [], []];
        const all = [new FakeWindow('a'), new FakeWindow('b'), new FakeWindow('c')];
        await all[0].leads();
        for (const one of all.slice(1)) await one.follows();
        for (const { who, what, rest } of steps) {
          all[who].does(typeof what === 'string' ? typed(what) : to(what));
          await deliver(rest);
        }
        await deliver();
        expect(all[1].sheet).toEqual(all[0].sheet);
        expect(all[2].sheet).toEqual(all[0].sheet);
        const letters = steps.flatMap(({ what }) => (typeof what === 'string' ? [...what] : []));
        const there = [...wordsOf(all[0].sheet)];
        // Every letter is there, and once.
        expect(there).toHaveLength(letters.length + [...wordsOf(sampleSheet())].length);
        for (const one of all) one.saver!.stop();
      }),
    );
  });
  test('when the one that leads goes, another one goes on with all that was done', async () => {
    const [a, b, c] = [new FakeWindow('a'), new FakeWindow('b'), new FakeWindow('c')];
    await a.leads();
    await b.follows();
    await c.follows();
    a.does(typed('A'));
    b.does(typed('B'));
    await deliver();
    c.does(typed('C'));
    a.closes();
    await deliver();
    const known = (b.saver as Follower).known;
    b.saver!.stop();
    await b.leads({ ...known, me: 'b' });
    await deliver();
    expect([...wordsOf(b.sheet)].slice(0, 3).sort()).toEqual(['A', 'B', 'C']);
    expect(c.sheet).toEqual(b.sheet);
  });
  test('what a closed window had not handed over is taken up at once, and what it had is not taken twice', async () => {
    const [a, b] = [new FakeWindow('a'), new FakeWindow('b')];
    await a.leads();
    await b.follows();
    b.does(typed('X'));
    await deliver(1);
    // Taken already, but its window does not know of that any more.
    way = [];
    b.does(typed('Y'));
    way = [];
    b.closes();
    await deliver();
    await vi.waitFor(() => expect(wordsOf(a.sheet)).toMatch(/^YXone/));
    expect(storage.slots.has('b')).toBe(false);
  });
  test('a deletion in one meets what was done in another: that stays', async () => {
    const [a, b] = [new FakeWindow('a'), new FakeWindow('b')];
    await a.leads();
    await b.follows();
    a.does(typed('seen '));
    b.does({ kind: 'remove', id: 'words' });
    await deliver();
    expect(wordsOf(a.sheet)).toMatch(/^seen one/);
    expect(b.sheet).toEqual(a.sheet);
    expect(b.notices.join()).toMatch(/stays/);
  });
  test('what does not fit is told where it was done', async () => {
    const [a, b] = [new FakeWindow('a'), new FakeWindow('b')];
    await a.leads();
    await b.follows();
    b.saver!.push({ kind: 'remove', id: 'nothing' });
    b.does(typed('goes on '));
    await deliver();
    expect(b.notices.join()).toMatch(/could not be saved/);
    expect(wordsOf(a.sheet)).toMatch(/^goes on one/);
  });
  test('alone in the browser, a window is told so', async () => {
    vi.useFakeTimers();
    const b = new FakeWindow('b');
    const shown = new Follower('b', { seq: 0, sheet: sampleSheet() }, storage.slot('b', false), b.line, b.told).start();
    await vi.advanceTimersByTimeAsync(1600);
    expect(await shown).toBeNull();
    vi.useRealTimers();
  });
});
