import { expose } from 'comlink';
import { coloursOf, paletteOf } from '../core/palettes/palette';
import type { DrawnPicture } from '../core/pictures/picture';
import type { Mend, Unreadable } from '../core/proof/readable';
import { mendsFor, unreadable } from '../core/proof/readable';
import type { Small } from '../core/proof/small';
import { smallOn } from '../core/proof/small';
import type { Undrawn } from '../core/proof/undrawn';
import { undrawnOn } from '../core/proof/undrawn';
import type { Sheet } from '../core/schema/sheet';
import type { Needs } from '../core/sheet/needs';
import { Shelf } from './shelf';

/** Computed off the main thread: words that can't be read, with their mends, and palettes from pictures. */

export type Finding = Unreadable & { mends: Mend[] };
export type Found = { findings: Finding[]; undrawn: Undrawn[]; small: Small[] };

/** More findings than these are not looked into further: the first ones are to be mended first. */
const MOST = 12;

const shelf = new Shelf();

export const STUDIO = {
  palette: (picture: DrawnPicture, count: number): string[] => paletteOf(coloursOf(picture), count),

  /** @param sheet holds the one page that is looked at */
  async readable(sheet: Sheet, { fonts, pictures }: Needs): Promise<Found> {
    const resources = await shelf.ready(fonts, pictures);
    const [page] = sheet.pages;
    const findings = unreadable(sheet, page, resources)
      .slice(0, MOST)
      .map((finding) => ({ ...finding, mends: mendsFor(sheet, page, finding, resources) }));
    const undrawn = undrawnOn(sheet, page, resources).slice(0, MOST);
    return { findings, undrawn, small: smallOn(sheet, page, resources).slice(0, MOST) };
  },
};
export type StudioWorker = typeof STUDIO;
expose(STUDIO);
