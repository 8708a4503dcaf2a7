/** How a background is taken away, and a name for it: apart from what does it, which is much more. */

/** Positions are shares of the picture's width and height. */
export type Clearing = {
  /** Whether what reaches the edge of the picture is background. */
  border: boolean;
  /** Further spots of the background. */
  spots: readonly { x: number; y: number }[];
  /** How far from the touched colour still counts, 0 to 1. */
  tolerance: number;
  /** How soft the edge is, 0 to 1. */
  soft: number;
  strokes: readonly Stroke[];
};
/** Of a brush: its diameter as a share of the longer side, and its way as x, y, x, y … */
export type Stroke = { erases: boolean; size: number; points: readonly number[] };

/** A name for a recipe, of 16 hexadecimal digits: the same for the same recipe (FNV-1a, twice 32 bits). */
export function clearingCode({ border, spots, tolerance, soft, strokes }: Clearing): string {
  const text = JSON.stringify([
    border,
    spots.map(({ x, y }) => [x, y]),
    tolerance,
    soft,
    strokes.map(({ erases, size, points }) => [erases, size, points]),
  ]);
  return [0x811c9dc5, 0x01000193]
    .map((start) => {
      let hash = start;
      for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
      return (hash >>> 0).toString(16).padStart(8, '0');
    })
    .join('');
}
