import type { GroupItem } from '../sheet/schema';
import { remake } from './all';
import type { Kit } from './maker';
import type { Flow } from './table/pages';
import { flowed } from './table/pages';

/** The parts of a table that goes on over pages, shared out anew and made; with what could not be done. */
export async function reflowed(flow: Flow, kit: Kit): Promise<{ groups: GroupItem[]; notes: string[][] }> {
  const groups: GroupItem[] = [];
  const notes: string[][] = [];
  for (const group of flowed(flow, kit)) {
    const made = await remake({ group, state: group.maker! }, kit);
    groups.push(made.group);
    notes.push(made.notes);
  }
  return { groups, notes };
}
