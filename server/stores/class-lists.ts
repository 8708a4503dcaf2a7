import type { ReadStudent } from '../../core/formats/roster-file';
import { MOST_FAMILY } from '../../core/values/addresses';
import { sameName } from '../../core/values/roster';
import type { Database, Queries } from '../database/connection';
import { membersOf } from './classes';
import { forgetAddresses } from './letters';

/** What class lists of other programs say of classes and students besides their names. */

/** What is known of the students of a class: by the id of each. Those of whom nothing is known are left out. */
export type Listed = { personId: string; sourceId: string | null; family: string[] };
export const listedIn = (db: Queries, classId: string) =>
  db.query<Listed>(
    `select p.id as "personId", p.source_id as "sourceId",
       (select coalesce(jsonb_agg(a.address order by a.address), '[]') from family_address a where a.person_id = p.id) as family
     from class_member m join person p on p.id = m.person_id
     where m.class_id = $1 and (p.source_id is not null or exists (select 1 from family_address a where a.person_id = p.id))`,
    [classId],
  );

/** What the list of a class calls it, and each of these students. */
export const sourceOf = async (db: Queries, classId: string): Promise<string | null> =>
  (
    await db.query<{ sourceId: string | null }>('select source_id as "sourceId" from class where id = $1', [classId])
  ).at(0)?.sourceId ?? null;

/** Those who work on each copy of a handout, with what their list calls them. */
export const sourcesOn = (db: Queries, handoutId: string) =>
  db.query<{ copyId: string; personId: string; sourceId: string | null }>(
    `with works as (
       select id as copy, student_id as person from copy where handout_id = $1
       union all select m.copy_id, m.person_id from copy_mate m join copy on copy.id = m.copy_id where copy.handout_id = $1)
     select works.copy as "copyId", p.id as "personId", p.source_id as "sourceId" from works join person p on p.id = works.person order by p.name, p.id`,
    [handoutId],
  );

/** Keeps what a list says of a class and its students, who are in it by now. Ids are those of the newer list; addresses add up. */
export const keepListed = (
  db: Database,
  classId: string,
  { id, students }: { id?: string; students: readonly ReadStudent[] },
): Promise<void> =>
  db.transaction(async (tx) => {
    if (id) await tx.query('update class set source_id = $2 where id = $1', [classId, id]);
    const told = students.filter((one) => one.id || one.family);
    if (told.length === 0) return;
    const members = new Map((await membersOf(tx, classId)).map((one) => [sameName(one.name), one.id]));
    for (const student of told) {
      const personId = members.get(sameName(student.name));
      if (!personId) continue;
      if (student.id) await tx.query('update person set source_id = $2 where id = $1', [personId, student.id]);
      if (student.family) await addFamily(tx, personId, student.family);
    }
  });

const addFamily = (tx: Queries, personId: string, addresses: readonly string[]) =>
  tx.query(
    `insert into family_address (person_id, address)
     select $1, a from unnest($2::text[]) with ordinality as given(a, at)
     where not exists (select 1 from family_address where person_id = $1 and lower(address) = lower(a))
     order by at limit greatest(0, $3 - (select count(*)::int from family_address where person_id = $1))
     on conflict do nothing`,
    [personId, addresses, MOST_FAMILY],
  );

/** Sets where letters about a student go; nowhere where there is none. */
export const setFamily = (db: Database, personId: string, addresses: readonly string[]): Promise<void> =>
  db.transaction(async (tx) => {
    await tx.query('delete from family_address where person_id = $1', [personId]);
    await addFamily(tx, personId, addresses);
  });

/** Forgets all addresses of the families of a class; says of how many students. */
export const forgetFamilies = (db: Database, classId: string): Promise<number> =>
  db.transaction(async (tx) =>
    forgetAddresses(
      tx,
      (await membersOf(tx, classId)).map(({ id }) => id),
    ),
  );
