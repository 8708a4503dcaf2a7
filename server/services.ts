import type { Database } from './database/connection';
import { openDatabase } from './database/open';
import { Exporter } from './exports/exporter';
import { Shelf } from './shelf';

/** What loaders and actions are given: made once when the program starts. */
export type Services = {
  db: Database;
  shelf: Shelf;
  exporter: Exporter;
  /** Whether the front page offers the demo school. */
  demo: boolean;
  version: string;
};

export async function openServices(settings: {
  databaseUrl?: string;
  dataDir: string;
  demo: boolean;
  version: string;
}): Promise<Services> {
  const db = await openDatabase(settings);
  const exporter = new Exporter();
  return { db, shelf: await Shelf.open(exporter), exporter, demo: settings.demo, version: settings.version };
}

export async function closeServices({ db, exporter }: Services): Promise<void> {
  await exporter.close();
  await db.close();
}
