import type { Change } from '../sheet/change';
import { apply } from '../sheet/change';
import type { Item, Sheet } from '../sheet/schema';
import { find } from '../sheet/tree';

/** What a student may do with a copy. The server asks this of every change; the workbench asks first, to say so early. */

export const SUPPLIES = ['text', 'shape', 'line', 'picture', 'ink', 'map'] as const;
export type Supply = (typeof SUPPLIES)[number];

/** Settings that belong to the teacher even on a part that is free. */
const TEACHERS = new Set(['touch', 'locked', 'blank', 'also']);

const NOT_YOURS = 'Your teacher has fixed this part.';

function freeThrough(item: Item): boolean {
  return item.touch === 'free' && (item.kind !== 'group' || item.items.every(freeThrough));
}

/** What the settings of a part that is to be filled in may be set by a student. */
function fillsIn(item: Item, keys: string[]): boolean {
  const open: Record<Item['kind'], string[]> = {
    // A box that grows with its words has to be let grow.
    text: item.kind === 'text' && ['grow', 'width', 'lines'].includes(item.fit) ? ['height'] : [],
    line: ['from', 'to'],
    shape: ['fill'],
    picture: [],
    ink: [],
    group: [],
  };
  return keys.every((key) => open[item.kind].includes(key));
}

/** Whether a group is the student's own and made by a maker: its parts come and go with its recipe. */
function inOwnMaker(sheet: Sheet, group: string | null): boolean {
  const item = group === null ? undefined : find(sheet, group)?.item;
  return item?.kind === 'group' && item.maker !== null && item.touch === 'free';
}
const STAYS_FREE = 'What you add is yours, and stays free.';
const partRefusal = (item: Item): string | null =>
  item.touch !== 'free' ? STAYS_FREE : item.kind === 'text' && item.blank ? 'Only a teacher can make a blank.' : null;

function insertable(item: Item, supplies: readonly Supply[]): string | null {
  if (item.kind === 'group' && item.maker) {
    const open = (supplies as readonly string[]).includes(item.maker.kind);
    return !open ? 'Your teacher has not opened this supply.' : freeThrough(item) ? null : STAYS_FREE;
  }
  if (item.kind === 'group')
    return item.items.reduce<string | null>(
      (no, inner) => no ?? insertable(inner, supplies),
      item.touch === 'free' ? null : NOT_YOURS,
    );
  if (!supplies.includes(item.kind)) return 'Your teacher has not opened this supply.';
  if (item.touch !== 'free') return STAYS_FREE;
  if (item.kind === 'text' && (item.blank || item.also.length > 0)) return 'Only a teacher can make a blank.';
  return null;
}

/** Why a student may not make this change to this copy; null when they may. */
export function refusal(sheet: Sheet, change: Change, supplies: readonly Supply[]): string | null {
  switch (change.kind) {
    case 'all': {
      let now = sheet;
      for (const part of change.changes) {
        const no = refusal(now, part, supplies);
        if (no) return no;
        const result = apply(now, part);
        if (!result.ok) return result.reason;
        now = result.sheet;
      }
      return null;
    }
    case 'insert':
      return inOwnMaker(sheet, change.spot.group) ? partRefusal(change.item) : insertable(change.item, supplies);
    case 'remove':
    case 'reorder': {
      const place = find(sheet, change.id);
      return !place || freeThrough(place.item) ? null : NOT_YOURS;
    }
    case 'set': {
      const place = find(sheet, change.id);
      if (!place) return null;
      const keys = Object.keys(change.values);
      if (keys.some((key) => TEACHERS.has(key))) return NOT_YOURS;
      if (keys.includes('maker') && !(place.item.kind === 'group' && place.item.maker)) return NOT_YOURS;
      if (place.item.touch === 'free' || (place.item.touch === 'fill' && fillsIn(place.item, keys))) return null;
      return NOT_YOURS;
    }
    case 'splice':
    case 'style':
    case 'paragraph': {
      const place = find(sheet, change.id);
      return !place || place.item.touch !== 'fixed' ? null : NOT_YOURS;
    }
    case 'page-insert':
    case 'page-remove':
    case 'page-move':
    case 'page-set':
    case 'sheet-set':
    case 'role-set':
      return 'Only your teacher can change the page itself.';
  }
}
