import { drawPage } from '../core/drawing/item';
import { pageSvg } from '../core/drawing/svg';
import type { Sheet } from '../core/sheet/schema';
import { pdfOf } from '../server/exports/pdf';
import { pngOf } from '../server/exports/png';
import { embedding, pdfResources, withOwn } from '../server/exports/resources';
import type { PictureIn } from '../server/pictures/read-in';
import { PictureProblem, readIn } from '../server/pictures/read-in';
import { openFaces, openPictures } from '../server/shelf';
import type { PictureFiles } from '../server/stores/pictures';

/** Heavy output and input, off the thread that answers requests. */

export type ExportJob =
  | { kind: 'pdf'; title: string; sheets: Sheet[]; own: PictureFiles }
  /** `dpi` pixels to the inch. */
  | { kind: 'png'; sheet: Sheet; page: number; dpi: number; own: PictureFiles };
/** A picture file from outside, and who brings it along. */
export type PictureJob = { kind: 'picture'; bytes: Uint8Array; name: string; owner: string };
export type PictureAnswer = { picture: PictureIn } | { problem: string };

const shipped = { faces: await openFaces(), pictures: openPictures() };

export default async function run(job: ExportJob | PictureJob): Promise<Uint8Array | PictureAnswer> {
  if (job.kind === 'picture') return read(job);
  const resources = { ...shipped, pictures: withOwn(shipped.pictures, job.own) };
  const { faces } = resources;
  if (job.kind === 'pdf') {
    const pages = job.sheets.flatMap((sheet) => sheet.pages.map((page) => drawPage(sheet, page, resources)));
    return pdfOf(pages, job.title, pdfResources(faces, job.own));
  }
  const page = job.sheet.pages[job.page] ?? job.sheet.pages[0];
  const svg = pageSvg(drawPage(job.sheet, page, resources), faces, embedding(job.own));
  return pngOf(svg, (page.width / 72) * job.dpi);
}

/** What is wrong with a file crosses between threads as words: an error would lose its kind. */
async function read({ bytes, name, owner }: PictureJob): Promise<PictureAnswer> {
  try {
    return { picture: await readIn(bytes, name, owner) };
  } catch (error) {
    if (error instanceof PictureProblem) return { problem: error.message };
    throw error;
  }
}
