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
  },
];
const own = { id: `own/${'a'.repeat(32)}`, name: 'disc', width: 30, height: 20 };

beforeEach(async () => {
  vi.resetModules();
  index = await import('./picture-index');
  seen = [];
  answers = {
    'GET /art/pictures/index.json': () => json(shipped),
    'GET /pictures': () => json({ pictures: [own], mayBring: true }),
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
  const said = async (given = file('heron.png')) => {
    const answer = await index.bringPicture(given);
    return typeof answer === 'string' ? answer : answer.name;
  };
  test('offers it at once, and once', async () => {
    await index.loadIndex();
    answers['POST /pictures'] = () => json({ picture: brought });
    expect(await said()).toBe('my heron');
    expect(await said()).toBe('my heron');
    expect(seen.at(-1)!.url).toBe('/pictures?name=heron.png');
  });
  test.each<[string, File, (() => Response) | null, RegExp]>([
    ['what is too large is not sent', file('wall.png', 30_000_000), null, /“wall.png” has 30 MB; at most 20 MB/],
    [
      'what the server says',
      file('a.png'),
      () => json({ message: 'This is no PNG, JPEG or WebP picture.' }, 422),
      /no PNG, JPEG or WebP/,
    ],
    ['an answer that says nothing', file('a.png'), () => new Response('', { status: 500 }), /Couldn’t upload/],
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
