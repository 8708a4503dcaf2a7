import { beginLabels, spotsOf } from '../../../core/makers/labels/begin';
import type { Spot } from '../../../core/schema/recipes/labels';
import { loadPicture, pictureNow } from '../../drawing/resources';
import type { Beginning } from '../kit/begin';

const FIRST_DIAGRAM = 'diagram/heron';

/** The spots of all named parts of a picture. */
export async function spotsIn(id: string): Promise<Spot[]> {
  await loadPicture(id);
  return spotsOf(pictureNow(id));
}

export const BEGINNING: Beginning<'labels'> = {
  kind: 'labels',
  recipe: async (palette) => beginLabels(palette, FIRST_DIAGRAM, await spotsIn(FIRST_DIAGRAM)),
  width: 0.86,
  height: 0.72,
};
