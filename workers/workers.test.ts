import { readFileSync } from 'node:fs';
import path from 'node:path';
import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { needsOf } from '../core/sheet/needs';
import { beginCloud } from '../core/makers/cloud/begin';
import { beginMap } from '../core/makers/map/begin';
import { needsOfRecipe } from '../core/makers/kit/needs';
import { defaultRoles, group, page, plain, sheet, text } from '../core/schema/defaults';
import { projectRoot } from '../server/process/place';
import type { MakeAnswer, MakeTask, MakersWorker } from './makers';
import type { SpellingWorker } from './spelling';
import type { StudioWorker } from './studio';

/** The workers of the page, fed as the page feeds them; what they fetch comes from the built art. */

let asked: string[];

beforeEach(() => {
  asked = [];
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url);
    const bytes = readFileSync(path.join(projectRoot(), '.generated', url.replace('/art/', '')));
    return Promise.resolve(new Response(new Uint8Array(bytes)));
  });
});

/** A worker's module as it is when it was just started. Nobody calls it across a channel here. */
async function started<T>(load: () => Promise<T>): Promise<T> {
  vi.resetModules();
  vi.stubGlobal('addEventListener', () => {});
  return load();
}

const openSpelling = () => started(() => import('./spelling').then(({ SPELLING }) => SPELLING));
describe('spelling', () => {
  let spelling: SpellingWorker;
  beforeAll(async () => {
    spelling = await openSpelling();
  });
  test('finds what is in neither English, and takes both as right', async () => {
    const words = ['colour', 'color', 'wrods', 'heron', 'it’s', 'mudflatt'];
    expect(await spelling.check(words)).toEqual(['wrods', 'mudflatt']);
    expect(await spelling.check(['naïve', 'éclair', 'façade', 'éclaire'])).toEqual(['éclaire']);
  });
  test('suggests the nearest first: two letters that changed places are one slip', async () => {
    const words = await spelling.suggest('wrods', []);
    expect(words.slice(0, 2)).toContain('words');
    expect(words.length).toBeLessThanOrEqual(4);
  });
  test('ranks by how common a word is among those as near, and knows who is at the school', async () => {
    const best = async (word: string, names: string[] = []) => (await spelling.suggest(word, names))[0];
    expect(await best('wich')).toBe('which');
    expect(await best('thier')).toBe('their');
    expect(await best('becuase')).toBe('because');
    expect(await best('Oksna', ['Oksana', 'Maren'])).toBe('Oksana');
    expect(await spelling.suggest('Oksna', ['Maren'])).not.toContain('Maren');
  });
  test('suggests in some order where the list of common words can’t be fetched', async () => {
    const fresh = await openSpelling();
    const working = globalThis.fetch;
    vi.stubGlobal('fetch', (url: string) =>
      url.includes('common') ? Promise.resolve(new Response('', { status: 503 })) : working(url),
    );
    expect(await fresh.suggest('wrods', [])).toContain('words');
    vi.stubGlobal('fetch', working);
  });
  test('says so when the dictionary can’t be fetched, and tries again later', async () => {
    const fresh = await openSpelling();
    const working = globalThis.fetch;
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 503 })));
    await expect(fresh.check(['tide'])).rejects.toThrow('503');
    vi.stubGlobal('fetch', working);
    expect(await fresh.check(['tide'])).toEqual([]);
  });
});

describe('the studio', () => {
  let studio: StudioWorker;
  beforeAll(async () => {
    studio = await started(() => import('./studio').then(({ STUDIO }) => STUDIO));
  });
  const pale = sheet({
    title: 't',
    pages: [
      page({
        id: 'p',
        items: [
          text({
            id: 'pale',
            body: plain('pale words').map((p) => ({
              ...p,
              runs: p.runs.map((run) => ({ ...run, style: { colour: '#f0ece0' } })),
            })),
          }),
          text({ id: 'dark', y: 100, body: plain('dark words') }),
        ],
      }),
    ],
  });
  test('finds words that can’t be read, with mends, and fetches each face once', async () => {
    const { findings } = await studio.readable(pale, needsOf(pale));
    expect(findings.map((finding) => finding.item)).toEqual(['pale']);
    expect(findings[0].mends.length).toBeGreaterThan(1);
    const before = asked.length;
    await studio.readable(pale, needsOf(pale));
    expect(asked).toHaveLength(before);
  });
  test('takes a palette out of a picture, the same each time', () => {
    const crab = JSON.parse(readFileSync(path.join(projectRoot(), '.generated/pictures/flat/crab.json'), 'utf8'));
    const first = studio.palette(crab, 6);
    expect(first.length).toBeGreaterThan(1);
    expect(studio.palette(crab, 6)).toEqual(first);
  });
});

describe('the makers', () => {
  let makers: MakersWorker;
  beforeEach(async () => {
    makers = await started(() => import('./makers').then(({ MAKERS }) => MAKERS));
  });
  const silent = () => {};
  const taskOf = (state: MakeTask['asked']['state'], width = 500, height = 400): MakeTask => ({
    asked: { group: group({ id: 'g', width, height, items: [] }), state },
    roles: defaultRoles(),
    ...needsOfRecipe(state?.recipe, defaultRoles()),
  });
  const made = (told: MakeAnswer) => {
    if (told.lost) throw new Error('the worker lost what it had');
    return told;
  };

  test('make what they are asked for with faces and pictures that they fetch, and say what they could not do', async () => {
    const recipe = beginMap([]);
    const task = taskOf({ kind: 'map', recipe, seed: 1 }, 300, 200);
    const first = made(await makers.make(task, 1, silent));
    expect(first.parts.map((part) => typeof part === 'object' && part.made?.part)).toEqual(['n-1']);
    // Asked again on that basis, parts that are the same are given by place only.
    const based = { ...task, base: first.answer, asked: { ...task.asked, group: first.group } };
    expect(made(await makers.make(based, 2, silent)).parts).toEqual([0]);
    expect(await makers.make({ ...based, base: 99 }, 3, silent)).toMatchObject({ lost: true });
    const empty = await makers.make(taskOf({ kind: 'map', recipe: { ...recipe, nodes: [] }, seed: 1 }), 4, silent);
    expect(made(empty).notes[0]).toMatch(/outline is empty/);
    await expect(makers.make(taskOf(undefined), 5, silent)).rejects.toThrow(/not made by a maker/);
  });

  test('go on after a network, whose library takes the place of who listens to messages', async () => {
    const names = ['tide', 'high', 'low', 'neap', 'spring', 'moon'];
    const nodes = names.map((words, i) => ({
      id: `n${i}`,
      text: words,
      parent: i === 0 ? null : 'n0',
      link: '',
      picture: null,
    }));
    for (const layout of ['network', 'radial'] as const) {
      const recipe = { ...beginMap([]), nodes, layout };
      const { parts } = made(await makers.make(taskOf({ kind: 'map', recipe, seed: 1 }), 1, silent));
      expect(parts.length).toBeGreaterThan(6);
    }
  });

  test('tell how far they are with what takes long, and stop when they are told to', async () => {
    const words = Array.from({ length: 400 }, (_, i) => ({
      text: `word ${String.fromCharCode(97 + (i % 26))}${i}x`,
      weight: 1 + (i % 9),
    }));
    const recipe = { ...beginCloud([], words), repeat: true };
    const shares: number[] = [];
    const tell = (share: number) => {
      shares.push(share);
      makers.stop(7);
    };
    const task = taskOf({ kind: 'cloud', recipe, seed: 1 });
    await expect(makers.make(task, 7, tell)).rejects.toThrow('stopped');
    expect(shares).toHaveLength(1);
  });
});
