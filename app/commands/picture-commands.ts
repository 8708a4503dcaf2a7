import equal from 'fast-deep-equal';
import { between } from '../../core/changes/between';
import { inPalette, ownColours } from '../../core/palettes/picture-colours';
import { replaced } from '../../core/placement/replaced';
import type { Tone } from '../../core/colour/tone';
import type { DrawnPicture } from '../../core/pictures/picture';
import type { Page, PictureItem, Sheet } from '../../core/schema/sheet';
import { find, withItem } from '../../core/sheet/tree';
import { loadPicture, pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { untilChanged } from '../document/editor';
import { setPictures } from './crop-commands';

/** Other pictures and other colours for pictures: each one step that can be undone. */

/** A sheet on which an item shows another picture; the lines to its parts come with it. */
export function withPicture(sheet: Sheet, page: Page, shown: PictureItem, next: DrawnPicture): Sheet {
  const { item, lines } = replaced(page, shown, pictureNow(shown.picture), next);
  return [item, ...lines].reduce((now, one) => withItem(now, find(now, one.id)!, one), sheet);
}

/** Puts another picture in the place of some. */
export async function replacePictures(editor: Editor, ids: readonly string[], picture: string): Promise<void> {
  await loadPicture(picture);
  const next = pictureNow(picture);
  if (!next) return editor.say('Couldn’t load the picture. Try again.');
  let { sheet } = editor;
  for (const id of ids) {
    const place = find(sheet, id);
    // What a maker made is exchanged in its recipe.
    if (place?.item.kind !== 'picture' || place.item.locked || place.item.made) continue;
    sheet = withPicture(sheet, place.page, place.item, next);
  }
  if (sheet !== editor.sheet && editor.make(`Replace with ${next.name}`, between(editor.sheet, sheet)))
    editor.say('The picture was replaced. Its place, size and look stayed.', untilChanged(editor));
}

const PLAIN: Tone = { brightness: 0, contrast: 0, twoColours: null, tint: null };

export function setTone(editor: Editor, name: string, become: (tone: Tone) => Partial<Tone>): void {
  setPictures(editor, name, ({ tone }) => {
    const now = tone ?? PLAIN;
    const next = { ...now, ...become(now) };
    return { tone: equal(next, PLAIN) ? null : next };
  });
}

/** Gives a colour of the chosen pictures another one. */
export function setPictureColour(editor: Editor, own: string, to: string): void {
  setPictures(editor, 'Colour of a picture', ({ colours: { [own]: _, ...others } }) => ({
    colours: to === own ? others : { ...others, [own]: to },
  }));
}

export function colourFromPalette(editor: Editor): void {
  setPictures(editor, 'Colours from the palette', (item) => {
    const drawn = pictureNow(item.picture);
    return drawn && !drawn.raster ? { colours: inPalette(ownColours(drawn), editor.sheet.palette) } : {};
  });
}

export const ownColoursAgain = (editor: Editor): void =>
  setPictures(editor, 'Own colours', () => ({ colours: {}, tone: null }));
