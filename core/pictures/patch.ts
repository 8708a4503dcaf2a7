import type { Lab } from '../colour/space';
import { distance, hexFromLab, labOf } from '../colour/space';
import type { Box } from '../geometry/matrix';

/** What covers an unwanted part of a picture: the colour found around it, running from side to side where the sides differ. */

/** A part of a picture that is covered, in shares of its width and height: from one colour to another. */
export type Patch = Box & {
  round: boolean;
  from: string;
  to: string;
  /** Which way the colours go. */
  across: boolean;
};

/** Spots looked at along each side, and how far outside of it, as shares of the part's sides. */
const SPOTS = 9;
const AWAY = [0.04, 0.1];
/** Sides that are nearer to one another than this (in OKLab) get one colour. */
const SAME = 0.015;

const middle = (values: readonly number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** The colour that a side has on the whole: an edge that crosses it does not count. */
function sideColour(found: readonly (string | null)[]): Lab | null {
  const labs = found.filter((hex) => hex !== null).map(labOf);
  return labs.length === 0
    ? null
    : [middle(labs.map(([l]) => l)), middle(labs.map(([, a]) => a)), middle(labs.map(([, , b]) => b))];
}

const between = (a: Lab, b: Lab): Lab => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

/**
 * @param box in shares of the picture's width and height
 * @param colourAt what the picture shows at a spot, in the same shares; null where it shows nothing
 */
export function patchOver(box: Box, round: boolean, colourAt: (x: number, y: number) => string | null): Patch {
  const { x, y, width, height } = box;
  const along = Array.from({ length: SPOTS }, (_, i) => (i + 0.5) / SPOTS);
  const side = (spot: (t: number, away: number) => [number, number]) =>
    sideColour(
      AWAY.flatMap((away) =>
        along.map((t) => {
          const [px, py] = spot(t, away);
          return px < 0 || py < 0 || px >= 1 || py >= 1 ? null : colourAt(px, py);
        }),
      ),
    );
  const left = side((t, away) => [x - width * away, y + height * t]);
  const right = side((t, away) => [x + width * (1 + away), y + height * t]);
  const top = side((t, away) => [x + width * t, y - height * away]);
  const bottom = side((t, away) => [x + width * t, y + height * (1 + away)]);
  const pair = (a: Lab | null, b: Lab | null) => (a && b ? ([a, b] as const) : null);
  const apart = (sides: readonly [Lab, Lab] | null) => (sides ? distance(...sides) : 0);
  const [across, down] = [pair(left, right), pair(top, bottom)];
  const sideways = apart(across) >= apart(down);
  const chosen = sideways ? across : down;
  const all = [left, right, top, bottom].filter((lab) => lab !== null);
  const one: Lab = all.length > 0 ? all.reduce((a, b, i) => (i === 0 ? b : between(a, b))) : [1, 0, 0];
  const [from, to] = chosen && apart(chosen) > SAME ? chosen : [one, one];
  return { x, y, width, height, round, from: hexFromLab(from), to: hexFromLab(to), across: sideways };
}
