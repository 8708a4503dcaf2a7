import { statfs } from 'node:fs/promises';
import type { Database } from '../database/connection';

/** Whether the program can do its work, for whoever watches over it. */

/** With less room than this on the disk nothing is safely saved any more. */
const LEAST_ROOM = 64e6;

export type Health = { ready: boolean; version: string; database: Database['kind']; trouble?: 'database' | 'disk' };

export async function healthOf(db: Database, version: string, dataDir: string): Promise<Health> {
  const base = { version, database: db.kind };
  try {
    await db.query('select 1');
  } catch {
    return { ready: false, ...base, trouble: 'database' };
  }
  try {
    const { bavail, bsize } = await statfs(dataDir);
    if (bavail * bsize < LEAST_ROOM) return { ready: false, ...base, trouble: 'disk' };
  } catch {
    // A file system that does not tell is not the trouble.
  }
  return { ready: true, ...base };
}
