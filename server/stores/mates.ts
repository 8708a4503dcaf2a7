import type { Queries } from '../database/connection';

/** Several students on one copy. The first of them is its student, the others are its mates. */

/** Whether the person `$n` works on the copy `copy`. */
export const worksOn = (n: number): string =>
  `(copy.student_id = $${n} or exists (select 1 from copy_mate m where m.copy_id = copy.id and m.person_id = $${n}))`;

/** The copies that the person `$1` works on, by their identity. */
export const COPIES_OF = `(select id from copy where student_id = $1 union all select copy_id from copy_mate where person_id = $1)`;

/** All who work on the copy `copy`, as persons `o`. */
const ALL = `(select copy.student_id as id union all select m.person_id from copy_mate m where m.copy_id = copy.id) works
  join person o on o.id = works.id`;

/** All who work on the copy `copy`, as one name: see core/values/names.ts. */
export const NAMES = `(select string_agg(o.name, ' & ' order by o.name) from ${ALL})`;

/** The names of those who work on the copy `copy` beside the person `$1`. */
export const MATES = `(select coalesce(jsonb_agg(o.name order by o.name), '[]') from ${ALL} where o.id <> $1)`;

/** All who work on some copies of a handout. */
export const workersOn = async (db: Queries, handoutId: string, copyIds: readonly string[]): Promise<string[]> =>
  (
    await db.query<{ id: string }>(
      `with meant as (select id, student_id from copy where handout_id = $1 and id = any($2))
       select student_id as id from meant union select m.person_id from copy_mate m join meant on meant.id = m.copy_id`,
      [handoutId, copyIds],
    )
  ).map(({ id }) => id);

export const addMates = async (tx: Queries, copyId: string, people: readonly string[]): Promise<void> =>
  void (await tx.query(
    'insert into copy_mate (copy_id, person_id) select $1, unnest($2::text[]) on conflict do nothing',
    [copyId, people],
  ));

/** Who joined a group joins the copies that it works on, unless they have one of that handout, or `most` work on it. */
export const joinGroupCopies = async (tx: Queries, studentId: string, most: number): Promise<void> =>
  void (await tx.query(
    `insert into copy_mate (copy_id, person_id)
       select distinct on (copy.handout_id) copy.id, $1 from group_member g join copy on copy.group_id = g.group_id
       where g.person_id = $1 and (select count(*) from copy_mate m where m.copy_id = copy.id) < $2 - 1
         and not exists (select 1 from ${COPIES_OF} mine join copy own on own.id = mine.id where own.handout_id = copy.handout_id)
       order by copy.handout_id, copy.id
     on conflict do nothing`,
    [studentId, most],
  ));

/** A student no longer works on those of these copies that nobody has begun and that others work on too. */
export async function leaveCopies(tx: Queries, studentId: string, classId: string): Promise<void> {
  await tx.query(
    `delete from copy_mate using copy, handout h where copy.id = copy_mate.copy_id and h.id = copy.handout_id
       and copy_mate.person_id = $1 and h.class_id = $2 and copy.state = 'not-begun'`,
    [studentId, classId],
  );
  await passOn(
    tx,
    studentId,
    `copy.state = 'not-begun' and copy.handout_id in (select id from handout where class_id = $2)`,
    [classId],
  );
}

/** Copies of a student on which others work too become theirs. `which` says which, with parameters from $2 on. */
async function passOn(tx: Queries, studentId: string, which: string, parameters: readonly unknown[]): Promise<void> {
  await tx.query(
    `with passed as (
       update copy set student_id = mate.person_id
         from (select distinct on (copy_id) copy_id, person_id from copy_mate order by copy_id, person_id) mate
         where mate.copy_id = copy.id and copy.student_id = $1 and ${which} returning copy.id, copy.student_id)
     delete from copy_mate using passed where copy_mate.copy_id = passed.id and copy_mate.person_id = passed.student_id`,
    [studentId, ...parameters],
  );
}

/** What `other` works on together with others is `keep`'s work now: part of making two students one. */
export async function mergeMates(tx: Queries, keep: string, other: string): Promise<void> {
  // Two copies of one handout can't both be theirs: the group goes on with its own.
  await passOn(
    tx,
    other,
    'exists (select 1 from copy_mate m where m.copy_id = copy.id) and copy.handout_id in (select own.handout_id from copy own where own.student_id = $2)',
    [keep],
  );
  await tx.query(
    'insert into copy_mate (copy_id, person_id) select copy_id, $1 from copy_mate where person_id = $2 on conflict do nothing',
    [keep, other],
  );
  await tx.query('delete from copy_mate where person_id = $1', [other]);
  await tx.query(
    'delete from copy_mate using copy where copy.id = copy_mate.copy_id and copy.student_id in ($1, $2) and copy_mate.person_id = $1',
    [keep, other],
  );
}

/** How many changes each of several made on a copy, the most first. */
export const sharesOf = (db: Queries, copyId: string) =>
  db.query<{ name: string; changes: number }>(
    `select who.name, (select count(*)::int from document_change c where c.document_id = copy.document_id and c.author_id = who.id) as changes
     from copy cross join lateral (select o.id, o.name from ${ALL}) who
     where copy.id = $1 order by changes desc, who.name`,
    [copyId],
  );
