import type { Sheet } from '../schema/sheet';

/** Lengths are points inside and the page's unit outside. */
export const PER_UNIT: Record<Sheet['unit'], number> = { in: 72, mm: 72 / 25.4, px: 0.75 };
const DIGITS: Record<Sheet['unit'], number> = { in: 2, mm: 1, px: 0 };

export const inUnit = (points: number, unit: Sheet['unit']): string => {
  const factor = 10 ** DIGITS[unit];
  return `${Math.round((points / PER_UNIT[unit]) * factor) / factor}`;
};

const UNITS: Record<string, number> = { ...PER_UNIT, '"': 72, cm: PER_UNIT.mm * 10, pt: 1 };

/** A value on its way through a sum: `length` is how many times it was multiplied by a unit. */
type Value = { value: number; length: 0 | 1 };

/**
 * Points for what a person typed: a sum such as `5.6/2`, `1in + 5mm` or `(210 - 2*15)/3`, with a decimal comma too. Bare
 * numbers are in `unit` where a length is wanted. null for anything that is no length.
 */
export function fromUnit(typed: string, unit: Sheet['unit']): number | null {
  return sum(typed, PER_UNIT[unit]);
}

/** The number that a person typed as a sum, without units; null for anything else. */
export function fromSum(typed: string): number | null {
  return sum(typed, null);
}

/** `per` is the unit of bare numbers in points; null where no length is meant. */
function sum(typed: string, per: number | null): number | null {
  const plain = typed.replace(/[×·]/g, '*').replace(/[÷:]/g, '/').replace(/−/g, '-');
  const tokens = plain.match(/\d+(?:[.,]\d*)?|[.,]\d+|[a-z"]+|[-+*/()]|\S/gi) ?? [];
  if (tokens.length === 0 || tokens.length > 60) return null;
  let at = 0;
  const fail = () => {
    throw new SyntaxError('no sum');
  };
  const atom = (): Value => {
    const token = tokens[at++];
    if (token === '-' || token === '+') {
      if (tokens[at] === '-' || tokens[at] === '+') fail();
      const inner = atom();
      return token === '-' ? { ...inner, value: -inner.value } : inner;
    }
    if (token === '(') {
      const inner = added();
      if (tokens[at++] !== ')') fail();
      return inner;
    }
    if (token === undefined || !/^[\d.,]/.test(token)) return fail();
    const value = Number(token.replace(',', '.'));
    const named = tokens[at]?.toLowerCase();
    if (per !== null && named !== undefined && Object.hasOwn(UNITS, named)) {
      at++;
      return { value: value * UNITS[named], length: 1 };
    }
    return { value, length: 0 };
  };
  const multiplied = (): Value => {
    let left = atom();
    while (tokens[at] === '*' || tokens[at] === '/') {
      const times = tokens[at++] === '*';
      const right = atom();
      if (right.length === 1 && (left.length === 1 || !times)) fail();
      left = {
        value: times ? left.value * right.value : left.value / right.value,
        length: (left.length + right.length) as 0 | 1,
      };
    }
    return left;
  };
  const added = (): Value => {
    let left = multiplied();
    while (tokens[at] === '+' || tokens[at] === '-') {
      const sign = tokens[at++] === '+' ? 1 : -1;
      const right = multiplied();
      // A bare number beside a length is one too, in the unit at hand.
      const scale = per ?? 1;
      const [a, b] =
        left.length === right.length
          ? [left.value, right.value]
          : [left.length ? left.value : left.value * scale, right.length ? right.value : right.value * scale];
      left = { value: a + sign * b, length: left.length || right.length ? 1 : 0 };
    }
    return left;
  };
  try {
    const { value, length } = added();
    const result = length === 1 ? value : value * (per ?? 1);
    return at === tokens.length && Number.isFinite(result) ? result : null;
  } catch {
    return null;
  }
}

export type PageSize = { id: string; name: string; width: number; height: number };

/** Page sizes by name, in points: paper upright, what is for screens as it is. */
export const PAGE_SIZES: readonly PageSize[] = [
  { id: 'letter', name: 'Letter', width: 612, height: 792 },
  { id: 'a4', name: 'A4', width: 595.28, height: 841.89 },
  { id: 'a3', name: 'A3', width: 841.89, height: 1190.55 },
  { id: 'tabloid', name: '11 × 17 in', width: 792, height: 1224 },
  { id: 'poster', name: '24 × 36 in', width: 1728, height: 2592 },
  { id: 'slide', name: 'Slide 16:9', width: 540, height: 960 },
  { id: 'square', name: 'Square', width: 720, height: 720 },
  { id: 'long', name: 'Long infographic', width: 600, height: 1800 },
];

export function namedSize(width: number, height: number): PageSize | undefined {
  const [short, long] = [Math.min(width, height), Math.max(width, height)];
  return PAGE_SIZES.find((size) => Math.abs(size.width - short) < 2 && Math.abs(size.height - long) < 2);
}

export function sizeName(width: number, height: number, unit: Sheet['unit']): string {
  const found = namedSize(width, height);
  if (!found) return `${inUnit(width, unit)} × ${inUnit(height, unit)} ${unit}`;
  return found.width === found.height ? found.name : `${found.name}, ${width > height ? 'landscape' : 'portrait'}`;
}
