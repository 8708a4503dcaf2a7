import { fileName } from '../../core/items/name';
import { emlFor } from '../../server/stores/letters';
import { asFile } from '../export.server';
import { missing, requireTeacher } from '../who.server';
import type { Route } from './+types/letter-file';

/** A letter home as it was sent, for any mail program. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const found = await emlFor(context.services.db, person.id, params);
  if (!found) throw missing();
  const { eml, student } = found;
  return asFile(eml as BodyInit, 'message/rfc822', `${fileName(`Letter about ${student}`, 'letter')}.eml`, eml.length);
}
