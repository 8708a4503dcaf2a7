import type { ProxyMarked, Remote } from 'comlink';
import { proxy, wrap } from 'comlink';
import type { ClearingWorker } from '../../workers/clearing';
import clearingUrl from '../../workers/clearing?worker&url';
import type { FilesWorker } from '../../workers/files';
import filesUrl from '../../workers/files?worker&url';
import type { MakersWorker } from '../../workers/makers';
import makersUrl from '../../workers/makers?worker&url';
import type { SpellingWorker } from '../../workers/spelling';
import spellingUrl from '../../workers/spelling?worker&url';
import type { StudioWorker } from '../../workers/studio';
import studioUrl from '../../workers/studio?worker&url';
import { ahead } from '../browser/later';

/** The workers of the workbench: started when first asked, one for the life of the page. */

/** For slow tasks: how far one is, and a way to end it. What is ended fails with `stopped`. */
export type Watch = { progress?: (share: number) => void; signal?: AbortSignal };

/** What a slow task is given: its number, and where it reports how far it is. */
export type Run = { run: number; tell: ((share: number) => void) & ProxyMarked };

type Going<T> = { remote: Remote<T>; waiting: number; ended: Promise<never>; end: (reason: string) => void };

/** Longest silence of a worker that has something to do, in milliseconds: fonts may have to come first. */
const MOST_SILENCE = 45_000;
const TOO_LONG = 'it took too long and was stopped. Make it smaller, or in another way.';

/** One worker: its functions can be called, and it is replaced when it breaks or hangs. */
class Helper<T> {
  private going: Going<T> | null = null;
  private runs = 0;
  private silence: ReturnType<typeof setTimeout> | undefined;

  /** @param stop tells the worker to give up a run */
  constructor(
    private url: string,
    private stop?: (remote: Remote<T>, run: number) => unknown,
  ) {}

  private start(): Going<T> {
    const worker = new Worker(this.url, { type: 'module' });
    let fail: (reason: Error) => void;
    const ended = new Promise<never>((_, reject) => (fail = reject));
    // Whoever waits is told; with nobody waiting it is nobody's failure.
    ended.catch(() => {});
    const end = (reason: string) => {
      worker.terminate();
      this.going = null;
      clearTimeout(this.silence);
      fail(new Error(reason));
    };
    const going = { remote: wrap<T>(worker), waiting: 0, ended, end };
    worker.addEventListener('message', () => this.heard(going));
    worker.addEventListener('error', (event) => end(event.message || 'the worker stopped'));
    return going;
  }

  /** A worker that has something to do and says nothing for too long hangs: it is ended, and the next call starts a new one. */
  private heard(going: Going<T>): void {
    if (going !== this.going) return;
    clearTimeout(this.silence);
    if (going.waiting > 0) this.silence = setTimeout(() => going.end(TOO_LONG), MOST_SILENCE);
  }

  /** Has the worker do something. @throws Error with the worker's reason, or why it was ended */
  async ask<R>(work: (worker: Remote<T>, run: Run) => R, { progress, signal }: Watch = {}): Promise<Awaited<R>> {
    const going = (this.going ??= this.start());
    const run = ++this.runs;
    const tell = (share: number) => {
      this.heard(going);
      progress?.(share);
    };
    const stop = () => void this.stop?.(going.remote, run);
    signal?.addEventListener('abort', stop);
    if (going.waiting++ === 0) this.heard(going);
    try {
      return await Promise.race([work(going.remote, { run, tell: proxy(tell) }), going.ended]);
    } finally {
      signal?.removeEventListener('abort', stop);
      going.waiting--;
      this.heard(going);
    }
  }
}

export const studio = new Helper<StudioWorker>(studioUrl);
export const spelling = new Helper<SpellingWorker>(spellingUrl);
export const makers = new Helper<MakersWorker>(makersUrl, (worker, run) => worker.stop(run));
export const files = new Helper<FilesWorker>(filesUrl);
export const clearing = new Helper<ClearingWorker>(clearingUrl);
// The browser has them then, also when the network is gone.
for (const url of [spellingUrl, makersUrl, studioUrl, filesUrl]) ahead(() => fetch(url));
