import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Layers } from './layers';

/** The library is a stand-in here: it answers, or hangs. */
const library = vi.hoisted(() => ({ made: 0, ended: 0, hangs: false }));
vi.mock('elkjs/lib/elk-api.js', () => ({
  default: class {
    constructor() {
      library.made++;
    }
    layout(graph: object) {
      return library.hangs ? new Promise(() => {}) : Promise.resolve({ ...graph, x: 1 });
    }
    terminateWorker() {
      library.ended++;
    }
  },
}));
vi.mock('elkjs/lib/elk-worker.min.js?url', () => ({ default: '/elk.js' }));

beforeEach(() => {
  vi.useFakeTimers();
  Object.assign(library, { made: 0, ended: 0, hangs: false });
});
afterEach(() => vi.useRealTimers());

test('one library lays out all, one after the other', async () => {
  const layers = new Layers();
  expect(await layers.lay({ id: 'a' })).toMatchObject({ id: 'a', x: 1 });
  expect(await layers.lay({ id: 'b' })).toMatchObject({ id: 'b' });
  expect(library).toMatchObject({ made: 1, ended: 0 });
  // A layout that is done is not ended.
  layers.end('stopped');
  expect(library.ended).toBe(0);
});

test('one that hangs is ended and said, and the next layout has a new one', async () => {
  const layers = new Layers();
  library.hangs = true;
  const hung = expect(layers.lay({ id: 'a' })).rejects.toThrow(/took too long/);
  await vi.advanceTimersByTimeAsync(30_000);
  await hung;
  const stopped = expect(layers.lay({ id: 'b' })).rejects.toThrow('stopped');
  layers.end('stopped');
  await stopped;
  library.hangs = false;
  expect(await layers.lay({ id: 'c' })).toMatchObject({ id: 'c' });
  expect(library).toMatchObject({ made: 3, ended: 2 });
});
