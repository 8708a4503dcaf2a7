import { randomInt } from 'node:crypto';
import { z } from 'zod';
import { hashSecret } from '../accounts/secret';
import type { Database } from '../database/connection';
import { addPerson } from '../stores/people';
import type { Person } from '../stores/people';
import type { SignedIn } from '../stores/sign-in';
import { chooseSecret, isOwnSecret, setOnce } from '../stores/sign-in';
import { isRegistered, removeClassTeacher, setClassTeacher, teachersIn } from '../stores/teachers';
import { ownClass } from './class-rights';
import type { Teacher } from './classes';
import { ClassId, Name, PersonId } from './classes';
import { Moment } from './hand-out';
import { missing, Refused } from './refused';

/** Teachers: who else teaches a class, and what the head of a school does for them. */

export const LettingIn = z.object({
  classId: ClassId,
  teacher: PersonId,
  rights: z.enum(['full', 'read']),
  /** Until when; empty for as long as it is wanted. */
  until: Moment,
});
export const LettingOut = z.object({ classId: ClassId, teacher: PersonId });

/** @throws Refused where the class is not their own, or the other is no teacher of the school */
export async function letIn(
  db: Database,
  person: Teacher,
  { classId, teacher, rights, until }: z.infer<typeof LettingIn>,
): Promise<string> {
  await ownClass(db, person, classId);
  const found = (await teachersIn(db, person.schoolId)).find(({ id }) => id === teacher);
  if (!found || found.id === person.id) throw missing();
  if (until && +until < Date.now())
    throw new Refused(422, 'That time is already past. Choose a later one, or leave it empty.', 'until');
  await setClassTeacher(db, { classId, personId: teacher, rights, endsAt: until });
  return found.name;
}

/** @throws Refused where the class is not their own */
export async function letOut(
  db: Database,
  person: Teacher,
  { classId, teacher }: z.infer<typeof LettingOut>,
): Promise<void> {
  await ownClass(db, person, classId);
  await removeClassTeacher(db, classId, teacher);
}

export const Password = z
  .string()
  .min(10, 'Choose a password of at least 10 letters; a few words in a row are easy to remember.')
  .max(200, 'A password has at most 200 letters.');
/** `current`: the one until now; not asked of who came in with one that is good once. */
export const ChoosingPassword = z.object({ password: Password, current: z.string().max(200).default('') });

/**
 * A password of their own, for a teacher who is signed in. Their other windows are signed out.
 * @throws Refused where the one until now is wrong
 */
export async function chooseOwnPassword(
  db: Database,
  { id, mustChoose }: Pick<SignedIn, 'id' | 'mustChoose'>,
  token: string,
  { password, current }: z.infer<typeof ChoosingPassword>,
): Promise<void> {
  const right = mustChoose || (await isOwnSecret(db, id, current));
  if (typeof right === 'number')
    throw new Refused(422, `That was tried too often just now. Try again in ${Math.max(2, right)} seconds.`, 'current');
  if (!right) throw new Refused(422, 'This is not your password until now. Check it; capitals count.', 'current');
  await chooseSecret(db, id, password, token);
}

export const WithSchool = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('add'),
    name: Name,
    email: z.email('Type the e-mail address that they will sign in with.').max(200),
  }),
  /** A password that is good once, in place of the one they had. */
  z.object({ do: z.literal('reset'), teacher: PersonId }),
]);
export type WithSchool = z.infer<typeof WithSchool>;

/** Words that are easily read aloud and typed. */
const WORDS =
  'amber anchor apple autumn basket beacon birch bramble breeze button candle canyon carrot cedar cherry cloud clover copper coral cricket daisy dolphin ember falcon feather fern forest garden ginger hazel heron honey island ivory jasmine juniper kettle lantern lemon linen maple marble meadow mellow mint mitten morning nettle oasis olive orchard otter paper pebble pepper pilot pine plum poppy puddle quartz quiet raven ribbon river robin saffron sandal shadow silver sparrow spruce stable summer sunset thistle thunder timber tulip velvet violet walnut whisper willow window winter yellow'.split(
    ' ',
  );
/** Four of them: about 26 bits, good once and told to one person only. */
const onceWords = () => Array.from({ length: 4 }, () => WORDS[randomInt(WORDS.length)]).join(' ');

/** @throws Refused for anybody but a head */
export function requireHead({ head }: Pick<Person, 'head'>): void {
  if (!head) throw new Refused(403, 'This page is for whoever looks after the teachers of the school.');
}

/** Adds a teacher, or sets a password anew. Gives the password that is good once; it is told this once. @throws Refused */
export async function doWithSchool(
  db: Database,
  head: Teacher & Pick<Person, 'head'>,
  wanted: WithSchool,
): Promise<{ name: string; email: string; password: string }> {
  requireHead(head);
  const teachers = await teachersIn(db, head.schoolId);
  const password = onceWords();
  const hash = await hashSecret(password);
  if (wanted.do === 'reset') {
    const found = teachers.find(({ id }) => id === wanted.teacher);
    if (!found) throw missing();
    if (found.id === head.id)
      throw new Refused(422, 'Your own password you change under “Your password”, without being signed out.');
    await db.transaction((tx) => setOnce(tx, found.id, hash));
    return { name: found.name, email: found.email, password };
  }
  const email = wanted.email.toLowerCase();
  await db.transaction(async (tx) => {
    if (await isRegistered(tx, email))
      throw new Refused(422, `Somebody is registered with ${email} already. Check the address.`, 'email');
    const id = await addPerson(tx, { schoolId: head.schoolId, role: 'teacher', name: wanted.name, email });
    await setOnce(tx, id, hash);
  });
  return { name: wanted.name, email, password };
}
