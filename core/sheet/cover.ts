import type { Sheet } from '../schema/sheet';

/** What a sheet's first page is like before it is drawn: its size in points and the colour of its ground. */
export type Cover = { width: number; height: number; ground: string };

export function coverOf({ pages: [{ width, height, background }] }: Pick<Sheet, 'pages'>): Cover {
  const ground =
    background === null ? '#ffffff' : background.kind === 'solid' ? background.colour : background.stops[0].colour;
  return { width, height, ground };
}
