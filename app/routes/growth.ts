import { cutTo } from '../../core/values/characters';
import { redirect } from 'react-router';
import { z } from 'zod';
import { addMoment, dropMoment, growthOf, momentsOf, sheetAt } from '../../server/stores/growth';
import { createSheet, sheetOf } from '../../server/stores/sheets';
import { check, formOf } from '../form.server';
import { missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/growth';

/** How a teacher's sheet grew; its named moments; and a second sheet begun from any of its states. */

const Seq = z.coerce.number().int().min(0);
const Action = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('name'),
    seq: Seq,
    name: z
      .string()
      .trim()
      .min(1, 'Give the moment a name, such as “before the colours”.')
      .max(80, 'Keep the name of a moment under 80 letters.'),
  }),
  z.object({ do: z.literal('drop'), id: z.string().max(40) }),
  z.object({ do: z.literal('second'), seq: Seq }),
]);

async function owned({ request, context, params }: Pick<Route.LoaderArgs, 'request' | 'context' | 'params'>) {
  const person = await requirePerson(request, context);
  const found = person.role === 'teacher' && (await sheetOf(context.services.db, person.id, params.sheetId));
  if (!found) throw missing();
  return { person, found };
}

export async function loader(args: Route.LoaderArgs) {
  const { found } = await owned(args);
  const growth = await growthOf(args.context.services.db, found.documentId);
  if (!growth)
    throw refuse(409, 'The history of this sheet can’t be read: a part of it is damaged. The sheet itself is fine.');
  return Response.json(growth);
}

export async function action(args: Route.ActionArgs) {
  const { person, found } = await owned(args);
  const { db } = args.context.services;
  const read = check(Action, await formOf(args.request));
  if (!read.ok) throw refuse(400, read.wrong.problem);
  const asked = read.value;
  if (asked.do === 'second') {
    const sheet = await sheetAt(db, found.documentId, asked.seq);
    if (!sheet) throw refuse(409, 'This moment of the sheet can no longer be opened. Choose another one.');
    const title = `${cutTo(sheet.title || 'Untitled sheet', 190)}, second`;
    const id = await createSheet(db, {
      schoolId: person.schoolId,
      ownerId: person.id,
      purpose: found.purpose,
      sheet: { ...sheet, title },
    });
    return redirect(`/sheets/${id}?named=no`);
  }
  if (asked.do === 'name') {
    const made = await addMoment(db, { documentId: found.documentId, authorId: person.id, ...asked });
    if (!made.ok) throw refuse(409, made.reason);
  } else await dropMoment(db, found.documentId, asked.id);
  return Response.json({ moments: await momentsOf(db, found.documentId) });
}
