import PgBoss from 'pg-boss';
import type { Database } from './database/connection';
import { report } from './report';

/** Work that is done by the clock, once for all processes that share a database, and that survives a restart. */

export type Daily = {
  name: string;
  /** As cron writes it, in universal time. */ at: string;
  work: () => Promise<void>;
};

/** Seconds between two looks for work: what comes once a day can wait. */
const LOOK_EVERY = 30;

export class Jobs {
  private constructor(private boss: PgBoss) {}

  static async start(db: Database, daily: readonly Daily[], lookEvery = LOOK_EVERY): Promise<Jobs> {
    const boss = new PgBoss({
      schema: 'job',
      db: {
        executeSql: async (sql, values) => ({
          rows: values?.length ? await db.query(sql, values) : await db.script(sql),
        }),
      },
    });
    boss.on('error', (error) => report('jobs', error));
    await boss.start();
    for (const { name, at, work } of daily) {
      await boss.createQueue(name);
      await boss.schedule(name, at);
      await boss.work(name, { pollingIntervalSeconds: lookEvery }, async () => {
        try {
          await work();
        } catch (error) {
          report(name, error);
          throw error;
        }
      });
    }
    return new Jobs(boss);
  }

  /** Has one done now, as if its time had come. */
  async now(name: string): Promise<string | null> {
    return this.boss.send(name, {});
  }

  async stop(): Promise<void> {
    await this.boss.stop({ graceful: false, wait: false, close: false });
  }
}
