import { byName } from '../database/by-name';
import type { Queries } from '../database/connection';
import type { Rights } from './classes';

/** The teachers of a school, and which of them teach a class beside the one whose class it is. */

export type Teacher = { id: string; name: string; email: string; head: boolean };
export const teachersIn = async (db: Queries, schoolId: string): Promise<Teacher[]> =>
  byName(
    await db.query<Teacher>(`select id, name, email, head from person where school_id = $1 and role = 'teacher'`, [
      schoolId,
    ]),
    ({ name }) => name,
  );

export const isRegistered = async (db: Queries, email: string): Promise<boolean> =>
  (await db.query('select 1 from person where email = $1', [email])).length > 0;

export type ClassTeacher = { classId: string; id: string; name: string; rights: Rights; endsAt: Date | null };
export const classTeachers = async (db: Queries, classIds: readonly string[]): Promise<ClassTeacher[]> =>
  byName(
    await db.query<ClassTeacher>(
      `select t.class_id as "classId", p.id, p.name, t.rights, t.ends_at as "endsAt" from class_teacher t join person p on p.id = t.person_id
       where t.class_id = any($1)`,
      [classIds],
    ),
    ({ name }) => name,
  );

/** Lets a teacher into a class, or changes what they may do there. */
export const setClassTeacher = async (
  db: Queries,
  given: { classId: string; personId: string; rights: Rights; endsAt: Date | null },
): Promise<void> =>
  void (await db.query(
    `insert into class_teacher (class_id, person_id, rights, ends_at) values ($1, $2, $3, $4)
     on conflict (class_id, person_id) do update set rights = excluded.rights, ends_at = excluded.ends_at`,
    [given.classId, given.personId, given.rights, given.endsAt],
  ));

export const removeClassTeacher = async (db: Queries, classId: string, personId: string): Promise<void> =>
  void (await db.query('delete from class_teacher where class_id = $1 and person_id = $2', [classId, personId]));
