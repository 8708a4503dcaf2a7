import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { projectRoot } from '../process/place';
import type { Database } from './connection';
import { StartProblem } from './connection';

export type Migration = { number: number; name: string; sql: string };

/** The numbered scripts that ship with the program, in order. */
export function shippedMigrations(folder = path.join(projectRoot(), 'server/database/migrations')): Migration[] {
  return readdirSync(folder)
    .filter((file) => file.endsWith('.sql'))
    .sort()
    .map((name) => ({ number: Number.parseInt(name, 10), name, sql: readFileSync(path.join(folder, name), 'utf8') }));
}

/** Any number, the same in every process of this program. */
const LOCK = 460_020_26;

/**
 * Brings the database up to date under a lock, each step in one transaction.
 * @throws StartProblem when the database is newer than the program.
 */
export async function migrate(db: Database, migrations = shippedMigrations()): Promise<void> {
  await db.script(
    'create table if not exists migration (number integer primary key, name text not null, applied_at timestamptz not null default now())',
  );
  await db.transaction(async (tx) => {
    await tx.query('select pg_advisory_xact_lock($1)', [LOCK]);
    const done = new Set((await tx.query<{ number: number }>('select number from migration')).map((row) => row.number));
    const newest = Math.max(0, ...migrations.map((m) => m.number));
    const ahead = [...done].filter((number) => number > newest);
    if (ahead.length > 0)
      throw new StartProblem(
        `This database was written by a newer version of Dappled Margin (it is at step ${Math.max(...ahead)}, this program knows ${newest}).\n` +
          'Start the newer version, or restore a backup from before.',
      );
    for (const { number, name, sql } of migrations) {
      if (done.has(number)) continue;
      for (const statement of statements(sql)) await tx.query(statement);
      await tx.query('insert into migration (number, name) values ($1, $2)', [number, name]);
    }
  });
}

/** Our own scripts hold no semicolons inside statements, so a split at line ends will do. */
const statements = (sql: string) =>
  sql
    .split(/;\s*$/m)
    .map((statement) => statement.trim())
    .filter((statement) => statement.replace(/--.*$/gm, '').trim() !== '');
