import { headRowsOf } from '../../../core/makers/table/edit';
import { needsOfRecipe } from '../../../core/makers/kit/needs';
import type { TableRecipe } from '../../../core/schema/recipes/table';
import { between } from '../../../core/changes/between';
import { LIMITS } from '../../../core/sheet/limits';
import type { GroupItem, Page, Sheet } from '../../../core/schema/sheet';
import { find } from '../../../core/sheet/tree';
import type { Bench } from '../../document/bench';
import { makers } from '../../document/helpers';
import { newId } from '../../commands/steps';

/** Tables that go on over pages: whatever is done to one of their parts, the rows are shared out anew. */

export type TablePart = { page: Page; group: GroupItem };

const recipeOf = ({ maker }: GroupItem) => maker!.recipe as TableRecipe;

/** The parts of the table that a group is one of, in order; only what lies on a page itself, and straight. */
export function partsOf(sheet: Sheet, id: string): TablePart[] {
  const all = sheet.pages.flatMap((page) =>
    page.items.flatMap((item): TablePart[] =>
      item.kind === 'group' && item.maker?.kind === 'table' && item.angle === 0 ? [{ page, group: item }] : [],
    ),
  );
  const byId = new Map(all.map((one) => [one.group.id, one]));
  const own = byId.get(id);
  if (!own) return [];
  const seen = new Set<string>();
  let first = own;
  for (let at: TablePart | undefined = own; at && !seen.has(at.group.id);) {
    seen.add(at.group.id);
    first = at;
    at = byId.get(recipeOf(at.group).part?.after ?? '');
  }
  const chain: TablePart[] = [];
  for (let at: TablePart | undefined = first; at && !chain.includes(at);) {
    chain.push(at);
    const before: string = at.group.id;
    at = all.find(({ group }) => recipeOf(group).part?.after === before);
  }
  // A copy of a part stands for itself.
  return chain.includes(own) ? chain : [own];
}

const roomOf = ({ page, group }: TablePart): number => page.height - page.margin - group.y;

/** Whether rows may have to go to another page, or can come back. */
function wanting(parts: readonly TablePart[]): boolean {
  const [first] = parts;
  if (parts.length > 1 || recipeOf(first.group).part !== null) return true;
  const { rows } = recipeOf(first.group);
  return first.group.height > roomOf(first) + 0.5 && rows.length > headRowsOf(recipeOf(first.group)) + 1;
}

/** A table goes on over so many pages at most. */
const MOST_PAGES = 40;

export class LongTables {
  /** Being shared out right now. */
  busy = 0;
  constructor(
    private bench: Bench,
    private onFinished: () => void,
  ) {}

  /** Shares the rows of a table out anew, where it has to be, as one step with what was done last. */
  async share(id: string): Promise<void> {
    const { bench } = this;
    if (bench.rights.kind !== 'all') return;
    const parts = partsOf(bench.sheet, id);
    if (parts.length === 0 || !wanting(parts)) return;
    const { page } = parts[parts.length - 1];
    const free = Math.max(0, Math.min(MOST_PAGES, LIMITS.pages - bench.sheet.pages.length));
    const groups = parts.map(({ group }) => group);
    this.busy++;
    bench.changed();
    let again = false;
    try {
      const flow = {
        flow: {
          parts: parts.map((part) => ({ group: part.group, room: roomOf(part) })),
          edited: groups.findIndex((group) => group.id === id),
          more: { room: page.height - 2 * page.margin, ids: Array.from({ length: free }, newId) },
        },
        roles: bench.sheet.roles,
        ...needsOfRecipe(
          groups.map(({ maker }) => maker!.recipe),
          bench.sheet.roles,
        ),
      };
      const shared = await makers.ask((worker) => worker.flow(flow));
      const now = partsOf(bench.sheet, id).map(({ group }) => group);
      // Something was done meanwhile: once more, on top of it.
      again = now.length !== groups.length || now.some((group, i) => group !== groups[i]);
      if (again) return;
      const change = between(bench.sheet, withParts(bench.sheet, parts, shared));
      if (change.kind === 'all' && change.changes.length === 0) return;
      const { editing, selection } = bench;
      bench.amend('Continue on other pages', change);
      // What was written in, or chosen, may stand on another page now.
      const held = find(bench.sheet, editing?.id ?? selection[0] ?? '')?.page;
      if (held && held.id !== bench.page.id) {
        bench.turnTo(held.id);
        if (editing) bench.edit(editing);
        else bench.select(selection);
      }
      const more = shared.length - parts.length;
      if (more > 0)
        bench.say(
          `The table is longer than its page: it continues on ${more === 1 ? 'the next page' : `the next ${more} pages`}, with its header row.`,
        );
    } catch (problem) {
      bench.say(
        `The table is longer than its page, and could not be shared out over more: ${(problem as Error).message.replace(/\.?$/, '.')} Change something in it to try again.`,
      );
    } finally {
      this.busy--;
      bench.changed();
      if (again) void this.share(id);
      else this.onFinished();
    }
  }
}

/** The sheet with the parts of a table as they have to be: new ones on pages of their own, and no page left empty by them. */
function withParts(sheet: Sheet, parts: readonly TablePart[], groups: readonly GroupItem[]): Sheet {
  const byId = new Map(groups.map((group) => [group.id, group]));
  const own = new Set(parts.map(({ group }) => group.id));
  const last = parts[parts.length - 1];
  const pages = sheet.pages.flatMap((page): Page[] => {
    const items = page.items.flatMap((item) => (own.has(item.id) ? (byId.get(item.id) ?? []) : [item]));
    const emptied = items.length === 0 && page.items.length > 0 && page.id !== parts[0].page.id;
    const kept = emptied ? [] : [{ ...page, items }];
    if (page.id !== last.page.id) return kept;
    const more = groups
      .slice(parts.length)
      .map((group): Page => ({ ...page, id: newId(), guides: [], items: [{ ...group, y: page.margin }] }));
    return [...kept, ...more];
  });
  return { ...sheet, pages };
}
