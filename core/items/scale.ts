import type { TextBody, GroupItem, Item, LineItem, Shadow, Sheet } from '../schema/sheet';
import type { MakerState } from '../schema/recipes/recipes';
import { alteredFacets, FACETS, partNames, placeOf, printOf } from '../sheet/made';
import { isFramed } from '../schema/sheet';
import { kindOf } from './all';
import { tidy, within } from './measures';
import { roleOf } from '../text/style';
import type { Frame } from '../geometry/frame';
import type { Box } from '../geometry/matrix';
import { rescaled } from '../geometry/resize';

/** Items that are scaled along with a box around them. */

export type Along = {
  /** Sizes and spacings of words: of all, of those that have a size of their own (their role is scaled as well), or none. */
  words: 'all' | 'own' | 'none';
  /** Weights of lines and outlines, shadows, corners. */
  weights: boolean;
  roles: Sheet['roles'];
};
export const PLACES_ONLY: Along = { words: 'none', weights: false, roles: {} };

/** Words with all their measures multiplied. */
export function scaledBody(body: TextBody, factor: number, along: Along, role: string | null): TextBody {
  if (along.words === 'none') return body;
  const { run } = roleOf(along, role);
  return body.map((paragraph) => ({
    format:
      paragraph.format.before === undefined
        ? paragraph.format
        : { ...paragraph.format, before: tidy(within(paragraph.format.before * factor, 0, 500)) },
    runs: paragraph.runs.map(({ text, style }) => {
      const size = style.size ?? (along.words === 'all' ? run.size : undefined);
      const spacing =
        style.letterSpacing ?? (along.words === 'all' && run.letterSpacing ? run.letterSpacing : undefined);
      return {
        text,
        style: {
          ...style,
          ...(size !== undefined && { size: tidy(within(size * factor, 1, 1000)) }),
          ...(spacing !== undefined && { letterSpacing: tidy(within(spacing * factor, -20, 200)) }),
        },
      };
    }),
  }));
}

const shadowed = (shadow: Shadow | null, factor: number): Shadow | null =>
  shadow && {
    ...shadow,
    dx: tidy(within(shadow.dx * factor, -200, 200)),
    dy: tidy(within(shadow.dy * factor, -200, 200)),
    blur: tidy(within(shadow.blur * factor, 0, 100)),
  };

/** An item with its words and weights multiplied; its place and size are left. */
export function heavier(item: Item, factor: number, along: Along): Item {
  const after = kindOf(item).grown(item, {
    words: along.words === 'none' ? 1 : factor,
    weight: along.weights ? factor : 1,
    body: (body, role) => scaledBody(body, factor, along, role),
  });
  return along.weights && isFramed(after) ? { ...after, shadow: shadowed(after.shadow, factor) } : after;
}

/** The item as it is when the box around it goes from `before` to `after`; groups take their parts along. */
export function scaledItem(item: Item, before: Box, after: Box, along: Along = PLACES_ONLY): Item {
  const sx = before.width > 0 ? after.width / before.width : 1;
  const sy = before.height > 0 ? after.height / before.height : 1;
  // Of a line of no height or width only one scale is known.
  const factor = before.width > 0 && before.height > 0 ? Math.sqrt(sx * sy) : before.width > 0 ? sx : sy;
  const made = along.words === 'none' && !along.weights ? item : heavier(item, factor, along);
  if (made.kind === 'line') {
    const end = (e: LineItem['from']) => ({
      ...e,
      x: after.x + (e.x - before.x) * sx,
      y: after.y + (e.y - before.y) * sy,
    });
    const via = made.via.map(({ x, y }) => ({
      x: tidy(after.x + (x - before.x) * sx),
      y: tidy(after.y + (y - before.y) * sy),
    }));
    return { ...made, from: end(made.from), to: end(made.to), via };
  }
  const frame = rescaled(made, before, after);
  return made.kind === 'group' ? resizedGroup(made, frame, along) : { ...made, ...frame };
}

/** How much larger a box is, by its area. */
const scaleOf = (before: Box, after: Box) =>
  before.width > 0 && before.height > 0 ? Math.sqrt((after.width / before.width) * (after.height / before.height)) : 1;

/** Scaled text stays scaled when the parts are made again. */
function scaledMaker(maker: MakerState, factor: number, along: Along): MakerState {
  if (along.words === 'none') return maker;
  return {
    ...maker,
    recipe: { ...maker.recipe, size: tidy(within(maker.recipe.size * factor, 5, 120)) },
  } as MakerState;
}

/** A scaled part still counts as made, apart from earlier manual changes. */
function scaledPart(part: Item, scaled: (item: Item) => Item, name: (id: string) => string): Item {
  const { made } = part;
  const after = scaled(part);
  if (!made) return after;
  const altered = alteredFacets(part, made, name);
  const was = made.print.split('.');
  const is = printOf(after, name).split('.');
  const [x, y, width, height, angle] = made.at;
  const asMade = isFramed(part) ? placeOf(scaled({ ...part, x, y, width, height, angle } as Item)) : [];
  return {
    ...after,
    made: { ...made, at: asMade, print: FACETS.map((facet, i) => (altered.has(facet) ? was[i] : is[i])).join('.') },
  } as Item;
}

/** A group in another frame, with its parts where they then belong. */
export function resizedGroup(item: GroupItem, frame: Frame, along: Along = PLACES_ONLY): GroupItem {
  const [inner, outer] = [item, frame].map(({ width, height }) => ({ x: 0, y: 0, width, height }));
  const scaled = (part: Item) => scaledItem(part, inner, outer, along);
  const name = partNames(item.items);
  return {
    ...item,
    ...frame,
    ...(item.maker && { maker: scaledMaker(item.maker, scaleOf(inner, outer), along) }),
    items: item.items.map((part) => (part.made ? scaledPart(part, scaled, name) : scaled(part))),
  };
}
