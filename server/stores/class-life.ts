import type { Queries } from '../database/connection';
import { newCode } from './classes';
import { mergeMates } from './mates';

/** A class over the years. Whoever asks has made sure that it is the teacher's. */

/** Puts a class away for good, or brings it back with null. */
export const archiveClass = async (db: Queries, id: string, at: Date | null): Promise<void> =>
  void (await db.query('update class set archived_at = $2 where id = $1', [id, at]));

/** Another code: the old one leads nowhere from now on. */
export async function renewCode(db: Queries, id: string): Promise<string> {
  const code = newCode();
  await db.query('update class set code = $2, code_closed = false where id = $1', [id, code]);
  return code;
}

/** A closed code lets nobody in; who is signed in stays so. */
export const closeCode = async (db: Queries, id: string, closed: boolean): Promise<void> =>
  void (await db.query('update class set code_closed = $2 where id = $1', [id, closed]));

export const renameStudent = async (db: Queries, id: string, name: string): Promise<void> =>
  void (await db.query('update person set name = $2 where id = $1', [id, name]));

/** Handouts on which both students have begun: these two can't be made one. */
export const begunByBoth = async (db: Queries, a: string, b: string): Promise<string[]> =>
  (
    await db.query<{ title: string }>(
      `select h.title from copy one join copy other on other.handout_id = one.handout_id and other.student_id = $2 and other.state <> 'not-begun'
         join handout h on h.id = one.handout_id
       where one.student_id = $1 and one.state <> 'not-begun' order by h.title`,
      [a, b],
    )
  ).map(({ title }) => title);

/**
 * Makes two students one: `keep` has the work, the classes and the groups of both from now on, and keeps their own pictures where
 * they have any. `other` is in no class any more and is signed out. Of a handout that both have, what was begun stays.
 */
export async function mergeStudents(tx: Queries, keep: string, other: string): Promise<void> {
  await mergeMates(tx, keep, other);
  await tx.query(
    `with gone as (
       delete from copy using copy twin where twin.handout_id = copy.handout_id and twin.student_id <> copy.student_id
         and copy.student_id = any($1) and twin.student_id = any($1)
         and copy.state = 'not-begun' and (twin.state <> 'not-begun' or copy.student_id = $2) returning copy.document_id)
     delete from document using gone where document.id = gone.document_id`,
    [[keep, other], other],
  );
  await tx.query('update copy set student_id = $1 where student_id = $2', [keep, other]);
  await tx.query(
    `update letter set student_id = $1 where student_id = $2 and not exists
       (select 1 from letter twin where twin.go_id = letter.go_id and twin.student_id = $1 and twin.address = letter.address)`,
    [keep, other],
  );
  await tx.query('update gallery_note set author_id = $1 where author_id = $2', [keep, other]);
  for (const table of ['class_member', 'group_member']) {
    const of = table === 'class_member' ? 'class_id' : 'group_id';
    await tx.query(
      `insert into ${table} (${of}, person_id) select ${of}, $1 from ${table} where person_id = $2 on conflict do nothing`,
      [keep, other],
    );
    await tx.query(`delete from ${table} where person_id = $1`, [other]);
  }
  await tx.query(
    `update person set secret_hash = coalesce(person.secret_hash, o.secret_hash), source_id = coalesce(person.source_id, o.source_id) from person o where person.id = $1 and o.id = $2`,
    [keep, other],
  );
  await tx.query(
    'insert into family_address (person_id, address) select $1, address from family_address where person_id = $2 on conflict do nothing',
    [keep, other],
  );
  for (const table of ['session', 'family_address'])
    await tx.query(`delete from ${table} where person_id = $1`, [other]);
}
