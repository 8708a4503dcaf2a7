import { z } from 'zod';
import { GalleryNote, MOST_GALLERY_NOTES } from '../../core/review/gallery';
import { Id } from '../../core/values/primitives';
import type { Database } from '../database/connection';
import {
  galleriesFor,
  galleryPieces,
  hangPieces,
  judgeNotes,
  ownCopies,
  setGallery,
  setShown,
  takeNoteBack,
  writeNote,
} from '../stores/gallery';
import type { Person } from '../stores/people';
import { mayChange } from './class-rights';
import { announce } from './live';
import { missing, Refused } from './refused';
import { spaced } from './spaced';

/** What a teacher does with a gallery, and what students write in it. */

const YesNo = z.enum(['yes', 'no']).transform((given) => given === 'yes');
const Ids = spaced.pipe(z.array(z.string().max(60)).min(1).max(500));

export const WithGallery = z.discriminatedUnion('do', [
  /** `copies`: ids with spaces between. */
  z.strictObject({ do: z.literal('hang'), copies: Ids }),
  z.strictObject({ do: z.literal('take-down'), piece: Id }),
  z.strictObject({ do: z.literal('put-back'), piece: Id }),
  z.strictObject({ do: z.literal('open'), open: YesNo }),
  z.strictObject({ do: z.literal('name'), named: YesNo }),
  z.strictObject({ do: z.literal('after-own'), afterOwn: YesNo }),
  /** `notes`: ids with spaces between. */
  z.strictObject({ do: z.literal('judge'), notes: Ids, to: z.enum(['shown', 'kept-back']) }),
]);
export type WithGallery = z.infer<typeof WithGallery>;

/** @throws Refused where they may not, or where nothing could be shown */
export async function doWithGallery(
  db: Database,
  teacher: Pick<Person, 'id'>,
  handoutId: string,
  asked: WithGallery,
): Promise<void> {
  await mayChange(db, teacher, handoutId);
  switch (asked.do) {
    case 'hang':
      if ((await hangPieces(db, handoutId, asked.copies)) === 0)
        throw new Refused(422, 'Only pieces that were handed in can be shown. Choose one that was.');
      return;
    case 'take-down':
    case 'put-back':
      if (!(await setShown(db, handoutId, asked.piece, asked.do === 'put-back'))) throw missing();
      return;
    case 'open':
      if (asked.open && !(await galleryPieces(db, handoutId)).some(({ shown }) => shown))
        throw new Refused(422, 'No piece is in the gallery. Choose some among all pieces first.');
      return setGallery(db, handoutId, { open: asked.open });
    case 'name':
      return setGallery(db, handoutId, { named: asked.named });
    case 'after-own':
      return setGallery(db, handoutId, { afterOwn: asked.afterOwn });
    case 'judge':
      return judgeNotes(db, handoutId, asked.notes, asked.to);
  }
}

export const InGallery = z.discriminatedUnion('do', [
  GalleryNote.extend({ do: z.literal('note') }),
  z.strictObject({ do: z.literal('take-back'), note: z.string().max(40) }),
]);

/** @throws Refused where they don't see the gallery, at a piece of their own, and where they have written enough */
export async function writeInGallery(
  db: Database,
  student: Pick<Person, 'id'>,
  handoutId: string,
  asked: z.infer<typeof InGallery>,
): Promise<void> {
  if ((await galleriesFor(db, student.id, handoutId)).length === 0) throw missing();
  if (asked.do === 'take-back') {
    if (!(await takeNoteBack(db, student.id, asked.note)))
      throw new Refused(409, 'The class sees this note already. Ask your teacher to take it down.');
    return;
  }
  const piece = (await galleryPieces(db, handoutId)).find(({ id, shown }) => id === asked.piece && shown);
  if (!piece) throw new Refused(409, 'This piece is not shown any more. What you wrote is still in its box.');
  if ((await ownCopies(db, student.id, handoutId)).includes(piece.copyId))
    throw new Refused(422, 'This piece is your own: notes on it are for the others to write.');
  const { do: _, ...note } = asked;
  if (!(await writeNote(db, student.id, note)))
    throw new Refused(422, `You have written ${MOST_GALLERY_NOTES} notes about this piece: leave room for others.`);
  await announce(db, { documentId: piece.documentId, handoutId, kind: 'gallery' });
}
