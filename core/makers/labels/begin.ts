import type { DrawnPicture } from '../../drawing/picture';
import type { LabelsRecipe, Spot } from './recipe';

/** Labels as they begin: those of all named parts, where the picture has them. */

export const spotsOf = (picture: Pick<DrawnPicture, 'targets' | 'width' | 'height'> | undefined): Spot[] =>
  (picture?.targets ?? []).map(({ name, x, y }, i) => ({
    id: `${i + 1}`,
    words: name,
    also: [],
    x: x / picture!.width,
    y: y / picture!.height,
    wide: 0,
    high: 0,
    target: name,
    definition: '',
    reason: '',
  }));

export const beginLabels = (
  palette: readonly string[],
  picture = 'diagram/heron',
  spots: Spot[] = [],
): LabelsRecipe => ({
  picture,
  drawing: null,
  spots,
  form: 'word',
  edition: 'filled',
  some: 3,
  decoys: [],
  sides: 'both',
  size: 14,
  fill: palette[9] ?? '#ffffff',
  edge: palette[2] ?? '#7f9d63',
  line: '#5b5646',
});
