import PgBoss from 'pg-boss';
import type { Database } from '../database/connection';
import { report } from '../process/report';

/** Jobs that run by the clock or in turn, once for all processes that share a database. */

export type Daily = {
  name: string;
  /** As cron writes it, in universal time. */ at: string;
  work: () => Promise<void>;
};

/** Seconds between two looks for work: what comes once a day can wait, and what is asked for here is told. */
const CHECK_EVERY = 30;

/** Work that was asked for: what it was given and, once it has ended, what came of it. */
export type Asked<I, O> = {
  state: 'waiting' | 'under-way' | 'ended' | 'stopped';
  given: I;
  result: O | null;
};
/** One kind of such work, done one after the other. */
export type Line<I extends object, O extends object> = {
  /** @param id a new one, which it then has */
  ask(given: I, id: string): Promise<void>;
  look(id: string): Promise<Asked<I, O> | null>;
  /** Has it not be begun; what is under way is told so at its next look. */
  stop(id: string): Promise<void>;
};

const STATES = {
  created: 'waiting',
  retry: 'waiting',
  active: 'under-way',
  completed: 'ended',
  failed: 'stopped',
  cancelled: 'stopped',
} as const;
/** Identities are the job keeper's; anything else is none of them. */
const ID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

export class Jobs {
  private constructor(
    private boss: PgBoss,
    private state: { stopped: boolean },
  ) {}

  static async start(db: Database, daily: readonly Daily[], checkEvery = CHECK_EVERY): Promise<Jobs> {
    const state = { stopped: false };
    const boss = new PgBoss({
      schema: 'job',
      db: {
        async executeSql(sql, values) {
          // Work that ends after all was stopped is still noted by its worker, when the database is closed: that stays open.
          if (state.stopped) return new Promise<never>(() => {});
          return { rows: values?.length ? await db.query(sql, values) : await db.script(sql) };
        },
      },
    });
    boss.on('error', (error) => report('jobs', error));
    await boss.start();
    for (const { name, at, work } of daily) {
      await boss.createQueue(name);
      await boss.schedule(name, at);
      await boss.work(name, { pollingIntervalSeconds: checkEvery }, async () => {
        try {
          await work();
        } catch (error) {
          report(name, error);
          throw error;
        }
      });
    }
    return new Jobs(boss, state);
  }

  /** @param seconds that one may take at most; `work` is not tried again */
  async line<I extends object, O extends object>(
    name: string,
    seconds: number,
    work: (id: string, given: I) => Promise<O>,
  ): Promise<Line<I, O>> {
    const { boss } = this;
    await boss.createQueue(name);
    const worker: string = await boss.work<I>(name, { pollingIntervalSeconds: CHECK_EVERY }, ([job]) =>
      // What came meanwhile is not left until the next look.
      work(job.id, job.data).finally(() => boss.notifyWorker(worker)),
    );
    return {
      async ask(given, id) {
        await boss.send(name, given, { id, retryLimit: 0, expireInSeconds: seconds });
        boss.notifyWorker(worker);
      },
      async look(id) {
        const job = ID.test(id) ? await boss.getJobById<I>(name, id) : null;
        return job && { state: STATES[job.state], given: job.data, result: job.output as O | null };
      },
      stop: (id) => boss.cancel(name, id),
    };
  }

  /** Has one done now, as if its time had come. */
  async now(name: string): Promise<string | null> {
    return this.boss.send(name, {});
  }

  async stop(): Promise<void> {
    await this.boss.stop({ graceful: false, wait: false, close: false });
    this.state.stopped = true;
  }
}
