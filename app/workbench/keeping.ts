import type { Change } from '../../core/sheet/change';
import type { History } from '../../core/sheet/history';
import type { Sheet } from '../../core/sheet/schema';
import type { Told } from './saver';
import { Saver } from './saver';
import { slotOf } from './seal';
import type { Slot } from './vault';
import { keepEarly } from './vault';

/**
 * Keeps a sheet while its workbench is open: begins with what an earlier window left, sends what is done, and lets nothing go
 * that was done before the browser's vault had opened or right before the page goes.
 */

export type Early = { name: string; change: Change };
export type Opened = {
  sheet: Sheet;
  history: History;
  /** What was done meanwhile, to be done again on top. */
  early: Early[];
  /** Whether the browser can keep what is unsent. */
  whole: boolean;
};
type Start = { documentId: string; personId: string; seq: number; sheet: Sheet };

export class Keeping {
  private saver: Saver | undefined;
  private slot: Slot | undefined;
  private ready = false;
  private early: Early[] = [];
  private opening: Promise<void> | undefined;
  /** Counts openings and closings, so that one that was overtaken lets go. */
  private turn = 0;

  constructor(
    private start: Start,
    private told: Told & { opened(opened: Opened): void },
  ) {}

  /** Begins saving, with what an earlier window left unsent and undoable. */
  open(): Promise<void> {
    window.addEventListener('pagehide', this.leave);
    window.addEventListener('pageshow', this.back);
    return (this.opening ??= this.begin(++this.turn));
  }

  private async begin(turn: number): Promise<void> {
    const { documentId, personId, seq, sheet: first } = this.start;
    const slot = await slotOf(documentId, personId);
    if (turn !== this.turn) return slot.release();
    this.slot = slot;
    const saver = (this.saver = new Saver(documentId, { seq, sheet: first }, slot, this.told));
    const [history, sheet] = await Promise.all([slot.history(), saver.start()]);
    this.ready = true;
    this.told.opened({ sheet, history, early: this.early.splice(0), whole: slot.whole });
  }

  close(): void {
    window.removeEventListener('pagehide', this.leave);
    window.removeEventListener('pageshow', this.back);
    if (!this.ready) this.leave();
    this.turn++;
    this.opening = undefined;
    this.ready = false;
    this.saver?.stop();
    this.slot?.release();
  }

  /** What is not on its way yet when the page goes is kept at once. */
  private leave = () => {
    const { documentId, personId, seq } = this.start;
    if (this.ready) this.saver?.leave();
    else if (this.early.length > 0)
      keepEarly(
        documentId,
        personId,
        seq,
        this.early.splice(0).map(({ change }) => change),
      );
  };
  private back = (event: PageTransitionEvent) => {
    if (event.persisted && this.ready) this.saver?.back();
  };

  /** Keeps a change that was done; false while the vault has not opened, for then it is in this window only. */
  keep(name: string, change: Change, history: History): boolean {
    if (!this.ready) {
      this.early.push({ name, change });
      return false;
    }
    this.saver?.push(change);
    this.keepHistory(history);
    return true;
  }

  keepHistory(history: History): void {
    if (this.ready) void this.slot?.keepHistory(history);
  }

  forgetAside(): void {
    this.saver?.forgetAside();
  }

  /** Is done when the vault has opened. */
  opened(): Promise<void> | undefined {
    return this.opening;
  }

  /** The number of changes on the server once all of ours are there; null when the server does not answer. */
  async settled(): Promise<number | null> {
    return this.saver?.settled() ?? null;
  }
}
