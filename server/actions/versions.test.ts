import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { madeFrom, testKit } from '../../tests/support/made';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import { givenOut } from '../../core/handout/copy';
import { begun } from '../../core/lookfors/all';
import { beginPractice } from '../../core/makers/practice/begin';
import { group, page, plain, sheet, text } from '../../core/schema/defaults';
import type { GroupItem, Sheet, TextItem } from '../../core/schema/sheet';
import { everyItem, find } from '../../core/sheet/tree';
import { bodyText } from '../../core/text/body';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { loadDocument, saveChanges } from '../stores/documents';
import { handoutById, asVersion } from '../stores/handouts';
import { addPerson } from '../stores/people';
import { createSheet, sheetOf } from '../stores/sheets';
import { correctionView } from '../views/correction-view';
import { handOutView } from '../views/hand-out-view';
import { readingView } from '../views/reading-view';
import { spreadView } from '../views/spread-view';
import { addStudentsTo } from './classes';
import { sendCorrection } from './correct';
import { HandingOut, handOut } from './hand-out';
import { doWithCopy } from './hand-in';
import { saveWork } from './save-changes';
import { LookingAt, versionsShown } from './versions';

/** Versions: a practice sheet made again for neighbours, and other sheets for those who work on something else. */

const NAMES = ['Ada', 'Ben', 'Cai', 'Dee', 'Eli', 'Flo', 'Gus'];

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  let stranger: { id: string; schoolId: string };
  let practice: GroupItem;
  let sheetId: string;
  const task = text({ id: 'task', y: 4, body: plain('Add the numbres.') });
  const sums = () => sheet({ title: 'Sums', pages: [page({ id: 'p', items: [task, practice] })] });
  const other = (words: string) =>
    sheet({
      title: words,
      pages: [
        page({
          id: 'p',
          items: [text({ id: 'task', body: plain(words) }), text({ id: `own-${words}`, touch: 'fill', prompt: '?' })],
        }),
      ],
    });
  const store = (made: Sheet, ownerId = teacher.id) =>
    createSheet(db, { schoolId: school.schoolId, ownerId, purpose: 'worksheet', sheet: made });
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { id: school.teacherId, schoolId, name: 'T' };
    stranger = { id: await addPerson(db, { schoolId, role: 'teacher', name: 'S' }), schoolId };
    for (const name of NAMES) await school.student(name);
    const made = await madeFrom('practice', beginPractice('sums'), await testKit(), { width: 552, height: 600 });
    practice = group({ ...made.group, y: 60 });
  });
  afterAll(() => db.close());
  beforeEach(async () => {
    sheetId = await store(sums());
  });

  const inTurn = { seed: 4, groups: {}, students: {} };
  const made = (count: number, deal: object = inTurn) => ({ from: { kind: 'made', count }, deal });
  const chosen = (ids: string[], deal: object = inTurn) => ({ from: { kind: 'sheets', ids }, deal });
  const answers = () => begun('answers', sums(), 'answers');
  const out = (versions: unknown, lookFors: unknown[] = []) =>
    handOut(school.means, teacher, sheetId, school.asked({ again: true, versions, lookFors } as object));
  const onCopy = async (documentId: string) => (await loadDocument(db, documentId))!.sheet;
  const mend = async (id: string, ...changes: Change[]) => {
    const { documentId } = (await sheetOf(db, teacher.id, id))!;
    const { seq: base } = (await loadDocument(db, documentId))!;
    const batch = `m-${id}-${base}`;
    const saved = await saveChanges(db, { documentId, authorId: teacher.id, base, batch, changes }, () => null);
    return (saved as { seq: number }).seq;
  };
  const reworded: Change = { kind: 'splice', id: 'task', at: 12, remove: 3, insert: plain('ers') };
  const blanks = (of: Sheet) =>
    everyItem(of).filter((item): item is TextItem => item.kind === 'text' && Boolean(item.blank));

  test('are dealt in equal parts; each has its own sums and its own key, counted in one spread', async () => {
    const [id] = await out(made(3), [answers()]);
    const handout = (await handoutById(db, id))!;
    const copies = await copiesOf(db, id);
    expect([0, 1, 2].map((n) => copies.filter(({ version }) => version === n).length).sort()).toEqual([2, 2, 3]);
    for (const copy of copies)
      expect(JSON.stringify(await onCopy(copy.documentId))).toContain(
        JSON.stringify(find(asVersion(handout, copy.version).given, practice.id)!.item).slice(0, 200),
      );
    const given = [0, 1, 2].map((n) => JSON.stringify(asVersion(handout, n).given));
    expect(new Set(given).size).toBe(3);
    // Who fills in everything right holds, on whichever version; with the answers of another version nobody does.
    for (const n of [0, 1, 2]) {
      const copy = copies.find(({ version }) => version === n)!;
      const right = blanks(asVersion(handout, n).sheet);
      const fill = (from: TextItem[]): Change[] =>
        right.map(({ id: item }, i) => ({
          kind: 'splice',
          id: item,
          at: 0,
          remove: 0,
          insert: plain(bodyText(from[i].body)),
        }));
      const person = { id: copy.studentId, name: copy.studentName, schoolId: school.schoolId };
      const changes = fill(n === 2 ? blanks(asVersion(handout, 0).sheet) : right);
      expect(
        (await saveWork(school.means, person, copy.documentId, { base: 0, batch: `fill-${n}`, changes })).outcome,
      ).toBe('saved');
    }
    const { cards, handout: shown } = await spreadView(school.means, teacher, id);
    const held = (n: number) => cards.find(({ version, state }) => version === n && state !== 'not-begun')!.held;
    expect([held(0), held(1), held(2)]).toEqual([1, 1, 0]);
    expect(shown.versions).toBe(3);
    const second = copies.find(({ version }) => version === 1)!;
    const read = await readingView(school.means, teacher, { handoutId: id, copyId: second.id }, 0);
    expect(read.copy.version).toBe(1);
    expect(read.key).toEqual(asVersion(handout, 1).sheet);
  });

  test('can be chosen sheets, dealt by hand; a late joiner gets what the fewest have', async () => {
    const easy = await store(other('Easy'));
    const copiesBefore = await school.student('Hal');
    const [id] = await out(chosen([easy], { seed: 1, groups: {}, students: { [copiesBefore]: 1 } }));
    const copies = await copiesOf(db, id);
    const hal = copies.find(({ studentId }) => studentId === copiesBefore)!;
    expect(hal.version).toBe(1);
    expect(await onCopy(hal.documentId)).toEqual(givenOut(other('Easy')));
    const had = [0, 1].map((n) => copies.filter(({ version }) => version === n).length);
    await addStudentsTo(school.means, teacher, { classId: school.classId, names: [`Late ${id}`] });
    const late = (await copiesOf(db, id)).find(({ studentName }) => studentName === `Late ${id}`)!;
    expect(late.version).toBe(had[0] <= had[1] ? 0 : 1);
  });

  test('a correction goes to all that are made again, with each student’s work left alone', async () => {
    const [id] = await out(made(3), [answers()]);
    const before = (await handoutById(db, id))!;
    const copies = await copiesOf(db, id);
    const written = copies.find(({ version }) => version === 1)!;
    const [first] = blanks(asVersion(before, 1).sheet);
    const person = { id: written.studentId, name: written.studentName, schoolId: school.schoolId };
    const typed: Change = { kind: 'splice', id: first.id, at: 0, remove: 0, insert: plain('7') };
    await saveWork(school.means, person, written.documentId, { base: 0, batch: 'typed', changes: [typed] });
    const handedIn = copies.find(({ version }) => version === 2)!;
    const whose = { id: handedIn.studentId, name: handedIn.studentName, schoolId: school.schoolId };
    await doWithCopy(school.means, whose as never, handedIn.id, { do: 'hand-in', seq: 0 });
    const seq = await mend(sheetId, reworded);
    const seen = await correctionView(school.means, teacher, id);
    expect(seen.versions.map(({ differences }) => differences.map(({ kinds }) => kinds))).toEqual([
      [['reworded']],
      [['reworded']],
      [['reworded']],
    ]);
    expect(seen.seq).toBe(String(seq));
    expect(await sendCorrection(school.means, teacher, id, { seq: [seq] })).toBe(copies.length - 1);
    for (const copy of copies) {
      const now = await onCopy(copy.documentId);
      const words = bodyText((find(now, 'task')!.item as TextItem).body);
      expect(words).toBe(copy === handedIn ? 'Add the numbres.' : 'Add the numbers.');
    }
    expect(bodyText((find(await onCopy(written.documentId), first.id)!.item as TextItem).body)).toBe('7');
    const after = (await handoutById(db, id))!;
    // The sums of each are the ones that its students have.
    for (const n of [0, 1, 2])
      expect(blanks(asVersion(after, n).sheet).map(({ body }) => bodyText(body))).toEqual(
        blanks(asVersion(before, n).sheet).map(({ body }) => bodyText(body)),
      );
    expect((await spreadView(school.means, teacher, id)).handout.isChanged).toBe(false);
  });

  test('a correction of chosen sheets goes to those who have them; one that is gone stays as it was', async () => {
    const [easy, hard] = [await store(other('Easy')), await store(other('Hard'))];
    const [id] = await out(chosen([easy, hard]));
    await mend(easy, { kind: 'splice', id: 'task', at: 4, remove: 0, insert: plain(' sums') });
    expect((await spreadView(school.means, teacher, id)).handout.isChanged).toBe(true);
    await db.query('update handout_version set sheet_id = null where sheet_id = $1', [hard]);
    const { seq, versions } = await correctionView(school.means, teacher, id);
    expect(versions.map(({ differs }) => differs)).toEqual([false, true, false]);
    await sendCorrection(school.means, teacher, id, { seq: seq.split(',').map(Number) });
    for (const { documentId, version } of await copiesOf(db, id))
      expect(bodyText((find(await onCopy(documentId), 'task')!.item as TextItem).body)).toBe(
        ['Add the numbres.', 'Easy sums', 'Hard'][version],
      );
  });

  test('are shown before they are handed out, just as they will be', async () => {
    const looking = LookingAt.parse({ from: { kind: 'made', count: 3 }, lookFors: [] });
    const shown = await versionsShown(school.means, teacher, sheetId, looking);
    const handout = (await handoutById(db, (await out(made(3)))[0]))!;
    expect(shown).toEqual([1, 2].map((n) => asVersion(handout, n).sheet));
    const view = await handOutView(db, teacher, sheetId);
    expect(view.varies).toBe(true);
    expect(view.otherSheets.map(({ id }) => id)).not.toContain(sheetId);
  });

  test('are refused in words: somebody else’s sheet, one twice, an empty one, nothing that varies, too many, a look-for that fits one only', async () => {
    const theirs = await store(other('Theirs'), stranger.id);
    const easy = await store(other('Easy'));
    const bare = await store(sheet({ title: 'Bare' }));
    expect(await why(out(chosen([theirs])))).toMatch(/^404/);
    expect(await why(out(chosen([easy, easy])))).toMatch(/^422 One sheet is chosen twice/);
    expect(await why(out(chosen([bare])))).toMatch(/^422 “Bare” is empty/);
    expect(await why(out(chosen([easy]), [answers()]))).toMatch(/^422 “.*” can’t be counted on version B, “Easy”/);
    const looking = LookingAt.parse({ from: { kind: 'made', count: 2 }, lookFors: [] });
    expect(await why(versionsShown(school.means, teacher, easy, looking))).toMatch(/^422 Nothing on this sheet/);
    expect(await why(versionsShown(school.means, stranger, sheetId, looking))).toMatch(/^404/);
    expect(HandingOut.safeParse({ versions: chosen([]) }).error?.message).toMatch(/at least one more sheet/);
    expect(HandingOut.safeParse({ versions: made(9) }).error).toBeDefined();
  });
});
