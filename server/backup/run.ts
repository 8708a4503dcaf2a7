import { cp, mkdtemp, rm } from 'node:fs/promises';
import path from 'node:path';
import { openEmbedded } from '../database/embedded';
import type { Database } from '../database/connection';
import { openPostgres } from '../database/postgres';
import type { End } from './write';
import { writeBackup } from './write';

/** Makes a backup of a database that others are working on. */

/** Where a backup is made from: an embedded database's files, copied at one moment, or a PostgreSQL server. */
export type Source = { copy: string } | { databaseUrl: string };

/** In a process of its own, so that nobody waits for it. */
export async function backupFrom(source: Source, file: string): Promise<End> {
  const db = 'copy' in source ? await openEmbedded(source.copy) : await openPostgres(source.databaseUrl);
  try {
    return await writeBackup(db, file);
  } finally {
    await db.close();
  }
}

/**
 * Has a backup made of a running database. Of the embedded one the files are copied first, which holds saving up for a moment
 * only.
 */
export async function backupOf(
  db: Database,
  settings: { dataDir: string; databaseUrl?: string },
  file: string,
  work: (source: Source, file: string) => Promise<End>,
): Promise<End> {
  if (settings.databaseUrl) return work({ databaseUrl: settings.databaseUrl }, file);
  const copy = await mkdtemp(path.join(settings.dataDir, 'copying-'));
  try {
    await db.atRest((directory) => cp(directory, path.join(copy, 'pglite'), { recursive: true }));
    return await work({ copy }, file);
  } finally {
    await rm(copy, { recursive: true, force: true });
  }
}
