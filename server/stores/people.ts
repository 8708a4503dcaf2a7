import { hashSecret } from '../accounts/secret';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';

export type Person = {
  id: string;
  schoolId: string;
  schoolName: string;
  role: 'teacher' | 'student';
  name: string;
  /** Looks after the teachers of the school. */
  head: boolean;
};

const PERSON = `p.id, p.school_id as "schoolId", s.name as "schoolName", p.role, p.name, p.head`;

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
    return addPerson(tx, { schoolId, role: 'teacher', name: given.name, email: given.email, secretHash, head: true });
  });
  return id === null ? null : (await personById(db, id))!;
}

export async function addPerson(
  db: Queries,
  given: {
    schoolId: string;
    role: Person['role'];
    name: string;
    email?: string;
    secret?: string;
    secretHash?: string;
    head?: boolean;
  },
): Promise<string> {
  const id = newId();
  const hash = given.secretHash ?? (given.secret ? await hashSecret(given.secret) : null);
  await db.query(
    'insert into person (id, school_id, role, name, email, secret_hash, head) values ($1, $2, $3, $4, $5, $6, $7)',
    [id, given.schoolId, given.role, given.name, given.email?.toLowerCase() ?? null, hash, given.head ?? false],
  );
  return id;
}

export const personById = async (db: Queries, id: string) =>
  one(
    await db.query<Person>(`select ${PERSON} from person p join school s on s.id = p.school_id where p.id = $1`, [id]),
  );

/** The teachers of a person's school, and everybody in the classes that they teach or are in. */
export const namesAround = async (db: Queries, personId: string): Promise<string[]> =>
  (
    await db.query<{ name: string }>(
      `with around as (
         select class_id as id from teaches where person_id = $1
         union select class_id from class_member where person_id = $1)
       select name from person where school_id = (select school_id from person where id = $1) and role = 'teacher'
       union select p.name from around a join class_member m on m.class_id = a.id join person p on p.id = m.person_id
       order by name limit 3000`,
      [personId],
    )
  ).map(({ name }) => name);

/** Those of these people that are there, with their names. */
export const peopleNamed = (db: Queries, ids: readonly string[]) =>
  db.query<Pick<Person, 'id' | 'name' | 'role'>>('select id, name, role from person where id = any($1) order by name', [
    ids,
  ]);
