import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { backupOf } from '../backup/run';
import type { End } from '../backup/write';
import { dailyWork } from './daily';
import { giveBackInTime } from './giving-back';
import type { Database } from '../database/connection';
import { openDatabase } from '../database/open';
import { Crew } from '../exports/crew';
import { Exporter } from '../exports/exporter';
import type { Gather } from '../exports/exports';
import { ExportProblem, Exports } from '../exports/exports';
import type { Health } from './health';
import { healthOf } from './health';
import type { InTime } from './in-time';
import { sendLettersInTime } from './sending-letters';
import type { Cookies } from '../accounts/session-cookie';
import { cookiesFor } from '../accounts/session-cookie';
import { workshop } from '../actions/means';
import { Refused } from '../actions/refused';
import { StandInMailer } from '../post/mailer';
import { keepEml } from '../stores/letters';
import { feedbackFor } from '../views/feedback-view';
import { Jobs } from '../jobs/jobs';
import { projectRoot } from '../process/place';
import { Shelf } from '../exports/shelf';
import { Live } from './live';

/** A backup may take its time: it is in nobody's way. */
const BACKUPS = { most: 1, time: 30 * 60_000, memory: 2 ** 31, waiting: 3 };

/** What loaders and actions are given: made once when the program starts. */
export type Services = {
  db: Database;
  shelf: Shelf;
  live: Live;
  exporter: Exporter;
  exports: Exports;
  /** Sends letters home. */
  post: InTime;
  cookies: Cookies;
  /** Whether the front page offers the demo school. */
  demo: boolean;
  version: string;
  health(): Promise<Health>;
  /** Writes a backup to a file, in a process of its own. */
  backup(file: string): Promise<End>;
  close(): Promise<void>;
};

export async function openServices(settings: {
  databaseUrl?: string;
  dataDir: string;
  demo: boolean;
  version: string;
  secure: boolean;
}): Promise<Services> {
  const { dataDir, demo, version, secure } = settings;
  mkdirSync(dataDir, { recursive: true });
  const db = await openDatabase(settings);
  const live = new Live(db);
  const exporter = new Exporter();
  const backups = new Crew(path.join(projectRoot(), 'build/workers/backup.js'), BACKUPS);
  const backup = (file: string) => backupOf(db, settings, file, (source, to) => backups.run<End>({ source, file: to }));
  const shelf = await Shelf.open(exporter);
  const gather: Gather = (id, wanted) =>
    feedbackFor(workshop(db, shelf), { id }, wanted).catch((error: unknown) => {
      throw error instanceof Refused ? new ExportProblem(error.message) : error;
    });
  const jobs = await Jobs.start(db, dailyWork(db, dataDir, backup));
  const endGivingBack = giveBackInTime(db);
  const mailer = new StandInMailer((id, eml) => keepEml(db, id, eml));
  const post = sendLettersInTime(workshop(db, shelf), exporter, mailer);
  return {
    backup,
    async close() {
      live.close();
      await Promise.all([post.end(), exporter.close(), backups.close(), jobs.stop(), endGivingBack()]);
      await db.close();
    },
    db,
    live,
    shelf,
    exporter,
    post,
    exports: await Exports.start(db, jobs, exporter, dataDir, gather),
    cookies: cookiesFor(secure),
    demo,
    version,
    health: () => healthOf(db, version, dataDir),
  };
}
