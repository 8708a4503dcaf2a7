import { z } from 'zod';
import { addressesIn, isAddress, MOST_FAMILY } from '../../core/values/addresses';
import { LONGEST_ID } from '../../core/formats/roster-file';
import { isTaken, namesIn, sameName } from '../../core/values/roster';
import type { Database } from '../database/connection';
import { archiveClass, begunByBoth, closeCode, mergeStudents, renameStudent, renewCode } from '../stores/class-life';
import { forgetFamilies, keepListed, setFamily } from '../stores/class-lists';
import { addClass, addStudents, classesOf, joinClass, leaveClass, membersOf, renameClass } from '../stores/classes';
import { addLateCopies } from '../stores/handing-out';
import type { Person } from '../stores/people';
import type { Card } from '../stores/sign-in';
import { makeCards } from '../stores/sign-in';
import { fullClass, ownClass } from './class-rights';
import type { Means } from './means';
import { missing, Refused } from './refused';

/** What a teacher does with classes: adds them and their students, and makes cards to sign in with. */

export type Teacher = Pick<Person, 'id' | 'schoolId'>;

export const Name = z.string().trim().min(1, 'Type a name.').max(80, 'A name has at most 80 letters.');
/** One name on each line, with or without a bullet or a number. */
const Names = z
  .string()
  .max(10_000, 'The list is too long: at most 10,000 letters at once.')
  .transform(namesIn)
  .pipe(
    z.array(Name).min(1, 'Type at least one name, each on a line of its own.').max(100, 'At most 100 names at once.'),
  );
export const ClassId = z.string().max(40);
export const PersonId = z.string().min(1).max(40);

export const AddingClass = z.object({ name: Name });
export const AddingStudents = z.object({ classId: ClassId, names: Names });
export const RenamingClass = z.object({ classId: ClassId, name: Name });
/** `to`: the class they go to; empty where they leave for good. */
export const MovingStudent = z.object({
  classId: ClassId,
  student: PersonId,
  to: ClassId.default(''),
});
/** Addresses with commas between; empty: none. */
export const SettingFamily = z.object({
  classId: ClassId,
  student: PersonId,
  family: z
    .string()
    .max(2000, 'That is too long.')
    .transform((text, context) => {
      const { addresses, unread } = addressesIn(text);
      if (unread.length > 0 || (addresses.length === 0 && text.trim() !== ''))
        context.addIssue({ code: 'custom', message: `“${unread[0] ?? text.trim()}” is no e-mail address.` });
      if (addresses.length > MOST_FAMILY)
        context.addIssue({ code: 'custom', message: `At most ${MOST_FAMILY} addresses.` });
      return addresses;
    }),
});
export const ForgettingFamilies = z.object({ classId: ClassId });
export const RenamingStudent = z.object({ classId: ClassId, student: PersonId, name: Name });
/** `student` and `other` are one and the same child: the first stays. */
export const MergingStudents = z.object({ classId: ClassId, student: PersonId, other: PersonId });
/** `student`: one, everybody who has no pictures yet, or everybody. */
export const MakingCards = z.object({ classId: ClassId, student: z.string().max(40).default('without') });
export const WithCode = z.object({ classId: ClassId, what: z.enum(['renew', 'close', 'open']) });
export const Archiving = z.object({ classId: ClassId, over: z.enum(['yes', 'no']) });

/** How many classes and names a file can bring at once. */
const MOST_CLASSES = 60;
const MOST_NAMES = 2000;
const IN_ONE = 400;
/** What another program calls something. */
const SourceId = z.string().trim().min(1).max(LONGEST_ID);
const Family = z.array(z.string().refine(isAddress, 'One of the addresses is none.')).max(MOST_FAMILY);
/** Classes with their students, as they were read from a file. `into`: a class that is there; empty for a new one. */
export const Roster = z
  .array(
    z.object({
      into: ClassId,
      name: Name,
      id: SourceId.optional(),
      students: z
        .array(z.object({ name: Name, id: SourceId.optional(), family: Family.optional() }))
        .min(1)
        .max(IN_ONE, `A class has at most ${IN_ONE} students. Choose the column with the class.`),
    }),
  )
  .min(1, 'Choose at least one class with at least one name.')
  .max(MOST_CLASSES, `At most ${MOST_CLASSES} classes at once. Leave some out.`)
  .refine(
    (classes) => classes.reduce((sum, { students }) => sum + students.length, 0) <= MOST_NAMES,
    `At most ${MOST_NAMES.toLocaleString('en')} names at once. Leave some classes out, and read the file again for those.`,
  );
export type Roster = z.infer<typeof Roster>;

/** @throws Refused where another class of theirs is called so */
async function freeName(db: Database, teacher: Teacher, name: string, except?: string): Promise<void> {
  const others = (await classesOf(db, teacher.id)).filter(({ id, archivedAt }) => id !== except && archivedAt === null);
  if (isTaken(name, others))
    throw new Refused(422, `You have a class “${name}” already. Choose a name that tells them apart.`, 'name');
}

/** @throws Refused where another class of theirs is called so */
export async function addClassFor(db: Database, teacher: Teacher, { name }: z.infer<typeof AddingClass>) {
  await freeName(db, teacher, name);
  return addClass(db, { schoolId: teacher.schoolId, teacherId: teacher.id, name });
}

type ToAdd = { classId: string; names: readonly string[] };
type Added = { added: string[]; there: string[] };

/**
 * Those who were added, and those who were there already. Whoever is added gets what the class was handed out before.
 * @throws Refused where the class is not theirs
 */
export async function addStudentsTo(means: Means, teacher: Teacher, given: ToAdd): Promise<Added> {
  await fullClass(means.db, teacher, given.classId);
  return adding(means, teacher, given);
}

/** The same for a class of which it is known that they may. */
async function adding({ db, pictures }: Means, { schoolId }: Teacher, { classId, names }: ToAdd): Promise<Added> {
  const { added, there } = await addStudents(db, { schoolId, classId, names });
  for (const { id } of added) await addLateCopies(db, id, pictures);
  return { added: added.map(({ name }) => name), there };
}

/**
 * Adds classes and students as a file has them. A class or a student of the same name is not added again, so that a file can be
 * sent twice.
 * @returns how many classes and students were added, and how many students were there
 * @throws Refused where a class is not theirs
 */
export async function addRoster(
  means: Means,
  teacher: Teacher,
  roster: Roster,
): Promise<{ classes: number; added: number; there: number }> {
  const { db } = means;
  for (const { into } of roster) if (into) await fullClass(db, teacher, into);
  const done = { classes: 0, added: 0, there: 0 };
  const ids = new Map(
    (await classesOf(db, teacher.id)).flatMap(({ id, name, archivedAt, rights }) =>
      archivedAt === null && rights === 'full' ? [[sameName(name), id]] : [],
    ),
  );
  for (const { into, name, id, students } of roster) {
    let classId = into || ids.get(sameName(name));
    if (!classId) {
      classId = await addClass(db, { schoolId: teacher.schoolId, teacherId: teacher.id, name });
      ids.set(sameName(name), classId);
      done.classes++;
    }
    const { added, there } = await adding(means, teacher, { classId, names: students.map((one) => one.name) });
    await keepListed(db, classId, { id, students });
    done.added += added.length;
    done.there += there.length;
  }
  return done;
}

/** @throws Refused where the class is not theirs, or nobody needs a card */
export async function makeCardsFor(
  db: Database,
  teacher: Teacher,
  { classId, student }: z.infer<typeof MakingCards>,
): Promise<{ code: string; cards: Card[] }> {
  const { code } = await fullClass(db, teacher, classId);
  const cards = await makeCards(db, teacher.id, classId, student);
  if (cards.length === 0)
    throw new Refused(
      422,
      student === 'all' ? 'Nobody is in this class yet.' : 'Everybody in this class already has their own pictures.',
    );
  return { code, cards };
}

/** @throws Refused where the class is not theirs, or another of theirs is called so */
export async function renameClassFor(
  db: Database,
  teacher: Teacher,
  { classId, name }: z.infer<typeof RenamingClass>,
): Promise<void> {
  await fullClass(db, teacher, classId);
  await freeName(db, teacher, name, classId);
  await renameClass(db, classId, name);
}

/** A member of a class on which the teacher has full rights. @throws Refused */
async function memberOf(db: Database, teacher: Teacher, classId: string, student: string) {
  await fullClass(db, teacher, classId);
  const members = await membersOf(db, classId);
  const member = members.find(({ id }) => id === student);
  if (!member) throw missing();
  return { members, member };
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
  const { member } = await memberOf(db, teacher, classId, student);
  const other = to ? await fullClass(db, teacher, to) : null;
  if (other && isTaken(member.name, await membersOf(db, other.id)))
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

/** @throws Refused where the class is not theirs, or somebody else in it is called so */
export async function renameStudentFor(
  db: Database,
  teacher: Teacher,
  { classId, student, name }: z.infer<typeof RenamingStudent>,
): Promise<string> {
  const { members, member } = await memberOf(db, teacher, classId, student);
  if (
    isTaken(
      name,
      members.filter((one) => one !== member),
    )
  )
    throw new Refused(
      422,
      `Somebody in this class is called ${name} already. Choose a name that tells them apart, such as “${name} B.”.`,
      'name',
    );
  await renameStudent(db, student, name);
  return member.name;
}

/** Sets where letters about a student go. @throws Refused where the class is not theirs */
export async function setFamilyFor(
  db: Database,
  teacher: Teacher,
  { classId, student, family }: z.infer<typeof SettingFamily>,
): Promise<string> {
  const { member } = await memberOf(db, teacher, classId, student);
  await setFamily(db, student, family);
  return member.name;
}

/** @returns of how many students. @throws Refused where the class is not theirs */
export async function forgetFamiliesFor(
  db: Database,
  teacher: Teacher,
  { classId }: z.infer<typeof ForgettingFamilies>,
): Promise<number> {
  await fullClass(db, teacher, classId);
  return forgetFamilies(db, classId);
}

/**
 * Makes two students of a class one, whose work is that of both.
 * @throws Refused where the class is not theirs, or both have begun on the same handout
 */
export async function mergeStudentsFor(
  { db, pictures }: Means,
  teacher: Teacher,
  { classId, student, other }: z.infer<typeof MergingStudents>,
): Promise<{ kept: string; gone: string }> {
  const { members, member } = await memberOf(db, teacher, classId, student);
  const gone = members.find(({ id }) => id === other);
  if (!gone || gone === member) throw missing();
  const both = await begunByBoth(db, student, other);
  if (both.length > 0)
    throw new Refused(
      422,
      `${member.name} and ${gone.name} have both begun “${both[0]}”${both.length > 1 ? ` and ${both.length - 1} more` : ''}. Two who work on the same handout can’t be made one.`,
    );
  await db.transaction((tx) => mergeStudents(tx, student, other));
  await addLateCopies(db, student, pictures);
  return { kept: member.name, gone: gone.name };
}

/** Renews the code of a class, closes it or opens it again. Gives the code. @throws Refused where the class is not theirs */
export async function changeCode(
  db: Database,
  teacher: Teacher,
  { classId, what }: z.infer<typeof WithCode>,
): Promise<string> {
  const { code } = await fullClass(db, teacher, classId);
  if (what === 'renew') return renewCode(db, classId);
  await closeCode(db, classId, what === 'close');
  return code;
}

/** Puts a class into the archive, or brings it back. @throws Refused where it is not their own */
export async function archiveFor(
  db: Database,
  teacher: Teacher,
  { classId, over }: z.infer<typeof Archiving>,
): Promise<string> {
  const { name } = await ownClass(db, teacher, classId);
  await archiveClass(db, classId, over === 'yes' ? new Date() : null);
  return name;
}
