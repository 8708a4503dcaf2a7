import { nanoid } from 'nanoid';
import type { Happened, Here } from '../../server/actions/live';

/** Those who work on the same copy: what they change is fetched at once, and where they are is told. No React in here. */

/** Where somebody is who has the copy open. */
export type Other = { window: string; personId: string; name: string; page: string; items: string[] };

/** How often it is told at most where this window is, and at least, in milliseconds. */
const [AT_MOST, AT_LEAST] = [120, 15_000];
/** Who has said nothing for so long is gone. */
const GONE = 40_000;

type Told = {
  changed(seq: number): void;
  /** It was handed in, taken back or returned. */
  moved(): void;
  others(others: readonly Other[]): void;
};

export class Others {
  private me = nanoid(10);
  private stream: EventSource | undefined;
  private all = new Map<string, Other & { at: number }>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private beat: ReturnType<typeof setInterval> | undefined;
  private here: Omit<Here, 'window'> | null = null;
  private lastTold = 0;

  constructor(
    private documentId: string,
    private told: Told,
  ) {}

  private get url() {
    return `/documents/${this.documentId}/live`;
  }

  open(): void {
    this.stream = new EventSource(`${this.url}?window=${this.me}`);
    this.stream.onmessage = ({ data }) => this.heard(JSON.parse(data as string) as Happened);
    // Connected again after the network was gone: something may have happened meanwhile.
    this.stream.onopen = () => this.told.changed(Infinity);
    this.beat = setInterval(() => {
      this.forgetGone();
      this.tell();
    }, AT_LEAST);
  }

  close(): void {
    this.stream?.close();
    clearTimeout(this.timer);
    clearInterval(this.beat);
  }

  /** Where this window is now. */
  at(here: Omit<Here, 'window'>): void {
    if (JSON.stringify(here) === JSON.stringify(this.here)) return;
    this.here = here;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.tell(), Math.max(0, this.lastTold + AT_MOST - Date.now()));
  }

  private tell(): void {
    if (!this.here) return;
    this.lastTold = Date.now();
    const body = JSON.stringify({ ...this.here, window: this.me } satisfies Here);
    void fetch(this.url, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body }).catch(() => {
      // The next one will arrive, or nobody is there to hear it.
    });
  }

  private heard(news: Happened): void {
    switch (news.kind) {
      case 'changes':
        return this.told.changed(news.seq);
      case 'moved':
        return this.told.moved();
      case 'came':
        return this.tell();
      case 'left':
        if (this.all.delete(news.window)) this.report();
        return;
      case 'here': {
        const { window, page, items } = news.here;
        if (window === this.me) return;
        const { personId, name } = news;
        this.all.set(window, { window, personId, name, page, items, at: Date.now() });
        this.report();
      }
    }
  }

  private forgetGone(): void {
    const before = this.all.size;
    for (const [window, { at }] of this.all) if (Date.now() - at > GONE) this.all.delete(window);
    if (this.all.size < before) this.report();
  }

  private report(): void {
    this.told.others([...this.all.values()]);
  }
}
