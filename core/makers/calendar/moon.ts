import { NextMoonQuarter, SearchMoonQuarter } from 'astronomy-engine';

/** The quarters of the moon, by universal time, as the Astronomy Engine by D. Cross reckons them. */

export type Quarter = 'new' | 'waxing' | 'full' | 'waning';
const QUARTERS: readonly Quarter[] = ['new', 'waxing', 'full', 'waning'];
const DAY = 86_400_000;

/** The quarters that fall on days between two, both included, by the numbers of days. */
export function quartersBetween(from: number, until: number): Map<number, Quarter> {
  const out = new Map<number, Quarter>();
  let found = SearchMoonQuarter(new Date((from - 1) * DAY));
  for (let guard = 0; guard < 40; guard++) {
    const day = Math.floor(found.time.date.getTime() / DAY);
    if (day > until) break;
    if (day >= from) out.set(day, QUARTERS[found.quarter]);
    found = NextMoonQuarter(found);
  }
  return out;
}
