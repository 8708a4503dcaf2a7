import type { DisplayNode, DrawnPage, DrawnShadow } from '../drawing/list';
import { grown, mapped } from '../geometry/box';
import { frameMatrix, localBox } from '../geometry/frame';
import type { FramedItem, Item, Page, Shadow, Sheet } from '../schema/sheet';
import { isFramed } from '../schema/sheet';
import { kindOf } from './all';
import type { Drawing } from './kind';
import { paintOf } from './paint';

/** From the document to the display list. */

/** One item in its parent's coordinates; undefined when it is hidden. */
export function drawItem(item: Item, drawing: Drawing): DisplayNode | undefined {
  if (item.hidden) return undefined;
  const children = kindOf(item).draw(item, drawing, (parts) => drawItems(parts, drawing));
  return {
    kind: 'group',
    id: item.id,
    children,
    ...(isFramed(item) && { matrix: frameMatrix(item) }),
    ...(item.opacity < 1 && { opacity: item.opacity }),
    ...(item.shadow && isFramed(item) && { shadow: shadowOf(item, item.shadow) }),
  };
}

function shadowOf(item: FramedItem, { dx, dy, blur, colour, opacity }: Shadow): DrawnShadow {
  const around = mapped(localBox(item), frameMatrix(item));
  // Tails, outlines and curved letters reach beyond the frame.
  const reach = Math.max(item.width, item.height) * 0.7 + 24;
  return {
    dx,
    dy,
    blur: blur / 2,
    hex: colour,
    alpha: opacity,
    box: grown(around, reach + blur * 2 + Math.max(Math.abs(dx), Math.abs(dy))),
  };
}

/** Items lie front to back in the document and are drawn back to front. */
export const drawItems = (items: readonly Item[], drawing: Drawing): DisplayNode[] =>
  items.toReversed().flatMap((item) => drawItem(item, drawing) ?? []);

export function drawPage(sheet: Sheet, page: Page, resources: Omit<Drawing, 'roles' | 'page'>): DrawnPage {
  const { width, height, background } = page;
  const ground: DisplayNode[] = background
    ? [{ kind: 'path', d: `M0 0H${width}V${height}H0Z`, fill: paintOf(background, width, height) }]
    : [];
  return { width, height, nodes: [...ground, ...drawItems(page.items, { ...resources, roles: sheet.roles, page })] };
}
