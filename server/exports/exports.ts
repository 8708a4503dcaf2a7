import { randomUUID } from 'node:crypto';
import { createReadStream, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import type { ExportJob } from './job';
import { isOwn } from '../../core/pictures/picture';
import { answered, givenOut } from '../../core/handout/copy';
import type { Feedback } from '../../core/review/feedback';
import { fileName } from '../../core/items/name';
import { needsOf } from '../../core/sheet/needs';
import type { Database } from '../database/connection';
import type { Jobs, Line } from '../jobs/jobs';
import { report } from '../process/report';
import { Damaged, DAMAGED_WORDS, loadDocument } from '../stores/documents';
import { pictureFiles } from '../stores/pictures';
import { sheetOf } from '../stores/sheets';
import type { Progress } from './crew';
import { CrewProblem } from './crew';
import type { Exporter } from './exporter';

/** Files to take out: asked for, made one after the other, fetched by whoever asked, and thrown away after a while. */

export type Wanted = {
  as: 'pdf' | 'png';
  /** key: with the answers; students: as it is handed out. */
  side: 'key' | 'students';
  page: number;
};
/** Feedback on pieces of a handout, or on a student's own piece. */
export type FeedbackWanted = { as: 'pdf'; shows: { lookFors: boolean; marks: boolean } } & (
  { handoutId: string; copies: string[] } | { copyId: string }
);
type Given = ((Wanted & { sheetId: string }) | FeedbackWanted) & { personId: string };
type Making = { job: ExportJob; name: string };
/** What is needed for feedback, gathered by a layer above. @throws ExportProblem */
export type Gather = (personId: string, wanted: FeedbackWanted) => Promise<{ title: string; pieces: Feedback[] }>;
type Made = { name: string } | { problem: string };

export type ExportState =
  | { state: 'waiting' | 'ready' | 'stopped' }
  /** How far it is, where that is known. */
  | { state: 'making'; progress: Progress | null }
  | { state: 'failed'; problem: string };

export const TYPES = { pdf: 'application/pdf', png: 'image/png' } as const;

/** One may take this long, in seconds: somewhat longer than the process that makes it is given. */
const LONGEST = 120;
/** A person's exports that wait or are under way. */
const MOST_AT_ONCE = 3;
/** Files are kept so long, in milliseconds, and so many bytes of them. */
const KEPT = 3600_000;
const KEPT_BYTES = 500e6;
/** How often what is under way looks whether it was stopped elsewhere, in milliseconds. */
const CHECK_EVERY = 1000;

/** Whoever waits looks often; after so long without a look nobody does. Windows in the background look once in a minute. */
const LEFT = 75_000;

const GONE = 'This sheet is no longer there.';
const NOBODY = 'Nobody was waiting for this any more. Ask for it again.';
const NOT_MADE = 'This could not be made. Try again; if it fails again, tell whoever looks after Dappled Margin.';
const CUT_OFF = 'The program was restarted while this was being made. Ask for it again.';

export class Exports {
  private line!: Line<Given, Made>;
  /** What is being made by this process. */
  private running = new Map<string, { stop: AbortController; progress: Progress | null }>();
  /** What was asked for here and has not ended: by whom, and when they looked last. */
  private open = new Map<string, { personId: string; looked: number }>();

  private constructor(
    private db: Database,
    private exporter: Exporter,
    private folder: string,
    private gather: Gather,
  ) {}

  static async start(
    db: Database,
    jobs: Jobs,
    exporter: Exporter,
    dataDir: string,
    gather: Gather = () => Promise.reject(new ExportProblem(GONE)),
  ): Promise<Exports> {
    const exports = new Exports(db, exporter, path.join(dataDir, 'exports'), gather);
    mkdirSync(exports.folder, { recursive: true, mode: 0o700 });
    exports.tidy();
    exports.line = await jobs.line<Given, Made>('export', LONGEST, (id, given) => exports.make(id, given));
    return exports;
  }

  /** Asks for one; gives its identity, or null when the person has too many under way. */
  ask(personId: string, sheetId: string, wanted: Wanted): Promise<string | null> {
    return this.take({ ...wanted, personId, sheetId });
  }

  /** The same for feedback. Whether it is theirs is looked at when it is made. */
  askFeedback(personId: string, wanted: FeedbackWanted): Promise<string | null> {
    return this.take({ ...wanted, personId });
  }

  private async take(given: Given): Promise<string | null> {
    const { personId } = given;
    const mine = [...this.open].filter(([, one]) => one.personId === personId);
    // Another process that shares the database may have made them.
    if (mine.length >= MOST_AT_ONCE) for (const [id] of mine) if (await this.hasEnded(id)) this.open.delete(id);
    if (mine.filter(([id]) => this.open.has(id)).length >= MOST_AT_ONCE) return null;
    this.tidy();
    const id = randomUUID();
    this.open.set(id, { personId, looked: Date.now() });
    await this.line.ask(given, id).catch((error: unknown) => {
      this.open.delete(id);
      throw error;
    });
    return id;
  }

  private async hasEnded(id: string): Promise<boolean> {
    const state = (await this.line.look(id))?.state;
    return state !== 'waiting' && state !== 'under-way';
  }

  private async find(personId: string, id: string) {
    const asked = await this.line.look(id);
    return asked?.given.personId === personId ? asked : null;
  }

  /** How one is, for whoever asked for it; undefined for anybody else. */
  async look(personId: string, id: string): Promise<ExportState | undefined> {
    const asked = await this.find(personId, id);
    if (!asked) return undefined;
    const { state, result } = asked;
    const waiting = this.open.get(id);
    if (waiting) waiting.looked = Date.now();
    if (state === 'waiting') return { state };
    const here = this.running.get(id);
    if (state === 'under-way' && (here || this.db.kind === 'server'))
      return { state: 'making', progress: here?.progress ?? null };
    if (state === 'under-way') return { state: 'failed', problem: CUT_OFF };
    if (state === 'stopped' || !result) return { state: 'stopped' };
    if ('problem' in result) return { state: 'failed', problem: result.problem };
    return { state: 'ready' };
  }

  async stop(personId: string, id: string): Promise<void> {
    if (!(await this.find(personId, id))) return;
    await this.line.stop(id);
    this.running.get(id)?.stop.abort();
    this.open.delete(id);
  }

  /** The file of one that is ready; null when it is not, is somebody else's or was thrown away. */
  async file(personId: string, id: string) {
    const asked = await this.find(personId, id);
    if (!asked?.result || 'problem' in asked.result) return null;
    const place = this.placeOf(id);
    try {
      const { size } = statSync(place);
      return { name: asked.result.name, type: TYPES[asked.given.as], size, open: () => createReadStream(place) };
    } catch {
      return null;
    }
  }

  /** Nobody has looked for long: asked elsewhere, that is not known here. */
  private isLeft(id: string): boolean {
    const waiting = this.open.get(id);
    return waiting !== undefined && Date.now() - waiting.looked > LEFT;
  }

  private placeOf = (id: string) => path.join(this.folder, id);

  /** Makes one. What went wrong is part of what comes of it: it is told, not tried again. */
  private async make(id: string, given: Given): Promise<Made> {
    const stop = new AbortController();
    const running = { stop, progress: null as Progress | null };
    this.running.set(id, running);
    const watch = setInterval(() => {
      if (this.isLeft(id)) return stop.abort();
      this.line.look(id).then(
        (asked) => asked?.state === 'stopped' && stop.abort(),
        () => {},
      );
    }, CHECK_EVERY);
    try {
      if (this.isLeft(id)) return { problem: NOBODY };
      const { job, name } =
        'sheetId' in given ? await jobOf(this.db, given) : await feedbackJob(this.db, this.gather, given);
      const bytes = await this.exporter.run(job, stop.signal, (progress) => (running.progress = progress));
      const place = this.placeOf(id);
      await writeFile(`${place}.part`, bytes, { mode: 0o600 });
      await rename(`${place}.part`, place);
      return { name };
    } catch (error) {
      if (error instanceof CrewProblem || error instanceof ExportProblem) return { problem: error.message };
      report('an export', error);
      return { problem: NOT_MADE };
    } finally {
      clearInterval(watch);
      this.running.delete(id);
      this.open.delete(id);
    }
  }

  /** Throws away what is old, and the oldest where all of it is too much. */
  private tidy(): void {
    let bytes = 0;
    const files = readdirSync(this.folder).flatMap((name) => {
      const place = path.join(this.folder, name);
      // One that is being written may get its name at this moment.
      const found = statSync(place, { throwIfNoEntry: false });
      return found ? [{ place, at: found.mtimeMs, size: found.size }] : [];
    });
    for (const { place, at, size } of files.sort((a, b) => b.at - a.at)) {
      bytes += size;
      if (Date.now() - at > KEPT || bytes > KEPT_BYTES) rmSync(place, { force: true });
    }
  }
}

/** Why one can't be made, in words for whoever asked. */
export class ExportProblem extends Error {
  override name = 'ExportProblem';
}

async function feedbackJob(
  db: Database,
  gather: Gather,
  { personId, ...wanted }: FeedbackWanted & { personId: string },
): Promise<Making> {
  const { title, pieces } = await gather(personId, wanted);
  const pictures = pieces.flatMap(({ sheet }) => needsOf(sheet).pictures);
  const own = await pictureFiles(db, [...new Set(pictures.filter(isOwn))]);
  return {
    job: { kind: 'feedback', title, pieces, own },
    name: `${fileName(title, 'handout')} (feedback).pdf`,
  };
}

async function jobOf(
  db: Database,
  { personId, sheetId, as, side, page }: Extract<Given, { sheetId: string }>,
): Promise<Making> {
  const found = await sheetOf(db, personId, sheetId);
  const document =
    found &&
    (await loadDocument(db, found.documentId).catch((error: unknown) => {
      if (error instanceof Damaged) throw new ExportProblem(DAMAGED_WORDS);
      throw error;
    }));
  if (!document) throw new ExportProblem(GONE);
  const sheet = side === 'key' ? answered(document.sheet) : givenOut(document.sheet);
  const own = await pictureFiles(db, needsOf(sheet).pictures.filter(isOwn));
  const job: ExportJob =
    as === 'pdf'
      ? { kind: 'pdf', title: sheet.title, sheets: [sheet], own }
      : { kind: 'png', sheet, page, dpi: 150, own };
  return { job, name: `${fileName(sheet.title, 'sheet')}${side === 'key' ? ' (key)' : ''}.${as}` };
}
