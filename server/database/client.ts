import { createHash } from 'node:crypto';
import type pg from 'pg';
import type { Queries, Row } from './connection';

/** One connection to either database, through the same client. */

/** How many prepared statements a connection keeps. Stores have a fixed number of them. */
const MOST_NAMES = 400;
const names = new Map<string, string | undefined>();

/**
 * The name under which a statement stays planned: planning takes several times as long as running it, most of all in the
 * embedded database. What is asked for the first time gets none, since it may be put together for once.
 */
function nameOf(sql: string): string | undefined {
  if (!names.has(sql)) {
    if (names.size < MOST_NAMES) names.set(sql, undefined);
    return undefined;
  }
  const name = names.get(sql) ?? createHash('sha256').update(sql).digest('base64url').slice(0, 24);
  names.set(sql, name);
  return name;
}

type Client = Pick<pg.ClientBase, 'query'>;

export const queriesOf = (client: Client): Queries => ({
  query: async <T extends Row>(sql: string, parameters: unknown[] = []) =>
    (await client.query<T>({ name: nameOf(sql), text: sql, values: parameters })).rows,
});

/** Runs everything or nothing: an error rolls back. */
export async function inTransaction<T>(client: Client, work: (queries: Queries) => Promise<T>): Promise<T> {
  await client.query('begin');
  try {
    const result = await work(queriesOf(client));
    const { command } = await client.query('commit');
    if (command !== 'COMMIT') throw new Error('one of the statements failed, and nothing was written');
    return result;
  } catch (error) {
    await client.query('rollback').catch(() => {});
    throw error;
  }
}

/** Runs a script of several statements; gives the rows of the last. */
export async function runScript(client: Client, sql: string): Promise<Row[]> {
  const results = (await client.query(sql)) as unknown as { rows: Row[] } | { rows: Row[] }[];
  return Array.isArray(results) ? (results.at(-1)?.rows ?? []) : results.rows;
}
