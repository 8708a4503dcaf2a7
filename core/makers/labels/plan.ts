import type { Box } from '../../geometry/matrix';
import type { Asked, Kit } from '../kit/maker';
import { sizeOfWords, tidied } from '../kit/measure';
import type { Label } from './editions';
import type { Column } from './place';
import { placeLabels } from './place';
import type { LabelsRecipe } from '../../schema/recipes/labels';

/** How large the words of a labelled diagram can be, and where picture, labels, bank and list go for it. */

const LEAST_WORDS = 7;

export const styleAt = (size: number) => ({ size: tidied(size) });

type Sized = { label: Label; width: number; height: number; port: number };

/** The height of a label that has room for an explanation under it. */
export const explainedHigh = (size: number) => size * 2.1;

/** Boxes are as wide as the words that will stand in them, whether those are there yet or not. */
function sizesOf(recipe: LabelsRecipe, labels: readonly Label[], size: number, most: number, kit: Kit): Sized[] {
  const pad = size * 0.5;
  if (recipe.form === 'traits') {
    const height = (label: Label) =>
      traitHeights(label, most, size, recipe, kit).reduce((sum, one) => sum + one, 0) + pad * 1.4;
    return labels.map((label) => ({ label, width: most, height: height(label), port: 0 }));
  }
  // Blanks are all as wide as the widest, so that their width tells nothing.
  const sizes = labels.map(({ answer, words }) =>
    recipe.edition === 'numbers'
      ? { width: size * 1.2, height: size * 1.4 }
      : [answer, words]
          .map((one) => sizeOfWords(one || ' ', styleAt(size), 'label', most - 2 * pad, kit))
          .reduce((a, b) => ({ width: Math.max(a.width, b.width), height: Math.max(a.height, b.height) })),
  );
  const widest = Math.max(size * 4, ...sizes.map(({ width }) => width));
  const written = labels.some(({ fill }) => fill);
  return labels.map((label, i) => {
    if (recipe.edition === 'explain') {
      const height = explainedHigh(size) + size * 3.4;
      return { label, width: most, height, port: (explainedHigh(size) - height) / 2 };
    }
    const wide = written && recipe.edition !== 'numbers' ? widest + size : sizes[i].width;
    return { label, width: wide + 2 * pad, height: sizes[i].height + pad * 0.9, port: 0 };
  });
}

export const lineRoles = ({ lines }: Pick<LabelsRecipe, 'lines'>) => ['heading', lines[0].role, lines[1].role];
export const traitTexts = ({ spot }: Label) => [spot.words, spot.definition, spot.reason];
export const traitSize = (size: number, part: number) => (part === 0 ? size * 1.15 : size * 0.92);

export function traitHeights(label: Label, width: number, size: number, recipe: LabelsRecipe, kit: Kit): number[] {
  const roles = lineRoles(recipe);
  return traitTexts(label).map((words, i) => {
    const room = width - size * 1.2;
    const own = sizeOfWords(words || ' ', styleAt(traitSize(size, i)), roles[i], room, kit).height;
    // Room to write where it is given out empty.
    return label.fill && i > 0 ? Math.max(own, size * 2.6) : own;
  });
}

export type Plan = {
  size: number;
  picture: Box;
  columns: Column[];
  sized: Sized[];
  places: ReturnType<typeof placeLabels>;
  bank: number;
  list: number;
};

/** The largest words for which all labels find room; where none do, the smallest. */
export function planned(
  asked: Asked<LabelsRecipe>,
  labels: readonly Label[],
  ratio: number,
  bank: readonly string[],
  kit: Kit,
): Plan {
  const { recipe, width, height } = asked;
  const attempt = (size: number): Plan => {
    const numbers = recipe.edition === 'numbers';
    const columnsWide = recipe.sides === 'both' ? 2 : 1;
    const most = recipe.form === 'traits' ? Math.min(size * 15, width * 0.3) : Math.min(size * 11, width * 0.3);
    const sized = sizesOf(recipe, labels, size, most, kit);
    const widest = Math.max(0, ...sized.map((one) => one.width));
    const bankHigh = recipe.edition === 'bank' ? bankHeight(bank, width, size, kit) : 0;
    const rows = numbers ? Math.ceil(labels.length / listColumns(labels.length, width, size)) : 0;
    const listHigh = numbers ? rows * size * 2 + size : 0;
    const high = height - (bankHigh > 0 ? bankHigh + size : 0) - listHigh;
    const gap = size * 2;
    const room = { width: Math.max(20, width - columnsWide * (widest + gap)), height: Math.max(20, high) };
    const scale = Math.min(room.width / ratio, room.height);
    const base = { width: scale * ratio, height: scale };
    const left = recipe.sides === 'right' ? 0 : widest + gap;
    const free = room.width - base.width;
    const picture = { x: left + free / 2, y: (room.height - base.height) / 2, ...base };
    const sides = recipe.sides === 'both' ? (['left', 'right'] as const) : [recipe.sides];
    const columns = sides.map((side) => ({
      side,
      x: side === 'left' ? picture.x - gap : picture.x + picture.width + gap,
    }));
    const wanted = sized.map(({ label: { spot }, ...box }) => ({
      ...box,
      spot: { x: picture.x + spot.x * picture.width, y: picture.y + spot.y * picture.height },
    }));
    return {
      size,
      picture,
      columns,
      sized,
      places: placeLabels(wanted, columns, room.height, size * 0.5),
      bank: bankHigh,
      list: listHigh,
    };
  };
  let plan = attempt(recipe.size);
  while (plan.places.includes(null) && plan.size > LEAST_WORDS) plan = attempt(Math.max(LEAST_WORDS, plan.size * 0.9));
  return plan;
}

export const listColumns = (count: number, width: number, size: number) =>
  Math.max(1, Math.min(4, count, Math.floor(width / (size * 14))));

function bankHeight(words: readonly string[], width: number, size: number, kit: Kit): number {
  return sizeOfWords(words.join('    '), styleAt(size), 'bank', width - 2 * size, kit).height + size * 1.4;
}
