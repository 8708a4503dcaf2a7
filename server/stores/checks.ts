import type { Check } from '../../core/lookfors/checks';
import type { Queries } from '../database/connection';

/** How often students asked whether answers are right. A go that was returned starts anew. */

/** The go that a copy is on: one more than were returned. */
const GO = '(select count(*)::int + 1 from go where copy_id = $1 and returned_at is not null)';

export type AskedCheck = Check & { asked: string };

/** What was checked on the go that a copy is on, by look-for. */
export async function checksOf(db: Queries, copyId: string): Promise<Map<string, AskedCheck>> {
  const rows = await db.query<AskedCheck & { lookForId: string }>(
    `select look_for_id as "lookForId", tries, asked, result from answer_check where copy_id = $1 and go = ${GO}`,
    [copyId],
  );
  return new Map(rows.map(({ lookForId, ...check }) => [lookForId, check]));
}

/**
 * Counts one more asking, unless none is left or it is the last one sent again.
 * @returns whether it was counted
 */
export const addCheck = async (
  db: Queries,
  copyId: string,
  { lookForId, asked, result }: { lookForId: string; asked: string; result: Check['result'] },
  most: number,
): Promise<boolean> =>
  (
    await db.query(
      `insert into answer_check (copy_id, look_for_id, go, tries, asked, result) values ($1, $2, ${GO}, 1, $3, $4::jsonb)
       on conflict (copy_id, look_for_id) do update set go = excluded.go, asked = excluded.asked, result = excluded.result, checked_at = now(),
         tries = case when answer_check.go = excluded.go then answer_check.tries + 1 else 1 end
       where answer_check.go <> excluded.go or (answer_check.tries < $5 and answer_check.asked <> excluded.asked)
       returning copy_id`,
      [copyId, lookForId, asked, JSON.stringify(result), most],
    )
  ).length > 0;
