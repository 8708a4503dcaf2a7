import type { LateRule } from '../../core/lookfors/rubric';
import type { Database, Queries } from '../database/connection';
import { BIN_DAYS } from './sheets';

/** A handout after it went out. Whoever asks has made sure that it is the teacher's own. */

export type HandoutWords = {
  title: string;
  brief: string;
  opensAt: Date | null;
  dueAt: Date | null;
  closesAt: Date | null;
  returnsAt: Date | null;
  /** What is taken off late work; undefined leaves it. */
  late?: LateRule | null;
};

export const changeHandout = async (db: Queries, id: string, to: HandoutWords): Promise<void> =>
  void (await db.query(
    "update handout set title = $2, brief = $3, due_at = $4, closes_at = $5, opens_at = $6, returns_at = $7, rubric = case when $8::jsonb is null then rubric else rubric - 'late' || $8::jsonb end where id = $1",
    [
      id,
      to.title,
      to.brief,
      to.dueAt,
      to.closesAt,
      to.opensAt,
      to.returnsAt,
      to.late === undefined ? null : JSON.stringify(to.late ? { late: to.late } : {}),
    ],
  ));

/** Closes it at a time, or opens it again with null. */
export const closeHandout = async (db: Queries, id: string, at: Date | null): Promise<void> =>
  void (await db.query('update handout set closes_at = $2 where id = $1', [id, at]));

export const putHandoutAway = async (db: Queries, id: string, at: Date | null): Promise<void> =>
  void (await db.query('update handout set put_away_at = $2 where id = $1', [id, at]));

/** Gives one student more time, or none with null. False where the copy is not of this handout. */
/** More time for these copies. Whether all of them are of that handout; if not, none has it. */
export const extendCopies = (db: Database, handoutId: string, copyIds: readonly string[], to: Date | null) =>
  db.transaction(async (tx): Promise<boolean> => {
    const copies = await tx.query('select 1 from copy where id = any($2) and handout_id = $1', [handoutId, copyIds]);
    if (copies.length < new Set(copyIds).size) return false;
    await tx.query('update copy set extended_to = $3 where id = any($2) and handout_id = $1', [handoutId, copyIds, to]);
    return true;
  });

/** Into the bin, where neither its students nor its teachers see it, or out of it. */
export const setHandoutBinned = async (db: Queries, id: string, binned: boolean): Promise<void> =>
  void (await db.query(
    'update handout set binned_at = case when $2 then coalesce(binned_at, now()) end where id = $1',
    [id, binned],
  ));

export type BinnedHandout = {
  id: string;
  title: string;
  className: string;
  binnedAt: Date;
  copies: number;
  begun: number;
};

/** Handouts in the bin, of classes on which a teacher has full rights. */
export const binnedHandouts = (db: Queries, teacherId: string) =>
  db.query<BinnedHandout>(
    `select h.id, h.title, c.name as "className", h.binned_at as "binnedAt",
       (select count(*)::int from copy where handout_id = h.id) as copies,
       (select count(*)::int from copy where handout_id = h.id and state <> 'not-begun') as begun
     from teaches t join class c on c.id = t.class_id join handout h on h.class_id = c.id
     where t.person_id = $1 and t.rights = 'full' and h.binned_at is not null order by h.binned_at desc`,
    [teacherId],
  );

async function deleteThose(db: Database, which: string, parameters: unknown[]): Promise<void> {
  await db.transaction(async (tx) => {
    const gone = await tx.query<{ id: string }>(`select id from handout where ${which} for update`, parameters);
    const ids = gone.map(({ id }) => id);
    const documents = await tx.query<{ id: string }>('select document_id as id from copy where handout_id = any($1)', [
      ids,
    ]);
    await tx.query('delete from handout where id = any($1)', [ids]);
    await tx.query('delete from document where id = any($1)', [documents.map(({ id }) => id)]);
  });
}

/** Deletes handouts of the bin with all that students made and teachers said. */
export const deleteHandouts = (db: Database, ids: readonly string[]): Promise<void> =>
  deleteThose(db, 'id = any($1) and binned_at is not null', [ids]);

/** Throws away what a teacher tried out. */
export const forgetTrials = (db: Database, teacherId: string): Promise<void> =>
  deleteThose(db, 'teacher_id = $1 and trial_of is not null', [teacherId]);

/** Deletes what has been in the bin for longer than it is kept, and what was tried out before today. */
export async function forgetBinnedHandouts(db: Database): Promise<void> {
  await deleteThose(db, 'binned_at < now() - make_interval(days => $1)', [BIN_DAYS]);
  await deleteThose(db, `trial_of is not null and created_at < now() - interval '1 day'`, []);
}
