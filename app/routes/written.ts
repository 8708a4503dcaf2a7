import { z } from 'zod';
import { boxesOf, writtenIn } from '../../core/handout/written';
import { countWritten } from '../../core/makers/cloud/words';
import { Damaged, loadDocuments } from '../../server/stores/documents';
import { begunCopies, handoutOf, progressOf } from '../../server/stores/handouts';
import type { WrittenAnswer } from '../makers/cloud/written-answer';
import { missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/written';

/** What classes wrote: a teacher's handouts, with ?handout its boxes, with ?box also the counted words. */

const Asked = z.object({ handout: z.string().max(40).nullable(), box: z.string().max(40).nullable() });

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requirePerson(request, context);
  if (person.role !== 'teacher') throw missing();
  const { db } = context.services;
  const { searchParams } = new URL(request.url);
  const read = Asked.safeParse({ handout: searchParams.get('handout'), box: searchParams.get('box') });
  if (!read.success) throw refuse(400, 'This handout can’t be found. Choose one from the list.');
  const { handout: wanted, box } = read.data;
  if (wanted === null) {
    const handouts = (await progressOf(db, person.id)).map(({ id, title, className }) => ({ id, title, className }));
    return Response.json({ handouts } satisfies WrittenAnswer);
  }
  const handout = await handoutOf(db, person.id, wanted);
  if (!handout) throw missing();
  const { given } = handout;
  const documents = await loadDocuments(db, await begunCopies(db, handout.id));
  const sheets = [...documents.values()].flatMap((one) => (one instanceof Damaged ? [] : [one.sheet]));
  const written = (id: string) => sheets.map((sheet) => writtenIn(sheet, given, id)).filter(Boolean);
  if (box === null) {
    const boxes = boxesOf(given).map((one) => ({ ...one, filled: written(one.id).length }));
    return Response.json({ boxes } satisfies WrittenAnswer);
  }
  const texts = written(box);
  return Response.json({ words: countWritten(texts), copies: texts.length } satisfies WrittenAnswer);
}
