import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import type { Change } from '../core/changes/change';
import { replay } from '../core/changes/change';
import { group, ink, page, picture, plain, shape, text } from '../core/schema/defaults';
import type { Item, Sheet } from '../core/schema/sheet';
import { openDatabase } from '../server/database/open';
import { goesOf, handIn } from '../server/stores/goes';
import { createSheet } from '../server/stores/sheets';
import { openSession } from '../server/stores/sign-in';
import { SmallSchool } from '../tests/support/school';
import { changeFor, sampleSheet } from '../tests/support/sheets';
import type { Figure } from './measure';
import { figure } from './measure';
import { cookieOf, Served } from './server';

/**
 * Hostile batches, texts, uploads and forms against the built server: FUZZ of them, 10,000 by default, most of them valid enough
 * to get past the parser. What was accepted is read again, drawn and exported. The server has to stay up, answer, and hold less
 * than a gigabyte.
 */

const COUNT = Number(process.env.FUZZ ?? 10_000);
const PORT = 4691;
const BASE = `http://localhost:${PORT}`;
/** A sheet that has grown large is replaced by a new one, so that all sizes are tried. */
const SHEETS = 25;

const odd = fc.string({
  unit: fc.constantFrom(
    'a',
    ' ',
    'é',
    '😀',
    '👩‍🚀',
    '\ud83d',
    '\ude00',
    '\0',
    '‮',
    'Ж',
    '\u0301',
    '<',
    '"',
    '\\',
    '\t',
    '水',
  ),
  maxLength: 60,
});
const far = fc.constantFrom(-7200, -7100, 7000, 7200, 0, 0.0001, 1e-7, 350);
const words = fc.oneof(
  { weight: 6, arbitrary: odd },
  { weight: 1, arbitrary: odd.map((one) => one.repeat(200)) },
  { weight: 1, arbitrary: fc.constant('🦉 word '.repeat(2400)) },
);

/** Things at the limits of the schema. */
function extreme(id: string): fc.Arbitrary<Item> {
  const look = fc.record({
    x: far,
    y: far,
    width: far.map(Math.abs),
    height: far.map(Math.abs),
    angle: fc.integer({ min: -360, max: 360 }),
  });
  const shadow = fc.constantFrom(null, { dx: 200, dy: -200, blur: 100, colour: '#000000', opacity: 1 });
  const opacity = fc.constantFrom(0, 0.3, 1);
  return fc.tuple(look, shadow, opacity, words, fc.nat({ max: 6 })).map(([at, cast, see, said, what]): Item => {
    const set = { id, ...at, shadow: cast, opacity: see };
    const body = plain(said.replace(/[\r]/g, ''));
    return [
      text({ ...set, body, fit: 'shrink' }),
      text({ ...set, body, lettering: { curve: 'circle', amount: 1, fill: null, outline: null } }),
      shape({ ...set, body, shape: 'star' }),
      picture({ ...set, picture: 'flat/owl', reflection: 1, soften: 0.5 }),
      ink({ ...set, points: [0, 0, 0.5, 1, 1, 1, 0.5, 0.2, 0] }),
      group({ ...set, items: [shape({ id: `${id}a`, ...at, opacity: 0.2 }), text({ id: `${id}b`, body })] }),
      Array.from({ length: 14 }).reduce<Item>(
        (inner, _, i) => group({ id: `${id}d${i}`, items: [inner] }),
        shape({ id: `${id}e` }),
      ),
    ][what] as Item;
  });
}

const NONSENSE = [
  'nonsense',
  '{}',
  '[]',
  'null',
  '{"base":0}',
  '['.repeat(50_000),
  '{"a":'.repeat(2000),
  '\ufeff{}',
  '{"base":1e400,"batch":"abcdef","changes":[{}]}',
];

const make = (now: Sheet, n: number): fc.Arbitrary<Change[]> =>
  fc.array(
    fc.oneof(
      { weight: 4, arbitrary: changeFor(now) },
      {
        weight: 3,
        arbitrary: fc.nat({ max: 1e9 }).chain((seed) =>
          extreme(`f${n}x${seed}`).map((item): Change => ({
            kind: 'insert',
            spot: { page: now.pages[seed % now.pages.length].id, group: null, behind: null },
            item,
          })),
        ),
      },
      { weight: 1, arbitrary: words.map((said): Change => ({ kind: 'sheet-set', values: { title: said } })) },
      {
        weight: 1,
        arbitrary: fc.nat({ max: 1e6 }).map((k): Change => ({
          kind: 'page-insert',
          behind: null,
          page: page({ id: `q${n}x${k}`, width: 36, height: 7200 }),
        })),
      },
      { weight: 1, arbitrary: fc.constant({ kind: 'set', id: 'box', values: { x: Infinity, what: '\0' } } as Change) },
    ),
    { minLength: 1, maxLength: 6 },
  );

/** A teacher's notes and marks, some of them invalid. */
const saying = fc.array(
  fc.oneof(
    fc.record({
      do: fc.constantFrom('note', 'edit-note'),
      note: fc.constantFrom('note-01', 'note-02', '', 'a b'),
      page: odd,
      item: fc.option(odd),
      x: fc.option(fc.double()),
      y: fc.option(fc.double()),
      body: odd,
    }),
    fc.record({
      do: fc.constant('note'),
      note: fc.constantFrom('note-03', 'note-04'),
      page: fc.constant('p1'),
      item: fc.constant(null),
      x: fc.constant(null),
      y: fc.constant(null),
      body: odd,
    }),
    fc.record({ do: fc.constant('rule'), lookFor: fc.constantFrom('x', '\0'), held: fc.option(fc.boolean()) }),
    fc.record({ do: fc.constant('mark'), row: odd, level: fc.option(fc.integer()) }),
    fc.jsonValue(),
  ),
  { maxLength: 6 },
);

export async function run(): Promise<Figure[]> {
  const dataDir = mkdtempSync(path.join(tmpdir(), 'dappled-fuzz-'));
  const db = await openDatabase({ dataDir });
  const school = await SmallSchool.open(db);
  const { schoolId, teacherId: ownerId, classId } = school;
  const sheets: { id: string; documentId: string; sheet: Sheet; seq: number }[] = [];
  for (let i = 0; i < SHEETS; i++) {
    const id = await createSheet(db, { schoolId, ownerId, purpose: 'blank', sheet: sampleSheet() });
    const [{ documentId }] = await db.query<{ documentId: string }>(
      'select document_id as "documentId" from sheet where id = $1',
      [id],
    );
    sheets.push({ id, documentId, sheet: sampleSheet(), seq: 0 });
  }
  const student = await school.student('Student');
  const handoutId = await school.handOut(sampleSheet());
  const copy = await school.copy(handoutId, student);
  await handIn(db, copy, 0);
  const [{ id: goId }] = await goesOf(db, copy.id);
  const reading = `/handouts/${handoutId}/reading/${copy.id}/said`;
  const { token } = await openSession(db, ownerId, 'teacher');
  await db.close();
  const cookie = cookieOf(token);
  const server = await Served.start(PORT, { DATABASE_URL: '', DATA_DIR: dataDir }, 'ignore');
  const told: Record<string, number> = {};
  const count = (what: string) => (told[what] = (told[what] ?? 0) + 1);
  let most = 0;
  const ask = async (place: string, options: RequestInit = {}) => {
    const answer = await fetch(`${BASE}${place}`, {
      redirect: 'manual',
      ...options,
      headers: { cookie, origin: BASE, ...(options.headers as Record<string, string>) },
    });
    const body = await answer.text();
    if (answer.status >= 500 && answer.status !== 503) {
      count('failed');
      console.error(
        `  ${answer.status} at ${options.method ?? 'GET'} ${place.replace(/[\w-]{12}/g, '…')}: ${body.slice(0, 120)}`,
      );
    }
    return { status: answer.status, body };
  };
  const json = { 'content-type': 'application/json' };
  const exported = async (sheetId: string, as: 'pdf' | 'png') => {
    const asked = await ask(`/sheets/${sheetId}/export`, {
      method: 'POST',
      headers: json,
      body: JSON.stringify({ as }),
    });
    if (asked.status !== 202) return count(`export ${asked.status}`);
    const { id } = JSON.parse(asked.body) as { id: string };
    for (;;) {
      const { state } = JSON.parse((await ask(`/exports/${id}`)).body) as { state: string };
      if (state === 'ready') count(`fetched ${(await ask(`/exports/${id}/file`)).status}`);
      if (state === 'failed' || state === 'stopped') count(`export ${state}`);
      if (state !== 'waiting' && state !== 'making') return;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  };
  const owl = readFileSync('docs/screenshots/tray.png');
  try {
    for (let n = 0; n < COUNT; n++) {
      if (server.ended) throw new Error(`the server ended after ${n}`);
      const one = sheets[n % SHEETS];
      const kind = n % 20;
      if (kind < 15) {
        const [changes] = fc.sample(make(one.sheet, n), { seed: n, numRuns: 1 });
        const answer = await ask(`/documents/${one.documentId}/changes`, {
          method: 'POST',
          headers: json,
          body: JSON.stringify({ base: one.seq, batch: `fuzz-${n}`, changes }),
        });
        const said = answer.status === 200 ? (JSON.parse(answer.body) as { outcome: string; seq: number }) : null;
        const unread = answer.body.includes('can’t be read');
        count(unread ? 'unreadable' : (said?.outcome ?? `status ${answer.status}`));
        if (said?.outcome === 'saved') {
          one.seq = said.seq;
          one.sheet = replay(one.sheet, JSON.parse(JSON.stringify(changes)) as Change[]);
        }
      } else if (kind === 15)
        await ask(`/documents/${one.documentId}/changes`, {
          method: 'POST',
          headers: json,
          body: NONSENSE[((n / 20) % NONSENSE.length) | 0],
        });
      else if (kind === 16) {
        const [name] = fc.sample(odd, { seed: n, numRuns: 1 });
        const form = new URLSearchParams({ do: 'add-students', classId, names: `${name}\nx` });
        await ask('/classes', { method: 'POST', body: form });
      } else if (kind === 17) {
        const cut = owl.subarray(0, 40 + ((n * 7919) % owl.length));
        const bytes = Buffer.from(cut);
        if (n % 3) bytes[(n * 31) % bytes.length] ^= 0xff;
        count(`upload ${(await ask('/pictures?name=x', { method: 'POST', body: bytes })).status}`);
      } else if (kind === 18 && n % 40 === 38) {
        const steps = fc.sample(saying, { seed: n, numRuns: 1 })[0];
        const answer = await ask(reading, { method: 'POST', headers: json, body: JSON.stringify({ go: goId, steps }) });
        count(`said ${answer.status}`);
      } else if (kind === 18)
        await ask(`/join?code=${encodeURIComponent(fc.sample(odd, { seed: n, numRuns: 1 })[0].toWellFormed())}`);
      else {
        // What was accepted is read back, drawn, and now and then exported.
        await ask(`/sheets/${one.id}.data`);
        await ask(`/sheets/${one.id}/picture.svg`);
        if (n % 200 === 199) await exported(one.id, n % 400 === 199 ? 'png' : 'pdf');
      }
      if (n % 100 === 0) most = Math.max(most, server.memory);
      if (n % 1000 === 999) console.error(`  ${n + 1}: ${server.memory.toFixed(0)} MB, ${JSON.stringify(told)}`);
    }
    for (const { id } of sheets) if ((await ask(`/sheets/${id}.data`)).status !== 200) count('failed');
    console.error(`  ${JSON.stringify(told)}`);
    const well = await server.isWell();
    const passed = (told.saved ?? 0) + (told.refused ?? 0) + (told.behind ?? 0);
    return [
      figure(`${COUNT} hostile requests: failures and one, against one`, (told.failed ?? 0) + (well ? 1 : 2), 1, 1, ''),
      figure('  half of them, against those that passed the parser', COUNT / 2, passed, 1, ''),
      figure('  most memory, against 1 GB', most, 1000, 1, 'MB'),
    ];
  } finally {
    await server.stop();
    rmSync(dataDir, { recursive: true, force: true });
  }
}
