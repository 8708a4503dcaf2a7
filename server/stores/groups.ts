import { byName } from '../database/by-name';
import type { Queries } from '../database/connection';
import { newId } from '../database/id';

/** Groups within a class. Whoever asks has made sure that the class is the teacher's. */

export type Group = { id: string; classId: string; name: string; members: string[] };

export const groupsOf = async (db: Queries, classIds: readonly string[]): Promise<Group[]> =>
  byName(
    await db.query<Group>(
      `select g.id, g.class_id as "classId", g.name,
         (select coalesce(jsonb_agg(m.person_id), '[]') from group_member m where m.group_id = g.id) as members
       from class_group g where g.class_id = any($1)`,
      [classIds],
    ),
    ({ name }) => name,
  );

export async function addGroup(tx: Queries, classId: string, name: string, id = newId()): Promise<string> {
  await tx.query('insert into class_group (id, class_id, name) values ($1, $2, $3)', [id, classId, name]);
  return id;
}

/** Puts these students of its class into a group, and nobody else. Gives those who were not in it before. */
export async function setGroup(tx: Queries, group: Pick<Group, 'id' | 'classId' | 'name'>, members: readonly string[]) {
  await tx.query('update class_group set name = $2 where id = $1', [group.id, group.name]);
  await tx.query('delete from group_member where group_id = $1 and not person_id = any($2)', [group.id, members]);
  const added = await tx.query<{ id: string }>(
    `insert into group_member (group_id, person_id)
       select $1, person_id from class_member where class_id = $2 and person_id = any($3)
       on conflict do nothing returning person_id as id`,
    [group.id, group.classId, members],
  );
  return added.map(({ id }) => id);
}

export const removeGroup = async (db: Queries, id: string): Promise<void> =>
  void (await db.query('delete from class_group where id = $1', [id]));
