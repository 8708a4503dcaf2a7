import type { Sheet } from './schema';

/** Lengths are points inside and the page's unit outside. */
export const PER_UNIT: Record<Sheet['unit'], number> = { in: 72, mm: 72 / 25.4, px: 0.75 };
const DIGITS: Record<Sheet['unit'], number> = { in: 2, mm: 1, px: 0 };

export const inUnit = (points: number, unit: Sheet['unit']): string => {
  const factor = 10 ** DIGITS[unit];
  return `${Math.round((points / PER_UNIT[unit]) * factor) / factor}`;
};

/** Points for what a person typed: a number, with a decimal comma too, and another unit if it is named. null for anything else. */
export function fromUnit(typed: string, unit: Sheet['unit']): number | null {
  const match = /^\s*(-?\d+(?:[.,]\d+)?|-?[.,]\d+)\s*(in|"|mm|cm|px|pt)?\s*$/i.exec(typed);
  if (!match) return null;
  const value = Number(match[1].replace(',', '.'));
  const named = match[2]?.toLowerCase();
  const per =
    named === 'pt'
      ? 1
      : named === 'cm'
        ? PER_UNIT.mm * 10
        : named === '"'
          ? 72
          : PER_UNIT[(named as Sheet['unit']) ?? unit];
  const points = value * per;
  return Number.isFinite(points) ? points : null;
}

/** Page sizes by name, upright, in points. */
export const PAGE_SIZES = [
  { id: 'letter', name: 'Letter', width: 612, height: 792 },
  { id: 'a4', name: 'A4', width: 595.28, height: 841.89 },
  { id: 'a3', name: 'A3', width: 841.89, height: 1190.55 },
  { id: 'tabloid', name: '11 × 17 in', width: 792, height: 1224 },
] as const;

export function sizeName(width: number, height: number, unit: Sheet['unit']): string {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  const found = PAGE_SIZES.find((size) => Math.abs(size.width - short) < 2 && Math.abs(size.height - long) < 2);
  if (!found) return `${inUnit(width, unit)} × ${inUnit(height, unit)} ${unit}`;
  return `${found.name}, ${width > height ? 'wide' : 'upright'}`;
}
