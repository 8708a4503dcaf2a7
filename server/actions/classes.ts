import { z } from 'zod';
import { namesIn, sameName } from '../../core/values/roster';
import type { Database } from '../database/connection';
import { addClass, addStudents, classesOf, joinClass, leaveClass, membersOf, renameClass } from '../stores/classes';
import { addLateCopies } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Card } from '../stores/sign-in';
import { makeCards } from '../stores/sign-in';
import type { Means } from './means';
import { missing, Refused } from './refused';

/** What a teacher does with classes: adds them and their students, and makes cards to sign in with. */

type Teacher = Pick<Person, 'id' | 'schoolId'>;

const Name = z.string().trim().min(1, 'Type a name.').max(80, 'A name has at most 80 letters.');
/** One name on each line, with or without a bullet or a number. */
const Names = z
  .string()
  .max(10_000, 'The list is too long: at most 10,000 letters at once.')
  .transform(namesIn)
  .pipe(
    z.array(Name).min(1, 'Type at least one name, each on a line of its own.').max(100, 'At most 100 names at once.'),
  );
const ClassId = z.string().max(40);

export const AddingClass = z.object({ name: Name });
export const AddingStudents = z.object({ classId: ClassId, names: Names });
export const RenamingClass = z.object({ classId: ClassId, name: Name });
/** `to`: the class they go to; empty where they leave for good. */
export const MovingStudent = z.object({
  classId: ClassId,
  student: z.string().min(1).max(40),
  to: ClassId.default(''),
});
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

/** @throws Refused where the class is not theirs, or another of theirs is called so */
export async function renameClassFor(
  db: Database,
  teacher: Teacher,
  { classId, name }: z.infer<typeof RenamingClass>,
): Promise<void> {
  await ownClass(db, teacher, classId);
  const others = (await classesOf(db, teacher.id)).filter(({ id }) => id !== classId);
  if (others.some((one) => sameName(one.name) === sameName(name)))
    throw new Refused(422, `You have a class “${name}” already. Choose a name that tells them apart.`, 'name');
  await renameClass(db, classId, name);
}

/**
 * Takes a student out of a class, into another one of the teacher's where that is said; there they get what was handed out.
 * @throws Refused where a class is not theirs, the student is not in it, or somebody of that name is in the other
 */
export async function moveStudentFor(
  { db, pictures }: Means,
  teacher: Teacher,
  { classId, student, to }: z.infer<typeof MovingStudent>,
): Promise<{ name: string; to: string | null }> {
  await ownClass(db, teacher, classId);
  const other = to ? await ownClass(db, teacher, to) : null;
  const member = (await membersOf(db, classId)).find(({ id }) => id === student);
  if (!member) throw missing();
  if (other && (await membersOf(db, other.id)).some(({ name }) => sameName(name) === sameName(member.name)))
    throw new Refused(
      422,
      `Somebody called ${member.name} is in ${other.name} already. Give one of them a name that tells them apart.`,
    );
  await db.transaction(async (tx) => {
    // First into the other class: who is in none is signed out.
    if (other) await joinClass(tx, other.id, student);
    await leaveClass(tx, classId, student);
  });
  if (other) await addLateCopies(db, student, pictures);
  return { name: member.name, to: other?.name ?? null };
}
