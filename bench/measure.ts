import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';

/** One measurement: ours against a peer or a floor, taken in turn in one run, and the ratio that is to hold. */
export type Figure = {
  name: string;
  ours: number;
  peer: number;
  unit: string;
  ratio: number;
  goal: number;
  holds: boolean;
};

export const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
export const share = (values: number[], part: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))];

export function figure(name: string, ours: number, peer: number, goal: number, unit = 'ms'): Figure {
  const ratio = ours / peer;
  return { name, ours, peer, unit, ratio, goal, holds: ratio <= goal };
}

setFlagsFromString('--expose-gc');
/** Clears away what preparing a run left behind, so that the run does not pay for it. */
export const collectGarbage = runInNewContext('gc') as () => void;

/** Medians of both in milliseconds, taken in turn so that a slow moment meets both alike. */
export async function inTurn(runs: number, ours: () => unknown, peer: () => unknown): Promise<[number, number]> {
  const times: [number[], number[]] = [[], []];
  for (let i = -2; i < runs; i++)
    for (const [k, work] of [ours, peer].entries()) {
      const begun = performance.now();
      await work();
      if (i >= 0) times[k].push(performance.now() - begun);
    }
  return [median(times[0]), median(times[1])];
}

/** Words for measuring with, the same each time. */
export function wordsOf(count: number): string[] {
  const stems =
    'heron avocet curlew mud tide crab shrimp weed channel salt marsh reed bill feather wader shore lugworm goby samphire spring'.split(
      ' ',
    );
  return Array.from(
    { length: count },
    (_, i) => stems[(i * 7 + Math.floor(i / 11)) % stems.length] + (i % 5 === 0 ? 's' : ''),
  );
}
