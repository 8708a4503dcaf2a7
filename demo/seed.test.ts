import { afterAll, beforeAll, expect, test } from 'vitest';
import { wordsOf } from '../core/items/words';
import { isEmpty } from '../core/text/body';
import { givenOut } from '../core/handout/copy';
import { unreadable } from '../core/proof/readable';
import { isWritten, Sheet } from '../core/schema/sheet';
import { everyItem } from '../core/sheet/tree';
import type { Database } from '../server/database/connection';
import { openEmbedded } from '../server/database/embedded';
import { migrate } from '../server/database/migrate';
import { countedOn } from '../server/actions/counting';
import { copiesOf } from '../server/stores/copies';
import { demoDoors } from '../server/stores/demo';
import { galleryNotes, galleryOf, galleryPieces } from '../server/stores/gallery';
import { loadDocument } from '../server/stores/documents';
import { handoutById, progressOf } from '../server/stores/handouts';
import { classByCode } from '../server/stores/classes';
import { namesIn, signInStudent, signInTeacher } from '../server/stores/sign-in';
import { SECRET, TEACHERS } from './school';
import { Shelf } from '../server/exports/shelf';
import { seed } from './seed';
import { clear } from '../core/geometry/around';
import { grown } from '../core/geometry/box';
import { linePoints } from '../core/items/line';
import { readMap } from '../core/makers/map/read';
import { foodSheet } from './food';
import { heronSheet, nestPoster, tideSheet } from './sheets';
import { marshUnit } from './unit';
import { marshOverview, nightPoster } from './wall';

let db: Database;
beforeAll(async () => {
  db = await openEmbedded();
  await migrate(db);
  expect(await seed(db)).toBe(true);
});
afterAll(() => db.close());

const teacher = async () => (await demoDoors(db)).find((door) => door.what === 'teacher')!.id;

test('is made once', async () => expect(await seed(db)).toBe(false));

test('has two classes with copies in every state, something for a group that opens tomorrow, and a copy of three', async () => {
  const progress = await progressOf(db, await teacher());
  expect(progress.map((h) => [h.className, Object.values(h.counts).reduce((a, b) => a + b)]).sort()).toEqual([
    ['Avocet', 9],
    ['Avocet', 9],
    ['Avocet', 9],
    ['Avocet', 9],
    ['Avocet', 9],
    ['Curlew', 1],
    ['Curlew', 26],
    ['Curlew', 7],
  ]);
  for (const { counts } of progress.filter(({ groups }) => groups === null))
    for (const count of Object.values(counts)) expect(count).toBeGreaterThan(0);
});

test('lets its people in', async () => {
  expect((await demoDoors(db)).map((door) => door.what)).toEqual([
    'teacher',
    'student in Curlew',
    'student in Curlew',
    'student in Curlew',
  ]);
  const from = { address: '192.0.2.1', device: null };
  expect(await signInTeacher(db, TEACHERS[1].email, TEACHERS[1].password, from)).toMatchObject({ ok: true });
  const curlew = (await classByCode(db, 'CURLW'))!;
  const ayo = (await namesIn(db, curlew.id)).find(({ name }) => name === 'Ayo Bankole')!;
  expect(await signInStudent(db, 'CURLW', ayo.ref, SECRET, from)).toMatchObject({ ok: true });
});

test('has a gallery whose notes were shown to the class, or wait to be read', async () => {
  const heron = (await progressOf(db, await teacher())).find((h) => h.title === 'Parts of the grey heron')!;
  expect(await galleryOf(db, heron.id)).toEqual({ open: true, named: false, afterOwn: true });
  expect((await galleryPieces(db, heron.id)).map(({ studentName }) => studentName)).toEqual([
    'Bea Lindgren',
    'Eun-ji Park',
    'Leo Dubois',
    'Uma Pillai',
  ]);
  const states = (await galleryNotes(db, heron.id)).map(({ state }) => state).sort();
  expect(states).toEqual(['shown', 'shown', 'waiting', 'waiting']);
});

test('gives no answer away in any copy that was not filled in', async () => {
  const heron = (await progressOf(db, await teacher())).find((h) => h.className === 'Curlew')!;
  const untouched = (await copiesOf(db, heron.id)).filter((copy) => copy.state === 'not-begun');
  for (const copy of untouched)
    expect(JSON.stringify(await loadDocument(db, copy.documentId))).not.toMatch(/"blank":true|breast feathers/);
});

test('says the same each time: its sheets hold no chance', () => {
  for (const make of [heronSheet, tideSheet, nestPoster, nightPoster, marshOverview]) {
    expect(make()).toEqual(make());
    expect(Sheet.safeParse(make()).error).toBeUndefined();
  }
});

test('the food web is a map that was made: arrows from what is eaten to what eats it, none through a picture', async () => {
  const { resources } = await Shelf.open();
  const web = await foodSheet(resources);
  expect(web).toEqual(await foodSheet(resources));
  expect(Sheet.safeParse(web).error).toBeUndefined();
  const { links } = readMap(web);
  const words = new Map(readMap(web).nodes.map(({ item, text }) => [item, text]));
  expect(links.map(({ from, to }) => `${words.get(from)} → ${words.get(to)}`).sort()).toEqual([
    'goby → grey heron',
    'green weed → lugworm',
    'green weed → mud snail',
    'lugworm → goby',
    'lugworm → shore crab',
    'mud snail → shore crab',
    'shore crab → grey heron',
    'sunlight → green weed',
  ]);
  const [{ items }] = web.pages;
  const parts = items.flatMap((item) => (item.kind === 'group' ? item.items : []));
  const pictures = parts.filter((item) => item.kind === 'picture');
  expect(pictures).toHaveLength(7);
  for (const line of parts)
    if (line.kind === 'line')
      for (const shown of pictures)
        expect(clear(linePoints(web.pages[0], line, resources.pictures), [grown(shown, -shown.width / 6)])).toBe(true);
});

test('what makers made for the unit is the same each time, whole, and goes out without its answers', async () => {
  const { resources } = await Shelf.open();
  const unit = await marshUnit(resources);
  expect(unit).toEqual(await marshUnit(resources));
  expect(Sheet.safeParse(unit).error).toBeUndefined();
  expect(unit.pages.map(({ items }) => items.some((item) => item.kind === 'group' && item.maker))).toEqual(
    unit.pages.map(() => true),
  );
  expect([...everyItem(givenOut(unit))].some((item) => item.role === 'key')).toBe(false);
});

test('what is to be hung up can be read, and holds all its words', async () => {
  const { resources } = await Shelf.open();
  for (const sheet of [nightPoster(), marshOverview()]) {
    expect(unreadable(sheet, sheet.pages[0], resources)).toEqual([]);
    for (const item of everyItem(sheet))
      if (isWritten(item) && !isEmpty(item.body))
        expect([item.id, wordsOf(item, { faces: resources.faces, roles: sheet.roles }).layout.overflows]).toEqual([
          item.id,
          false,
        ]);
  }
});

test('the piece of three has met its first step, and the second is open', async () => {
  const own = (await progressOf(db, await teacher())).find(({ title }) => title === 'Our food web')!;
  const [copy] = await copiesOf(db, own.id);
  const handout = (await handoutById(db, own.id))!;
  const { sheet } = (await loadDocument(db, copy.documentId)) as { sheet: Sheet };
  const { resources } = await Shelf.open();
  expect(countedOn(handout, sheet, copy.studentName, resources).map(({ held }) => held)).toEqual([true]);
  expect([copy.openSteps, handout.steps.length]).toEqual([2, 2]);
});

test('pieces that came back are drawn on: rings around answers, and stamps', async () => {
  const all = await db.query<{ body: string }>(
    `select i.mark->>'kind' as body from ink i join go on go.id = i.go_id where go.returned_at is not null and i.item_id is not null`,
  );
  const kinds = all.map(({ body }) => body).sort();
  expect(kinds).toEqual(['stamp', 'stamp', 'stamp', 'stamp', 'stroke', 'stroke', 'stroke']);
});

test('the windows are counted exactly: one holds, one nearly does, others miss or hide their panes', async () => {
  const own = (await progressOf(db, await teacher())).find(({ title }) => title === 'A window of coloured glass')!;
  const handout = (await handoutById(db, own.id))!;
  const { resources } = await Shelf.open();
  const missed = new Map<string, string[]>();
  for (const copy of await copiesOf(db, own.id)) {
    const { sheet } = (await loadDocument(db, copy.documentId)) as { sheet: Sheet };
    const results = countedOn(handout, sheet, copy.studentName, resources);
    missed.set(
      copy.studentName.split(' ')[0],
      results.flatMap(({ id, held }) => (held ? [] : [id])),
    );
  }
  expect([handout.lookFors.length, handout.corrections]).toEqual([12, 1]);
  // Copies that lie with students took the correction, and what was handed in stays as it was.
  const took = (await copiesOf(db, own.id)).filter(({ corrections }) => corrections === 1);
  expect(took.map(({ state }) => state).sort()).toEqual(['another-go', 'not-begun', 'under-way', 'under-way']);
  expect(missed.get('Alba')).toEqual([]);
  expect(missed.get('Bram')).toEqual(['lead']);
  expect(missed.get('Dilnoza')).toEqual(['group', 'signed']);
  // Panes that nobody sees count for nothing.
  expect(missed.get('Emre')).toEqual([
    'lead',
    'thick',
    'fills',
    'hollow',
    'blend',
    'turned',
    'star',
    'inside',
    'group',
  ]);
  expect(missed.get('Ilse')).toEqual(['fills', 'hollow', 'clear', 'blend']);
});
