import type { Change } from '../../core/changes/change';
import { grown } from '../../core/changes/change';
import type { Outbox } from '../../core/changes/queue';
import { acknowledged, behind, push, rebuilt } from '../../core/changes/queue';
import type { Sheet } from '../../core/schema/sheet';
import type { Told } from './save-state';
import { MET } from './saver';
import { SetAside } from './set-aside';
import type { Slot } from '../keeping/vault';
import type { Line, Mine, Said } from './windows-line';

/**
 * A window that follows another one of the same browser: it hands over its changes to the outbox there, and shows the result.
 */

/** Longest wait for the leading window, in milliseconds. */
const NO_LEAD = 1500;
/** After this time, changes that were not taken are shown as kept here. */
const SLOW = 2000;
const SETTLE = 20_000;

export class Follower {
  /** The leading window's outbox, and its sheet. */
  private outbox: Outbox;
  private shared: Sheet;
  private n = -1;
  private mine: Mine[] = [];
  private count = 0;
  private aside: SetAside;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private asks = new Map<number, (seq: number | null) => void>();
  private asked = 0;
  private met: (() => void) | null = null;
  private stopped = false;

  constructor(
    private me: string,
    start: { seq: number; sheet: Sheet },
    private slot: Slot,
    private line: Line,
    private told: Told,
  ) {
    this.aside = new SetAside(slot, told);
    this.outbox = { confirmed: start.sheet, base: start.seq, sent: null, queue: [] };
    this.shared = start.sheet;
  }

  /** The sheet to show; null when nobody leads. */
  async start(): Promise<Sheet | null> {
    const met = new Promise<boolean>((resolve) => {
      this.met = () => resolve(true);
      setTimeout(() => resolve(false), NO_LEAD);
    });
    this.line.say({ kind: 'hello', from: this.me });
    const there = await met;
    this.met = null;
    return there ? this.shared : null;
  }

  /** What is known, for the time when this window leads itself. */
  get known(): { outbox: Outbox; mine: Mine[] } {
    return { outbox: this.outbox, mine: this.mine };
  }

  heard(said: Said): void {
    if (this.stopped) return;
    switch (said.kind) {
      case 'lead':
        return this.line.say({ kind: 'hello', from: this.me });
      case 'state': {
        const first = this.n < 0;
        this.n = said.n;
        this.outbox = said.outbox;
        this.under(rebuilt(said.outbox).sheet, said.theirs);
        if (said.save && this.mine.length === 0) this.told.state(said.save);
        if (first) this.met?.();
        return this.handOver();
      }
      case 'pushed':
        return this.pushed(said);
      case 'refused':
        return said.from === this.me ? this.refused(said.k, said.reason) : undefined;
      case 'sent': {
        const { sent, queue } = this.outbox;
        if (sent || queue.length < said.count) return;
        const changes = queue.slice(0, said.count);
        this.outbox = { ...this.outbox, sent: { batch: said.batch, changes }, queue: queue.slice(said.count) };
        return;
      }
      case 'acked':
        this.outbox = acknowledged(this.outbox, said.seq);
        return;
      case 'save':
        return this.mine.length === 0 ? this.told.state(said.save) : undefined;
      case 'results':
        return this.told.results(said.results);
      case 'settled':
        this.asks.get(said.ask)?.(said.seq);
        this.asks.delete(said.ask);
    }
  }

  private pushed({ n, from, k, change }: Extract<Said, { kind: 'pushed' }>): void {
    // Something was missed: start again.
    if (n !== this.n + 1) return this.line.say({ kind: 'hello', from: this.me });
    this.n = n;
    this.outbox = push(this.outbox, change);
    const shared = grown(this.shared, change);
    if (from === this.me) {
      this.shared = shared;
      this.taken(k);
    } else this.under(shared, [change]);
    this.handOver();
  }

  /** Our changes go on top of the others'. */
  private under(shared: Sheet, theirs: Change[]): void {
    const before = { confirmed: this.shared, base: 0, sent: null, queue: this.mine.map(({ change }) => change) };
    const after =
      theirs.length > 0
        ? behind(
            before,
            0,
            theirs.map((change) => ({ batch: '', change })),
          )
        : { outbox: before, over: [], met: 0 };
    this.shared = shared;
    // What is brought back is one with the first of ours.
    const queue = after.outbox.queue;
    const extra = queue.length - this.mine.length;
    this.mine = renumbered(
      this.mine,
      extra > 0 ? [{ kind: 'all', changes: queue.slice(0, extra + 1) }, ...queue.slice(extra + 1)] : queue,
    );
    this.told.sheet(this.shown(), after.over);
    if (after.met > 0) this.told.notice(MET);
    this.keep();
  }

  private shown(): Sheet {
    return this.mine.reduce((sheet, { change }) => grown(sheet, change), this.shared);
  }

  push(change: Change): void {
    this.mine.push({ k: ++this.count, change });
    this.told.state({ kind: 'saving' });
    this.keep();
    this.handOver();
  }

  private handOver(): void {
    if (this.mine.length === 0 || this.n < 0) return;
    this.line.say({ kind: 'mine', from: this.me, n: this.n, items: this.mine });
    this.timer ??= setTimeout(this.slow, SLOW);
  }

  /** The leading window doesn't answer: it may be asleep, or gone. */
  private slow = () => {
    this.timer = undefined;
    if (this.stopped || this.mine.length === 0) return;
    this.told.state({ kind: 'offline', waiting: this.mine.length, trouble: false });
    this.line.say({ kind: 'hello', from: this.me });
    this.timer = setTimeout(this.slow, SLOW);
  };

  private taken(k: number): void {
    this.mine = this.mine.filter((one) => one.k > k);
    this.keep();
    if (this.mine.length > 0) return;
    clearTimeout(this.timer);
    this.timer = undefined;
  }

  private refused(k: number, reason: string): void {
    const lost = this.mine.find((one) => one.k === k);
    this.taken(k);
    if (!lost) return;
    this.aside.put(lost.change, reason);
    this.told.sheet(this.shown(), []);
    this.handOver();
  }

  private keep(): void {
    void this.slot.keepPending(this.pending);
  }
  private get pending() {
    const queue = this.mine.map(({ change }) => change);
    return { base: this.outbox.base, sent: null, queue, mine: { from: this.me, first: this.mine[0]?.k ?? 0 } };
  }

  async settled(): Promise<number | null> {
    for (let tries = 0; tries < 100 && this.mine.length > 0; tries++)
      await new Promise((resolve) => setTimeout(resolve, 50));
    if (this.mine.length > 0) return null;
    const ask = ++this.asked;
    return new Promise((resolve) => {
      this.asks.set(ask, resolve);
      this.line.say({ kind: 'settle', from: this.me, ask });
      setTimeout(() => resolve(null), SETTLE);
    });
  }

  forgetAside(): void {
    this.aside.forget();
  }

  leave(): void {
    if (!this.stopped && this.mine.length > 0) this.slot.keepNow(this.pending);
    this.line.say({ kind: 'bye', from: this.me });
  }
  back(): void {
    this.slot.forgetNow();
    this.line.say({ kind: 'hello', from: this.me });
  }

  stop(): void {
    if (this.stopped) return;
    this.stopped = true;
    clearTimeout(this.timer);
    this.line.say({ kind: 'bye', from: this.me });
  }
}

/** The same changes as they are now, or fewer. Numbers stay with the last ones, so that none is taken twice. */
function renumbered(mine: readonly Mine[], changes: readonly Change[]): Mine[] {
  const numbers = mine.slice(mine.length - changes.length).map(({ k }) => k);
  return changes.map((change, i) => ({ k: numbers[i], change }));
}
