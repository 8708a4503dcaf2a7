import type { Spot } from './outlines';
import { circle, line, polygon, smooth } from './outlines';
import type { Expression, HeadLook, Piece, Skull } from './skull';

/** Eyes, brows, mouth and what else is in a face. */

/** How high the brows are, in degrees. */
const BROWS: Record<Expression, [inner: number, outer: number]> = {
  calm: [21, 20],
  smiling: [22, 21],
  laughing: [25, 23],
  sad: [27, 19],
  surprised: [30, 28],
  angry: [15, 25],
  worried: [27, 20],
  asleep: [20, 18],
  unsure: [22, 20],
  proud: [24, 22],
};

export function facePieces(
  { expression, ink, lips, blush, old, shade, hair, hairColour }: HeadLook,
  { on, spot, seen, unit, lean, across }: Skull,
): Piece[] {
  const out: Piece[] = [];
  const wide = expression === 'surprised';
  const shut = expression === 'asleep' || expression === 'laughing';
  for (const side of [1, -1]) {
    const eye = on(side * 25, 4);
    if (seen(eye) < 4 * unit) continue;
    const thin = Math.max(0.45, Math.abs(across[0]) * 0.75 + 0.25);
    if (shut)
      out.push({
        d: smooth(
          [
            spot(side * 19, expression === 'asleep' ? 2 : 3),
            spot(side * 25, expression === 'asleep' ? -1.5 : 7),
            spot(side * 31, expression === 'asleep' ? 2 : 3),
          ],
          false,
        ),
        fill: null,
        stroke: ink,
        width: 2.6 * unit,
      });
    else {
      const r = (wide ? 5.6 : 4.6) * unit;
      out.push({ d: circle(spot(side * 25, 3), r * thin, r * 1.25, lean), fill: ink });
      out.push({ d: circle(spot(side * 25 - 2, 6.5), r * 0.3 * thin, r * 0.32), fill: '#ffffff' });
    }
    const [inner, outer] = BROWS[expression];
    const lift = expression === 'unsure' && side === 1 ? 6 : 0;
    out.push({
      d: smooth(
        [
          spot(side * 17, inner + lift),
          spot(side * 25, (inner + outer) / 2 + 2.5 + lift),
          spot(side * 33, outer + lift),
        ],
        false,
      ),
      fill: null,
      stroke: hair === 'none' || hair === 'receding' ? (old ? hairColour : ink) : hairColour,
      width: 3.2 * unit,
    });
    if (seen(on(side * 42, -17)) > 13 * unit)
      out.push({ d: circle(spot(side * 36, -17), 6.5 * unit * thin, 4.6 * unit, lean), fill: blush, opacity: 0.55 });
    if (old && seen(on(side * 42, 2)) > 0)
      out.push({ d: line([spot(side * 40, 5), spot(side * 46, 8)]), fill: null, stroke: shade, width: 1.6 * unit });
  }
  const mouth = (points: readonly [number, number][]) =>
    points.filter(([a]) => seen(on(a, -32)) > -4 * unit).map(([a, e]) => spot(a, e));
  const curve = (bow: number, half = 14, height = -31, slant = 0) => {
    const points = mouth(
      [-1, -0.5, 0, 0.5, 1].map((t): [number, number] => [t * half, height - bow * (1 - t * t) + slant * t]),
    );
    if (points.length > 1) out.push({ d: smooth(points, false), fill: null, stroke: lips, width: 3 * unit });
  };
  const laughing = () => {
    const [top, half] = [-25, 19];
    const upper = mouth([-1, -0.5, 0, 0.5, 1].map((t): [number, number] => [t * half, top]));
    const lower = mouth([1, 0.6, 0, -0.6, -1].map((t): [number, number] => [t * half * 0.96, top - 21 * (1 - t * t)]));
    if (upper.length < 2 || lower.length < 2) return;
    const teeth = mouth([
      [half * 0.8, top - 4.2],
      [-half * 0.8, top - 4.2],
    ]);
    out.push({ d: polygon([...upper, ...densely(lower)]), fill: '#6e2b2b' });
    out.push({ d: polygon([...upper, ...teeth]), fill: '#ffffff' });
  };
  switch (expression) {
    case 'calm':
      curve(2.5, 11);
      break;
    case 'proud':
      curve(5, 13);
      break;
    case 'smiling':
      curve(8.5, 17, -27);
      break;
    case 'laughing':
      laughing();
      break;
    case 'sad':
      curve(-6.5, 13, -37);
      break;
    case 'surprised':
      if (seen(on(0, -34)) > -4 * unit)
        out.push({ d: circle(spot(0, -35), 4.6 * unit * Math.max(0.5, across[0]), 6.4 * unit), fill: '#6e2b2b' });
      break;
    case 'angry':
      curve(-3.5, 12, -33);
      break;
    case 'worried':
      curve(-3, 10, -33);
      break;
    case 'asleep':
      curve(2, 7);
      break;
    case 'unsure':
      curve(1, 11, -32, 3.5);
  }
  return out;
}

/** Points between, so that a polygon is round. */
const densely = (points: readonly Spot[]): Spot[] =>
  points.flatMap((p, i): Spot[] =>
    i === 0 ? [p] : [[(p[0] + points[i - 1][0]) / 2, (p[1] + points[i - 1][1]) / 2], p],
  );

export function glassesPieces({ glasses }: HeadLook, { on, spot, seen, unit, ahead }: Skull): Piece[] {
  if (!glasses) return [];
  const stroke = { fill: null, stroke: glasses, width: 2.4 * unit };
  const out: Piece[] = [];
  for (const side of [1, -1]) {
    if (seen(on(side * 26, 3)) < 3 * unit) continue;
    const ring = Array.from({ length: 12 }, (_, i): Spot =>
      spot(side * 26 + 12.5 * Math.cos((i * Math.PI) / 6), 3 + 12.5 * Math.sin((i * Math.PI) / 6), 1.06),
    );
    out.push({ d: smooth(ring), ...stroke });
    if (seen(on(side * 84, 4)) > 0)
      out.push({ d: line([spot(side * 39, 5, 1.06), spot(side * 84, 4, 1.03)]), ...stroke });
  }
  if (Math.abs(ahead[0]) < 0.95) out.push({ d: line([spot(-13, 5, 1.08), spot(13, 5, 1.08)]), ...stroke });
  return out;
}
