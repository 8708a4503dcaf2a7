import type { Body, RunStyle, Sheet } from '../sheet/schema';
import type { Faces } from '../text/faces';
import { layOut } from '../text/layout';
import { roleOf } from '../text/style';

/** How much room words take: in points, wrapped at `most`. */
export type Size = { width: number; height: number };

export const styled = (text: string, style: RunStyle, align: 'left' | 'centre' | 'right' = 'centre'): Body =>
  text.split('\n').map((line) => ({ format: { align }, runs: line ? [{ text: line, style }] : [] }));

export function sizeOfBody(body: Body, role: string, most: number, kit: { faces: Faces; roles: Sheet['roles'] }): Size {
  const box = { width: most, height: 0, padding: 0, vertical: 'top' as const, fit: 'keep' as const };
  const { lines, height } = layOut(body, roleOf(kit, role), box, kit.faces);
  return { width: Math.max(0, ...lines.map((line) => line.width)), height };
}

export const sizeOfWords = (
  text: string,
  style: RunStyle,
  role: string,
  most: number,
  kit: { faces: Faces; roles: Sheet['roles'] },
): Size => sizeOfBody(styled(text, style), role, most, kit);

/** To hundredths of a point: the same numbers on every machine, and short ones. */
export const tidied = (value: number): number => Math.round(value * 100) / 100 + 0;
