import type { FilesAnswer, FilesTask } from '../../workers/files';
import type { MakersAnswer, MakersTask } from '../../workers/makers';
import type { SpellingAnswer, SpellingTask } from '../../workers/spelling';
import filesUrl from '../../workers/files?worker&url';
import makersUrl from '../../workers/makers?worker&url';
import spellingUrl from '../../workers/spelling?worker&url';
import type { StudioAnswer, StudioTask } from '../../workers/studio';
import studioUrl from '../../workers/studio?worker&url';
import { ahead } from '../browser/later';

/** The workers of the workbench: started when first asked, one for the life of the page. */

type Tasks<T> = T extends { id: number } ? Omit<T, 'id'> : never;

type Waiting<Answer> = {
  done: (answer: Answer) => void;
  failed: (reason: Error) => void;
  progress?: (share: number) => void;
};

/** For what takes long: how far it is, and a way to end it. What is ended fails with `stopped`. */
export type Watch = { progress?: (share: number) => void; signal?: AbortSignal };

/** Longest time without any sign of a worker that has something to do, in milliseconds: fonts may have to come first. */
const MOST_SILENCE = 45_000;
const TOO_LONG = 'it took too long and was stopped. Make it smaller, or in another way.';

/** Carries questions to a worker and its answers back, each to who asked. */
class Courier<Task extends { id: number }, Answer extends { id: number; kind: string }> {
  private worker: Worker | null = null;
  private waiting = new Map<number, Waiting<Answer>>();
  private count = 0;
  private silence: ReturnType<typeof setTimeout> | undefined;

  constructor(private url: string) {}

  /** A worker that says nothing for too long hangs: it is ended, whoever waits is told, and the next asks a new one. */
  private heard(): void {
    clearTimeout(this.silence);
    if (this.waiting.size > 0) this.silence = setTimeout(() => this.end(TOO_LONG), MOST_SILENCE);
  }

  private end(reason: string): void {
    this.worker?.terminate();
    this.worker = null;
    const told = [...this.waiting.values()];
    this.waiting.clear();
    for (const { failed } of told) failed(new Error(reason));
  }

  ask<K extends (Task extends { kind: infer N } ? N : never)>(
    task: Tasks<Extract<Task, { kind: K }>>,
    { progress, signal }: Watch = {},
  ): Promise<Extract<Answer, { kind: K }>> {
    const id = ++this.count;
    if (!this.worker) {
      this.worker = new Worker(this.url, { type: 'module' });
      this.worker.onmessage = ({ data }: MessageEvent<Answer & { reason?: string; share?: number }>) => {
        const asked = this.waiting.get(data.id);
        if (data.kind !== 'progress') this.waiting.delete(data.id);
        this.heard();
        if (data.kind === 'progress') return asked?.progress?.(data.share ?? 0);
        if (data.kind === 'failed') asked?.failed(new Error(data.reason));
        else asked?.done(data);
      };
      this.worker.onerror = (event) => this.end(event.message || 'the worker stopped');
    }
    return new Promise((done, failed) => {
      this.waiting.set(id, { done: done as (answer: Answer) => void, failed, progress });
      if (this.waiting.size === 1) this.heard();
      signal?.addEventListener('abort', () => this.worker?.postMessage({ id, kind: 'stop' }));
      this.worker!.postMessage({ ...task, id });
    });
  }
}

export const studio = new Courier<StudioTask, StudioAnswer>(studioUrl);
export const spelling = new Courier<SpellingTask, SpellingAnswer>(spellingUrl);
export const makers = new Courier<MakersTask, MakersAnswer>(makersUrl);
export const files = new Courier<FilesTask, FilesAnswer>(filesUrl);
// The browser has them then, also when the network is gone.
for (const url of [spellingUrl, makersUrl, studioUrl, filesUrl]) ahead(() => fetch(url));
