import type { Database } from './connection';
import { openEmbedded } from './embedded';
import { migrate } from './migrate';
import { openPostgres } from './postgres';

/** Opens the database that the environment names and brings it up to date. */
export async function openDatabase(settings: { databaseUrl?: string; dataDir: string }): Promise<Database> {
  const db = settings.databaseUrl ? await openPostgres(settings.databaseUrl) : await openEmbedded(settings.dataDir);
  try {
    await migrate(db);
    return db;
  } catch (error) {
    await db.close();
    throw error;
  }
}
