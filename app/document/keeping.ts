import type { Change } from '../../core/changes/change';
import type { UndoHistory } from '../../core/changes/history';
import type { Sheet } from '../../core/schema/sheet';
import { nanoid } from 'nanoid';
import { Follower } from './follower';
import { Lead } from './lead';
import type { Told } from './save-state';
import { Saver } from './saver';
import { slotOf } from '../keeping/seal';
import { keepEarly, mainSlot, Slot, STUCK, within } from '../keeping/vault';
import type { Line, Said } from './windows-line';
import { openLine } from './windows-line';

/**
 * Saving of an open sheet: takes up what an earlier window left, sends changes, and loses nothing that is done before the
 * browser's storage has opened or just before the page closes.
 */

export type Early = { name: string; change: Change };
export type Opened = {
  sheet: Sheet;
  history: UndoHistory;
  /** Changes made meanwhile, to be made again on top. */
  early: Early[];
  /** Whether the browser can store unsent changes. */
  whole: boolean;
};
/** How fast a leading window answers, in milliseconds. */
const ANSWERS = 400;

/** `copy`: whether it is a student's, which is kept for a time without a network. */
type Start = { documentId: string; personId: string; seq: number; sheet: Sheet; copy: boolean };

export class Keeping {
  /** The saver if this window leads, or what hands changes over if it follows. */
  private saver: Saver | Follower | undefined;
  private lead: Lead | undefined;
  private line: Line | null = null;
  /** This window, to the others. */
  private me = nanoid(8);
  private waiting: AbortController | undefined;
  private slot: Slot | undefined;
  private ready = false;
  private early: Early[] = [];
  private opening: Promise<void> | undefined;
  /** Counts openings and closings, so that an outdated one stops. */
  private turn = 0;

  constructor(
    private start: Start,
    /** `steps`: asks for what can be undone, for another slot. */
    private told: Told & { opened(opened: Opened): void; steps(): UndoHistory },
  ) {}

  /** Begins saving, with what an earlier window left unsent and undoable. */
  open(): Promise<void> {
    window.addEventListener('pagehide', this.leave);
    window.addEventListener('pageshow', this.back);
    return (this.opening ??= this.begin(++this.turn));
  }

  private async begin(turn: number): Promise<void> {
    const { documentId, personId } = this.start;
    this.line = openLine(mainSlot(documentId, personId), this.heard);
    const slot = await slotOf(documentId, personId, () => this.isLed());
    if (turn !== this.turn) return slot.release();
    this.slot = slot;
    const followed = slot.leads ? null : await this.beginFollowing(turn, slot);
    if (turn !== this.turn) return;
    const sheet = followed ?? (await this.beginLeading(slot)).sheetNow;
    const history = await slot.history();
    if (turn !== this.turn) return;
    this.ready = true;
    this.told.opened({ sheet, history, early: this.early.splice(0), whole: slot.whole });
  }

  private heard = (said: Said): void => {
    if (said.kind === 'state' && this.answered) this.answered();
    if (this.saver instanceof Follower) this.saver.heard(said);
    else this.lead?.heard(said);
  };
  private answered: (() => void) | null = null;

  /** Whether another window of this browser leads. */
  private async isLed(): Promise<boolean> {
    const { line } = this;
    if (!line) return false;
    const there = await new Promise<boolean>((resolve) => {
      this.answered = () => resolve(true);
      line.say({ kind: 'hello', from: this.me });
      setTimeout(() => resolve(false), ANSWERS);
    });
    this.answered = null;
    return there;
  }

  private async beginLeading(slot: Slot, followed?: Parameters<Saver['start']>[0]): Promise<Saver> {
    const { documentId, copy } = this.start;
    const start = followed
      ? { seq: followed.outbox.base, sheet: followed.outbox.confirmed }
      : await this.lastKnown(slot);
    const { told, line } = this;
    const saver = new Saver(documentId, { ...start, keptWhole: copy && slot.leads }, slot, {
      sheet: (...args) => told.sheet(...args),
      notice: (text) => told.notice(text),
      aside: (aside) => told.aside(aside),
      state: (state) => (told.state(state), this.lead?.state(state)),
      results: (results) => (told.results(results), this.lead?.results(results)),
    });
    this.saver = saver;
    saver.together = this.together;
    await saver.start(followed);
    if (line && slot.leads) this.lead = new Lead(saver, line, (change) => told.sheet(saver.sheetNow, [change]));
    return saver;
  }

  /** Without a network the page may be an older one that was kept: what was saved since is in the browser's storage. */
  private async lastKnown(slot: Slot): Promise<{ seq: number; sheet: Sheet }> {
    const { documentId, seq, sheet, copy } = this.start;
    const stored = copy && slot.leads ? await slot.confirmed() : null;
    if (!stored || stored.seq <= seq) return { seq, sheet };
    // Where it is reached the server knows best: it may have been restored from a backup.
    const asked = fetch(`/documents/${documentId}/changes?since=${seq}`).catch(() => null);
    return (await within(STUCK, asked, null))?.ok ? { seq, sheet } : stored;
  }

  /** Follows the window that leads, and leads when that has gone; null when nobody does. */
  private async beginFollowing(turn: number, slot: Slot): Promise<Sheet | null> {
    const { documentId, personId, seq, sheet } = this.start;
    if (!this.line) return null;
    const follower = new Follower(this.me, { seq, sheet }, slot, this.line, this.told);
    this.saver = follower;
    const shown = await follower.start();
    if (!shown || turn !== this.turn) return null;
    this.waiting = new AbortController();
    void Slot.next(documentId, personId, this.waiting.signal).then(
      (main) => this.promote(turn, follower, main),
      () => {
        // Closed again in the meantime.
      },
    );
    return shown;
  }

  /** The leading window is gone: this one takes over from it. */
  private async promote(turn: number, follower: Follower, main: Slot): Promise<void> {
    if (turn !== this.turn) return main.release();
    const before = this.slot;
    // Changes made until this window leads come after.
    this.ready = false;
    follower.stop();
    this.slot = main;
    const saver = await this.beginLeading(main, { ...follower.known, me: this.me });
    await before?.keepPending({ base: 0, sent: null, queue: [] });
    before?.release();
    // Those undo steps belong to a window that is gone. This one's replace them.
    await main.history();
    if (turn !== this.turn) return;
    this.ready = true;
    for (const { change } of this.early.splice(0)) saver.push(change);
    this.told.sheet(saver.sheetNow, []);
    this.keepHistory(this.told.steps());
  }

  close(): void {
    window.removeEventListener('pagehide', this.leave);
    window.removeEventListener('pageshow', this.back);
    if (!this.ready) this.leave();
    this.turn++;
    this.opening = undefined;
    this.ready = false;
    this.waiting?.abort();
    this.saver?.stop();
    this.line?.close();
    this.lead = undefined;
    this.slot?.release();
  }

  /** When the page closes, what is not on its way yet is stored at once. */
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

  /** Stores a change. False while the storage has not opened: then it is in this window only. */
  keep(name: string, change: Change, history: UndoHistory): boolean {
    if (!this.ready) {
      this.early.push({ name, change });
      return false;
    }
    this.saver?.push(change);
    this.keepHistory(history);
    return true;
  }

  keepHistory(history: UndoHistory): void {
    if (this.ready) void this.slot?.keepHistory(history);
  }

  forgetAside(): void {
    this.saver?.forgetAside();
  }

  /** Others work on the sheet, or nobody does any more. */
  withOthers(together: boolean): void {
    this.together = together;
    if (this.saver instanceof Saver) this.saver.together = together;
  }
  private together = false;

  /** Somebody has changed the sheet. A window that follows learns it from the one that leads. */
  othersChanged(seq: number): void {
    if (this.saver instanceof Saver) this.saver.heard(seq);
  }

  /** Resolves when the storage has opened. */
  opened(): Promise<void> | undefined {
    return this.opening;
  }

  /** The number of changes on the server once all of ours are saved. Null when the server does not answer. */
  async settled(): Promise<number | null> {
    return this.saver?.settled() ?? null;
  }
}
