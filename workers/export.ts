import { drawPage } from '../core/drawing/item';
import { pageSvg } from '../core/drawing/svg';
import type { Sheet } from '../core/sheet/schema';
import { pdfOf } from '../server/exports/pdf';
import { pngOf } from '../server/exports/png';
import { openFaces, openPictures } from '../server/shelf';
import { pdfResources } from '../server/exports/resources';

/** Heavy output, off the thread that answers requests. */

export type ExportJob =
  | { kind: 'pdf'; title: string; sheets: Sheet[] }
  /** `dpi` pixels to the inch. */
  | { kind: 'png'; sheet: Sheet; page: number; dpi: number };

const resources = { faces: await openFaces(), pictures: openPictures() };

export default async function run(job: ExportJob): Promise<Uint8Array> {
  if (job.kind === 'pdf') {
    const pages = job.sheets.flatMap((sheet) => sheet.pages.map((page) => drawPage(sheet, page, resources)));
    return pdfOf(pages, job.title, pdfResources(resources.faces));
  }
  const page = job.sheet.pages[job.page] ?? job.sheet.pages[0];
  return pngOf(pageSvg(drawPage(job.sheet, page, resources), resources.faces), (page.width / 72) * job.dpi);
}
