import { coloursOf, paletteOf } from '../core/palettes/palette';
import type { DrawnPicture } from '../core/pictures/picture';
import type { Mend, Unreadable } from '../core/proof/readable';
import { mendsFor, unreadable } from '../core/proof/readable';
import type { Small } from '../core/proof/small';
import { smallOn } from '../core/proof/small';
import type { Undrawn } from '../core/proof/undrawn';
import { undrawnOn } from '../core/proof/undrawn';
import type { Sheet } from '../core/schema/sheet';
import { Shelf } from './shelf';

/** What the page has worked out beside it: words that can't be read, with their mends, and palettes out of pictures. */

export type StudioTask =
  | { id: number; kind: 'palette'; picture: DrawnPicture; count: number }
  /** `sheet` holds the one page that is looked at; `fonts` and `pictures` are what it is drawn with. */
  | { id: number; kind: 'readable'; sheet: Sheet; fonts: string[]; pictures: string[] };
export type Finding = Unreadable & { mends: Mend[] };
export type StudioAnswer =
  | { id: number; kind: 'palette'; colours: string[] }
  | { id: number; kind: 'readable'; findings: Finding[]; undrawn: Undrawn[]; small: Small[] }
  | { id: number; kind: 'failed'; reason: string };

/** More findings than these are not looked into further: the first ones are to be mended first. */
const MOST = 12;

const shelf = new Shelf();

async function answer(task: StudioTask): Promise<StudioAnswer> {
  if (task.kind === 'palette')
    return { id: task.id, kind: 'palette', colours: paletteOf(coloursOf(task.picture), task.count) };
  const resources = await shelf.ready(task.fonts, task.pictures);
  const { sheet } = task;
  const [page] = sheet.pages;
  const findings = unreadable(sheet, page, resources)
    .slice(0, MOST)
    .map((finding) => ({ ...finding, mends: mendsFor(sheet, page, finding, resources) }));
  const undrawn = undrawnOn(sheet, page, resources).slice(0, MOST);
  return { id: task.id, kind: 'readable', findings, undrawn, small: smallOn(sheet, page, resources).slice(0, MOST) };
}

self.onmessage = (event: MessageEvent<StudioTask>) => {
  answer(event.data).then(
    (done) => self.postMessage(done),
    (error: unknown) => self.postMessage({ id: event.data.id, kind: 'failed', reason: String(error) }),
  );
};
