import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import type { Database, Queries, Row } from './connection';
import { lockDirectory } from './lock';

const queriesOf = (source: Pick<PGlite, 'query'>): Queries => ({
  query: async <T extends Row>(sql: string, parameters: unknown[] = []) =>
    (await source.query<T>(sql, parameters)).rows,
});

/** The embedded database in a directory under our lock, or in memory without one. */
export async function openEmbedded(directory?: string): Promise<Database> {
  const unlock = directory ? lockDirectory(directory) : () => {};
  try {
    const pglite = await PGlite.create(directory ? path.join(directory, 'pglite') : undefined);
    return {
      kind: 'embedded',
      ...queriesOf(pglite),
      transaction: (work) => pglite.transaction((tx) => work(queriesOf(tx as unknown as PGlite))),
      script: async (sql) => void (await pglite.exec(sql)),
      async close() {
        await pglite.close();
        unlock();
      },
    };
  } catch (error) {
    unlock();
    throw error;
  }
}
