import type { DrawnPicture } from '../../pictures/picture';
import { flatten } from '../../geometry/flatten';
import { fileFor } from '../../text/catalogue';
import type { Faces } from '../../text/faces';
import type { Kit } from '../kit/maker';
import { addFilled, countOf, grid, grownBy, inverted, sidesOf } from './mask';
import type { Chains, Mask } from './mask';
import type { CloudShape } from '../../schema/recipes/cloud';

/** What a cloud fills, as cells of its frame. */

type Fill = { chains: Chains; evenOdd: boolean };

/** A stroke as the boxes of its straight pieces, each as long as to cover the corners. */
function strokeChains(chains: Chains, width: number): number[][] {
  const out: number[][] = [];
  const half = width / 2;
  for (const chain of chains)
    for (let i = 0; i + 3 < chain.length; i += 2) {
      const [ax, ay, bx, by] = [chain[i], chain[i + 1], chain[i + 2], chain[i + 3]];
      const length = Math.hypot(bx - ax, by - ay);
      if (length === 0) continue;
      const [ux, uy] = [((bx - ax) / length) * half, ((by - ay) / length) * half];
      out.push([
        ax - ux - uy,
        ay - uy + ux,
        bx + ux - uy,
        by + uy + ux,
        bx + ux + uy,
        by + uy - ux,
        ax - ux + uy,
        ay - uy - ux,
      ]);
    }
  return out;
}

const fillsOfPicture = ({ paths }: DrawnPicture): Fill[] =>
  paths.flatMap(({ d, fill, stroke, width, rule, opacity }): Fill[] => {
    const { rings } = flatten(d);
    return [
      ...(fill !== null && opacity > 0.1 ? [{ chains: rings, evenOdd: rule === 'evenodd' }] : []),
      ...(stroke !== null ? strokeChains(rings, width).map((chain) => ({ chains: [chain], evenOdd: false })) : []),
    ];
  });

/** The outlines of letters side by side, at 1000 points. */
function chainsOfLetters(letters: string, font: string, faces: Faces): Chains {
  const file = faces.resolve(fileFor(font, true, false));
  const unit = 1000 / faces.metrics(file).unitsPerEm;
  let pen = 0;
  return faces.shape(file, letters).flatMap(({ id, advance, dx, dy }) => {
    const { rings } = flatten(faces.placed(file, id, 1000, [1, 0, 0, 1], { x: pen + dx * unit, y: -dy * unit }));
    pen += advance * unit;
    return rings;
  });
}

const moved = (chains: Chains, scale: number, x: number, y: number): number[][] =>
  chains.map((chain) => Array.from(chain, (value, i) => value * scale + (i % 2 === 0 ? x : y)));

/** Fills, as large as the grid holds with their proportions kept, in its middle. */
function fitted(fills: readonly Fill[], width: number, height: number): Mask {
  const mask = grid(width, height);
  const { left, top, right, bottom } = sidesOf(fills.flatMap(({ chains }) => chains));
  if (!(right > left) || !(bottom > top)) return mask;
  const scale = Math.min(width / (right - left), height / (bottom - top));
  const x = width / 2 - ((left + right) / 2) * scale;
  const y = height / 2 - ((top + bottom) / 2) * scale;
  for (const { chains, evenOdd } of fills) addFilled(mask, moved(chains, scale, x, y), evenOdd);
  return mask;
}

/** A mask with gaps up to twice as wide as `by` closed: grown, and shrunk again (J. Serra 1982). */
const closed = (mask: Mask, by: number): Mask => inverted(grownBy(inverted(grownBy(mask, by)), by));

const CORNERS = 96;
/** The round that a frame holds. */
const round = (width: number, height: number): Chains => [
  Array.from({ length: CORNERS * 2 }, (_, i) => {
    const turn = ((i >> 1) / CORNERS) * 2 * Math.PI;
    return i % 2 === 0 ? ((Math.cos(turn) + 1) / 2) * width : ((Math.sin(turn) + 1) / 2) * height;
  }),
];

/** What is said of shapes without enough room. */
const TOO_SMALL =
  'has almost no area to fill. Choose another, or make the frame larger. Until then the whole frame is filled.';

/** What is said of pictures without an outline of their own. */
const FULL =
  'This picture fills its frame to the edges, so the words do too. One on a plain or clear ground has an outline to fill.';

/** The cells that a cloud may fill, and what is wrong with its shape, if anything. */
export function areaOf(
  shape: CloudShape,
  width: number,
  height: number,
  kit: Pick<Kit, 'faces' | 'pictures'>,
): { area: Mask; note: string | null } {
  const filledBy = (chains: Chains) => {
    const mask = grid(width, height);
    addFilled(mask, chains);
    return mask;
  };
  const frame = () => filledBy([[0, 0, width, 0, width, height, 0, height]]);
  if (shape.kind === 'frame') return { area: frame(), note: null };
  if (shape.kind === 'round') return { area: filledBy(round(width, height)), note: null };
  const drawn = shape.kind === 'picture' ? kit.pictures(shape.picture) : undefined;
  if (shape.kind === 'picture' && !drawn)
    return {
      area: frame(),
      note: 'This picture is no longer here. Until you choose another, the whole frame is filled.',
    };
  const fills =
    shape.kind === 'letters'
      ? [{ chains: chainsOfLetters(shape.letters, shape.font, kit.faces), evenOdd: false }]
      : fillsOfPicture(drawn!);
  const filled = fitted(fills, width, height);
  // The fine lines within a silhouette part no words.
  const area = shape.kind === 'picture' ? closed(filled, Math.round(Math.max(width, height) / 160)) : filled;
  // Fewer cells hold no word that could be read.
  if (countOf(area) >= 600) return { area, note: drawn?.raster?.outlined === false ? FULL : null };
  const what = shape.kind === 'letters' ? `“${shape.letters.trim()}”` : 'This outline';
  return { area: frame(), note: `${what} ${TOO_SMALL}` };
}
