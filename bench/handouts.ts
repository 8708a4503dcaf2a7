import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Change } from '../core/changes/change';
import type { LookFor } from '../core/lookfors/all';
import { countAll, lookFor } from '../core/lookfors/all';
import { alikeWording } from '../core/review/alike';
import { alikeThings } from '../core/review/alike-things';
import { compare } from '../core/review/compare';
import { page, plain, shape, sheet, solid, text } from '../core/schema/defaults';
import type { Item, Sheet } from '../core/schema/sheet';
import { sendCorrection } from '../server/actions/correct';
import { handOut, HandingOut } from '../server/actions/hand-out';
import { changesFor, saveWork } from '../server/actions/save-changes';
import { workshop } from '../server/actions/means';
import { isInDictionary } from '../server/art/dictionary';
import { openFaces, openPictures } from '../server/art/shipped';
import { Shelf } from '../server/exports/shelf';
import type { Database } from '../server/database/connection';
import { openDatabase } from '../server/database/open';
import { Live } from '../server/services/live';
import { addClass, addStudent, membersOf } from '../server/stores/classes';
import { copiesOf } from '../server/stores/copies';
import { handIn } from '../server/stores/goes';
import { loadDocument, saveChanges } from '../server/stores/documents';
import { addGroup, setGroup } from '../server/stores/groups';
import { addPerson, addSchool } from '../server/stores/people';
import { createSheet, sheetOf } from '../server/stores/sheets';
import { spotView } from '../server/views/spot-view';
import { cardsView, spreadView } from '../server/views/spread-view';
import { alikeClass, TASKS } from '../tests/support/alike-class';
import type { Figure } from './measure';
import { collectGarbage, figure, inTurn, median } from './measure';

/** Look-fors counted, saved with and compared; a correction to a class. Where there is no peer, the goal itself is the floor. */

const [CLASS, LOOK_FORS, MANY] = [35, 20, 200];
const COLOURS = ['#f9e79f', '#aed6f1', '#a9dfbf', '#f5b7b1', '#d7bde2', '#c0392b'];
const prose =
  'The tide comes in twice a day and covers the mud, where worms and small crabs hide until it has gone out again. ';

const handed = (): Sheet =>
  sheet({
    title: 'Bench',
    pages: [
      page({
        id: 'p',
        height: 1180,
        // As high as what is written in them.
        items: Array.from({ length: 10 }, (_, i) =>
          text({ id: `box${i}`, touch: 'fill', x: 40, y: 30 + 112 * i, width: 300, height: 100 }),
        ),
      }),
    ],
  });

/** A copy with what a diligent student did: 270 words in ten boxes, and thirty shapes. */
function piece(of: number): Sheet {
  const [first] = handed().pages;
  const shapes = Array.from({ length: 30 }, (_, i) =>
    shape({
      id: `own${i}`,
      touch: 'free',
      x: 380 + 60 * (i % 6),
      y: 40 + 60 * Math.floor(i / 6),
      width: 44,
      height: 44,
      fill: i % 7 === of % 7 ? null : solid(COLOURS[(i + of) % COLOURS.length]),
    }),
  );
  const items = first.items.map((item) =>
    item.kind === 'text' ? { ...item, body: plain(`${prose}${of} “the mud is full of life”`) } : item,
  );
  return { ...handed(), pages: [{ ...first, items: [...shapes, ...items] }] };
}

const lookFors = (): LookFor[] =>
  Array.from({ length: LOOK_FORS }, (_, i) => {
    const id = `l${i}`;
    const things = { kind: 'items' as const, id, item: 'shape', min: 5, made: false };
    // The two that ask for more than the sheet: how words are drawn, and a dictionary.
    if (i === LOOK_FORS - 2) return lookFor({ kind: 'readable', id });
    if (i === LOOK_FORS - 1) return lookFor({ kind: 'spelt', id, item: null });
    switch (i % 6) {
      case 0:
        return lookFor({ kind: 'words', id, item: i % 4 ? `box${i % 10}` : null, min: 15 });
      case 1:
        return lookFor({ ...things, together: [{ is: 'different', in: 'fill' }] });
      case 2:
        return lookFor({ ...things, each: [{ is: 'stands-out', least: '3' }, { is: 'on-page' }], how: 'every' });
      case 3:
        return lookFor({
          kind: 'phrase',
          id,
          item: null,
          words: ['tide', 'worms', 'salt marsh'],
          how: 'all',
          min: 1,
          spelling: 'near',
        });
      case 4:
        return lookFor({ ...things, together: [{ is: 'evenly' }, { is: 'row' }] });
      default:
        return lookFor({ kind: 'quotation', id, item: null, min: 4, from: 'anywhere' });
    }
  });

async function counting(): Promise<Figure> {
  const kit = { faces: await openFaces(), pictures: openPictures(), isWord: isInDictionary };
  const [pieces, all, handedOut] = [Array.from({ length: CLASS }, (_, i) => piece(i)), lookFors(), handed()];
  const times: number[] = [];
  // As on a server that has been up for a while: the first dozen runs are compiled as they go.
  for (let run = -15; run < 15; run++) {
    // Nothing that was remembered of a page helps the next run.
    const fresh = pieces.map((one) => structuredClone(one));
    collectGarbage();
    const begun = performance.now();
    for (const one of fresh) countAll(all, one, { handedOut, studentName: 'Ayo Bankole', ...kit });
    if (run >= 0) times.push(performance.now() - begun);
  }
  return figure(`${LOOK_FORS} look-fors on ${CLASS} copies`, median(times), 100, 1);
}

/** Pieces of a class compared with each other: half of them written by themselves, the others copied from one another. */
function likening(): Figure {
  const words = (of: number, at: number) => `w${(of * 7919 + at * 104_729) % 4001}x`;
  const written = (of: number) =>
    Array.from({ length: 270 }, (_, at) => words(of % 2 === 0 ? of : 1 + 2 * (of % 6), at)).join(' ');
  const pieces = Array.from({ length: CLASS }, (_, i) => {
    const one = piece(i);
    const [first] = one.pages;
    const items = first.items.map((item) => (item.id === 'box0' ? { ...item, body: plain(written(i)) } : item) as Item);
    return { id: `${i}`, sheet: { ...one, pages: [{ ...first, items }] } };
  });
  const times: number[] = [];
  const right: ReadonlySet<string> = new Set();
  for (let run = -2; run < 9; run++) {
    const fresh = pieces.map((one) => ({ ...structuredClone(one), right }));
    collectGarbage();
    const begun = performance.now();
    alikeWording(fresh, handed());
    alikeThings(fresh, handed());
    if (run >= 0) times.push(performance.now() - begun);
  }
  return figure(`wording and things of ${CLASS} pieces compared`, median(times), 300, 1);
}

/** Seeds that nothing was set by: those of the tests end below them. */
const UNSEEN = 5000;
const CLASSES = 120;

/** Of classes made by chance, on four tasks: which of the pairs that are asked about were copied, and which copied ones are missed. */
function likenessRight(): Figure[] {
  const told = TASKS.map(() => ({ right: 0, asked: 0, copied: 0 }));
  for (let seed = UNSEEN; seed < UNSEEN + CLASSES; seed++) {
    const { handedOut, key, works, pairs } = alikeClass(seed);
    const found = [...alikeThings(works, handedOut, [key])].flatMap(([id, those]) =>
      those.filter((one) => id < one.id).map((one) => `${id} ${one.id}`),
    );
    const sum = told[seed % TASKS.length];
    sum.right += found.filter((pair) => pairs.has(pair)).length;
    sum.asked += found.length;
    sum.copied += pairs.size;
  }
  const all = told.reduce((a, b) => ({
    right: a.right + b.right,
    asked: a.asked + b.asked,
    copied: a.copied + b.copied,
  }));
  const share = (part: number, whole: number) => (100 * part) / Math.max(1, whole);
  return [
    figure('likeness: pairs asked about though nobody copied', share(all.asked - all.right, all.asked), 5, 1, '%'),
    figure('likeness: copied pairs not asked about', share(all.copied - all.right, all.copied), 50, 1, '%'),
    ...told.map(({ right, copied }, i) =>
      figure(`  of these on the task “${TASKS[i]}”`, share(copied - right, copied), LEFT_OUT[i], 1, '%'),
    ),
  ];
}
/** What little is one's own in blanks and cards says little, too. */
const LEFT_OUT = [15, 60, 75, 65];

function comparing(): Figure {
  const many = (shift: number): Sheet =>
    sheet({
      title: 'Many',
      pages: [
        page({
          id: 'p',
          width: 2000,
          height: 2000,
          items: Array.from({ length: 300 }, (_, i) =>
            shape({
              id: `s${i}`,
              x: 60 * (i % 20) + (i % 3 ? 0 : shift),
              y: 60 * Math.floor(i / 20),
              body: plain(`${i}`),
            }),
          ),
        }),
      ],
    });
  const times: number[] = [];
  for (let run = -2; run < 9; run++) {
    const [a, b] = [many(0), many(20)];
    const begun = performance.now();
    compare(a, b);
    if (run >= 0) times.push(performance.now() - begun);
  }
  return figure('comparing two sheets of 300 things', median(times), 20, 1);
}

type School = { db: Database; schoolId: string; teacherId: string; classId: string };
const pictures = openPictures();
const workshopOn = async (db: Database) => workshop(db, new Shelf({ faces: await openFaces(), pictures }));

async function handedOut({ db, schoolId, teacherId, classId }: School, asked: LookFor[]) {
  const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: handed() });
  const given = {
    classes: [classId],
    title: 'B',
    brief: '',
    dueAt: null,
    lookFors: asked,
    rubric: { rows: [] },
    supplies: ['shape'],
  };
  const [id] = await handOut(await workshopOn(db), { id: teacherId, schoolId }, sheetId, HandingOut.parse(given));
  return { id, sheetId, copies: await copiesOf(db, id) };
}

/** A save on a copy with look-fors against one on a copy without any. */
async function saving(school: School): Promise<Figure> {
  const { db, schoolId } = school;
  let batch = 0;
  const means = await workshopOn(db);
  const saverOn = async (asked: LookFor[]) => {
    const { copies } = await handedOut(school, asked);
    const [{ documentId, studentId, studentName }] = copies;
    const person = { id: studentId, name: studentName, schoolId };
    const fill = piece(0);
    const drawn = fill.pages[0].items.flatMap((item): Change[] =>
      item.kind === 'shape' ? [{ kind: 'insert', spot: { page: 'p', group: null, behind: null }, item }] : [],
    );
    let base = 0;
    const save = async (changes: Change[]) => {
      const saved = await saveWork(means, person, documentId, { base, batch: `bench-${++batch}`, changes });
      if (saved.outcome !== 'saved') throw new Error(JSON.stringify(saved));
      base = saved.seq;
    };
    await save(drawn);
    for (let i = 0; i < 10; i++)
      await save([{ kind: 'splice', id: `box${i}`, at: 0, remove: 0, insert: plain(prose) }]);
    return () => save([{ kind: 'splice', id: 'box1', at: 0, remove: 0, insert: plain('x') }]);
  };
  const [withSome, without] = [await saverOn(lookFors()), await saverOn([])];
  const [a, b] = await inTurn(60, withSome, without);
  return figure(`a save on a copy with ${LOOK_FORS} look-fors, against one without`, a, b, 1.5);
}

async function correcting(school: School): Promise<Figure> {
  const { db, schoolId, teacherId } = school;
  const { id, sheetId, copies } = await handedOut(school, lookFors());
  for (const { documentId, studentId, id: copyId } of copies) {
    const changes: Change[] = [{ kind: 'splice', id: 'box2', at: 0, remove: 0, insert: plain(prose) }];
    await saveChanges(
      db,
      { documentId, authorId: studentId, base: 0, batch: `w-${copyId}`, changes },
      () => null,
      copyId,
    );
  }
  const { documentId } = (await sheetOf(db, teacherId, sheetId))!;
  const times: number[] = [];
  for (let run = 0; run < 5; run++) {
    const { seq: base } = (await loadDocument(db, documentId))!;
    const changes: Change[] = [{ kind: 'set', id: 'box3', values: { x: 40 + run + 1 } }];
    await saveChanges(db, { documentId, authorId: teacherId, base, batch: `t-${run}`, changes }, () => null);
    const begun = performance.now();
    const took = await sendCorrection(await workshopOn(db), { id: teacherId }, id, { seq: [base + 1] });
    times.push(performance.now() - begun);
    if (took !== CLASS) throw new Error(`${took} copies took it of ${schoolId}`);
  }
  return figure(`a correction to ${CLASS} copies`, median(times), 2000, 1);
}

/** From a change that one of a group sends until another has fetched it, on the server. */
async function together({ db, schoolId, teacherId, classId }: School): Promise<Figure> {
  const means = await workshopOn(db);
  const members = (await membersOf(db, classId)).slice(0, 5);
  const groupId = await addGroup(db, classId, 'Five');
  await setGroup(
    db,
    { id: groupId, classId, name: 'Five' },
    members.map(({ id }) => id),
  );
  const sheetId = await createSheet(db, { schoolId, ownerId: teacherId, purpose: 'blank', sheet: handed() });
  const given = { classes: [classId], title: 'B', brief: '', dueAt: null, rubric: { rows: [] }, supplies: ['shape'] };
  const only = { [classId]: { groups: [groupId], students: [] } };
  const asked = HandingOut.parse({ ...given, lookFors: lookFors(), only, together: true, again: true });
  const [id] = await handOut(means, { id: teacherId, schoolId }, sheetId, asked);
  const [{ documentId }] = await copiesOf(db, id);
  const live = new Live(db);
  const times: number[] = [];
  const [writer, reader] = members.map(({ id: person, name }) => ({ id: person, name, schoolId }));
  for (let base = 0; base < 40; base++) {
    const heard = new Promise<void>((resolve) => {
      const leave = live.follow(documentId, () => {
        leave();
        resolve();
      });
    });
    const begun = performance.now();
    const changes: Change[] = [{ kind: 'splice', id: 'box1', at: 0, remove: 0, insert: plain('x') }];
    await saveWork(means, writer, documentId, { base, batch: `live-${base}`, changes });
    await heard;
    const { missed } = await changesFor(means, reader, documentId, base);
    times.push(performance.now() - begun);
    if (missed.length !== 1) throw new Error(`${missed.length} changes were told`);
  }
  live.close();
  return figure('group work: from a change to all others having it, on the server', median(times), 300, 1);
}

/** Look-fors of a sheet as a teacher sets them, for a whole class at once. */
const FEW = 6;

/** Every student has filled ten boxes and handed in: the class side by side, and one spot of all pieces, on the server. */
async function besides(school: School, pupils: number): Promise<Figure[]> {
  const { db, teacherId } = school;
  const { id, copies } = await handedOut(school, lookFors().slice(0, FEW));
  for (const copy of copies) {
    const changes = Array.from({ length: 10 }, (_, i): Change => ({
      kind: 'splice',
      id: `box${i}`,
      at: 0,
      remove: 0,
      insert: plain(prose),
    }));
    const save = { documentId: copy.documentId, authorId: copy.studentId, base: 0, batch: `s-${copy.id}`, changes };
    await saveChanges(db, save, () => null, copy.id);
    await handIn(db, copy, changes.length);
  }
  const means = await workshopOn(db);
  const taking = async (work: () => Promise<unknown>) => {
    const times: number[] = [];
    for (let run = -1; run < 5; run++) {
      const begun = performance.now();
      await work();
      if (run >= 0) times.push(performance.now() - begun);
    }
    return median(times);
  };
  const teacher = { id: teacherId };
  const spread = await taking(() => spreadView(means, teacher, id));
  const spot = await taking(() => spotView(means, teacher, id, { item: 'box3' }));
  const card = await taking(() => cardsView(means, teacher, id, [copies[0].documentId]));
  return [
    figure(`the spread of ${pupils} pieces, on the server`, spread, pupils > CLASS ? 3000 : 1000, 1),
    figure(`one spot of ${pupils} pieces, on the server`, spot, 500, 1),
    figure(`one changed card of ${pupils}, on the server`, card, 1000, 1),
  ];
}

export async function run(): Promise<Figure[]> {
  const folder = mkdtempSync(path.join(tmpdir(), 'dappled-bench-'));
  const db = await openDatabase({ dataDir: folder });
  try {
    const schoolId = await addSchool(db, 'Bench');
    const teacherId = await addPerson(db, { schoolId, role: 'teacher', name: 'B' });
    const classId = await addClass(db, { schoolId, teacherId, name: 'B', code: 'BENCH' });
    for (let i = 0; i < CLASS; i++) await addStudent(db, { schoolId, classId, name: `Student ${i}` });
    const manyId = await addClass(db, { schoolId, teacherId, name: 'Many', code: 'MANYS' });
    for (let i = 0; i < MANY; i++) await addStudent(db, { schoolId, classId: manyId, name: `Pupil ${i}` });
    const school = { db, schoolId, teacherId, classId };
    return [
      await counting(),
      comparing(),
      likening(),
      ...likenessRight(),
      await saving(school),
      await correcting(school),
      await together(school),
      ...(await besides(school, CLASS)),
      ...(await besides({ ...school, classId: manyId }, MANY)),
    ];
  } finally {
    await db.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
