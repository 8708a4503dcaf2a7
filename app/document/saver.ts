import { nanoid } from 'nanoid';
import type { Change } from '../../core/changes/change';
import { apply } from '../../core/changes/change';
import type { Logged, Outbox } from '../../core/changes/queue';
import {
  acknowledged,
  behind,
  push,
  rebuilt,
  rejected,
  restored,
  send,
  unsent,
  waiting,
  WHOLE_SLICE,
} from '../../core/changes/queue';
import type { Sheet } from '../../core/schema/sheet';
import { SetAside } from './set-aside';
import type { Pending, Slot } from '../keeping/vault';
import type { Happening, SaveAnswer, Told } from './save-state';
import type { Mine } from './windows-line';

/** Sends changes to the server, stores unsent ones in the browser, and reports the state of saving. */

const SETTLE = 350;
/** The same while others work on the sheet. */
const SETTLE_TOGETHER = 60;
const CHECK_EVERY = 5000;
/** Longest wait for an answer. A batch that is sent again is taken only once. */
const NO_ANSWER = 30_000;
/** After this many failures with one batch, its faulty change is looked for. */
const PATIENCE = 3;

export const MET =
  'Something was deleted in one place while it was worked on in another. It stays: delete it once more if it is to go.';

/** Answers that say a batch can't be read or is too large. */
const TOO_MUCH = new Set([400, 413, 422]);

const unsentOf = ({ sent, queue }: Pending) => ({ sent, queue });

/** What others did since a number, and what is known of look-fors after it. */
type Missed = { seq: number; missed: Logged[]; results?: Parameters<Told['results']>[0] };

/** The server answered with an error. */
class Answered extends Error {
  constructor(readonly status: number) {
    super(`the server answered ${status}`);
  }
}

export class Saver {
  private outbox: Outbox;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private busy = false;
  private fails = 0;
  /** How much is sent at once: less after a batch that failed. */
  private slice = WHOLE_SLICE;
  /** A change that can't be saved never holds up the others. */
  private aside: SetAside;
  private trouble = false;
  private stopped = false;
  /** Whether others work on the sheet at the same time. */
  together = false;
  private poll: ReturnType<typeof setInterval> | undefined;
  /** The sheet with all waiting changes, if known. */
  private shown: Sheet | undefined;
  /** Whether the browser stores the saved sheet too, and not only what waits. */
  private keptWhole: boolean;
  /** The last change taken from each other window. */
  private taken: Record<string, number> = {};
  /** Is told everything that happens to the outbox. */
  follow: (happening: Happening) => void = () => {};

  constructor(
    private documentId: string,
    start: { seq: number; sheet: Sheet; keptWhole?: boolean },
    private slot: Slot,
    private told: Told,
  ) {
    this.keptWhole = start.keptWhole ?? false;
    this.aside = new SetAside(slot, told);
    this.outbox = { confirmed: start.sheet, base: start.seq, sent: null, queue: [] };
  }

  private get url() {
    return `/documents/${this.documentId}/changes`;
  }

  /** The sheet with all waiting changes. */
  get sheetNow(): Sheet {
    return (this.shown ??= rebuilt(this.outbox).sheet);
  }

  get outboxNow(): Outbox {
    return this.outbox;
  }

  /**
   * Takes up what an earlier window left unsent, and returns the sheet to show. `followed`: what this window knew of the one
   * that led before; its own changes go on top.
   */
  async start(followed?: { outbox: Outbox; mine: readonly Mine[]; me: string }): Promise<Sheet> {
    const left = await this.slot.left();
    const own = left.find(({ own }) => own)?.pending;
    this.taken = { ...own?.taken };
    if (followed)
      this.outbox = own?.base === followed.outbox.base ? { ...followed.outbox, ...unsentOf(own) } : followed.outbox;
    for (const { pending, own } of left) if (!followed || !own) await this.takeUp(pending);
    if (left.length > 0) {
      await this.keep();
      for (const { forget } of left) await forget();
    }
    for (const { k, change } of followed?.mine ?? [])
      if (k > this.takenOf(followed!.me)) this.outbox = push(this.outbox, change);
    await this.aside.open();
    const sheet = this.settle();
    // Closed while opening: what was left is stored for whoever opens it next.
    if (this.stopped) return sheet;
    if (waiting(this.outbox) > 0) void this.flush();
    window.addEventListener('online', this.wake);
    document.addEventListener('visibilitychange', this.wake);
    this.poll = setInterval(() => void this.look(), CHECK_EVERY);
    return sheet;
  }

  /** Takes up what a window left that was closed meanwhile. */
  async takeLeft(): Promise<void> {
    if (this.taking || this.stopped) return;
    this.taking = true;
    try {
      await this.take();
    } finally {
      this.taking = false;
    }
  }
  private taking = false;

  private async take(): Promise<void> {
    const left = (await this.slot.left()).filter(({ own }) => !own);
    if (left.length === 0) return;
    for (const { pending } of left) await this.takeUp(pending);
    await this.keep();
    for (const { pending, forget } of left) {
      await forget();
      if (pending.mine) delete this.taken[pending.mine.from];
    }
    const done = left.flatMap(({ pending }) => [...(pending.sent?.changes ?? []), ...pending.queue]);
    this.told.sheet(this.settle(), done);
    this.schedule(0);
  }

  takenOf = (from: string): number => this.taken[from] ?? 0;

  /** Keeps what waits in the browser. */
  private keep(): Promise<void> {
    const { confirmed } = this.outbox;
    return this.slot.keepPending({ ...this.outbox, taken: this.taken }, this.keptWhole ? confirmed : undefined);
  }

  /** Puts a closed window's changes on top of ours. */
  private async takeUp(given: Pending): Promise<void> {
    const { base, confirmed, sent, queue } = this.outbox;
    const left = this.without(given);
    let missed: Logged[] = [];
    if (left.base < base) {
      const answer = await fetch(`${this.url}?since=${left.base}`).catch(() => null);
      if (answer?.ok)
        missed = ((await answer.json()) as { missed: (Logged & { seq: number })[] }).missed.filter(
          (entry) => entry.seq <= base,
        );
    }
    if (given.mine) {
      // It was made on top of what waits here.
      this.outbox = { ...this.outbox, queue: [...queue, ...restored(confirmed, base, left, missed).queue] };
      return;
    }
    const before = [...(sent?.changes ?? []), ...queue].map((change) => ({ batch: '', change }));
    const next = restored(confirmed, base, left, [...missed, ...before]);
    // Only one batch can keep its name on the way: the first one found.
    if (before.length === 0) this.outbox = next;
    else this.outbox = { ...this.outbox, queue: [...queue, ...(next.sent?.changes ?? []), ...next.queue] };
  }

  /** A follower's changes without those that were taken from it. */
  private without({ mine, ...left }: Pending): Pending {
    const taken = mine ? this.takenOf(mine.from) - mine.first + 1 : 0;
    return taken > 0 ? { ...left, queue: left.queue.slice(taken) } : left;
  }

  /** Stops sending, and leaves unsent changes in the slot for its next owner. */
  stop(): void {
    this.stopped = true;
    clearTimeout(this.timer);
    clearInterval(this.poll);
    window.removeEventListener('online', this.wake);
    document.removeEventListener('visibilitychange', this.wake);
  }

  /** The page goes, perhaps for good. */
  leave(): void {
    if (!this.stopped && waiting(this.outbox) > 0) this.slot.keepNow({ ...this.outbox, taken: this.taken });
  }
  /** The page is restored from the browser's cache: what it stored when it closed is not newer than what it has. */
  back(): void {
    this.slot.forgetNow();
  }

  /** Takes a change that another window did; says why where it does not fit. */
  pushFor(change: Change, from: string, k: number): string | null {
    this.taken = { ...this.taken, [from]: k };
    const result = apply(this.sheetNow, change);
    if (!result.ok) return result.reason;
    this.push(change, from, k);
    return null;
  }

  push(change: Change, from: string | null = null, k = 0): void {
    this.outbox = push(this.outbox, change);
    if (this.shown) {
      const result = apply(this.shown, change);
      this.shown = result.ok ? result.sheet : undefined;
    }
    this.follow({ kind: 'pushed', change, from, k });
    void this.keep();
    if (this.fails > 0) this.told.state({ kind: 'offline', waiting: waiting(this.outbox), trouble: this.trouble });
    else this.told.state({ kind: 'saving' });
    this.schedule(this.rest);
  }

  private get rest(): number {
    return this.together ? SETTLE_TOGETHER : SETTLE;
  }

  /** Number of changes on the server, once nothing is waiting. */
  async settled(): Promise<number | null> {
    const most = 20 + waiting(this.outbox) / WHOLE_SLICE.changes;
    for (let tries = 0; tries < most && waiting(this.outbox) > 0 && !this.stopped; tries++) {
      await this.flush();
      if (waiting(this.outbox) > 0) await new Promise((resolve) => setTimeout(resolve, 150));
    }
    return waiting(this.outbox) === 0 ? this.outbox.base : null;
  }

  private wake = () => {
    if (document.visibilityState === 'visible' || waiting(this.outbox) > 0) this.schedule(0);
  };

  private schedule(delay: number) {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), delay);
  }

  /** Sets our changes aside that no longer fit, and reports it. */
  private settle(theirs: Change[] = []): Sheet {
    const { sheet, outbox, lost } = rebuilt(this.outbox);
    this.outbox = outbox;
    this.shown = sheet;
    void this.keep();
    for (const { change, reason } of lost) this.aside.put(change, reason);
    this.follow({ kind: 'other', theirs });
    return sheet;
  }

  /** Forgets what was set aside. */
  forgetAside(): void {
    this.aside.forget();
  }

  async flush(): Promise<void> {
    if (this.busy || this.stopped) return;
    const fresh = !this.outbox.sent;
    this.outbox = send(this.outbox, nanoid(12), this.slice);
    const { sent, base } = this.outbox;
    if (!sent) return;
    if (fresh) this.follow({ kind: 'sent', batch: sent.batch, count: sent.changes.length });
    this.busy = true;
    this.trouble = false;
    void this.keep();
    const ended = new AbortController();
    const limit = setTimeout(() => ended.abort(), NO_ANSWER);
    try {
      const answer = await fetch(this.url, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ base, batch: sent.batch, changes: sent.changes }),
        signal: ended.signal,
      });
      this.trouble = answer.status >= 500;
      if (this.trouble || TOO_MUCH.has(answer.status)) throw new Answered(answer.status);
      const told = (await answer.json()) as SaveAnswer | { message: string };
      if (!('outcome' in told)) {
        if (!this.stopped) this.halt(told.message);
      } else if (!this.stopped) this.answered(told);
    } catch (problem) {
      if (this.stopped) return;
      this.fails++;
      const status = problem instanceof Answered ? problem.status : 0;
      if (TOO_MUCH.has(status) || (status === 500 && this.fails >= PATIENCE)) await this.narrow(status);
      if (this.stopped) return;
      if (waiting(this.outbox) > 0)
        this.told.state({ kind: 'offline', waiting: waiting(this.outbox), trouble: this.trouble });
      else this.told.state({ kind: 'saved', at: Date.now() });
    } finally {
      clearTimeout(limit);
      this.busy = false;
    }
    if (this.stopped) return;
    if (this.fails > 0) this.schedule(Math.min(15_000, 1000 * 2 ** Math.min(4, this.fails - 1)));
    else if (waiting(this.outbox) > 0) this.schedule(this.outbox.sent ? 0 : this.rest);
    else this.fetchLater();
  }

  /**
   * The server fails with a batch although it works otherwise. Half of it is sent next, until the faulty change is found. Only
   * when the log shows that nothing of the batch arrived.
   */
  private async narrow(status: number) {
    const { sent, base } = this.outbox;
    if (!sent) return;
    const [health, log] = await Promise.all([
      fetch('/healthz').catch(() => null),
      fetch(`${this.url}?since=${base}`).catch(() => null),
    ]);
    if (!health?.ok || !log?.ok) return;
    const { missed } = (await log.json()) as { missed: Logged[] };
    if (missed.length > 0 || this.outbox.sent !== sent) return;
    this.fails = 0;
    if (sent.changes.length === 1) {
      this.outbox = rejected(this.outbox, 0);
      this.slice = WHOLE_SLICE;
      this.aside.put(
        sent.changes[0],
        status === 413 ? 'it is too large.' : 'the server can’t take it. The others go on without it.',
      );
      this.told.sheet(this.settle(), []);
    } else {
      this.slice = { ...WHOLE_SLICE, changes: Math.ceil(sent.changes.length / 2) };
      this.outbox = unsent(this.outbox);
      this.follow({ kind: 'other', theirs: [] });
    }
    void this.keep();
  }

  private answered(told: SaveAnswer) {
    this.fails = 0;
    if (told.outcome === 'saved') {
      this.outbox = acknowledged(this.outbox, told.seq);
      this.follow({ kind: 'acked', seq: told.seq });
      void this.keep();
      if (told.results) this.told.results(told.results);
      if (waiting(this.outbox) === 0) this.told.state({ kind: 'saved', at: Date.now() });
    } else if (told.outcome === 'behind') this.catchUp(told.seq, told.missed);
    else {
      const change = this.outbox.sent?.changes[told.index];
      this.outbox = rejected(this.outbox, told.index);
      if (change) this.aside.put(change, told.reason);
      this.told.sheet(this.settle(), []);
      if (waiting(this.outbox) === 0) this.told.state({ kind: 'saved', at: Date.now() });
    }
  }

  private catchUp(seq: number, missed: Logged[]) {
    const result = behind(this.outbox, seq, missed);
    this.outbox = result.outbox;
    this.told.sheet(this.settle(missed.map(({ change }) => change)), result.over);
    if (result.met > 0) this.told.notice(MET);
    if (waiting(this.outbox) === 0) this.told.state({ kind: 'saved', at: Date.now() });
  }

  private halt(reason: string) {
    this.stopped = true;
    this.told.state({ kind: 'stopped', reason });
  }

  /** Somebody has changed it: `seq` changes are on the server now, or, with Infinity, perhaps more than are known here. */
  heard(seq: number): void {
    this.there = Math.max(this.there, seq === Infinity ? this.outbox.base + 1 : seq);
    this.fetchLater();
  }
  /** How many changes are on the server, as far as was heard. */
  private there = 0;
  private fetching = false;

  /** Another window or person may have changed it. */
  private async look() {
    if (!this.stopped) await this.takeLeft();
    if (document.visibilityState === 'visible') await this.fetchMissed();
  }

  private async fetchMissed() {
    // What waits goes out, and its answer brings what is missing.
    if (this.fetching || this.busy || this.stopped || waiting(this.outbox) > 0) return;
    this.fetching = true;
    try {
      const { base } = this.outbox;
      const answer = await fetch(`${this.url}?since=${base}`);
      if (!answer.ok) return;
      const { seq, missed, results } = (await answer.json()) as Missed;
      if (missed.length === 0) this.there = base;
      else if (waiting(this.outbox) === 0 && this.outbox.base === base) {
        this.catchUp(seq, missed);
        if (results) this.told.results(results);
      }
    } catch {
      // The next save will tell.
      return;
    } finally {
      this.fetching = false;
    }
    this.fetchLater();
  }

  /** More was heard of while something was on its way. */
  private fetchLater() {
    if (this.there > this.outbox.base) void this.fetchMissed();
  }
}
