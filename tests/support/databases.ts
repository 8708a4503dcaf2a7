import type { Database } from '../../server/database/connection';
import { openEmbedded } from '../../server/database/embedded';
import { openPostgres } from '../../server/database/postgres';

/**
 * The databases that the store tests run on: the embedded one in memory and, where TEST_DATABASE_URL names a server (npm
 * test starts one), a fresh database there.
 */
export const DATABASES: [name: string, open: () => Promise<Database>][] = [['embedded', () => openEmbedded()]];

if (process.env.TEST_DATABASE_URL) {
  const url = process.env.TEST_DATABASE_URL;
  DATABASES.push([
    'server',
    async () => {
      const name = `test_${process.pid}_${Math.random().toString(36).slice(2, 8)}`;
      const admin = await openPostgres(url);
      await admin.query(`create database ${name}`);
      await admin.close();
      const own = new URL(url);
      own.pathname = `/${name}`;
      return openPostgres(own.href);
    },
  ]);
}
