import { rmSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { nanoid } from 'nanoid';
import { refusal } from '../core/handout/permission';
import type { Supply } from '../core/handout/supplies';
import { versionsOf } from '../core/makers/versions';
import { keyOf, labelsOn } from '../core/handout/copy';
import type { LookFor } from '../core/lookfors/all';
import { lookFor } from '../core/lookfors/all';
import type { Rubric } from '../core/lookfors/rubric';
import { bodyLength, bodyText } from '../core/text/body';
import type { Change } from '../core/changes/change';
import { picture, plain, text } from '../core/schema/defaults';
import { boxOf } from '../core/items/hit';
import type { PenPoint } from '../core/placement/erase';
import { spotOf, strokeMark } from '../core/review/ink';
import type { InkMark, Saying, StampName } from '../core/review/said';
import type { Page, TextBody, Sheet, TextItem } from '../core/schema/sheet';
import { find, findOn } from '../core/sheet/tree';
import type { Database } from '../server/database/connection';
import { StartProblem } from '../server/database/connection';
import { lockDirectory } from '../server/database/lock';
import { openDatabase } from '../server/database/open';
import { hashSecret } from '../server/accounts/secret';
import { projectRoot } from '../server/process/place';
import { clearedPicture, readIn } from '../server/pictures/read-in';
import { clearPicture } from '../server/actions/clear-picture';
import { changeShelf, keepPicture } from '../server/stores/pictures';
import { hexOf } from '../core/colour/rgb';
import { Shelf } from '../server/exports/shelf';
import { addClass, addStudent, membersOf } from '../server/stores/classes';
import { copiesOf, setOpenSteps } from '../server/stores/copies';
import { goesOf, handIn, returnGo } from '../server/stores/goes';
import type { ClassCopy } from '../server/stores/copies';
import { DEMO_CLASS } from '../server/stores/demo';
import { loadDocument, saveChanges } from '../server/stores/documents';
import { openPictures } from '../server/art/shipped';
import { demoDoors } from '../server/stores/demo';
import { changeHandout, extendCopies } from '../server/stores/handout-life';
import type { NewVersion } from '../server/stores/handing-out';
import { createHandout } from '../server/stores/handing-out';
import { addGroup, setGroup } from '../server/stores/groups';
import { addPerson, addSchool, isEmptyHouse } from '../server/stores/people';
import { keepListed } from '../server/stores/class-lists';
import { saySecond, setSecondReader } from '../server/stores/second-reading';
import { setClassTeacher } from '../server/stores/teachers';
import { archiveClass } from '../server/stores/class-life';
import { newId } from '../server/database/id';
import { changePhrase, keepPhrase } from '../server/stores/phrases';
import type { Sayer } from '../server/stores/reviews';
import { sayOn } from '../server/stores/reviews';
import { createSheet, sheetOf } from '../server/stores/sheets';
import { sendCorrection } from '../server/actions/correct';
import type { Workshop } from '../server/actions/means';
import { workshop } from '../server/actions/means';
import { heronGallery } from './gallery';
import type { Answers } from './makers';
import { COUNTS_ANSWERS, countsLookFors, countsSheet, CRAB_ANSWERS, crabLookFors, crabSheet } from './makers';
import type { Piece, TidePiece } from './pieces';
import { COLLEAGUES_PHRASES, HERON_PIECES, PHRASES, TIDE_PIECES } from './pieces';
import { AVOCET, CURLEW, SCHOOL, SECRET, TEACHERS, DUNLIN, GROUPS, TOGETHER } from './school';
import { foodSheet } from './food';
import { labelOf, heronSheet, nestPoster, tideSheet } from './sheets';
import { AWAY, curlewSheet } from './curlew';
import { curlewPhoto } from './photos';
import { sumsLookFors, sumsSheet, sumsWords } from './sums';
import { marshUnit } from './unit';
import { windowLookFors, windowMended, windowPieces, windowSheet } from './window';
import { marshOverview, nightPoster } from './wall';

/** Fills an empty database with the demo school, through the same core and stores as the application. */

const HOUR = 3_600_000;
type Clock = { now: number };
const at = (clock: Clock, hoursAgo: number, minutes = 0) => new Date(clock.now - hoursAgo * HOUR + minutes * 60_000);

/** The morning after tomorrow, at eight. */
function dayAfter(clock: Clock): Date {
  const day = at(clock, -48);
  day.setUTCHours(8, 0, 0, 0);
  return day;
}

const levels = (...texts: string[]) => texts.map((text, i) => ({ points: i + 1, text }));
const HERON_RUBRIC: Rubric = {
  rows: [
    { id: 'names', name: 'Names of parts', levels: levels('few', 'half', 'most', 'all') },
    { id: 'why', name: 'Says why', levels: levels('not yet', 'a beginning', 'a reason', 'a reason and how') },
    { id: 'neat', name: 'Easy to read', levels: levels('hard', 'in parts', 'mostly', 'all of it') },
  ],
};
const TIDE_RUBRIC: Rubric = {
  rows: [
    { id: 'page', name: 'The page as a whole', levels: levels('bare', 'begun', 'good', 'worth hanging up') },
    { id: 'words', name: 'Own words', levels: levels('copied', 'some', 'most', 'all') },
  ],
};

const PICTURES = openPictures();

const replaced = (sheet: Sheet, id: string, body: TextBody): Change => ({
  kind: 'splice',
  id,
  at: 0,
  remove: bodyLength((find(sheet, id)!.item as TextItem).body),
  insert: body,
});

/** A change as it comes about when somebody types it: word after word. */
function typedOut(change: Change): Change[] {
  if (change.kind !== 'splice' || change.insert.length !== 1 || change.insert[0].runs.length !== 1) return [change];
  const [{ format, runs }] = change.insert;
  const words = runs[0].text.split(/(?=\s)/);
  let { at, remove } = change;
  return words.map((word) => {
    const step = { ...change, at, remove, insert: [{ format, runs: [{ ...runs[0], text: word }] }] };
    at += word.length;
    remove = 0;
    return step;
  });
}

class Student {
  constructor(
    private db: Database,
    readonly copy: ClassCopy,
    private supplies: Supply[],
  ) {}

  /**
   * Makes changes as the student would: a few at a time, spread over the minutes of work.
   * @param pasted what was not typed word after word
   */
  async work(changes: (sheet: Sheet) => Change[], begin: Date, minutes: number, pasted?: string): Promise<void> {
    const { documentId, studentId, id } = this.copy;
    const document = (await loadDocument(this.db, documentId))!;
    const all = changes(document.sheet).flatMap((change) =>
      'id' in change && change.id === pasted ? [change] : typedOut(change),
    );
    if (all.length === 0) return;
    let base = document.seq;
    const chunks = Math.min(9, all.length);
    for (let i = 0; i < chunks; i++) {
      const part = all.slice(Math.floor((i * all.length) / chunks), Math.floor(((i + 1) * all.length) / chunks));
      const when = new Date(+begin + ((i + 1) * minutes * 60_000) / chunks);
      const saved = await saveChanges(
        this.db,
        { documentId, authorId: studentId, base, batch: `seed-${id.slice(0, 6)}-${base}`, changes: part, at: when },
        (sheet, change) => refusal(sheet, change, this.supplies),
        id,
      );
      if (saved.outcome !== 'saved') throw new Error(`the demo could not be filled in: ${JSON.stringify(saved)}`);
      base = saved.seq;
    }
  }

  async handIn(when: Date): Promise<string> {
    const document = (await loadDocument(this.db, this.copy.documentId))!;
    const moved = await handIn(this.db, this.copy, document.seq, when);
    if (!moved.ok) throw new Error(moved.reason);
    return (await goesOf(this.db, this.copy.id)).at(-1)!.id;
  }
}

/** A ring of the pen around an item, or a stamp at its corner. */
function drawnOn(page: Page, item: string, how: 'ring' | StampName): Saying {
  const { x, y, width, height } = boxOf(page, findOn(page, item)!.item, PICTURES);
  const [midX, midY] = [x + width / 2, y + height / 2];
  const ring = Array.from({ length: 44 }, (_, i): PenPoint => {
    // A little more than once around, and not quite round, as a hand draws it.
    const [angle, away] = [i * 0.155 - 2.2, 1 + i / 300];
    return [midX + (width / 2 + 9) * away * Math.cos(angle), midY + (height / 2 + 8) * away * Math.sin(angle), 0.5];
  });
  const mark: InkMark =
    how === 'ring'
      ? strokeMark(ring, { colour: '#a8401f', weight: 2 })
      : { kind: 'stamp', stamp: how, x: x + width - 6, y: y + 2 };
  return { do: 'draw', ink: nanoid(), ...spotOf(page, mark, PICTURES), mark };
}

async function review(
  db: Database,
  { copyId, goId, teacherId }: { copyId: string; goId: string; teacherId: string },
  given: Pick<Piece, 'notes' | 'marks' | 'accepted' | 'ink'>,
  judged: { lookFor: string; held: boolean } | null,
  page?: Page,
) {
  const notes = (given.notes ?? []).map(([item, body]): Saying => ({
    do: 'note',
    note: nanoid(),
    page: 'page1',
    item,
    x: null,
    y: null,
    body,
  }));
  const marks = Object.entries(given.marks ?? {}).map(([row, level]): Saying => ({ do: 'mark', row, level }));
  const [item, reason] = given.accepted ?? [];
  const accepted = item ? [{ do: 'rule' as const, lookFor: 'labels', item, held: true, reason }] : [];
  const ink = page ? (given.ink ?? []).map(([item, how]) => drawnOn(page, item, how)) : [];
  const steps: Saying[] = [
    ...notes,
    ...ink,
    ...marks,
    ...accepted,
    ...(judged ? [{ do: 'rule' as const, ...judged }] : []),
  ];
  if (steps.length > 0) await sayOn(db, { copyId, goId, authorId: teacherId }, steps);
}

async function heronHandout(
  db: Database,
  clock: Clock,
  ids: { schoolId: string; teacherId: string; classId: string; sheetId: string },
) {
  const sheet = heronSheet();
  const lookFors: LookFor[] = [
    lookFor({ kind: 'name', id: 'name', title: 'Your name', tell: 'result', item: 'name' }),
    {
      kind: 'labels',
      id: 'labels',
      title: 'Every part has its name',
      tell: 'filled',
      spelling: 'near',
      ...keyOf(sheet)[0],
    },
    lookFor({ kind: 'words', id: 'why', title: 'A reason in at least 8 words', tell: 'result', item: 'why', min: 8 }),
    { kind: 'teacher', id: 'neat', title: 'Easy to read', tell: 'after' },
  ];
  const due = new Date(clock.now + 40 * HOUR);
  due.setUTCHours(14, 0, 0, 0);
  const id = await createHandout(
    db,
    {
      ...ids,
      sheet,
      lookFors,
      rubric: HERON_RUBRIC,
      supplies: [],
      title: 'Parts of the grey heron',
      dueAt: due,
      at: at(clock, 120),
      brief:
        'Name the parts of the heron: each line ends on the part it means.\nThen say in one sentence why its legs are so long.',
    },
    PICTURES,
  );
  for (const copy of await copiesOf(db, id)) {
    const piece = HERON_PIECES[copy.studentName];
    const student = new Student(db, copy, []);
    const fill = (words: Record<string, string>) => (now: Sheet) =>
      Object.entries(words)
        .filter(([, said]) => said)
        .map(([part, said]) => replaced(now, part === 'name' || part === 'why' ? part : labelOf(part), plain(said)));
    const minutes = piece.minutes ?? 10;
    const ended = piece.again ? (piece.ago ?? 24) + 24 : (piece.ago ?? 3);
    await student.work(fill(piece.words), at(clock, ended, -minutes), minutes, piece.pasted);
    if (piece.fate === 'not-begun' || piece.fate === 'under-way') continue;
    const go = await student.handIn(at(clock, ended));
    if (piece.fate === 'handed-in' && !piece.again) continue;
    await review(
      db,
      { copyId: copy.id, goId: go, teacherId: ids.teacherId },
      piece,
      piece.fate === 'done' ? { lookFor: 'neat', held: (piece.marks?.neat ?? 0) > 1 } : null,
      sheet.pages[0],
    );
    await returnGo(db, go, piece.fate === 'done' ? 'done' : 'another-go', at(clock, ended - 6));
    if (!piece.again) continue;
    await student.work(fill(piece.again), at(clock, piece.ago ?? 24, -8), 8);
    await student.handIn(at(clock, piece.ago ?? 24));
  }
  await heronGallery(db, id);
}

async function tideHandout(
  db: Database,
  clock: Clock,
  ids: { schoolId: string; teacherId: string; colleagueId: string; classId: string; sheetId: string },
) {
  const sheet = tideSheet();
  const supplies: Supply[] = ['text', 'picture', 'shape'];
  const lookFors: LookFor[] = [
    lookFor({ kind: 'name', id: 'name', title: 'Your name', tell: 'result', item: 'name' }),
    lookFor({
      kind: 'style',
      id: 'bold',
      title: 'The key sentence is bold',
      tell: 'result',
      role: 'key-sentence',
      bold: true,
      italic: null,
      colour: null,
    }),
    lookFor({
      kind: 'words',
      id: 'lives',
      title: 'How it lives, in at least 25 words',
      tell: 'result',
      item: 'lives',
      min: 25,
    }),
    lookFor({
      kind: 'points',
      id: 'facts',
      title: 'Three facts, each with a bullet',
      item: 'facts',
      min: 3,
      marked: true,
    }),
    lookFor({
      kind: 'items',
      id: 'pictures',
      title: 'At least two pictures, all different, with their credits',
      item: 'picture',
      min: 2,
      made: false,
      each: [{ is: 'credited' }],
      together: [{ is: 'different', in: 'kind' }],
    }),
    { kind: 'teacher', id: 'own', title: 'In your own words', tell: 'after' },
  ];
  const id = await createHandout(
    db,
    {
      ...ids,
      sheet,
      lookFors,
      rubric: TIDE_RUBRIC,
      supplies,
      title: 'Life between the tides',
      dueAt: at(clock, 20),
      at: at(clock, 150),
      brief:
        'Choose one creature that lives on the mudflat. Say what a mudflat is, give three facts, tell in your own words how your creature lives, and add pictures.',
    },
    PICTURES,
  );
  // Another teacher of the school reads some of it a second time.
  await setClassTeacher(db, { classId: ids.classId, personId: ids.colleagueId, rights: 'read', endsAt: null });
  await setSecondReader(db, id, ids.colleagueId);
  for (const copy of await copiesOf(db, id)) {
    const piece = TIDE_PIECES[copy.studentName];
    const student = new Student(db, copy, supplies);
    const ended = piece.ago ?? 4;
    // Gift was ill, and has more time than the others.
    if (copy.studentName === 'Gift Moyo') await extendCopies(db, id, [copy.id], at(clock, -96));
    const add = (item: string, x: number, y: number, size: number): Change => ({
      kind: 'insert',
      spot: { page: 'page1', group: null, behind: null },
      item: picture({
        id: `own-${item}-${x}`,
        picture: `flat/${item}`,
        touch: 'free',
        x,
        y,
        width: size,
        height: size,
        credit: 'Fluent Emoji, Microsoft',
      }),
    });
    await student.work(
      (now) => [
        ...(piece.name ? [replaced(now, 'name', plain(piece.name))] : []),
        ...(piece.what
          ? [
              replaced(now, 'what', [
                { format: {}, runs: [{ text: piece.what, style: piece.bold === false ? { bold: false } : {} }] },
              ]),
            ]
          : []),
        ...(piece.facts
          ? [
              replaced(
                now,
                'facts',
                piece.facts.map((fact) => ({ format: { list: 'bullet' as const }, runs: [{ text: fact, style: {} }] })),
              ),
            ]
          : []),
        ...(piece.lives ? [replaced(now, 'lives', plain(piece.lives))] : []),
        ...(piece.creature ? [add(piece.creature, 238, 580, 120)] : []),
        ...(piece.creature && (piece.facts?.length ?? 0) > 1
          ? [add('herb', 96, 640, 70), add('sun-with-face', 470, 440, 70)]
          : []),
      ],
      at(clock, ended, -25),
      25,
    );
    if (piece.fate === 'not-begun' || piece.fate === 'under-way') continue;
    const go = await student.handIn(at(clock, ended));
    if (piece.second) await secondly(db, { copyId: copy.id, goId: go, authorId: ids.colleagueId }, piece.second);
    if (piece.fate === 'handed-in') continue;
    await review(
      db,
      { copyId: copy.id, goId: go, teacherId: ids.teacherId },
      piece,
      piece.fate === 'done' ? { lookFor: 'own', held: true } : null,
    );
    await returnGo(db, go, piece.fate, at(clock, ended - 12));
  }
}

/** What the register of the school has of Curlew: an id for each, and for most where letters go. */
const curlewList = () => ({
  id: 'SAM-5C',
  students: CURLEW.map((name, i) => {
    const word = name.split(' ').at(-1)!.toLowerCase();
    return { name, id: `SAM-${2301 + i}`, ...(i % 5 !== 4 && { family: [`${word}.family@home.example`] }) };
  }),
});

/** What a second reader says on a go; with a word for the first, they have finished it. */
const secondly = (db: Database, sayer: Sayer, { word, marks }: NonNullable<TidePiece['second']>) =>
  saySecond(db, sayer, [
    ...Object.entries(marks).map(([row, level]) => ({ do: 'mark' as const, row, level })),
    ...(word === undefined ? [] : [{ do: 'finish' as const, word }]),
  ]);

type MadeHandout = {
  title: string;
  brief: string;
  sheet: Sheet;
  lookFors: LookFor[];
  /** What students made of it, by the version that they have. */
  pieces: (version: number) => readonly Answers[];
  versions?: readonly NewVersion[];
  supplies?: Supply[];
  hours: number;
  /** When what was read since goes back. */
  returnsAt?: Date;
};

/** A handout of what makers made, with the students' copies in every state. */
async function madeHandout(
  db: Database,
  clock: Clock,
  ids: { schoolId: string; teacherId: string; classId: string; sheetId: string },
  { pieces, hours, supplies = [], returnsAt, ...given }: MadeHandout,
): Promise<string> {
  const id = await createHandout(
    db,
    {
      ...ids,
      ...given,
      rubric: { rows: [] },
      supplies,
      deal: given.versions ? { seed: 1, groups: {}, students: {} } : null,
      dueAt: at(clock, -60),
      at: at(clock, hours),
    },
    PICTURES,
  );
  const held: { copyId: string; go: string; note: Answers['note'] }[] = [];
  for (const [i, copy] of (await copiesOf(db, id)).entries()) {
    const all = pieces(copy.version);
    const { fate, words, adds = [], note, ago } = all[i % all.length];
    if (fate === 'not-begun') continue;
    const student = new Student(db, copy, supplies);
    const first = copy.studentName.split(' ')[0];
    const said = Object.entries({ name: first, ...words }).filter(([, written]) => written);
    await student.work(
      (now) => [
        ...said.flatMap(([item, written]) => (find(now, item) ? [replaced(now, item, plain(written))] : [])),
        ...adds.map((item): Change => ({
          kind: 'insert',
          spot: { page: now.pages[0].id, group: null, behind: null },
          item,
        })),
      ],
      at(clock, ago, -14),
      14,
    );
    if (fate === 'under-way') continue;
    const go = await student.handIn(at(clock, ago));
    if (fate === 'handed-in') {
      if (note) held.push({ copyId: copy.id, go, note });
      continue;
    }
    await review(db, { copyId: copy.id, goId: go, teacherId: ids.teacherId }, { notes: note ? [note] : [] }, null);
    await returnGo(db, go, fate, at(clock, ago - 5));
  }
  const { title, brief } = given;
  const times = { opensAt: null, dueAt: at(clock, -60), closesAt: null };
  if (returnsAt) await changeHandout(db, id, { title, brief, ...times, returnsAt });
  for (const { copyId, go, note } of held) {
    await review(db, { copyId, goId: go, teacherId: ids.teacherId }, { notes: note ? [note] : [] }, null);
    await returnGo(db, go, 'done');
  }
  return id;
}

/** A word of the windows' task is mended, and the correction sent: those who have not handed in take it. */
async function mend(
  means: Workshop,
  teacher: { id: string },
  { sheetId, handoutId }: { sheetId: string; handoutId: string },
) {
  const { documentId } = (await sheetOf(means.db, teacher.id, sheetId))!;
  const { sheet, seq } = (await loadDocument(means.db, documentId))!;
  const changes = [replaced(sheet, 'task', windowMended)];
  const save = { documentId, authorId: teacher.id, base: seq, batch: 'seed-mended', changes };
  await saveChanges(means.db, save, () => null);
  const now = (await loadDocument(means.db, documentId))!;
  await sendCorrection(means, teacher, handoutId, { seq: [now.seq] });
}

/** What a student wrote at the parts of the crab: right but for some, and only so many of them. */
function crabWords(sheet: Sheet): Answers[] {
  const boxes = labelsOn(sheet.pages[0]).filter(({ item }) => item.blank);
  return CRAB_ANSWERS.map(({ wrong, filled, ...rest }) => ({
    ...rest,
    words: Object.fromEntries(boxes.slice(0, filled).map(({ item }, i) => [item.id, wrong[i] ?? bodyText(item.body)])),
  }));
}

type Around = {
  schoolId: string;
  teacherId: string;
  substituteId: string;
  classId: string;
  food: Sheet;
  sheetId: string;
};

/** What each of the three added to the food web that they work on together. */
const ADDED = ['ragworm eats algae', 'plover eats ragworms', 'falcon eats plovers'];

async function groupPiece(
  db: Database,
  clock: Clock,
  { food, members, ...ids }: Omit<Around, 'substituteId'> & { members: Awaited<ReturnType<typeof membersOf>> },
) {
  const groupId = await addGroup(db, ids.classId, TOGETHER.name);
  const those = members.filter(({ name }) => TOGETHER.members.includes(name)).map(({ id }) => id);
  await setGroup(db, { id: groupId, classId: ids.classId, name: TOGETHER.name }, those);
  const handout = await createHandout(
    db,
    {
      ...ids,
      sheet: food,
      only: { groups: [groupId], students: [] },
      together: true,
      title: 'Our food web',
      brief: 'Work on it together.',
      dueAt: at(clock, -70),
      lookFors: [lookFor({ kind: 'words', id: 'own', title: 'At least 9 words of your own', item: null, min: 9 })],
      steps: [
        { id: 'animals', text: 'Each of you adds an animal, and says what it eats.', lookFors: ['own'] },
        {
          id: 'what-if',
          text: 'What would happen if all the algae died? Draw it on paper, and add a photo of it.',
          lookFors: [],
        },
      ],
      rubric: { rows: [] },
      supplies: ['map', 'text', 'picture', 'page'],
      at: at(clock, 30),
    },
    PICTURES,
  );
  const [copy] = await copiesOf(db, handout);
  for (const [i, words] of ADDED.entries()) {
    const box = { x: 560, y: 128 + 42 * i, width: 190, height: 30 };
    const item = text({ id: `added-${i}`, role: 'body', touch: 'free', ...box, body: plain(words) });
    const change: Change = { kind: 'insert', spot: { page: food.pages[0].id, group: null, behind: null }, item };
    const save = { documentId: copy.documentId, authorId: those[i], base: i, batch: `added-${i}` };
    await saveChanges(db, { ...save, changes: [change], at: at(clock, 26, i * 4) }, () => null, copy.id);
  }
  // Who writes opens the next step by it.
  await setOpenSteps(db, copy.id, 2);
}

/** Groups, one of which gets something tomorrow; a substitute for two weeks; a class of last year. */
async function aroundClasses(db: Database, clock: Clock, { substituteId, food, ...ids }: Around) {
  const { schoolId, teacherId, classId } = ids;
  const members = await membersOf(db, classId);
  const groups: string[] = [];
  for (const [name, names] of Object.entries(GROUPS)) {
    const id = await addGroup(db, classId, name);
    groups.push(id);
    const of = members.filter((member) => names.includes(member.name)).map((member) => member.id);
    await setGroup(db, { id, classId, name }, of);
  }
  await groupPiece(db, clock, { ...ids, food, members });
  await setClassTeacher(db, { classId, personId: substituteId, rights: 'read', endsAt: at(clock, -14 * 24) });
  const dunlin = await addClass(db, { schoolId, teacherId, name: 'Dunlin', code: 'DNLN6' });
  for (const name of DUNLIN) await addStudent(db, { schoolId, classId: dunlin, name });
  await archiveClass(db, dunlin, at(clock, 120 * 24));
  const opensAt = at(clock, -20);
  opensAt.setUTCMinutes(0, 0, 0);
  await createHandout(
    db,
    {
      ...ids,
      sheet: food,
      only: { groups: [groups[1]], students: [] },
      title: 'Who eats whom?',
      brief: 'Read the map from the sun outwards. Then add one more animal that you have seen on the marsh.',
      opensAt,
      dueAt: new Date(+opensAt + 5 * 24 * HOUR),
      lookFors: [],
      rubric: { rows: [] },
      supplies: ['map', 'text', 'picture'],
      limits: { picture: 3 },
      at: at(clock, 2),
    },
    PICTURES,
  );
}

/** A teacher's photos on their shelf, and a poster made of them. */
async function curlewPoster(db: Database, owner: { schoolId: string; ownerId: string }): Promise<Sheet> {
  const credit = 'photo by Maren Oduya';
  const [mud, sky] = [await curlewPhoto('on the mud'), await curlewPhoto('against the sky')];
  const keep = async (bytes: Buffer, name: string) => {
    const read = await readIn(bytes, name, owner.ownerId);
    await keepPicture(db, owner, read);
    return read.drawn.id;
  };
  const ids = { mud: await keep(mud, 'curlew on the mud'), sky: await keep(sky, 'curlew against the sky') };
  await changeShelf(db, owner.ownerId, Object.values(ids), { section: 'Birds', credit });
  const clear = ({ drawn, bytes, recipe }: Parameters<Parameters<typeof clearPicture>[0]['clear']>[0]) =>
    clearedPicture(drawn, bytes, recipe);
  await clearPicture({ db, clear }, { ...owner, role: 'teacher' }, { picture: ids.sky, recipe: AWAY });
  const { data, info } = await sharp(mud).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return curlewSheet(ids, credit, (x, y) => {
    const at = (Math.floor(y * info.height) * info.width + Math.floor(x * info.width)) * 3;
    return hexOf([data[at], data[at + 1], data[at + 2]]);
  });
}

/** @returns whether there was anything to do: a database that holds a school is left alone. */
export async function seed(db: Database, now = Date.now()): Promise<boolean> {
  if (!(await isEmptyHouse(db))) {
    if ((await demoDoors(db)).length > 0) return false;
    throw new StartProblem(
      'This database holds a school that is not the demo’s: nothing was put into it. Give the demo a place of its own with DATA_DIR,\n' +
        'or start your school without the demo: npm start.',
    );
  }
  const clock = { now };
  const schoolId = await addSchool(db, SCHOOL);
  const [teacherId, colleagueId, substituteId] = await Promise.all(
    TEACHERS.map(({ name, email, password }, i) =>
      addPerson(db, { schoolId, role: 'teacher', name, email, secret: password, head: i === 0 }),
    ),
  );
  const secretHash = await hashSecret(SECRET);
  const curlew = await addClass(db, { schoolId, teacherId, name: 'Curlew', code: DEMO_CLASS });
  const avocet = await addClass(db, { schoolId, teacherId, name: 'Avocet', code: 'AVCT4' });
  for (const name of CURLEW) await addStudent(db, { schoolId, classId: curlew, name, secretHash });
  await keepListed(db, curlew, curlewList());
  for (const name of AVOCET) await addStudent(db, { schoolId, classId: avocet, name, secretHash });
  const make = (ownerId: string, purpose: Parameters<typeof createSheet>[1]['purpose'], sheet: Sheet) =>
    createSheet(db, { schoolId, ownerId, purpose, sheet });
  for (const [body, about, shared] of PHRASES) {
    const phrase = newId();
    await keepPhrase(db, teacherId, { id: phrase, body, about });
    if (shared) await changePhrase(db, teacherId, phrase, { shared });
  }
  for (const body of COLLEAGUES_PHRASES) {
    const phrase = newId();
    await keepPhrase(db, substituteId, { id: phrase, body, about: [] });
    await changePhrase(db, substituteId, phrase, { shared: true });
  }
  await make(teacherId, 'poster', await curlewPoster(db, { schoolId, ownerId: teacherId }));
  await make(teacherId, 'poster', nestPoster());
  await make(teacherId, 'poster', nightPoster());
  await make(teacherId, 'poster', marshOverview());
  const shelf = await Shelf.open();
  const { resources } = shelf;
  await make(teacherId, 'worksheet', await marshUnit(resources));
  const food = await foodSheet(resources);
  const sums = await sumsSheet(resources);
  const sumsId = await make(teacherId, 'worksheet', sums);
  const foodId = await make(teacherId, 'map', food);
  const tide = await make(teacherId, 'worksheet', tideSheet());
  const heron = await make(teacherId, 'diagram', heronSheet());
  const counts = await countsSheet(resources);
  const crab = await crabSheet(resources);
  const countsId = await make(teacherId, 'worksheet', counts);
  const crabId = await make(teacherId, 'diagram', crab);
  const glass = windowSheet();
  const glassId = await make(teacherId, 'worksheet', glass);
  await make(colleagueId, 'map', { ...food, title: 'Food map for the older ones' });
  const avocets = { schoolId, teacherId, classId: avocet };
  await madeHandout(
    db,
    clock,
    { ...avocets, sheetId: crabId },
    {
      title: crab.title,
      brief: 'Write the name of each part at the end of its line. The box has the words, and two that belong nowhere.',
      sheet: crab,
      lookFors: crabLookFors(crab),
      pieces: () => crabWords(crab),
      hours: 230,
    },
  );
  await madeHandout(
    db,
    clock,
    { ...avocets, sheetId: countsId },
    {
      title: counts.title,
      brief: 'Read the chart: how many of each bird did we count?',
      sheet: counts,
      lookFors: countsLookFors(),
      pieces: () => COUNTS_ANSWERS,
      hours: 190,
      returnsAt: dayAfter(clock),
    },
  );
  const windows = await madeHandout(
    db,
    clock,
    { ...avocets, sheetId: glassId },
    {
      title: glass.title,
      brief: 'Build a window of at least eight panes, and sign it. Go through the list one by one.',
      sheet: glass,
      lookFors: windowLookFors(glass),
      pieces: () => windowPieces(AVOCET),
      supplies: ['shape', 'text'],
      hours: 120,
    },
  );
  await mend(workshop(db, shelf), { id: teacherId }, { sheetId: glassId, handoutId: windows });
  const versions = await versionsOf(sums, 2, resources);
  await madeHandout(
    db,
    clock,
    { ...avocets, sheetId: sumsId },
    {
      title: sums.title,
      brief: 'Work out each sum. Your neighbour has others.',
      sheet: sums,
      versions: versions.map(({ offset, sheet }) => ({ sheetId: null, seedsOn: offset, sheet })),
      lookFors: sumsLookFors(sums),
      pieces: (version) => sumsWords(version === 0 ? sums : versions[version - 1].sheet),
      hours: 48,
    },
  );
  await heronHandout(db, clock, { schoolId, teacherId, classId: curlew, sheetId: heron });
  await tideHandout(db, clock, { schoolId, teacherId, colleagueId, classId: avocet, sheetId: tide });
  await aroundClasses(db, clock, { schoolId, teacherId, substituteId, classId: curlew, food, sheetId: foodId });
  return true;
}

/** Throws the demo's data away, unless a program runs on it. */
function startOver(dataDir: string): void {
  if (process.env.DATABASE_URL)
    throw new StartProblem('--fresh starts only the embedded database over. Empty the one at DATABASE_URL yourself.');
  const unlock = lockDirectory(dataDir);
  rmSync(path.join(dataDir, 'pglite'), { recursive: true, force: true });
  unlock();
}

if (process.argv[1] && path.basename(process.argv[1]) === 'seed.js') {
  try {
    const begun = Date.now();
    const dataDir = path.resolve(projectRoot(), process.env.DATA_DIR ?? 'data');
    if (process.argv.includes('--fresh')) startOver(dataDir);
    const db = await openDatabase({
      databaseUrl: process.env.DATABASE_URL || undefined,
      dataDir,
    });
    const done = await seed(db);
    await db.close();
    console.log(
      done
        ? `the demo school is there (${((Date.now() - begun) / 1000).toFixed(1)} s)`
        : 'the demo school was there already',
    );
  } catch (error) {
    console.error(error instanceof StartProblem ? error.message : error);
    process.exit(1);
  }
}
