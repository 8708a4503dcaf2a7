import type { Sheet } from '../schema/sheet';
import { everyItem, find, withItem } from '../sheet/tree';
import { letterOf } from '../values/letters';
import { remake } from './all';
import type { Kit } from './kit/maker';
import { lookOf, MOST_ALIKE, stateAt } from './states';
import { variedOn } from './varied';

/** Versions of what makers made: the same recipe with other seeds. */

/** A sheet with everything that varies made again, `offset` seeds on; `n`: which version that is, from 0. */
export async function versionAt(sheet: Sheet, offset: number, n: number, kit: Kits): Promise<Sheet> {
  let now = sheet;
  for (const group of variedOn(sheet)) {
    await kit.rest?.(0);
    const bears = group.maker.kind === 'practice' && group.maker.recipe.version;
    const state = stateAt(group.maker, offset, bears ? letterOf(n) : undefined);
    const taken = everyItem(now)
      .map(({ id }) => id)
      .filter((id) => id.startsWith(group.id));
    const made = await remake({ group, state, taken }, { ...kit, roles: sheet.roles });
    now = withItem(now, find(now, group.id)!, made.group);
  }
  return now;
}

/** What versions are made with: all that a maker is but the roles, which are the sheet's. */
type Kits = Omit<Kit, 'roles'>;

const lookOfSheet = (sheet: Sheet): string => variedOn(sheet).map(lookOf).join();

/**
 * Up to `count` versions of a sheet beside itself, no two alike, and how many seeds on each is. Fewer where what is practised leaves
 * nothing more to vary.
 */
export async function versionsOf(sheet: Sheet, count: number, kit: Kits): Promise<{ offset: number; sheet: Sheet }[]> {
  const looks = new Set([lookOfSheet(sheet)]);
  const versions: { offset: number; sheet: Sheet }[] = [];
  if (variedOn(sheet).length === 0) return versions;
  for (let offset = 1, alike = 0; versions.length < count && alike < MOST_ALIKE; offset++) {
    const version = await versionAt(sheet, offset, versions.length + 1, kit);
    const look = lookOfSheet(version);
    if (looks.has(look)) alike++;
    else {
      looks.add(look);
      alike = 0;
      versions.push({ offset, sheet: version });
    }
  }
  return versions;
}
