import { keyOf } from '../handout/copy';
import type { Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';
import type { LookFor } from './all';
import { contradictionOf, rekeyed } from './all';

/** Look-fors of a handout on its other versions, each with that version's key. */

/** The things of a sheet that a look-for is bound to: a box that is counted in, an area. */
function boundTo(part: unknown, key = ''): string[] {
  if (typeof part === 'string') return key === 'item' || key === 'area' ? [part] : [];
  if (Array.isArray(part)) return part.flatMap((one) => boundTo(one, key));
  if (part === null || typeof part !== 'object') return [];
  return Object.entries(part).flatMap(([name, inner]) => boundTo(inner, name));
}

/** The look-for as it is counted on another version of the sheet, or why it can't be counted there. */
export function onVersion(lookFor: LookFor, version: Sheet, base: Sheet): LookFor | string {
  let asked = lookFor;
  if (lookFor.kind === 'labels') {
    const at = keyOf(base).findIndex(({ picture }) => picture === lookFor.picture);
    const keys = keyOf(version);
    const key = keys.find(({ picture }) => picture === lookFor.picture) ?? keys[at];
    if (!key) return 'It has no such diagram with blank labels.';
    asked = { ...lookFor, ...key };
  }
  const [now] = rekeyed([asked], version);
  if (!now) return 'It has nothing that this could be counted on.';
  if (boundTo(now).some((id) => !find(version, id)))
    return 'It has no such box. Let it count anywhere on the sheet, or choose another sheet.';
  return contradictionOf(now, version) ?? now;
}

/** Those that can be counted on another version. */
export const allOnVersion = (lookFors: readonly LookFor[], version: Sheet, base: Sheet): LookFor[] =>
  lookFors.flatMap((lookFor) => {
    const now = onVersion(lookFor, version, base);
    return typeof now === 'string' ? [] : [now];
  });
