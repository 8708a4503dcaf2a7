import { existsSync } from 'node:fs';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { inTransaction, queriesOf, runScript } from './client';
import type { Database, Row } from './connection';
import { lockDirectory } from './lock';
import type { OnSync } from './syncing-fs';
import { force, forceTree, SyncingFS } from './syncing-fs';
import { clientOf } from './wire';

/**
 * One server process, one database in its memory and its directory. Commits come back before they are on disk, and nothing is
 * acknowledged until a sync of the log that came after them has ended: many who wait share one.
 */
const SYNC = `select pg_logical_emit_message(false, 'sync', '', true)`;

/** A statement that only reads has nothing to be forced to disk. */
const READS = /^\s*(select|show|explain)\b/i;

const PARAMETERS = [
  ...PGlite.defaultStartParams.filter((parameter) => parameter !== '-F'),
  ...['-c', 'fsync=on', '-c', 'wal_sync_method=fsync', '-c', 'synchronous_commit=off'],
];

/** Gives out the only connection, one at a time, in order. */
class Turns {
  private last: Promise<unknown> = Promise.resolve();
  take<T>(work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(work);
    this.last = mine.catch(() => {});
    return mine;
  }
}

/** Makes those who wait share a sync: one that has not begun yet covers all that was committed before it. */
class Syncer {
  private waiting: Promise<void> | undefined;
  private running: Promise<void> = Promise.resolve();
  constructor(private sync: () => Promise<unknown>) {}

  done(): Promise<void> {
    this.waiting ??= this.running
      .catch(() => {})
      .then(async () => {
        // Whoever commits in this turn of the loop comes along.
        await new Promise(setImmediate);
        this.waiting = undefined;
        await (this.running = this.sync().then(() => {}));
      });
    return this.waiting;
  }
}

/**
 * The embedded database in a directory under our lock, or in memory without one.
 * @param onSync is told what is forced to disk, for tests
 */
export async function openEmbedded(directory?: string, onSync?: OnSync): Promise<Database> {
  const unlock = directory ? lockDirectory(directory) : () => {};
  try {
    const files = directory && path.join(directory, 'pglite');
    const isNew = files && !existsSync(path.join(files, 'PG_VERSION'));
    const pglite = await PGlite.create(files ? { fs: new SyncingFS(files, onSync), startParams: PARAMETERS } : {});
    // What a new database is laid out from is written without any sync.
    if (isNew) {
      await pglite.query('checkpoint');
      forceTree(files, onSync);
      force(directory);
    }
    const client = await clientOf(pglite);
    const queries = queriesOf(client);
    const turns = new Turns();
    const listeners = new Set<(news: string) => void>();
    const syncer = directory ? new Syncer(() => turns.take(() => queries.query(SYNC))) : null;
    const written = async (sql: string) => {
      if (!READS.test(sql)) await syncer?.done();
    };
    return {
      kind: 'embedded',
      async query<T extends Row>(sql: string, parameters: unknown[] = []) {
        const rows = await turns.take(() => queries.query<T>(sql, parameters));
        await written(sql);
        return rows;
      },
      async transaction(work) {
        let hasWritten = false;
        const result = await turns.take(() =>
          inTransaction(client, ({ query }) =>
            work({
              query(sql, parameters) {
                hasWritten ||= !READS.test(sql);
                return query(sql, parameters);
              },
            }),
          ),
        );
        if (hasWritten) await syncer?.done();
        return result;
      },
      async script(sql) {
        const rows = await turns.take(() => runScript(client, sql));
        await written(sql);
        return rows;
      },
      async atRest(work) {
        if (!files) throw new Error('this database is in memory only');
        await syncer?.done();
        return turns.take(() => work(files));
      },
      // One process, so nobody else has to be told.
      notify(news) {
        for (const heard of listeners) heard(news);
        return Promise.resolve();
      },
      listen(heard) {
        listeners.add(heard);
        return () => void listeners.delete(heard);
      },
      async close() {
        await turns.take(() => pglite.close());
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}
