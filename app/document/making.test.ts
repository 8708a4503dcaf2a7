import { afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { testKit } from '../../tests/support/made';
import type { Remake } from '../../core/makers/all';
import { Remaker } from '../../core/makers/remaker';
import { beginChart } from '../../core/makers/chart/begin';
import { beginLabels } from '../../core/makers/labels/begin';
import type { Kit } from '../../core/makers/kit/maker';
import { beginMap } from '../../core/makers/map/begin';
import { rowsFromText, rowsOf, withRows } from '../../core/makers/map/outline';
import type { MapRecipe } from '../../core/schema/recipes/map';
import { beginPractice } from '../../core/makers/practice/begin';
import type { MakerStateOf } from '../../core/schema/recipes/recipes';
import { beginTable } from '../../core/makers/table/begin';
import { bodyText, bodyLength } from '../../core/text/body';
import { page, sheet } from '../../core/schema/defaults';
import type { GroupItem, Item, ShapeItem, TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { makerOf, ON_SHEET } from '../makers/all';
import { addMade } from '../makers/kit/begin';
import { madeGroupOf } from '../makers/kit/made';
import { addBeside, addNode, chosenNode, linkChosen, mapNode, pictureNode, rehang } from '../makers/map/map-commands';
import { pasteCells, pasteTable, READER, tableTab } from '../makers/table/table-commands';
import { makeVersions } from '../makers/kit/versions';
import { nudge, remove, ungroupChosen } from '../commands/arrange';
import type { Rights } from './open-document';
import { Editor } from './editor';
import { duplicate } from '../commands/clipboard';
import { setValues } from '../commands/set-values';
import type { Watch } from './helpers';
import { Making } from './making';
import { typeWords } from '../commands/word-commands';

/** Made items in the editor, with the worker's part done by the same core here. Answers come only when they are let through. */

let kit: Kit;
const remaker = new Remaker();
let answers = 0;
let waiting: (() => void)[] = [];
let asked: Remake[] = [];
/** What answers. */
let working: (task: unknown) => Promise<unknown>;
const worker = vi.hoisted(() => ({
  ask: (_: unknown, _watch?: unknown): Promise<unknown> => Promise.reject(new Error('not set')),
}));
vi.mock('./helpers', () => ({
  makers: {
    ask: (work: (remote: unknown, run: unknown) => unknown, watch: unknown) =>
      work({ make: (task: unknown) => worker.ask(task, watch) }, { run: 1, tell: () => {} }),
  },
}));

beforeAll(async () => {
  kit = await testKit();
  await READER.fetch();
});

let editor: Editor;
let making: Making;
function open(rights: Rights = { kind: 'all' }) {
  const start = sheet({ title: 'S', pages: [page({ id: 'p' })] });
  editor = new Editor({ documentId: 'd', personId: 'p', seq: 0, sheet: start, savedAt: 0, rights });
  editor.faces = kit.faces;
  editor.onSheet = ON_SHEET;
  making = new Making(editor);
  editor.making = making;
  editor.onChange = (...done) => making.follow(...done);
}
beforeEach(() => {
  vi.useFakeTimers();
  waiting = [];
  asked = [];
  worker.ask = working = (task) =>
    new Promise((resolve, reject) => {
      const { asked: what, base, roles } = task as { asked: Remake; base?: number; roles: Kit['roles'] };
      asked.push(what);
      const id = ++answers;
      waiting.push(
        () =>
          void remaker.make(id, what, base, { ...kit, roles }).then((made) => resolve({ answer: id, ...made }), reject),
      );
    });
  open();
});
afterEach(() => {
  making.close();
  vi.useRealTimers();
});

/** Lets all that was asked for come back, and what is asked for then. */
async function settle() {
  for (let turn = 0; turn < 12; turn++) {
    waiting.splice(0).forEach((go) => go());
    await vi.advanceTimersByTimeAsync(1);
    for (let i = 0; i < 30; i++) await Promise.resolve();
  }
}
const group = () => editor.page.items.find((item): item is GroupItem => item.kind === 'group' && item.maker !== null)!;
const recipe = () => (group().maker as MakerStateOf<'map'>).recipe;
const part = <T extends Item>(name: string) => group().items.find((item) => item.made?.part === name) as T;
const lines = () => rowsOf(recipe().nodes).map(({ text }) => text);
const written = (text: string): MapRecipe => withRows(beginMap([]), rowsFromText(text));
const edit = (next: MapRecipe, keep: 'soon' | 'now' = 'now') =>
  making.edit(group().id, 'Outline', { kind: 'map', recipe: next, seed: 1 }, keep);

async function withMap(text = 'marsh\n\tplants\n\tanimals\n\t\theron') {
  await addMade(editor, makerOf('map').begin, undefined, written(text));
  await settle();
}

describe('putting down', () => {
  test('is one step with its making, chosen, with its recipe in the margin', async () => {
    await withMap();
    expect(editor.history.past).toHaveLength(1);
    expect(group().items.length).toBeGreaterThan(6);
    expect(editor.selection).toEqual([group().id]);
    expect(editor.tab).toBe('make');
    editor.undo();
    expect(editor.page.items).toEqual([]);
    editor.redo();
    expect(part<ShapeItem>('n-1')).toBeDefined();
  });
  test('a student’s own is free, with all of its parts', async () => {
    open({ kind: 'student', supplies: ['map'] });
    await withMap();
    expect(group().touch).toBe('free');
    expect(group().items.every((item) => item.touch === 'free')).toBe(true);
    expect(editor.notice).toBeNull();
  });
  test('every kind begins with something that can be made', async () => {
    await addMade(editor, makerOf('labels').begin, undefined, beginLabels([]));
    await addMade(editor, makerOf('practice').begin, undefined, beginPractice('sums'));
    await settle();
    expect(editor.page.items.map((item) => item.kind === 'group' && item.items.length > 0)).toEqual([true, true]);
  });
});

describe('editing the recipe', () => {
  test('letters that are typed show at once, and are kept as one step after a rest', async () => {
    await withMap();
    const steps = editor.history.past.length;
    for (const word of ['m', 'mu', 'mud']) {
      edit(written(`marsh\n\tplants\n\tanimals\n\t\theron\n\t${word}`), 'soon');
      await settle();
    }
    expect(editor.preview.size).toBe(1);
    expect(editor.history.past).toHaveLength(steps);
    expect((making.state(group().id) as MakerStateOf<'map'>).recipe.nodes).toHaveLength(5);
    await vi.advanceTimersByTimeAsync(700);
    expect(editor.preview.size).toBe(0);
    expect(editor.history.past).toHaveLength(steps + 1);
    expect(lines()).toEqual(['marsh', 'plants', 'animals', 'heron', 'mud']);
    editor.undo();
    expect(lines()).toEqual(['marsh', 'plants', 'animals', 'heron']);
  });
  test('what is to be done after it is done once it is kept, not while it only shows', async () => {
    await withMap();
    const then = vi.fn();
    making.edit(group().id, 'Outline', { kind: 'map', recipe: written('marsh\n\ttide'), seed: 1 }, 'soon', then);
    await settle();
    expect(then).not.toHaveBeenCalled();
    await vi.advanceTimersByTimeAsync(700);
    expect(then).toHaveBeenCalledOnce();
  });
  test('whoever hands the sheet on at once hands on what was just typed; until then it is not said to be saved', async () => {
    await withMap();
    edit(written('marsh\n\tspring tide'), 'soon');
    expect(editor.saveShown.kind).toBe('saving');
    const settled = making.settled();
    await settle();
    await settled;
    expect(lines()).toEqual(['marsh', 'spring tide']);
    expect(making.open).toBe(false);
  });
  test('letters that are typed show at once where they stand, before anything is made, and are no step yet', async () => {
    await withMap();
    const steps = editor.history.past.length;
    const shown = () =>
      (editor.shownPage.items[0] as GroupItem).items.map((item) => ('body' in item ? bodyText(item.body) : ''));
    edit(written('marsh\n\tplanty\n\tanimals\n\t\theron'), 'soon');
    expect(shown()).toContain('planty');
    expect([lines(), editor.history.past.length]).toEqual([['marsh', 'plants', 'animals', 'heron'], steps]);
    await settle();
    await vi.advanceTimersByTimeAsync(700);
    expect(lines()).toContain('planty');
    // What can't be made shows no longer.
    worker.ask = () => Promise.reject(new Error('out of memory'));
    edit(written('marsh\n\tplantyx\n\tanimals\n\t\theron'), 'soon');
    expect(shown()).toContain('plantyx');
    await settle();
    expect(shown()).not.toContain('plantyx');
  });
  test('only the newest of what was asked for meanwhile is made', async () => {
    await withMap();
    asked = [];
    for (const word of ['a', 'ab', 'abc', 'abcd']) edit(written(`marsh\n\t${word}`));
    expect(asked).toHaveLength(1);
    await settle();
    expect(asked).toHaveLength(2);
    expect(lines()).toEqual(['marsh', 'abcd']);
  });
  test('what waits is not lost to a tidying that is asked for meanwhile', async () => {
    await withMap();
    edit(written('marsh\n\tone'));
    edit(written('marsh\n\ttwo'));
    making.tidy(group().id, 'places');
    await settle();
    expect(lines()).toEqual(['marsh', 'two']);
  });
  test('what shows is kept when the editor is left', async () => {
    await withMap();
    edit(written('marsh\n\ttide'), 'soon');
    await settle();
    making.close();
    expect(lines()).toEqual(['marsh', 'tide']);
  });
  test('a worker that fails is said; what was entered is kept, and what was made stays as it is', async () => {
    await withMap();
    const { items } = group();
    worker.ask = () => Promise.reject(new Error('out of memory'));
    edit(written('gone'));
    await settle();
    expect(editor.notice?.text).toMatch(/could not be made: out of memory. What you entered is kept/);
    expect(lines()).toEqual(['gone']);
    expect(group().items).toEqual(items);
    expect(making.notes.get(group().id)).toMatchObject([expect.stringMatching(/shows as it was before/)]);
    expect(making.busy.size).toBe(0);
    expect(making.open).toBe(false);
    // With the network back it is made.
    worker.ask = working;
    making.tryAgain();
    await settle();
    expect(JSON.stringify(group().items)).toContain('gone');
  });
  test('an answer that comes after the group was changed is made anew on top of it', async () => {
    await withMap();
    edit(written('marsh\n\tplants\n\tanimals\n\t\theron\n\twater'));
    editor.select([group().id]);
    setValues(editor, 'Opacity', { opacity: 0.5 });
    await settle();
    expect(group().opacity).toBe(0.5);
    expect(lines()).toContain('water');
  });
});

test('where the chosen node goes with its line, the map is chosen and its recipe stays at hand', async () => {
  await withMap();
  editor.enter(group().id);
  editor.select([part('n-2').id]);
  edit(written('marsh\n\tmud'));
  await settle();
  edit({ ...recipe(), nodes: recipe().nodes.slice(0, 1) });
  await settle();
  expect(editor.selection).toEqual([group().id]);
  expect(editor.entered).toBeNull();
});

describe('by hand', () => {
  const node = (text: string) => part<ShapeItem>(`n-${recipe().nodes.find((one) => one.text === text)!.id}`);
  const choose = (text: string) => {
    editor.enter(group().id);
    editor.select([node(text).id]);
  };
  test('moving a node is one step with the links that follow; tidy brings it back', async () => {
    await withMap();
    choose('heron');
    const before = node('heron').x;
    const steps = editor.history.past.length;
    nudge(editor, { x: 40, y: -30 });
    await settle();
    expect(editor.history.past).toHaveLength(steps + 1);
    expect(node('heron').x).toBeCloseTo(before + 40);
    making.tidy(group().id, 'places');
    await settle();
    expect(node('heron').x).toBeCloseTo(before);
    editor.undo();
    editor.undo();
    expect(node('heron').x).toBeCloseTo(before);
  });
  test('words typed into a node are taken into the outline when they rest', async () => {
    await withMap();
    const { id, body } = node('heron');
    editor.edit({ id, anchor: 0, focus: 0, typing: null });
    typeWords(editor, editor.editing!, bodyLength(body), 0, 's');
    await settle();
    expect(lines()).toContain('heron');
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain('herons');
    expect(bodyText(node('herons').body)).toBe('herons');
  });
  test('words taken back half way are laid out as they stand, and can be done again', async () => {
    await withMap();
    const { id, body } = node('heron');
    editor.edit({ id, anchor: 0, focus: 0, typing: null });
    const write = (words: string) => {
      const item = find(editor.sheet, id)!.item as ShapeItem;
      typeWords(editor, editor.editing!, bodyLength(item.body), 0, words);
    };
    write(' by the');
    // A pause, so that what follows is a step of its own; yet not so long that the map has followed.
    await vi.advanceTimersByTimeAsync(400);
    editor.make('Dimmed', { kind: 'set', id, values: { opacity: 0.9 } });
    write(' water');
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    const wide = node('heron by the water').width;
    expect(wide).toBeGreaterThan(40);
    editor.undo();
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain('heron by the');
    const narrower = node('heron by the').width;
    expect(narrower).toBeLessThan(wide);
    editor.redo();
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain('heron by the water');
    expect(node('heron by the water').width).toBeCloseTo(wide);
    while (editor.history.past.length > 1) editor.undo();
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain(bodyText(body));
  });
  test('taken back before the map has followed, it is still there to be done again', async () => {
    await withMap();
    const { id, body } = node('heron');
    editor.edit({ id, anchor: 0, focus: 0, typing: null });
    typeWords(editor, editor.editing!, bodyLength(body), 0, 's');
    editor.undo();
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain('heron');
    expect(editor.history.future).toHaveLength(1);
    editor.redo();
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toContain('herons');
  });
  test('a node taken away goes from the outline; the map is chosen after it', async () => {
    await withMap();
    choose('animals');
    remove(editor);
    await settle();
    expect(lines()).toEqual(['marsh', 'plants', 'heron']);
    expect(editor.selection).toEqual([group().id]);
  });
  test('a look of its own asks for nothing to be made', async () => {
    await withMap();
    choose('plants');
    asked = [];
    setValues(editor, 'Fill', { fill: null });
    await settle();
    expect(asked).toEqual([]);
  });
  test('a practice sheet follows its frame, not its parts', async () => {
    await addMade(editor, makerOf('practice').begin, undefined, beginPractice('sums'));
    await settle();
    asked = [];
    editor.enter(group().id);
    editor.select([group().items[0].id]);
    nudge(editor, { x: 5, y: 5 });
    await settle();
    expect(asked).toEqual([]);
    editor.enter(null);
    editor.select([group().id]);
    setValues(editor, 'Size', { height: group().height - 60 });
    await settle();
    expect(asked).toHaveLength(1);
  });
  test('undo makes nothing anew: it is what was', async () => {
    await withMap();
    choose('heron');
    nudge(editor, { x: 10, y: 0 });
    await settle();
    asked = [];
    editor.undo();
    await settle();
    expect(asked).toEqual([]);
  });
  test('a duplicate is a map of its own', async () => {
    await withMap();
    editor.enter(null);
    editor.select([group().id]);
    duplicate(editor);
    const [copy, first] = editor.page.items as GroupItem[];
    making.edit(copy.id, 'Outline', { kind: 'map', recipe: written('another'), seed: 1 });
    await settle();
    const again = find(editor.sheet, copy.id)!.item as GroupItem;
    expect(again.items).toHaveLength(1);
    expect((find(editor.sheet, first.id)!.item as GroupItem).items.length).toBeGreaterThan(6);
  });
  test('taken out of its group, a part is made by nobody', async () => {
    await withMap();
    editor.enter(null);
    editor.select([group().id]);
    ungroupChosen(editor);
    expect(editor.page.items.every((item) => item.made === null)).toBe(true);
  });
});

describe('commands on a map', () => {
  const nodeId = (text: string) => recipe().nodes.find((one) => one.text === text)!.id;
  const choose = (text: string) => {
    editor.enter(group().id);
    editor.select([part(`n-${nodeId(text)}`).id]);
  };
  test('add a child or a sibling, which is then written in', async () => {
    await withMap();
    choose('plants');
    addBeside(editor, 'child');
    await settle();
    expect(lines()).toEqual(['marsh', 'plants', '', 'animals', 'heron']);
    expect(editor.editing?.id).toBe(editor.selection[0]);
    editor.edit(null);
    choose('animals');
    addBeside(editor, 'sibling');
    await settle();
    expect(lines()).toEqual(['marsh', 'plants', '', 'animals', 'heron', '']);
  });
  test('what is typed before a node is there goes into it, and writing goes on behind it', async () => {
    await withMap();
    choose('plants');
    addBeside(editor, 'child');
    editor.put({ begun: { ...editor.begun!, words: 'glasswort' } });
    await settle();
    expect(editor.begun).toBeNull();
    const { id } = editor.editing!;
    expect(editor.selection).toEqual([id]);
    expect(editor.editing).toMatchObject({ anchor: 9, focus: 9 });
    expect(bodyText((find(editor.sheet, id)!.item as ShapeItem).body)).toBe('glasswort');
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(lines()).toEqual(['marsh', 'plants', 'glasswort', 'animals', 'heron']);
  });
  test('one is begun after another faster than they are made, each under the one before', async () => {
    await withMap();
    choose('plants');
    for (const words of ['sea lavender', 'leaves']) {
      addBeside(editor, 'child');
      editor.put({ begun: { ...editor.begun!, words } });
    }
    addBeside(editor, 'sibling');
    await settle();
    expect(bodyText((editor.chosen as ShapeItem).body)).toBe('');
    expect(editor.editing?.id).toBe(editor.chosen?.id);
    expect(rowsOf(recipe().nodes).map(({ text, depth }) => `${depth} ${text}`)).toEqual([
      '0 marsh',
      '1 plants',
      '2 sea lavender',
      '3 leaves',
      '3 ',
      '1 animals',
      '2 heron',
    ]);
  });
  test('whoever turned to another thing meanwhile stays there; the words go into the node all the same', async () => {
    await withMap();
    choose('plants');
    addBeside(editor, 'child');
    editor.put({ begun: { ...editor.begun!, words: 'glasswort', left: true } });
    choose('heron');
    await settle();
    expect(bodyText((editor.chosen as ShapeItem).body)).toBe('heron');
    expect(editor.editing).toBeNull();
    await settle();
    expect(lines()).toContain('glasswort');
  });
  test('what was typed for a node of one map goes into no node of another', async () => {
    await withMap();
    choose('plants');
    addBeside(editor, 'child');
    editor.put({ begun: { ...editor.begun!, group: 'another', words: 'glasswort' } });
    addNode(editor, 'child', group().id, editor.begun!.node);
    await settle();
    expect(lines()).not.toContain('glasswort');
  });
  test('what was typed for a node that can’t be made is let go', async () => {
    await withMap();
    choose('plants');
    worker.ask = () => Promise.reject(new Error('out of memory'));
    addBeside(editor, 'child');
    await settle();
    expect(editor.begun).toBeNull();
    expect(editor.notice?.text).toMatch(/out of memory/);
  });
  test('hang a branch elsewhere, but not under itself', async () => {
    await withMap();
    expect(rehang(editor, group().id, nodeId('animals'), nodeId('plants'))).toBe(true);
    await settle();
    expect(rowsOf(recipe().nodes).map(({ depth }) => depth)).toEqual([0, 1, 2, 3]);
    expect(rehang(editor, group().id, nodeId('animals'), nodeId('heron'))).toBe(false);
    expect(editor.notice?.text).toMatch(/can’t hang under itself/);
  });
  test('a node that was hung elsewhere is selected, unless something else was selected meanwhile', async () => {
    await withMap();
    choose('heron');
    rehang(editor, group().id, nodeId('heron'), nodeId('plants'));
    await settle();
    expect(editor.selection).toEqual([part(`n-${nodeId('heron')}`).id]);
    rehang(editor, group().id, nodeId('heron'), nodeId('animals'));
    choose('plants');
    await settle();
    expect(editor.selection).toEqual([part(`n-${nodeId('plants')}`).id]);
  });
  test('link two nodes across, and give one a picture', async () => {
    await withMap();
    linkChosen(editor, group().id, nodeId('heron'), nodeId('plants'));
    await settle();
    expect(recipe().links).toHaveLength(1);
    pictureNode(editor, group().id, nodeId('heron'), 'flat/owl');
    await settle();
    expect(part(`p-${nodeId('heron')}`).kind).toBe('picture');
    expect(part(`x-${recipe().links[0].id}`).kind).toBe('line');
  });
  test('know a node from anything else', async () => {
    await withMap();
    choose('heron');
    expect(chosenNode(editor)?.node).toBe(nodeId('heron'));
    expect(madeGroupOf(editor.page, editor.selectedItems)?.id).toBe(group().id);
    expect(mapNode(editor, group().items.find((item) => item.kind === 'line')!.id)).toBeNull();
    editor.select([]);
    expect(chosenNode(editor)).toBeNull();
    expect(madeGroupOf(editor.page, [])).toBeNull();
  });
});

describe('versions', () => {
  test('are pages of their own behind the first, each by another seed, in one step', async () => {
    await addMade(editor, makerOf('practice').begin, undefined, beginPractice('sums'));
    await settle();
    const steps = editor.history.past.length;
    const done = makeVersions(editor, group().id, 4);
    await settle();
    await done;
    expect(editor.sheet.pages).toHaveLength(4);
    expect(editor.history.past).toHaveLength(steps + 1);
    const seeds = editor.sheet.pages.map(({ items }) => items[0].kind === 'group' && items[0].maker?.seed);
    expect(seeds).toEqual([1, 2, 3, 4]);
    const looks = editor.sheet.pages.map(({ items }) =>
      JSON.stringify((items[0] as GroupItem).items.map((item) => (item.kind === 'text' ? bodyText(item.body) : ''))),
    );
    expect(new Set(looks).size).toBe(4);
    const letter = ({ items }: GroupItem) =>
      bodyText((items.find((item) => item.made?.part === 'edition1') as TextItem).body);
    const letters = () => editor.sheet.pages.map((one) => letter(one.items[0] as GroupItem));
    expect(letters()).toEqual(['A', 'B', 'C', 'D']);
    // It stands on what students get and on the key alike.
    const kept = editor.sheet.pages.map((one) =>
      (one.items[0] as GroupItem).items.find((item) => item.made?.part === 'edition1'),
    );
    expect(kept.every((item) => item?.role !== 'key' && item?.touch === 'fixed')).toBe(true);
    editor.undo();
    expect(editor.sheet.pages).toHaveLength(1);
    expect(JSON.stringify(editor.sheet)).not.toContain('edition1');
  });
  test('are no more than there are, and it is said how many', async () => {
    await addMade(editor, makerOf('practice').begin, undefined, beginPractice('crossword'));
    await settle();
    const done = makeVersions(editor, group().id, 30);
    let over = false;
    void done.then(() => (over = true));
    while (!over) await settle();
    const { length } = editor.sheet.pages;
    expect(length).toBeLessThan(30);
    expect(editor.notice?.text).toMatch(new RegExp(`^${length} versions: .*No more that differ were found`));
    const shapes = editor.sheet.pages.map(({ items }) =>
      (items[0] as GroupItem).items.map(({ made, kind }) => kind + made!.part).join(),
    );
    expect(new Set(editor.sheet.pages.map(({ items }) => (items[0] as GroupItem).maker?.seed)).size).toBe(length);
    expect(shapes).toHaveLength(length);
  });
  test('are refused where the sheet would hold too many pages', async () => {
    await addMade(editor, makerOf('practice').begin, undefined, beginPractice('sums'));
    await settle();
    await makeVersions(editor, group().id, 300);
    expect(editor.notice?.text).toMatch(/at most 200 pages/);
    expect(editor.sheet.pages).toHaveLength(1);
  });
});

describe('what takes long', () => {
  test('shows how far it is, and is stopped with all as it was, but for what was entered', async () => {
    await withMap();
    const { items } = group();
    let watch: Watch = {};
    worker.ask = (_, given) => {
      watch = given as Watch;
      return new Promise((_resolve, reject) =>
        watch.signal!.addEventListener('abort', () => reject(new Error('stopped'))),
      );
    };
    edit(written('otherwise\n\tnothing'));
    watch.progress!(0.4);
    expect(making.progress.get(group().id)).toBe(0.4);
    making.stop(group().id);
    await settle();
    expect(making.progress.size).toBe(0);
    expect(making.open).toBe(false);
    expect(group().items).toEqual(items);
    expect(lines()[0]).toBe('otherwise');
    expect(editor.notice?.text).toMatch(/^Stopped. What you entered is kept/);
  });
});

describe('charts that share a table', () => {
  test('follow it in one step with the one whose table was edited', async () => {
    const chart = beginChart([], 'bar', 'shared');
    await addMade(editor, makerOf('chart').begin, undefined, chart);
    await settle();
    await addMade(editor, makerOf('chart').begin, undefined, { ...chart, kind: 'line' });
    await settle();
    const groups = () => editor.page.items as GroupItem[];
    const steps = editor.history.past.length;
    const rows = chart.table.rows.map((row, i) => (i === 0 ? ['otter', '5'] : row));
    const after = (one: GroupItem) => ({
      ...(one.maker as MakerStateOf<'chart'>),
      recipe: { ...(one.maker as MakerStateOf<'chart'>).recipe, table: { ...chart.table, rows } },
    });
    const [front, back] = groups();
    making.edit(front.id, 'Cell', after(front), 'now', () => making.edit(back.id, 'Cell', after(back), 'with last'));
    await settle();
    const said = groups().map(({ items }) =>
      items.some((item) => item.kind === 'text' && bodyText(item.body) === 'otter'),
    );
    expect(said).toEqual([true, true]);
    expect(editor.history.past).toHaveLength(steps + 1);
    editor.undo();
    expect(
      groups().some(({ items }) => items.some((item) => item.kind === 'text' && bodyText(item.body) === 'otter')),
    ).toBe(false);
  });
});

/** The clipboard with words on it. */
const clip = (words: string) => ({ getData: (type: string) => (type === 'text/plain' ? words : '') });

describe('a table on the sheet', () => {
  const cell = (row: number, column: number) => part<TextItem>(`c-${row}-${column}`);
  const table = () => (group().maker as MakerStateOf<'table'>).recipe;
  const editAt = (id: string) => editor.edit({ id, anchor: 0, focus: 0, typing: null });
  beforeEach(async () => {
    await addMade(
      editor,
      makerOf('table').begin,
      undefined,
      beginTable(
        [],
        [
          ['bird', 'seen'],
          ['heron', '2'],
        ],
      ),
    );
    await settle();
  });

  test('Tab goes from cell to cell, back with Shift, and behind the last into a new row', async () => {
    editAt(cell(1, 1).id);
    expect(tableTab(editor, 1)).toBe(true);
    expect(editor.editing!.id).toBe(cell(1, 2).id);
    tableTab(editor, -1);
    expect(editor.editing!.id).toBe(cell(1, 1).id);
    editAt(cell(2, 2).id);
    tableTab(editor, 1);
    await settle();
    expect(table().rows).toHaveLength(3);
    expect(editor.editing!.id).toBe(part<TextItem>(`c-${table().rows[2]}-1`).id);
    editor.edit(null);
    expect(tableTab(editor, 1)).toBe(false);
  });

  test('takes cells from a spreadsheet from the one that is written in', async () => {
    editAt(cell(2, 1).id);
    expect(pasteCells(editor, clip('just words'))).toBe(false);
    expect(pasteCells(editor, clip('curlew\t9\navocet\t11\n'))).toBe(true);
    await settle();
    expect(group().items.map((item) => (item.kind === 'text' ? bodyText(item.body) : ''))).toEqual(
      expect.arrayContaining(['bird', 'seen', 'curlew', '9', 'avocet', '11']),
    );
    expect(table().rows).toHaveLength(3);
    editor.undo();
    expect(bodyText(cell(2, 1).body)).toBe('heron');
  });

  test('cells pasted onto the sheet are a table of their own', async () => {
    expect(pasteTable(editor, clip('one line\twith a tab'))).toBe(false);
    expect(pasteTable(editor, clip('bird\tseen\nheron\t2\n'))).toBe(true);
    await settle();
    const pasted = editor.page.items[0] as GroupItem;
    expect(pasted.maker?.kind).toBe('table');
    expect(pasted.items.map((item) => (item.kind === 'text' ? bodyText(item.body) : ''))).toEqual([
      'bird',
      'seen',
      'heron',
      '2',
    ]);
    open({ kind: 'student', supplies: ['map'] });
    expect(pasteTable(editor, clip('bird\tseen\nheron\t2\n'))).toBe(false);
  });

  test('cells that can’t be read yet are spoken of, and taken when they are pasted once more', async () => {
    const there = READER.now;
    READER.now = { kind: 'on its way' };
    expect(pasteTable(editor, clip('one line\twith a tab'))).toBe(false);
    expect(pasteTable(editor, clip('bird\tseen\nheron\t2\n'))).toBe(true);
    await settle();
    expect(editor.notice?.text).toContain('Paste it once more');
    READER.now = there;
    expect(pasteTable(editor, clip('bird\tseen\nheron\t2\n'))).toBe(true);
    await settle();
    expect((editor.page.items[0] as GroupItem).maker?.kind).toBe('table');
  });

  test('rows grow with what is typed, in one step with it', async () => {
    const before = cell(2, 1).height;
    editAt(cell(2, 1).id);
    typeWords(editor, editor.editing!, 0, 0, 'a bird\nthat stands\nand waits\nfor hours ');
    await vi.advanceTimersByTimeAsync(700);
    await settle();
    expect(cell(2, 1).height).toBeGreaterThan(before * 1.2);
    expect(table().cells['2 1'].words).toContain('that stands');
  });
});
