import type { Change } from '../../core/changes/change';
import { singles } from '../../core/changes/change';
import { between } from '../../core/changes/between';
import type { GroupItem, Sheet } from '../../core/schema/sheet';
import { everyItem, find, withItem } from '../../core/sheet/tree';
import type { MakerState } from '../../core/schema/recipes/recipes';
import { recipeKindOf } from '../../core/schema/recipes/recipes';
import { needsOfRecipe } from '../../core/makers/kit/needs';
import type { Forget } from '../../core/makers/remake';
import type { Bench } from './bench';
import { askMade } from './making-parts';
import type { Makes, State } from './makes';
import type { Together } from './on-sheet';

/**
 * Keeps what makers made in step with their recipes: makes it anew when the recipe is edited, and when something was done to
 * its parts by hand. The work is done in a worker; what comes back late is not used.
 */

/** While letters are typed into a recipe what is made only shows; it is kept after this rest, in milliseconds. */
const REST = 600;

type Job = { state?: State; forget?: Forget; name: string; keep: 'soon' | 'now' | 'with last'; then?: () => void };

export class Making implements Makes {
  /** What the maker of a group could not do, by its identity. */
  notes: ReadonlyMap<string, readonly string[]> = new Map();
  /** Groups that are being made right now. */
  readonly busy = new Set<string>();
  /** How far those are that take long. */
  progress: ReadonlyMap<string, number> = new Map();
  private stops = new Map<string, AbortController>();
  private next = new Map<string, Job>();
  /** Groups whose recipe, or whose words on the sheet, are being typed: what is done when that rests. */
  private typing = new Map<string, ReturnType<typeof setTimeout>>();
  private writing = new Map<string, ReturnType<typeof setTimeout>>();
  /** What shows but is not kept yet. */
  private pending = new Map<string, { name: string; group: GroupItem; from: GroupItem; then?: () => void }>();

  private together: ReadonlyMap<string, Together>;

  constructor(private bench: Bench) {
    const finished = () => this.onFinished?.();
    this.together = new Map(
      bench.onSheet.flatMap(({ kind, together }) => (together ? [[kind, together(bench, finished)]] : [])),
    );
  }
  private get sharing(): boolean {
    return [...this.together.values()].some(({ busy }) => busy > 0);
  }

  private groupOf(id: string): GroupItem | null {
    const item = find(this.bench.sheet, id)?.item;
    return item?.kind === 'group' && item.maker ? item : null;
  }

  /** The recipe as it stands, with what was typed a moment ago. */
  state(id: string): State | null {
    return this.wanted.get(id) ?? this.shown(id)?.maker ?? null;
  }
  /** Recipes that are on their way. */
  private wanted = new Map<string, State>();
  private shown(id: string): GroupItem | null {
    return this.pending.get(id)?.group ?? this.groupOf(id);
  }

  /** Another recipe for a group. `soon` is for letters being typed: they are kept as one step after a rest;
   *  `with last` makes it one with the step before. */
  edit(id: string, name: string, state: State, keep: Job['keep'] = 'now', then?: () => void): void {
    this.wanted.set(id, state);
    if (keep === 'soon') this.showAhead(id, state);
    this.bench.changed();
    this.ask(id, { name, state, keep, then });
  }

  /** Makes a group that was just put down; it is one step with that. */
  begin(id: string): void {
    const state = this.groupOf(id)?.maker;
    if (state) this.ask(id, { name: 'Make', state, keep: 'with last' });
  }

  /** Puts all back as it would be made, or only the places. */
  tidy(id: string, forget: Exclude<Forget, 'nothing'>): void {
    this.ask(id, { name: 'Tidy', forget, keep: 'now' });
  }

  /**
   * Brings what was made in step with what was just done by hand. Called with each change that a person made, and with what was
   * taken back or done again: that is as it was, but for words, which may have been taken back to where nothing followed yet.
   */
  follow(change: Change, before: Sheet, by: 'hand' | 'history'): void {
    if (by === 'history' && !writes(change)) return;
    for (const id of madeGroups(this.bench, change, before)) {
      clearTimeout(this.writing.get(id));
      const go = () => this.catchUp(id);
      // Words are taken in when they rest.
      if (this.bench.editing) this.writing.set(id, setTimeout(go, REST));
      else go();
    }
  }

  private catchUp(id: string): void {
    clearTimeout(this.writing.get(id));
    this.writing.delete(id);
    this.ask(id, { name: 'Follow', keep: 'with last' });
  }

  /** Whether something that was done is not part of the sheet yet. */
  get open(): boolean {
    return this.pending.size > 0 || this.busy.size > 0 || this.writing.size > 0 || this.sharing;
  }

  /** Waits for all that is being made, and keeps it: before a sheet is handed on. */
  async settled(): Promise<void> {
    for (const id of [...this.writing.keys()]) this.catchUp(id);
    const finished = async () => {
      while (this.busy.size > 0 || this.sharing) await new Promise<void>((resolve) => (this.onFinished = resolve));
    };
    await finished();
    this.flush();
    await finished();
  }
  private onFinished: (() => void) | null = null;

  /** Keeps all that only shows so far. */
  flush(): void {
    for (const id of [...this.pending.keys()]) this.keep(id);
  }

  close(): void {
    this.flush();
    for (const timer of this.writing.values()) clearTimeout(timer);
    this.writing.clear();
  }

  private ask(id: string, job: Job): void {
    if (this.busy.has(id)) {
      // A recipe on its way is not lost to what comes after it, nor what was to be done then.
      const waiting = this.next.get(id);
      if (waiting?.state && !job.state && !job.forget) return;
      const then = () => (waiting?.then?.(), job.then?.());
      this.next.set(id, { ...job, state: job.state ?? waiting?.state, then });
      return;
    }
    const { bench } = this;
    if (!job.state && !job.forget) this.keep(id);
    const group = this.shown(id);
    if (!group) return this.finished(id);
    const state = job.state ?? group.maker!;
    const inGroup = new Set(group.items.map((item) => item.id));
    const taken = [...everyItem(bench.sheet)]
      .map((item) => item.id)
      .filter((other) => other.startsWith(`${id}-`) && !inGroup.has(other));
    this.busy.add(id);
    const stop = new AbortController();
    this.stops.set(id, stop);
    bench.changed();
    askMade(
      {
        asked: { group, state: job.state, forget: job.forget, taken },
        roles: bench.sheet.roles,
        ...needsOfRecipe(state.recipe, bench.sheet.roles),
      },
      { signal: stop.signal, progress: (share) => this.put(id, share) },
    ).then(
      (answer) => this.arrived(id, group, job, withRecipe(answer.group, job.state), answer.notes),
      (problem: Error) => {
        const why = stop.signal.aborted
          ? 'Stopped.'
          : `This could not be made: ${problem.message.replace(/\.?$/, '.')}`;
        const kept = job.state !== undefined && this.keepRecipe(id, job.name, job.state);
        this.bench.say(kept ? `${why} What you entered is kept; it shows when it can be made.` : why);
        if (kept) this.notes = new Map(this.notes).set(id, [`${why} It shows as it was before.`]);
        if (!stop.signal.aborted) this.failed.add(id);
        this.showPending();
        this.finished(id);
      },
    );
  }

  /** Groups that could not be made; they are tried again when the network is back. */
  private failed = new Set<string>();
  tryAgain(): void {
    const all = [...this.failed];
    this.failed.clear();
    for (const id of all) {
      const state = this.groupOf(id)?.maker;
      if (state) this.ask(id, { name: 'Make', state, keep: 'with last' });
    }
  }

  /** Keeps what was entered, though nothing could be made of it: its parts stay as they are. */
  private keepRecipe(id: string, name: string, state: State): boolean {
    this.keep(id);
    const group = this.groupOf(id);
    const change = group && changeTo(this.bench.sheet, withRecipe(group, state));
    if (!change) return false;
    this.bench.make(name, change, 'made');
    return true;
  }

  /** Ends what is being made of a group; what waits behind it is not begun. */
  stop(id: string): void {
    this.next.delete(id);
    this.stops.get(id)?.abort();
  }

  private put(id: string, share: number | null): void {
    const progress = new Map(this.progress);
    if (share === null) progress.delete(id);
    else progress.set(id, share);
    this.progress = progress;
    this.bench.changed();
  }

  private arrived(id: string, asked: GroupItem, job: Job, group: GroupItem, notes: readonly string[]): void {
    const now = this.shown(id);
    if (!now) return this.finished(id);
    if (now !== asked) {
      // Something was done meanwhile: once more, on top of it.
      this.finished(id);
      if (!this.busy.has(id)) this.ask(id, job);
      return;
    }
    this.notes = new Map(this.notes).set(id, notes);
    this.failed.delete(id);
    if (job.keep === 'with last') {
      const change = changeTo(this.bench.sheet, group);
      if (change) this.bench.amend(job.name, change);
      this.shareOut(group);
    } else {
      const from = this.pending.get(id)?.from ?? asked;
      this.pending.set(id, { name: job.name, group, from, then: job.then });
      if (job.keep === 'now') this.keep(id);
      else {
        this.showPending();
        clearTimeout(this.typing.get(id));
        this.typing.set(
          id,
          setTimeout(() => this.keep(id), REST),
        );
      }
    }
    this.finished(id);
  }

  /** Words that are being typed show at once where they stand; all places follow when it is made. */
  private showAhead(id: string, { kind, recipe }: State): void {
    const group = this.shown(id);
    const typed = group ? (onSheetOf(this.bench, kind)?.ahead?.(group, recipe) ?? null) : null;
    if (typed) this.showPending(typed);
  }

  /** Shows what is pending, with `ahead` in the place of its own. */
  private showPending(ahead?: GroupItem): void {
    const shown = new Map([...this.pending].map(([id, { group }]) => [id, group]));
    if (ahead) shown.set(ahead.id, ahead);
    this.bench.show(shown);
  }

  /** Makes what shows a step of the sheet. */
  private keep(id: string): void {
    const waiting = this.pending.get(id);
    if (!waiting) return;
    this.pending.delete(id);
    clearTimeout(this.typing.get(id));
    this.typing.delete(id);
    this.showPending();
    if (this.groupOf(id) !== waiting.from) {
      // The group was changed beneath: only its recipe is carried over.
      const { maker } = waiting.group;
      if (maker && this.groupOf(id))
        this.ask(id, { name: waiting.name, state: maker, keep: 'now', then: waiting.then });
      return;
    }
    const change = changeTo(this.bench.sheet, waiting.group);
    if (change) this.bench.make(waiting.name, change, 'made');
    else this.bench.changed();
    this.shareOut(waiting.group);
    // Only what is kept can be chosen.
    waiting.then?.();
  }

  private shareOut({ id, maker }: GroupItem): void {
    if (maker) void this.together.get(maker.kind)?.share(id);
  }

  private finished(id: string): void {
    this.busy.delete(id);
    this.stops.delete(id);
    if (this.progress.has(id)) this.put(id, null);
    const next = this.next.get(id);
    this.next.delete(id);
    if (!next) {
      this.wanted.delete(id);
      // What was typed for a node that did not come about has nowhere to go.
      if (this.bench.begun?.group === id) this.bench.begun = null;
    }
    this.bench.changed();
    if (next) this.ask(id, next);
    this.onFinished?.();
  }
}

/** The recipe that was asked with is the one it was made from: the very same, so that nothing takes it for another. */
const withRecipe = (group: GroupItem, state: State | undefined): GroupItem =>
  state && group.maker ? { ...group, maker: { ...group.maker, recipe: state.recipe } as MakerState } : group;

/** The one change that gives a group its new parts; null when nothing is different. */
function changeTo(sheet: Sheet, group: GroupItem): Change | null {
  const place = find(sheet, group.id);
  if (!place) return null;
  const change = between(sheet, withItem(sheet, place, group));
  return change.kind === 'all' && change.changes.length === 0 ? null : change;
}

const onSheetOf = (bench: Bench, kind: MakerState['kind']) => bench.onSheet.find((maker) => maker.kind === kind);
const SIZE: readonly string[] = ['width', 'height'];

/** Made groups that a change may have brought out of step. */
function madeGroups(bench: Bench, change: Change, before: Sheet): Set<string> {
  const { sheet: after } = bench;
  const out = new Set<string>();
  const around = (id: string) => {
    for (const sheet of [after, before])
      for (const group of find(sheet, id)?.groups ?? [])
        if (group.maker && recipeKindOf(group.maker.kind).followsParts && find(after, group.id)) out.add(group.id);
  };
  for (const one of singles(change)) {
    if (!('id' in one)) continue;
    const item = find(after, one.id)?.item;
    const maker = item?.kind === 'group' ? item.maker : null;
    const keys = (maker && onSheetOf(bench, maker.kind)?.frame) ?? SIZE;
    if (maker && one.kind === 'set' && keys.some((key) => key in one.values)) out.add(one.id);
    else if (one.kind !== 'set' || touchesPlace(one.values)) around(one.id);
  }
  return out;
}

const writes = (change: Change): boolean => [...singles(change)].some(({ kind }) => kind === 'splice');

/** Settings of a part that others follow. */
const touchesPlace = (values: Record<string, unknown>) =>
  ['x', 'y', 'width', 'height', 'hidden', 'picture'].some((key) => key in values);
