import path from 'node:path';
import Piscina from 'piscina';
import type { ExportJob, PictureAnswer, PictureJob } from '../../workers/export';
import { projectRoot } from '../place';

/** The worker threads that make PDF and PNG, and take pictures in. One by default: a class's server keeps its other core for requests. */
export class Exporter {
  private pool = new Piscina({
    filename: path.join(projectRoot(), 'build/workers/export.js'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
  });

  run(job: ExportJob, signal?: AbortSignal): Promise<Uint8Array> {
    return this.pool.run(job, { signal }) as Promise<Uint8Array>;
  }

  readIn(job: Omit<PictureJob, 'kind'>, signal?: AbortSignal): Promise<PictureAnswer> {
    return this.pool.run({ kind: 'picture', ...job }, { signal }) as Promise<PictureAnswer>;
  }

  close(): Promise<void> {
    return this.pool.close();
  }
}
