import { z } from 'zod';
import { nameFromFile } from '../../core/items/name';
import { MOST_BYTES } from '../../core/raster/limits';
import { keepPicture, MOST_PICTURES, ownPictures, putAway } from '../../server/stores/pictures';
import type { PictureAnswer, PicturesAnswer } from '../pictures/answers';
import { missing, refuse, refusedWork, requirePerson } from '../who.server';
import type { Route } from './+types/pictures';

/** The pictures that a teacher brought along: what there is, one more (POST), one put away (DELETE). */

const Name = z.string().max(400).default('picture');
const Asked = z.object({ id: z.string().regex(/^own\/[0-9a-f]{32}$/) });

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  // Students are offered shipped pictures only.
  const mayBring = person.role === 'teacher';
  const pictures = mayBring ? await ownPictures(context.services.db, person.id) : [];
  return Response.json({ pictures, mayBring } satisfies PicturesAnswer);
}

/** The body of a request, as far as it is not too large; null beyond that. */
async function bytesOf(request: Request): Promise<Uint8Array | null> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  // Node's streams can be gone through; the types of the browser's do not say so.
  for await (const chunk of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    length += chunk.length;
    if (length > MOST_BYTES) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  if (person.role !== 'teacher') throw refuse(403, 'Pictures are brought along by teachers.');
  const { db, exporter } = context.services;
  const { searchParams } = new URL(request.url);
  if (request.method === 'DELETE') {
    const asked = Asked.safeParse(Object.fromEntries(searchParams));
    if (!asked.success || !(await putAway(db, person.id, asked.data.id))) throw missing();
    return Response.json({ id: asked.data.id });
  }
  if (request.method !== 'POST') throw refuse(405, 'Pictures can be brought along or put away.');
  const name = Name.safeParse(searchParams.get('name') ?? undefined);
  if (!name.success) throw refuse(400, 'The name of this file is too long. Give it a shorter one and try again.');
  if ((await ownPictures(db, person.id)).length >= MOST_PICTURES)
    throw refuse(409, `You have ${MOST_PICTURES} pictures of your own on offer. Put some away first.`);
  const bytes = await bytesOf(request);
  if (!bytes)
    throw refuse(413, `This file has more than ${MOST_BYTES / 1e6} MB. Save the picture smaller and try again.`);
  const read = await exporter
    .readIn({ bytes, name: nameFromFile(name.data, 'picture'), owner: person.id }, request.signal)
    .catch((error: unknown) => {
      throw refusedWork(error);
    });
  if ('problem' in read) throw refuse(422, read.problem);
  const picture = await keepPicture(db, { schoolId: person.schoolId, ownerId: person.id }, read.picture);
  return Response.json({ picture } satisfies PictureAnswer);
}
