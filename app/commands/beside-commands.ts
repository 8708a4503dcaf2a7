import { between, packed } from '../../core/changes/between';
import { centre } from '../../core/geometry/box';
import { boxOf } from '../../core/items/hit';
import { besideOf, isBeside, placeBeside } from '../../core/items/beside';
import type { Page, PictureItem } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { everyItem, find } from '../../core/sheet/tree';
import { loadPicture, pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { untilChanged } from '../document/editor';
import { withPicture } from './picture-commands';
import { movable, set } from './steps';

/** The room beside the page: things are put there, and pictures that wait there are tried on the page. */

/** Selected things of the page itself that can be put beside it, or that lie there. */
const onTop = (editor: Editor) =>
  movable(editor).filter((item) => isFramed(item) && editor.page.items.some(({ id }) => id === item.id));

/** Moves what is selected beside the page, or back to its middle where all of it lies there. */
export function besideAndBack(editor: Editor): void {
  const chosen = onTop(editor);
  if (chosen.length === 0) return editor.say('Select something on the page first. Parts of a group stay with it.');
  const back = chosen.every((item) => isBeside(editor.page, item));
  let { page } = editor;
  const changes = chosen.flatMap((item) => {
    if (!isFramed(item) || (!back && isBeside(editor.page, item))) return [];
    const box = boxOf(page, item, pictureNow);
    const to = back
      ? { x: (page.width - box.width) / 2, y: (page.height - box.height) / 2 }
      : placeBeside(page, box.width, box.height);
    const values = { x: item.x + to.x - box.x, y: item.y + to.y - box.y };
    page = { ...page, items: page.items.map((one) => (one.id === item.id ? { ...item, ...values } : one)) };
    return [set(item.id, values)];
  });
  if (editor.make(back ? 'Back to the page' : 'Beside the page', packed(changes)) && !back)
    editor.say('It lies beside the page now: saved with the sheet, never printed or handed out.', untilChanged(editor));
}

/** Pictures that wait beside the page, in the order in which one reads. */
const candidatesOf = (page: Page): PictureItem[] =>
  besideOf(page)
    .filter((item): item is PictureItem => item.kind === 'picture' && !item.hidden && !item.locked)
    .sort((a, b) => (Math.abs(a.y - b.y) > 10 ? a.y - b.y : a.x - b.x));

/** The picture whose place candidates are tried in: the selected one, or the one nearest to a candidate that is selected. */
function targetOf(editor: Editor): PictureItem | null {
  const { page, chosen } = editor;
  if (chosen?.kind !== 'picture') return null;
  if (!page.items.some(({ id }) => id === chosen.id) || !isBeside(page, chosen)) return chosen;
  const from = centre(boxOf(page, chosen, pictureNow));
  const beside = new Set(besideOf(page));
  const away = (item: PictureItem) => {
    const { x, y } = centre(boxOf(page, item, pictureNow));
    return Math.hypot(x - from.x, y - from.y);
  };
  const [nearest] = everyItem(page)
    .filter(
      (item): item is PictureItem =>
        item.kind === 'picture' && !item.hidden && !item.locked && !item.made && !beside.has(item),
    )
    .sort((a, b) => away(a) - away(b));
  return nearest ?? null;
}

/**
 * Tries the next picture that waits beside the page in the place of the selected one, which waits in its stead: so all of them are
 * seen one after another, and then the first again.
 */
export async function tryNext(editor: Editor, by: 1 | -1): Promise<void> {
  const target = targetOf(editor);
  if (!target) return editor.say('Select the picture on the page that others are to be tried for.');
  const chosenBeside = editor.chosen !== null && editor.chosen.id !== target.id;
  const candidates = candidatesOf(editor.page);
  if (candidates.length === 0)
    return editor.say('No picture waits beside the page. Drag some there from the supplies, or press B on one.');
  if (target.locked || target.made)
    return editor.say(target.locked ? 'This picture is locked.' : 'A maker made this picture: change it there.');
  // One that is selected beside the page is tried itself; else each takes the place of the one before it.
  const ring = chosenBeside
    ? [target, candidates.find(({ id }) => id === editor.chosen!.id)!]
    : [target, ...candidates];
  const shown = ring.map(({ picture }) => picture);
  await Promise.all(shown.map(loadPicture));
  let { sheet } = editor;
  for (const [i, { id }] of ring.entries()) {
    const next = pictureNow(shown[(i + by + ring.length) % ring.length]);
    const place = find(sheet, id);
    if (!next || place?.item.kind !== 'picture') return editor.say('Couldn’t load the picture. Try again.');
    sheet = withPicture(sheet, place.page, place.item, next);
  }
  if (!editor.make('Try another picture', between(editor.sheet, sheet))) return;
  editor.select([target.id]);
  editor.say(
    `${pictureNow(shown[by > 0 ? 1 : shown.length - 1])?.name ?? 'Another picture'}: T tries the next of ${ring.length - 1}, Shift+T goes back.`,
    untilChanged(editor),
  );
}
