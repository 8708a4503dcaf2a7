import { beforeEach, describe, expect, test, vi } from 'vitest';

/** The pictures to choose from, with the server's part played here. */

type Module = typeof import('./picture-index');
let index: Module;
let seen: { url: string; method: string }[];
let answers: Record<string, () => Response | Promise<Response>>;
const json = (body: unknown, status = 200) => Response.json(body, { status });
const shipped = [
  {
    id: 'flat/crab',
    name: 'crab',
    tags: [],
    group: 'animals',
    width: 1,
    height: 1,
    credit: 'A',
    licence: 'MIT',
    colours: [],
  },
];
const SAID = { colours: ['red'], section: '', credit: '', shared: false, by: null };
const own = { id: `own/${'a'.repeat(32)}`, name: 'disc', width: 30, height: 20, ...SAID };

beforeEach(async () => {
  vi.resetModules();
  index = await import('./picture-index');
  seen = [];
  answers = {
    'GET /art/pictures/index.json': () => json(shipped),
    'GET /pictures': () => json({ pictures: [own], mayBring: true, laidOut: { ids: [], only: false } }),
  };
  vi.stubGlobal('fetch', async (url: string, { method = 'GET' }: RequestInit = {}) => {
    seen.push({ url, method });
    const answer = answers[`${method} ${url.split('?')[0]}`];
    if (!answer) throw new TypeError('no network');
    return answer();
  });
});

const names = async () => (await index.loadIndex()).map(({ name, group }) => `${name} · ${group}`);
const file = (name: string, size = 10) => {
  const made = new File(['x'], name, { type: 'image/png' });
  Object.defineProperty(made, 'size', { value: size });
  return made;
};

describe('the pictures', () => {
  test('are those brought along before those that ship, asked for once', async () => {
    expect(await names()).toEqual([`disc · ${index.OWN}`, 'crab · animals']);
    await index.loadIndex();
    expect(seen).toHaveLength(2);
  });
  test('on a copy, those laid out come first, also after one was uploaded; there are no others where that is wanted', async () => {
    await index.loadIndex();
    const heron = { ...own, id: `own/${'c'.repeat(32)}`, name: 'heron', by: 'M. Vale' };
    let only = false;
    answers['GET /pictures'] = () =>
      json({ pictures: [heron, own], mayBring: true, laidOut: { ids: ['flat/crab', heron.id, 'flat/gone'], only } });
    index.picturesFor('c1');
    expect(index.pictureIndex().loaded).toBe(false);
    const laid = [`crab · ${index.LAID_OUT}`, `heron · ${index.LAID_OUT}`];
    expect(await names()).toEqual([...laid, `disc · ${index.OWN}`]);
    expect(seen.at(-1)!.url).toBe('/pictures?copy=c1');
    only = true;
    index.picturesFor('c2');
    answers['POST /pictures'] = () => json({ pictures: [{ ...own, name: 'new' }], refused: [], leftOut: [] });
    expect(await names()).toEqual([...laid, `disc · ${index.OWN}`]);
    await index.bringPictures([file('new.png')]);
    expect(seen.at(-1)!.url).toBe('/pictures?name=new.png&copy=c2');
    expect(await names()).toEqual([...laid, `new · ${index.OWN}`]);
    answers['GET /pictures'] = () => json({ pictures: [], mayBring: false, laidOut: { ids: [], only: false } });
    index.picturesFor(null);
    expect(await names()).toEqual(['crab · animals']);
  });
  test('what is asked for one copy does not come to another', async () => {
    let answer = (_: Response) => {};
    answers['GET /pictures'] = () => new Promise<Response>((resolve) => (answer = resolve));
    index.picturesFor('c1');
    const first = index.loadIndex();
    await vi.waitFor(() => expect(seen).toHaveLength(2));
    const late = answer;
    answers['GET /pictures'] = () => json({ pictures: [], mayBring: false, laidOut: { ids: [], only: false } });
    index.picturesFor('c2');
    late(json({ pictures: [own], mayBring: true, laidOut: { ids: [], only: false } }));
    expect((await first).map(({ name }) => name)).toEqual(['crab']);
    expect(await names()).toEqual(['crab · animals']);
  });
  test('are those that ship for who is signed out', async () => {
    answers['GET /pictures'] = () => json({ message: 'signed out' }, 401);
    expect(await names()).toEqual(['crab · animals']);
  });
  test('are asked for again after the network failed', async () => {
    const { 'GET /art/pictures/index.json': kept } = answers;
    delete answers['GET /art/pictures/index.json'];
    await expect(index.loadIndex()).rejects.toThrow('no network');
    answers['GET /art/pictures/index.json'] = kept;
    expect(await names()).toHaveLength(2);
  });
  test('say where they are from, where that is known', async () => {
    const [mine, crab] = await index.loadIndex();
    expect([index.titleOf(mine), index.titleOf(crab)]).toEqual(['disc', 'crab · A (MIT)']);
  });
});

describe('bringing one along', () => {
  const brought = { ...own, id: `own/${'b'.repeat(32)}`, name: 'my heron' };
  const taken = { pictures: [brought], refused: [], leftOut: [] };
  const said = async (...given: File[]) => {
    const { entries, said } = await index.bringPictures(given.length > 0 ? given : [file('heron.png')]);
    return [...entries.map(({ name }) => name), ...said].join(' | ');
  };
  test('offers it at once, and once', async () => {
    await index.loadIndex();
    answers['POST /pictures'] = () => json(taken);
    expect(await said()).toBe('my heron');
    expect(await said()).toBe('my heron');
    expect(seen.at(-1)!.url).toBe('/pictures?name=heron.png');
  });
  test('of several each is sent, and what is refused is said with the name of its file', async () => {
    answers['POST /pictures'] = () =>
      json({
        pictures: [brought],
        refused: [{ name: 'notes.txt', problem: 'This is no picture.' }],
        leftOut: [{ name: 'map.svg', what: ['a filter', 'a mask'] }],
      });
    const done: number[] = [];
    const { said: problems } = await index.bringPictures([file('a.png'), file('b.zip')], (count) => done.push(count));
    expect(done).toEqual([1, 2]);
    expect(problems.slice(0, 2)).toEqual([
      '“notes.txt”: This is no picture.',
      '“map.svg”: It was taken without a filter and a mask.',
    ]);
  });
  test('is tidied, and says so when it could not be', async () => {
    await index.loadIndex();
    expect(await index.tidyPictures([own.id], { section: 'Birds' })).toMatch(/can’t be reached/);
    answers['POST /pictures/shelf'] = () => json({ pictures: [{ ...own, section: 'Birds', shared: true }] });
    expect(await index.tidyPictures([own.id], { section: 'Birds', shared: true })).toBeNull();
    expect((await index.loadIndex()).length).toBe(2);
    expect(index.pictureIndex().entries[0]).toMatchObject({
      tags: ['Birds'],
      shelf: { section: 'Birds', shared: true, by: null },
    });
  });
  test.each<[string, File, (() => Response) | null, RegExp]>([
    ['what is too large is not sent', file('wall.png', 30_000_000), null, /“wall.png”: It has 30 MB; at most 20 MB/],
    [
      'what the server says',
      file('a.png'),
      () => json({ message: 'This is no PNG, JPEG or WebP picture.' }, 422),
      /no PNG, JPEG or WebP/,
    ],
    ['an answer that says nothing', file('a.png'), () => new Response('', { status: 500 }), /did not work/],
    ['no network', file('a.png'), null, /can’t be reached/],
  ])('%s is told', async (_, given, answer, message) => {
    if (answer) answers['POST /pictures'] = answer;
    expect(await said(given)).toMatch(message);
  });
});

test('one is put away, and says so when it could not be', async () => {
  await index.loadIndex();
  expect(await index.putPictureAway(own.id)).toMatch(/can’t be reached/);
  answers['DELETE /pictures'] = () => json({ message: 'There is nothing here, or you can’t open it.' }, 404);
  expect(await index.putPictureAway(own.id)).toMatch(/nothing here/);
  answers['DELETE /pictures'] = () => json({ id: own.id });
  expect(await index.putPictureAway(own.id)).toBeNull();
  expect(seen.at(-1)!.url).toBe(`/pictures?id=${encodeURIComponent(own.id)}`);
});
