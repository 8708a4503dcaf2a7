import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { page, plain, sheet, text } from '../../core/schema/defaults';
import type { TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { bodyText } from '../../core/text/body';
import type { Database } from '../database/connection';
import { mergeStudents } from '../stores/class-life';
import { addPerson } from '../stores/people';
import { setClassTeacher } from '../stores/teachers';
import { galleryView, hungSheet, studentGalleryView } from '../views/gallery-view';
import { doWithGallery, InGallery, WithGallery, writeInGallery } from './gallery';
import { doWithCopy } from './hand-in';
import { saveWork } from './save-changes';

/** Pieces shown to a class, and notes that its teacher reads first. */

const base = sheet({
  title: 'Bird',
  pages: [
    page({
      id: 'p',
      items: [text({ id: 'name', role: 'name', touch: 'fill' }), text({ id: 'why', y: 60, touch: 'fill' })],
    }),
  ],
});

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let handoutId: string;
  let reader: { id: string };
  const people = new Map<string, { id: string; schoolId: string; name: string }>();
  const who = (name: string) => people.get(name)!;
  const copyOf = (name: string) => school.copy(handoutId, who(name).id);
  const teacherDoes = (asked: object, teacher: { id: string } = school.teacher) =>
    doWithGallery(db, teacher, handoutId, WithGallery.parse(asked));
  const writes = (name: string, asked: object) =>
    writeInGallery(db, who(name), handoutId, InGallery.parse({ do: 'note', kind: 'like', ...asked }));
  const sees = (name: string) => studentGalleryView(db, who(name), handoutId);
  const pieceOf = async (name: string) =>
    (await galleryView(db, school.teacher, handoutId)).pieces.find(({ studentName }) => studentName === name)!;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    for (const name of ['Ada', 'Ben', 'Cleo', 'Dov']) people.set(name, await school.pupil(name));
    reader = {
      id: await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name: 'R', email: 'r@r.example' }),
    };
    await setClassTeacher(db, { classId: school.classId, personId: reader.id, rights: 'read', endsAt: null });
    handoutId = await school.handOut(base);
    for (const name of ['Ada', 'Ben', 'Cleo']) {
      const { id, documentId, seq } = await copyOf(name);
      const change = (item: string, words: string) =>
        ({ kind: 'splice', id: item, at: 0, remove: 0, insert: plain(words) }) as const;
      const save = { base: seq, batch: `batch-${name}`, changes: [change('name', name), change('why', 'to wade')] };
      await saveWork(school.means, who(name), documentId, save);
      if (name !== 'Cleo') await doWithCopy(school.means, who(name), id, { do: 'hand-in', seq: seq + 2 });
    }
  });
  afterAll(() => db.close());

  test('only what was handed in is hung, and is not taken back any more', async () => {
    expect(await why(teacherDoes({ do: 'open', open: 'yes' }))).toMatch(/^422 No piece/);
    const cleo = await copyOf('Cleo');
    expect(await why(teacherDoes({ do: 'hang', copies: cleo.id }))).toMatch(/^422 Only pieces that were handed in/);
    const [ada, ben] = [await copyOf('Ada'), await copyOf('Ben')];
    await teacherDoes({ do: 'hang', copies: `${ada.id} ${ben.id} ${cleo.id} no-such-copy` });
    const { pieces } = await galleryView(db, school.teacher, handoutId);
    expect(pieces.map(({ studentName }) => studentName).sort()).toEqual(['Ada', 'Ben']);
    expect(await why(doWithCopy(school.means, who('Ada'), ada.id, { do: 'take-back' }))).toMatch(/begun|reading/i);
  });
  test('students see it once it is open, and once they have handed in where that is wanted', async () => {
    expect(await why(sees('Ada'))).toMatch(/^404/);
    await teacherDoes({ do: 'open', open: 'yes' });
    expect((await sees('Ada')).pieces).toHaveLength(2);
    expect(await why(sees('Cleo'))).toMatch(/^404/);
    expect(await why(hungSheet(db, { ...who('Cleo'), role: 'student' }, handoutId, 'any'))).toMatch(/^404/);
    await teacherDoes({ do: 'after-own', afterOwn: 'no' });
    expect((await sees('Cleo')).pieces).toHaveLength(2);
  });
  test('without names, none stands under a piece, on it or at a note', async () => {
    const ada = await pieceOf('Ada');
    const nameOn = async () => {
      const { sheet: seen } = await hungSheet(db, { ...who('Ben'), role: 'student' }, handoutId, ada.id);
      return ['name', 'why'].map((id) => bodyText((find(seen, id)!.item as TextItem).body));
    };
    expect(await nameOn()).toEqual(['', 'to wade']);
    expect(JSON.stringify(await sees('Ben'))).not.toMatch(/Ada/);
    await teacherDoes({ do: 'name', named: 'yes' });
    expect(await nameOn()).toEqual(['Ada', 'to wade']);
    expect((await sees('Ben')).pieces.map(({ called, isMine }) => [called, isMine])).toEqual([
      ['Ada', false],
      ['Ben', true],
    ]);
  });
  test('a note is read by the teacher first, shown or kept back, and written once', async () => {
    const piece = (await pieceOf('Ada')).id;
    const note = { note: 'note-of-ben', piece, body: 'the long neck' };
    await writes('Ben', note);
    await writes('Ben', note);
    await writes('Cleo', { note: 'note-of-cleo', piece, body: 'boo' });
    const bodies = async (name: string) =>
      (await sees(name)).pieces
        .find(({ id }) => id === piece)!
        .notes.map(({ body, by, isShown }) => [body, by, isShown]);
    expect(await bodies('Ada')).toEqual([]);
    expect(await bodies('Ben')).toEqual([['the long neck', null, false]]);
    expect((await pieceOf('Ada')).notes).toMatchObject([
      { author: 'Ben', state: 'waiting' },
      { author: 'Cleo', state: 'waiting' },
    ]);
    await teacherDoes({ do: 'judge', notes: 'note-of-ben', to: 'shown' });
    await teacherDoes({ do: 'judge', notes: 'note-of-cleo', to: 'kept-back' });
    expect(await bodies('Ada')).toEqual([['the long neck', 'Ben', true]]);
    // Their own stands there as if it waited.
    expect(await bodies('Cleo')).toEqual([
      ['the long neck', 'Ben', true],
      ['boo', null, false],
    ]);
    const takesBack = (name: string, of: string) =>
      writeInGallery(db, who(name), handoutId, InGallery.parse({ do: 'take-back', note: of }));
    expect(await why(takesBack('Ben', 'note-of-cleo'))).toMatch(/^409/);
    expect(await why(takesBack('Ben', 'note-of-ben'))).toMatch(/^409 The class sees/);
    await takesBack('Cleo', 'note-of-cleo');
    expect((await pieceOf('Ada')).notes.map(({ author }) => author)).toEqual(['Ben']);
  });
  test('nobody writes on their own piece, nor more than five notes on another', async () => {
    const [ada, ben] = [(await pieceOf('Ada')).id, (await pieceOf('Ben')).id];
    expect(await why(writes('Ada', { note: 'to-myself', piece: ada, body: 'great' }))).toMatch(
      /^422 This piece is your/,
    );
    for (let i = 0; i < 5; i++) await writes('Ada', { note: `note-ada-${i}`, piece: ben, body: `${i}` });
    expect(await why(writes('Ada', { note: 'note-ada-6', piece: ben, body: 'x' }))).toMatch(/^422 You have written 5/);
    // What is sent again is no note more.
    await writes('Ada', { note: 'note-ada-4', piece: ben, body: '4' });
  });
  test('a piece that is taken down keeps its notes, and takes no more of them', async () => {
    const ada = await pieceOf('Ada');
    await teacherDoes({ do: 'take-down', piece: ada.id });
    expect((await sees('Ben')).pieces.map(({ called }) => called)).toEqual(['Ben']);
    expect(await why(writes('Ben', { note: 'too-late', piece: ada.id, body: 'x' }))).toMatch(/^409/);
    expect(await why(hungSheet(db, { ...who('Ben'), role: 'student' }, handoutId, ada.id))).toMatch(/^404/);
    await teacherDoes({ do: 'put-back', piece: ada.id });
    expect((await pieceOf('Ada')).notes).toHaveLength(1);
  });
  test('who may only read changes nothing, a stranger sees nothing, and a student no longer in it neither', async () => {
    expect((await galleryView(db, reader, handoutId)).pieces).toHaveLength(2);
    for (const asked of [
      { do: 'open', open: 'no' },
      { do: 'hang', copies: 'x' },
      { do: 'judge', notes: 'x', to: 'shown' },
    ])
      expect(await why(teacherDoes(asked, reader))).toMatch(/^403/);
    expect(await why(galleryView(db, { id: 'nobody' }, handoutId))).toMatch(/^404/);
    await teacherDoes({ do: 'open', open: 'no' });
    expect(await why(sees('Ben'))).toMatch(/^404/);
    expect(await why(writes('Ben', { note: 'closed-now', piece: 'x', body: 'x' }))).toMatch(/^404/);
  });
  test('two students who become one have written the notes of both', async () => {
    await db.transaction((tx) => mergeStudents(tx, who('Dov').id, who('Ben').id));
    expect((await pieceOf('Ada')).notes).toMatchObject([{ author: 'Dov' }]);
  });
});
