import type { Box, Matrix } from '../../geometry/matrix';
import { compose, IDENTITY, multiply, rotation, scaling, translation } from '../../geometry/matrix';
import { numbersOf } from './style';

/** Maps of coordinates as they are written in SVG. */

/** One step; a map that flattens everything, or can't be read, counts as none. */
function step(name: string, n: readonly number[]): Matrix {
  switch (name) {
    case 'matrix':
      return n.length === 6 ? (n as unknown as Matrix) : IDENTITY;
    case 'translate':
      return translation(n[0] ?? 0, n[1] ?? 0);
    case 'scale':
      return scaling(n[0] ?? 1, n[1] ?? n[0] ?? 1);
    case 'rotate': {
      const [turn, x = 0, y = 0] = n;
      return compose(translation(x, y), rotation(turn ?? 0), translation(-x, -y));
    }
    case 'skewX':
      return [1, 0, Math.tan(((n[0] ?? 0) * Math.PI) / 180), 1, 0, 0];
    case 'skewY':
      return [1, Math.tan(((n[0] ?? 0) * Math.PI) / 180), 0, 1, 0, 0];
    default:
      return IDENTITY;
  }
}

export const transformOf = (text: string | undefined): Matrix =>
  [...(text ?? '').matchAll(/(\w+)\s*\(([^)]*)\)/g)].reduce<Matrix>(
    (matrix, [, name, inner]) => multiply(matrix, step(name, numbersOf(inner))),
    IDENTITY,
  );

/** How a view box lies in its frame. @param aspect as in preserveAspectRatio */
export function viewBoxMap(view: Box, frame: Box, aspect = 'xMidYMid'): Matrix {
  const [sx, sy] = [frame.width / view.width, frame.height / view.height];
  if (aspect.includes('none'))
    return compose(translation(frame.x, frame.y), scaling(sx, sy), translation(-view.x, -view.y));
  const scale = aspect.includes('slice') ? Math.max(sx, sy) : Math.min(sx, sy);
  const share = (axis: 'x' | 'Y') => {
    const [, where] = new RegExp(`${axis}(Min|Mid|Max)`).exec(aspect) ?? [];
    return where === 'Min' ? 0 : where === 'Max' ? 1 : 0.5;
  };
  return compose(
    translation(
      frame.x + (frame.width - view.width * scale) * share('x'),
      frame.y + (frame.height - view.height * scale) * share('Y'),
    ),
    scaling(scale, scale),
    translation(-view.x, -view.y),
  );
}

/** How much a map enlarges, on the whole. */
export const scaleOf = ([a, b, c, d]: Matrix): number => Math.sqrt(Math.abs(a * d - b * c));
/** Whether circles stay circles. */
export const keepsCircles = ([a, b, c, d]: Matrix): boolean => {
  const size = Math.max(Math.abs(a), Math.abs(b), Math.abs(c), Math.abs(d)) * 0.01;
  return (Math.abs(a - d) < size && Math.abs(b + c) < size) || (Math.abs(a + d) < size && Math.abs(b - c) < size);
};
