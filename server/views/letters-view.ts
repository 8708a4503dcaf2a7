import { noteWords } from '../../core/review/spoken';
import type { LetterHome, Shows } from '../../core/review/letter';
import { asShown } from '../../core/review/letter';
import { fullHandout } from '../actions/class-rights';
import type { Means } from '../actions/means';
import { missing } from '../actions/refused';
import { lettersOn, receiversOf } from '../stores/letters';
import type { Person } from '../stores/people';
import { releasedFeedback } from './feedback-view';

/** Letters home about the pieces of a handout: to whom they can go, what they say, and what became of them. */

export type Writer = Pick<Person, 'id' | 'name' | 'schoolName'>;

/** @throws Refused where it is not theirs to write */
export async function lettersView(means: Means, person: Writer, handoutId: string) {
  const { db } = means;
  const handout = await fullHandout(db, person, handoutId);
  const [receivers, letters] = [await receiversOf(db, handoutId), await lettersOn(db, handoutId)];
  return {
    handout: { id: handout.id, title: handout.title, className: handout.className },
    personId: person.id,
    /** One for each student whose piece has come back. */
    receivers,
    letters,
    now: Date.now(),
  };
}

/** What a letter says but for its teacher's words. */
export type LetterAbout = Omit<LetterHome, 'words'>;

/** @param shows what stands in it besides the notes. Null where nothing has come back */
export async function letterAbout(
  means: Means,
  writer: Pick<Writer, 'name' | 'schoolName'>,
  { studentId, student, copyId }: { studentId: string; student: string; copyId: string },
  shows: Shows,
) {
  const released = await releasedFeedback(means, studentId, copyId);
  if (!released) return null;
  const { goId, outcome, handout, feedback } = released;
  const shown = asShown(feedback, shows);
  const letter: LetterAbout = {
    student,
    teacher: writer.name,
    school: writer.schoolName,
    title: handout.title,
    outcome,
    feedback: {
      sum: shown.sum,
      lookFors: shown.lookFors,
      rows: shown.rows,
      notes: shown.notes.map((note) => ({ body: noteWords(note) })),
    },
  };
  return { goId, letter, feedback: shown };
}

/** The letter about one student's piece, to be looked at before it is sent. @throws Refused where there is none */
export async function letterView(
  means: Means,
  person: Writer,
  { handoutId, copyId, studentId }: { handoutId: string; copyId: string; studentId: string },
): Promise<LetterAbout> {
  await fullHandout(means.db, person, handoutId);
  const found = (await receiversOf(means.db, handoutId)).find(
    (one) => one.copyId === copyId && one.studentId === studentId,
  );
  const about = found && (await letterAbout(means, person, found, { lookFors: true, marks: true }));
  if (!about) throw missing();
  return about.letter;
}
