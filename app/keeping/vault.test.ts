import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { NO_HISTORY } from '../../core/changes/history';
import { plainStorage } from '../../tests/support/storage';

/** The vault where the browser's storage fails or gives no answer: a sheet must open all the same. */

const storage = vi.hoisted(() => ({ open: (): Promise<unknown> => Promise.reject(new Error('not set')) }));
vi.mock('idb', () => ({ openDB: () => storage.open() }));

const never = () => new Promise<never>(() => {});
const empty = {
  get: () => Promise.resolve(undefined),
  getAll: () => Promise.resolve([]),
  getAllKeys: () => Promise.resolve([]),
  delete: vi.fn(),
  put: vi.fn(),
  transaction: vi.fn(),
};
let atOnce = plainStorage();
type Given = (lock: object | null) => unknown;
const granted = (_name: string, _options: object, given: Given) => Promise.resolve(given({}));

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(console, 'warn').mockImplementation(() => {});
  vi.resetModules();
  empty.put.mockReset();
  empty.delete.mockReset();
  empty.transaction.mockReset().mockImplementation(() => {
    const objectStore = (store: string) => ({
      put: (...given: unknown[]) => void empty.put(store, ...given),
      delete: (...given: unknown[]) => void empty.delete(store, ...given),
    });
    return { objectStore, commit: () => {}, done: Promise.resolve() };
  });
  vi.stubGlobal('IDBKeyRange', { bound: () => ({}) });
  vi.stubGlobal('navigator', { locks: { request: granted } });
  atOnce = plainStorage();
  vi.stubGlobal('localStorage', atOnce);
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

/** Opens a slot as a sheet does, and lets at most the given time pass. */
async function opened(within: number) {
  const { Slot } = await import('./vault');
  const all = (async () => {
    const slot = await Slot.take('d', 'p');
    return { slot, history: await slot.history(), left: await slot.left() };
  })();
  await vi.advanceTimersByTimeAsync(within);
  return Promise.race([all, Promise.resolve().then(() => null)]).then((got) => {
    expect(got).not.toBeNull();
    return got!;
  });
}
const PENDING = { base: 3, sent: null, queue: [{ kind: 'title' as const, title: 'Tides' }] };

describe('where all is well', () => {
  test('what is unsent is kept', async () => {
    storage.open = () => Promise.resolve(empty);
    const { slot } = await opened(0);
    expect(slot.whole).toBe(true);
    await slot.keepPending(PENDING as never);
    expect(empty.put).toHaveBeenCalledWith('pending', PENDING, 'p/d');
  });
});

describe('the saved sheet', () => {
  const paper = (title: string) => ({ title }) as never;
  const kept = () =>
    empty.put.mock.calls.filter(([store]) => store === 'confirmed').map(([, value]) => value as object);
  test('is stored with what is unsent, once for each number, and not where it is not asked for', async () => {
    storage.open = () => Promise.resolve(empty);
    const { slot } = await opened(0);
    await slot.keepPending({ ...PENDING, base: 3 } as never, paper('three'));
    await slot.keepPending({ ...PENDING, base: 3, queue: [] } as never, paper('three'));
    await slot.keepPending({ base: 4, sent: null, queue: [] }, paper('four'));
    expect(kept()).toEqual([
      { seq: 3, sheet: { title: 'three' } },
      { seq: 4, sheet: { title: 'four' } },
    ]);
    expect(empty.transaction.mock.calls.every(([stores]) => (stores as string[]).includes('pending'))).toBe(true);
    await slot.keepPending({ base: 5, sent: null, queue: [] });
    expect(kept()).toHaveLength(2);
  });
  test('is given back, or nothing where storage fails', async () => {
    const four = { seq: 4, sheet: paper('four') };
    storage.open = () =>
      Promise.resolve({ ...empty, get: (store: string) => Promise.resolve(store === 'confirmed' ? four : undefined) });
    expect(await (await opened(0)).slot.confirmed()).toEqual(four);
    vi.resetModules();
    storage.open = () => Promise.reject(new Error('refused'));
    expect(await (await opened(0)).slot.confirmed()).toBeNull();
  });
});

describe('a sheet opens, and nothing is written over what could not be read,', () => {
  const failing = () => Promise.reject(new Error('broken'));
  const cases: [string, () => Promise<unknown>, ('pending' | 'history')[]][] = [
    ['where storage is refused', failing, []],
    ['where storage never opens', never, []],
    ['where steps can’t be read', () => Promise.resolve({ ...empty, getAll: never }), ['pending']],
    ['where reading steps fails', () => Promise.resolve({ ...empty, getAll: failing }), ['pending']],
    ['where what is unsent can’t be read', () => Promise.resolve({ ...empty, getAllKeys: never }), ['history']],
  ];
  for (const [name, open, written] of cases)
    test(name, async () => {
      storage.open = open;
      const { slot, history, left } = await opened(3100);
      expect(history).toEqual(NO_HISTORY);
      expect(left).toEqual([]);
      expect(slot.whole).toBe(false);
      await slot.keepPending(PENDING as never);
      expect(empty.put).toHaveBeenCalledTimes(written.includes('pending') ? 1 : 0);
      await slot.keepHistory(NO_HISTORY);
      const steps = empty.transaction.mock.calls.filter(([stores]) => (stores as string[]).includes('past'));
      expect(steps).toHaveLength(written.includes('history') ? 1 : 0);
    });
});

describe('what was unsent when a page went', () => {
  const typed = (words: string) => [{ kind: 'title' as const, title: words }] as never;
  const older = { base: 2, sent: null, queue: typed('old') };
  test('is taken up before what storage had until then, once', async () => {
    storage.open = () => Promise.resolve({ ...empty, get: () => Promise.resolve(older) });
    const { slot } = await opened(0);
    slot.keepNow({ base: 3, sent: null, queue: typed('new') });
    vi.resetModules();
    const { left } = await opened(0);
    expect(left.map(({ pending }) => pending)).toEqual([{ base: 3, sent: null, queue: typed('new') }]);
    await left[0].forget();
    vi.resetModules();
    expect((await opened(0)).left.map(({ pending }) => pending)).toEqual([older]);
  });
  test('is there where storage does not answer, and is let go when the page comes back', async () => {
    storage.open = never;
    const { slot } = await opened(3100);
    slot.keepNow({ base: 3, sent: null, queue: typed('new') });
    vi.resetModules();
    expect((await opened(3100)).left).toHaveLength(1);
    slot.forgetNow();
    vi.resetModules();
    expect((await opened(3100)).left).toEqual([]);
  });
  test('before its slot was there goes behind what was left', async () => {
    storage.open = () => Promise.resolve(empty);
    const { keepEarly } = await import('./vault');
    keepEarly('d', 'p', 4, typed('one'));
    keepEarly('d', 'p', 5, typed('two'));
    const { left } = await opened(0);
    expect(left[0].pending).toEqual({ base: 4, sent: null, queue: [...typed('one'), ...typed('two')] });
  });
  test.each([
    ['', () => Promise.resolve(empty)],
    [', also where storage does not answer', never],
    [', also where storage is refused', () => Promise.reject(new Error('refused'))],
  ])('in another window is taken up with that window’s slot%s', async (_, open) => {
    storage.open = open;
    atOnce.setItem('dappled-margin unsent p/d/x1', JSON.stringify(older));
    const { left } = await opened(3100);
    expect(left.map(({ pending }) => pending)).toEqual([older]);
    await left[0].forget();
    expect(Object.keys(atOnce)).toEqual([]);
  });
  test('is let go where nothing may be kept', async () => {
    storage.open = () => Promise.resolve(empty);
    const refused = () => {
      throw new Error('refused');
    };
    vi.stubGlobal('localStorage', { getItem: refused, setItem: refused, removeItem: refused });
    const { slot, left } = await opened(0);
    slot.keepNow(older);
    slot.forgetNow();
    expect(left).toEqual([]);
  });
});

describe('locks', () => {
  test('that are never answered, or refused, do not keep a sheet shut', async () => {
    storage.open = () => Promise.resolve(empty);
    for (const request of [never, () => Promise.reject(new Error('no'))]) {
      vi.stubGlobal('navigator', { locks: { request } });
      vi.resetModules();
      const { slot } = await opened(3100);
      expect(slot.name).toMatch(/^p\/d\/./);
    }
  });
  test('held by the page that this window shows no longer are waited for; those of another window are not', async () => {
    storage.open = () => Promise.resolve(empty);
    const window = plainStorage();
    vi.stubGlobal('sessionStorage', window);
    const { Slot } = await import('./vault');
    const first = await Slot.take('d', 'p');
    const taken = async (since: number) => {
      vi.stubGlobal('navigator', {
        locks: {
          request: (name: string, _: object, given: Given) =>
            Promise.resolve(given(name === 'p/d' && Date.now() < since ? null : {})),
        },
      });
      const slot = Slot.take('d', 'p');
      await vi.advanceTimersByTimeAsync(9000);
      return (await slot).name;
    };
    expect(await taken(Date.now() + 3000)).toBe('p/d');
    expect(await taken(Date.now() + 9000)).not.toBe('p/d');
    // Let go of, as when another screen is opened, it is nobody's.
    first.release();
    expect(await taken(Date.now() + 3000)).not.toBe('p/d');
  });
  test('that are given too late are given back', async () => {
    storage.open = () => Promise.resolve(empty);
    const held: Given[] = [];
    vi.stubGlobal('navigator', {
      locks: { request: (_: string, __: object, given: Given) => (held.push(given), never()) },
    });
    await opened(3100);
    expect(held.length).toBeGreaterThan(0);
    for (const given of held) expect(given({})).toBeUndefined();
  });
});
