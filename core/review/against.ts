import { answered, asExample } from '../handout/copy';
import { veiled } from '../handout/veil';
import type { Pictures } from '../pictures/picture';
import type { Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';
import type { Difference } from './compare';
import { compare } from './compare';

/** A teacher's sheet as a piece is compared with it: with all answers, and without what students never get. */
export const keyOf = (sheet: Sheet): Sheet => answered(asExample(sheet));

/**
 * What a reader sees that differs on a piece: from the sheet as handed out, from another go, or from the key. What is only set
 * for students (what may be touched, other answers) does not count, and neither does how the parts of pictures are named.
 */
export function against(other: Sheet, piece: Sheet, pictures: Pictures): Difference[] {
  // Of a picture that is not known, nobody can say where its parts are.
  const isUnsure = ({ before }: Difference): boolean => {
    const line = before && find(other, before.id)?.item;
    if (line?.kind !== 'line') return false;
    return [line.from, line.to].some(({ item, target }) => {
      const shown = item !== null && target !== null ? find(other, item)?.item : undefined;
      return shown?.kind === 'picture' && pictures(shown.picture) === undefined;
    });
  };
  return compare(veiled(other, pictures), veiled(piece, pictures), pictures).flatMap((difference) => {
    const kinds = difference.kinds.filter(
      (kind) => kind !== 'set otherwise' && !(kind === 'led elsewhere' && isUnsure(difference)),
    );
    return kinds.length > 0 ? [{ ...difference, kinds }] : [];
  });
}
