import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Change } from '../../core/changes/change';
import { page, picture } from '../../core/schema/defaults';
import { DATABASES } from '../../tests/support/databases';
import { discFile } from '../../tests/support/own';
import { why } from '../../tests/support/refused';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { readIn as readPicture } from '../pictures/read-in';
import { filesOf } from '../stores/brought';
import { addPerson } from '../stores/people';
import { loadDocument } from '../stores/documents';
import { keepPicture, shelfOf } from '../stores/pictures';
import { createSheet } from '../stores/sheets';
import { BringingWork, bringWork, broughtFile } from './bring-work';
import { doWithCopy } from './hand-in';
import { handOut, tryOut, TryingOut } from './hand-out';
import { saveWork } from './save-changes';

/** Work made elsewhere: what comes in, what is refused, and who gets it back. */

const readIn = async ({
  bytes,
  name,
  owner,
  page,
}: {
  bytes: Uint8Array;
  name: string;
  owner: string;
  page: { whole: boolean };
}) => ({
  picture: await readPicture(bytes, name, owner, { page }),
});
const PDF = Buffer.from('%PDF-1.4\nsome pages');
const FILE = 'file00000001';

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let teacher: { id: string; schoolId: string; name: string };
  let ada: typeof teacher;
  let ben: typeof teacher;
  let stranger: typeof teacher;
  let sheetId: string;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const { schoolId } = school;
    teacher = school.teacher;
    [ada, ben] = [await school.pupil('Ada'), await school.pupil('Ben')];
    const id = await addPerson(db, { schoolId, role: 'teacher', name: 'S', email: 's@brought.example' });
    stranger = { id, schoolId, name: 'S' };
    sheetId = await createSheet(db, { schoolId, ownerId: teacher.id, purpose: 'blank', sheet: sampleSheet() });
  });
  afterAll(() => db.close());

  const copyOf = async (supplies: string[] = ['page'], who = ada) => {
    const asked = school.asked({ supplies, again: true } as never);
    const [handoutId] = await handOut(school.means, teacher, sheetId, asked);
    return school.copy(handoutId, who.id);
  };
  const bring = (copyId: string, bytes: Uint8Array, given: Partial<BringingWork> = {}, who = ada) =>
    bringWork({ db, readIn }, who, copyId, {
      ...BringingWork.parse({ file: FILE, name: 'work.jpg', ...given }),
      bytes,
    });
  const added = (id: string, file: string): Change => ({
    kind: 'page-insert',
    behind: null,
    page: page({
      id: `page-${file}`,
      brought: { picture: `scan-${file}`, file, name: 'work.jpg', number: 1, of: 1 },
      items: [picture({ id: `scan-${file}`, picture: id, touch: 'free', locked: true })],
    }),
  });
  const save = (copy: { documentId: string }, change: Change, who = ada, base = 0) =>
    saveWork(school.means, who, copy.documentId, {
      base,
      batch: `batch-${Math.random()}`.slice(0, 20),
      changes: [change],
    });

  test('a photo becomes a page of the copy; the file stays as it was, and is offered nowhere else', async () => {
    const copy = await copyOf();
    const photo = await discFile.plain();
    const { picture: shown } = await bring(copy.id, photo);
    expect(await save(copy, added(shown!.id, FILE))).toMatchObject({ outcome: 'saved' });
    expect(await shelfOf(db, ada.id)).toEqual([]);
    const file = await broughtFile(db, teacher, copy.id, FILE);
    expect([file.name, file.type]).toEqual(['work.jpg', 'image/jpeg']);
    expect(file.bytes.length).toBeGreaterThan(1000);
    // Sent again because no answer came.
    expect((await bring(copy.id, photo)).picture).toEqual(shown);
    expect(await filesOf(db, copy.id)).toHaveLength(1);
  });
  test('a PDF is kept to the byte, and its pages come as pictures', async () => {
    const copy = await copyOf(['page'], ben);
    const given = { file: 'pdf000000001', name: 'Übung 1.pdf' };
    expect(await bring(copy.id, PDF, given, ben)).toEqual({ picture: null });
    const { picture: shown } = await bring(copy.id, await discFile.plain(), { ...given, page: 1 }, ben);
    expect(shown).toMatchObject({ width: 300 });
    const kept = await broughtFile(db, ben, copy.id, given.file);
    expect(Buffer.from(kept.bytes).equals(PDF)).toBe(true);
    expect(await filesOf(db, copy.id)).toHaveLength(1);
    // A page of a file that never came.
    expect(await why(bring(copy.id, PDF, { ...given, file: 'pdf000000002', page: 1 }, ben))).toMatch(/^404/);
  });
  test('a page shows only what was brought to this copy, and only where that is opened', async () => {
    const [copy, other, shut] = [await copyOf(), await copyOf(['page'], ben), await copyOf(['picture'])];
    const { picture: shown } = await bring(copy.id, await discFile.mixed(), { file: 'mixed0000001' });
    expect(await save(other, added(shown!.id, 'mixed0000001'), ben)).toMatchObject({
      outcome: 'refused',
      reason: expect.stringMatching(/file of this page is not there/),
    });
    expect(await save(copy, added('flat/owl', 'mixed0000001'))).toMatchObject({ outcome: 'refused' });
    expect(await save(copy, added(`own/${'0'.repeat(32)}`, 'mixed0000001'))).toMatchObject({ outcome: 'refused' });
    expect(await why(bring(shut.id, PDF))).toMatch(/^409 Your teacher has not opened/);
    // Of several changes only the one without its file is refused.
    const { seq } = (await loadDocument(db, copy.documentId))!;
    const changes = [added(shown!.id, 'mixed0000001'), added(shown!.id, 'gone00000001')];
    expect(
      await saveWork(school.means, ada, copy.documentId, { base: seq, batch: 'two-at-once', changes }),
    ).toMatchObject({
      outcome: 'refused',
      index: 1,
    });
    expect(await save(copy, added(shown!.id, 'mixed0000001'))).toMatchObject({ outcome: 'saved' });
  });
  test('nobody else brings anything, nothing is brought to what is handed in, and what is no picture is told', async () => {
    const copy = await copyOf();
    const photo = await discFile.plain();
    for (const who of [ben, teacher, stranger])
      expect(await why(bring(copy.id, photo, { file: 'other0000001' }, who))).toMatch(/^404/);
    const refusing = () => Promise.resolve({ problem: 'This is no PNG, JPEG or WebP picture.' });
    const words = { ...BringingWork.parse({ file: FILE, name: 'a.png' }), bytes: Buffer.from('words') };
    expect(await why(bringWork({ db, readIn: refusing }, ada, copy.id, words))).toMatch(/^422 This is no PNG/);
    await doWithCopy(school.means, ada, copy.id, { do: 'hand-in', seq: 0 });
    expect(await why(bring(copy.id, photo))).toMatch(/^409 This copy is handed in/);
  });
  test('a file is given back to who works on the copy and to who teaches them', async () => {
    const copy = await copyOf();
    await bring(copy.id, PDF, { file: 'back00000001' });
    for (const who of [ada, teacher])
      expect((await broughtFile(db, who, copy.id, 'back00000001')).name).toBe('work.jpg');
    for (const who of [ben, stranger]) expect(await why(broughtFile(db, who, copy.id, 'back00000001'))).toMatch(/^404/);
    const other = await copyOf();
    expect(await why(broughtFile(db, ada, other.id, 'back00000001'))).toMatch(/^404/);
  });
  test('what a teacher tries out goes with the trial; a picture that was uploaded before stays on offer', async () => {
    const photo = await discFile.clear();
    const { picture: mine } = {
      picture: await keepPicture(
        db,
        { schoolId: teacher.schoolId, ownerId: teacher.id },
        await readPicture(photo, 'disc', teacher.id),
      ),
    };
    const trial = TryingOut.parse({ title: 'T', brief: '', lookFors: [], rubric: { rows: [] }, supplies: ['page'] });
    const copyId = await tryOut(school.means, teacher, sheetId, trial);
    expect((await bring(copyId, photo, { file: 'trial0000001' }, teacher)).picture).not.toMatchObject({ id: mine.id });
    expect((await shelfOf(db, teacher.id)).map(({ id }) => id)).toEqual([mine.id]);
    await tryOut(school.means, teacher, sheetId, trial);
    expect(await why(broughtFile(db, teacher, copyId, 'trial0000001'))).toMatch(/^404/);
  });
});
