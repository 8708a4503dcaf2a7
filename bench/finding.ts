import { readFileSync } from 'node:fs';
import type { Named } from '../core/language/find';
import { Finder } from '../core/language/find';
import type { Figure } from './measure';
import { figure, median } from './measure';

/** Pictures found as somebody types. */

const WORDS = ['moon', 'butterfly', 'microscope', 'aeroplane', 'traffic light', 'grey heron marsh'];
const SLIPS = ['hammr', 'crocodil', 'microscpoe', 'butterlfy', 'telescpe'];
const RUNS = 20;

export function run(): Promise<Figure[]> {
  const finder = new Finder(JSON.parse(readFileSync('.generated/pictures/index.json', 'utf8')) as Named[]);
  const timed = (words: readonly string[]) => {
    const times: number[] = [];
    for (let i = -2; i < RUNS; i++)
      for (const word of words) {
        const begun = performance.now();
        finder.find(word);
        if (i >= 0) times.push(performance.now() - begun);
      }
    return median(times);
  };
  const typed = WORDS.flatMap((word) => Array.from(word, (_, at) => word.slice(0, at + 1)));
  return Promise.resolve([
    figure('a picture found while its name is typed, each letter, against 30 ms', timed(typed), 30, 1),
    figure('a picture found in spite of a slip, against 30 ms', timed(SLIPS), 30, 1),
  ]);
}
