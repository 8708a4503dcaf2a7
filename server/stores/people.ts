import { createHash, randomBytes } from 'node:crypto';
import { checkSecret, hashSecret } from '../accounts/secret';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../id';

export type Person = { id: string; schoolId: string; schoolName: string; role: 'teacher' | 'student'; name: string };

const PERSON = `p.id, p.school_id as "schoolId", s.name as "schoolName", p.role, p.name`;

export async function addSchool(db: Queries, name: string): Promise<string> {
  const id = newId();
  await db.query('insert into school (id, name) values ($1, $2)', [id, name]);
  return id;
}

/** Whether anybody has been set up yet. */
export const isEmptyHouse = async (db: Queries) => (await db.query('select 1 from school limit 1')).length === 0;

/** The first school with its first teacher; null when there is one already. */
export async function beginSchool(
  db: Database,
  given: { school: string; name: string; email: string; password: string },
): Promise<Person | null> {
  const secretHash = await hashSecret(given.password);
  const id = await db.transaction(async (tx) => {
    // Two who begin at the same moment: the second finds the first one's school.
    await tx.query('lock table school in exclusive mode');
    if (!(await isEmptyHouse(tx))) return null;
    const schoolId = await addSchool(tx, given.school);
    return addPerson(tx, { schoolId, role: 'teacher', name: given.name, email: given.email, secretHash });
  });
  return id === null ? null : (await personById(db, id))!;
}

export async function addPerson(
  db: Queries,
  given: { schoolId: string; role: Person['role']; name: string; email?: string; secret?: string; secretHash?: string },
): Promise<string> {
  const id = newId();
  const hash = given.secretHash ?? (given.secret ? await hashSecret(given.secret) : null);
  await db.query('insert into person (id, school_id, role, name, email, secret_hash) values ($1, $2, $3, $4, $5, $6)', [
    id,
    given.schoolId,
    given.role,
    given.name,
    given.email?.toLowerCase() ?? null,
    hash,
  ]);
  return id;
}

// Sessions. The cookie holds a random token, the table only its hash.

const DAYS = { teacher: 14, student: 1 };
const hashToken = (token: string) => createHash('sha256').update(token).digest('hex');

export async function openSession(
  db: Queries,
  personId: string,
  role: Person['role'],
): Promise<{ token: string; expires: Date }> {
  const token = randomBytes(32).toString('base64url');
  const expires = new Date(Date.now() + DAYS[role] * 86_400_000);
  await db.query('delete from session where expires_at < now()');
  await db.query('insert into session (token_hash, person_id, expires_at) values ($1, $2, $3)', [
    hashToken(token),
    personId,
    expires,
  ]);
  return { token, expires };
}

export const closeSession = (db: Queries, token: string) =>
  db.query('delete from session where token_hash = $1', [hashToken(token)]);

export const personOf = async (db: Queries, token: string) =>
  one(
    await db.query<Person>(
      `select ${PERSON} from session join person p on p.id = session.person_id join school s on s.id = p.school_id
       where token_hash = $1 and expires_at > now()`,
      [hashToken(token)],
    ),
  );

export const personById = async (db: Queries, id: string) =>
  one(
    await db.query<Person>(`select ${PERSON} from person p join school s on s.id = p.school_id where p.id = $1`, [id]),
  );

// Signing in. Failures slow the next tries on the same account.

const FREE_TRIES = 5;
const WINDOW = '10 minutes';

export type SignIn = { ok: true; person: Person } | { ok: false; reason: 'wrong' | 'slow' };

async function attempt(db: Database, subject: string, check: () => Promise<string | null>): Promise<SignIn> {
  const [{ count }] = await db.query<{ count: number }>(
    `select count(*)::int as count from sign_in_failure where subject = $1 and at > now() - interval '${WINDOW}'`,
    [subject],
  );
  if (count >= FREE_TRIES) return { ok: false, reason: 'slow' };
  const id = await check();
  if (id === null) {
    await db.query('insert into sign_in_failure (subject) values ($1)', [subject]);
    return { ok: false, reason: 'wrong' };
  }
  await db.query(`delete from sign_in_failure where subject = $1 or at < now() - interval '1 day'`, [subject]);
  return { ok: true, person: (await personById(db, id))! };
}

export function signInTeacher(db: Database, email: string, password: string): Promise<SignIn> {
  const address = email.trim().toLowerCase();
  return attempt(db, `teacher ${address}`, async () => {
    const row = one(
      await db.query<{ id: string; hash: string | null }>(
        `select id, secret_hash as hash from person where role = 'teacher' and email = $1`,
        [address],
      ),
    );
    const right = await checkSecret(password, row?.hash ?? null);
    return row && right ? row.id : null;
  });
}

/** A student of the class by name; the first secret that is ever given becomes the student's own. */
export function signInStudent(db: Database, code: string, studentId: string, secret: string): Promise<SignIn> {
  return attempt(db, `student ${studentId}`, async () => {
    const row = one(
      await db.query<{ id: string; hash: string | null }>(
        `select p.id, p.secret_hash as hash from person p join class_member m on m.person_id = p.id join class c on c.id = m.class_id
         where p.id = $1 and c.code = $2 and p.role = 'student'`,
        [studentId, code],
      ),
    );
    if (row && row.hash === null) {
      await db.query('update person set secret_hash = $2 where id = $1 and secret_hash is null', [
        row.id,
        await hashSecret(secret),
      ]);
      return row.id;
    }
    const right = await checkSecret(secret, row?.hash ?? null);
    return row && right ? row.id : null;
  });
}

/** A forgotten picture secret: the student chooses a new one at the next sign-in. */
export const clearSecret = (db: Queries, teacherId: string, studentId: string) =>
  db.query(
    `update person set secret_hash = null where id = $2 and role = 'student'
       and exists (select 1 from class_member m join class c on c.id = m.class_id where m.person_id = $2 and c.teacher_id = $1)`,
    [teacherId, studentId],
  );
