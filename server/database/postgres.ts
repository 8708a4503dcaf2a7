import pg from 'pg';
import type { Database, Queries, Row } from './connection';
import { StartProblem } from './connection';

const queriesOf = (source: { query(sql: string, parameters?: unknown[]): Promise<{ rows: unknown[] }> }): Queries => ({
  query: async <T extends Row>(sql: string, parameters: unknown[] = []) =>
    (await source.query(sql, parameters)).rows as T[],
});

/** A PostgreSQL server. @throws StartProblem when it does not answer. */
export async function openPostgres(url: string): Promise<Database> {
  const pool = new pg.Pool({ connectionString: url, max: 10, application_name: 'dappled-margin' });
  // A connection that drops while idle is replaced at the next query; without a listener it would end the process.
  pool.on('error', (error) => console.error('database connection lost:', error.message));
  try {
    await pool.query('select 1');
  } catch (error) {
    await pool.end();
    throw new StartProblem(`The database at DATABASE_URL does not answer: ${(error as Error).message}`);
  }
  return {
    kind: 'server',
    ...queriesOf(pool),
    async transaction(work) {
      const client = await pool.connect();
      try {
        await client.query('begin');
        const result = await work(queriesOf(client));
        await client.query('commit');
        return result;
      } catch (error) {
        await client.query('rollback').catch(() => {});
        throw error;
      } finally {
        client.release();
      }
    },
    async script(sql) {
      const results = (await pool.query(sql)) as unknown as { rows: Row[] } | { rows: Row[] }[];
      return Array.isArray(results) ? (results.at(-1)?.rows ?? []) : results.rows;
    },
    atRest: () => Promise.reject(new Error('a PostgreSQL server looks after its own files')),
    close: () => pool.end(),
  };
}
