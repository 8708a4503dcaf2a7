import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { forgetAllowances } from '../accounts/allowance';
import { backupFolder } from '../backup/place';
import type { End } from '../backup/write';
import type { Database } from '../database/connection';
import type { Daily } from '../jobs/jobs';
import { forgetBinnedHandouts } from '../stores/handout-life';
import { forgetBinned } from '../stores/sheets';
import { forgetSessions } from '../stores/sign-in';

/** What the program does by itself, every day. */

/** How many daily backups are kept. */
export const KEPT = 14;
const NAME = /^daily-\d{4}-\d\d-\d\d\.backup$/;

export function dailyWork(
  db: Database,
  dataDir: string,
  backup: (file: string) => Promise<End>,
  today = () => new Date().toISOString().slice(0, 10),
): Daily[] {
  return [
    {
      name: 'daily-backup',
      at: '15 2 * * *',
      async work() {
        const folder = backupFolder(dataDir);
        mkdirSync(folder, { recursive: true, mode: 0o700 });
        await backup(path.join(folder, `daily-${today()}.backup`));
        const kept = readdirSync(folder).filter((name) => NAME.test(name));
        for (const old of kept.sort().slice(0, -KEPT)) rmSync(path.join(folder, old));
      },
    },
    {
      name: 'daily-tidying',
      at: '45 2 * * *',
      async work() {
        await forgetSessions(db);
        await forgetAllowances(db);
        await forgetBinned(db);
        await forgetBinnedHandouts(db);
        // A PostgreSQL server does this by itself.
        if (db.kind === 'embedded') await db.script('vacuum analyze');
      },
    },
  ];
}
