import type { GroupItem } from '../schema/sheet';
import { remake } from './all';
import type { Kit } from './kit/maker';
import type { Flow } from './table/pages';
import { flowed } from './table/pages';

/** The parts of a table that goes on over pages, shared out again and made. */
export async function reflowed(flow: Flow, kit: Kit): Promise<GroupItem[]> {
  const groups: GroupItem[] = [];
  for (const group of flowed(flow, kit)) groups.push((await remake({ group, state: group.maker! }, kit)).group);
  return groups;
}
