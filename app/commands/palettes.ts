import { DRAWN } from '../../core/schema/defaults';
import { withPalette } from '../../core/palettes/recolour';
import { between } from '../../core/changes/between';
import type { PictureItem } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import type { Bench } from '../document/bench';
import { untilChanged } from '../document/bench';
import { studio } from '../document/helpers';

/** The sheet's palette: out of a picture, or exchanged for another. */

/** How many colours are taken from a picture. */
const TAKEN = 8;

export async function paletteFromPicture(bench: Bench, item: PictureItem): Promise<void> {
  const picture = pictureNow(item.picture);
  if (!picture) return bench.say('This picture has not arrived yet. Try again in a moment.');
  try {
    const colours = await studio.ask((worker) => worker.palette(picture, TAKEN));
    if (colours.length === 0) return bench.say('No colours were found in this picture.');
    // Every palette keeps ink and paper, so that words stay words.
    const palette = [...new Set([DRAWN.ink, ...colours, DRAWN.paper])];
    bench.make('Palette from picture', { kind: 'sheet-set', values: { palette } });
    bench.say(
      'The palette now holds the colours of this picture. What is on the sheet keeps its own.',
      untilChanged(bench),
    );
  } catch {
    bench.say('The colours could not be worked out. Try again.');
  }
}

/** Exchanges the palette, and each of its colours wherever it is used on the sheet, as one step. */
export const exchangePalette = (bench: Bench, palette: readonly string[]): void =>
  void bench.make('Other palette', between(bench.sheet, withPalette(bench.sheet, palette)));
