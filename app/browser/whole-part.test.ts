import { afterEach, beforeEach, expect, test, vi } from 'vitest';

/** Parts that are fetched with all that they import, over a network that is lost. */

const HOUSE = 'https://house.example/assets/';
const CODE: Record<string, string> = {
  'part.js': 'import{a as b}from"./shared.js";import"./effects.js";const later=()=>import("./other.js");',
  'shared.js': 'import{c}from"./deep.js";import{d}from"./part.js"',
  'effects.js': 'const words = "no import"',
  'deep.js': 'export const c=1',
};

type Module = typeof import('./whole-part');
let wholeFirst: Module['wholeFirst'];
beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('window', globalThis);
  vi.stubGlobal('navigator', { onLine: true });
  ({ wholeFirst } = await import('./whole-part'));
});
afterEach(() => vi.unstubAllGlobals());

/** A network on which some files can't be reached, and what was asked of it. */
function network(lost: ReadonlySet<string>): string[] {
  const asked: string[] = [];
  vi.stubGlobal('fetch', (address: string) => {
    const name = address.slice(HOUSE.length);
    asked.push(name);
    if (lost.has(name)) return Promise.reject(new TypeError('offline'));
    return Promise.resolve(name in CODE ? new Response(CODE[name]) : new Response('', { status: 404 }));
  });
  return asked;
}

/** Loads a part as built code does. Returns whether it was run. */
async function loaded(name: string): Promise<boolean> {
  const run = vi.fn(() => Promise.resolve());
  await globalThis.partOf(run, `./${name}`, `${HOUSE}here.js`).catch(() => {});
  return run.mock.calls.length > 0;
}
async function loadedAhead(name: string): Promise<boolean> {
  let ran = false;
  await wholeFirst(async () => void (ran = await loaded(name)));
  return ran;
}

test('a part is run once all that it imports is there; what it imports later is not waited for', async () => {
  network(new Set(['deep.js']));
  expect(await loadedAhead('part.js')).toBe(false);
  const asked = network(new Set());
  expect(await loadedAhead('part.js')).toBe(true);
  // What had come already is not asked for again.
  expect(new Set(asked)).toEqual(new Set(['part.js', 'shared.js', 'deep.js']));
});

test('a part that the school no longer has is not run; afterwards nothing is held up', async () => {
  network(new Set());
  expect(await loadedAhead('gone.js')).toBe(false);
  expect(await loaded('gone.js')).toBe(true);
});

test('without a network, a part of which only some is kept is not run', async () => {
  vi.stubGlobal('navigator', { onLine: false });
  network(new Set(['shared.js']));
  expect(await loaded('part.js')).toBe(false);
});

test('a part that was refused is asked for again by another address', async () => {
  const asked: string[] = [];
  const load = (part: string) => {
    asked.push(part);
    return asked.length === 1 ? Promise.reject(new TypeError('refused')) : Promise.resolve('the part');
  };
  expect(await globalThis.partOf(load, './part.js', `${HOUSE}here.js`)).toBe('the part');
  expect(asked).toEqual(['./part.js', expect.stringMatching(/^\.\/part\.js\?again=\d+$/)]);
});
