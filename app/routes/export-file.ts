import { createReadableStreamFromReadable } from '@react-router/node';
import { asFile } from '../export.server';
import { refuse, requirePerson } from '../who.server';
import type { Route } from './+types/export-file';

/** A requested file that is ready. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const file = await context.services.exports.file(person.id, params.exportId);
  if (!file) throw refuse(404, 'This file is gone. Download the sheet again.');
  return asFile(createReadableStreamFromReadable(file.open()), file.type, file.name, file.size);
}
