import type { GroupItem, Item } from '../schema/sheet';
import { Recent } from '../values/recent';
import type { Remake } from './all';
import { remake } from './all';
import type { Kit } from './kit/maker';
import type { PartList } from './parts';
import { packedParts } from './parts';

/**
 * What a worker answers: the group without its parts, and its parts compared with those it was asked with; or that it
 * no longer has those.
 */
export type MadeAnswer = { lost: true } | { lost: false; group: GroupItem; parts: PartList; notes: string[] };

/** Makes groups, and remembers their parts so that the next request need not send them. */
export class Remaker {
  private given = new Recent<number, readonly Item[]>(12);

  /**
   * @param id names this answer
   * @param base the answer whose parts the group has: then it is asked without them
   */
  async make(id: number, asked: Remake, base: number | undefined, kit: Kit): Promise<MadeAnswer> {
    const before = base === undefined ? asked.group.items : this.given.get(base);
    if (!before) return { lost: true };
    const { group, notes } = await remake({ ...asked, group: { ...asked.group, items: [...before] } }, kit);
    this.given.set(id, group.items);
    return { lost: false, group: { ...group, items: [] }, parts: packedParts(group.items, before), notes };
  }
}
