import { fileName } from '../../core/items/name';
import { workshop } from '../../server/actions/means';
import { marksCsv } from '../../server/views/feedback-view';
import { asFile } from '../export.server';
import { marksAsked } from '../form.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/marks';

/** The marks of pieces as CSV: ?of=COPIES, or all; times are in the time zone ?zone. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { of, zone } = marksAsked(request);
  const { db, shelf } = context.services;
  const { title, csv } = await allowed(marksCsv(workshop(db, shelf), person, params.handoutId, of, zone));
  return asFile(csv, 'text/csv; charset=utf-8', `${fileName(title, 'handout')} (marks).csv`);
}
