import type { Database, Queries } from '../database/connection';
import { newId } from '../id';

/** What a teacher says about a go: notes on spots, rulings on look-fors, rubric levels. */

export type Note = {
  id: string;
  goId: string;
  pageId: string;
  itemId: string | null;
  x: number | null;
  y: number | null;
  body: string;
  settled: boolean;
};
export type Ruling = { lookForId: string; held: boolean };

const NOTE = `id, go_id as "goId", page_id as "pageId", item_id as "itemId", x, y, body, settled`;

export const notesOf = (db: Queries, goIds: string[]) =>
  db.query<Note>(`select ${NOTE} from margin_note where go_id = any($1) order by created_at, id`, [goIds]);

export const rulingsOf = (db: Queries, goIds: string[]) =>
  db.query<Ruling & { goId: string }>(
    `select go_id as "goId", look_for_id as "lookForId", held from ruling where go_id = any($1)`,
    [goIds],
  );

/** Runs a review step on a go that is still with the teacher; from the first one on it can't be taken back. */
function review<T>(db: Database, goId: string, work: (tx: Queries) => Promise<T>): Promise<T | null> {
  return db.transaction(async (tx) => {
    const open = await tx.query(
      'update go set review_began_at = coalesce(review_began_at, now()) where id = $1 and returned_at is null returning id',
      [goId],
    );
    return open.length > 0 ? work(tx) : null;
  });
}

export type NewNote = Omit<Note, 'id' | 'settled'> & { authorId: string };

/** null when the go is no longer with the teacher. */
export const addNote = (db: Database, note: NewNote): Promise<string | null> =>
  review(db, note.goId, async (tx) => {
    const id = newId();
    await tx.query(
      'insert into margin_note (id, go_id, author_id, page_id, item_id, x, y, body) values ($1, $2, $3, $4, $5, $6, $7, $8)',
      [id, note.goId, note.authorId, note.pageId, note.itemId, note.x, note.y, note.body],
    );
    return id;
  });

export const editNote = (db: Database, goId: string, noteId: string, body: string) =>
  review(db, goId, (tx) =>
    tx.query('update margin_note set body = $3 where id = $2 and go_id = $1', [goId, noteId, body]),
  );
export const removeNote = (db: Database, goId: string, noteId: string) =>
  review(db, goId, (tx) => tx.query('delete from margin_note where id = $2 and go_id = $1', [goId, noteId]));

/** The teacher's own judgement on a look-for; null takes it back, so that the count stands again. */
export const rule = (db: Database, goId: string, lookForId: string, held: boolean | null) =>
  review(db, goId, async (tx) => {
    if (held === null) await tx.query('delete from ruling where go_id = $1 and look_for_id = $2', [goId, lookForId]);
    else
      await tx.query(
        'insert into ruling (go_id, look_for_id, held) values ($1, $2, $3) on conflict (go_id, look_for_id) do update set held = excluded.held',
        [goId, lookForId, held],
      );
    return true;
  });

/** The level of one row of the rubric; null takes it back. Rows that were marked elsewhere meanwhile stay as they are. */
export const markRow = (db: Database, goId: string, row: string, level: number | null) =>
  review(db, goId, (tx) =>
    tx.query(
      'update go set marks = case when $3::int is null then marks - $2 else marks || jsonb_build_object($2::text, $3::int) end where id = $1',
      [goId, row, level],
    ),
  );

/** The student says that a note is seen to, or not yet. */
export const settleNote = (db: Queries, studentId: string, noteId: string, settled: boolean) =>
  db.query(
    `update margin_note n set settled = $3 from go, copy where n.id = $2 and go.id = n.go_id and go.returned_at is not null and copy.id = go.copy_id and copy.student_id = $1 returning n.id`,
    [studentId, noteId, settled],
  );
