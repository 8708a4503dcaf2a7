import type { Change } from './change';
import { apply, grown, merge, rebase, replay } from './change';
import { broughtBack, spared } from './rescue';
import type { Sheet } from '../schema/sheet';

/**
 * The changes a window has made and the server has not yet acknowledged, on top of the sheet that both know. Pure: the
 * window's saver sends and stores, this keeps count.
 */
export type Outbox = {
  /** The sheet after `base` changes, as the server has it. */
  confirmed: Sheet;
  base: number;
  /** A batch on its way; sent again under the same name until it is answered. */
  sent: { batch: string; changes: Change[] } | null;
  queue: Change[];
};

export const waiting = ({ sent, queue }: Outbox) => (sent?.changes.length ?? 0) + queue.length;

/** Adds a change; typing that goes on stays one change of the log. */
export function push(outbox: Outbox, change: Change): Outbox {
  const last = outbox.queue.at(-1);
  const merged = last && merge(last, change);
  return { ...outbox, queue: merged ? [...outbox.queue.slice(0, -1), merged] : [...outbox.queue, change] };
}

/** What goes out at once: so many changes, and so many letters of JSON. A single change goes however long it is. */
export type Slice = { changes: number; letters: number };
export const WHOLE_SLICE: Slice = { changes: 300, letters: 300_000 };

/** Moves the front of the queue into a batch to send; nothing while one is on its way. */
export function send(outbox: Outbox, batch: string, most: Slice = WHOLE_SLICE): Outbox {
  if (outbox.sent || outbox.queue.length === 0) return outbox;
  let [count, letters] = [0, 0];
  for (; count < Math.min(most.changes, outbox.queue.length); count++) {
    letters += JSON.stringify(outbox.queue[count]).length;
    if (letters > most.letters && count > 0) break;
  }
  return { ...outbox, sent: { batch, changes: outbox.queue.slice(0, count) }, queue: outbox.queue.slice(count) };
}

/** The batch did not arrive: its changes wait again, to be sent in smaller ones. */
export const unsent = (outbox: Outbox): Outbox =>
  outbox.sent ? { ...outbox, sent: null, queue: [...outbox.sent.changes, ...outbox.queue] } : outbox;

/** The batch is on the server's disk. */
export function acknowledged(outbox: Outbox, seq: number): Outbox {
  if (!outbox.sent) return outbox;
  return { ...outbox, confirmed: replay(outbox.confirmed, outbox.sent.changes), base: seq, sent: null };
}

/** The server refused one change of the batch: it is dropped, the others wait again. */
export function rejected(outbox: Outbox, index: number): Outbox {
  if (!outbox.sent) return outbox;
  return { ...outbox, sent: null, queue: [...outbox.sent.changes.filter((_, i) => i !== index), ...outbox.queue] };
}

/** Ours on top of theirs, and theirs as they look on top of ours (for the undo history). */
function transformed(ours: readonly Change[], theirs: readonly Change[]): { ours: Change[]; over: Change[] } {
  let mine = [...ours];
  const over = theirs.map((change) => {
    let now = change;
    mine = mine.map((own) => {
      const moved = rebase(own, now);
      now = rebase(now, own);
      return moved;
    });
    return now;
  });
  return { ours: mine, over };
}

export type Logged = { batch: string; change: Change };

/**
 * `met`: how many deletions met an edit, and were not carried out or taken back.
 * The log holds more than we knew of. Our own batch may be in it, when its answer was lost: it was made on our base, so it
 * comes first. The rest are others' changes, which go beneath ours.
 */
export function behind(
  outbox: Outbox,
  seq: number,
  missed: readonly Logged[],
): { outbox: Outbox; over: Change[]; met: number } {
  const own = missed.filter((entry) => entry.batch === outbox.sent?.batch).length;
  const known = own > 0 ? acknowledged(outbox, outbox.base + own) : outbox;
  const theirs = missed.slice(own).map((entry) => entry.change);
  const before = [...(known.sent?.changes ?? []), ...known.queue];
  const { ours, over } = transformed(before, theirs);
  const confirmed = replay(known.confirmed, theirs);
  const back = broughtBack(known.confirmed, confirmed, before, theirs);
  const kept = spared(back.reduce(grown, confirmed), ours, theirs);
  const queue = [...back, ...kept.ours];
  return { outbox: { confirmed, base: seq, sent: null, queue }, over, met: back.length + kept.count };
}

/**
 * What a closed window left unsent, on top of the sheet as it is now; `missed` is the log since the base it built on. A
 * batch that got no answer keeps its name: it may still arrive, and must not count twice then.
 */
export function restored(
  confirmed: Sheet,
  seq: number,
  left: Pick<Outbox, 'sent' | 'queue'>,
  missed: readonly Logged[],
): Outbox {
  const arrived = missed.some((entry) => entry.batch === left.sent?.batch);
  const theirs = missed.filter((entry) => entry.batch !== left.sent?.batch).map((entry) => entry.change);
  const sent = arrived ? null : left.sent;
  const { ours } = transformed([...(sent?.changes ?? []), ...left.queue], theirs);
  const count = sent?.changes.length ?? 0;
  const first = spared(confirmed, ours.slice(0, count), theirs).ours;
  const { ours: queue } = spared(first.reduce(grown, confirmed), ours.slice(count), theirs);
  return { confirmed, base: seq, sent: sent && first.length > 0 ? { batch: sent.batch, changes: first } : null, queue };
}

/** A change that can't be kept, and why. */
export type Lost = { change: Change; reason: string };

/** The sheet with everything of ours on top, and the outbox without what no longer fits. */
export function rebuilt(outbox: Outbox): { sheet: Sheet; outbox: Outbox; lost: Lost[] } {
  let sheet = outbox.confirmed;
  const lost: Lost[] = [];
  const keep = (changes: readonly Change[]) =>
    changes.filter((change) => {
      const result = apply(sheet, change);
      if (result.ok) sheet = result.sheet;
      else lost.push({ change, reason: result.reason });
      return result.ok;
    });
  const sent = outbox.sent && { ...outbox.sent, changes: keep(outbox.sent.changes) };
  const queue = keep(outbox.queue);
  return { sheet, lost, outbox: { ...outbox, sent: sent && sent.changes.length > 0 ? sent : null, queue } };
}
