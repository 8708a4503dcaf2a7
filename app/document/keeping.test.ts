import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { Change } from '../../core/changes/change';
import { NO_HISTORY } from '../../core/changes/history';
import { page, sheet, shape } from '../../core/schema/defaults';
import { find } from '../../core/sheet/tree';
import { Editor } from './editor';
import { Keeping } from './keeping';
import type { Opened } from './keeping';
import type { Confirmed } from '../keeping/vault';

/** The vault and the saver are stand-ins here: what they do is tested with them. */

const world = vi.hoisted(() => ({
  open: [] as ((slot: object) => void)[],
  released: 0,
  pushed: [] as unknown[],
  early: [] as unknown[],
  left: 0,
}));
vi.mock('../keeping/seal', () => ({ slotOf: () => new Promise((resolve) => world.open.push(resolve)) }));
vi.mock('../keeping/vault', () => ({
  STUCK: 3000,
  within: <T>(_limit: number, work: Promise<T>) => work,
  keepEarly: (...kept: unknown[]) => void world.early.push(kept),
  mainSlot: () => 'p/d',
}));
vi.mock('./saver', () => ({
  Saver: class {
    constructor(
      _id: string,
      private from: { sheet: unknown },
    ) {}
    start = () => Promise.resolve(this.from.sheet);
    get sheetNow() {
      return this.from.sheet;
    }
    push = (change: unknown) => void world.pushed.push(change);
    leave = () => void world.left++;
    stop = () => {};
    settled = () => Promise.resolve(7);
  },
}));
const slot = {
  history: () => Promise.resolve(NO_HISTORY),
  keepHistory: () => {},
  release: () => world.released++,
  whole: true,
  leads: true,
  confirmed: (): Promise<Confirmed | null> => Promise.resolve(null),
};

const start = {
  documentId: 'd',
  personId: 'p',
  copy: false,
  seq: 3,
  sheet: sheet({ title: 'S', pages: [page({ id: 'p', items: [shape({ id: 'a', x: 10 })] })] }),
};
const to = (x: number): Change => ({ kind: 'set', id: 'a', values: { x } });
const turn = async () => {
  for (let i = 0; i < 10; i++) await Promise.resolve();
};

beforeEach(() => {
  Object.assign(world, { open: [], released: 0, pushed: [], early: [], left: 0 });
  vi.stubGlobal('window', new EventTarget());
});
afterEach(() => vi.unstubAllGlobals());

describe('keeping a sheet', () => {
  const nothing = {
    steps: () => NO_HISTORY,
    sheet: () => {},
    state: () => {},
    notice: () => {},
    results: () => {},
    aside: () => {},
  };
  function begin() {
    const opened: Opened[] = [];
    const keeping = new Keeping(start, { ...nothing, opened: (one) => void opened.push(one) });
    void keeping.open();
    return { keeping, opened };
  }

  test('gives back what was done before the vault had opened, once, and sends what is done then', async () => {
    const { keeping, opened } = begin();
    expect(keeping.keep('Move', to(20), NO_HISTORY)).toBe(false);
    world.open[0](slot);
    await turn();
    expect(opened).toMatchObject([{ early: [{ name: 'Move', change: to(20) }], whole: true }]);
    expect(world.pushed).toEqual([]);
    expect(keeping.keep('Move', to(30), NO_HISTORY)).toBe(true);
    expect(world.pushed).toEqual([to(30)]);
    expect(await keeping.settled()).toBe(7);
  });

  test('keeps at once what was done before, when the page goes', async () => {
    const { keeping } = begin();
    keeping.keep('Move', to(20), NO_HISTORY);
    window.dispatchEvent(new Event('pagehide'));
    expect(world.early).toEqual([['d', 'p', 3, [to(20)]]]);
    // It is kept once only.
    window.dispatchEvent(new Event('pagehide'));
    expect(world.early).toHaveLength(1);
    world.open[0](slot);
    await turn();
    window.dispatchEvent(new Event('pagehide'));
    expect(world.left).toBe(1);
  });

  describe('of a copy whose page was kept for a time without a network', () => {
    const newer = { seq: 9, sheet: { ...start.sheet, title: 'Saved since' } };
    const older = { ...newer, seq: 3 };
    const reached = () => Promise.resolve(new Response('{}'));
    const failing = () => Promise.reject(new TypeError('Failed to fetch'));
    const broken = () => Promise.resolve(new Response('', { status: 502 }));
    const cases: [string, Confirmed, () => Promise<Response>, boolean, string][] = [
      ['shows what was saved since', newer, failing, true, 'Saved since'],
      ['does so too where something in between answers', newer, broken, true, 'Saved since'],
      ['leaves it to the server where that is reached', newer, reached, true, 'S'],
      ['shows the page where that is as new', older, failing, true, 'S'],
      ['is for copies only', newer, failing, false, 'S'],
    ];
    test.each(cases)('%s', async (_, stored, fetching, copy, title) => {
      vi.stubGlobal('fetch', fetching);
      const opened: Opened[] = [];
      const keeping = new Keeping({ ...start, copy }, { ...nothing, opened: (one) => void opened.push(one) });
      void keeping.open();
      world.open[0]({ ...slot, confirmed: () => Promise.resolve(stored) });
      await vi.waitFor(() => expect(opened).toHaveLength(1));
      expect(opened[0].sheet.title).toBe(title);
    });
  });

  test('a vault that opens after the editor was closed is let go', async () => {
    const { keeping, opened } = begin();
    keeping.close();
    world.open[0](slot);
    await turn();
    expect(world.released).toBe(1);
    expect(opened).toEqual([]);
  });
});

describe('an editor whose vault has not opened yet', () => {
  const at = (editor: Editor) => (find(editor.sheet, 'a')!.item as { x: number }).x;

  test('says that it is saving, and keeps what was done and what was taken back', async () => {
    const editor = new Editor({ ...start, savedAt: 5, rights: { kind: 'all' } });
    void editor.open();
    editor.make('Move', to(20));
    editor.make('Rotate', { kind: 'set', id: 'a', values: { angle: 30 } });
    expect(editor.saveShown.kind).toBe('saving');
    editor.undo();
    editor.undo();
    editor.redo();
    expect(at(editor)).toBe(20);
    world.open[0](slot);
    await turn();
    expect(at(editor)).toBe(20);
    expect((find(editor.sheet, 'a')!.item as { angle: number }).angle).toBe(0);
  });

  test('with nothing done meanwhile it is saved as it was', async () => {
    const editor = new Editor({ ...start, savedAt: 5, rights: { kind: 'all' } });
    void editor.open();
    world.open[0]({ ...slot, whole: false });
    await turn();
    expect(editor.saveShown).toEqual({ kind: 'saved', at: 5 });
    expect(editor.notice?.text).toContain('can keep nothing by itself');
  });
});
