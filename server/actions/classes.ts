import { z } from 'zod';
import type { Database } from '../database/connection';
import { addClass, addStudents, classesOf } from '../stores/classes';
import { addLateCopies } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Card } from '../stores/sign-in';
import { makeCards } from '../stores/sign-in';
import type { Means } from './means';
import { missing, Refused } from './refused';

/** What a teacher does with classes: adds them and their students, and makes cards to sign in with. */

type Teacher = Pick<Person, 'id' | 'schoolId'>;

const Name = z.string().trim().min(1, 'Type a name.').max(80, 'A name has at most 80 letters.');
/** One name on each line. */
const Names = z
  .string()
  .max(10_000)
  .transform((text) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
  )
  .pipe(
    z.array(Name).min(1, 'Type at least one name, each on a line of its own.').max(100, 'At most 100 names at once.'),
  );
const ClassId = z.string().max(40);

export const AddingClass = z.object({ name: Name });
export const AddingStudents = z.object({ classId: ClassId, names: Names });
/** `student`: one, or everybody who has no pictures yet. */
export const MakingCards = z.object({ classId: ClassId, student: z.string().max(40).default('without') });

const ownClass = async (db: Database, { id }: Teacher, classId: string) => {
  const found = (await classesOf(db, id)).find((one) => one.id === classId);
  if (!found) throw missing();
  return found;
};

export const addClassFor = (db: Database, { id, schoolId }: Teacher, { name }: z.infer<typeof AddingClass>) =>
  addClass(db, { schoolId, teacherId: id, name });

/**
 * Those who were added, and those who were there already. Whoever is added gets what the class was handed out before.
 * @throws Refused where the class is not theirs
 */
export async function addStudentsTo(
  { db, pictures }: Means,
  teacher: Teacher,
  { classId, names }: z.infer<typeof AddingStudents>,
): Promise<{ added: string[]; there: string[] }> {
  await ownClass(db, teacher, classId);
  const { added, there } = await addStudents(db, { schoolId: teacher.schoolId, classId, names });
  for (const { id } of added) await addLateCopies(db, id, pictures);
  return { added: added.map(({ name }) => name), there };
}

/** @throws Refused where the class is not theirs, or nobody needs a card */
export async function makeCardsFor(
  db: Database,
  teacher: Teacher,
  { classId, student }: z.infer<typeof MakingCards>,
): Promise<{ code: string; cards: Card[] }> {
  const { code } = await ownClass(db, teacher, classId);
  const cards = await makeCards(db, teacher.id, classId, student);
  if (cards.length === 0) throw new Refused(422, 'Everybody in this class already has their own pictures.');
  return { code, cards };
}
