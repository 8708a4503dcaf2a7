import { existsSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { StartProblem } from '../database/connection';
import { openEmbedded } from '../database/embedded';
import { lockDirectory } from '../database/lock';
import { openPostgres } from '../database/postgres';
import { force, forceTree } from '../database/syncing-fs';
import { projectRoot } from '../process/place';
import { askForBackup } from './control';
import { restoreInto } from './restore';
import { readBackup, rowsIn, savedAs, writeBackup } from './write';

/** `node build/backup.js backup FILE` and `… restore FILE`. */

const dataDir = path.resolve(projectRoot(), process.env.DATA_DIR ?? 'data');
const { DATABASE_URL: databaseUrl } = process.env;

async function backup(file: string): Promise<string> {
  if (existsSync(file)) throw new StartProblem(`${file} is there already. Choose another name.`);
  const told = await askForBackup(dataDir, file);
  if (told) {
    if (!told.ok) throw new StartProblem(told.message);
    return told.message;
  }
  if (!databaseUrl && !existsSync(path.join(dataDir, 'pglite')))
    throw new StartProblem(`There is no database in ${dataDir}. Say where it is with DATA_DIR.`);
  const db = databaseUrl ? await openPostgres(databaseUrl) : await openEmbedded(dataDir);
  try {
    return savedAs(file, await writeBackup(db, file));
  } finally {
    await db.close();
  }
}

async function restore(file: string): Promise<string> {
  // Read once for itself: nothing is touched for one that is not whole.
  await readBackup(file, {});
  return databaseUrl ? restoreServer(file, databaseUrl) : restoreEmbedded(file);
}

/** Into a new directory first, which then takes the place of the old; that one is kept beside it. */
async function restoreEmbedded(file: string): Promise<string> {
  mkdirSync(dataDir, { recursive: true });
  let unlock: () => void;
  try {
    unlock = lockDirectory(dataDir);
  } catch (error) {
    if (error instanceof StartProblem)
      throw new StartProblem(
        `${error.message.split('\n')[0]}\nStop it first: a backup is restored while nothing runs.`,
      );
    throw error;
  }
  const fresh = mkdtempSync(path.join(dataDir, 'restoring-'));
  try {
    const db = await openEmbedded(fresh);
    const end = await restoreInto(db, file).finally(() => db.close());
    const [from, to] = [path.join(fresh, 'pglite'), path.join(dataDir, 'pglite')];
    forceTree(from);
    const aside = path.join(dataDir, `pglite.before-${new Date().toISOString().replace(/[:.]/g, '-')}`);
    if (existsSync(to)) renameSync(to, aside);
    renameSync(from, to);
    force(dataDir);
    return `${rowsIn(end)} rows restored. Everybody has to sign in again. What was there before is kept in ${aside}.`;
  } finally {
    rmSync(fresh, { recursive: true, force: true });
    unlock();
  }
}

async function restoreServer(file: string, url: string): Promise<string> {
  const db = await openPostgres(url);
  try {
    const [{ others }] = await db.query<{ others: number }>(
      `select count(*)::int as others from pg_stat_activity
       where datname = current_database() and application_name = 'dappled-margin' and pid <> pg_backend_pid()`,
    );
    if (others > 0)
      throw new StartProblem('Dappled Margin still runs on this database. Stop it first, then restore the backup.');
    const [{ used }] = await db.query<{ used: boolean }>(`select to_regclass('public.school') is not null as used`);
    if (used && (await db.query('select 1 from school limit 1')).length > 0)
      throw new StartProblem('This database is not empty. Make an empty one, and let DATABASE_URL lead to it.');
    return `${rowsIn(await restoreInto(db, file))} rows restored. Everybody has to sign in again.`;
  } finally {
    await db.close();
  }
}

const [what, name] = process.argv.slice(2);
const work = { backup, restore }[what];
if (!work || !name) {
  console.error('Say what to do with which file: npm run backup -- FILE, or npm run restore -- FILE');
  process.exit(2);
}
// Relative to where it was called, which npm tells.
work(path.resolve(process.env.INIT_CWD ?? process.cwd(), name)).then(
  (said) => console.log(said),
  (error: unknown) => {
    console.error(error instanceof StartProblem ? error.message : error);
    process.exit(1);
  },
);
