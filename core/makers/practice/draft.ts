import type { Box } from '../../geometry/matrix';
import type { Item, RunStyle } from '../../schema/sheet';
import { Draft } from '../kit/draft';
import type { PracticeRecipe, Thing } from '../../schema/recipes/practice';

export { between, inset, KEY_COLOUR, pick } from '../kit/draft';

/** What practice sheets are drawn with. */
export class PracticeDraft extends Draft<PracticeRecipe> {
  /** A thing as a picture, or as words where it has none or words are wanted. */
  thing(
    kind: string,
    thing: Thing,
    shown: 'picture' | 'word' | 'other',
    box: Box,
    outline = false,
    style: RunStyle = {},
  ): Item {
    if (shown === 'picture' && thing.picture) return this.picture(kind, thing.picture, box, outline);
    return this.words(kind, shown === 'other' ? thing.other || thing.word : thing.word, box, { style });
  }
}
