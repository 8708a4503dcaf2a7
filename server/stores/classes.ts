import { randomInt } from 'node:crypto';
import type { Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../id';
import { addPerson } from './people';

export type ClassRow = { id: string; name: string; code: string; size: number };

/** Letters and digits that can't be taken for one another. */
const CODE = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const newCode = () => Array.from({ length: 5 }, () => CODE[randomInt(CODE.length)]).join('');

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

export const classesOf = (db: Queries, teacherId: string) =>
  db.query<ClassRow>(
    `select c.id, c.name, c.code, (select count(*)::int from class_member m where m.class_id = c.id) as size
     from class c where c.teacher_id = $1 order by c.name`,
    [teacherId],
  );

export const classByCode = async (db: Queries, code: string) =>
  one(
    await db.query<{ id: string; name: string; code: string; school: string }>(
      `select c.id, c.name, c.code, s.name as school from class c join school s on s.id = c.school_id where c.code = $1`,
      [code.trim().toUpperCase()],
    ),
  );

export type Member = { id: string; name: string; hasSecret: boolean };
export const membersOf = (db: Queries, classId: string) =>
  db.query<Member>(
    `select p.id, p.name, p.secret_hash is not null as "hasSecret" from class_member m join person p on p.id = m.person_id where m.class_id = $1 order by p.name`,
    [classId],
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

export const isTeacherOf = async (db: Queries, teacherId: string, classId: string) =>
  (await db.query('select 1 from class where id = $1 and teacher_id = $2', [classId, teacherId])).length > 0;
