import type { GalleryNote, GalleryState } from '../../core/review/gallery';
import { MOST_GALLERY_NOTES } from '../../core/review/gallery';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { newId } from '../database/id';
import { SEEN } from './copies';
import { COPIES_OF, NAMES, worksOn } from './mates';

/** Pieces of a handout that are shown to its students, and what those write about them. */

export type Gallery = { open: boolean; named: boolean; afterOwn: boolean };
export const galleryOf = async (db: Queries, handoutId: string): Promise<Gallery | undefined> =>
  one(
    await db.query<Gallery>('select open, named, after_own as "afterOwn" from gallery where handout_id = $1', [
      handoutId,
    ]),
  );

export type GalleryPiece = {
  id: string;
  copyId: string;
  goId: string;
  documentId: string;
  shown: boolean;
  studentName: string;
};
export const galleryPieces = (db: Queries, handoutId: string) =>
  db.query<GalleryPiece>(
    `select p.id, p.copy_id as "copyId", p.go_id as "goId", p.shown, copy.document_id as "documentId", ${NAMES} as "studentName"
     from gallery_piece p join copy on copy.id = p.copy_id where p.handout_id = $1 order by "studentName", p.id`,
    [handoutId],
  );

export type WrittenNote = {
  id: string;
  pieceId: string;
  authorId: string;
  author: string;
  kind: GalleryNote['kind'];
  body: string;
  state: GalleryState;
};
export const galleryNotes = (db: Queries, handoutId: string) =>
  db.query<WrittenNote>(
    `select n.id, n.piece_id as "pieceId", n.author_id as "authorId", o.name as author, n.kind, n.body, n.state
     from gallery_piece p join gallery_note n on n.piece_id = p.id join person o on o.id = n.author_id
     where p.handout_id = $1 order by n.created_at, n.id`,
    [handoutId],
  );

/** Shows the newest go of each of these copies, which can't be taken back any more. Copies that were never handed in are left out. */
export const hangPieces = (db: Database, handoutId: string, copyIds: readonly string[]): Promise<number> =>
  db.transaction(async (tx) => {
    await tx.query('insert into gallery (handout_id) values ($1) on conflict do nothing', [handoutId]);
    let count = 0;
    for (const copyId of copyIds) {
      const hung = await tx.query(
        `with newest as (
           select go.id from go join copy on copy.id = go.copy_id where copy.id = $3 and copy.handout_id = $2 order by number desc limit 1),
         begun as (
           update go set review_began_at = coalesce(review_began_at, now()) from newest where go.id = newest.id)
         insert into gallery_piece (id, handout_id, copy_id, go_id) select $1, $2, $3, id from newest
         on conflict (handout_id, copy_id) do update set go_id = excluded.go_id, shown = true returning id`,
        [newId(), handoutId, copyId],
      );
      count += hung.length;
    }
    return count;
  });

/** Whether there was such a piece. */
export const setShown = async (db: Queries, handoutId: string, pieceId: string, shown: boolean): Promise<boolean> =>
  (
    await db.query('update gallery_piece set shown = $3 where id = $2 and handout_id = $1 returning id', [
      handoutId,
      pieceId,
      shown,
    ])
  ).length > 0;

export const setGallery = async (
  db: Queries,
  handoutId: string,
  { open, named, afterOwn }: Partial<Gallery>,
): Promise<void> =>
  void (await db.query(
    `insert into gallery (handout_id, open, named, after_own) values ($1, coalesce($2, false), coalesce($3, false), coalesce($4, true))
     on conflict (handout_id) do update set open = coalesce($2, gallery.open), named = coalesce($3, gallery.named), after_own = coalesce($4, gallery.after_own)`,
    [handoutId, open ?? null, named ?? null, afterOwn ?? null],
  ));

export const judgeNotes = async (
  db: Queries,
  handoutId: string,
  noteIds: readonly string[],
  state: GalleryState,
): Promise<void> =>
  void (await db.query(
    `update gallery_note set state = $3 from gallery_piece p where p.id = piece_id and p.handout_id = $1 and gallery_note.id = any($2)`,
    [handoutId, noteIds, state],
  ));

export type OpenGallery = { handoutId: string; title: string; pieces: number; named: boolean };
/** The galleries that a student may see, or one of them. */
export const galleriesFor = (db: Queries, studentId: string, handoutId: string | null = null) =>
  db.query<OpenGallery>(
    `select h.id as "handoutId", h.title, g.named,
       (select count(*)::int from gallery_piece p where p.handout_id = h.id and p.shown) as pieces
     from ${COPIES_OF} mine join copy on copy.id = mine.id join handout h on h.id = copy.handout_id
       join gallery g on g.handout_id = h.id join class c on c.id = h.class_id
     where ${SEEN} and c.archived_at is null and g.open and ($2::text is null or h.id = $2)
       and (not g.after_own or copy.state in ('handed-in', 'done'))
     order by h.created_at desc`,
    [studentId, handoutId],
  );

/** The pieces of a handout that a student works on. */
export const ownCopies = async (db: Queries, studentId: string, handoutId: string): Promise<string[]> =>
  (
    await db.query<{ id: string }>(`select id from copy where handout_id = $2 and ${worksOn(1)}`, [
      studentId,
      handoutId,
    ])
  ).map(({ id }) => id);

/** Writes a note, once. Whether there was room for it. */
export async function writeNote(db: Queries, authorId: string, { note, piece, kind, body }: GalleryNote) {
  const written = await db.query(
    `insert into gallery_note (id, piece_id, author_id, kind, body)
     select $1, $2, $3, $4, $5 where (select count(*) from gallery_note where piece_id = $2 and author_id = $3 and id <> $1) < ${MOST_GALLERY_NOTES}
     on conflict (id) do update set id = excluded.id where gallery_note.author_id = excluded.author_id returning id`,
    [note, piece, authorId, kind, body],
  );
  return written.length > 0;
}

/** Takes an own note back while the teacher has not seen to it. Whether it was so. */
export const takeNoteBack = async (db: Queries, authorId: string, noteId: string): Promise<boolean> =>
  (
    await db.query(`delete from gallery_note where id = $1 and author_id = $2 and state <> 'shown' returning id`, [
      noteId,
      authorId,
    ])
  ).length > 0;
