import { nanoid } from 'nanoid';
import type { OwnPicture } from '../../server/stores/pictures';
import { broughtPages, isPageItself, MOST_BROUGHT } from '../../core/handout/brought';
import { MOST_BYTES } from '../../core/raster/limits';
import { page as pageOf, picture as pictureOf } from '../../core/schema/defaults';
import type { Brought, Page } from '../../core/schema/sheet';
import { newId } from '../commands/steps';
import type { Editor } from '../document/editor';
import type { PdfPages } from './pdf-pages';
import { openPdf } from './pdf-pages';
import { sendWork } from './sending';

/** Brings work made elsewhere to a copy: files become pages, one after the other. */

/** A file on its way. `name`: as it is stored; `done`: so many of its pages came; `kept`: the PDF itself came. */
type Job = { file: File; name: string; id: string; isPdf: boolean; done: number; kept: boolean };
/** What could not be brought. Its job is there where it can be tried again, from the page after those that came. */
export type Trouble = { id: string; words: string; job: Job | null };
export type Progress = { name: string; page: number; of: number };

export const ACCEPTED = 'image/png,image/jpeg,image/webp,application/pdf';

async function kindOf(file: File): Promise<'pdf' | 'picture' | null> {
  const start = new TextDecoder('latin1').decode(await file.slice(0, 1024).arrayBuffer());
  if (start.includes('%PDF-')) return 'pdf';
  // Told by how it begins: a camera's file may have any name.
  return /^(\x89PNG|\xff\xd8\xff|RIFF....WEBP)/s.test(start) ? 'picture' : null;
}

/** A page as large as the sheet it comes to: its longer side is as long as that of the sheet. */
export function pageFor(
  { id, width, height }: Pick<OwnPicture, 'id' | 'width' | 'height'>,
  sheet: Pick<Page, 'width' | 'height' | 'margin'>,
  brought: Omit<Brought, 'picture'>,
): Page {
  const scale = Math.max(sheet.width, sheet.height) / Math.max(width, height);
  const frame = { width: Math.max(36, width * scale), height: Math.max(36, height * scale) };
  const shown = pictureOf({
    id: newId(),
    picture: id,
    touch: 'free',
    locked: true,
    alt: brought.name,
    ...frame,
  });
  return pageOf({
    id: newId(),
    margin: sheet.margin,
    ...frame,
    brought: { ...brought, picture: shown.id },
    items: [shown],
  });
}

export class Bringing {
  private shown: { now: Progress | null; troubles: readonly Trouble[] } = { now: null, troubles: [] };
  private waiting: Job[] = [];
  private listeners = new Set<() => void>();
  private stopped = false;
  constructor(
    private editor: Editor,
    private copyId: string,
  ) {}

  subscribe = (listener: () => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };
  state = () => this.shown;
  get now(): Progress | null {
    return this.shown.now;
  }
  get troubles(): readonly Trouble[] {
    return this.shown.troubles;
  }
  private put(change: Partial<Bringing['shown']>) {
    this.shown = { ...this.shown, ...change };
    for (const listener of this.listeners) listener();
  }

  async add(files: readonly File[]): Promise<void> {
    if (this.editor.shut) return this.editor.say(this.editor.shut);
    for (const file of files) {
      const kind = await kindOf(file).catch(() => null);
      if (kind === null)
        this.fail(
          `“${file.name}” can’t be shown as pages. Save it as PDF, or take a picture of it (PNG, JPEG or WebP).`,
        );
      else if (file.size > MOST_BYTES)
        this.fail(
          `“${file.name}” has ${Math.ceil(file.size / 1e6)} MB; at most ${MOST_BYTES / 1e6} MB can be added. Save it smaller and choose it again.`,
        );
      else {
        const name = file.name.trim().slice(-200) || 'work';
        this.waiting.push({ file, name, id: nanoid(12), isPdf: kind === 'pdf', done: 0, kept: false });
      }
    }
    await this.work();
  }

  /** Goes on with what failed. */
  again({ id, job }: Trouble): void {
    this.forget(id);
    if (!job) return;
    this.waiting.push(job);
    void this.work();
  }
  forget(id: string): void {
    this.put({ troubles: this.troubles.filter((one) => one.id !== id) });
  }
  /** After the page that is under way. */
  stop(): void {
    this.stopped = true;
    this.waiting = [];
  }

  private fail(words: string, job: Job | null = null) {
    this.put({ troubles: [...this.troubles, { id: nanoid(6), words, job }] });
  }

  private async work(): Promise<void> {
    if (this.now) return;
    this.stopped = false;
    for (let job = this.waiting.shift(); job; job = this.waiting.shift()) {
      this.put({ now: { name: job.file.name, page: job.done + 1, of: 1 } });
      await this.bring(job).catch(() =>
        this.fail(`“${job!.file.name}” could not be read: it was moved or changed meanwhile. Choose it again.`),
      );
    }
    this.put({ now: null });
  }

  private async bring(job: Job): Promise<void> {
    const { file } = job;
    if (!job.isPdf) {
      const picture = await this.send(job, null, file);
      if (picture) this.place(job, picture, 1, 1);
      return;
    }
    const pages = await openPdf(file);
    if (pages === null) return this.fail(`“${file.name}” was not added: the school can’t be reached just now.`, job);
    if (typeof pages === 'string') return this.fail(`“${file.name}” ${pages}`);
    try {
      const room = MOST_BROUGHT - broughtPages(this.editor.sheet).length;
      if (pages.count - job.done > room)
        return this.fail(
          `“${file.name}” has ${pages.count} pages, and ${room} more fit on this copy. Remove some of those that are there first.`,
          job,
        );
      await this.pagesOf(job, pages);
    } finally {
      pages.close();
    }
  }

  private async pagesOf(job: Job, pages: PdfPages): Promise<void> {
    if (!job.kept) {
      if ((await this.send(job, null, job.file)) === undefined) return;
      job.kept = true;
    }
    for (let number = job.done + 1; number <= pages.count && !this.stopped; number++) {
      this.put({ now: { name: job.file.name, page: number, of: pages.count } });
      const drawn = await pages.picture(number).catch(() => null);
      if (!drawn) {
        this.fail(
          `Page ${number} of “${job.file.name}” can’t be drawn. Save the file anew as PDF, or take a picture of it.`,
        );
        continue;
      }
      const picture = await this.send(job, number, drawn);
      if (!picture || !this.place(job, picture, number, pages.count)) return;
      job.done = number;
    }
  }

  /** @returns the picture, null for a PDF that was kept; undefined where it failed, which is said */
  private async send(job: Job, page: number | null, body: Blob): Promise<OwnPicture | null | undefined> {
    const { file, name, id } = job;
    const sent = await sendWork(this.copyId, { file: id, name, page, body });
    if (sent.ok) return sent.picture;
    const before =
      job.done > 0
        ? `${job.done === 1 ? 'The first page' : `The first ${job.done} pages`} of “${file.name}” came, the others not`
        : `“${file.name}” was not added`;
    this.fail(`${before}. ${sent.problem}`, sent.again ? job : null);
    return undefined;
  }

  private place({ id, name }: Job, picture: OwnPicture, number: number, of: number): boolean {
    const { editor } = this;
    const first = editor.sheet.pages[0];
    const page = pageFor(picture, first, { file: id, name, number, of });
    const behind = editor.sheet.pages.at(-1)!.id;
    if (!editor.make('Add a page made elsewhere', { kind: 'page-insert', behind, page })) return false;
    if (number === 1) editor.turnTo(page.id);
    return true;
  }
}

const all = new WeakMap<Editor, Bringing>();
/** What brings files to this copy; null where that is not opened to who works on it. */
export function bringingOf(editor: Editor): Bringing | null {
  const { rights } = editor;
  if (rights.kind !== 'student' || rights.copyId === undefined || !rights.supplies.includes('page')) return null;
  let made = all.get(editor);
  if (!made) all.set(editor, (made = new Bringing(editor, rights.copyId)));
  return made;
}

/** Turns a page that was brought by a quarter, clockwise. */
export function turnBrought(editor: Editor, page: Page): void {
  const shown = page.items.find((item) => isPageItself(page, item));
  if (shown?.kind !== 'picture') return;
  const { width, height } = page;
  editor.make('Turn the page', {
    kind: 'all',
    changes: [
      { kind: 'page-set', id: page.id, values: { width: height, height: width } },
      {
        kind: 'set',
        id: shown.id,
        values: { x: (height - shown.width) / 2, y: (width - shown.height) / 2, angle: (shown.angle + 90) % 360 },
      },
    ],
  });
}
