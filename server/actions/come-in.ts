import { z } from 'zod';
import { isSecret, maybeSecret, SECRET_LENGTH } from '../../core/handout/secret';
import { giveBack, take } from '../accounts/allowance';
import type { Database } from '../database/connection';
import { classByCode } from '../stores/classes';
import { demoDoors } from '../stores/demo';
import type { Person } from '../stores/people';
import { beginSchool, personById } from '../stores/people';
import type { From, SignedIn } from '../stores/sign-in';
import { chooseSecret, codeTries, namesIn, signInStudent, signInTeacher } from '../stores/sign-in';
import { Refused } from './refused';

/** Signing in: teachers by password, students by the code of their class and their pictures. */

export const TeacherSignIn = z.object({
  email: z.string().trim().min(1, 'Type the e-mail address you were registered with.').max(200),
  password: z.string().min(1, 'Type your password.').max(200),
});
export const ClassCode = z.object({
  code: z.string().trim().min(1, 'Type the code your teacher gave you.').max(20),
});
export const FirstSchool = z.object({
  school: z.string().trim().min(1, 'Type the name of your school.').max(120),
  name: z.string().trim().min(1, 'Type your name.').max(80),
  email: z.email('Type your e-mail address: you sign in with it.').max(200),
  password: z
    .string()
    .min(10, 'Choose a password of at least 10 letters; a few words in a row are easy to remember.')
    .max(200),
});
export const DemoDoor = z.object({ person: z.string().max(80) });
/** `student`: how a student is named before sign-in, see `namesIn`. */
export const Joining = z.object({
  code: z.string().max(20),
  student: z.string().min(1, 'Choose your name first.').max(40),
  secret: z.string().refine(maybeSecret, `Choose your ${SECRET_LENGTH} pictures, in your order.`),
});
export const ChoosingSecret = z.object({
  first: z.string().refine(isSecret, `Choose ${SECRET_LENGTH} pictures, in an order that you can remember.`),
  secret: z.string(),
});

type Entered = { person: Person; mustChoose: boolean };

/** How long until it may be tried again, in words. */
const waitWords = (seconds: number): string =>
  seconds < 90 ? `${Math.max(2, seconds)} seconds` : `${Math.ceil(seconds / 60)} minutes`;

/** @throws Refused for a wrong pair, and for a while after too many tries */
export async function enterAsTeacher(
  db: Database,
  { email, password }: z.infer<typeof TeacherSignIn>,
  from: From,
): Promise<Entered> {
  const result = await signInTeacher(db, email, password, from);
  if (result.ok) return result;
  throw new Refused(
    422,
    result.reason === 'slow'
      ? `Too many tries. Try again in ${waitWords(result.seconds)}.`
      : 'This e-mail and password don’t match. Check both; capitals count in the password.',
    'password',
  );
}

/** The first teacher of an empty installation, with their school. @throws Refused where there is one already */
export async function enterFirst(db: Database, given: z.infer<typeof FirstSchool>): Promise<Entered> {
  const person = await beginSchool(db, given);
  if (!person)
    throw new Refused(
      422,
      'A school has been set up here already. Sign in with your address, or ask whoever set it up.',
    );
  return { person, mustChoose: false };
}

/** @throws Refused outside the demo */
export async function enterDemo(
  { db, demo }: { db: Database; demo: boolean },
  { person: name }: z.infer<typeof DemoDoor>,
): Promise<Entered> {
  const door = demo ? (await demoDoors(db)).find((one) => one.name === name) : undefined;
  const person = door && (await personById(db, door.id));
  if (!person) throw new Refused(422, 'This is not a demo, so there is no way in without a password.');
  return { person, mustChoose: false };
}

type OpenClass = NonNullable<Awaited<ReturnType<typeof classByCode>>>;

async function lookUp(db: Database, code: string, from: From): Promise<{ seconds: number; found?: OpenClass }> {
  const tries = codeTries(from);
  const seconds = await take(db, tries);
  if (seconds > 0) return { seconds };
  const found = await classByCode(db, code);
  // Only codes that lead nowhere count as tries.
  if (found) await giveBack(db, tries);
  return { seconds, found };
}

/** @throws Refused where no class has the code, and for a while after too many tries */
export async function classOfCode(db: Database, { code }: z.infer<typeof ClassCode>, from: From): Promise<OpenClass> {
  const { seconds, found } = await lookUp(db, code, from);
  if (seconds > 0)
    throw new Refused(422, `Too many codes were tried from here. Try again in ${waitWords(seconds)}.`, 'code');
  if (!found)
    throw new Refused(422, `There is no class with the code “${code}”. Check it, or ask your teacher.`, 'code');
  return found;
}

/** A class with the names of its members, and no more than names, for whoever knows its code; null where there is none. */
export async function classToJoin(db: Database, code: string, from: From) {
  const { found } = await lookUp(db, code, from);
  return found ? { class: found, members: await namesIn(db, found.id) } : null;
}

/** @throws Refused for wrong pictures, and for a while after too many tries */
export async function enterAsStudent(
  db: Database,
  { code, student, secret }: z.infer<typeof Joining>,
  from: From,
): Promise<Entered> {
  const result = await signInStudent(db, code, student, secret, from);
  if (result.ok) return result;
  throw new Refused(
    422,
    result.reason === 'slow'
      ? `That was tried too often just now. Try again in ${waitWords(result.seconds)}, or ask your teacher for a card.`
      : 'Those are not your pictures. Try again: the order counts. If you have forgotten them or have none yet, ask your teacher for a card.',
  );
}

/** Pictures of their own for a student who came in with a card. @throws Refused where the two choices differ */
export async function chooseOwnSecret(
  db: Database,
  person: Pick<SignedIn, 'id' | 'mustChoose'>,
  token: string,
  { first, secret }: z.infer<typeof ChoosingSecret>,
): Promise<void> {
  if (!person.mustChoose) throw new Refused(403, 'You already have your own pictures.');
  if (first !== secret)
    throw new Refused(422, 'The second time they were different, or in a different order. Choose them again.');
  await chooseSecret(db, person.id, secret, token);
}
