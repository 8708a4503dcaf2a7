import { mkdirSync } from 'node:fs';
import type { Database } from './database/connection';
import { openDatabase } from './database/open';
import { Exporter } from './exports/exporter';
import type { Health } from './health';
import { healthOf } from './health';
import type { Cookies } from './http/session-cookie';
import { cookiesFor } from './http/session-cookie';
import { Shelf } from './shelf';

/** What loaders and actions are given: made once when the program starts. */
export type Services = {
  db: Database;
  shelf: Shelf;
  exporter: Exporter;
  cookies: Cookies;
  /** Whether the front page offers the demo school. */
  demo: boolean;
  version: string;
  health(): Promise<Health>;
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
  const exporter = new Exporter();
  return {
    db,
    shelf: await Shelf.open(exporter),
    exporter,
    cookies: cookiesFor(secure),
    demo,
    version,
    health: () => healthOf(db, version, dataDir),
  };
}

export async function closeServices({ db, exporter }: Services): Promise<void> {
  await exporter.close();
  await db.close();
}
