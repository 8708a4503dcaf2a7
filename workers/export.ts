import { writeFileSync } from 'node:fs';
import { seenOf } from '../core/drawing/bounds';
import { drawPage } from '../core/items/draw';
import { pageSvg } from '../core/drawing/svg';
import { thumbnailSvg } from '../core/items/thumbnail';
import type { Feedback } from '../core/review/feedback';
import { feedbackPages, stacked } from '../core/review/feedback';
import type { Page, Sheet } from '../core/schema/sheet';
import type { Answer, Progress } from '../server/exports/crew';
import { fitted } from '../server/exports/fitted';
import type { Job, PictureAnswer, PictureJob } from '../server/exports/job';
import { pdfOf } from '../server/exports/pdf';
import { pagePng } from '../server/exports/png';
import { embedding, pdfResources, withOwn } from '../server/exports/resources';
import type { ClearedIn } from '../server/pictures/read-in';
import { clearedPicture, PictureProblem, readIn } from '../server/pictures/read-in';
import type { Unpacked } from '../server/pictures/unpack';
import { unpack } from '../server/pictures/unpack';
import { openFaces, openPictures } from '../server/art/shipped';

/** Heavy output and input, in a process of its own: run for a crew of the server's, see server/exports/crew.ts. */

/** Pixels to the inch that paper shows. */
const PRINTED = 300;

const shipped = { faces: await openFaces(), pictures: openPictures() };

export default async function run(
  job: Job,
  tell: (progress: Progress) => void = () => {},
): Promise<Uint8Array | string | PictureAnswer | Unpacked | ClearedIn | null> {
  if (job.kind === 'picture') return read(job);
  if (job.kind === 'unpack') return unpack(job.bytes);
  if (job.kind === 'clear') return clearedPicture(job.drawn, job.bytes, job.recipe);
  const resources = { ...shipped, pictures: withOwn(shipped.pictures, job.own) };
  const { faces } = resources;
  if (job.kind === 'thumbnail') return thumbnailSvg(job.part, resources);
  if (job.kind === 'feedback-picture')
    return pageSvg(stacked(feedbackPages(job.piece, resources)), faces, embedding(job.own));
  if (job.kind === 'feedback') {
    const of = job.pieces.length;
    const own = await fitted(job.own, () => feedback(job.pieces, resources), PRINTED);
    return pdfOf(
      feedback(job.pieces, resources, (done) => tell({ done, of })),
      job.title,
      pdfResources(faces, own),
    );
  }
  if (job.kind === 'pdf') {
    const all = job.sheets.flatMap((sheet) => sheet.pages.map((page) => ({ sheet, page })));
    const own = await fitted(job.own, () => drawn(all, resources), PRINTED);
    return pdfOf(drawn(all, resources), job.title, pdfResources(faces, own), (done) => tell({ done, of: all.length }));
  }
  const page = job.sheet.pages[job.page] ?? job.sheet.pages[0];
  const seen = seenOf(drawPage(job.sheet, page, resources));
  return pagePng(seen, faces, job.dpi, embedding(await fitted(job.own, () => [seen], job.dpi)));
}

/** Pages drawn one by one, so that only one of them is in memory. */
function* drawn(pages: { sheet: Sheet; page: Page }[], resources: Parameters<typeof drawPage>[2]) {
  for (const { sheet, page } of pages) yield seenOf(drawPage(sheet, page, resources));
}

/** The same for feedback: piece by piece. */
function* feedback(
  pieces: Feedback[],
  resources: Parameters<typeof feedbackPages>[1],
  tell: (done: number) => void = () => {},
) {
  for (const [i, piece] of pieces.entries()) {
    tell(i + 1);
    yield* feedbackPages(piece, resources);
  }
}

/** A problem with a file crosses between processes as a string: an error would lose its class. */
async function read({ bytes, name, owner, page }: PictureJob): Promise<PictureAnswer> {
  try {
    return { picture: await readIn(bytes, name, owner, { page, faces: shipped.faces }) };
  } catch (error) {
    if (error instanceof PictureProblem) return { problem: error.message };
    throw error;
  }
}

if (process.send) {
  // Where memory runs out altogether, the system ends this process rather than the server.
  try {
    writeFileSync('/proc/self/oom_score_adj', '600');
  } catch {
    // Not available on every system.
  }
  process.on('message', (job: Job) => {
    run(job, (progress) => process.send!({ ok: null, progress } satisfies Answer)).then(
      (value) => process.send!({ ok: true, value } satisfies Answer),
      (error: unknown) => {
        const { name, message } = error instanceof Error ? error : new Error(String(error));
        process.send!({ ok: false, name, message } satisfies Answer);
      },
    );
  });
  // The server is gone, so nobody waits for an answer.
  process.on('disconnect', () => process.exit(0));
}
