import { replay } from './change';
import type { Change } from './change';
import type { Sheet } from '../schema/sheet';

/** How far apart sheets are kept: from one to the next, as many changes are made again. */
const APART = 50;

/** The states of a sheet along its log, each computed when it is asked for: some are kept, the others grow from the one before. */
export class Film {
  private frames = new Map<number, Sheet>();
  readonly last: number;
  /** @param from number of changes that `sheet` already has */
  constructor(
    readonly from: number,
    sheet: Sheet,
    private log: readonly { change: Change }[],
  ) {
    this.frames.set(from, sheet);
    this.last = from + log.length;
  }

  /** The sheet after so many changes. @throws Error where the log does not fit it */
  at(seq: number): Sheet {
    const known = this.frames.get(seq);
    if (known) return known;
    let start = seq;
    while (!this.frames.has(start)) start--;
    let sheet = this.frames.get(start)!;
    for (let i = start; i < seq; i++) {
      sheet = replay(sheet, [this.log[i - this.from].change]);
      if ((i + 1) % APART === 0) this.frames.set(i + 1, sheet);
    }
    return sheet;
  }
}
