import { randomInt } from 'node:crypto';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { forgetAddresses } from './letters';
import { leaveCopies } from './mates';
import { addPerson } from './people';
import { sameName } from '../../core/values/roster';
import { byName } from '../database/by-name';

/** What a teacher may do with a class and its work. */
export type Rights = 'full' | 'read';

export type ClassRow = {
  id: string;
  name: string;
  code: string;
  /** The code lets nobody in. */
  codeClosed: boolean;
  archivedAt: Date | null;
  size: number;
  rights: Rights;
  /** Whose class it is, where it is another's. */
  owner: string | null;
};

/** Letters and digits that can't be taken for one another. */
const CODE = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
export const newCode = () => Array.from({ length: 5 }, () => CODE[randomInt(CODE.length)]).join('');

export async function addClass(
  db: Queries,
  given: { schoolId: string; teacherId: string; name: string; code?: string },
): Promise<string> {
  const id = newId();
  await db.query('insert into class (id, school_id, teacher_id, name, code) values ($1, $2, $3, $4, $5)', [
    id,
    given.schoolId,
    given.teacherId,
    given.name,
    given.code ?? newCode(),
  ]);
  return id;
}

/** Which classes somebody teaches, and what they may do there. */
export const taughtBy = (db: Queries, teacherId: string) =>
  db.query<{ classId: string; rights: Rights }>(
    `select class_id as "classId", rights from teaches where person_id = $1`,
    [teacherId],
  );

/** The classes that somebody teaches, their own and those they were let into; those that are over among them. */
export async function classesOf(db: Queries, teacherId: string): Promise<ClassRow[]> {
  // In two steps: of a view the planner can't tell how few classes it gives.
  const taught = await taughtBy(db, teacherId);
  const classes = await db.query<Omit<ClassRow, 'rights'>>(
    `select c.id, c.name, c.code, c.code_closed as "codeClosed", c.archived_at as "archivedAt",
       (select count(*)::int from class_member m where m.class_id = c.id) as size,
       case when c.teacher_id <> $1 then (select name from person where id = c.teacher_id) end as owner
     from class c where c.id = any($2)`,
    [teacherId, taught.map(({ classId }) => classId)],
  );
  return byName(
    classes.map((one) => ({ ...one, rights: taught.find(({ classId }) => classId === one.id)!.rights })),
    ({ name }) => name,
  );
}

/** Whether its teacher may hand something out to it. */
export const takesHandouts = ({ rights, archivedAt }: Pick<ClassRow, 'rights' | 'archivedAt'>): boolean =>
  rights === 'full' && archivedAt === null;

export const classByCode = async (db: Queries, code: string) =>
  one(
    await db.query<{ id: string; name: string; code: string; school: string }>(
      `select c.id, c.name, c.code, s.name as school from class c join school s on s.id = c.school_id where c.code = $1
         and not c.code_closed and c.archived_at is null`,
      [code.trim().toUpperCase()],
    ),
  );

export type Member = { id: string; name: string; hasSecret: boolean };
export const membersOf = async (db: Queries, classId: string): Promise<Member[]> =>
  byName(
    await db.query<Member>(
      `select p.id, p.name, p.secret_hash is not null as "hasSecret" from class_member m join person p on p.id = m.person_id where m.class_id = $1`,
      [classId],
    ),
    ({ name }) => name,
  );

/** A student by identity, for a teacher of one of their classes. */
export const studentOf = async (
  db: Queries,
  teacherId: string,
  id: string,
): Promise<{ id: string; name: string } | undefined> =>
  one(
    await db.query<{ id: string; name: string }>(
      `select p.id, p.name from person p where p.id = $2 and p.role = 'student' and exists
         (select 1 from class_member m join teaches t on t.class_id = m.class_id and t.person_id = $1 where m.person_id = p.id)`,
      [teacherId, id],
    ),
  );

export async function addStudent(
  db: Queries,
  given: { schoolId: string; classId: string; name: string; secretHash?: string },
): Promise<string> {
  const id = await addPerson(db, {
    schoolId: given.schoolId,
    role: 'student',
    name: given.name,
    secretHash: given.secretHash,
  });
  await db.query('insert into class_member (class_id, person_id) values ($1, $2)', [given.classId, id]);
  return id;
}

/** Adds those who are not in the class yet, all or none; a list that is sent twice adds nobody twice. */
export function addStudents(
  db: Database,
  given: { schoolId: string; classId: string; names: readonly string[] },
): Promise<{ added: { id: string; name: string }[]; there: string[] }> {
  const { schoolId, classId } = given;
  return db.transaction(async (tx) => {
    // Whoever adds to this class at the same moment waits, and then finds these there.
    await tx.query('select 1 from class where id = $1 for update', [classId]);
    const known = new Set((await membersOf(tx, classId)).map(({ name }) => sameName(name)));
    const added: { id: string; name: string }[] = [];
    const there: string[] = [];
    for (const name of given.names) {
      if (known.has(sameName(name))) there.push(name);
      else {
        added.push({ id: await addStudent(tx, { schoolId, classId, name }), name });
        known.add(sameName(name));
      }
    }
    return { added, there };
  });
}

export const renameClass = async (db: Queries, classId: string, name: string): Promise<void> =>
  void (await db.query('update class set name = $2 where id = $1', [classId, name]));

/**
 * Takes a student out of a class. Copies that were begun stay with their handouts; the others go. Who is in no class any more is
 * signed out, and their family gets no letters. False where they are not in it.
 */
export async function leaveClass(tx: Queries, classId: string, studentId: string): Promise<boolean> {
  const left = await tx.query('delete from class_member where class_id = $1 and person_id = $2 returning class_id', [
    classId,
    studentId,
  ]);
  if (left.length === 0) return false;
  await tx.query(
    'delete from group_member using class_group g where g.id = group_id and g.class_id = $1 and person_id = $2',
    [classId, studentId],
  );
  await leaveCopies(tx, studentId, classId);
  await tx.query(
    `with gone as (
       delete from copy using handout h where h.id = copy.handout_id and h.class_id = $1 and copy.student_id = $2
         and copy.state = 'not-begun' returning copy.document_id)
     delete from document using gone where document.id = gone.document_id`,
    [classId, studentId],
  );
  const others = await tx.query('select 1 from class_member where person_id = $1 limit 1', [studentId]);
  if (others.length === 0) {
    await tx.query('delete from session where person_id = $1', [studentId]);
    await forgetAddresses(tx, [studentId]);
  }
  return true;
}

export const joinClass = async (tx: Queries, classId: string, studentId: string): Promise<void> =>
  void (await tx.query('insert into class_member (class_id, person_id) values ($1, $2) on conflict do nothing', [
    classId,
    studentId,
  ]));
