import { nanoid } from 'nanoid';
import { useEffect, useSyncExternalStore } from 'react';
import { z } from 'zod';
import { Saying, Spoken, Spot } from '../../core/review/said';
import { hasSealed, keep, keptAt, keptWithin, onKept } from './kept';

/**
 * Sends what a teacher says on pieces: stored in the browser first, sent in order, and sent again until the school has
 * answered. What is refused is set aside with its reason.
 */

/** A step on its way, the piece it is on, and where its text belongs. */
const OnItsWay = z.object({ handoutId: z.string(), copyId: z.string(), step: Saying, spot: Spot.nullable() });
type OnItsWay = z.infer<typeof OnItsWay>;
/** A note being written. `changes`: the note it replaces. */
export const Draft = z.object({
  note: z.string(),
  changes: z.boolean(),
  spot: Spot,
  body: z.string(),
  spoken: Spoken.optional(),
});
export type Draft = z.infer<typeof Draft>;
export const NotTaken = z.object({
  what: z.enum(['note', 'ruling', 'mark', 'drawing', 'second reading']),
  reason: z.string(),
});
export type NotTaken = z.infer<typeof NotTaken>;

const wayOf = (goId: string) => `said/${goId}/`;
/** By piece: its next go has another id. */
export const draftsOf = (copyId: string) => `drafts/${copyId}/`;
/** What was spoken in a note that is not sent yet, in base64: by itself, so that a draft is quickly kept with each letter. */
export const soundOf = (note: string) => `sounds/${note}`;
export const Sound = z.string();
const ASIDE = 'not-taken/';
export const asideOf = (copyId: string) => `${ASIDE}${copyId}/`;
/** What was drawn and came too late, by piece: it can be put on the next go. */
export const lateInkOf = (copyId: string) => `late-ink/${copyId}/`;
/** What was refused on any of these pieces. */
export const asideOn = (personId: string, copyIds: ReadonlySet<string>) =>
  keptWithin(personId, ASIDE, NotTaken).filter(({ place }) => copyIds.has(place.split('/')[1]));

export type Sending = 'idle' | 'sending' | 'unreached' | 'signed out';

const WHAT: Record<Saying['do'], NotTaken['what']> = {
  note: 'note',
  'edit-note': 'note',
  'remove-note': 'note',
  rule: 'ruling',
  mark: 'mark',
  draw: 'drawing',
  'rub-out': 'drawing',
  finish: 'second reading',
};

/** Longest wait for an answer, in milliseconds. Steps that are sent again are taken only once. */
const NO_ANSWER = 20_000;
/** A request stays below what the server reads at once. */
const SLICE = 50;
const LETTERS = 300_000;
const WAITS = [1000, 2000, 4000, 8000, 15_000];

type Entry = { place: string; value: OnItsWay };
/** A step this window knows, and when it was taken. */
export type Step = { place: string; step: Saying; takenAt: number | null };
type Outcome = { kind: 'taken' } | { kind: 'later'; state: Sending } | { kind: 'refused'; reason: string };

/** What loaded data does not contain: steps that are not taken, or were after it was asked for (`begun`, by this window's clock). */
export const stepsSince = (steps: readonly Step[], begun: number): Saying[] =>
  steps.filter(({ takenAt }) => takenAt === null || takenAt >= begun).map(({ step }) => step);

const goOf = (place: string) => place.split('/')[1];

/** Keys sort in the order they were made, also across windows. */
let last = 0;
function nextName(): string {
  last = Math.max(last + 1, Date.now());
  return `${last.toString(36).padStart(9, '0')}-${nanoid(6)}`;
}

class Sender {
  state: Sending = 'idle';
  /** Another one whenever something has been said, sent or refused. */
  version = 0;
  private users = 0;
  private running = false;
  private fails = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private forgetKept: (() => void) | undefined;
  private listeners = new Set<() => void>();
  /** Steps of a go, while they are on their way and for some time after. */
  private known = new Map<string, readonly Step[]>();

  constructor(readonly personId: string) {}

  say(goId: string, value: OnItsWay): void {
    keep(this.personId, `${wayOf(goId)}${nextName()}`, value);
  }

  waiting = (goId?: string): Entry[] => keptWithin(this.personId, goId ? wayOf(goId) : 'said/', OnItsWay);

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** What was said on a go and is not yet in the loaded data. The same list until something changes. */
  stepsOn(goId: string): readonly Step[] {
    if (!this.known.has(goId)) this.look(goId);
    return this.known.get(goId)!;
  }

  /** A step no longer on its way was taken, here or by another window, or set aside. */
  private look(goId: string) {
    const before = this.known.get(goId) ?? [];
    const now = this.waiting(goId);
    const steps = before.map((step) =>
      step.takenAt !== null || now.some(({ place }) => place === step.place) ? step : { ...step, takenAt: Date.now() },
    );
    const added = now.filter(({ place }) => !before.some((step) => step.place === place));
    if (added.length === 0 && steps.every((step, i) => step === before[i]) && this.known.has(goId)) return;
    this.known.set(goId, [...steps, ...added.map(({ place, value: { step } }) => ({ place, step, takenAt: null }))]);
  }

  /** Sends from now on, until nobody uses it any more. */
  begin(): () => void {
    if (this.users++ === 0) {
      void this.unseal();
      this.forgetKept = onKept(this.poke);
      window.addEventListener('online', this.wake);
      document.addEventListener('visibilitychange', this.wake);
    }
    this.poke();
    return () => {
      if (--this.users > 0) return;
      clearTimeout(this.timer);
      this.forgetKept?.();
      window.removeEventListener('online', this.wake);
      document.removeEventListener('visibilitychange', this.wake);
    };
  }

  /** What this person left here at sign-out is restored first. */
  private async unseal(): Promise<void> {
    if (!hasSealed(this.personId)) return;
    try {
      await (await import('./seal')).unsealWords(this.personId);
    } catch (error) {
      console.warn('What was sealed here could not be opened yet:', error);
    }
  }

  private poke = () => {
    for (const goId of this.known.keys()) this.look(goId);
    this.tellAll();
    if (this.fails === 0) void this.run();
  };
  private wake = () => {
    clearTimeout(this.timer);
    void this.run();
  };

  private tellAll() {
    this.version++;
    this.listeners.forEach((listener) => listener());
  }

  private tell(state: Sending) {
    if (state === this.state) return;
    this.state = state;
    this.tellAll();
  }

  /** Whether everything said on a go has been taken. Keeps trying for some time. */
  async settled(goId: string): Promise<boolean> {
    for (let tries = 0; tries < 20 && this.waiting(goId).length > 0; tries++) {
      this.wake();
      await new Promise((resolve) => setTimeout(resolve, 100));
      if (this.fails > 1) break;
    }
    return this.waiting(goId).length === 0;
  }

  private async run(): Promise<void> {
    if (this.running || this.waiting().length === 0) return;
    this.running = true;
    try {
      // One window sends, so that nothing overtakes.
      if (navigator.locks) await navigator.locks.request(`sending ${this.personId}`, () => this.sendAll());
      else await this.sendAll();
    } finally {
      this.running = false;
    }
    if (this.fails === 0) return void (this.waiting().length > 0 && this.run());
    clearTimeout(this.timer);
    if (this.users > 0) this.timer = setTimeout(() => void this.run(), WAITS[Math.min(this.fails, WAITS.length) - 1]);
  }

  private async sendAll(): Promise<void> {
    for (let slice = SLICE; ;) {
      const all = this.waiting();
      if (all.length === 0) break;
      this.tell(this.fails > 0 ? this.state : 'sending');
      const goId = goOf(all[0].place);
      const batch = fitting(
        all.filter(({ place }) => goOf(place) === goId).map((one) => this.withSound(one)),
        slice,
      );
      const outcome = await send(goId, batch);
      if (outcome.kind === 'later') {
        this.fails++;
        return this.tell(outcome.state);
      }
      this.fails = 0;
      if (outcome.kind === 'taken') this.forget(batch);
      else if (batch.length > 1) slice = 1;
      else this.refuse(batch[0], outcome.reason);
    }
    this.tell('idle');
  }

  /** A spoken note goes out with its sound. */
  private withSound(entry: Entry): Entry {
    const { step } = entry.value;
    if (step.do !== 'note' || !step.spoken) return entry;
    const sound = keptAt(this.personId, soundOf(step.note), Sound) ?? undefined;
    return { ...entry, value: { ...entry.value, step: { ...step, sound } } };
  }

  /** Refused text becomes a draft for the next go. The refusal is stored until it has been seen. */
  private refuse({ place, value: { copyId, step, spot } }: Entry, reason: string) {
    const [, goId, name] = place.split('/');
    const what = WHAT[step.do];
    if (step.do === 'draw') keep(this.personId, `${lateInkOf(copyId)}${step.ink}`, step);
    if ('body' in step && spot) {
      const sound = step.do === 'note' ? step.sound : undefined;
      const spoken = step.do === 'note' && sound ? step.spoken : undefined;
      const draft: Draft = { note: nanoid(), changes: false, spot, body: step.body, spoken };
      if (sound) keep(this.personId, soundOf(draft.note), sound);
      if (spoken || draft.body) keep(this.personId, `${draftsOf(copyId)}${draft.note}`, draft);
    }
    forgetSound(this.personId, step);
    keep(this.personId, `${asideOf(copyId)}${name}`, { what, reason });
    keep(this.personId, place, null);
    // It was sent but refused.
    const others = this.known.get(goId)?.filter((known) => known.place !== place);
    if (others) this.known.set(goId, others);
    this.tellAll();
  }

  private forget(entries: readonly Entry[]) {
    for (const { place, value } of entries) {
      keep(this.personId, place, null);
      forgetSound(this.personId, value.step);
    }
  }
}

const forgetSound = (personId: string, step: Saying) =>
  step.do === 'note' && step.spoken && keep(personId, soundOf(step.note), null);

/** The first of them that go out together: at least one. */
function fitting(entries: readonly Entry[], most: number): Entry[] {
  let letters = 0;
  const end = entries.findIndex(({ value }, i) => i > 0 && (letters += JSON.stringify(value.step).length) > LETTERS);
  return entries.slice(0, end === -1 ? most : Math.min(most, end));
}

async function send(goId: string, batch: readonly Entry[]): Promise<Outcome> {
  const { handoutId, copyId } = batch[0].value;
  let answer: Response;
  let told: { message?: unknown };
  try {
    answer = await fetch(`/handouts/${handoutId}/reading/${copyId}/said`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ go: goId, steps: batch.map(({ value }) => value.step) }),
      signal: AbortSignal.timeout(NO_ANSWER),
    });
    told = (await answer.json()) as { message?: unknown };
  } catch {
    // An answer that isn't ours comes from something in between.
    return { kind: 'later', state: 'unreached' };
  }
  if (answer.ok) return { kind: 'taken' };
  if (answer.status === 401) return { kind: 'later', state: 'signed out' };
  if (answer.status >= 500 || answer.status === 429) return { kind: 'later', state: 'unreached' };
  return { kind: 'refused', reason: typeof told.message === 'string' ? told.message : 'It could not be taken.' };
}

const senders = new Map<string, Sender>();
export function senderOf(personId: string): Sender {
  const there = senders.get(personId) ?? new Sender(personId);
  senders.set(personId, there);
  return there;
}

/** Sends what this teacher has said, whichever screen they go to. */
export function useSending(personId: string): Sending {
  const sender = senderOf(personId);
  useEffect(() => sender.begin(), [sender]);
  return useSyncExternalStore(
    sender.subscribe,
    () => sender.state,
    () => 'idle',
  );
}
