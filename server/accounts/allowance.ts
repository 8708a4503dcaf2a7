import type { Queries } from '../database/connection';
import { one } from '../database/connection';

/**
 * How often something may be tried: a number of times at once, then once in a while. Counted in one statement before it is
 * tried, so that many tries at the same moment each count. The generic cell rate algorithm (ITU-T I.371); the row holds the
 * time at which the allowance is full again.
 */
export type Allowance = {
  /** Whose tries are counted together. */
  subject: string;
  /** So many at once. */
  burst: number;
  /** And then one every so many seconds. */
  every: number;
};

const TAKE = `
  insert into allowance as a (subject, full_at) values ($1, now() + $2 * interval '1 second')
  on conflict (subject) do update set full_at = greatest(a.full_at, now()) + $2 * interval '1 second'
  where greatest(a.full_at, now()) + $2 * interval '1 second' <= now() + $2 * $3 * interval '1 second'
  returning subject`;

const GIVE_BACK = `update allowance set full_at = full_at - $2 * interval '1 second' where subject = $1`;

const WAIT = `
  select greatest(1, ceil(extract(epoch from full_at - now()) - $2 * ($3 - 1)))::int as seconds
  from allowance where subject = $1`;

/** Takes one try from each. If one has none left, gives the others back and returns in how many seconds there is one. */
export async function take(db: Queries, allowances: readonly Allowance[]): Promise<number> {
  for (const [i, { subject, burst, every }] of allowances.entries()) {
    const taken = await db.query(TAKE, [subject, every, burst]);
    if (taken.length > 0) continue;
    await giveBack(db, allowances.slice(0, i));
    return one(await db.query<{ seconds: number }>(WAIT, [subject, every, burst]))?.seconds ?? 1;
  }
  return 0;
}

/** A successful try does not count. */
export async function giveBack(db: Queries, allowances: readonly Allowance[]): Promise<void> {
  for (const { subject, every } of allowances) await db.query(GIVE_BACK, [subject, every]);
}

/** A full allowance needs no row. */
export const forgetAllowances = (db: Queries) => db.query('delete from allowance where full_at < now()');
