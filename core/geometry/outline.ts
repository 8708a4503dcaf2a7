import type { ShapeItem } from '../sheet/schema';
import type { Box, Point } from './matrix';

/** The outlines of shapes in their local box, as SVG paths; and the box within that words are set in. */

const f = (n: number) => `${Math.round(n * 100) / 100}`;
const polygon = (points: readonly Point[]) =>
  `${points.map((p, i) => `${i ? 'L' : 'M'}${f(p.x)} ${f(p.y)}`).join('')}Z`;

/** A rectangle with round corners; the radius is at most half the shorter side. */
export function roundedBox(width: number, height: number, radius: number): string {
  const r = Math.min(radius, width / 2, height / 2);
  if (r <= 0) return `M0 0H${f(width)}V${f(height)}H0Z`;
  const k = r * 0.5523;
  return (
    `M${f(r)} 0H${f(width - r)}C${f(width - r + k)} 0 ${f(width)} ${f(r - k)} ${f(width)} ${f(r)}V${f(height - r)}` +
    `C${f(width)} ${f(height - r + k)} ${f(width - r + k)} ${f(height)} ${f(width - r)} ${f(height)}H${f(r)}` +
    `C${f(r - k)} ${f(height)} 0 ${f(height - r + k)} 0 ${f(height - r)}V${f(r)}C0 ${f(r - k)} ${f(r - k)} 0 ${f(r)} 0Z`
  );
}

export function ellipse(width: number, height: number): string {
  const [rx, ry] = [width / 2, height / 2];
  const [kx, ky] = [rx * 0.5523, ry * 0.5523];
  return (
    `M0 ${f(ry)}C0 ${f(ry - ky)} ${f(rx - kx)} 0 ${f(rx)} 0C${f(rx + kx)} 0 ${f(width)} ${f(ry - ky)} ${f(width)} ${f(ry)}` +
    `C${f(width)} ${f(ry + ky)} ${f(rx + kx)} ${f(height)} ${f(rx)} ${f(height)}C${f(rx - kx)} ${f(height)} 0 ${f(ry + ky)} 0 ${f(ry)}Z`
  );
}

/** Corners of a star of five points; `inner` is the radius of its notches against that of its tips. */
function star(width: number, height: number, inner: number): Point[] {
  return Array.from({ length: 10 }, (_, i) => {
    const angle = (i * Math.PI) / 5 - Math.PI / 2;
    const r = i % 2 === 0 ? 1 : inner;
    return { x: (width / 2) * (1 + r * Math.cos(angle)), y: (height / 2) * (1 + r * Math.sin(angle)) };
  });
}

type Outliner = {
  path(width: number, height: number, adjust: number): string;
  inside(width: number, height: number, adjust: number): Box;
};
const inset =
  (x: number, y: number) =>
  (width: number, height: number): Box => ({
    x: width * x,
    y: height * y,
    width: width * (1 - 2 * x),
    height: height * (1 - 2 * y),
  });

export const OUTLINES: Record<ShapeItem['shape'], Outliner> = {
  rectangle: { path: (w, h, a) => roundedBox(w, h, a * Math.min(w, h) * 0.5), inside: inset(0, 0) },
  ellipse: { path: ellipse, inside: inset(0.146, 0.146) },
  triangle: {
    path: (w, h) =>
      polygon([
        { x: w / 2, y: 0 },
        { x: w, y: h },
        { x: 0, y: h },
      ]),
    inside: (w, h) => ({ x: w * 0.25, y: h * 0.5, width: w * 0.5, height: h * 0.5 }),
  },
  diamond: {
    path: (w, h) =>
      polygon([
        { x: w / 2, y: 0 },
        { x: w, y: h / 2 },
        { x: w / 2, y: h },
        { x: 0, y: h / 2 },
      ]),
    inside: inset(0.25, 0.25),
  },
  star: { path: (w, h, a) => polygon(star(w, h, 0.25 + a * 0.65)), inside: inset(0.28, 0.3) },
  arrow: {
    path(w, h, a) {
      const head = Math.min(w * 0.7, h * 0.75);
      const shaft = h * (0.5 - (0.15 + a * 0.5) / 2);
      return polygon([
        { x: 0, y: shaft },
        { x: w - head, y: shaft },
        { x: w - head, y: 0 },
        { x: w, y: h / 2 },
        { x: w - head, y: h },
        { x: w - head, y: h - shaft },
        { x: 0, y: h - shaft },
      ]);
    },
    inside: (w, h) => ({ x: w * 0.04, y: h * 0.3, width: w * 0.7, height: h * 0.4 }),
  },
  balloon: {
    path(w, h, a) {
      const low = h * 0.78;
      const r = Math.min(w, low) * 0.24;
      const k = r * 0.45;
      const root = w * (0.18 + a * 0.4);
      return (
        `M${f(r)} 0H${f(w - r)}C${f(w - k)} 0 ${f(w)} ${f(k)} ${f(w)} ${f(r)}V${f(low - r)}C${f(w)} ${f(low - k)} ${f(w - k)} ${f(low)} ${f(w - r)} ${f(low)}` +
        `H${f(root + w * 0.14)}L${f(root - w * 0.06)} ${f(h)}L${f(root)} ${f(low)}H${f(r)}C${f(k)} ${f(low)} 0 ${f(low - k)} 0 ${f(low - r)}V${f(r)}C0 ${f(k)} ${f(k)} 0 ${f(r)} 0Z`
      );
    },
    inside: (w, h) => ({ x: w * 0.06, y: h * 0.04, width: w * 0.88, height: h * 0.7 }),
  },
  hexagon: {
    path(w, h, a) {
      const x = w * (0.08 + a * 0.35);
      return polygon([
        { x, y: 0 },
        { x: w - x, y: 0 },
        { x: w, y: h / 2 },
        { x: w - x, y: h },
        { x, y: h },
        { x: 0, y: h / 2 },
      ]);
    },
    inside: inset(0.16, 0.06),
  },
};
