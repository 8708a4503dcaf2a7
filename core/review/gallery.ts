import { z } from 'zod';
import { Id } from '../values/primitives';
import { numbered } from './nameless';
import { NoteId } from './said';

/** Pieces shown to a class, and what students write about them: their teacher reads it first. */

/** What a note is, and how it begins. */
export const GALLERY_KINDS = { like: 'I like', notice: 'I notice', wonder: 'I wonder' } as const;
export type GalleryKind = keyof typeof GALLERY_KINDS;

/** A note waits for the teacher, who shows it or keeps it back. */
export const GALLERY_STATES = ['waiting', 'shown', 'kept-back'] as const;
export type GalleryState = (typeof GALLERY_STATES)[number];

export const MOST_GALLERY_LETTERS = 280;
/** Notes that one student may write about one piece. */
export const MOST_GALLERY_NOTES = 5;

/** `note`: its id, made where it is written: sent twice, it is written once. */
export const GalleryNote = z.strictObject({
  note: NoteId,
  piece: Id,
  kind: z.enum(Object.keys(GALLERY_KINDS) as [GalleryKind, ...GalleryKind[]]),
  body: z
    .string()
    .trim()
    .min(1, 'Write something first.')
    .max(MOST_GALLERY_LETTERS, `A note here has at most ${MOST_GALLERY_LETTERS} letters.`),
});
export type GalleryNote = z.infer<typeof GalleryNote>;

type Piece = { id: string; studentName: string };
type Note = { id: string; authorId: string; author: string; state: GalleryState };

/** Pieces as they hang: by name, or by chance and called by their numbers. */
export const hung = <T extends Piece>(pieces: readonly T[], named: boolean): T[] =>
  named ? [...pieces] : numbered(pieces);

/** What a student sees of the notes on a piece: those that are shown, and all their own. `by`: null where no name is told. */
export const seenBy = <N extends Note>(notes: readonly N[], studentId: string, named: boolean) =>
  notes
    .filter(({ authorId, state }) => state === 'shown' || authorId === studentId)
    .map(({ authorId, author, ...note }) => {
      const isMine = authorId === studentId;
      // That theirs was kept back is between them and the teacher: for the student it waits.
      return { ...note, isMine, isShown: note.state === 'shown', by: named && !isMine ? author : null };
    });
