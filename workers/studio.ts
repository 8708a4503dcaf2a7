import { coloursOf, paletteOf } from '../core/colour/palette';
import type { DrawnPicture } from '../core/drawing/picture';
import type { Mend, Unreadable } from '../core/proof/readable';
import { mendsFor, unreadable } from '../core/proof/readable';
import type { Sheet } from '../core/sheet/schema';
import { Faces } from '../core/text/faces';

/** What the page has worked out beside it: words that can't be read, with their mends, and palettes out of pictures. */

export type StudioTask =
  | { id: number; kind: 'palette'; picture: DrawnPicture; count: number }
  /** `sheet` holds the one page that is looked at; `fonts` and `pictures` are what it is drawn with. */
  | { id: number; kind: 'readable'; sheet: Sheet; fonts: string[]; pictures: string[] };
export type Finding = Unreadable & { mends: Mend[] };
export type StudioAnswer =
  | { id: number; kind: 'palette'; colours: string[] }
  | { id: number; kind: 'readable'; findings: Finding[] }
  | { id: number; kind: 'failed'; reason: string };

/** More findings than these are not looked into further: the first ones are to be mended first. */
const MOST = 12;

let faces: Promise<Faces> | undefined;
const fonts = new Map<string, Promise<void>>();
const pictures = new Map<string, DrawnPicture | undefined>();

async function ready(task: Extract<StudioTask, { kind: 'readable' }>): Promise<Faces> {
  const open = await (faces ??= Faces.open());
  const font = (file: string) => {
    let way = fonts.get(file);
    if (!way) {
      way = fetch(`/art/fonts/${file}`).then(async (answer) => {
        if (answer.ok) open.add(file, await answer.arrayBuffer());
      });
      fonts.set(file, way);
    }
    return way;
  };
  const picture = async (id: string) => {
    if (pictures.has(id)) return;
    const answer = await fetch(`/art/pictures/${id}.json`);
    pictures.set(id, answer.ok ? ((await answer.json()) as DrawnPicture) : undefined);
  };
  await Promise.all([...task.fonts.map(font), ...task.pictures.map(picture)]);
  return open;
}

async function answer(task: StudioTask): Promise<StudioAnswer> {
  if (task.kind === 'palette')
    return { id: task.id, kind: 'palette', colours: paletteOf(coloursOf(task.picture), task.count) };
  const resources = { faces: await ready(task), pictures: (id: string) => pictures.get(id) };
  const { sheet } = task;
  const [page] = sheet.pages;
  const findings = unreadable(sheet, page, resources)
    .slice(0, MOST)
    .map((finding) => ({ ...finding, mends: mendsFor(sheet, page, finding, resources) }));
  return { id: task.id, kind: 'readable', findings };
}

self.onmessage = (event: MessageEvent<StudioTask>) => {
  answer(event.data).then(
    (done) => self.postMessage(done),
    (error: unknown) => self.postMessage({ id: event.data.id, kind: 'failed', reason: String(error) }),
  );
};
