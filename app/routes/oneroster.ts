import { strToU8, zipSync } from 'fflate';
import { fileName } from '../../core/items/name';
import { workshop } from '../../server/actions/means';
import { rosterResults } from '../../server/views/feedback-view';
import { asFile } from '../export.server';
import { marksAsked } from '../form.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/oneroster';

/** The marks of pieces as OneRoster results, in a ZIP: ?of=COPIES, or all; days are those of the time zone ?zone. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { of, zone } = marksAsked(request);
  const { db, shelf } = context.services;
  const { title, files } = await allowed(rosterResults(workshop(db, shelf), person, params.handoutId, of, zone));
  const zip = zipSync(Object.fromEntries(files.map(({ name, text }) => [name, strToU8(text)])));
  return asFile(zip as BodyInit, 'application/zip', `${fileName(title, 'handout')} (OneRoster).zip`, zip.length);
}
