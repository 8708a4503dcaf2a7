import { z } from 'zod';
import { asExample, givenOut } from '../../core/handout/copy';
import { Id } from '../../core/schema/sheet';
import type { Sheet } from '../../core/schema/sheet';
import type { Queries } from '../database/connection';
import { copiesOf, copyForTeacher } from '../stores/copies';
import { goesOf } from '../stores/goes';
import { handedOutBefore, rightsOn } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { Means } from './means';
import { ownSheet, whole } from './opened';
import { missing, Refused } from './refused';

/** Look-fors tried before they are handed out: on what students made of this sheet before, or on an example. */

export const TryingOn = z.discriminatedUnion('on', [
  z.strictObject({ on: z.literal('piece'), id: Id }),
  z.strictObject({ on: z.literal('example'), id: Id }),
]);

export type TriedOn = { sheet: Sheet; handedOut: Sheet; name: string };

/** @throws Refused where it is not theirs, or can't be read */
export async function triedOn(
  { db }: Pick<Means, 'db'>,
  person: Pick<Person, 'id' | 'name'>,
  { on, id }: z.infer<typeof TryingOn>,
): Promise<TriedOn> {
  if (on === 'example') {
    const { sheet } = await whole(db, (await ownSheet(db, person.id, id)).documentId);
    return { sheet: asExample(sheet), handedOut: givenOut(sheet), name: person.name };
  }
  const copy = await copyForTeacher(db, person.id, id);
  if (!copy) throw missing();
  const go = (await goesOf(db, copy.id)).at(-1);
  if (go?.damage) throw new Refused(409, 'What was handed in can’t be read any more. Choose another piece.');
  const { sheet } = go ?? (await whole(db, copy.documentId));
  return { sheet, handedOut: copy.handout.given, name: copy.studentName };
}

/** Handouts of a sheet whose pieces are offered, the newest first. */
const MOST_HANDOUTS = 3;

/** What students made of a sheet before. Other versions of it have other keys: they are left out. */
export async function piecesBefore(db: Queries, person: Pick<Person, 'id'>, sheetId: string) {
  const before = (await handedOutBefore(db, sheetId)).slice(0, MOST_HANDOUTS);
  const found = await Promise.all(
    before.map(async ({ id, classId, at }) => {
      const mine = classId !== null && (await rightsOn(db, person.id, id));
      const copies = mine ? await copiesOf(db, id) : [];
      const pieces = copies
        .filter(({ state, version }) => state !== 'not-begun' && version === 0)
        .map((copy) => ({ id: copy.id, name: copy.studentName }));
      return { id, classId, at, pieces };
    }),
  );
  return found.filter(({ pieces }) => pieces.length > 0);
}
