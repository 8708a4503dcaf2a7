import { replay, singles } from '../changes/change';
import type { Change, Single } from '../changes/change';
import { plainWords } from '../lookfors/words';
import type { Item, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { bodyText } from '../text/body';
import { PAUSE } from './effort';

/** How a piece grew: when its students worked on it, how fast, who did what, and which words came in one go. */

/** One change of the log: when it was made, in milliseconds since 1970, and by whom. */
export type GrownStep = { at: number; by: string; change: Change };

/** So many words at once are no longer typing: while somebody types, each word is a change of its own. */
const AT_ONCE = 8;

/** What came of work: words and things more than there were, or fewer. */
type Yield = { words: number; things: number };
/** Work without a longer pause, from the change with the number `from` to that with the number `to`. */
export type Sitting = Yield & { from: number; to: number; begun: number; ended: number };
/** Words that one change brought and that had stood nowhere on the piece before. */
export type AtOnce = { seq: number; at: number; by: string; item: string; words: number; said: string };
export type Growth = {
  sittings: Sitting[];
  atOnce: AtOnce[];
  /** What each of the students brought. */
  shares: (Yield & { by: string })[];
  /** Milliseconds of work up to each change, of the sheet at the start (0) and after every change; pauses are left out. */
  worked: number[];
};

const sum = (numbers: readonly number[]): number => numbers.reduce((all, n) => all + n, 0);
const wordsOf = (item: Item | undefined): string[] => (item && isWritten(item) ? plainWords(bodyText(item.body)) : []);

/** Kinds of changes that bring or take things with their words, or may. */
const WHOLE: ReadonlySet<Single['kind']> = new Set(['insert', 'remove', 'page-insert', 'page-remove']);

/** The items whose words a change may alter; null where it may be any. */
function rewordedBy(change: Change): string[] | null {
  const all = [...singles(change)];
  if (all.some(({ kind }) => WHOLE.has(kind))) return null;
  const ids = all.flatMap((one) =>
    one.kind === 'splice' || (one.kind === 'set' && 'body' in one.values) ? [one.id] : [],
  );
  return [...new Set(ids)];
}

/** The words that each part of a change brings along, with the item that they are in. */
function* broughtBy(change: Change): Generator<{ item: string; text: string }> {
  const within = function* (item: Item): Generator<{ item: string; text: string }> {
    if (item.kind === 'group') for (const inner of item.items) yield* within(inner);
    else if (isWritten(item)) yield { item: item.id, text: bodyText(item.body) };
  };
  for (const one of singles(change)) {
    if (one.kind === 'splice') yield { item: one.id, text: bodyText(one.insert) };
    if (one.kind === 'insert') yield* within(one.item);
    if (one.kind === 'page-insert') for (const item of one.page.items) yield* within(item);
  }
}

/** What stands on the piece, and the words that have stood there: moved or brought back, they are not new. */
class Seen {
  private texts = new Map<string, { text: string; words: number }>();
  private gone = new Set<string>();
  private things: number;

  constructor(sheet: Sheet) {
    const items = everyItem(sheet);
    this.things = items.length;
    for (const item of items) this.put(item.id, item);
  }
  /**
   * @param reworded items that may have other words now; null: any, and there may be more or fewer of them
   * @returns what was added
   */
  follow(after: Sheet, reworded: readonly string[] | null): Yield {
    if (reworded) return { words: sum(reworded.map((id) => this.put(id, find(after, id)?.item))), things: 0 };
    const items = new Map(everyItem(after).map((item) => [item.id, item]));
    const ids = new Set([...this.texts.keys(), ...items.keys()]);
    const things = items.size - this.things;
    this.things = items.size;
    return { words: sum([...ids].map((id) => this.put(id, items.get(id)))), things };
  }
  has(words: readonly string[]): boolean {
    const wanted = ` ${words.join(' ')} `;
    for (const { text } of this.texts.values()) if (text.includes(wanted)) return true;
    for (const text of this.gone) if (text.includes(wanted)) return true;
    return false;
  }
  /** How many words more it has now. */
  private put(id: string, item: Item | undefined): number {
    const before = this.texts.get(id);
    const words = wordsOf(item);
    const now = words.length > 0 ? { text: ` ${words.join(' ')} `, words: words.length } : undefined;
    // What only grew still stands there.
    if (before && !now?.text.includes(before.text)) this.gone.add(before.text);
    if (now) this.texts.set(id, now);
    else this.texts.delete(id);
    return words.length - (before?.words ?? 0);
  }
}

/**
 * @param from how many changes the sheet at the start has already
 * @param isStudent whether somebody works on it; what others changed (a correction) counts as nobody's work
 * @throws Error where the log does not fit its sheet
 */
export function growthOf(
  from: number,
  start: Sheet,
  log: readonly GrownStep[],
  isStudent: (by: string) => boolean,
): Growth {
  const [sittings, atOnce, shares, worked]: [Sitting[], AtOnce[], Map<string, Yield>, number[]] = [
    [],
    [],
    new Map(),
    [0],
  ];
  const seen = new Seen(start);
  let [sheet, last] = [start, -Infinity];
  for (const [i, { at, by, change }] of log.entries()) {
    const seq = from + i + 1;
    const next = replay(sheet, [change]);
    const reworded = rewordedBy(change);
    const soFar = worked[i];
    const isOwn = isStudent(by);
    if (isOwn)
      for (const { item, text } of broughtBy(change)) {
        const brought = plainWords(text);
        if (brought.length >= AT_ONCE && !seen.has(brought))
          atOnce.push({ seq, at, by, item, words: brought.length, said: text.replace(/\s+/g, ' ').trim() });
      }
    const { words, things } = seen.follow(next, reworded);
    if (isOwn) {
      const share = shares.get(by) ?? { words: 0, things: 0 };
      shares.set(by, { words: share.words + words, things: share.things + things });
      const sitting = sittings.at(-1);
      const goesOn = sitting && at - last <= PAUSE * 1000;
      if (goesOn) {
        sitting.to = seq;
        sitting.ended = Math.max(sitting.ended, at);
        sitting.words += words;
        sitting.things += things;
      } else sittings.push({ from: seq, to: seq, begun: at, ended: at, words, things });
      worked.push(soFar + (goesOn ? Math.max(0, at - last) : 0));
      last = at;
    } else worked.push(soFar);
    sheet = next;
  }
  return { sittings, atOnce, shares: [...shares].map(([by, brought]) => ({ by, ...brought })), worked };
}

/** Where a piece stood after so much work: the number of the last change that was made by then. */
export function seqAfter({ worked }: Pick<Growth, 'worked'>, from: number, milliseconds: number): number {
  let [low, high] = [0, worked.length - 1];
  while (low < high) {
    const mid = Math.ceil((low + high) / 2);
    if (worked[mid] <= milliseconds) low = mid;
    else high = mid - 1;
  }
  return from + low;
}

/**
 * How much was changed in each of so many equal parts of the work, by the number of changes.
 * @returns so many numbers; of no work at all, all changes stand in the first
 */
export function paceOf({ worked }: Pick<Growth, 'worked'>, parts: number): number[] {
  const out = Array<number>(parts).fill(0);
  const all = worked.at(-1) ?? 0;
  for (const at of worked.slice(1)) out[all === 0 ? 0 : Math.min(parts - 1, Math.floor((at / all) * parts))]++;
  return out;
}
