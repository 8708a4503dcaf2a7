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
  const ear = new Ear(url);
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
    notify: async (news) => void (await pool.query('select pg_notify($1, $2)', [CHANNEL, news])),
    listen: (heard) => ear.listen(heard),
    async close() {
      await ear.close();
      await pool.end();
    },
  };
}

const CHANNEL = 'dappled_margin';
/** How long it waits before it listens again after the connection was lost, in milliseconds. */
const AGAIN = 1000;

/** One connection on which news are heard, opened with the first listener and opened again when it is lost. */
class Ear {
  private listeners = new Set<(news: string) => void>();
  private client: pg.Client | null = null;
  private timer: NodeJS.Timeout | undefined;
  private opening: Promise<void> = Promise.resolve();
  private closed = false;
  constructor(private url: string) {}

  listen(heard: (news: string) => void): () => void {
    this.listeners.add(heard);
    if (!this.client && !this.timer) this.opening = this.open();
    return () => void this.listeners.delete(heard);
  }

  private async open(): Promise<void> {
    this.timer = undefined;
    if (this.closed) return;
    const client = new pg.Client({ connectionString: this.url, application_name: 'dappled-margin news' });
    this.client = client;
    const lost = () => {
      if (this.client !== client) return;
      this.client = null;
      if (!this.closed) this.timer = setTimeout(() => (this.opening = this.open()), AGAIN);
    };
    client.on('error', lost);
    client.on('end', lost);
    client.on('notification', ({ payload }) => {
      for (const heard of this.listeners) heard(payload ?? '');
    });
    try {
      await client.connect();
      await client.query(`listen ${CHANNEL}`);
    } catch {
      lost();
    }
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.timer);
    await this.opening;
    await this.client?.end().catch(() => {});
  }
}
