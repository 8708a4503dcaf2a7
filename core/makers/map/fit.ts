import { union } from '../../geometry/box';
import type { Box } from '../../geometry/matrix';
import { LEAST_PRINTED } from '../../text/style';
import type { Words } from './sizes';
import { Draft } from './sizes';
import type { Laid } from './tree';
import { boxAt, everyBranch } from './tree';

/** How large the words of a map may be in its frame. */

/** All boxes of a laid map, in its own coordinates. */
function boxesOf(draft: Draft, laid: Laid): Map<string, Box> {
  const out = new Map<string, Box>();
  for (const branch of everyBranch(draft.roots)) {
    const at = laid.at.get(branch.node.id);
    if (at) out.set(branch.node.id, laid.boxes?.get(branch.node.id) ?? boxAt(branch, at));
  }
  return out;
}

export type Fitted = { draft: Draft; laid: Laid; boxes: Map<string, Box>; all: Box; fits: boolean };

/**
 * Words and gaps as large as asked, or smaller until the nodes fit a frame. A map shrinks as its words do, so the first guess is
 * nearly right; a few steps more make up for what does not.
 */
export async function fitted(words: Words, width: number, height: number): Promise<Fitted> {
  const { recipe } = words;
  const attempt = async (scale: number): Promise<Fitted> => {
    const draft = new Draft(words, scale, width / height);
    const laid = await draft.laid();
    const boxes = boxesOf(draft, laid);
    const all = union([...boxes.values()]);
    return { draft, laid, boxes, all, fits: all.width <= width + 0.01 && all.height <= height + 0.01 };
  };
  const smallest = Math.min(1, LEAST_PRINTED / (recipe.size * words.smallest));
  let now = await attempt(1);
  for (let step = 0; !now.fits && now.draft.scale > smallest && step < 8; step++) {
    const by = Math.min(0.995, width / now.all.width, height / now.all.height);
    now = await attempt(Math.max(smallest, now.draft.scale * by * (step > 0 ? 0.99 : 1)));
  }
  return now;
}
