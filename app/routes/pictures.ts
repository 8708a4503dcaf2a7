import { z } from 'zod';
import { MOST_ZIPPED } from '../../core/raster/limits';
import { mayUpload, PictureId, PictureName, removePicture, uploadPictures } from '../../server/actions/upload-picture';
import { picturesView } from '../../server/views/pictures-view';
import type { PicturesAnswer, UploadAnswer } from '../pictures/answers';
import { fileIn } from '../form.server';
import { allowed, missing, readingIn, refuse, requirePerson, unpacking } from '../who.server';
import type { Route } from './+types/pictures';

/** A person's own pictures: list, upload (POST), remove (DELETE). With a copy: what there is for that, and uploads for it. */

const CopyId = z.string().max(40).nullable();

function copyIn({ searchParams }: URL): string | null {
  const id = CopyId.safeParse(searchParams.get('copy'));
  if (!id.success) throw missing();
  return id.data;
}

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const view = await allowed(picturesView(context.services.db, person, copyIn(new URL(request.url))));
  return Response.json(view satisfies PicturesAnswer);
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db, exporter } = context.services;
  const url = new URL(request.url);
  const { searchParams } = url;
  if (request.method === 'DELETE') {
    const id = PictureId.safeParse(searchParams.get('id'));
    if (!id.success) throw missing();
    await allowed(removePicture(db, person, id.data));
    return Response.json({ id: id.data });
  }
  if (request.method !== 'POST') throw refuse(405, 'Pictures can be uploaded or removed.');
  await allowed(mayUpload(db, person, copyIn(url)));
  const name = PictureName.safeParse(searchParams.get('name') ?? undefined);
  if (!name.success) throw refuse(400, 'The name of this file is too long. Give it a shorter one and try again.');
  const bytes = await fileIn(request, MOST_ZIPPED);
  const readIn = readingIn(exporter, request.signal);
  const unpack = unpacking(exporter, request.signal);
  const uploaded = await allowed(uploadPictures({ db, readIn, unpack }, person, { bytes, name: name.data }));
  return Response.json(uploaded satisfies UploadAnswer);
}
