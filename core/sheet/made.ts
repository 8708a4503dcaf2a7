import equal from 'fast-deep-equal';
import type { MadeMark } from '../schema/items/made';
import type { Item } from '../schema/sheet';

/** Telling what was done to a made part by hand from how it was made. */

export const FACETS = ['words', 'look', 'rest'] as const;
export type Facet = (typeof FACETS)[number];

const PLACE = new Set(['x', 'y', 'width', 'height', 'angle']);
const WORDS = new Set(['body', 'from', 'to', 'via']);
const REST = new Set(['touch', 'locked', 'role', 'prompt', 'blank', 'also', 'alt', 'picture', 'credit']);
const NEVER = new Set(['id', 'kind', 'items', 'made', 'maker', 'hidden']);

/** What a setting belongs to; null for those that are no matter of the maker's. */
export function facetOf(key: string): Facet | 'place' | null {
  if (NEVER.has(key)) return null;
  return PLACE.has(key) ? 'place' : WORDS.has(key) ? 'words' : REST.has(key) ? 'rest' : 'look';
}

const known = new Map<string, (keyof Item)[]>();
export function keysOf(item: Item, facet: Facet): (keyof Item)[] {
  const name = `${item.kind} ${facet}`;
  let keys = known.get(name);
  if (!keys) {
    keys = (Object.keys(item) as (keyof Item)[]).filter((key) => facetOf(key) === facet).sort();
    known.set(name, keys);
  }
  return keys;
}

/** 32 bits of a text, in letters (FNV-1a). */
function hash(text: string): string {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return (h >>> 0).toString(36);
}

/** As JSON with the keys of objects in order: the database does not keep the order they were written in. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join()}]`;
  if (value === null || typeof value !== 'object') return typeof value === 'string' ? `"${value}"` : String(value);
  const object = value as Record<string, unknown>;
  let out = '{';
  for (const key of Object.keys(object).sort())
    if (object[key] !== undefined) out += `${key}:${canonical(object[key])},`;
  return `${out}}`;
}

/** Whom a line holds on to is told by the names of parts: `partOf` gives that of an item's identity. */
type PartOf = (id: string) => string;

/** The names of parts by the identities they have in their group. */
export function partNames(items: readonly Item[]): PartOf {
  const names = new Map(items.flatMap((item) => (item.made ? [[item.id, item.made.part]] : [])));
  return (id) => names.get(id) ?? id;
}

/** Settings that came later: prints that were kept before have nothing of them, nor do those of things without them. */
const LATER = new Set<string>(['edge']);

function facetText(item: Item, facet: Facet, partOf: PartOf): string {
  const end = ({ item: held, target, side, x, y }: Extract<Item, { kind: 'line' }>['from']) =>
    held === null ? `${x},${y}` : `${partOf(held)} ${target} ${side}`;
  if (item.kind === 'line' && facet === 'words') return `${end(item.from)}|${end(item.to)}`;
  let out = '';
  for (const key of keysOf(item, facet))
    if (!LATER.has(key) || item[key] != null) out += `${key}:${canonical(item[key])};`;
  return out;
}

export const printOf = (item: Item, partOf: PartOf): string =>
  FACETS.map((facet) => hash(facetText(item, facet, partOf))).join('.');

export const placeOf = (item: Item): number[] =>
  item.kind === 'line' ? [] : [item.x, item.y, item.width, item.height, item.angle];

export const markOf = (item: Item, part: string, partOf: PartOf): MadeMark => ({
  part,
  at: placeOf(item),
  print: printOf(item, partOf),
});

/**
 * The mark of a part that is made again in the place of `old`: where only its place is another one, its print is still that of
 * the old one, which saves printing it.
 */
export function markAfter(item: Item, part: string, old: Item | undefined, partOf: PartOf): MadeMark {
  const same = old?.made && unaltered.has(old) && old.kind === item.kind && sameButPlace(item, old, partOf);
  return same ? { part, at: placeOf(item), print: old.made!.print } : markOf(item, part, (id) => id);
}

/** Whether a part that was just made, whose lines hold on to parts by name, is like one of the sheet. */
function sameButPlace(item: Item, old: Item, partOf: PartOf): boolean {
  for (const facet of FACETS) {
    if (item.kind === 'line' && facet === 'words') {
      if (facetText(item, facet, (id) => id) !== facetText(old, facet, partOf)) return false;
    } else for (const key of keysOf(item, facet)) if (!equal(item[key], old[key])) return false;
  }
  return true;
}

/** Parts that are just as they were made: things never change, so that this stays true of them. */
const unaltered = new WeakSet<Item>();
export const rememberUnaltered = (item: Item): void => void unaltered.add(item);

/** What of a part is no longer as it was made. */
export function alteredFacets(item: Item, mark: MadeMark, partOf: PartOf): Set<Facet> {
  if (unaltered.has(item)) return new Set();
  const [was, is] = [mark.print.split('.'), printOf(item, partOf).split('.')];
  return new Set(FACETS.filter((_, i) => was[i] !== is[i]));
}
