import path from 'node:path';
import type { Feedback } from '../../core/review/feedback';
import type { SheetPart } from '../../core/items/thumbnail';
import type { ClearedIn } from '../pictures/read-in';
import type { ClearJob, ExportJob, Job, PictureAnswer, PictureJob } from './job';
import type { Unpacked } from '../pictures/unpack';
import { projectRoot } from '../process/place';
import type { PictureFiles } from '../stores/pictures';
import type { Progress } from './crew';
import { Crew } from './crew';

const GIB = 2 ** 30;
const script = path.join(projectRoot(), 'build/workers/export.js');

/**
 * What makes PDF and PNG, takes pictures in and draws heavy pages: processes of their own, with limits. One for each by default:
 * a class's server keeps its other core for requests, and no upload waits behind a poster.
 */
export class Exporter {
  private output = new Crew(script, { most: 1, time: 90_000, memory: GIB, waiting: 40 });
  private input = new Crew(script, { most: 1, time: 40_000, memory: GIB, waiting: 40 });
  private drawing = new Crew(script, { most: 1, time: 20_000, memory: GIB, waiting: 200 });

  run(job: ExportJob, signal?: AbortSignal, tell?: (progress: Progress) => void): Promise<Uint8Array> {
    return this.output.run<Uint8Array>(job satisfies Job, signal, tell);
  }

  readIn(job: Omit<PictureJob, 'kind'>, signal?: AbortSignal): Promise<PictureAnswer> {
    return this.input.run<PictureAnswer>({ kind: 'picture', ...job } satisfies Job, signal);
  }

  clear(job: Omit<ClearJob, 'kind'>, signal?: AbortSignal): Promise<ClearedIn> {
    return this.input.run<ClearedIn>({ kind: 'clear', ...job } satisfies Job, signal);
  }

  unpack(bytes: Uint8Array, signal?: AbortSignal): Promise<Unpacked | null> {
    return this.input.run<Unpacked | null>({ kind: 'unpack', bytes } satisfies Job, signal);
  }

  thumbnail(part: SheetPart, own: PictureFiles, signal?: AbortSignal): Promise<string> {
    return this.drawing.run<string>({ kind: 'thumbnail', part, own } satisfies Job, signal);
  }

  feedbackPicture(piece: Feedback, own: PictureFiles, signal?: AbortSignal): Promise<string> {
    return this.drawing.run<string>({ kind: 'feedback-picture', piece, own } satisfies Job, signal);
  }

  async close(): Promise<void> {
    await Promise.all([this.output.close(), this.input.close(), this.drawing.close()]);
  }
}
