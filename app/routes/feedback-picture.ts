import { workshop } from '../../server/actions/means';
import { feedbackPicture } from '../../server/views/feedback-view';
import { svgAnswer } from '../picture.server';
import { allowed, requireTeacher } from '../who.server';
import type { Route } from './+types/feedback-picture';

/** Feedback on a piece as it will be on paper; with ?look-fors and ?marks also those. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { db, shelf, exporter } = context.services;
  const { searchParams } = new URL(request.url);
  const shows = { lookFors: searchParams.has('look-fors'), marks: searchParams.has('marks') };
  const { piece, own } = await allowed(feedbackPicture(workshop(db, shelf), person, params, shows));
  return svgAnswer(exporter.feedbackPicture(piece, own, request.signal));
}
