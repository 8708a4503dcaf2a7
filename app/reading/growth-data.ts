import { useMemo } from 'react';
import { z } from 'zod';
import { Change } from '../../core/changes/change';
import { Film } from '../../core/changes/film';
import { growthOf } from '../../core/review/growth';
import type { Growth } from '../../core/review/growth';
import { readSheet } from '../../core/schema/read';
import { answerOf } from '../browser/answer';
import { Fetched, useFetched } from '../browser/later';

/** How a piece grew, fetched once for all parts of the screen that show it. */

const Told = z.object({
  grown: z
    .object({
      from: z.number(),
      sheet: z.unknown(),
      log: z.array(z.object({ at: z.coerce.date(), by: z.string(), change: Change })),
    })
    .nullable(),
  people: z.array(z.object({ id: z.string(), name: z.string(), isStudent: z.boolean() })),
  goes: z.array(z.object({ number: z.number(), seq: z.number() })),
});

export type Grown = {
  from: number;
  film: Film;
  growth: Growth;
  log: readonly { at: number; by: string; change: Change }[];
  people: z.infer<typeof Told>['people'];
  goes: z.infer<typeof Told>['goes'];
};

/** What can't be grown again counts as damaged: null. */
function grownFrom({ grown, people, goes }: z.infer<typeof Told>): Grown | null {
  if (!grown) return null;
  const students = new Set(people.filter(({ isStudent }) => isStudent).map(({ id }) => id));
  const log = grown.log.map((step) => ({ ...step, at: +step.at }));
  try {
    const sheet = readSheet(grown.sheet);
    const growth = growthOf(grown.from, sheet, log, (by) => students.has(by));
    return { from: grown.from, film: new Film(grown.from, sheet, log), growth, log, people, goes };
  } catch {
    return null;
  }
}

let kept: { key: string; where: Fetched<Grown | null> } | null = null;

/** @param asked another number each time it is looked at: students may have gone on meanwhile */
export function useGrowth(address: string, asked: number) {
  const where = useMemo(() => {
    const key = `${address} ${asked}`;
    if (kept?.key !== key) kept = { key, where: new Fetched(async () => grownFrom(await answerOf(address, Told))) };
    return kept.where;
  }, [address, asked]);
  return { now: useFetched(where), again: where.again };
}
