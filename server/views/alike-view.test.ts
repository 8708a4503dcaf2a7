import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import type { Change } from '../../core/changes/change';
import { lookFor } from '../../core/lookfors/all';
import { page, plain, shape, sheet, text } from '../../core/schema/defaults';
import type { Database } from '../database/connection';
import { handOut } from '../actions/hand-out';
import { goesOf, handIn, returnGo } from '../stores/goes';
import { copiesOf } from '../stores/copies';
import { handoutById } from '../stores/handouts';
import { loadDocument } from '../stores/documents';
import { createSheet } from '../stores/sheets';
import { copyView } from './copy-view';
import { alikeTo as alikeOfPiece, alikeView } from './alike-view';
import { readingView } from './reading-view';

/** Wording that two pieces of a class share is asked about: of their teacher, and of nobody else. */

const SAID =
  'A lugworm lives in a bent burrow and swallows sand all day long, and pushes most of it out again as a coil.';
const own = sheet({
  title: 'Own',
  pages: [page({ id: 'p', items: [text({ id: 'own', touch: 'fill', width: 300 })] })],
});

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  const pupils: Record<string, { id: string; schoolId: string; name: string }> = {};
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    for (const name of ['Ada', 'Ben', 'Cai']) pupils[name] = await school.pupil(name);
    const given = { schoolId: school.schoolId, ownerId: school.teacherId, purpose: 'blank' as const, sheet: own };
    const words = lookFor({ kind: 'words', id: 'w', item: null, min: 5 });
    const sheetId = await createSheet(db, given);
    [handoutId] = await handOut(school.means, school.teacher, sheetId, school.asked({ lookFors: [words] }));
  });
  afterAll(() => db.close());

  async function handsIn(name: string, said: string): Promise<string> {
    const copy = await school.copy(handoutId, pupils[name].id);
    const { seq } = (await loadDocument(db, copy.documentId))!;
    await school.save(copy, seq, [{ kind: 'splice', id: 'own', at: 0, remove: 0, insert: plain(said) }]);
    const now = (await loadDocument(db, copy.documentId))!;
    expect((await handIn(db, copy, now.seq)).ok).toBe(true);
    return copy.id;
  }
  const alikeTo = async (copyId: string, number = 99) =>
    (await readingView(school.means, school.teacher, { handoutId, copyId }, number)).alike.map(({ name }) => name);

  test('once both are handed in, on each of the two, until one writes something else', async () => {
    const ada = await handsIn('Ada', SAID);
    const cai = await handsIn(
      'Cai',
      'Crabs run over the mud as soon as the gulls have gone, and hide again before they come back.',
    );
    expect(await alikeTo(ada)).toEqual([]);
    const ben = await handsIn('Ben', `I think that ${SAID}`);
    expect([await alikeTo(ada), await alikeTo(ben), await alikeTo(cai)]).toEqual([['Ben'], ['Ada'], []]);
    const [go] = await goesOf(db, ben);
    await returnGo(db, go.id, 'another-go');
    expect(JSON.stringify(await copyView(school.means, pupils.Ben, ben))).not.toMatch(/alike|Ada/);
    const copy = await school.copy(handoutId, pupils.Ben.id);
    const { seq } = (await loadDocument(db, copy.documentId))!;
    const said = `I think that ${SAID}`;
    const mine = plain('Lugworms eat mud and leave little heaps that you can see when the water is away.');
    await school.save(copy, seq, [{ kind: 'splice', id: 'own', at: 0, remove: said.length, insert: mine }]);
    expect((await handIn(db, copy, (await loadDocument(db, copy.documentId))!.seq)).ok).toBe(true);
    expect([await alikeTo(ada), await alikeTo(ben)]).toEqual([[], []]);
    // The first go is not the one that is with the teacher.
    expect(await alikeTo(ben, 1)).toEqual([]);
  });

  test('what they drew is compared, too, and both are shown with what they share', async () => {
    const given = { schoolId: school.schoolId, ownerId: school.teacherId, purpose: 'blank' as const, sheet: own };
    const sheetId = await createSheet(db, given);
    const [drawing] = await handOut(
      school.means,
      school.teacher,
      sheetId,
      school.asked({ lookFors: [], supplies: ['shape'] }),
    );
    const draws = async (name: string, shift: number) => {
      const copy = await school.copy(drawing, pupils[name].id);
      const changes = Array.from({ length: 9 }, (_, i): Change => ({
        kind: 'insert',
        spot: { page: 'p', group: null, behind: null },
        item: shape({
          id: `${name}${i}`,
          touch: 'free',
          shape: i % 2 ? 'star' : 'ellipse',
          x: ((i * 97) % 400) + shift,
          y: 100 + ((i * 71 + shift * i * i) % 400),
          width: 30 + 5 * i,
        }),
      }));
      const { seq } = (await loadDocument(db, copy.documentId))!;
      await school.save(copy, seq, changes);
      expect((await handIn(db, copy, (await loadDocument(db, copy.documentId))!.seq)).ok).toBe(true);
      return copy.id;
    };
    const [ada, ben, cai] = [await draws('Ada', 0), await draws('Ben', 0), await draws('Cai', 37)];
    // In a large class a piece is not kept waiting for what takes long.
    const [handout, copies] = [(await handoutById(db, drawing))!, await copiesOf(db, drawing)];
    const asked = async (atOnce: number) =>
      (await alikeOfPiece(school.means, handout, copies, ada, atOnce)).map(({ name }) => name);
    expect(await asked(2)).toEqual([]);
    const [pair, ...more] = await alikeView(school.means, school.teacher, drawing);
    expect([pair.pieces.toSorted(), pair.words, pair.things, more]).toEqual([[ada, ben].toSorted(), 0, 9, []]);
    expect(pair.spots.map((spots) => spots.length)).toEqual([9, 9]);
    expect([await asked(2), await asked(3)]).toEqual([['Ben'], ['Ben']]);
    const read = async (copyId: string) =>
      (await readingView(school.means, school.teacher, { handoutId: drawing, copyId }, 99)).alike;
    expect((await read(ada))[0]).toMatchObject({ id: ben, name: 'Ben', things: 9, of: 9 });
    expect((await read(ada))[0].items.toSorted()).toEqual(Array.from({ length: 9 }, (_, i) => `Ada${i}`));
    expect(await read(cai)).toEqual([]);
    const other = await school.pupil('Teacher of nobody');
    await expect(alikeView(school.means, other, drawing)).rejects.toThrow();
  });
});
