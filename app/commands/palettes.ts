import { DRAWN } from '../../core/schema/defaults';
import { withPalette } from '../../core/palettes/recolour';
import { between } from '../../core/changes/between';
import type { PictureItem } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { untilChanged } from '../document/editor';
import { studio } from '../document/helpers';

/** The sheet's palette: taken from a picture, or exchanged for another. */

/** How many colours to take from a picture. */
const TAKEN = 8;

export async function paletteFromPicture(editor: Editor, item: PictureItem): Promise<void> {
  const picture = pictureNow(item.picture);
  if (!picture) return editor.say('This picture has not arrived yet. Try again in a moment.');
  try {
    const colours = await studio.ask((worker) => worker.palette(picture, TAKEN));
    if (colours.length === 0) return editor.say('No colours were found in this picture.');
    // Every palette keeps ink and paper, so that text stays readable.
    const palette = [...new Set([DRAWN.ink, ...colours, DRAWN.paper])];
    editor.make('Palette from picture', { kind: 'sheet-set', values: { palette } });
    editor.say(
      'The palette now holds the colours of this picture. What is on the sheet keeps its own.',
      untilChanged(editor),
    );
  } catch {
    editor.say('The colours could not be worked out. Try again.');
  }
}

/** Exchanges the palette and each of its colours on the whole sheet, as one step. */
export const exchangePalette = (editor: Editor, palette: readonly string[]): void =>
  void editor.make('Other palette', between(editor.sheet, withPalette(editor.sheet, palette)));
