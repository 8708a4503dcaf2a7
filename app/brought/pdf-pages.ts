import type * as Reader from 'pdfjs-dist';
import { version } from 'pdfjs-dist/package.json';
import { MOST_BROUGHT } from '../../core/handout/brought';

/** The pages of a PDF as pictures, drawn in the browser: a hostile file never reaches the server's own programs. */

export type PdfPages = {
  count: number;
  /** @param number from 1 @throws Error where a page can't be drawn */
  picture(number: number): Promise<Blob>;
  close(): void;
};

/** Pixels of the longer side: A4 at some 200 to the inch. */
const LONGER_SIDE = 2300;
/** Milliseconds for one page. */
const PATIENCE = 60_000;

const place = `/pdf/${version}`;
let reader: Promise<typeof Reader> | undefined;
const loadReader = () =>
  (reader ??= (import(/* @vite-ignore */ `${place}/legacy/build/pdf.min.mjs`) as Promise<typeof Reader>).then(
    (loaded) => {
      loaded.GlobalWorkerOptions.workerSrc = `${place}/legacy/build/pdf.worker.min.mjs`;
      return loaded;
    },
    (problem: unknown) => {
      // It may load when asked for again.
      reader = undefined;
      throw problem;
    },
  ));

const WORDS: Record<string, string> = {
  PasswordException: 'is locked with a password. Save it without one, and choose it again.',
  InvalidPDFException: 'is damaged and can’t be read. Save it anew as PDF, and choose it again.',
};

/** @returns the pages, or why there are none, as words that go on after the name of the file; null without a network */
export async function openPdf(file: Blob): Promise<PdfPages | string | null> {
  const loaded = await loadReader().catch(() => null);
  if (!loaded) return null;
  const task = loaded.getDocument({
    data: new Uint8Array(await file.arrayBuffer()),
    isEvalSupported: false,
    enableXfa: false,
    cMapUrl: `${place}/cmaps/`,
    standardFontDataUrl: `${place}/standard_fonts/`,
    wasmUrl: `${place}/wasm/`,
    iccUrl: `${place}/iccs/`,
  });
  const opened = await within(task.promise).catch((problem: unknown) => {
    void task.destroy();
    return WORDS[(problem as Error).name] ?? WORDS.InvalidPDFException;
  });
  if (typeof opened === 'string') return opened;
  const close = () => void task.destroy();
  if (opened.numPages > MOST_BROUGHT) {
    close();
    return `has ${opened.numPages} pages; at most ${MOST_BROUGHT} fit on a copy. Save those that matter as a PDF of their own.`;
  }
  return { count: opened.numPages, picture: (number) => within(drawn(opened, number)), close };
}

async function within<T>(work: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('it takes too long')), PATIENCE);
  });
  return Promise.race([work, late]).finally(() => clearTimeout(timer));
}

async function drawn(pdf: Reader.PDFDocumentProxy, number: number): Promise<Blob> {
  const page = await pdf.getPage(number);
  const { width, height } = page.getViewport({ scale: 1 });
  const viewport = page.getViewport({ scale: LONGER_SIDE / Math.max(width, height) });
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(viewport.width));
  canvas.height = Math.max(1, Math.round(viewport.height));
  await page.render({ canvas, viewport }).promise;
  page.cleanup();
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.92));
  // Frees its memory at once.
  canvas.width = canvas.height = 0;
  if (!blob) throw new Error('the page could not be drawn');
  return blob;
}
