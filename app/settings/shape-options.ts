import { FAMILIES } from '../../core/geometry/shapes/shapes';
import { shapeName } from '../../core/items/name';

/** All shapes to choose from, by what they are for. */
export const SHAPE_OPTIONS = FAMILIES.map(({ name, shapes }) => ({
  label: name,
  options: shapes.map((value) => ({ value, label: shapeName(value) })),
}));
