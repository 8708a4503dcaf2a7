import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { LaidOut } from '../../core/handout/laid-out';
import { NOTHING_LAID_OUT } from '../../core/handout/laid-out';
import type { Change } from '../../core/changes/change';
import { picture } from '../../core/schema/defaults';
import { DATABASES } from '../../tests/support/databases';
import { discFile } from '../../tests/support/own';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { readIn as readPicture } from '../pictures/read-in';
import { addPerson } from '../stores/people';
import { keepPicture } from '../stores/pictures';
import { createSheet } from '../stores/sheets';
import { picturesView } from '../views/pictures-view';
import { doWithCopy } from './hand-in';
import { handOut, tryOut, TryingOut } from './hand-out';
import { saveWork } from './save-changes';
import { mayUpload, removePicture, tidyShelf, uploadPictures } from './upload-picture';

/** The shelf of a handout: what its students see, what they may use, and what they upload. */

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  type Somebody = { id: string; schoolId: string; name: string; role: 'teacher' | 'student' };
  let teacher: Somebody;
  let [ada, ben]: Somebody[] = [];
  let colleague: Somebody;
  let sheetId: string;
  let mine: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = { ...school.teacher, role: 'teacher' };
    [ada, ben] = [
      { ...(await school.pupil('Ada')), role: 'student' as const },
      { ...(await school.pupil('Ben')), role: 'student' as const },
    ];
    const id = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@laid.example' });
    colleague = { id, schoolId, name: 'S', role: 'teacher' };
    sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sampleSheet() });
    const disc = await readPicture(await discFile.clear(), 'disc', teacher.id);
    mine = (await keepPicture(db, { schoolId, ownerId: teacher.id }, disc)).id;
  });
  afterAll(() => db.close());

  const copyOf = async (laidOut: Partial<LaidOut>, supplies = ['picture']) => {
    const asked = school.asked({ supplies, again: true, laidOut: { ...NOTHING_LAID_OUT, ...laidOut } } as never);
    const [handoutId] = await handOut(school.means, teacher, sheetId, asked);
    return school.copy(handoutId, ada.id);
  };
  const readIn = async ({ bytes, name, owner }: { bytes: Uint8Array; name: string; owner: string }) => ({
    picture: await readPicture(bytes, name, owner),
  });
  const upload = async (who: Somebody, name: string) =>
    uploadPictures({ db, readIn, unpack: () => Promise.resolve(null) }, who, { bytes: await discFile.plain(), name });
  const put = (copy: { documentId: string }, shown: string, base = 0) => {
    const spot = { page: sampleSheet().pages[0].id, group: null, behind: null };
    const item = picture({ id: `n${shown.length}`, picture: shown, touch: 'free' });
    const insert: Change = { kind: 'insert', spot, item };
    const batch = `batch-${Math.random()}`.slice(0, 20);
    return saveWork(school.means, ada, copy.documentId, { base, batch, changes: [insert] });
  };

  test('students see what is laid out, and may upload only where that is opened', async () => {
    const shut = await copyOf({ pictures: [mine, 'flat/owl'] });
    expect(await picturesView(db, ada, shut.id)).toMatchObject({
      pictures: [{ id: mine, by: school.teacher.name }],
      mayBring: false,
      laidOut: { ids: [mine, 'flat/owl'], only: false },
    });
    expect(await why(mayUpload(db, ada, shut.id))).toMatch(/^409 Your teacher has not opened uploading/);
    const other = await copyOf({ uploads: true }, ['shape']);
    expect(await why(mayUpload(db, ada, other.id))).toMatch(/^409/);
    expect(await why(mayUpload(db, ada, null))).toMatch(/^403/);
    const open = await copyOf({ uploads: true });
    await mayUpload(db, ada, open.id);
    const { pictures } = await upload(ada, 'crab.jpg');
    const view = await picturesView(db, ada, open.id);
    expect(view.pictures.map(({ id }) => id)).toEqual(pictures.map(({ id }) => id));
    expect((await picturesView(db, ada, shut.id)).pictures.map(({ id }) => id)).toEqual([mine]);
    expect((await picturesView(db, ada, null)).pictures).toEqual([]);
    await doWithCopy(school.means, ada, open.id, { do: 'hand-in', seq: 0 });
    expect(await why(mayUpload(db, ada, open.id))).toMatch(/^409 This copy is handed in/);
    for (const who of [ben, teacher, colleague]) {
      expect(await why(picturesView(db, who, open.id))).toMatch(/^404/);
      expect(await why(mayUpload(db, who, open.id))).toMatch(/^404/);
    }
  });
  test('with no others, the server takes what is laid out and nothing else', async () => {
    const copy = await copyOf({ pictures: [mine, 'flat/owl'], only: true });
    expect(await put(copy, 'flat/cat')).toMatchObject({
      outcome: 'refused',
      reason: expect.stringMatching(/laid out/),
    });
    expect(await put(copy, 'flat/owl')).toMatchObject({ outcome: 'saved' });
    const { pictures } = await upload(ada, 'crab.jpg');
    const own = await copyOf({ only: true, uploads: true });
    expect(await put(own, pictures[0].id)).toMatchObject({ outcome: 'saved' });
    expect(await put(await copyOf({ pictures: [mine], only: true }), pictures[0].id)).toMatchObject({
      outcome: 'refused',
    });
  });
  test('a student names and removes what is theirs, and shares nothing', async () => {
    const [{ id }] = (await upload(ada, 'crab.jpg')).pictures;
    expect(await tidyShelf(db, ada, { ids: [id], name: 'my crab', credit: 'Ada' })).toMatchObject([
      { name: 'my crab' },
    ]);
    expect(await why(tidyShelf(db, ada, { ids: [id], shared: true }))).toMatch(/^403/);
    expect(await why(tidyShelf(db, ada, { ids: [mine], name: 'x' }))).toMatch(/^404/);
    expect(await why(removePicture(db, ben, id))).toMatch(/^404/);
    await removePicture(db, ada, id);
  });
  test('what can’t be laid out is refused with what to do; a trial shows what students will see', async () => {
    expect(await why(copyOf({ pictures: ['flat/nothing'] }))).toMatch(/^422 One of the pictures laid out/);
    expect(await why(copyOf({ pictures: [`own/${'0'.repeat(32)}`] }))).toMatch(/^422 One of/);
    expect(await why(copyOf({ only: true }))).toMatch(/^422 Students would find no picture/);
    await copyOf({ only: true }, ['shape']);
    const laidOut = { pictures: [mine], only: true, uploads: true };
    const trial = { title: 'T', brief: '', lookFors: [], rubric: { rows: [] }, supplies: ['picture'], laidOut };
    const copyId = await tryOut(school.means, teacher, sheetId, TryingOut.parse(trial));
    expect(await picturesView(db, teacher, copyId)).toMatchObject({ mayBring: true, laidOut: { only: true } });
  });
});
