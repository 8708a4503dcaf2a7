import { onItem } from '../../core/pictures/frame';
import { isOwn } from '../../core/pictures/picture';
import { frameMatrix } from '../../core/geometry/frame';
import { placeBeside } from '../../core/items/beside';
import { parentMatrix } from '../../core/placement/on-page';
import { boxOf } from '../../core/items/hit';
import type { Point } from '../../core/geometry/matrix';
import { compose, transform } from '../../core/geometry/matrix';
import type { ShapeName } from '../../core/geometry/shapes/shapes';
import { OUTLINES } from '../../core/geometry/shapes/shapes';
import { bodyText } from '../../core/text/body';
import { DRAWN, free, LIGHT_EDGE, line, picture, plain, shape, solid, text } from '../../core/schema/defaults';
import type { LineItem, Page, PictureItem } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { add, styledAsLast, newId, placeFor, touch } from './steps';

/** What can be added to the sheet and set there, each as one step that can be undone. */

const ROLE_SAMPLES: Record<string, { words: string; width: number; height: number }> = {
  title: { words: 'Title', width: 320, height: 46 },
  heading: { words: 'Heading', width: 240, height: 32 },
  bank: { words: 'words · to · use', width: 340, height: 28 },
};

export function addText(editor: Editor, role: string, at?: Point): void {
  const { words, width, height } = ROLE_SAMPLES[role] ?? { words: '', width: 200, height: 28 };
  const item = text({
    id: newId(),
    role,
    touch: touch(editor),
    ...placeFor(editor, width, height, at),
    width,
    height,
    body: plain(words),
    ...(role === 'name' && { body: plain('Name '), width: 220 }),
  });
  if (add(editor, 'Add text', [styledAsLast(editor, item, ['role'])])) editor.openText(item);
}

export function addShape(editor: Editor, kind: ShapeName, at?: Point): void {
  const { ratio = 1.25 } = OUTLINES[kind];
  const [width, height] = ratio >= 1 ? [120, 120 / ratio] : [110 * ratio, 110];
  const item = shape({
    id: newId(),
    shape: kind,
    touch: touch(editor),
    ...placeFor(editor, width, height, at),
    width,
    height,
  });
  add(editor, 'Add shape', [styledAsLast(editor, item)]);
}

export function addLine(editor: Editor, given: Partial<LineItem>, at?: Point): void {
  const { x, y } = placeFor(editor, 140, 0, at);
  const item = line({ id: newId(), touch: touch(editor), from: free(x, y), to: free(x + 140, y), ...given });
  add(editor, 'Add line', [styledAsLast(editor, item, ['route', 'startCap', 'endCap'])]);
}

type Given = { id: string; name: string; credit: string; width: number; height: number };
type Look = Partial<Pick<PictureItem, 'form'>>;

export function addPicture(editor: Editor, given: Given, at?: Point, look: Look = {}): void {
  const room = Math.min(editor.page.width, editor.page.height);
  const longest = room * (given.id.startsWith('diagram/') ? 0.62 : isOwn(given.id) ? 0.42 : 0.2);
  const scale = longest / Math.max(given.width, given.height);
  const [width, height] = [given.width * scale, given.height * scale];
  add(editor, 'Add picture', [
    pictureOf(editor, given, { ...placeFor(editor, width, height, at), width, height, ...look }),
  ]);
}

/** The longer side of one that waits beside the page, in points. */
const CANDIDATE = 110;

const pictureOf = (editor: Editor, { id, name, credit }: Given, values: Partial<PictureItem>): PictureItem =>
  picture({ id: newId(), picture: id, touch: touch(editor), alt: name, credit, ...values });

/** One that is to wait beside a page. */
function candidate(editor: Editor, page: Page, given: Given, look: Look = {}): PictureItem {
  const scale = CANDIDATE / Math.max(given.width, given.height);
  const [width, height] = [given.width * scale, given.height * scale];
  return pictureOf(editor, given, { ...placeBeside(page, width, height), width, height, ...look });
}

/** Puts a picture beside the page, to be tried later. */
export function addBesidePage(editor: Editor, given: Given, look?: Look): void {
  add(editor, 'Add picture beside the page', [candidate(editor, editor.page, given, look)], editor.selection, null);
}

/** One picture goes on the page, or where it was dropped; several go beside it, to be chosen from, in one step. */
export function addPictures(editor: Editor, given: readonly Given[], at?: Point): void {
  if (given.length === 1) return addPicture(editor, given[0], at);
  let { page } = editor;
  const items = given.map((one) => {
    const item = candidate(editor, page, one);
    page = { ...page, items: [...page.items, item] };
    return item;
  });
  add(editor, 'Add pictures beside the page', items, editor.selection, null);
}

const LABEL_LOOK = {
  padding: 5,
  corner: 6,
  vertical: 'middle' as const,
  width: 118,
  height: 28,
  fill: solid(DRAWN.sheet),
  outline: { colour: DRAWN.edge, width: 1.25, dash: 'solid' as const },
};

/** A label with a line to a named part, placed beside the picture on the side where the part is. */
export function addLabel(editor: Editor, to: PictureItem, target: string, blank: boolean): void {
  const drawn = pictureNow(to.picture);
  const part = drawn?.targets.find((t) => t.name === target);
  if (!drawn || !part) return;
  const matrix = compose(parentMatrix(editor.page, to.id), frameMatrix(to));
  const point = transform(matrix, onItem(to, drawn, part));
  const around = boxOf(editor.page, to, pictureNow);
  const right = point.x > around.x + around.width / 2;
  const x = right
    ? Math.min(editor.page.width - LABEL_LOOK.width - 20, around.x + around.width + 24)
    : Math.max(20, around.x - LABEL_LOOK.width - 24);
  // The next free row on that side.
  let y = Math.max(20, Math.min(editor.page.height - 48, point.y - LABEL_LOOK.height / 2));
  const taken = (at: number) =>
    editor.page.items.some(
      (item) =>
        item.kind === 'text' &&
        Math.abs(item.x - x) < LABEL_LOOK.width &&
        Math.abs(item.y - at) < LABEL_LOOK.height + 6,
    );
  for (let step = 1; taken(y) && step < 40; step++) y += (step % 2 ? 1 : -1) * step * (LABEL_LOOK.height + 8);
  addLabelAt(editor, { x, y }, { item: to.id, target }, target, blank);
}

/** A label, with a line that is free or attached to a part. */
export function addLabelAt(
  editor: Editor,
  at: Point,
  end: { item: string; target: string } | null,
  words: string,
  blank: boolean,
): void {
  const label = text({
    id: newId(),
    role: 'label',
    ...LABEL_LOOK,
    ...at,
    touch: blank ? 'fill' : touch(editor),
    blank,
    body: plain(words),
  });
  const leader = line({
    id: newId(),
    touch: touch(editor),
    from: { ...free(at.x, at.y), item: label.id },
    to: { ...free(at.x - 60, at.y + 50), ...(end ?? {}) },
    endCap: 'dot',
    outline: { colour: DRAWN.edge, width: 1.1, dash: 'solid' },
    edge: LIGHT_EDGE,
  });
  add(editor, 'Add label', [label, leader]);
}

/** The answers of the page's blanks, in an order that gives nothing away. */
export function addWordBank(editor: Editor): void {
  const words = everyItem(editor.page)
    .flatMap((item) => (item.kind === 'text' && item.blank ? [bodyText(item.body).trim()] : []))
    .filter(Boolean);
  if (words.length === 0)
    return editor.say('A word bank is filled from the blanks on the page. Make a label blank first.', ({ page }) =>
      page.items.some((item) => item.kind === 'text' && item.blank),
    );
  const width = Math.min(editor.page.width - 72, 120 + words.join(' · ').length * 6.6);
  const sorted = [...new Set(words)].sort((a, b) => a.localeCompare(b));
  const item = text({
    id: newId(),
    role: 'bank',
    body: plain(sorted.join('  ·  ')),
    width,
    height: 32,
    padding: 6,
    corner: 10,
    vertical: 'middle',
    x: (editor.page.width - width) / 2,
    y: editor.page.height - 32 - Math.max(24, editor.page.margin),
    fill: solid(DRAWN.bank),
  });
  add(editor, 'Add word bank', [item]);
}

/** Remembers a colour for the recent ones. */
export function noteColour(editor: Editor, hex: string | null): void {
  if (hex) editor.remember([], hex);
}
