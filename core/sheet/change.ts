import { z } from 'zod';
import {
  bodyLength,
  bodyText,
  formatBody,
  isWithinCharacter,
  locate,
  paragraphStart,
  runsWithin,
  sliceBody,
  spliceBody,
  styleBody,
  unpatched,
} from '../text/body';
import type { Patch } from '../text/body';
import { Body, Id, isWritten, Item, ITEM_SCHEMAS, Page, ParagraphFormat, Role, RunStyle, Sheet } from '../schema/sheet';
import type { GroupItem } from '../schema/sheet';
import {
  bodyProblem,
  depthOf,
  GROUP_FULL,
  itemProblem,
  LIMITS,
  loadOf,
  loadOfAll,
  loadProblem,
  PAGES_FULL,
  pageProblem,
  ROLES_FULL,
  TOO_DEEP,
} from './limits';
import type { Load } from './limits';
import {
  idsWithin,
  isThere,
  loadsOf,
  locate as place,
  withInserted,
  withItem,
  withoutItem,
  withPages,
  withSettings,
} from './tree';

/**
 * One edit of a sheet, as JSON. `apply` gives the new sheet or the reason why the change does not fit, never half of it;
 * `invert` gives the change that takes it back. The same changes drive the editor, undo, autosave, the log and the replay.
 */

/** Where an item goes: in a page or group, just behind the item named (null: at the very front). */
const Spot = z.object({ page: Id, group: Id.nullable(), behind: Id.nullable() });
const offset = z.number().int().min(0).max(2_000_000);
const nullable = <T extends z.ZodRawShape>(schema: z.ZodObject<T>) =>
  z.strictObject(
    Object.fromEntries(Object.entries(schema.shape).map(([key, type]) => [key, (type as z.ZodType).nullable()])),
  );

const SIMPLE = [
  z.strictObject({ kind: z.literal('insert'), spot: Spot, item: Item }),
  z.strictObject({ kind: z.literal('remove'), id: Id }),
  /** Moves an item in the order, or into or out of a group. */
  z.strictObject({ kind: z.literal('reorder'), id: Id, spot: Spot }),
  /** Sets some of an item's own settings; every value is checked by the item's schema. */
  z.strictObject({ kind: z.literal('set'), id: Id, values: z.record(z.string().max(20), z.unknown()) }),
  /** Replaces a stretch of words. */
  z.strictObject({ kind: z.literal('splice'), id: Id, at: offset, remove: offset, insert: Body }),
  z.strictObject({ kind: z.literal('style'), id: Id, from: offset, to: offset, patch: nullable(RunStyle) }),
  z.strictObject({ kind: z.literal('paragraph'), id: Id, from: offset, to: offset, patch: nullable(ParagraphFormat) }),
  z.strictObject({ kind: z.literal('page-insert'), behind: Id.nullable(), page: Page }),
  z.strictObject({ kind: z.literal('page-remove'), id: Id }),
  /** Moves a page in the order, behind another one (null: to the front). */
  z.strictObject({ kind: z.literal('page-move'), id: Id, behind: Id.nullable() }),
  z.strictObject({ kind: z.literal('page-set'), id: Id, values: z.record(z.string().max(20), z.unknown()) }),
  /** The sheet's own settings: title, unit, palette, words of its own. */
  z.strictObject({ kind: z.literal('sheet-set'), values: z.record(z.string().max(20), z.unknown()) }),
  z.strictObject({ kind: z.literal('role-set'), id: Id, role: Role.nullable() }),
] as const;
type Simple = z.infer<(typeof SIMPLE)[number]>;
/** Several changes that hold together or not at all. */
export type Change = Simple | { kind: 'all'; changes: Change[] };
export const Change: z.ZodType<Change> = z.lazy(() => EveryChange);
const EveryChange = z.discriminatedUnion('kind', [
  ...SIMPLE,
  z.strictObject({ kind: z.literal('all'), changes: z.array(Change) }),
]) as z.ZodType<Change>;

type Of<K extends Change['kind']> = Extract<Change, { kind: K }>;
export type Applied = { ok: true; sheet: Sheet } | { ok: false; reason: string };

const done = (sheet: Sheet): Applied => ({ ok: true, sheet });
const refused = (reason: string): Applied => ({ ok: false, reason });
/** Stands for words that are not looked at. */
const NO_WORDS: Body = [{ format: {}, runs: [] }];
const gone = () => refused('The thing it was about is no longer on the sheet.');
const firstIssue = (error: z.ZodError) => {
  const [issue] = error.issues;
  return `${issue.path.join('.') || 'value'}: ${issue.message}`;
};

type Kind<K extends Change['kind']> = {
  /** `bounded`: nothing grows beyond what a sheet may hold. A log is replayed without: it holds what was allowed in its time. */
  apply(sheet: Sheet, change: Of<K>, bounded: boolean): Applied;
  /** The change that undoes this one on the sheet it was applied to; called only when it applied. */
  invert(sheet: Sheet, change: Of<K>): Change;
};

/** A row of the table for callers that know the kind only at run time. */
type AnyKind = {
  apply(sheet: Sheet, change: Change, bounded: boolean): Applied;
  invert(sheet: Sheet, change: Change): Change;
};

const UNSETTABLE = new Set(['id', 'kind', 'items', 'body']);

type Spot = z.infer<typeof Spot>;

/** Where a spot leads: the groups around it, or why there is no such spot. */
function groupsAt(sheet: Sheet, spot: Spot): { ok: true; groups: GroupItem[] } | { ok: false; reason: string } {
  if (!sheet.pages.some((p) => p.id === spot.page)) return { ok: false, reason: 'Its page is no longer in the sheet.' };
  if (spot.group === null) return { ok: true, groups: [] };
  const around = place(sheet, spot.group);
  if (around?.item.kind !== 'group' || around.page.id !== spot.page)
    return { ok: false, reason: 'Its group is no longer on the page.' };
  return { ok: true, groups: [...around.groups, around.item] };
}

/** Why a group can't take in another item. */
function groupProblem(groups: readonly GroupItem[], item: Item): string | null {
  const last = groups.at(-1);
  if (last && last.items.length >= LIMITS.groupItems) return GROUP_FULL;
  return groups.length + depthOf(item) > LIMITS.depth ? TOO_DEEP : null;
}

const loadRefusal = (sheet: Sheet, page: string, more: Load): string | null => {
  const now = loadsOf(sheet, page);
  return loadProblem(now.page, now.sheet, more);
};

function spotOf(sheet: Sheet, id: string): Spot {
  const { page, groups, siblings, index } = place(sheet, id)!;
  return { page: page.id, group: groups.at(-1)?.id ?? null, behind: index > 0 ? siblings[index - 1].id : null };
}

type Stretch = { from: number; to: number };
/** A stretch that would begin or end within a character made of two units takes in the whole of it. */
function wholeCharacters(body: Body, from: number, to: number): Stretch {
  const start = isWithinCharacter(body, from) ? from - 1 : from;
  return { from: start, to: to === from ? start : isWithinCharacter(body, to) ? to + 1 : to };
}

function words(
  sheet: Sheet,
  change: { id: string },
  { from, to }: Stretch,
  bounded: boolean,
  edit: (body: Body, stretch: Stretch) => Body,
): Applied {
  const found = place(sheet, change.id);
  if (!found) return gone();
  if (!isWritten(found.item)) return refused('There are no words in this kind of thing.');
  const { body } = found.item;
  if (from > to || to > bodyLength(body)) return refused('The words it was about are no longer there.');
  const next = edit(body, wholeCharacters(body, from, to));
  const no =
    bounded &&
    (bodyProblem(next, body) ??
      loadRefusal(sheet, found.page.id, { items: 0, letters: bodyLength(next) - bodyLength(body) }));
  return no ? refused(no) : done(withItem(sheet, found, { ...found.item, body: next }));
}

const bodyOf = (sheet: Sheet, id: string): Body => {
  const { item } = place(sheet, id)!;
  return isWritten(item) ? item.body : [];
};

const pick = (source: object, keys: string[]) =>
  Object.fromEntries(keys.map((key) => [key, (source as Record<string, unknown>)[key]]));

/** Pages by their identities: an index into them, or undefined. */
function behindPage(sheet: Sheet, behind: string | null): number {
  return behind === null ? 0 : sheet.pages.findIndex((p) => p.id === behind) + 1;
}

const KINDS: { [K in Change['kind']]: Kind<K> } = {
  insert: {
    apply(sheet, { spot, item }, bounded) {
      const ids = idsWithin(item);
      if (new Set(ids).size < ids.length || ids.some((id) => isThere(sheet, id)))
        return refused('Two things can not share one identity.');
      const at = groupsAt(sheet, spot);
      if (!at.ok) return at;
      const no =
        bounded && (itemProblem(item) ?? groupProblem(at.groups, item) ?? loadRefusal(sheet, spot.page, loadOf(item)));
      return no ? refused(no) : done(withInserted(sheet, spot.page, at.groups, spot.behind, item));
    },
    invert: (_, { item }) => ({ kind: 'remove', id: item.id }),
  },
  remove: {
    apply(sheet, { id }) {
      const found = place(sheet, id);
      return found ? done(withoutItem(sheet, found)) : gone();
    },
    invert: (sheet, { id }) => ({ kind: 'insert', spot: spotOf(sheet, id), item: place(sheet, id)!.item }),
  },
  reorder: {
    apply(sheet, { id, spot }, bounded) {
      const found = place(sheet, id);
      if (!found) return gone();
      if (spot.behind === id) return refused('A thing can not lie behind itself.');
      const at = groupsAt(sheet, spot);
      if (!at.ok) return at;
      if (at.groups.some((group) => group.id === id)) return refused('A group can not lie within itself.');
      const sameGroup = at.groups.at(-1) === found.groups.at(-1);
      const no =
        bounded &&
        ((sameGroup ? null : groupProblem(at.groups, found.item)) ??
          (found.page.id === spot.page ? null : loadRefusal(sheet, spot.page, loadOf(found.item))));
      if (no) return refused(no);
      const without = withoutItem(sheet, found);
      // What it is moved into may be another object now: it held the item, or what does.
      const into = groupsAt(without, spot);
      return into.ok ? done(withInserted(without, spot.page, into.groups, spot.behind, found.item)) : into;
    },
    invert: (sheet, { id }) => ({ kind: 'reorder', id, spot: spotOf(sheet, id) }),
  },
  set: {
    apply(sheet, { id, values }) {
      const found = place(sheet, id);
      if (!found) return gone();
      const { item } = found;
      const wrong = Object.keys(values).find((key) => UNSETTABLE.has(key) || !Object.hasOwn(item, key));
      if (wrong) return refused(`“${wrong}” can not be set on a ${item.kind}.`);
      // Parts and words are not set here, and may be many: they are not looked at again.
      const kept = item.kind === 'group' ? { items: item.items } : isWritten(item) ? { body: item.body } : {};
      const read = ITEM_SCHEMAS[item.kind].safeParse({
        ...item,
        ...values,
        ...(item.kind === 'group' ? { items: [] } : isWritten(item) ? { body: NO_WORDS } : {}),
      });
      if (!read.success) return refused(firstIssue(read.error));
      // As it was read: an older program's values are brought up to date by the schema.
      return done(withItem(sheet, found, { ...read.data, ...kept } as Item));
    },
    invert: (sheet, { id, values }) => ({
      kind: 'set',
      id,
      values: pick(place(sheet, id)!.item, Object.keys(values)),
    }),
  },
  splice: {
    apply: (sheet, change, bounded) =>
      words(sheet, change, { from: change.at, to: change.at + change.remove }, bounded, (body, { from, to }) =>
        spliceBody(body, from, to - from, change.insert),
      ),
    invert(sheet, { id, at, remove, insert }) {
      const body = bodyOf(sheet, id);
      const { from, to } = wholeCharacters(body, at, at + remove);
      return { kind: 'splice', id, at: from, remove: bodyLength(insert), insert: sliceBody(body, from, to) };
    },
  },
  style: {
    apply: (sheet, change, bounded) =>
      words(sheet, change, change, bounded, (body, { from, to }) =>
        styleBody(body, from, to, change.patch as Patch<RunStyle>),
      ),
    invert(sheet, { id, from, to, patch }) {
      const body = bodyOf(sheet, id);
      const whole = wholeCharacters(body, from, to);
      return {
        kind: 'all',
        changes: runsWithin(body, whole.from, whole.to).map((run) => ({
          kind: 'style',
          id,
          from: run.from,
          to: run.to,
          patch: unpatched(run.style, patch as Patch<RunStyle>),
        })),
      };
    },
  },
  paragraph: {
    apply: (sheet, change, bounded) =>
      words(sheet, change, change, bounded, (body, { from, to }) =>
        formatBody(body, from, to, change.patch as Patch<ParagraphFormat>),
      ),
    invert(sheet, { id, from, to, patch }) {
      const body = bodyOf(sheet, id);
      const changes: Change[] = [];
      for (let i = locate(body, from).paragraph; i <= locate(body, to).paragraph; i++) {
        const at = paragraphStart(body, i);
        changes.push({
          kind: 'paragraph',
          id,
          from: at,
          to: at,
          patch: unpatched(body[i].format, patch as Patch<ParagraphFormat>),
        });
      }
      return { kind: 'all', changes };
    },
  },
  'page-insert': {
    apply(sheet, { behind, page }, bounded) {
      if (sheet.pages.some((p) => p.id === page.id)) return refused('Two pages can not share one identity.');
      const ids = page.items.flatMap(idsWithin);
      if (new Set(ids).size < ids.length || ids.some((id) => isThere(sheet, id)))
        return refused('Two things can not share one identity.');
      const no =
        bounded &&
        (sheet.pages.length >= LIMITS.pages
          ? PAGES_FULL
          : (pageProblem(page) ?? loadRefusal(sheet, page.id, loadOfAll(page.items))));
      if (no) return refused(no);
      const at = behindPage(sheet, behind);
      return done(withPages(sheet, [...sheet.pages.slice(0, at), page, ...sheet.pages.slice(at)]));
    },
    invert: (_, { page }) => ({ kind: 'page-remove', id: page.id }),
  },
  'page-remove': {
    apply(sheet, { id }) {
      if (!sheet.pages.some((p) => p.id === id)) return refused('This page is no longer in the sheet.');
      if (sheet.pages.length === 1) return refused('A sheet keeps at least one page.');
      return done(
        withPages(
          sheet,
          sheet.pages.filter((p) => p.id !== id),
        ),
      );
    },
    invert(sheet, { id }) {
      const at = sheet.pages.findIndex((p) => p.id === id);
      return { kind: 'page-insert', behind: at > 0 ? sheet.pages[at - 1].id : null, page: sheet.pages[at] };
    },
  },
  'page-move': {
    apply(sheet, { id, behind }) {
      const page = sheet.pages.find((p) => p.id === id);
      if (!page) return refused('This page is no longer in the sheet.');
      const rest = sheet.pages.filter((p) => p !== page);
      const at = behind === null ? 0 : rest.findIndex((p) => p.id === behind) + 1;
      return done(withPages(sheet, [...rest.slice(0, at), page, ...rest.slice(at)]));
    },
    invert(sheet, { id }) {
      const at = sheet.pages.findIndex((p) => p.id === id);
      return { kind: 'page-move', id, behind: at > 0 ? sheet.pages[at - 1].id : null };
    },
  },
  'page-set': {
    apply(sheet, { id, values }) {
      const page = sheet.pages.find((p) => p.id === id);
      if (!page) return refused('This page is no longer in the sheet.');
      const wrong = Object.keys(values).find((key) => key === 'id' || key === 'items' || !Object.hasOwn(page, key));
      if (wrong) return refused(`“${wrong}” can not be set on a page.`);
      const read = Page.safeParse({ ...page, ...values, items: [] });
      if (!read.success) return refused(firstIssue(read.error));
      const next = { ...read.data, items: page.items };
      return done(
        withPages(
          sheet,
          sheet.pages.map((p) => (p === page ? next : p)),
        ),
      );
    },
    invert: (sheet, { id, values }) => ({
      kind: 'page-set',
      id,
      values: pick(
        sheet.pages.find((p) => p.id === id)!,
        Object.keys(values),
      ),
    }),
  },
  'sheet-set': {
    apply(sheet, { values }) {
      const wrong = Object.keys(values).find((key) => !['title', 'unit', 'palette', 'ownWords'].includes(key));
      if (wrong) return refused(`“${wrong}” can not be set on a sheet.`);
      const { title, unit, palette, ownWords } = sheet;
      const read = Sheet.pick({ title: true, unit: true, palette: true, ownWords: true }).safeParse({
        title,
        unit,
        palette,
        ownWords,
        ...values,
      });
      return read.success ? done(withSettings(sheet, read.data)) : refused(firstIssue(read.error));
    },
    invert: (sheet, { values }) => ({ kind: 'sheet-set', values: pick(sheet, Object.keys(values)) }),
  },
  'role-set': {
    apply(sheet, { id, role }, bounded) {
      const roles = { ...sheet.roles };
      if (role) roles[id] = role;
      else delete roles[id];
      if (bounded && role && !Object.hasOwn(sheet.roles, id) && Object.keys(roles).length > LIMITS.roles)
        return refused(ROLES_FULL);
      return done(withSettings(sheet, { roles }));
    },
    invert: (sheet, { id }) => ({
      kind: 'role-set',
      id,
      role: Object.hasOwn(sheet.roles, id) ? sheet.roles[id] : null,
    }),
  },
  all: {
    apply(sheet, { changes }, bounded) {
      let now = sheet;
      for (const change of changes) {
        const result = applied(now, change, bounded);
        if (!result.ok) return result;
        now = result.sheet;
      }
      return done(now);
    },
    invert(sheet, { changes }) {
      const back: Change[] = [];
      let now = sheet;
      for (const change of changes) {
        back.unshift(invert(now, change));
        const result = applied(now, change, false);
        if (result.ok) now = result.sheet;
      }
      return { kind: 'all', changes: back };
    },
  },
};

const applied = (sheet: Sheet, change: Change, bounded: boolean): Applied =>
  (KINDS[change.kind] as unknown as AnyKind).apply(sheet, change, bounded);

/** The sheet with the change made, or the reason why it does not fit. Never throws for a change of the right shape. */
export const apply = (sheet: Sheet, change: Change): Applied => applied(sheet, change, true);

/** The sheet with a change made, or as it was where it does not fit. */
export function grown(sheet: Sheet, change: Change): Sheet {
  const result = apply(sheet, change);
  return result.ok ? result.sheet : sheet;
}

/** The change that takes `change` back; `sheet` is the one that it was applied to. */
export const invert = (sheet: Sheet, change: Change): Change =>
  (KINDS[change.kind] as unknown as AnyKind).invert(sheet, change);

/** Applies a log in turn. @throws Error when one does not fit: a log holds only what was applied. */
export function replay(sheet: Sheet, changes: Iterable<Change>): Sheet {
  let now = sheet;
  for (const change of changes) {
    const result = applied(now, change, false);
    if (!result.ok) throw new Error(`the log does not fit its sheet: ${result.reason}`);
    now = result.sheet;
  }
  return now;
}

/** Two changes made one after the other as one, where they are parts of one movement or one stretch of typing; or null. */
export function merge(first: Change, second: Change): Change | null {
  if (first.kind === 'set' && second.kind === 'set' && first.id === second.id) {
    const same = Object.keys(first.values).sort().join() === Object.keys(second.values).sort().join();
    return same ? second : null;
  }
  if (first.kind === 'splice' && second.kind === 'splice' && first.id === second.id) {
    const typed = bodyText(second.insert);
    // A space or a break starts a new word, and with it a new step.
    if (
      second.remove === 0 &&
      first.insert.length === 1 &&
      second.insert.length === 1 &&
      second.at === first.at + bodyLength(first.insert) &&
      !/^\s/.test(typed)
    )
      return { ...first, insert: spliceBody(first.insert, bodyLength(first.insert), 0, second.insert) };
    if (
      first.remove > 0 &&
      bodyLength(first.insert) === 0 &&
      second.remove > 0 &&
      bodyLength(second.insert) === 0 &&
      second.at + second.remove === first.at
    )
      return { ...first, at: second.at, remove: first.remove + second.remove };
  }
  if (first.kind === 'all' && second.kind === 'all' && first.changes.length === second.changes.length) {
    const merged = first.changes.map((change, i) => merge(change, second.changes[i]));
    if (merged.every((change) => change !== null && change.kind === 'set'))
      return { kind: 'all', changes: merged as Change[] };
  }
  return null;
}

/** Where a position in words lands after a splice: `sticky` positions at the splice stay before what is inserted. */
function moved(position: number, splice: Of<'splice'>, sticky: boolean): number {
  const { at, remove, insert } = splice;
  if (position < at || (position === at && sticky)) return position;
  const added = bodyLength(insert);
  if (position >= at + remove) return position + added - remove;
  return at + added;
}

/**
 * A change made without knowing of `over`, put on top of it. Only positions in words move; all else names what it is about
 * by identity. The later of two changes to one property wins.
 */
export function rebase(change: Change, over: Change): Change {
  if (over.kind === 'all') return over.changes.reduce(rebase, change);
  if (change.kind === 'all') return { kind: 'all', changes: change.changes.map((part) => rebase(part, over)) };
  if (over.kind !== 'splice') return change;
  if (change.kind === 'splice' && change.id === over.id) {
    const at = moved(change.at, over, false);
    const end = Math.max(at, moved(change.at + change.remove, over, true));
    return { ...change, at, remove: end - at };
  }
  if ((change.kind === 'style' || change.kind === 'paragraph') && change.id === over.id) {
    const from = moved(change.from, over, false);
    return { ...change, from, to: Math.max(from, moved(change.to, over, true)) };
  }
  return change;
}
