import { afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { testKit } from '../../../tests/support/made';
import { reflowed } from '../../../core/makers/flow';
import type { Kit } from '../../../core/makers/kit/maker';
import { Remaker } from '../../../core/makers/remaker';
import type { MakerStateOf } from '../../../core/schema/recipes/recipes';
import { beginTable } from '../../../core/makers/table/begin';
import { withLook, withoutRow, withWords } from '../../../core/makers/table/edit';
import type { TableRecipe } from '../../../core/schema/recipes/table';
import { bodyText } from '../../../core/text/body';
import { page, sheet } from '../../../core/schema/defaults';
import type { GroupItem } from '../../../core/schema/sheet';
import { Editor } from '../../document/editor';
import { duplicatePage } from '../../commands/page-commands';
import { remove } from '../../commands/arrange';
import { setValues } from '../../commands/set-values';
import { Making } from '../../document/making';
import { typeWords } from '../../commands/word-commands';
import { makerOf, ON_SHEET } from '../all';
import { addMade } from '../kit/begin';
import { partsOf } from './long-tables';
import { pasteTable, READER, tableTab } from './table-commands';

/** Tables that are longer than their page, in the editor; the worker's part is done by the same core here. */

const worker = vi.hoisted(() => ({ ask: (_: unknown): Promise<unknown> => Promise.reject(new Error('not set')) }));
vi.mock('../../document/helpers', () => ({
  makers: {
    ask: (work: (remote: unknown, run: unknown) => unknown) =>
      work(
        { make: (task: unknown) => worker.ask(task), flow: (task: unknown) => worker.ask(task) },
        { run: 1, tell: () => {} },
      ),
  },
}));

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

let editor: Editor;
let making: Making;
beforeEach(() => {
  vi.useFakeTimers();
  const remaker = new Remaker();
  let answers = 0;
  worker.ask = async (task) => {
    const { asked, base, flow } = task as {
      asked: Parameters<Remaker['make']>[1];
      base?: number;
      flow?: Parameters<typeof reflowed>[0];
    };
    const id = ++answers;
    return flow ? reflowed(flow, kit) : { answer: id, ...(await remaker.make(id, asked, base, kit)) };
  };
  const start = sheet({
    title: 'S',
    pages: [page({ id: 'p', width: 420, height: 400, margin: 30 }), page({ id: 'z' })],
  });
  editor = new Editor({ documentId: 'd', personId: 'p', seq: 0, sheet: start, savedAt: 0, rights: { kind: 'all' } });
  editor.faces = kit.faces;
  editor.onSheet = ON_SHEET;
  making = new Making(editor);
  editor.making = making;
  editor.onChange = (...done) => making.follow(...done);
});
afterEach(() => {
  making.close();
  vi.useRealTimers();
});

async function settle() {
  await vi.advanceTimersByTimeAsync(700);
  await making.settled();
}
const rows = (count: number) => [['river', 'km'], ...Array.from({ length: count }, (_, i) => [`river ${i}`, `${i}`])];
const tables = () =>
  editor.sheet.pages.flatMap(({ items }) =>
    items.filter((item): item is GroupItem => item.kind === 'group' && item.maker?.kind === 'table'),
  );
const recipeOf = (group: GroupItem) => (group.maker as MakerStateOf<'table'>).recipe;
const said = () =>
  tables().flatMap((group) => {
    const { rows: own, part } = recipeOf(group);
    return own
      .filter((row) => !part?.repeated.includes(row))
      .map((row) => {
        const cell = group.items.find((item) => item.made?.part === `c-${row}-1`);
        return cell?.kind === 'text' ? bodyText(cell.body) : '';
      });
  });
const wanted = (count: number) => rows(count).map(([first]) => first);
const edit = (at: number, change: (recipe: TableRecipe) => TableRecipe) => {
  const group = tables()[at];
  making.edit(group.id, 'Edit', { ...group.maker!, recipe: change(recipeOf(group)) } as MakerStateOf<'table'>);
};
async function withLong(count = 40) {
  await addMade(editor, makerOf('table').begin, { x: 200, y: 60 }, beginTable([], rows(count)));
  await settle();
}

describe('a table longer than its page', () => {
  test('pasted, it goes on over new pages behind its own, in one step, and says so', async () => {
    const clip = {
      getData: (type: string) =>
        type === 'text/plain'
          ? rows(60)
              .map((row) => row.join('\t'))
              .join('\n')
          : '',
    };
    expect(pasteTable(editor, clip)).toBe(true);
    // What reads cells is fetched first.
    await READER.fetch();
    await settle();
    expect(tables().length).toBeGreaterThan(2);
    expect(editor.sheet.pages.map(({ id }) => id).at(-1)).toBe('z');
    expect(editor.sheet.pages).toHaveLength(tables().length + 1);
    expect(said()).toEqual(wanted(60));
    for (const group of tables()) {
      expect(group.y + group.height).toBeLessThan(371);
      expect(recipeOf(group).rows[0]).toBe('1');
    }
    expect(editor.notice?.text).toMatch(/longer than its page: it continues on the next \d pages, with its head/);
    editor.undo();
    expect(tables()).toEqual([]);
    expect(editor.sheet.pages.map(({ id }) => id)).toEqual(['p', 'z']);
    editor.redo();
    expect(said()).toEqual(wanted(60));
  });
  test('rows taken away draw the others up, and pages that become empty go', async () => {
    await withLong();
    const pages = editor.sheet.pages.length;
    edit(0, (recipe) => recipe.rows.slice(1, -1).reduce(withoutRow, recipe));
    await settle();
    expect(editor.sheet.pages.length).toBeLessThan(pages);
    const first = recipeOf(tables()[0]);
    expect(first.rows.length).toBeGreaterThan(8);
    expect(said()[0]).toBe('river');
    expect(new Set(said()).size).toBe(said().length);
  });
  test('what is set on one page is set on all, whichever it is', async () => {
    await withLong();
    edit(1, (recipe) => ({ ...withLook(recipe, 'all', null, { align: 'right' }), banding: 'rows' }));
    await settle();
    for (const group of tables()) {
      expect(recipeOf(group).banding).toBe('rows');
      expect(recipeOf(group).look.all.align).toBe('right');
    }
    expect(said()).toEqual(wanted(40));
  });
  test('words typed that make rows higher push the last ones on, and the cursor stays in its cell', async () => {
    await withLong();
    const [first] = tables();
    const last = recipeOf(first).rows.at(-1)!;
    const cell = first.items.find((item) => item.made?.part === `c-${last}-1`)!;
    editor.edit({ id: cell.id, anchor: 0, focus: 0, typing: null });
    typeWords(editor, editor.editing!, 0, 0, 'a\nhigher\nrow\n');
    await settle();
    expect(said().filter((words) => words.startsWith('a\nhigher'))).toHaveLength(1);
    expect(said()).toHaveLength(41);
    expect(editor.editing?.id).toBe(cell.id);
    expect(editor.page.items.some((item) => item.kind === 'group' && item.items.some(({ id }) => id === cell.id))).toBe(
      true,
    );
  });
  test('Tab goes on to the next page, past its head, and back', async () => {
    await withLong();
    const [first, second] = tables();
    const at = (group: GroupItem, row: string, column: number) =>
      group.items.find((item) => item.made?.part === `c-${row}-${column}`)!.id;
    editor.edit({ id: at(first, recipeOf(first).rows.at(-1)!, 2), anchor: 0, focus: 0, typing: null });
    expect(tableTab(editor, 1)).toBe(true);
    expect(editor.editing?.id).toBe(at(second, recipeOf(second).rows[1], 1));
    tableTab(editor, -1);
    expect(editor.page.id).toBe('p');
  });
  test('a copy of a page of it stands for itself', async () => {
    await withLong();
    const [, second] = tables();
    const middle = editor.sheet.pages.find(({ items }) => items.includes(second))!;
    duplicatePage(editor, middle);
    const copy = editor.page.items[0] as GroupItem;
    expect(partsOf(editor.sheet, copy.id).map(({ group }) => group.id)).toEqual([copy.id]);
    const count = tables().length;
    making.edit(copy.id, 'Edit', {
      ...copy.maker!,
      recipe: withWords(recipeOf(copy), { row: recipeOf(copy).rows[1], column: '1' }, 'my own'),
    } as MakerStateOf<'table'>);
    await settle();
    expect(tables()).toHaveLength(count);
    expect(said().filter((words) => words === 'my own')).toHaveLength(1);
  });
  test('a page of it thrown away takes its rows along, and the rest goes on', async () => {
    await withLong(60);
    const [, second] = tables();
    const gone = recipeOf(second).rows.length - 1;
    editor.turnTo(editor.sheet.pages.find(({ items }) => items.includes(second))!.id);
    editor.select([second.id]);
    remove(editor);
    edit(0, (recipe) => ({ ...recipe, banding: 'rows' }));
    await settle();
    expect(said()).toHaveLength(61 - gone);
  });
  test('what is done while rows are shared out stays, and they are shared out once more', async () => {
    await withLong();
    const ask = worker.ask;
    let meanwhile = true;
    worker.ask = async (task) => {
      const answer = await ask(task);
      if ('flow' in (task as object) && meanwhile) {
        meanwhile = false;
        editor.make('Opacity', { kind: 'set', id: tables()[1].id, values: { opacity: 0.5 } });
      }
      return answer;
    };
    edit(0, (recipe) => ({ ...recipe, banding: 'rows' }));
    await settle();
    expect(meanwhile).toBe(false);
    expect(tables()[1].opacity).toBe(0.5);
    for (const group of tables()) expect(recipeOf(group).banding).toBe('rows');
    expect(said()).toEqual(wanted(40));
  });
  test('moved up, it takes more rows; a table within a group, or of a student, is left alone', async () => {
    await withLong();
    const before = recipeOf(tables()[0]).rows.length;
    editor.turnTo('p');
    editor.select([tables()[0].id]);
    setValues(editor, 'Place', { y: 200 });
    await settle();
    expect(recipeOf(tables()[0]).rows.length).toBeLessThan(before);
    expect(said()).toEqual(wanted(40));
  });
});
