import { headRowsOf } from '../../../core/makers/table/edit';
import { needsOfRecipe } from '../../../core/makers/kit/needs';
import type { TableRecipe } from '../../../core/schema/recipes/table';
import { between } from '../../../core/changes/between';
import { LIMITS } from '../../../core/sheet/limits';
import type { GroupItem, Page, Sheet } from '../../../core/schema/sheet';
import { find } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';
import { makers } from '../../document/helpers';
import { newId } from '../../commands/steps';

/** Tables that continue on further pages. After any change to one part, the rows are distributed again. */

export type TablePart = { page: Page; group: GroupItem };

const recipeOf = ({ maker }: GroupItem) => maker!.recipe as TableRecipe;

/** The parts of the table a group belongs to, in order. Only groups directly on a page, and not rotated. */
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
  // A copy of a part is a table of its own.
  return chain.includes(own) ? chain : [own];
}

const roomOf = ({ page, group }: TablePart): number => page.height - page.margin - group.y;

/** Whether rows may have to move to another page, or back. */
function wanting(parts: readonly TablePart[]): boolean {
  const [first] = parts;
  if (parts.length > 1 || recipeOf(first.group).part !== null) return true;
  const { rows } = recipeOf(first.group);
  return first.group.height > roomOf(first) + 0.5 && rows.length > headRowsOf(recipeOf(first.group)) + 1;
}

/** The most pages a table continues on. */
const MOST_PAGES = 40;

export class LongTables {
  /** Tables being distributed now. */
  busy = 0;
  constructor(
    private editor: Editor,
    private onFinished: () => void,
  ) {}

  /** Distributes the rows of a table again where needed, in one step with the last change. */
  async share(id: string): Promise<void> {
    const { editor } = this;
    if (editor.rights.kind !== 'all') return;
    const parts = partsOf(editor.sheet, id);
    if (parts.length === 0 || !wanting(parts)) return;
    const { page } = parts[parts.length - 1];
    const free = Math.max(0, Math.min(MOST_PAGES, LIMITS.pages - editor.sheet.pages.length));
    const groups = parts.map(({ group }) => group);
    this.busy++;
    editor.changed();
    let again = false;
    try {
      const flow = {
        flow: {
          parts: parts.map((part) => ({ group: part.group, room: roomOf(part) })),
          edited: groups.findIndex((group) => group.id === id),
          more: { room: page.height - 2 * page.margin, ids: Array.from({ length: free }, newId) },
        },
        roles: editor.sheet.roles,
        ...needsOfRecipe(
          groups.map(({ maker }) => maker!.recipe),
          editor.sheet.roles,
        ),
      };
      const shared = await makers.ask((worker) => worker.flow(flow));
      const now = partsOf(editor.sheet, id).map(({ group }) => group);
      // Something was changed meanwhile: do it again on top of that.
      again = now.length !== groups.length || now.some((group, i) => group !== groups[i]);
      if (again) return;
      const change = between(editor.sheet, withParts(editor.sheet, parts, shared));
      if (change.kind === 'all' && change.changes.length === 0) return;
      const { editing, selection } = editor;
      editor.amend('Continue on other pages', change);
      // The cell being edited or selected may be on another page now.
      const held = find(editor.sheet, editing?.id ?? selection[0] ?? '')?.page;
      if (held && held.id !== editor.page.id) {
        editor.turnTo(held.id);
        if (editing) editor.edit(editing);
        else editor.select(selection);
      }
      const more = shared.length - parts.length;
      if (more > 0)
        editor.say(
          `The table is longer than its page: it continues on ${more === 1 ? 'the next page' : `the next ${more} pages`}, with its header row.`,
        );
    } catch (problem) {
      editor.say(
        `The table is longer than its page, and could not be shared out over more: ${(problem as Error).message.replace(/\.?$/, '.')} Change something in it to try again.`,
      );
    } finally {
      this.busy--;
      editor.changed();
      if (again) void this.share(id);
      else this.onFinished();
    }
  }
}

/** The sheet with the new parts of a table: added ones on pages of their own, and no page left empty by removed ones. */
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
