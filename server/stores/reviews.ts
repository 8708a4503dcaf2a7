import type { Ink, Note, Ruling, Saying, Spoken } from '../../core/review/said';
import type { Database, Queries } from '../database/connection';
import { one } from '../database/connection';
import { worksOn } from './mates';
import { countUse } from './phrases';

/** What a teacher says about a go: notes on spots, strokes and stamps, rulings on look-fors, rubric levels. */

const NOTE = `id, go_id as "goId", page_id as "pageId", item_id as "itemId", x, y, body, spoken, settled`;

export const notesOf = (db: Queries, goIds: string[]) =>
  db.query<Note>(`select ${NOTE} from margin_note where go_id = any($1) order by created_at, id`, [goIds]);

export const inkOf = (db: Queries, goIds: string[]) =>
  db.query<Ink>(
    'select id, go_id as "goId", page_id as "pageId", item_id as "itemId", x, y, mark from ink where go_id = any($1) order by created_at, id',
    [goIds],
  );

export const inkCountOn = async (db: Queries, goId: string): Promise<number> =>
  (await db.query<{ count: number }>('select count(*)::int as count from ink where go_id = $1', [goId]))[0].count;

/** How many notes, strokes and stamps stand on each of these goes; those with none are left out. */
export const saidCounts = (db: Queries, goIds: string[]) =>
  db.query<{ goId: string; count: number }>(
    `select go_id as "goId", count(*)::int as count from
       (select go_id from margin_note where go_id = any($1) union all select go_id from ink where go_id = any($1)) said group by go_id`,
    [goIds],
  );

/** The same with who wrote them, and when. */
export const signedNotesOf = (db: Queries, goIds: string[]) =>
  db.query<Note & { authorId: string; author: string; at: Date }>(
    `select n.*, p.name as author from (select ${NOTE}, author_id as "authorId", created_at as at from margin_note where go_id = any($1)) n join person p on p.id = n."authorId" order by n.at, n.id`,
    [goIds],
  );

export const rulingsOf = (db: Queries, goIds: string[]) =>
  db.query<Ruling & { goId: string }>(
    `select go_id as "goId", look_for_id as "lookForId", nullif(item_id, '') as "itemId", held, reason from ruling where go_id = any($1)`,
    [goIds],
  );

/** What is said on a go, but for its marks. */
export type SaidOn = { notes: Note[]; rulings: Ruling[]; ink: Ink[] };

/** All that is said on these goes, by the id of the go. */
export async function allSaidOn(db: Queries, goIds: string[]): Promise<(goId: string) => SaidOn> {
  const [notes, rulings, ink] = await Promise.all([notesOf(db, goIds), rulingsOf(db, goIds), inkOf(db, goIds)]);
  const on = (goId: string) => (one: { goId: string }) => one.goId === goId;
  return (goId) => ({
    notes: notes.filter(on(goId)),
    rulings: rulings.filter(on(goId)),
    ink: ink.filter(on(goId)),
  });
}

export type Sayer = { copyId: string; goId: string; authorId: string };

/**
 * Takes these steps on a go, all or none; false when it is no longer with the teacher. From the first one on it can't be taken
 * back. Steps that were taken before may come again.
 */
export const sayOn = (db: Database, { copyId, goId, authorId }: Sayer, steps: readonly Saying[]): Promise<boolean> =>
  db.transaction(async (tx) => {
    const open = await tx.query(
      'update go set review_began_at = coalesce(review_began_at, now()) where id = $1 and copy_id = $2 and returned_at is null returning id',
      [goId, copyId],
    );
    if (open.length === 0) return false;
    for (const step of steps) await take(tx, goId, authorId, step);
    return true;
  });

async function take(tx: Queries, goId: string, authorId: string, step: Saying): Promise<unknown> {
  switch (step.do) {
    case 'note': {
      const added = await tx.query(
        // By the clock, so that notes of one transaction keep their order.
        'insert into margin_note (id, go_id, author_id, page_id, item_id, x, y, body, spoken, created_at) values ($1, $2, $3, $4, $5, $6, $7, $8, $9::jsonb, clock_timestamp()) on conflict (id) do nothing returning id',
        [
          step.note,
          goId,
          authorId,
          step.page,
          step.item,
          step.x,
          step.y,
          step.body,
          step.spoken ? JSON.stringify(step.spoken) : null,
        ],
      );
      // One that comes again was counted.
      if (added.length === 0) return;
      if (step.sound)
        await tx.query('insert into spoken_note (note_id, bytes) values ($1, $2)', [
          step.note,
          Buffer.from(step.sound, 'base64'),
        ]);
      if (step.body) await countUse(tx, authorId, step.body, step.about ?? null);
      return;
    }
    case 'edit-note':
      return tx.query('update margin_note set body = $3 where id = $2 and go_id = $1', [goId, step.note, step.body]);
    case 'remove-note':
      return tx.query('delete from margin_note where id = $2 and go_id = $1', [goId, step.note]);
    case 'draw':
      return tx.query(
        'insert into ink (id, go_id, author_id, page_id, item_id, x, y, mark, created_at) values ($1, $2, $3, $4, $5, $6, $7, $8::jsonb, clock_timestamp()) on conflict (id) do nothing',
        [step.ink, goId, authorId, step.page, step.item, step.x, step.y, JSON.stringify(step.mark)],
      );
    case 'rub-out':
      return tx.query('delete from ink where id = $2 and go_id = $1', [goId, step.ink]);
    case 'rule':
      return step.held === null
        ? tx.query('delete from ruling where go_id = $1 and look_for_id = $2 and item_id = $3', [
            goId,
            step.lookFor,
            step.item ?? '',
          ])
        : tx.query(
            `insert into ruling (go_id, look_for_id, item_id, held, reason) values ($1, $2, $3, $4, $5)
             on conflict (go_id, look_for_id, item_id) do update set held = excluded.held, reason = excluded.reason`,
            [goId, step.lookFor, step.item ?? '', step.held, step.reason ?? ''],
          );
    case 'mark':
      // Rows that were marked elsewhere meanwhile stay as they are.
      return tx.query(
        'update go set marks = case when $3::int is null then marks - $2 else marks || jsonb_build_object($2::text, $3::int) end where id = $1',
        [goId, step.row, step.level],
      );
    case 'finish':
      throw new Error('only a second reader says that they have finished');
  }
}

/** The sound of a spoken note: for the teachers of its class, and for its students once it has come back. */
export const soundFor = async (
  db: Queries,
  personId: string,
  noteId: string,
): Promise<{ bytes: Uint8Array; type: Spoken['type'] } | undefined> =>
  one(
    await db.query<{ bytes: Uint8Array; type: Spoken['type'] }>(
      `select s.bytes, n.spoken ->> 'type' as type from spoken_note s join margin_note n on n.id = s.note_id
         join go on go.id = n.go_id join copy on copy.id = go.copy_id join handout h on h.id = copy.handout_id
       where s.note_id = $2 and h.binned_at is null and (
         (go.returned_at is not null and ${worksOn(1)}) or
         (exists (select 1 from teaches t where t.class_id = h.class_id and t.person_id = $1) and not exists
           (select 1 from second_reader r where r.handout_id = h.id and r.person_id = $1 and not exists
             (select 1 from second_reading d where d.go_id = go.id and d.reader_id = $1 and d.done_at is not null))))`,
      [personId, noteId],
    ),
  );

/** The student says that a note is seen to, or not yet. */
export const settleNote = (db: Queries, studentId: string, noteId: string, settled: boolean) =>
  db.query(
    `update margin_note n set settled = $3 from go, copy where n.id = $2 and go.id = n.go_id and go.returned_at is not null and copy.id = go.copy_id and ${worksOn(1)} returning n.id`,
    [studentId, noteId, settled],
  );
