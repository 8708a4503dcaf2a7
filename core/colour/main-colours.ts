import { colourName } from './name';
import { lchOf } from './space';

/** The colours that pictures are looked for by. */

export const BASIC_COLOURS = [
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'purple',
  'pink',
  'brown',
  'black',
  'grey',
  'white',
] as const;
export type BasicColour = (typeof BASIC_COLOURS)[number];

/** One of each, to choose by. */
export const SHOWN_AS: Record<BasicColour, string> = {
  red: '#d9483f',
  orange: '#ef8b35',
  yellow: '#f7d048',
  green: '#5fa55a',
  blue: '#3f8fd6',
  purple: '#8a63b8',
  pink: '#f0a0bd',
  brown: '#8d5a2f',
  black: '#2a2820',
  grey: '#9aa0a8',
  white: '#ffffff',
};

/** What other names count as. */
const COUNTS_AS: Record<string, BasicColour> = {
  turquoise: 'blue',
  beige: 'brown',
  cream: 'yellow',
  'light red': 'pink',
};
/** With less chroma than this a colour is grey to the eye; darker and lighter than these greys are black and white. */
const GREY = 0.032;
const [BLACK, WHITE] = [0.36, 0.93];

function basicColour(hex: string): BasicColour {
  const { l, c } = lchOf(hex);
  if (c < GREY || l < 0.22) return l < BLACK ? 'black' : l > WHITE ? 'white' : 'grey';
  const name = colourName(hex);
  const plain = name.replace(/^(?:dark|light) /, '');
  return COUNTS_AS[name] ?? COUNTS_AS[plain] ?? (plain as BasicColour);
}

/** A colour is one of a picture's when it covers at least this share of what is seen. */
const LEAST_SHARE = 0.16;

/** The colours that a picture mostly has, the widest first. @param seen how much of each of its own colours is seen */
export function mainColours(seen: Iterable<readonly [hex: string, count: number]>): BasicColour[] {
  const counts = new Map<BasicColour, number>();
  let all = 0;
  for (const [hex, count] of seen) {
    const colour = basicColour(hex);
    counts.set(colour, (counts.get(colour) ?? 0) + count);
    all += count;
  }
  return [...counts]
    .filter(([, count]) => count >= all * LEAST_SHARE)
    .sort(([, a], [, b]) => b - a)
    .map(([colour]) => colour);
}
