import type { Queries } from '../database/connection';

/** A handout after it went out. Whoever asks has made sure that it is the teacher's own. */

export type HandoutWords = { title: string; brief: string; dueAt: Date | null; closesAt: Date | null };

export const changeHandout = async (db: Queries, id: string, to: HandoutWords): Promise<void> =>
  void (await db.query('update handout set title = $2, brief = $3, due_at = $4, closes_at = $5 where id = $1', [
    id,
    to.title,
    to.brief,
    to.dueAt,
    to.closesAt,
  ]));

/** Closes it at a time, or opens it again with null. */
export const closeHandout = async (db: Queries, id: string, at: Date | null): Promise<void> =>
  void (await db.query('update handout set closes_at = $2 where id = $1', [id, at]));

export const putHandoutAway = async (db: Queries, id: string, at: Date | null): Promise<void> =>
  void (await db.query('update handout set put_away_at = $2 where id = $1', [id, at]));

/** Gives one student more time, or none with null. False where the copy is not of this handout. */
export const extendCopy = async (db: Queries, handoutId: string, copyId: string, to: Date | null): Promise<boolean> =>
  (
    await db.query('update copy set extended_to = $3 where id = $2 and handout_id = $1 returning id', [
      handoutId,
      copyId,
      to,
    ])
  ).length > 0;
