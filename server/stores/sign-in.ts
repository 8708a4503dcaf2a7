import { createHash, createHmac, randomBytes, randomInt } from 'node:crypto';
import { SECRET_LENGTH, SECRET_PICTURES } from '../../core/handout/secret';
import type { Allowance } from '../accounts/allowance';
import { giveBack, take } from '../accounts/allowance';
import { checkSecret, hashSecret } from '../accounts/secret';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import type { Person } from './people';
import { personById } from './people';
import { byName } from '../database/by-name';

/** Coming in, and staying in. */

// Sessions. The cookie holds a random token, the table only its hash.

const DAYS = { teacher: 14, student: 1 };
const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');
const newToken = () => randomBytes(32).toString('base64url');

export async function openSession(
  db: Queries,
  personId: string,
  role: Person['role'],
  mustChoose = false,
): Promise<{ token: string; expires: Date }> {
  const token = newToken();
  const expires = new Date(Date.now() + DAYS[role] * 86_400_000);
  await db.query('insert into session (token_hash, person_id, expires_at, must_choose) values ($1, $2, $3, $4)', [
    hashToken(token),
    personId,
    expires,
    mustChoose,
  ]);
  return { token, expires };
}

export const closeSession = (db: Queries, token: string) =>
  db.query('delete from session where token_hash = $1', [hashToken(token)]);

export type SignedIn = Person & { mustChoose: boolean };
export const personOf = async (db: Queries, token: string) =>
  one(
    await db.query<SignedIn>(
      `select p.id, p.school_id as "schoolId", s.name as "schoolName", p.role, p.name, p.head, session.must_choose as "mustChoose"
       from session join person p on p.id = session.person_id join school s on s.id = p.school_id
       where token_hash = $1 and expires_at > now()`,
      [hashToken(token)],
    ),
  );

// Devices.

/** Notes that somebody has signed in on a device; gives its token, a new one for a new device. */
export async function knowDevice(db: Queries, personId: string, device: string | null): Promise<string> {
  const token = device ?? newToken();
  await db.query(
    `insert into device (token_hash, person_id) values ($1, $2)
     on conflict (token_hash, person_id) do update set last_at = now()`,
    [hashToken(token), personId],
  );
  return token;
}

const isKnown = async (db: Queries, device: string | null, personId: string): Promise<boolean> =>
  device !== null &&
  (await db.query('select 1 from device where token_hash = $1 and person_id = $2', [hashToken(device), personId]))
    .length > 0;

// How often may be tried.

/** Where a try comes from: the address, and the device where it is one of ours. */
export type From = { address: string; device: string | null };

const fromAddress = ({ address }: From): Allowance => ({ subject: `address ${address}`, burst: 300, every: 1 });
/** Somebody's account from where they have not been before, all together and from each address. */
const onAccount = (account: string, { address }: From): Allowance[] => [
  { subject: `account ${account} at ${address}`, burst: 6, every: 120 },
  { subject: `account ${account}`, burst: 30, every: 180 },
];
/** On their own device nobody else's tries count. */
const onDevice = (account: string, device: string): Allowance[] => [
  { subject: `device ${hashToken(device)} ${account}`, burst: 10, every: 30 },
];
const inClass = (classId: string): Allowance => ({ subject: `class ${classId}`, burst: 200, every: 10 });

async function allowancesFor(db: Queries, account: string, personId: string | null, from: From): Promise<Allowance[]> {
  const known = personId !== null && (await isKnown(db, from.device, personId));
  return known ? onDevice(account, from.device!) : [...onAccount(account, from), fromAddress(from)];
}

/** Looking for a class by a code: a school behind one address mistypes now and then, who guesses goes on and on. */
export const codeTries = ({ address }: From): Allowance[] => [{ subject: `code ${address}`, burst: 60, every: 10 }];

export type SignIn =
  | { ok: true; person: Person; mustChoose: boolean }
  | { ok: false; reason: 'wrong' }
  /** Tried too often just now; in so many seconds it may be tried again. */
  | { ok: false; reason: 'slow'; seconds: number };

/** A teacher, with their own password or with one from the head of the school, which is good once: they have to choose their own. */
export async function signInTeacher(db: Database, email: string, password: string, from: From): Promise<SignIn> {
  const address = email.trim().toLowerCase();
  const row = one(
    await db.query<{ id: string; hash: string | null; once: string | null }>(
      `select id, secret_hash as hash, once_hash as once from person where role = 'teacher' and email = $1`,
      [address],
    ),
  );
  const tries = await allowancesFor(db, `teacher ${address}`, row?.id ?? null, from);
  const seconds = await take(db, tries);
  if (seconds > 0) return { ok: false, reason: 'slow', seconds };
  const own = await checkSecret(password, row?.hash ?? null);
  const first = !(row && own) && row?.once ? await spendOnce(db, row.id, row.once, password) : false;
  if (!row || !(own || first)) return { ok: false, reason: 'wrong' };
  await giveBack(db, tries);
  return { ok: true, person: (await personById(db, row.id))!, mustChoose: first };
}

/**
 * A student of a class, with pictures of their own or those of a card from their teacher. A card is good once; who came in with
 * one has to choose pictures of their own.
 * @param ref how the student is told before sign-in, see `refOf`
 */
export async function signInStudent(
  db: Database,
  code: string,
  ref: string,
  secret: string,
  from: From,
): Promise<SignIn> {
  const members = await db.query<{ id: string; classId: string; hash: string | null; once: string | null }>(
    `select p.id, c.id as "classId", p.secret_hash as hash, p.once_hash as once
     from class c join class_member m on m.class_id = c.id join person p on p.id = m.person_id
     where c.code = $1 and not c.code_closed and c.archived_at is null and p.role = 'student'`,
    [code.trim().toUpperCase()],
  );
  const key = await houseKey(db, 'refs');
  const row = members.find((member) => refWith(key, member.classId, member.id) === ref);
  const account = `student ${row?.id ?? 'nobody'}`;
  const tries = await allowancesFor(db, account, row?.id ?? null, from);
  if (members.length > 0) tries.push(inClass(members[0].classId));
  const seconds = await take(db, tries);
  if (seconds > 0) return { ok: false, reason: 'slow', seconds };
  const own = await checkSecret(secret, row?.hash ?? null);
  const carded = !(row && own) && row?.once ? await spendOnce(db, row.id, row.once, secret) : false;
  if (!row || !(own || carded)) return { ok: false, reason: 'wrong' };
  await giveBack(db, tries);
  return { ok: true, person: (await personById(db, row.id))!, mustChoose: carded };
}

/** What is good once: of two who come with it at the same moment, one comes in. */
async function spendOnce(db: Queries, personId: string, hash: string, secret: string): Promise<boolean> {
  if (!(await checkSecret(secret, hash))) return false;
  const used = await db.query(
    'update person set once_hash = null where id = $1 and once_hash = $2 and secret_hash is null returning id',
    [personId, hash],
  );
  return used.length > 0;
}

// Students before sign-in: told by a word that stands for them in their class, and leads nowhere else.

const refWith = (key: string, classId: string, personId: string) =>
  createHmac('sha256', key).update(`${classId} ${personId}`).digest('base64url').slice(0, 16);

/** A key of this installation, made when it is first wanted. */
async function houseKey(db: Queries, what: 'refs' | 'seal'): Promise<string> {
  await db.query('insert into house (key, value) values ($1, $2) on conflict do nothing', [what, newToken()]);
  return (await db.query<{ value: string }>('select value from house where key = $1', [what]))[0].value;
}

/** The key under which a browser seals what somebody leaves in it unsaved: only they are given it. 32 bytes in hex. */
export const sealKey = async (db: Queries, personId: string): Promise<string> =>
  createHmac('sha256', await houseKey(db, 'seal'))
    .update(personId)
    .digest('hex');

/** Who is in a class, as it may be told to somebody who only knows its code. */
export async function namesIn(db: Queries, classId: string): Promise<{ ref: string; name: string }[]> {
  const key = await houseKey(db, 'refs');
  const members = await db.query<{ id: string; name: string }>(
    'select p.id, p.name from class_member m join person p on p.id = m.person_id where m.class_id = $1',
    [classId],
  );
  return byName(members, ({ name }) => name).map(({ id, name }) => ({ ref: refWith(key, classId, id), name }));
}

// Secrets.

/** Whether this is what somebody who is signed in signs in with; a wait in seconds where that was tried too often. */
export async function isOwnSecret(db: Database, personId: string, typed: string): Promise<boolean | number> {
  const tries = [{ subject: `own ${personId}`, burst: 10, every: 30 }];
  const seconds = await take(db, tries);
  if (seconds > 0) return seconds;
  const [row] = await db.query<{ hash: string | null }>('select secret_hash as hash from person where id = $1', [
    personId,
  ]);
  const right = await checkSecret(typed, row?.hash ?? null);
  if (right) await giveBack(db, tries);
  return right;
}

/** Somebody's own pictures or password from now on: every other session of theirs ends, and what was good once no longer counts. */
export async function chooseSecret(db: Database, personId: string, secret: string, token: string): Promise<void> {
  const hash = await hashSecret(secret);
  await db.transaction(async (tx) => {
    await tx.query('update person set secret_hash = $2, once_hash = null where id = $1', [personId, hash]);
    await tx.query('delete from session where person_id = $1 and token_hash <> $2', [personId, hashToken(token)]);
    await tx.query('update session set must_choose = false where token_hash = $1', [hashToken(token)]);
  });
}

/** A secret that is good once, in place of what counted before; whoever was signed in with that is signed out. */
export async function setOnce(tx: Queries, personId: string, hash: string): Promise<void> {
  await tx.query('update person set secret_hash = null, once_hash = $2 where id = $1', [personId, hash]);
  await tx.query('delete from session where person_id = $1', [personId]);
}

export type Card = { id: string; name: string; pictures: string[] };

/**
 * Cards with pictures that are good for one sign-in, for students of a teacher's class. What counted before counts no more, and
 * whoever was signed in with it is signed out. They are told this once: only their hashes are kept.
 */
export async function makeCards(
  db: Database,
  teacherId: string,
  classId: string,
  whom: string | 'without' | 'all',
): Promise<Card[]> {
  const students = byName(
    await db.query<{ id: string; name: string }>(
      `select p.id, p.name from class c join class_member m on m.class_id = c.id join person p on p.id = m.person_id
     where c.id = $1 and p.role = 'student'
       and exists (select 1 from teaches t where t.class_id = c.id and t.person_id = $2 and t.rights = 'full')
       and case $3 when 'without' then p.secret_hash is null when 'all' then true else p.id = $3 end`,
      [classId, teacherId, whom],
    ),
    ({ name }) => name,
  );
  const cards = students.map((student) => ({
    ...student,
    pictures: Array.from({ length: SECRET_LENGTH }, () => SECRET_PICTURES[randomInt(SECRET_PICTURES.length)]),
  }));
  const hashes = await inTurn(cards, ({ pictures }) => hashSecret(pictures.join(' ')));
  await db.transaction(async (tx) => {
    for (const [i, { id }] of cards.entries()) await setOnce(tx, id, hashes[i]);
  });
  return cards;
}

/** One after the other: each hash takes memory of its own. */
async function inTurn<T, R>(list: readonly T[], work: (one: T) => Promise<R>): Promise<R[]> {
  const out: R[] = [];
  for (const one of list) out.push(await work(one));
  return out;
}

/** What is past: sessions that have ended. */
export const forgetSessions = (db: Queries) => db.query('delete from session where expires_at < now()');
