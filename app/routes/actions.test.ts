import { readFileSync } from 'node:fs';
import path from 'node:path';
import { createCookie } from 'react-router';
import type { AppLoadContext } from 'react-router';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { LookFor } from '../../core/lookfors/all';
import { missedMost } from '../../core/review/most-missed';
import type { Sheet } from '../../core/schema/sheet';
import { SECRET, TEACHERS } from '../../demo/school';
import { seed } from '../../demo/seed';
import { heronSheet } from '../../demo/sheets';
import { BEGINNINGS } from '../../server/stores/beginnings';
import type { Database } from '../../server/database/connection';
import { openEmbedded } from '../../server/database/embedded';
import { migrate } from '../../server/database/migrate';
import { cookiesFor } from '../../server/accounts/session-cookie';
import type { Services } from '../../server/services/services';
import { artFolder, openPictures, partNames } from '../../server/art/shipped';
import { loadDocument, rowsBetween } from '../../server/stores/documents';
import { bodyText } from '../../core/text/body';
import { line, picture as makePicture, sheet as makeSheet, text } from '../../core/schema/defaults';
import { isWritten } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { keyOf, labelsOn } from '../../core/handout/copy';
import { classByCode, classesOf, membersOf } from '../../server/stores/classes';
import { copiesOf, copyOfStudent, trayOf } from '../../server/stores/copies';
import { goesOf } from '../../server/stores/goes';
import type { Handout } from '../../server/stores/handouts';
import { createHandout } from '../../server/stores/handing-out';
import { progressOf } from '../../server/stores/handouts';
import { personById } from '../../server/stores/people';
import { namesIn, openSession } from '../../server/stores/sign-in';
import { notesOf } from '../../server/stores/reviews';
import { sheetOf, sheetsOf } from '../../server/stores/sheets';
import runExport from '../../workers/export';
import type { PictureJob } from '../../server/exports/job';
import { discFile } from '../../tests/support/own';
import { saidNote } from '../../tests/support/said';
import * as changes from './changes';
import * as classes from './classes';
import * as copy from './copy';
import * as desk from './desk';
import * as front from './front';
import * as history from './history';
import * as handOut from './hand-out';
import * as join from './join';
import * as ownPicture from './own-picture';
import * as names from './names';
import * as parts from './parts';
import * as pictures from './pictures';
import type { PicturesAnswer, UploadAnswer } from '../pictures/answers';
import * as reading from './reading';
import * as said from './said';
import * as spread from './spread';
import * as tray from './tray';
import * as written from './written';
import type { WrittenAnswer } from '../makers/cloud/written-answer';

/** Loaders and actions as the server calls them, on the demo school in memory: what they say to each input. */

let db: Database;
let context: AppLoadContext;
let cookies: { teacher: string; colleague: string; student: string };
let ids: { teacher: string; heron: string; sheet: string };

type Handler = (args: never) => Promise<unknown>;
type Params = Record<string, string>;
const url = (path: string) => `http://house.test${path}`;

/** What a handler gives back: its data, or a thrown or returned answer. */
async function call(
  handler: Handler,
  path: string,
  options: {
    cookie?: string;
    form?: Record<string, string>;
    json?: unknown;
    bytes?: Uint8Array;
    method?: string;
    params?: Params;
  } = {},
) {
  const headers = new Headers(options.cookie ? { Cookie: options.cookie } : {});
  const body = options.form
    ? new URLSearchParams(options.form)
    : options.json === undefined
      ? (options.bytes as BodyInit | undefined)
      : JSON.stringify(options.json);
  const method = options.method ?? (body === undefined ? 'GET' : 'POST');
  const request = new Request(url(path), { method, headers, body });
  try {
    return await handler({ request, context, params: options.params ?? {} } as never);
  } catch (thrown) {
    if (thrown instanceof Response) return thrown;
    throw thrown;
  }
}
const problemOf = async (answer: unknown): Promise<string> => {
  if (answer instanceof Response)
    return answer.status < 400 ? '' : ((await answer.json()) as { message: string }).message;
  return (answer as { problem: string | null }).problem ?? '';
};
const studentCookie = async (token: string) => (await createCookie('dappled').serialize(token)).split(';')[0];
const cookieOf = (answer: unknown) => (answer as Response).headers.get('Set-Cookie')!.split(';')[0];

beforeAll(async () => {
  db = await openEmbedded();
  await migrate(db);
  await seed(db);
  const services = {
    db,
    demo: true,
    version: 'test',
    cookies: cookiesFor(false),
    shelf: { resources: { pictures: openPictures() }, partNames: partNames() },
    exporter: { readIn: (job: object) => runExport({ kind: 'picture', ...job } as PictureJob) },
  } as unknown as Services;
  context = { services, address: '192.0.2.1' };
  const signIn = async (who: (typeof TEACHERS)[number]) =>
    cookieOf(await call(front.action, '/', { form: { as: 'teacher', email: who.email, password: who.password } }));
  const curlew = (await classByCode(db, 'CURLW'))!;
  const ines = (await namesIn(db, curlew.id)).find((member) => member.name === 'Ines Ramos')!;
  cookies = {
    teacher: await signIn(TEACHERS[0]),
    colleague: await signIn(TEACHERS[1]),
    student: cookieOf(await call(join.action, '/join', { form: { code: 'CURLW', student: ines.ref, secret: SECRET } })),
  };
  const loaded = (await call(desk.loader, '/desk', { cookie: cookies.teacher })) as {
    person: { id: string };
    handouts: { id: string; title: string }[];
  };
  const sheets = await sheetsOf(db, loaded.person.id);
  ids = {
    teacher: loaded.person.id,
    heron: loaded.handouts.find((h) => h.title.includes('heron'))!.id,
    sheet: sheets.find((sheet) => sheet.title === 'Parts of the grey heron')!.id,
  };
});
afterAll(() => db.close());

describe('the front door', () => {
  test.each<[string, Record<string, string>, RegExp]>([
    ['nothing typed as address', { as: 'teacher', email: ' ', password: 'x' }, /e-mail address/],
    ['no password', { as: 'teacher', email: 'a@b.example', password: '' }, /Type your password/],
    ['a wrong one', { as: 'teacher', email: 'a@b.example', password: 'x' }, /don’t match/],
    ['no class code', { as: 'student', code: '' }, /code your teacher gave you/],
    ['an unknown one', { as: 'student', code: 'NOPE' }, /no class with the code “NOPE”/],
    ['somebody who is no door of the demo', { as: 'demo', person: 'nobody' }, /no way in without a password/],
    [
      'a second school',
      { as: 'first', school: 'S', name: 'N', email: 'n@s.example', password: 'long enough words' },
      /already/,
    ],
    [
      'a short password for a first school',
      { as: 'first', school: 'S', name: 'N', email: 'n@s.example', password: 'short' },
      /at least 10/,
    ],
    [
      'an address that is none',
      { as: 'first', school: 'S', name: 'N', email: 'nowhere', password: 'long enough words' },
      /e-mail address/,
    ],
  ])('%s', async (_, form, message) =>
    expect(await problemOf(await call(front.action, '/', { form }))).toMatch(message),
  );

  test('leads only to places of our own', async () => {
    const form = { as: 'teacher', email: TEACHERS[1].email, password: TEACHERS[1].password };
    const to = async (next: string) =>
      ((await call(front.action, '/', { form: { ...form, next } })) as Response).headers.get('Location');
    expect(await to('/classes')).toBe('/classes');
    expect(await to('//elsewhere.example')).toBe('/desk');
    expect(await to('https://elsewhere.example')).toBe('/desk');
  });

  test('sends a code that is right on to the names, whatever its case', async () => {
    const answer = (await call(front.action, '/', { form: { as: 'student', code: ' curlw ' } })) as Response;
    expect(answer.headers.get('Location')).toBe('/join?code=CURLW');
  });

  test('a session cookie can’t be read by scripts or sent from elsewhere', async () => {
    const form = { as: 'teacher', email: TEACHERS[1].email, password: TEACHERS[1].password };
    const set = ((await call(front.action, '/', { form })) as Response).headers.get('Set-Cookie')!;
    expect(set).toMatch(/HttpOnly/);
    expect(set).toMatch(/SameSite=Lax/);
  });
});

test.each<[string, Record<string, string>, RegExp]>([
  ['no name chosen', { code: 'CURLW', student: '', secret: SECRET }, /Choose your name first/],
  ['two pictures', { code: 'CURLW', student: 'x', secret: 'owl frog' }, /Choose your 4 pictures/],
  [
    'a picture that is none',
    { code: 'CURLW', student: 'x', secret: 'owl frog snail dragon' },
    /Choose your 4 pictures/,
  ],
])('joining with %s', async (_, form, message) =>
  expect(await problemOf(await call(join.action, '/join', { form }))).toMatch(message),
);

test('joining with an unknown code leads back to the front', async () => {
  const answer = (await call(join.loader, '/join?code=ZZZZZ')) as Response;
  expect(answer.headers.get('Location')).toBe('/');
});

describe('the Desk and the classes', () => {
  test('show a teacher’s own sheets only, and the handouts of classes that they were let into', async () => {
    const mine = (await call(desk.loader, '/desk', { cookie: cookies.teacher })) as {
      sheets: unknown[];
      handouts: unknown[];
    };
    const theirs = (await call(desk.loader, '/desk', { cookie: cookies.colleague })) as {
      sheets: unknown[];
      handouts: unknown[];
    };
    expect([mine.sheets.length, mine.handouts.length, theirs.sheets.length, theirs.handouts.length]).toEqual([
      12, 8, 1, 5,
    ]);
  });
  test('begin only what there is', async () =>
    expect(
      await problemOf(
        await call(desk.action, '/desk', { cookie: cookies.teacher, form: { do: 'begin', purpose: 'rocket' } }),
      ),
    ).toMatch(/Choose what to begin/));
  test('begin a sheet and lead to it', async () => {
    const answer = (await call(desk.action, '/desk', {
      cookie: cookies.colleague,
      form: { do: 'begin', purpose: 'diagram' },
    })) as Response;
    expect(answer.headers.get('Location')).toMatch(/^\/sheets\/[\w-]+\?named=no$/);
  });
  test.each<[string, Record<string, string>, RegExp]>([
    ['a class without a name', { do: 'add-class', name: '  ' }, /Type a name/],
    ['a name that is a whole story', { do: 'add-class', name: 'x'.repeat(90) }, /at most 80/],
    ['no names to add', { do: 'add-students', classId: 'x', names: '\n \n' }, /at least one name/],
    ['a whole town', { do: 'add-students', classId: 'x', names: 'a\n'.repeat(101) }, /At most 100/],
    ['a class of somebody else', { do: 'add-students', classId: 'x', names: 'Ada' }, /can’t open it/],
  ])('refuse %s', async (_, form, message) =>
    expect(await problemOf(await call(classes.action, '/classes', { cookie: cookies.teacher, form }))).toMatch(message),
  );
  test('add students, each on a line', async () => {
    await call(classes.action, '/classes', { cookie: cookies.colleague, form: { do: 'add-class', name: 'Plover' } });
    const loaded = (await call(classes.loader, '/classes', { cookie: cookies.colleague })) as {
      classes: { id: string; name: string }[];
    };
    const plover = loaded.classes.find(({ name }) => name === 'Plover')!;
    await call(classes.action, '/classes', {
      cookie: cookies.colleague,
      form: { do: 'add-students', classId: plover.id, names: 'Ada\n\n Ben \n' },
    });
    expect((await membersOf(db, plover.id)).map((member) => member.name)).toEqual(['Ada', 'Ben']);
    // The same list once more, and others with it: who is there is named, and not added again.
    const again = (await call(classes.action, '/classes', {
      cookie: cookies.colleague,
      form: { do: 'add-students', classId: plover.id, names: 'ada\nCleo\nBen\nCleo' },
    })) as { problem: string; said: string };
    expect(again.said).toBe('Cleo is in the class.');
    expect(again.problem).toMatch(/^ada, Ben, Cleo are in the class already/);
    expect((await membersOf(db, plover.id)).map((member) => member.name)).toEqual(['Ada', 'Ben', 'Cleo']);
  });
});

describe('the history of a sheet', () => {
  const ask = (handler: Handler, cookie: string | undefined, form?: Record<string, string>) =>
    call(handler, '/x', { cookie, form, params: { sheetId: ids.sheet } });
  test('is its owner’s to see, and nobody else’s', async () => {
    const mine = (await ask(history.loader, cookies.teacher)) as Response;
    expect(await mine.json()).toMatchObject({ from: 0, log: [], moments: [] });
    for (const cookie of [cookies.colleague, cookies.student])
      expect(((await ask(history.loader, cookie)) as Response).status).toBe(404);
    expect(((await ask(history.loader, undefined)) as Response).status).toBe(401);
  });
  test.each<[string, Record<string, string>, RegExp]>([
    ['a moment without a name', { do: 'name', seq: '0', name: ' ' }, /Give the moment a name/],
    ['a name that is a story', { do: 'name', seq: '0', name: 'x'.repeat(81) }, /under 80 letters/],
    ['a moment that has not come', { do: 'name', seq: '7', name: 'later' }, /not come that far/],
    ['a second sheet from such a moment', { do: 'copy', seq: '7' }, /Choose another one/],
  ])('refuses %s', async (_, form, message) =>
    expect(await problemOf(await ask(history.action, cookies.teacher, form))).toMatch(message),
  );
  test('keeps a moment by its name, and begins a second sheet that leaves the first as it was', async () => {
    const named = (await ask(history.action, cookies.teacher, { do: 'name', seq: '0', name: 'bare' })) as Response;
    const { moments } = (await named.json()) as { moments: { id: string; name: string }[] };
    expect(moments).toMatchObject([{ name: 'bare', seq: 0 }]);
    const answer = (await ask(history.action, cookies.teacher, { do: 'copy', seq: '0' })) as Response;
    expect(answer.headers.get('Location')).toMatch(/^\/sheets\/[\w-]+\?named=no$/);
    expect(answer.headers.get('Location')).not.toContain(ids.sheet);
    const gone = (await ask(history.action, cookies.teacher, { do: 'drop', id: moments[0].id })) as Response;
    expect(await gone.json()).toEqual({ moments: [] });
    expect(((await ask(history.action, cookies.colleague, { do: 'copy', seq: '0' })) as Response).status).toBe(404);
  });
});

describe('what classes wrote', () => {
  const ask = (query: string, cookie: string | undefined) => call(written.loader, `/written${query}`, { cookie });
  const told = async (query: string) =>
    ((await ask(query, cookies.teacher)) as Response).json() as Promise<WrittenAnswer>;

  test('is told by handout and box, counted', async () => {
    const { handouts } = await told('');
    expect(handouts!.map(({ title }) => title)).toContain('Life between the tides');
    const tides = handouts!.find(({ title }) => title === 'Life between the tides')!;
    const { boxes } = await told(`?handout=${tides.id}`);
    expect(boxes!.some(({ id }) => id === 'name')).toBe(false);
    const lives = boxes!.find(({ id }) => id === 'lives')!;
    expect(lives.filled).toBeGreaterThan(3);
    const { words, copies } = await told(`?handout=${tides.id}&box=lives`);
    expect(copies).toBe(lives.filled);
    expect(words!.length).toBeGreaterThan(5);
    expect(words![0].weight).toBeGreaterThan(1);
    expect(words!.map(({ text }) => text)).not.toContain('the');
    // Boxes of labels are told by what they are on.
    const heron = await told(`?handout=${ids.heron}`);
    expect(heron.boxes!.map(({ name }) => name)).toContain('bill');
    expect((await told(`?handout=${tides.id}&box=nowhere`)).words).toEqual([]);
  });

  test('is nobody else’s business', async () => {
    for (const cookie of [cookies.colleague, cookies.student])
      expect(((await ask(`?handout=${ids.heron}&box=why`, cookie)) as Response).status).toBe(404);
    expect(((await ask('', undefined)) as Response).status).toBe(401);
    expect(((await ask(`?handout=${'x'.repeat(60)}`, cookies.teacher)) as Response).status).toBe(400);
  });
});

describe('pictures of one’s own', () => {
  const list = async (cookie: string) =>
    (await ((await call(pictures.loader, '/pictures', { cookie })) as Response).json()) as PicturesAnswer;
  const bring = async (bytes: Uint8Array, name = 'C:\\marsh\\big_disc.JPG', cookie = cookies.teacher) =>
    (await call(pictures.action, `/pictures?name=${encodeURIComponent(name)}`, { cookie, bytes })) as Response;
  const brought = async () => ((await (await bring(await discFile.plain())).json()) as UploadAnswer).pictures[0];
  const file = async (name: string, cookie?: string) =>
    (await call(ownPicture.loader, '/x', { cookie, params: { file: name } })) as Response;

  test('are taken in by the name of their file, once, and offered to who brought them', async () => {
    const picture = await brought();
    expect(picture).toMatchObject({ name: 'big disc', width: 300, height: 200 });
    expect(await brought()).toEqual(picture);
    const laidOut = { ids: [], only: false };
    const mine = await list(cookies.teacher);
    expect(mine).toMatchObject({ mayBring: true, laidOut });
    // Behind it lie the demo's own.
    expect(mine.pictures).toHaveLength(3);
    expect(mine.pictures[0]).toEqual(picture);
    expect(await list(cookies.colleague)).toEqual({ pictures: [], mayBring: true, laidOut });
    expect(await list(cookies.student)).toEqual({ pictures: [], mayBring: false, laidOut });
  });

  test('are seen by their school, in each of their forms, and by nobody else', async () => {
    const [, hash] = (await brought()).id.split('/');
    for (const [name, type] of [
      [`${hash}.json`, 'application/json'],
      [`${hash}.svg`, 'image/svg+xml'],
      [`${hash}.jpg`, 'image/jpeg'],
      [`${hash}-lines.png`, 'image/png'],
    ]) {
      const answer = await file(name, cookies.student);
      expect([answer.status, answer.headers.get('Content-Type')]).toEqual([200, type]);
      expect((await answer.arrayBuffer()).byteLength).toBeGreaterThan(100);
      expect((await file(name)).status).toBe(401);
    }
    for (const name of ['x.json', `${'0'.repeat(32)}.json`, `${hash}.exe`, `../${hash}.json`, `${hash}.json/..`])
      expect((await file(name, cookies.teacher)).status).toBe(404);
    await db.query('insert into school (id, name) values ($1, $2)', ['elsewhere', 'Elsewhere']);
    await db.query('update picture set school_id = $1', ['elsewhere']);
    expect((await file(`${hash}.json`, cookies.student)).status).toBe(404);
    await db.query('update picture set school_id = (select school_id from person where id = $1)', [ids.teacher]);
  });

  test('that are none are told from those that are, and nothing is kept of them', async () => {
    const before = await list(cookies.teacher);
    for (const [bytes, status, message] of [
      [Buffer.from('words'), 422, /no PNG, JPEG, WebP, GIF or SVG/],
      [Buffer.from(' '.repeat(21_000_000)), 413, /21 MB; at most 20 MB/],
      [Buffer.alloc(0), 422, /empty/],
    ] as const) {
      const answer = await bring(bytes);
      expect([answer.status, await problemOf(answer)]).toEqual([status, expect.stringMatching(message)]);
    }
    expect((await bring(await discFile.plain(), 'x'.repeat(500))).status).toBe(400);
    expect(await list(cookies.teacher)).toEqual(before);
  });

  test('are brought by teachers only, and put away by who brought them', async () => {
    expect((await bring(await discFile.plain(), 'a.jpg', cookies.student)).status).toBe(403);
    const { id } = await brought();
    const away = async (query: string, cookie: string) =>
      ((await call(pictures.action, `/pictures?${query}`, { cookie, method: 'DELETE' })) as Response).status;
    const query = `id=${encodeURIComponent(id)}`;
    expect(await away(query, cookies.colleague)).toBe(404);
    expect(await away('id=flat/crab', cookies.teacher)).toBe(404);
    expect(await away(query, cookies.teacher)).toBe(200);
    expect((await list(cookies.teacher)).pictures.map((one) => one.id)).not.toContain(id);
    // Sheets that show it keep it.
    expect((await file(`${id.split('/')[1]}.json`, cookies.student)).status).toBe(200);
    expect(
      ((await call(pictures.action, '/pictures', { cookie: cookies.teacher, method: 'PUT' })) as Response).status,
    ).toBe(405);
  });

  test('can be put on a sheet, and no others that begin like them', async () => {
    const { id } = await brought();
    const { documentId } = (await sheetOf(db, ids.teacher, ids.sheet))!;
    const { sheet, seq } = (await loadDocument(db, documentId))!;
    const put = async (picture: string, base: number) => {
      const item = makePicture({ id: `p${base}`, picture });
      const change = { kind: 'insert', spot: { page: sheet.pages[0].id, group: null, behind: null }, item };
      const json = { base, batch: `batch-${base}-${picture.slice(-6)}`, changes: [change] };
      const answer = await call(changes.action, '/x', { cookie: cookies.teacher, params: { documentId }, json });
      return (await (answer as Response).json()) as { outcome: string; reason?: string };
    };
    expect(JSON.stringify(await put(`own/${'0'.repeat(32)}`, seq))).toMatch(/There is no picture called/);
    expect((await put(id, seq)).outcome).toBe('saved');
  });
});

describe('handing out', () => {
  const lookFor: LookFor = { kind: 'teacher', id: 't', title: 'Neat', tell: 'after' };
  const given = async (change: Record<string, unknown>) => {
    const [own] = await classesOf(db, ids.teacher);
    const handout = {
      classes: [own.id],
      title: 'T',
      brief: '',
      dueAt: null,
      lookFors: [lookFor],
      rubric: { rows: [] },
      supplies: [],
      ...change,
    };
    return call(handOut.action, '/x', {
      cookie: cookies.teacher,
      params: { sheetId: ids.sheet },
      form: { handout: JSON.stringify(handout) },
    });
  };
  test.each<[string, Record<string, unknown>, RegExp]>([
    ['to nobody', { classes: [] }, /tick at least one class/],
    ['without a name', { title: ' ' }, /Give it a name/],
    ['with a due time that is past', { dueAt: '2020-01-01T00:00:00.000Z' }, /already past/],
    ['with a due time that is none', { dueAt: 'soon' }, /whole date and time/],
    ['with a look-for without words', { lookFors: [{ ...lookFor, title: '' }] }, /say what you will look for/],
    [
      'with a row of a rubric without a name',
      {
        rubric: {
          rows: [
            {
              id: 'a',
              name: '',
              levels: [
                { points: 1, text: '' },
                { points: 2, text: '' },
              ],
            },
          ],
        },
      },
      /give the row a name/,
    ],
    ['to a class of somebody else', { classes: ['elsewhere'] }, /can’t open it/],
  ])('%s is refused', async (_, change, message) => {
    const before = (await progressOf(db, ids.teacher)).length;
    expect(await problemOf(await given(change))).toMatch(message);
    expect(await progressOf(db, ids.teacher)).toHaveLength(before);
  });
  test('what can’t be read is refused', async () => {
    const answer = await call(handOut.action, '/x', {
      cookie: cookies.teacher,
      params: { sheetId: ids.sheet },
      form: { handout: '{' },
    });
    expect(await problemOf(answer)).not.toBe('');
  });
  test('somebody else’s sheet can’t be handed out', async () => {
    const answer = await call(handOut.action, '/x', {
      cookie: cookies.colleague,
      params: { sheetId: ids.sheet },
      form: {
        handout: JSON.stringify({
          classes: ['x'],
          title: 'Bird',
          brief: '',
          dueAt: null,
          lookFors: [],
          rubric: { rows: [] },
          supplies: [],
        }),
      },
    });
    expect((answer as Response).status).toBe(404);
  });
});

describe('a student’s copy', () => {
  const own = async () => {
    const loaded = (await call(tray.loader, '/tray', { cookie: cookies.student })) as {
      copies: { id: string; title: string }[];
    };
    return loaded.copies.find((entry) => entry.title.includes('heron'))!.id;
  };
  type Loaded = {
    documentId: string;
    seq: number;
    sheet: Sheet;
    lookFors: unknown[];
    results: ({ evidence: { meant: string }[] } | null)[];
  };
  const load = async () =>
    (await call(copy.loader, '/x', { cookie: cookies.student, params: { copyId: await own() } })) as Loaded;
  const save = async (base: number, list: unknown[], batch = `batch-${Math.random().toString(36).slice(2)}`) => {
    const { documentId } = await load();
    return (await call(changes.action, '/x', {
      cookie: cookies.student,
      params: { documentId },
      json: { base, batch, changes: list },
    })) as Response;
  };
  const typed = (id: string, words: string) => ({
    kind: 'splice',
    id,
    at: 0,
    remove: 0,
    insert: [{ format: {}, runs: [{ text: words, style: {} }] }],
  });

  test('comes without the key, in the sheet, the look-fors and the results', async () => {
    const loaded = await load();
    expect(JSON.stringify(loaded.sheet)).not.toMatch(/beak|breast feathers/);
    expect(JSON.stringify(loaded.lookFors)).not.toMatch(/expect|beak/);
    expect(
      loaded.results.flatMap((result) => result?.evidence.map((e) => e.meant) ?? []).every((meant) => meant === ''),
    ).toBe(true);
  });

  test.each<[string, unknown]>([
    ['no list', { base: 0, batch: 'abcdef' }],
    ['a negative number', { base: -1, batch: 'abcdef', changes: [typed('name', 'x')] }],
    ['a strange batch', { base: 0, batch: '; drop table', changes: [typed('name', 'x')] }],
    ['no JSON at all', undefined],
  ])('changes with %s are refused with what to do', async (_, json) => {
    const { documentId } = await load();
    const answer = await call(changes.action, '/x', {
      cookie: cookies.student,
      params: { documentId },
      json: json ?? 'nonsense',
    });
    expect((answer as Response).status).toBe(400);
    expect(await problemOf(answer)).toMatch(/Reload the page/);
  });
  test('one change of a batch that can’t be read is named, so that the others can go on without it', async () => {
    const { documentId, seq } = await load();
    const fine = { kind: 'set', id: 'name', values: { x: 1 } };
    const json = { base: seq, batch: 'abcdef', changes: [fine, { ...fine, extra: true }] };
    const answer = await call(changes.action, '/x', { cookie: cookies.student, params: { documentId }, json });
    expect(await (answer as Response).json()).toMatchObject({ outcome: 'refused', index: 1 });
  });

  test('saving begins it, and the look-fors are counted anew', async () => {
    const answer = (await (await save(0, [typed('name', 'Ines')])).json()) as {
      outcome: string;
      results: { held: boolean }[];
    };
    expect(answer.outcome).toBe('saved');
    expect(answer.results[0].held).toBe(true);
    expect(
      (await trayOf(db, (await copiesOf(db, ids.heron)).find((c) => c.studentName === 'Ines Ramos')!.studentId)).map(
        (entry) => entry.state,
      ),
    ).toContain('under-way');
  });

  test('a picture that does not ship is refused by name', async () => {
    const { seq } = await load();
    const item = { kind: 'picture', picture: 'flat/dragon-of-lies' };
    expect(
      (
        (await (await save(seq, [{ kind: 'set', id: 'heron', values: { picture: item.picture } }])).json()) as {
          reason: string;
        }
      ).reason,
    ).toMatch(/no picture called “flat\/dragon-of-lies”/);
  });

  test('is handed in once, and takes no change after that', async () => {
    const params = { copyId: await own() };
    const { seq } = await load();
    const hand = (at: number) =>
      call(copy.action, '/x', { cookie: cookies.student, params, form: { do: 'hand-in', seq: `${at}` } });
    expect(await problemOf(await hand(seq + 5))).toMatch(/still on their way/);
    expect(await problemOf(await hand(seq))).toBe('');
    expect(await problemOf(await hand(seq))).toMatch(/already/);
    const late = await save(seq, [typed('name', 'x')]);
    expect(late.status).toBe(409);
    expect(await problemOf(late)).toMatch(/Take it back/);
  });
});

describe('reading', () => {
  const piece = async (name: string) => (await copiesOf(db, ids.heron)).find((c) => c.studentName === name)!;
  const act = async (name: string, form: Record<string, string>) => {
    const { id } = await piece(name);
    const go = (await goesOf(db, id)).at(-1)!;
    return call(reading.action, '/x', {
      cookie: cookies.teacher,
      params: { handoutId: ids.heron, copyId: id },
      form: { go: go.id, ...form },
    });
  };
  test('shows the newest go, or the one that is asked for', async () => {
    const { id } = await piece('Dara Kowal');
    const at = async (query: string) =>
      (
        (await call(reading.loader, `/x${query}`, {
          cookie: cookies.teacher,
          params: { handoutId: ids.heron, copyId: id },
        })) as { go: { number: number } }
      ).go.number;
    expect([await at(''), await at('?go=1'), await at('?go=99'), await at('?go=banana')]).toEqual([2, 1, 2, 2]);
  });
  test('a copy that belongs to another handout is not shown', async () => {
    const answer = await call(reading.loader, '/x', {
      cookie: cookies.teacher,
      params: { handoutId: 'other', copyId: (await piece('Dara Kowal')).id },
    });
    expect((answer as Response).status).toBe(404);
  });
  const say = async (name: string, ...steps: object[]) => {
    const { id } = await piece(name);
    const go = (await goesOf(db, id)).at(-1)!;
    const answer = (await call(said.action, '/x', {
      cookie: cookies.teacher,
      params: { handoutId: ids.heron, copyId: id },
      json: { go: go.id, steps },
    })) as Response;
    return `${answer.status} ${((await answer.json()) as { message?: string }).message ?? ''}`;
  };
  const page = 'page1';
  test('keeps a note on its spot, once, refuses an empty one', async () => {
    expect(await say('Jun Weiss', saidNote('note-01', { page, body: '  ' }))).toMatch(/400 Write something first/);
    const well = saidNote('note-01', { page, x: 100, y: 50, body: 'Well seen.' });
    for (let i = 0; i < 2; i++) expect(await say('Jun Weiss', well)).toBe('200 ');
    const go = (await goesOf(db, (await piece('Jun Weiss')).id)).at(-1)!;
    expect(await notesOf(db, [go.id])).toMatchObject([{ x: 100, y: 50, itemId: null, body: 'Well seen.' }]);
  });
  test('marks only levels that there are, and takes all that was said or nothing', async () => {
    const names = (level: number) => ({ do: 'mark', row: 'names', level });
    expect(await say('Jun Weiss', names(3), names(9))).toMatch(/400 .*no such level/);
    expect(await say('Jun Weiss', { ...names(1), row: 'nothing' })).toMatch(/400 .*no such level/);
    expect((await goesOf(db, (await piece('Jun Weiss')).id)).at(-1)!.marks).toEqual({});
    expect(await say('Jun Weiss', names(3))).toBe('200 ');
    expect((await goesOf(db, (await piece('Jun Weiss')).id)).at(-1)!.marks).toEqual({ names: 3 });
  });
  test('returns a piece and leads to the next that waits; nothing can be added then', async () => {
    const answer = (await act('Jun Weiss', { outcome: 'done' })) as Response;
    expect(answer.headers.get('Location')).toMatch(/\/reading\//);
    expect(await say('Jun Weiss', saidNote('note-02', { page, body: 'late' }))).toMatch(/409 .*with Jun Weiss again/);
    expect(await problemOf(await act('Jun Weiss', { outcome: 'done' }))).toMatch(/with the student already/);
  });
});

test('the spread counts every piece, with what the class misses', async () => {
  const loaded = (await call(spread.loader, '/x', { cookie: cookies.teacher, params: { handoutId: ids.heron } })) as {
    cards: { marks: unknown[]; held: number | null; missed: string[] }[];
  };
  expect(loaded.cards).toHaveLength(26);
  expect(loaded.cards.some((card) => card.marks.length > 9)).toBe(true);
  const missed = missedMost(loaded.cards);
  expect(missed[0].count).toBeGreaterThanOrEqual(missed[1].count);
  expect(missed.map(({ label }) => label)).toContain('“neck” named wrongly');
});

describe('answers', () => {
  const words = (text: string) => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);
  const textsIn = (value: unknown): string[] =>
    typeof value === 'string'
      ? [value]
      : value && typeof value === 'object'
        ? Object.values(value).flatMap(textsIn)
        : [];
  /** What a recipe says, without how it looks: what stands in fields that hold words. */
  const saidIn = (recipe: object): string[] =>
    Object.entries(recipe).flatMap(([key, value]: [string, unknown]) =>
      /^(words|text|answer|answers|clue|definition|reason|name|also|items|pairs|list)$/.test(key)
        ? textsIn(value)
        : value && typeof value === 'object'
          ? saidIn(value)
          : [],
    );
  /** The words that a handout's answers are made of. */
  function answerWords(handout: Handout): Set<string> {
    const answers: string[] = handout.lookFors.flatMap((lookFor) =>
      lookFor.kind === 'labels'
        ? lookFor.expect.flatMap((one) => [one.target, ...one.words])
        : lookFor.kind === 'map'
          ? lookFor.concepts.flatMap((one) => one.words)
          : [],
    );
    for (const item of everyItem(handout.sheet)) {
      if (item.kind === 'text' && (item.blank || item.also.length > 0)) answers.push(bodyText(item.body), ...item.also);
      if (item.kind === 'text' && (item.role === 'key' || item.hidden)) answers.push(bodyText(item.body));
      if (item.kind === 'group' && item.maker) answers.push(...saidIn(item.maker.recipe));
    }
    for (const page of handout.sheet.pages) for (const { target } of labelsOn(page)) answers.push(target);
    return words(answers.join(' '));
  }
  /** What a student reads on the sheet, and what the program itself calls things. */
  function openWords(handout: Handout): Set<string> {
    const seen = everyItem(handout.given).flatMap((item) => [
      ...(isWritten(item) ? [bodyText(item.body)] : []),
      item.alt,
      item.kind === 'text' ? item.prompt : '',
      item.kind === 'picture' ? `${item.picture} ${item.credit}` : '',
      ...(item.kind === 'group' && item.maker ? textsIn(item.maker.recipe) : []),
    ]);
    const said = handout.lookFors.map(({ title }) => title);
    // Keys and settings of the document, as a sheet with nothing on it has them.
    const own = JSON.stringify([
      makeSheet({ title: '' }),
      makePicture({ id: 'x', picture: 'flat/owl' }),
      text({ id: 'x' }),
      line({ id: 'x' }),
    ]);
    return words([...seen, ...said, handout.title, handout.brief, own].join(' '));
  }

  test('stand in no field of a copy, its log, its look-fors or its pictures', async () => {
    const curlew = (await classByCode(db, 'CURLW'))!;
    const [{ id: studentId }] = await membersOf(db, curlew.id);
    // Every sheet of the demo school, fresh: nobody has written an answer into it yet.
    const withoutBank = (sheet: Sheet): Sheet => ({
      ...sheet,
      pages: sheet.pages.map((page) => ({
        ...page,
        items: page.items.filter(
          (item) => item.role !== 'bank' && !(item.kind === 'text' && item.id.startsWith('bank')),
        ),
      })),
    });
    const sheets = [BEGINNINGS.diagram.sheet(), withoutBank(heronSheet())];
    for (const { id } of await sheetsOf(db, ids.teacher))
      sheets.push((await loadDocument(db, (await sheetOf(db, ids.teacher, id))!.documentId))!.sheet);
    for (const sheet of sheets) {
      const lookFors = keyOf(sheet).map((key, i): LookFor => {
        return { kind: 'labels', id: `key${i}`, title: 'All right', tell: 'result', spelling: 'near', ...key };
      });
      const { schoolId } = (await personById(db, ids.teacher))!;
      const given = {
        schoolId,
        teacherId: ids.teacher,
        sheetId: null,
        classId: curlew.id,
        title: 'T',
        brief: '',
        dueAt: null,
      };
      await createHandout(
        db,
        { ...given, sheet, lookFors, rubric: { rows: [] }, supplies: [] },
        context.services.shelf.resources.pictures,
      );
    }
    let looked = 0;
    for (const entry of await trayOf(db, studentId)) {
      const token = (await openSession(db, studentId, 'student')).token;
      const cookie = await studentCookie(token);
      const view = (await copyOfStudent(db, studentId, entry.id))!;
      const loaded = (await call(copy.loader, '/x', { cookie, params: { copyId: entry.id } })) as { sheet: Sheet };
      const log = await call(changes.loader, '/x?since=0', { cookie, params: { documentId: view.documentId } });
      const drawn = everyItem(loaded.sheet).flatMap((item) => (item.kind === 'picture' ? [item.picture] : []));
      const files = drawn
        .filter((id) => !id.startsWith('own/'))
        .map((id) => readFileSync(path.join(artFolder(), 'pictures', `${id}.json`), 'utf8'));
      const names = await ((await call(parts.loader, '/parts', { cookie })) as Response).text();
      // What students wrote themselves, and what their teacher wrote to them, may hold any word.
      const theirs = words(
        [
          ...everyItem(loaded.sheet).flatMap((item) => (isWritten(item) ? [bodyText(item.body)] : [])),
          ...(await rowsBetween(db, view.documentId, 0, 1e6)).flatMap(({ change }) => textsIn(change)),
          ...(await goesOf(db, entry.id)).flatMap((go) =>
            everyItem(go.sheet).flatMap((item) => (isWritten(item) ? [bodyText(item.body)] : [])),
          ),
          ...textsIn((loaded as unknown as { notes: unknown }).notes),
        ].join(' '),
      );
      const secret = [...answerWords(view.handout)].filter(
        (word) => word.length > 2 && !openWords(view.handout).has(word) && !theirs.has(word),
      );
      looked += secret.length;
      const { brief: _brief, title: _title, ...rest } = loaded as unknown as Record<string, unknown>;
      const all = words([JSON.stringify(rest), await (log as Response).text(), ...files, names].join(' '));
      expect(secret.filter((word) => all.has(word))).toEqual([]);
      // The search itself finds them where they are.
      const kept = words(JSON.stringify([view.handout.sheet, view.handout.lookFors]));
      expect(secret.filter((word) => !kept.has(word))).toEqual([]);
    }
    expect(looked).toBeGreaterThan(25);
  });

  test('people’s names are told to who is in their classes or teaches them, and to nobody else', async () => {
    const told = async (cookie: string) =>
      (await ((await call(names.loader, '/names', { cookie })) as Response).json()) as string[];
    const teachers = TEACHERS.map(({ name }) => name);
    expect(await told(cookies.teacher)).toEqual(expect.arrayContaining(teachers));
    const asStudent = await told(cookies.student);
    expect(asStudent).toEqual(expect.arrayContaining(teachers));
    // Ines is in Curlew; whoever is in no class with her is no name to her.
    const rows = await db.query<{ name: string; together: boolean }>(
      `select p.name, bool_or(exists (select 1 from class_member i join person ines on ines.id = i.person_id
         where ines.name = 'Ines Ramos' and i.class_id = m.class_id)) as together
       from class_member m join person p on p.id = m.person_id group by p.id, p.name`,
    );
    const [mates, others] = [true, false].map((is) =>
      rows.filter((row) => row.together === is).map(({ name }) => name),
    );
    expect(others.length).toBeGreaterThan(0);
    expect(asStudent).toEqual(expect.arrayContaining(mates));
    const known = new Set([...mates, ...teachers]);
    expect(asStudent.filter((name) => !known.has(name))).toEqual([]);
    expect(((await call(names.loader, '/names')) as Response).status).toBe(401);
  });

  test('are told to teachers by the names of parts, and to nobody else', async () => {
    const asTeacher = await ((await call(parts.loader, '/parts', { cookie: cookies.teacher })) as Response).json();
    expect((asTeacher as Record<string, string[]>)['diagram/heron']).toContain('bill');
    const asStudent = await ((await call(parts.loader, '/parts', { cookie: cookies.student })) as Response).json();
    expect(asStudent).toEqual({});
    expect(((await call(parts.loader, '/parts')) as Response).status).toBe(401);
  });
});
