import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import type { LookFor } from '../../core/lookfors/all';
import { begun, lookFor } from '../../core/lookfors/all';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import type { TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { bodyText } from '../../core/text/body';
import type { Database } from '../database/connection';
import { copiesOf } from '../stores/copies';
import { goesOf, returnGo } from '../stores/goes';
import { loadDocument } from '../stores/documents';
import { addPerson } from '../stores/people';
import { sayOn } from '../stores/reviews';
import { createSheet } from '../stores/sheets';
import { copyView } from '../views/copy-view';
import { handOutView } from '../views/hand-out-view';
import { doWithCopy } from './hand-in';
import { handOut } from './hand-out';
import { saveWork } from './save-changes';
import { triedOn } from './try-on';

/** Look-fors tried on pieces, counted with people's names, and with the points that they bring. */

const tides = sheet({
  title: 'Tides',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'sum', x: 40, y: 40, touch: 'fill', blank: true, body: plain('12') }),
        text({ id: 'sum-2', x: 40, y: 90, touch: 'fill', blank: true, body: plain('21') }),
        text({ id: 'own', x: 40, y: 200, width: 300, height: 80, touch: 'fill' }),
      ],
    }),
  ],
});
const spelt = lookFor({ kind: 'spelt', id: 'spelt', item: 'own', most: 0, points: 2 });
const answers = { ...(begun('answers', tides, 'sums') as LookFor), tell: 'filled', points: 4, partly: true } as LookFor;
const judged = lookFor({ kind: 'teacher', id: 'neat', tell: 'after', points: 1 });

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  let oksana: { id: string; schoolId: string; name: string };
  let stranger: { id: string; name: string };
  let sheetId: string;
  let handoutId: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    teacher = school.teacher;
    oksana = await school.pupil('Oksana Brzęk');
    await school.pupil('Tadhg Quill');
    const { schoolId } = school;
    const id = await addPerson(db, { schoolId, role: 'teacher', name: 'Zebedee', email: 'z@school.example' });
    stranger = { id, name: 'Zebedee' };
    sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: tides });
    [handoutId] = await handOut(school.means, teacher, sheetId, school.asked({ lookFors: [spelt, answers, judged] }));
  });
  afterAll(() => db.close());

  const copyOf = (who: { id: string }) => school.copy(handoutId, who.id);
  let batches = 0;
  async function write(words: Record<string, string>) {
    const copy = await copyOf(oksana);
    const document = (await loadDocument(db, copy.documentId))!;
    const changes = Object.entries(words).map(([id, said]): Change => {
      const { body } = find(document.sheet, id)!.item as TextItem;
      return { kind: 'splice', id, at: 0, remove: bodyText(body).length, insert: plain(said) };
    });
    const saved = await saveWork(school.means, oksana, copy.documentId, {
      base: document.seq,
      batch: `try-on-${++batches}`,
      changes,
    });
    return (saved as Extract<typeof saved, { outcome: 'saved' }>).results!.map((result) => result?.held);
  }

  test('names of the class and of teachers are spelt right, and nobody else’s', async () => {
    expect((await write({ own: 'Tadhg’s crab pinched Zebedee' }))[0]).toBe(true);
    expect((await write({ own: 'Tadgh’s crab pinched Zebedee' }))[0]).toBe(false);
    expect((await write({ own: 'Brzęk saw Tadhg', sum: '12', 'sum-2': '20' }))[0]).toBe(true);
  });

  test('pieces that were begun are offered with the sheet, and only to those who teach the class', async () => {
    const { piecesBefore } = await handOutView(db, teacher, sheetId);
    const { id } = await copyOf(oksana);
    expect(piecesBefore.map(({ pieces }) => pieces)).toEqual([[{ id, name: 'Oksana Brzęk' }]]);
    const piece = await triedOn({ db }, teacher, { on: 'piece', id });
    expect(piece.name).toBe('Oksana Brzęk');
    expect(bodyText((find(piece.sheet, 'own')!.item as TextItem).body)).toBe('Brzęk saw Tadhg');
    expect(bodyText((find(piece.handedOut, 'sum')!.item as TextItem).body)).toBe('');
    for (const who of [stranger, oksana])
      expect(await why(triedOn({ db }, who, { on: 'piece', id }))).toMatch(/can’t open it|not there/);
  });

  test('an example is the teacher’s own', async () => {
    const example = await triedOn({ db }, teacher, { on: 'example', id: sheetId });
    expect(bodyText((find(example.sheet, 'sum')!.item as TextItem).body)).toBe('12');
    expect(await why(triedOn({ db }, stranger, { on: 'example', id: sheetId }))).toMatch(/can’t open it|not there/);
  });

  test('what was handed in is what they are tried on, and a returned piece says the points it brought', async () => {
    const { id, documentId } = await copyOf(oksana);
    const { seq } = (await loadDocument(db, documentId))!;
    await doWithCopy(school.means, oksana, id, { do: 'hand-in', seq });
    const [go] = await goesOf(db, id);
    const piece = await triedOn({ db }, teacher, { on: 'piece', id });
    expect(piece.sheet).toEqual(go.sheet);
    expect((await copyView(school.means, oksana, id)).damage).toBeNull();
    await returnGo(db, go.id, 'another-go');
    const marksNow = async () => {
      const view = await copyView(school.means, oksana, id);
      return 'marks' in view ? view.marks : null;
    };
    // Half of the answers are right; what only the teacher judges is open.
    expect(await marksNow()).toMatchObject({ sum: { got: 4, of: 7, open: 1 } });
    // Work on the next go changes nothing of what the last one brought.
    await write({ own: 'Nonsens', sum: '' });
    expect(await marksNow()).toMatchObject({ sum: { got: 4, of: 7, open: 1 } });
  });

  test('a teacher’s rulings decide what a look-for brings', async () => {
    const { id } = await copyOf(oksana);
    const ruled = { do: 'rule' as const, lookFor: 'neat', held: true };
    const { documentId } = await copyOf(oksana);
    const { seq } = (await loadDocument(db, documentId))!;
    await doWithCopy(school.means, oksana, id, { do: 'hand-in', seq });
    const go = (await goesOf(db, id)).at(-1)!;
    await sayOn(db, { copyId: id, goId: go.id, authorId: teacher.id }, [ruled]);
    await returnGo(db, go.id, 'done');
    const view = await copyView(school.means, oksana, id);
    // No answer but one is right, and a word is misspelt: half of one of two, and the teacher's own.
    expect('marks' in view && view.marks?.sum).toEqual({ got: 1, of: 7, open: 0 });
    expect((await copiesOf(db, handoutId)).some(({ state }) => state === 'done')).toBe(true);
  });
});
