import { z } from 'zod';
import { isTaken } from '../../core/values/roster';
import type { Database } from '../database/connection';
import { addGroup, groupsOf, removeGroup, setGroup } from '../stores/groups';
import { addLateCopies } from '../stores/handing-out';
import { fullClass } from './class-rights';
import type { Teacher } from './classes';
import { ClassId, Name, PersonId } from './classes';
import type { Means } from './means';
import { missing, Refused } from './refused';
import { spaced } from './spaced';

/** Groups within a class. */

/** A group as it shall be. `group`: its identity, chosen by who asks where it is new, so that it is made once. */
export const SettingGroup = z.object({
  classId: ClassId,
  group: z.string().regex(/^[\w-]{12}$/),
  name: Name,
  /** Identities, one after the other. */
  members: z.string().max(20_000).pipe(spaced).pipe(z.array(PersonId).min(1, 'Choose who is in the group.').max(400)),
});
export const RemovingGroup = z.object({ classId: ClassId, group: PersonId });

/**
 * Makes a group or changes it. Who is new in it gets what it was handed out before; who is no longer in it keeps their copies.
 * @throws Refused where the class is not theirs, or another of its groups is called so
 */
export async function setGroupFor(
  { db, pictures }: Means,
  teacher: Teacher,
  { classId, group, name, members }: z.infer<typeof SettingGroup>,
): Promise<void> {
  await fullClass(db, teacher, classId);
  const groups = await groupsOf(db, [classId]);
  if (
    isTaken(
      name,
      groups.filter((one) => one.id !== group),
    )
  )
    throw new Refused(422, `There is a group “${name}” in this class already. Choose another name.`, 'name');
  const added = await db.transaction(async (tx) => {
    if (!groups.some(({ id }) => id === group)) await addGroup(tx, classId, name, group);
    return setGroup(tx, { id: group, classId, name }, members);
  });
  for (const student of added) await addLateCopies(db, student, pictures);
}

/** Copies that were handed out to it stay. @throws Refused where it is not of a class of theirs */
export async function removeGroupFor(
  db: Database,
  teacher: Teacher,
  { classId, group }: z.infer<typeof RemovingGroup>,
): Promise<string> {
  await fullClass(db, teacher, classId);
  const found = (await groupsOf(db, [classId])).find(({ id }) => id === group);
  if (!found) throw missing();
  await removeGroup(db, group);
  return found.name;
}
