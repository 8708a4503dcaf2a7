import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { Saying } from '../../core/review/said';
import { DATABASES } from '../../tests/support/databases';
import { why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import type { Database } from '../database/connection';
import { goesOf, handIn } from '../stores/goes';
import { addPerson } from '../stores/people';
import { allSaidOn, soundFor } from '../stores/reviews';
import { setSecondReader } from '../stores/second-reading';
import { setClassTeacher } from '../stores/teachers';
import { copyView } from '../views/copy-view';
import { classFeedback } from '../views/feedback-view';
import { recallPiece, returnPiece, review } from './review';

/** Notes that are spoken: kept with their sound, and heard by those who may read them. */

const SOUND = Buffer.from('OggS and some more');
const spoken = { seconds: 3.2, type: 'audio/ogg' as const };
const speak = (note: string, over: object = {}): Saying =>
  ({ ...saidNote(note, { body: '' }), spoken, sound: SOUND.toString('base64'), ...over }) as Saying;

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());

  let number = 0;
  async function handedIn() {
    const ada = await school.pupil(`Ada ${number++}`);
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    const piece = { handoutId, copyId: copy.id };
    const say = (...steps: Saying[]) => review(db, school.teacher, piece, { go: go.id, steps });
    const heard = async (who: { id: string }, note: string) => {
      const found = await soundFor(db, who.id, note);
      return found && [Buffer.from(found.bytes).toString(), found.type];
    };
    return { ada, piece, go, say, heard };
  }
  const teacherCalled = async (name: string) => ({
    id: await addPerson(db, { schoolId: school.schoolId, role: 'teacher', name, email: `${name}@spoken.example` }),
  });

  test('are heard by the teachers of the class, and by the student once they have come back', async () => {
    const { ada, piece, go, say, heard } = await handedIn();
    const stranger = await teacherCalled(`stranger${number}`);
    await say(speak('note-spoken'), speak('note-both', { body: 'And in words.' }));
    // Sent again, it is the same.
    await say(speak('note-spoken', { sound: Buffer.from('other').toString('base64') }));
    const sound = [SOUND.toString(), 'audio/ogg'];
    expect(await heard(school.teacher, 'note-spoken')).toEqual(sound);
    for (const other of [ada, stranger]) expect(await heard(other, 'note-spoken')).toBeUndefined();
    await returnPiece(db, school.teacher, piece, { go: go.id, outcome: 'done' });
    expect(await heard(ada, 'note-spoken')).toEqual(sound);
    const seen = await copyView(school.means, ada, piece.copyId);
    expect(seen.notes).toMatchObject([
      { body: '', spoken },
      { body: 'And in words.', spoken },
    ]);
    await recallPiece(db, school.teacher, piece, { word: 'A moment, please.' });
    expect(await heard(ada, 'note-spoken')).toBeUndefined();
  });

  test('are told with their length where they can’t be heard', async () => {
    const { piece, say } = await handedIn();
    await say(speak('note-paper'));
    const [feedback] = await classFeedback(school.means, school.teacher, piece.handoutId, [], {
      lookFors: true,
      marks: true,
    });
    expect(feedback.notes).toMatchObject([{ body: '', spoken }]);
  });

  test('are refused without a sound, and a sound without them; one that is deleted leaves no sound', async () => {
    const { go, say, heard } = await handedIn();
    expect(await why(say(speak('note-silent', { sound: undefined })))).toMatch(/^422 .*Record it once more/);
    expect(await why(say(speak('note-odd', { spoken: undefined, body: 'x' })))).toMatch(/^422/);
    expect((await allSaidOn(db, [go.id]))(go.id).notes).toEqual([]);
    await say(speak('note-gone'), { do: 'remove-note', note: 'note-gone' });
    expect(await heard(school.teacher, 'note-gone')).toBeUndefined();
    expect(await db.query(`select 1 from spoken_note where note_id = 'note-gone'`)).toEqual([]);
  });

  test('are not heard by a second reader before they have finished the piece', async () => {
    const { piece, go, say, heard } = await handedIn();
    const second = await teacherCalled(`second${number}`);
    await setClassTeacher(db, { classId: school.classId, personId: second.id, rights: 'read', endsAt: null });
    await say(speak('note-blind'));
    expect(await heard(second, 'note-blind')).toBeDefined();
    await setSecondReader(db, piece.handoutId, second.id);
    expect(await heard(second, 'note-blind')).toBeUndefined();
    await review(db, second, piece, { go: go.id, steps: [{ do: 'finish', word: '' }] });
    expect(await heard(second, 'note-blind')).toBeDefined();
  });
});
