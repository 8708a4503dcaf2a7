import { broughtFile } from '../../server/actions/bring-work';
import { asFile } from '../export.server';
import { allowed, requirePerson } from '../who.server';
import type { Route } from './+types/copy-file';

/** A file with work made elsewhere, as it was handed in: only ever downloaded, never shown as a page of ours. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  const { name, type, bytes } = await allowed(broughtFile(context.services.db, person, params.copyId, params.fileId));
  return asFile(bytes as BodyInit, type, name, bytes.length);
}
