import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import { saidNote } from '../../tests/support/said';
import { sampleSheet } from '../../tests/support/sheets';
import type { Change } from '../../core/changes/change';
import { find } from '../../core/sheet/tree';
import type { Database } from '../database/connection';
import type { ClassCopy } from './copies';
import { goesOf, handIn, markSeen, recall, returnGo, takeBack } from './goes';
import { loadDocument } from './documents';
import { notesOf, sayOn } from './reviews';

/** Two who act on one copy at the same moment: whatever the order, nothing that was acknowledged is lost. */

const TURNS = 12;
const moved = (x: number): Change => ({ kind: 'set', id: 'box', values: { x } });
const xOf = (sheet: Parameters<typeof find>[0]) => (find(sheet, 'box')!.item as { x: number }).x;

describe.each(DATABASES)('at the same moment, on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handout: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    for (let i = 0; i < TURNS; i++) await school.student(`Student ${i}`);
    handout = '';
  });
  afterAll(() => db.close());

  /** Runs a race on a fresh copy for each turn, the second runner starting a little later each time. */
  async function races(
    work: (copy: ClassCopy, turn: number, pause: () => Promise<void>) => Promise<void>,
    handedIn = false,
  ): Promise<void> {
    handout = await school.handOut(sampleSheet());
    const copies = await db.query<{ id: string; documentId: string; studentId: string }>(
      'select id, document_id as "documentId", student_id as "studentId" from copy where handout_id = $1',
      [handout],
    );
    for (const [turn, copy] of copies.entries()) {
      if (handedIn) expect(await handIn(db, copy, 0)).toEqual({ ok: true });
      const pause = async () => {
        for (let i = 0; i < turn; i++) await Promise.resolve();
        if (turn % 3 === 2) await new Promise(setImmediate);
      };
      await work(copy as ClassCopy, turn, pause);
    }
  }
  const newestGo = async (copy: ClassCopy) => (await goesOf(db, copy.id)).at(-1);

  test('what is said to be saved is in the piece that is handed in', () =>
    races(async (copy, turn, pause) => {
      expect(await school.save(copy, 0, [moved(1)])).toMatchObject({ outcome: 'saved' });
      const [saved, given] = await Promise.all([
        school.save(copy, 1, [moved(100 + turn)]),
        pause().then(() => handIn(db, copy, 1)),
      ]);
      const go = await newestGo(copy);
      expect([saved.outcome === 'saved', given.ok].filter(Boolean)).toHaveLength(1);
      if (given.ok) expect(xOf(go!.sheet)).toBe(1);
      else expect(xOf((await loadDocument(db, copy.documentId))!.sheet)).toBe(100 + turn);
    }));

  test('handing in twice makes one go', () =>
    races(async (copy, _turn, pause) => {
      const both = await Promise.all([handIn(db, copy, 0), pause().then(() => handIn(db, copy, 0))]);
      expect(both.filter(({ ok }) => ok)).toHaveLength(1);
      expect(await goesOf(db, copy.id)).toHaveLength(1);
    }));

  test('taking back and a first note: either the note stays with its piece, or it was not taken', () =>
    races(async (copy, _turn, pause) => {
      const go = (await newestGo(copy))!;
      const teacher = { copyId: copy.id, goId: go.id, authorId: school.teacherId };
      const steps = [saidNote(`note-${go.id}`.slice(0, 40))];
      const [back, taken] = await Promise.all([takeBack(db, copy.id), pause().then(() => sayOn(db, teacher, steps))]);
      expect(back.ok).toBe(!taken);
      expect(await notesOf(db, [go.id])).toHaveLength(taken ? 1 : 0);
    }, true));

  test('taking back and returning: one of them', () =>
    races(async (copy, _turn, pause) => {
      const go = (await newestGo(copy))!;
      const both = await Promise.all([takeBack(db, copy.id), pause().then(() => returnGo(db, go.id, 'done'))]);
      expect(both.filter(({ ok }) => ok)).toHaveLength(1);
      const [{ state }] = await db.query<{ state: string }>('select state from copy where id = $1', [copy.id]);
      expect(state).toBe(both[0].ok ? 'under-way' : 'done');
    }, true));

  test('returning twice: once, with one outcome', () =>
    races(async (copy, _turn, pause) => {
      const go = (await newestGo(copy))!;
      const both = await Promise.all([
        returnGo(db, go.id, 'done'),
        pause().then(() => returnGo(db, go.id, 'another-go')),
      ]);
      expect(both.filter(({ ok }) => ok)).toHaveLength(1);
      expect((await newestGo(copy))!.outcome).toBe(both[0].ok ? 'done' : 'another-go');
    }, true));

  test('recalling and a student who opens it: it is gone without a trace, or it is theirs until a word is said', () =>
    races(async (copy, turn, pause) => {
      await returnGo(db, (await newestGo(copy))!.id, turn % 2 ? 'done' : 'another-go');
      const [back] = await Promise.all([
        recall(db, copy.id, null),
        pause().then(() => markSeen(db, copy.studentId, copy.id)),
      ]);
      const go = (await newestGo(copy))!;
      expect(go.returnedAt === null).toBe(back.ok);
      expect(go.seenAt !== null).toBe(!back.ok);
      expect('unsaid' in back).toBe(!back.ok);
      expect(await recall(db, copy.id, 'I forgot the back')).toMatchObject({ ok: !back.ok });
      expect((await newestGo(copy))!.recalled).toBe(back.ok ? null : 'I forgot the back');
    }, true));

  test('recalling and a student who goes on: what is said to be saved is there, and what is taken back was not gone on with', () =>
    races(async (copy, turn, pause) => {
      await returnGo(db, (await newestGo(copy))!.id, 'another-go');
      await markSeen(db, copy.studentId, copy.id);
      const [back, saved] = await Promise.all([
        recall(db, copy.id, 'Wait'),
        pause().then(() => school.save(copy, 0, [moved(turn + 5)])),
      ]);
      expect(saved.outcome === 'saved').toBe(!back.ok);
      if (saved.outcome === 'saved') expect(xOf((await loadDocument(db, copy.documentId))!.sheet)).toBe(turn + 5);
    }, true));

  test('saving and returning as done: nothing is written to a copy that is done', () =>
    races(async (copy, turn, pause) => {
      const go = (await newestGo(copy))!;
      const [saved, given] = await Promise.all([
        school.save(copy, 0, [moved(turn + 5)]),
        pause().then(() => returnGo(db, go.id, turn % 2 ? 'done' : 'another-go')),
      ]);
      expect(given).toEqual({ ok: true });
      if (turn % 2) expect(saved).toEqual({ outcome: 'shut' });
      else expect(['shut', 'saved', 'behind']).toContain(saved.outcome);
      const { sheet } = (await loadDocument(db, copy.documentId))!;
      if (saved.outcome === 'saved') expect(xOf(sheet)).toBe(turn + 5);
    }, true));

  test('saving and taking back: what is said to be saved is there', () =>
    races(async (copy, turn, pause) => {
      const [back, saved] = await Promise.all([
        takeBack(db, copy.id),
        pause().then(() => school.save(copy, 0, [moved(turn + 5)])),
      ]);
      expect(back).toEqual({ ok: true });
      expect(['shut', 'saved', 'behind']).toContain(saved.outcome);
      if (saved.outcome === 'saved') expect(xOf((await loadDocument(db, copy.documentId))!.sheet)).toBe(turn + 5);
    }, true));

  test('two windows that save: one is told to put its own on top', () =>
    races(async (copy, turn, pause) => {
      const both = await Promise.all([
        school.save(copy, 0, [moved(turn + 1)]),
        pause().then(() => school.save(copy, 0, [moved(turn + 50)])),
      ]);
      expect(both.map(({ outcome }) => outcome).sort()).toEqual(['behind', 'saved']);
      const { seq, sheet } = (await loadDocument(db, copy.documentId))!;
      expect(seq).toBe(1);
      expect(xOf(sheet)).toBe(both[0].outcome === 'saved' ? turn + 1 : turn + 50);
    }));

  test('two rows of a rubric marked in two windows: both stay', () =>
    races(async (copy, turn, pause) => {
      const go = (await newestGo(copy))!;
      const teacher = { copyId: copy.id, goId: go.id, authorId: school.teacherId };
      const mark = (row: string, level: number | null) => sayOn(db, teacher, [{ do: 'mark', row, level }]);
      await Promise.all([mark('one', turn % 4), pause().then(() => mark('two', 1))]);
      expect((await newestGo(copy))!.marks).toEqual({ one: turn % 4, two: 1 });
      await mark('one', null);
      expect((await newestGo(copy))!.marks).toEqual({ two: 1 });
    }, true));
});
