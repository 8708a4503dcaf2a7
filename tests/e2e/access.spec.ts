import { SECRET } from '../../demo/school';
import type { APIRequestContext, Browser } from '@playwright/test';
import { discFile } from '../support/own';
import { enter, expect, House, join, test } from './house';

/** Every route, asked for by everybody: who gets in, who is sent to the front page, who is refused. */

type Who = 'nobody' | 'owner' | 'colleague' | 'student' | 'stranger';
type Answer = 'in' | 'front' | 'no';

async function signInTeacher(
  browser: Browser,
  house: House,
  email: string,
  password: string,
): Promise<APIRequestContext> {
  const context = await browser.newContext({ baseURL: house.url });
  const page = await context.newPage();
  await page.goto('/');
  await page.getByLabel('E-mail').fill(email);
  await page.getByLabel('Password', { exact: true }).fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(/desk/);
  return context.request;
}

test('every route knows who is asking', async ({ browser, house }) => {
  const pages = {
    owner: await enter(browser, house, 'Maren'),
    student: await enter(browser, house, 'Ayo'),
    stranger: await join(browser, house, 'AVCT4', 'Hoku Kealoha', SECRET.split(' ')),
  };
  const nobody = (await browser.newContext({ baseURL: house.url })).request;
  const clients: Record<Who, APIRequestContext> = {
    nobody,
    owner: pages.owner.context().request,
    student: pages.student.context().request,
    stranger: pages.stranger.context().request,
    colleague: await signInTeacher(browser, house, 'tomas@samphire.example', 'wind in the reeds'),
  };
  const linkTo = async (page: typeof pages.owner, at: string, pattern: string) => {
    await page.goto(at);
    return (await page.locator(`a[href^="${pattern}"]`).first().getAttribute('href'))!;
  };
  const sheet = await linkTo(pages.owner, '/desk', '/sheets/');
  const handout = await (async () => {
    await pages.owner.goto('/desk');
    return (await pages.owner.locator('.handouts_open', { hasText: 'grey heron' }).getAttribute('href'))!;
  })();
  const copy = await linkTo(pages.student, '/tray', '/copies/');
  await pages.owner.goto(`${handout}/reading/${copy.split('/').at(-1)}`);
  const path = (await pages.owner.getByRole('link', { name: 'All their work' }).getAttribute('href'))!;
  const [copyId, handoutId] = [copy, handout].map((path) => path.split('/').at(-1)!);
  const documents = async (page: typeof pages.owner, at: string) => {
    const asked = page.waitForRequest(/\/documents\/[^/]+\/changes/);
    await page.goto(at);
    return new URL((await asked).url()).pathname;
  };
  const letter = await (async () => {
    const asked = pages.owner.waitForRequest(/\/letters\/[^/]+\/[^/]+$/);
    await pages.owner.goto(`${handout}/letters`);
    return new URL((await asked).url()).pathname;
  })();
  const [sheetDocument, copyDocument] = [await documents(pages.owner, sheet), await documents(pages.student, copy)];

  const mine: Record<Who, Answer> = { nobody: 'front', owner: 'in', colleague: 'no', student: 'no', stranger: 'no' };
  const teachers: Record<Who, Answer> = {
    nobody: 'front',
    owner: 'in',
    colleague: 'in',
    student: 'no',
    stranger: 'no',
  };
  const students: Record<Who, Answer> = {
    nobody: 'front',
    owner: 'no',
    colleague: 'no',
    student: 'in',
    stranger: 'in',
  };
  const copies: Record<Who, Answer> = { nobody: 'front', owner: 'no', colleague: 'no', student: 'in', stranger: 'no' };
  const all: Record<Who, Answer> = { nobody: 'in', owner: 'in', colleague: 'in', student: 'in', stranger: 'in' };
  const script = (table: Record<Who, Answer>): Record<Who, Answer> => ({ ...table, nobody: 'no' });

  const brought = await clients.owner.post('/pictures?name=disc.jpg', {
    headers: { origin: house.url },
    data: await discFile.plain(),
  });
  const [picture] = ((await brought.json()) as { pictures: { id: string }[] }).pictures;

  const asked = await clients.owner.post(`${sheet}/export`, {
    headers: { origin: house.url },
    data: { as: 'pdf', side: 'key' },
  });
  const taken = `/exports/${((await asked.json()) as { id: string }).id}`;
  const state = async () => ((await (await clients.owner.get(taken)).json()) as { state: string }).state;
  await expect.poll(state, { timeout: 30_000 }).toBe('ready');

  const ROUTES: [path: string, table: Record<Who, Answer>][] = [
    ['/healthz', all],
    ['/credits', all],
    ['/join?code=CURLW', all],
    ['/art/pictures/index.json', all],
    ['/art/several?ids=flat/fox,flat/none', all],
    ['/desk', teachers],
    ['/classes', teachers],
    ['/school', { ...teachers, colleague: 'no' }],
    ['/password', { ...teachers, nobody: 'no' }],
    ['/tray', students],
    ['/work', students],
    [sheet, mine],
    [`${sheet}/hand-out`, mine],
    [`${sheet}/picture.svg`, mine],
    [taken, script(mine)],
    [`${taken}/file`, script(mine)],
    ['/seal', script(all)],
    [handout, mine],
    [`${handout}/correction`, mine],
    [`${handout}/picture.svg`, mine],
    [`${handout}/spot`, mine],
    [`${handout}/cards?of=any`, script(mine)],
    [`${handout}/effort`, script(mine)],
    [`${handout}/alike`, script(mine)],
    [`${handout}/changed?of=any`, script(mine)],
    [`${handout}/gallery`, mine],
    // Open to those whose own piece is with the teacher or done: theirs is not.
    [`/galleries/${handoutId}`, { ...students, student: 'no', stranger: 'no' }],
    [`/galleries/${handoutId}/any`, script({ ...mine, owner: 'no' })],
    [`${handout}/out`, mine],
    [`${handout}/placed`, mine],
    [`${handout}/feedback/${copyId}?marks`, script(mine)],
    [`${handout}/letters`, mine],
    [letter, script(mine)],
    [`${handout}/oneroster`, script(mine)],
    [`${handout}/marks.csv`, script(mine)],
    [`${handout}/notes.jsonld`, script(mine)],
    ['/own-sheets', script(teachers)],
    ['/phrases', script(teachers)],
    [`${handout}/reading/${copyId}`, mine],
    [`${handout}/reading/${copyId}/ahead`, mine],
    [`${handout}/reading/${copyId}/growth`, script(mine)],
    [path, mine],
    [copy, copies],
    [`/copies/${copyId}/picture.svg`, { nobody: 'no', owner: 'in', colleague: 'no', student: 'in', stranger: 'no' }],
    [
      `/copies/${copyId}/files/no-such-file`,
      { nobody: 'no', owner: 'no', colleague: 'no', student: 'no', stranger: 'no' },
    ],
    ['/pictures', script(all)],
    [`/art/pictures/${picture.id}.json`, script(all)],
    [`/art/pictures/${picture.id}.jpg`, script(all)],
    ['/written', script({ ...teachers, nobody: 'no' })],
    [`${sheet}/history?since=0`, script(mine)],
    [`${sheetDocument}?since=0`, script(mine)],
    [`${copyDocument}?since=0`, script(copies)],
  ];
  for (const [path, table] of ROUTES)
    for (const who of Object.keys(clients) as Who[]) {
      const answer = await clients[who].get(path, { maxRedirects: 0 });
      const got: Answer =
        answer.status() < 300
          ? 'in'
          : answer.status() < 400 && answer.headers().location?.startsWith('/?next')
            ? 'front'
            : 'no';
      expect(`${path} ${who}: ${got}`).toBe(`${path} ${who}: ${table[who]}`);
    }

  // Every action, tried by people who must not, and from another site's page.
  const origin = { origin: house.url };
  const body = { base: 0, batch: 'intruder', changes: [{ kind: 'sheet-set', values: { title: 'mine now' } }] };
  const ACTIONS: [path: string, data: Record<string, string> | object, not: Who[]][] = [
    [sheetDocument, body, ['nobody', 'colleague', 'student', 'stranger']],
    [copyDocument, body, ['nobody', 'owner', 'colleague', 'stranger']],
    ['/pictures?name=a.png', {}, ['nobody', 'student', 'stranger']],
    ['/pictures/shelf', { ids: [picture.id], name: 'mine now' }, ['nobody', 'colleague', 'student', 'stranger']],
    [
      '/pictures/clearing',
      { picture: picture.id, recipe: { border: true, spots: [], tolerance: 0.1, soft: 0, strokes: [] } },
      ['nobody', 'student', 'stranger'],
    ],
    ['/phrases', { do: 'keep', phrase: 'any', body: 'x', about: [] }, ['nobody', 'student', 'stranger']],
    ['/desk', { do: 'begin', purpose: 'blank' }, ['nobody', 'student', 'stranger']],
    ['/desk', { do: 'bin', sheetId: sheet.split('/').at(-1)! }, ['nobody', 'colleague', 'student', 'stranger']],
    ['/classes', { do: 'add-class', name: 'Intruders' }, ['nobody', 'student', 'stranger']],
    ['/classes', { do: 'rename-class', classId: 'any', name: 'Intruders' }, ['nobody', 'student', 'stranger']],
    [
      '/classes',
      { do: 'move-student', classId: 'any', student: 'any' },
      ['nobody', 'colleague', 'student', 'stranger'],
    ],
    ...[
      { do: 'set-group', group: 'intruder-123', name: 'Mine', members: 'any' },
      { do: 'let-in', teacher: 'any', rights: 'full', until: '' },
      { do: 'code', what: 'renew' },
      { do: 'archive', over: 'yes' },
      { do: 'merge-students', student: 'any', other: 'one' },
    ].map((data): [string, object, Who[]] => [
      '/classes',
      { classId: 'any', ...data },
      ['nobody', 'colleague', 'student', 'stranger'],
    ]),
    ['/desk', { do: 'bin-handout', handoutId }, ['nobody', 'colleague', 'student', 'stranger']],
    ['/school', { do: 'reset', teacher: 'any' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${sheet}/hand-out`, { do: 'try', handout: '{}' }, ['nobody', 'colleague', 'student', 'stranger']],
    [handout, { do: 'use-again' }, ['nobody', 'colleague', 'student', 'stranger']],
    [
      handout,
      { do: 'return', outcome: 'done', pieces: `${copyId}:any` },
      ['nobody', 'colleague', 'student', 'stranger'],
    ],
    [handout, { do: 'close' }, ['nobody', 'colleague', 'student', 'stranger']],
    [handout, { do: 'extend', copies: copyId, to: '' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${sheet}/export`, { as: 'pdf' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${sheet}/hand-out`, { handout: '{}' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${handout}/gallery`, { do: 'open', open: 'no' }, ['nobody', 'colleague', 'student', 'stranger']],
    [
      `/galleries/${handoutId}`,
      { do: 'note', note: 'intruder-1', piece: 'any', kind: 'like', body: 'x' },
      ['nobody', 'owner', 'colleague', 'student', 'stranger'],
    ],
    [copy, { do: 'take-back' }, ['nobody', 'owner', 'colleague', 'stranger']],
    [
      copy,
      { do: 'check', lookFor: 'labels', asked: 'intruder-123', seq: '0' },
      ['nobody', 'owner', 'colleague', 'stranger'],
    ],
    [
      `${handout}/feedback`,
      { copies: [copyId], lookFors: true, marks: true },
      ['nobody', 'colleague', 'student', 'stranger'],
    ],
    [`/copies/${copyId}/feedback`, {}, ['nobody', 'owner', 'colleague', 'stranger']],
    [`${handout}/correction`, { seq: '0' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${handout}/reading/${copyId}`, { go: 'x', outcome: 'done' }, ['nobody', 'colleague', 'student', 'stranger']],
    [`${handout}/reading/${copyId}`, { do: 'recall', word: 'x' }, ['nobody', 'colleague', 'student', 'stranger']],
    [
      `${handout}/reading/${copyId}/said`,
      { go: 'x', steps: [{ do: 'remove-note', note: 'anything' }] },
      ['nobody', 'colleague', 'student', 'stranger'],
    ],
    [
      copyDocument.replace(/changes$/, 'live'),
      { window: 'window1', page: 'page1', items: [] },
      ['nobody', 'owner', 'colleague', 'stranger'],
    ],
    [`${sheet}/hand-out`, { do: 'versions', handout: '{}' }, ['nobody', 'colleague', 'student', 'stranger']],
  ];
  // A stream that never ends is opened for nobody who must not hear it.
  for (const who of ['nobody', 'owner', 'colleague', 'stranger'] as const)
    expect((await clients[who].get(copyDocument.replace(/changes$/, 'live'))).status()).toBeGreaterThanOrEqual(400);
  for (const who of ['nobody', 'colleague', 'student', 'stranger'] as const)
    expect((await clients[who].get(`${handout}/live`)).status()).toBeGreaterThanOrEqual(400);
  for (const [path, data, who] of ACTIONS) {
    const isJson = ['changes', 'steps', 'window', 'phrase', 'lookFors', 'ids', 'recipe'].some((name) => name in data);
    const send = (client: APIRequestContext, headers: Record<string, string>) =>
      client.post(path, {
        headers,
        maxRedirects: 0,
        ...(isJson ? { data } : { form: data as Record<string, string> }),
      });
    for (const one of who) {
      const answer = await send(clients[one], origin);
      const refused =
        answer.status() >= 400 || (answer.status() >= 300 && answer.headers().location?.startsWith('/?next'));
      expect(`${path} ${one}: ${refused}`).toBe(`${path} ${one}: true`);
    }
    for (const headers of [{ origin: 'https://elsewhere.example' }, {}])
      expect((await send(clients.owner, headers as Record<string, string>)).status()).toBe(403);
  }
});

test('a substitute who may only look sees the work of the class, and changes nothing', async ({ browser, house }) => {
  const ayo = await enter(browser, house, 'Ayo');
  const copyId = (await ayo.locator('.tray_next').getAttribute('href'))!.split('/').at(-1)!;
  const owner = await enter(browser, house, 'Maren');
  const handout = (await owner.locator('.handouts_open', { hasText: 'grey heron' }).getAttribute('href'))!;
  const reader = await signInTeacher(browser, house, 'sunniva@samphire.example', 'salt on the window');
  for (const [path, status] of [
    [handout, 200],
    [`${handout}/picture.svg`, 200],
    [`${handout}/reading/${copyId}`, 200],
    [`${handout}/correction`, 403],
  ] as const)
    expect([path, (await reader.get(path)).status()]).toEqual([path, status]);
  const headers = { origin: house.url };
  const forms: Record<string, string>[] = [
    { do: 'close' },
    { do: 'put-away' },
    { do: 'extend', copies: copyId, to: '' },
  ];
  for (const form of forms) expect((await reader.post(handout, { headers, form })).status()).toBe(403);
  const hanging = { do: 'hang', copies: copyId };
  expect((await reader.post(`${handout}/gallery`, { headers, form: hanging })).status()).toBe(403);
  const said = `${handout}/reading/${copyId}`;
  expect((await reader.post(said, { headers, form: { go: 'x', outcome: 'done' } })).status()).toBe(403);
  const data = { go: 'x', steps: [{ do: 'remove-note', note: 'anything' }] };
  expect((await reader.post(`${said}/said`, { headers, data })).status()).toBe(403);
});

test('a change to a fixed part is refused by the server, also when it is sent by hand', async ({ browser, house }) => {
  const page = await enter(browser, house, 'Ines');
  const asked = page.waitForRequest(/\/documents\/[^/]+\/changes/);
  await page.locator('.tray_copy').first().click();
  const url = new URL((await asked).url()).pathname;
  const send = (changes: unknown) =>
    page.context().request.post(url, { headers: { origin: house.url }, data: { base: 0, batch: 'by-hand', changes } });
  for (const change of [
    { kind: 'set', id: 'heron', values: { x: 0 } },
    { kind: 'splice', id: 'title', at: 0, remove: 3, insert: [{ format: {}, runs: [] }] },
    { kind: 'page-set', id: 'page1', values: { width: 100 } },
    { kind: 'set', id: 'label-5', values: { touch: 'free' } },
  ]) {
    const answer = await send([change]);
    expect(await answer.json()).toMatchObject({ outcome: 'refused', reason: expect.stringMatching(/teacher/) });
  }
  expect((await send([])).status()).toBe(400);
  const none = { kind: 'insert', spot: { page: 'page1', group: null, behind: null }, item: { kind: 'picture' } };
  for (const unreadable of [none, { kind: 'explode' }])
    expect(await (await send([unreadable])).json()).toMatchObject({ outcome: 'refused', index: 0 });
});
