import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { NO_HISTORY } from '../../core/sheet/history';

/** The vault where the browser's storage fails or gives no answer: a sheet must open all the same. */

const storage = vi.hoisted(() => ({ open: (): Promise<unknown> => Promise.reject(new Error('not set')) }));
vi.mock('idb', () => ({ openDB: () => storage.open() }));

const never = () => new Promise<never>(() => {});
const empty = {
  get: () => Promise.resolve(undefined),
  getAll: () => Promise.resolve([]),
  getAllKeys: () => Promise.resolve([]),
  put: vi.fn(),
  transaction: vi.fn(),
};
type Given = (lock: object | null) => unknown;
const granted = (_name: string, _options: object, given: Given) => Promise.resolve(given({}));

beforeEach(() => {
  vi.useFakeTimers();
  vi.spyOn(console, 'warn').mockImplementation(() => {});
  vi.resetModules();
  empty.put.mockReset().mockResolvedValue(undefined);
  empty.transaction.mockReset().mockReturnValue({ objectStore: () => ({ put: () => {} }), done: Promise.resolve() });
  vi.stubGlobal('IDBKeyRange', { bound: () => ({}) });
  vi.stubGlobal('navigator', { locks: { request: granted } });
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
      expect(empty.transaction).toHaveBeenCalledTimes(written.includes('history') ? 1 : 0);
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
