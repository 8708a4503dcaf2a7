import type { ChildProcess } from 'node:child_process';
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';

/**
 * Processes of our own that do heavy or dangerous work: a rasteriser that panics, runs out of memory or never comes to an end
 * takes its process with it, and nothing else. Threads would not do: they share the fate of the server.
 */

export type Limits = {
  /** At most so many at once. */
  most: number;
  /** Milliseconds that one piece of work may take. */
  time: number;
  /** Bytes of memory that a process may have. */
  memory: number;
  /** How many may wait. */
  waiting: number;
};

/** Why a job failed, as a sentence to show. */
export class CrewProblem extends Error {
  override name = 'CrewProblem';
  constructor(
    readonly why: 'time' | 'memory' | 'ended' | 'busy' | 'left',
    message: string,
  ) {
    super(message);
  }
}

const SAID = {
  time: 'This took too long and was stopped. Try it with fewer pages, or with smaller shadows and pictures.',
  memory: 'This needs more memory than there is and was stopped. Try it with fewer or smaller pages.',
  ended: 'This could not be drawn. Try again; if it fails again, tell whoever looks after Dappled Margin.',
  busy: 'Too much is being made at the moment. Try again in a minute.',
  left: 'Stopped.',
} as const;
const problem = (why: keyof typeof SAID) => new CrewProblem(why, SAID[why]);

type Task = {
  job: unknown;
  resolve: (value: unknown) => void;
  reject: (error: Error) => void;
  tell: ((progress: Progress) => void) | undefined;
  /** Ends the waiting for its signal. */
  done: () => void;
};
type CrewMember = {
  child: ChildProcess;
  task: Task | null;
  why: keyof typeof SAID | null;
  rest: NodeJS.Timeout | null;
};
/** Progress: `done` parts of `of`. */
export type Progress = { done: number; of: number };
/** A process's answer: progress first, then the result or a problem in words. */
export type Answer =
  { ok: true; value: unknown } | { ok: false; name: string; message: string } | { ok: null; progress: Progress };

const REST = 60_000;
const CHECK_EVERY = 100;
const PAGE_BYTES = 4096;

export class Crew {
  private workers = new Set<CrewMember>();
  private queue: Task[] = [];
  private closed = false;
  constructor(
    private script: string,
    private limits: Limits,
  ) {}

  /**
   * Has a job done by one of the processes.
   * @throws CrewProblem when it was not done, with what to do about it; Error as the job threw it
   */
  run<T>(job: unknown, signal?: AbortSignal, tell?: (progress: Progress) => void): Promise<T> {
    return new Promise<T>((resolve, reject) => {
      if (this.closed || signal?.aborted) return reject(problem('left'));
      if (this.queue.length >= this.limits.waiting) return reject(problem('busy'));
      const leave = () => this.leave(task);
      const task: Task = {
        job,
        resolve: resolve as (value: unknown) => void,
        reject,
        tell,
        done: () => signal?.removeEventListener('abort', leave),
      };
      signal?.addEventListener('abort', leave, { once: true });
      this.queue.push(task);
      this.next();
    });
  }

  /** Nobody waits for it any more: it is not begun, or stopped. */
  private leave(task: Task) {
    const at = this.queue.indexOf(task);
    if (at >= 0) {
      this.queue.splice(at, 1);
      task.reject(problem('left'));
    }
    for (const worker of this.workers) if (worker.task === task) this.stop(worker, 'left');
  }

  private stop(worker: CrewMember, why: keyof typeof SAID) {
    worker.why ??= why;
    worker.child.kill('SIGKILL');
  }

  private next() {
    while (this.queue.length > 0) {
      const idle = [...this.workers].find((worker) => worker.task === null && worker.why === null);
      const worker = idle ?? (this.workers.size < this.limits.most ? this.engage() : null);
      if (!worker) return;
      this.give(worker, this.queue.shift()!);
    }
  }

  private engage(): CrewMember {
    const child = fork(this.script, { serialization: 'advanced', stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
    const worker: CrewMember = { child, task: null, why: null, rest: null };
    this.workers.add(worker);
    child.on('message', (answer: Answer) => this.answered(worker, answer));
    child.on('error', () => this.stop(worker, 'ended'));
    child.on('exit', () => {
      this.workers.delete(worker);
      if (worker.rest) clearTimeout(worker.rest);
      const { task } = worker;
      worker.task = null;
      task?.done();
      task?.reject(problem(worker.why ?? 'ended'));
      if (!this.closed) this.next();
    });
    return worker;
  }

  private give(worker: CrewMember, task: Task) {
    if (worker.rest) clearTimeout(worker.rest);
    worker.rest = null;
    worker.task = task;
    const late = setTimeout(() => this.stop(worker, 'time'), this.limits.time);
    const watch = setInterval(() => {
      if (memoryOf(worker.child.pid) > this.limits.memory) this.stop(worker, 'memory');
    }, CHECK_EVERY);
    const { done } = task;
    task.done = () => {
      clearTimeout(late);
      clearInterval(watch);
      done();
    };
    worker.child.send(task.job as object, (error) => error && this.stop(worker, 'ended'));
  }

  private answered(worker: CrewMember, answer: Answer) {
    const { task } = worker;
    if (answer.ok === null) return task?.tell?.(answer.progress);
    worker.task = null;
    if (task) {
      task.done();
      if (answer.ok) task.resolve(answer.value);
      else task.reject(Object.assign(new Error(answer.message), { name: answer.name }));
    }
    worker.rest = setTimeout(() => this.stop(worker, 'left'), REST);
    worker.rest.unref();
    this.next();
  }

  /** Ends all of them, whatever they are at. */
  async close(): Promise<void> {
    this.closed = true;
    for (const task of this.queue.splice(0)) {
      task.done();
      task.reject(problem('left'));
    }
    await Promise.all(
      [...this.workers].map((worker) => {
        const gone = new Promise((resolve) => worker.child.once('exit', resolve));
        this.stop(worker, 'left');
        return gone;
      }),
    );
  }
}

/** Bytes that a process has in memory; 0 where the system does not tell. */
function memoryOf(pid: number | undefined): number {
  try {
    return Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * PAGE_BYTES;
  } catch {
    return 0;
  }
}
