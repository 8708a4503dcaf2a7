import pg from 'pg';
import { inTransaction, queriesOf, runScript } from './client';
import type { Database } from './connection';
import { StartProblem } from './connection';

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
    ...queriesOf(pool as Pick<pg.ClientBase, 'query'>),
    async transaction(work) {
      const client = await pool.connect();
      try {
        return await inTransaction(client, work);
      } finally {
        client.release();
      }
    },
    script: (sql) => runScript(pool as Pick<pg.ClientBase, 'query'>, sql),
    atRest: () => Promise.reject(new Error('a PostgreSQL server looks after its own files')),
    close: () => pool.end(),
  };
}
