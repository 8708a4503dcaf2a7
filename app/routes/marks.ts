import { z } from 'zod';
import { fileName } from '../../core/items/name';
import { workshop } from '../../server/actions/means';
import { SpacedIds } from '../../server/actions/spaced';
import { marksCsv } from '../../server/views/feedback-view';
import { asFile } from '../export.server';
import { allowed, missing, requireTeacher } from '../who.server';
import type { Route } from './+types/marks';

const isZone = (zone: string): boolean => {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
};
const Asked = z.object({ of: SpacedIds, zone: z.string().max(60).refine(isZone) });

/** The marks of pieces as CSV: ?of=COPIES, or all; times are in the time zone ?zone. */
export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireTeacher(request, context);
  const { searchParams } = new URL(request.url);
  const read = Asked.safeParse({ of: searchParams.get('of') ?? '', zone: searchParams.get('zone') ?? 'UTC' });
  if (!read.success) throw missing();
  const { db, shelf } = context.services;
  const { of, zone } = read.data;
  const { title, csv } = await allowed(marksCsv(workshop(db, shelf), person, params.handoutId, of, zone));
  return asFile(csv, 'text/csv; charset=utf-8', `${fileName(title, 'handout')} (marks).csv`);
}
