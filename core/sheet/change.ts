import { z } from 'zod';
import {
  bodyLength,
  bodyText,
  formatBody,
  locate,
  paragraphStart,
  runsWithin,
  sliceBody,
  spliceBody,
  styleBody,
  unpatched,
} from './body';
import type { Patch } from './body';
import { Body, Id, isWritten, Item, ITEM_SCHEMAS, Page, ParagraphFormat, Role, RunStyle, Sheet } from './schema';
import { find, findOn, idsWithin, withItem, withList } from './tree';

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

const Simple = z.discriminatedUnion('kind', [
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
]);
type Simple = z.infer<typeof Simple>;
/** Several changes that hold together or not at all. */
export type Change = Simple | { kind: 'all'; changes: Change[] };
export const Change: z.ZodType<Change> = z.lazy(() =>
  z.union([Simple, z.strictObject({ kind: z.literal('all'), changes: z.array(Change).max(5000) })]),
) as z.ZodType<Change>;

type Of<K extends Change['kind']> = Extract<Change, { kind: K }>;
export type Applied = { ok: true; sheet: Sheet } | { ok: false; reason: string };

const done = (sheet: Sheet): Applied => ({ ok: true, sheet });
const refused = (reason: string): Applied => ({ ok: false, reason });
const gone = () => refused('The thing it was about is no longer on the sheet.');
const firstIssue = (error: z.ZodError) => {
  const [issue] = error.issues;
  return `${issue.path.join('.') || 'value'}: ${issue.message}`;
};

type Kind<K extends Change['kind']> = {
  apply(sheet: Sheet, change: Of<K>): Applied;
  /** The change that undoes this one on the sheet it was applied to; called only when it applied. */
  invert(sheet: Sheet, change: Of<K>): Change;
};

/** A row of the table for callers that know the kind only at run time. */
type AnyKind = { apply(sheet: Sheet, change: Change): Applied; invert(sheet: Sheet, change: Change): Change };

const UNSETTABLE = new Set(['id', 'kind', 'items', 'body']);

function insertInto(sheet: Sheet, spot: z.infer<typeof Spot>, item: Item): Applied {
  const page = sheet.pages.find((p) => p.id === spot.page);
  if (!page) return refused('Its page is no longer in the sheet.');
  const around = spot.group === null ? undefined : findOn(page, spot.group);
  if (spot.group !== null && around?.item.kind !== 'group') return refused('Its group is no longer on the page.');
  const groups = around?.item.kind === 'group' ? [...around.groups, around.item] : [];
  return done(
    withList(sheet, spot.page, groups, (list) => {
      // A neighbour that somebody else took away must not cost this person the item: it goes to the front.
      const at = spot.behind === null ? 0 : list.findIndex((other) => other.id === spot.behind) + 1;
      return [...list.slice(0, at), item, ...list.slice(at)];
    }),
  );
}

function spotOf(sheet: Sheet, id: string): z.infer<typeof Spot> {
  const { page, groups, siblings, index } = find(sheet, id)!;
  return { page: page.id, group: groups.at(-1)?.id ?? null, behind: index > 0 ? siblings[index - 1].id : null };
}

function removed(sheet: Sheet, id: string): Sheet {
  const place = find(sheet, id)!;
  return withList(sheet, place.page.id, place.groups, (list) => list.filter((item) => item.id !== id));
}

function words(sheet: Sheet, change: { id: string }, end: number, edit: (body: Body) => Body): Applied {
  const place = find(sheet, change.id);
  if (!place) return gone();
  if (!isWritten(place.item)) return refused('There are no words in this kind of thing.');
  if (end > bodyLength(place.item.body)) return refused('The words it was about are no longer there.');
  return done(withItem(sheet, place, { ...place.item, body: edit(place.item.body) }));
}

const bodyOf = (sheet: Sheet, id: string): Body => {
  const { item } = find(sheet, id)!;
  return isWritten(item) ? item.body : [];
};

const pick = (source: object, keys: string[]) =>
  Object.fromEntries(keys.map((key) => [key, (source as Record<string, unknown>)[key]]));

const KINDS: { [K in Change['kind']]: Kind<K> } = {
  insert: {
    apply(sheet, { spot, item }) {
      const ids = idsWithin(item);
      if (new Set(ids).size < ids.length || ids.some((id) => find(sheet, id)))
        return refused('Two things can not share one identity.');
      return insertInto(sheet, spot, item);
    },
    invert: (_, { item }) => ({ kind: 'remove', id: item.id }),
  },
  remove: {
    apply: (sheet, { id }) => (find(sheet, id) ? done(removed(sheet, id)) : gone()),
    invert: (sheet, { id }) => ({ kind: 'insert', spot: spotOf(sheet, id), item: find(sheet, id)!.item }),
  },
  reorder: {
    apply(sheet, { id, spot }) {
      const place = find(sheet, id);
      if (!place) return gone();
      if (spot.behind === id) return refused('A thing can not lie behind itself.');
      if (spot.group !== null && idsWithin(place.item).includes(spot.group))
        return refused('A group can not lie within itself.');
      return insertInto(removed(sheet, id), spot, place.item);
    },
    invert: (sheet, { id }) => ({ kind: 'reorder', id, spot: spotOf(sheet, id) }),
  },
  set: {
    apply(sheet, { id, values }) {
      const place = find(sheet, id);
      if (!place) return gone();
      const wrong = Object.keys(values).find((key) => UNSETTABLE.has(key) || !Object.hasOwn(place.item, key));
      if (wrong) return refused(`“${wrong}” can not be set on a ${place.item.kind}.`);
      const read = ITEM_SCHEMAS[place.item.kind].safeParse(
        place.item.kind === 'group' ? { ...place.item, ...values, items: [] } : { ...place.item, ...values },
      );
      if (!read.success) return refused(firstIssue(read.error));
      // As it was read: an older program's values are brought up to date by the schema.
      const next = read.data as Item;
      return done(
        withItem(
          sheet,
          place,
          next.kind === 'group' && place.item.kind === 'group' ? { ...next, items: place.item.items } : next,
        ),
      );
    },
    invert: (sheet, { id, values }) => ({ kind: 'set', id, values: pick(find(sheet, id)!.item, Object.keys(values)) }),
  },
  splice: {
    apply: (sheet, change) =>
      words(sheet, change, change.at + change.remove, (body) =>
        spliceBody(body, change.at, change.remove, change.insert),
      ),
    invert(sheet, { id, at, remove, insert }) {
      return {
        kind: 'splice',
        id,
        at,
        remove: bodyLength(insert),
        insert: sliceBody(bodyOf(sheet, id), at, at + remove),
      };
    },
  },
  style: {
    apply: (sheet, change) =>
      words(sheet, change, change.to, (body) =>
        styleBody(body, change.from, change.to, change.patch as Patch<RunStyle>),
      ),
    invert(sheet, { id, from, to, patch }) {
      const runs = runsWithin(bodyOf(sheet, id), from, to);
      return {
        kind: 'all',
        changes: runs.map((run) => ({
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
    apply: (sheet, change) =>
      words(sheet, change, change.to, (body) =>
        formatBody(body, change.from, change.to, change.patch as Patch<ParagraphFormat>),
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
    apply(sheet, { behind, page }) {
      if (sheet.pages.some((p) => p.id === page.id)) return refused('Two pages can not share one identity.');
      const ids = page.items.flatMap(idsWithin);
      if (new Set(ids).size < ids.length || ids.some((id) => find(sheet, id)))
        return refused('Two things can not share one identity.');
      const at = behind === null ? 0 : sheet.pages.findIndex((p) => p.id === behind) + 1;
      return done({ ...sheet, pages: [...sheet.pages.slice(0, at), page, ...sheet.pages.slice(at)] });
    },
    invert: (_, { page }) => ({ kind: 'page-remove', id: page.id }),
  },
  'page-remove': {
    apply(sheet, { id }) {
      if (!sheet.pages.some((p) => p.id === id)) return refused('This page is no longer in the sheet.');
      if (sheet.pages.length === 1) return refused('A sheet keeps at least one page.');
      return done({ ...sheet, pages: sheet.pages.filter((p) => p.id !== id) });
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
      return done({ ...sheet, pages: [...rest.slice(0, at), page, ...rest.slice(at)] });
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
      return done({ ...sheet, pages: sheet.pages.map((p) => (p === page ? ({ ...page, ...values } as Page) : p)) });
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
      return read.success ? done({ ...sheet, ...read.data }) : refused(firstIssue(read.error));
    },
    invert: (sheet, { values }) => ({ kind: 'sheet-set', values: pick(sheet, Object.keys(values)) }),
  },
  'role-set': {
    apply(sheet, { id, role }) {
      const roles = { ...sheet.roles };
      if (role) roles[id] = role;
      else delete roles[id];
      return done({ ...sheet, roles });
    },
    invert: (sheet, { id }) => ({
      kind: 'role-set',
      id,
      role: Object.hasOwn(sheet.roles, id) ? sheet.roles[id] : null,
    }),
  },
  all: {
    apply(sheet, { changes }) {
      let now = sheet;
      for (const change of changes) {
        const result = apply(now, change);
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
        const result = apply(now, change);
        if (result.ok) now = result.sheet;
      }
      return { kind: 'all', changes: back };
    },
  },
};

/** The sheet with the change made, or the reason why it does not fit. Never throws for a change of the right shape. */
export const apply = (sheet: Sheet, change: Change): Applied =>
  (KINDS[change.kind] as unknown as AnyKind).apply(sheet, change);

/** The change that takes `change` back; `sheet` is the one that it was applied to. */
export const invert = (sheet: Sheet, change: Change): Change =>
  (KINDS[change.kind] as unknown as AnyKind).invert(sheet, change);

/** Applies a log in turn. @throws Error when one does not fit: a log holds only what was applied. */
export function replay(sheet: Sheet, changes: Iterable<Change>): Sheet {
  let now = sheet;
  for (const change of changes) {
    const result = apply(now, change);
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
