import type { Change } from '../../core/changes/change';
import type { ToldResult } from '../../core/lookfors/checks';
import type { Saver } from './saver';
import type { Happening, SaveState } from './save-state';
import type { Line, Said } from './windows-line';

/** The leading window, which keeps a sheet's outbox, and how it deals with the browser's other windows. */
export class Lead {
  /** Counts everything that changes the sheet. */
  private n = 0;
  private followers = new Set<string>();
  private save: SaveState | null = null;

  constructor(
    private saver: Saver,
    private line: Line,
    /** Shows what another window did. */
    private show: (change: Change) => void,
  ) {
    saver.follow = (happening) => this.happened(happening);
    line.say({ kind: 'lead' });
  }

  heard(said: Said): void {
    switch (said.kind) {
      case 'hello':
        this.followers.add(said.from);
        return this.tellAll([]);
      case 'mine':
        return this.take(said);
      case 'settle':
        return void this.saver.settled().then((seq) => this.line.say({ kind: 'settled', ask: said.ask, seq }));
      case 'bye':
        this.followers.delete(said.from);
        return void this.saver.takeLeft();
    }
  }

  /** Changes to an older version are sent again, on top of what was missing. */
  private take({ from, n, items }: Extract<Said, { kind: 'mine' }>): void {
    if (n !== this.n) return;
    for (const { k, change } of items) {
      if (k <= this.saver.takenOf(from)) continue;
      const reason = this.saver.pushFor(change, from, k);
      if (reason === null) this.show(change);
      else this.line.say({ kind: 'refused', from, k, reason });
    }
  }

  private happened(happening: Happening): void {
    if (happening.kind === 'pushed') this.n++;
    if (this.followers.size === 0) return;
    switch (happening.kind) {
      case 'pushed': {
        const { change, from, k } = happening;
        return this.line.say({ kind: 'pushed', n: this.n, from, k, change });
      }
      case 'sent':
      case 'acked':
        return this.line.say(happening);
      case 'other':
        return this.tellAll(happening.theirs);
    }
  }

  private tellAll(theirs: Change[]): void {
    this.n++;
    this.line.say({ kind: 'state', n: this.n, outbox: this.saver.outboxNow, theirs, save: this.save });
  }

  state(save: SaveState): void {
    this.save = save;
    if (this.followers.size > 0) this.line.say({ kind: 'save', save });
  }
  results(results: (ToldResult | null)[]): void {
    if (this.followers.size > 0) this.line.say({ kind: 'results', results });
  }
}
