import { readFileSync } from 'node:fs';
import path from 'node:path';
import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { needsOf } from '../core/sheet/needs';
import { beginCloud } from '../core/makers/cloud/begin';
import { beginMap } from '../core/makers/map/begin';
import { needsOfRecipe } from '../core/makers/kit/needs';
import { defaultRoles, group, page, plain, sheet, text } from '../core/schema/defaults';
import { projectRoot } from '../server/process/place';
import type { MakersAnswer, MakersTask } from './makers';
import type { SpellingAnswer, SpellingTask } from './spelling';
import type { StudioAnswer, StudioTask } from './studio';

/** The workers of the page, fed as the page feeds them; what they fetch comes from the built art. */

type Listener = (event: { data: unknown }) => void;
/** What a worker has around it: whoever sets `onmessage` takes the place of who did before, a listener stays. */
class Port {
  onmessage: Listener | null = null;
  private listeners: Listener[] = [];
  postMessage: (answer: unknown) => void = () => {};
  addEventListener(_: string, listener: Listener) {
    this.listeners.push(listener);
  }
  send(data: unknown) {
    for (const listener of [this.onmessage, ...this.listeners]) listener?.({ data });
  }
}
let port: Port;
let asked: string[];

beforeEach(() => {
  asked = [];
  vi.stubGlobal('fetch', (url: string) => {
    asked.push(url);
    const bytes = readFileSync(path.join(projectRoot(), '.generated', url.replace('/art/', '')));
    return Promise.resolve(new Response(new Uint8Array(bytes)));
  });
});

async function started<Task, Answer>(name: string): Promise<(task: Task) => Promise<Answer>> {
  vi.resetModules();
  port = new Port();
  vi.stubGlobal('self', port);
  await import(name);
  return (task) =>
    new Promise((resolve) => {
      port.postMessage = (answer) => resolve(answer as Answer);
      port.send(task);
    });
}

describe('spelling', () => {
  let ask: (task: SpellingTask) => Promise<SpellingAnswer>;
  beforeAll(async () => {
    ask = await started('./spelling');
  });
  test('finds what is in neither English, and takes both as right', async () => {
    const words = ['colour', 'color', 'wrods', 'heron', 'it’s', 'mudflatt'];
    expect(await ask({ id: 1, kind: 'check', words })).toEqual({ id: 1, kind: 'check', wrong: ['wrods', 'mudflatt'] });
  });
  test('suggests the nearest first: two letters that changed places are one slip', async () => {
    const answer = await ask({ id: 2, kind: 'suggest', word: 'wrods', names: [] });
    expect(answer.kind === 'suggest' && answer.words.slice(0, 2)).toContain('words');
    expect(answer.kind === 'suggest' && answer.words.length).toBeLessThanOrEqual(4);
  });
  test('ranks by how common a word is among those as near, and knows who is at the school', async () => {
    const best = async (word: string, names: string[] = []) => {
      const answer = await ask({ id: 5, kind: 'suggest', word, names });
      return answer.kind === 'suggest' ? answer.words : [];
    };
    expect((await best('wich'))[0]).toBe('which');
    expect((await best('thier'))[0]).toBe('their');
    expect((await best('becuase'))[0]).toBe('because');
    expect((await best('Oksna', ['Oksana', 'Maren']))[0]).toBe('Oksana');
    expect(await best('Oksna', ['Maren'])).not.toContain('Maren');
  });
  test('suggests in some order where the list of common words can’t be fetched', async () => {
    const fresh = await started<SpellingTask, SpellingAnswer>('./spelling');
    const working = globalThis.fetch;
    vi.stubGlobal('fetch', (url: string) =>
      url.includes('common') ? Promise.resolve(new Response('', { status: 503 })) : working(url),
    );
    const answer = await fresh({ id: 6, kind: 'suggest', word: 'wrods', names: [] });
    expect(answer.kind === 'suggest' && answer.words).toContain('words');
    vi.stubGlobal('fetch', working);
  });
  test('says so when the dictionary can’t be fetched, and tries again later', async () => {
    const fresh = await started<SpellingTask, SpellingAnswer>('./spelling');
    const working = globalThis.fetch;
    vi.stubGlobal('fetch', () => Promise.resolve(new Response('', { status: 503 })));
    expect(await fresh({ id: 3, kind: 'check', words: ['tide'] })).toMatchObject({ id: 3, kind: 'failed' });
    vi.stubGlobal('fetch', working);
    expect(await fresh({ id: 4, kind: 'check', words: ['tide'] })).toEqual({ id: 4, kind: 'check', wrong: [] });
  });
});

describe('the studio', () => {
  let ask: (task: StudioTask) => Promise<StudioAnswer>;
  beforeAll(async () => {
    ask = await started('./studio');
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
    const task = { id: 1, kind: 'readable' as const, sheet: pale, ...needsOf(pale) };
    const answer = await ask(task);
    expect(answer.kind === 'readable' && answer.findings.map((finding) => finding.item)).toEqual(['pale']);
    expect(answer.kind === 'readable' && answer.findings[0].mends.length).toBeGreaterThan(1);
    const before = asked.length;
    await ask({ ...task, id: 2 });
    expect(asked).toHaveLength(before);
  });
  test('takes a palette out of a picture, the same each time', async () => {
    const crab = JSON.parse(readFileSync(path.join(projectRoot(), '.generated/pictures/flat/crab.json'), 'utf8'));
    const first = await ask({ id: 3, kind: 'palette', picture: crab, count: 6 });
    const second = await ask({ id: 4, kind: 'palette', picture: crab, count: 6 });
    expect(first.kind === 'palette' && first.colours.length).toBeGreaterThan(1);
    expect({ ...second, id: 3 }).toEqual(first);
  });
  test('answers a task that it can’t do with the reason', async () => {
    const broken = { id: 5, kind: 'palette', picture: null, count: 3 } as unknown as StudioTask;
    expect(await ask(broken)).toMatchObject({ id: 5, kind: 'failed', reason: expect.stringMatching(/null/) });
  });
});

describe('the makers', () => {
  test('make what they are asked for with faces and pictures that they fetch, and say what they could not do', async () => {
    const ask = await started<MakersTask, MakersAnswer>('./makers');
    const recipe = beginMap([]);
    const task: MakersTask = {
      id: 1,
      kind: 'make',
      asked: { group: group({ id: 'g', width: 300, height: 200, items: [] }), state: { kind: 'map', recipe, seed: 1 } },
      roles: defaultRoles(),
      ...needsOfRecipe(recipe, defaultRoles()),
    };
    const answer = await ask(task);
    const partsOf = (told: MakersAnswer) => (told.kind === 'make' && !told.lost ? told.parts : []);
    expect(partsOf(answer).map((part) => typeof part === 'object' && part.made?.part)).toEqual(['n-1']);
    // Asked again on that ground, what is the same is told by its place only.
    const before = answer.kind === 'make' && !answer.lost ? answer.group : task.asked.group;
    const based = { ...task, id: 4, base: 1, asked: { ...task.asked, group: before } };
    expect(partsOf(await ask(based))).toEqual([0]);
    expect(await ask({ ...based, id: 5, base: 99 })).toEqual({ id: 5, kind: 'make', lost: true });
    const empty = await ask({
      ...task,
      id: 2,
      asked: { ...task.asked, state: { kind: 'map', recipe: { ...recipe, nodes: [] }, seed: 1 } },
    });
    expect(empty.kind === 'make' && !empty.lost && empty.notes[0]).toMatch(/outline is empty/);
    const broken = await ask({ ...task, id: 3, asked: { group: group({ id: 'g', items: [] }) } });
    expect(broken).toMatchObject({ id: 3, kind: 'failed', reason: expect.stringMatching(/not made by a maker/) });
  });

  test('go on after a network, whose library takes the place of who listens to messages', async () => {
    const ask = await started<MakersTask, MakersAnswer>('./makers');
    const names = ['tide', 'high', 'low', 'neap', 'spring', 'moon'];
    const nodes = names.map((words, i) => ({
      id: `n${i}`,
      text: words,
      parent: i === 0 ? null : 'n0',
      link: '',
      picture: null,
    }));
    const make = (id: number, layout: 'network' | 'radial') => {
      const recipe = { ...beginMap([]), nodes, layout };
      const empty = group({ id: 'g', width: 500, height: 400, items: [] });
      const task = {
        id,
        kind: 'make' as const,
        asked: { group: empty, state: { kind: 'map' as const, recipe, seed: 1 } },
      };
      return ask({ ...task, roles: defaultRoles(), ...needsOfRecipe(recipe, defaultRoles()) });
    };
    expect(await make(1, 'network')).toMatchObject({ id: 1, kind: 'make' });
    expect(await make(2, 'radial')).toMatchObject({ id: 2, kind: 'make' });
  });

  test('tell how far they are with what takes long, and stop when they are told to', async () => {
    await started<MakersTask, MakersAnswer>('./makers');
    const words = Array.from({ length: 400 }, (_, i) => ({
      text: `word ${String.fromCharCode(97 + (i % 26))}${i}x`,
      weight: 1 + (i % 9),
    }));
    const recipe = { ...beginCloud([], words), repeat: true };
    const answers: MakersAnswer[] = [];
    const ended = new Promise<void>((resolve) => {
      port.postMessage = (answer) => {
        answers.push(answer as MakersAnswer);
        if ((answer as MakersAnswer).kind === 'progress') port.send({ id: 7, kind: 'stop' });
        else resolve();
      };
    });
    port.send({
      id: 7,
      kind: 'make',
      asked: {
        group: group({ id: 'g', width: 500, height: 400, items: [] }),
        state: { kind: 'cloud', recipe, seed: 1 },
      },
      roles: defaultRoles(),
      ...needsOfRecipe(recipe, defaultRoles()),
    } satisfies MakersTask);
    await ended;
    expect(answers[0]).toMatchObject({ id: 7, kind: 'progress' });
    expect(answers.at(-1)).toEqual({ id: 7, kind: 'failed', reason: 'stopped' });
  });
});
