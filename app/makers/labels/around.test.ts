import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { allFaces } from '../../../tests/support/fonts';
import { beginChart } from '../../../core/makers/chart/begin';
import type { LabelsRecipe } from '../../../core/schema/recipes/labels';
import type { MakerState } from '../../../core/schema/recipes/recipes';
import { group, page, picture, shape, sheet } from '../../../core/schema/defaults';
import type { GroupItem, Item } from '../../../core/schema/sheet';
import type { Faces } from '../../../core/text/faces';
import { Editor } from '../../document/editor';
import { labelAround } from './around';

vi.mock('./beginning', () => ({ spotsIn: async (id: string) => [{ id: '1', words: `part of ${id}` }] }));

let faces: Faces;
let editor: Editor;
beforeAll(async () => {
  faces = await allFaces();
});
const open = (items: Item[], choose = items.map(({ id }) => id)) => {
  const start = sheet({ title: 'S', pages: [page({ id: 'p', width: 792, height: 612, items })] });
  editor = new Editor({ documentId: 'd', personId: 'p', seq: 0, sheet: start, savedAt: 0, rights: { kind: 'all' } });
  editor.faces = faces;
  editor.select(choose);
};
const made = () => editor.page.items.find((item): item is GroupItem => item.kind === 'group' && item.maker !== null)!;
const recipe = () => made().maker!.recipe as LabelsRecipe;
const body = shape({ id: 'body', x: 300, y: 200, width: 200, height: 100 });

beforeEach(() => open([]));

describe('labels around what is chosen', () => {
  test('take a drawing in, where it stood, as one step', async () => {
    open([shape({ id: 'front' }), body, shape({ id: 'back' })], ['body']);
    await labelAround(editor);
    expect(recipe().drawing).toEqual({ ratio: 2 });
    expect(editor.page.items.map(({ id }) => id)).toEqual(['front', made().id, 'back']);
    const [inside] = made().items;
    expect([inside.id, inside.made!.part]).toEqual(['body', 'drawing']);
    expect([made().x + (inside as typeof body).x, made().y + (inside as typeof body).y]).toEqual([300, 200]);
    expect(made().width).toBeGreaterThan(400);
    expect(editor.selection).toEqual([made().id]);
    editor.undo();
    expect(editor.page.items.map(({ id }) => id)).toEqual(['front', 'body', 'back']);
  });
  test('group several things first', async () => {
    open([body, shape({ id: 'leg', x: 320, y: 300, width: 20, height: 60 })]);
    await labelAround(editor);
    expect((made().items[0] as GroupItem).items.map(({ id }) => id)).toEqual(['body', 'leg']);
    expect(recipe().drawing!.ratio).toBeCloseTo(200 / 160, 3);
  });
  test('stand around what is turned as it is seen', async () => {
    open([{ ...body, angle: 90 }]);
    await labelAround(editor);
    expect(recipe().drawing!.ratio).toBeCloseTo(0.5, 3);
    const [around] = made().items as [GroupItem];
    expect([around.made!.part, around.items[0].id, (around.items[0] as typeof body).angle]).toEqual([
      'drawing',
      'body',
      90,
    ]);
  });
  test('take a picture as the diagram that it is, with its named parts', async () => {
    open([picture({ id: 'bird', picture: 'diagram/heron', x: 300, y: 200, width: 100, height: 150 })]);
    await labelAround(editor);
    expect(recipe()).toMatchObject({
      picture: 'diagram/heron',
      drawing: null,
      spots: [{ words: 'part of diagram/heron' }],
    });
    expect(editor.page.items).toHaveLength(1);
  });
  test('keep within the page', async () => {
    open([{ ...body, x: 0, y: 560, width: 700, height: 200 }]);
    await labelAround(editor);
    const { x, y, width, height } = made();
    expect([x >= 0, y >= 0, x + width <= 792, y + height <= 612]).toEqual([true, true, true, true]);
  });
  test.each<[string, Item[], RegExp]>([
    ['nothing', [], /Choose what is to be labelled/],
    [
      'what is made already',
      [
        group({
          id: 'c',
          maker: { kind: 'chart', recipe: beginChart([], 'bar', 't'), seed: 1, parts: [] } as MakerState,
          items: [],
        }),
      ],
      /made from a recipe/,
    ],
  ])('say what to do with %s', async (_, items, message) => {
    open(items);
    await labelAround(editor);
    expect(editor.notice?.text).toMatch(message);
    expect(editor.page.items).toHaveLength(items.length);
  });
});
