import { beforeAll, describe, expect, test } from 'vitest';
import { madeFrom, testKit } from '../../tests/support/made';
import type { Kit } from '../makers/kit/maker';
import { readCells } from '../formats/tables';
import { givenOut } from '../handout/copy';
import { refusal } from '../handout/permission';
import type { Supply } from '../handout/supplies';
import { beginChart, emptyChart } from '../makers/chart/begin';
import { beginCloud } from '../makers/cloud/begin';
import { DEFAULT_PALETTE, group, page, plain, shape, sheet, text } from '../schema/defaults';
import type { ChartKind, ChartRecipe } from '../schema/recipes/chart';
import { CHART_KINDS } from '../schema/recipes/chart';
import type { MakerState } from '../schema/recipes/recipes';
import type { GroupItem, Item, Sheet } from '../schema/sheet';
import type { LookForOf } from './all';
import { begun, count, evidenceWords, lacksSupply, lookFor, openedFor, rekeyed, resultForStudent } from './all';

/** Charts and clouds that students make: one that holds, one that nearly holds, one that misses, and those that cheat. */

const BIRDS = 'bird,seen\nredshank,14\ncurlew,9\navocet,11';
const recipe = (kind: ChartKind, table: string, values: Partial<ChartRecipe> = {}): ChartRecipe => {
  const [head, ...rows] = readCells(table);
  return { ...beginChart(DEFAULT_PALETTE, kind), table: { id: 'data', head, rows }, ...values };
};
/** The same without names above its columns. */
const UNNAMED = { table: { id: 'data', head: ['', ''], rows: readCells(BIRDS).slice(1) } };
const chart = (id: string, kind: ChartKind, table = BIRDS, values: Partial<ChartRecipe> = {}, item = {}): GroupItem =>
  group({
    id,
    x: 60,
    y: 60,
    width: 300,
    height: 200,
    touch: 'free',
    maker: { kind: 'chart', recipe: recipe(kind, table, values), seed: 1, parts: [] } as MakerState,
    items: [shape({ id: `${id}-bar`, touch: 'free' })],
    ...item,
  });
const key = (kind: ChartKind, table = BIRDS, id = 'key') => chart(id, kind, table, {}, { role: 'key', touch: 'fixed' });
const on = (...items: Item[]): Sheet =>
  sheet({ title: 'S', pages: [page({ id: 'p', width: 595, height: 842, items })] });
const asked = (of: Sheet, settings: object = {}) =>
  ({ ...(begun('chart', of, 'c') as LookForOf<'chart'>), tell: 'result', ...settings }) as LookForOf<'chart'>;
const counted = (teachers: Sheet, own: Item[], settings: object = {}) =>
  count(asked(teachers, settings), on(...own), { handedOut: givenOut(teachers), studentName: 'Ayo' });

describe('a chart like the teacher’s', () => {
  const teachers = on(key('bar'));
  test.each<[what: string, own: Item[], got: number, held: boolean]>([
    ['the same', [chart('a', 'bar')], 6, true],
    ['rows in another order', [chart('a', 'bar', 'bird,seen\navocet,11\nredshank,14\ncurlew,9')], 6, true],
    ['small slips in words', [chart('a', 'bar', 'birds,seen\nredshanks,14\ncurlews,9\navocett,11')], 6, true],
    [
      'numbers as other countries write them',
      [chart('a', 'bar', 'bird;seen\nredshank;14,0\ncurlew;9,0\navocet;11,0')],
      6,
      true,
    ],
    ['another kind', [chart('a', 'pie')], 5, false],
    ['a wrong number', [chart('a', 'bar', 'bird,seen\nredshank,14\ncurlew,8\navocet,11')], 5, false],
    ['a row missing', [chart('a', 'bar', 'bird,seen\nredshank,14\ncurlew,9')], 5, false],
    ['a row too many', [chart('a', 'bar', `${BIRDS}\nheron,2`)], 6, false],
    ['every number for each', [chart('a', 'bar', `${BIRDS}\nredshank,9\nredshank,11\ncurlew,14`)], 6, false],
    ['axes that say nothing', [chart('a', 'bar', BIRDS, UNNAMED)], 4, false],
    ['axes that say something else', [chart('a', 'bar', BIRDS.replace('bird,seen', 'plant,weight'))], 4, false],
    ['nothing in it', [chart('a', 'bar', 'bird,seen\n,')], 0, false],
    ['none', [], 0, false],
    ['hidden', [chart('a', 'bar', BIRDS, {}, { hidden: true })], 0, false],
    ['off the page', [chart('a', 'bar', BIRDS, {}, { x: 900 })], 0, false],
    ['one of each kind', (['bar', 'pie', 'ring'] as const).map((kind) => chart(kind, kind)), 6, false],
    [
      'a right one beside one of something else',
      [chart('a', 'bar'), chart('b', 'pie', 'fruit,eaten\nfig,2\nlime,5')],
      6,
      true,
    ],
  ])('%s', (_, own, got, held) => expect(counted(teachers, own)).toMatchObject({ got, need: 6, held }));

  test('swapped numbers are called swapped', () => {
    const own = [chart('a', 'bar', 'bird,seen\nredshank,9\ncurlew,14\navocet,11')];
    const { evidence } = counted(teachers, own);
    expect(evidence.filter(({ verdict }) => verdict === 'swapped').map(({ said }) => said)).toEqual([
      'redshank: 9',
      'curlew: 14',
    ]);
    expect(evidence.map((one) => evidenceWords(asked(teachers), one))).toContain(
      '“redshank: 9” is swapped with another: “redshank: 14” is right',
    );
  });
  test('the kind, the axes and a title can be asked for, or not', () => {
    const pie = [chart('a', 'pie', BIRDS, { ...UNNAMED, title: '' })];
    expect(counted(teachers, pie, { which: 'any', axes: false })).toMatchObject({ got: 3, need: 3, held: true });
    expect(counted(teachers, pie, { which: 'any', axes: false, titled: true }).held).toBe(false);
    const titled = [chart('a', 'bar', BIRDS, { title: 'Birds of the marsh' })];
    expect(counted(teachers, titled, { titled: true })).toMatchObject({ got: 7, held: true });
    const { title } = begun('chart', teachers, 'c') as LookForOf<'chart'>;
    expect(title).toBe('A chart shown as bars, with all 3 values and their names');
  });
  test('a student is told nothing of the key', () => {
    const result = counted(teachers, [chart('a', 'pie', 'bird,seen\nredshank,2')]);
    const told = resultForStudent(asked(teachers), result)!;
    expect(told.evidence.every(({ meant }) => meant === '')).toBe(true);
    expect(JSON.stringify(told)).not.toMatch(/avocet|14/);
  });
  test('only a chart that students do not get is a key', () => {
    expect(begun('chart', on(chart('a', 'bar')), 'c')).toMatch(/answer key/);
    const inGroup = on(group({ id: 'g', role: 'key', items: [chart('a', 'bar')] }));
    expect(typeof begun('chart', inGroup, 'c')).toBe('object');
    // One that was handed out to be looked at is not the student's.
    const both = on(key('bar'), chart('shown', 'bar', BIRDS, {}, { touch: 'fixed' }));
    expect(counted(both, [chart('shown', 'bar')]).got).toBe(0);
  });
  test('two keys make two look-fors, and the same values may be shown in both kinds', () => {
    const two = on(key('bar'), key('pie', BIRDS, 'other'));
    const first = asked(two);
    const second = begun('chart', two, 'd', [first]) as LookForOf<'chart'>;
    expect([first.chart, second.chart].sort()).toEqual(['bar', 'pie']);
    const own = on(chart('a', 'bar'), chart('b', 'pie'));
    const context = { handedOut: givenOut(two), studentName: 'Ayo' };
    expect([first, second].map((one) => count(one, own, context).held)).toEqual([true, true]);
  });
  test('the key follows the sheet, and goes with its chart', () => {
    const of = asked(teachers, { axes: false });
    const [now] = rekeyed([of], on(key('line', 'hour,metres\n0,1\n2,3')));
    expect(now).toMatchObject({
      chart: 'line',
      axes: false,
      cells: [
        { row: '0', value: '1' },
        { row: '2', value: '3' },
      ],
    });
    expect(rekeyed([of], on())).toEqual([]);
  });
});

describe('every kind of chart', () => {
  test.each(CHART_KINDS)('%s is right as the key has it, and wrong with one cell changed', (kind) => {
    const { head, rows } = beginChart(DEFAULT_PALETTE, kind).table;
    const table = [head, ...rows].map((cells) => cells.join('\t')).join('\n');
    const teachers = on(key(kind, table));
    expect(counted(teachers, [chart('a', kind, table)]).held).toBe(true);
    const [first, ...others] = rows;
    const changed = [head, [first[0], '77'], ...others].map((cells) => cells.join('\t')).join('\n');
    expect(counted(teachers, [chart('a', kind, changed)]).held).toBe(false);
  });
});

describe('what students make', () => {
  let kit: Kit;
  beforeAll(async () => {
    kit = await testKit();
  });
  const may = (item: Item, supplies: Supply[]) =>
    refusal(on(), { kind: 'insert', item, spot: { page: 'p', group: null, behind: null } }, supplies);
  const freed = ({ group: made }: { group: GroupItem }): GroupItem => ({
    ...made,
    touch: 'free',
    items: made.items.map((item) => ({ ...item, touch: 'free' }) as Item),
  });

  test.each(CHART_KINDS)('a chart of the kind %s is made of what they may use', async (kind) => {
    const made = freed(await madeFrom('chart', beginChart(DEFAULT_PALETTE, kind), kit, { width: 400, height: 300 }));
    expect(may(made, [])).toMatch(/not opened/);
    expect(may(made, ['chart', 'picture'])).toBeNull();
    if (kind !== 'pictogram') expect(may(made, ['chart'])).toBeNull();
  });
  test('so is a word cloud, and an empty chart', async () => {
    const cloud = freed(await madeFrom('cloud', beginCloud(DEFAULT_PALETTE), kit, { width: 300, height: 200 }));
    expect([may(cloud, ['chart']), may(cloud, ['cloud'])]).toEqual([expect.stringMatching(/not opened/), null]);
    const empty = freed(await madeFrom('chart', emptyChart(DEFAULT_PALETTE, 'd'), kit, { width: 300, height: 200 }));
    expect(may(empty, ['chart'])).toBeNull();
  });
  test('look-fors say what they need, and it can be opened for them', () => {
    const of = asked(on(key('bar')));
    expect(lacksSupply([of], ['map'])).toMatch(/students need charts/);
    expect(openedFor([of], ['map'])).toEqual(['map', 'chart']);
    expect(openedFor([of], ['chart'])).toEqual(['chart']);
  });

  const box = (said: string) =>
    text({ id: 'own', touch: 'fill', x: 40, y: 400, width: 300, height: 80, body: plain(said) });
  const task = text({ id: 'task', y: 700, body: plain('What lives in the salt marsh at low tide?') });
  const of = (settings: object = {}) => lookFor({ kind: 'cloud', id: 'w', min: 3, item: null, ...settings });
  const cloudOf = async (words: string[], id = 'cloud'): Promise<GroupItem> => {
    const listed = words.map((word) => ({ text: word, weight: 2 }));
    const size = { width: 300, height: 200 };
    return { ...freed(await madeFrom('cloud', beginCloud(DEFAULT_PALETTE, listed), kit, size)), id, x: 60, y: 60 };
  };
  test.each<[what: string, words: string[], got: number]>([
    ['words of one’s own', ['crab', 'worm', 'heron'], 3],
    ['a phrase is one', ['ragworm in the mud', 'crab'], 2],
    ['the same word again, or more of it', ['crab', 'Crab', 'crabs'], 1],
    ['words of the task', ['salt marsh', 'tides', 'crab'], 1],
    ['letters and numbers', ['x', '77', '!', 'crab'], 1],
    ['accents and other scripts', ['café', 'κύμα', 'море'], 3],
    ['none', [], 0],
  ])('a cloud of %s', async (_, words, got) => {
    const made = on(await cloudOf(words), task);
    const result = count(of(), made, { handedOut: on(task), studentName: 'Ayo' });
    expect(result).toMatchObject({ got, held: got >= 3 });
  });
  test('words of the sheet can count, and words can have to stand in the student’s own text', async () => {
    const made = on(await cloudOf(['salt marsh', 'crab', 'worm']), task, box('A crab eats a worm.'));
    const held = (settings: object) => count(of(settings), made, { handedOut: on(task, box('')), studentName: 'Ayo' });
    expect(held({}).got).toBe(2);
    expect(held({ printed: true }).got).toBe(3);
    expect(held({ printed: true, item: 'own' }).got).toBe(2);
  });
  test('a cloud that nobody sees, or that was handed out, is nobody’s own', async () => {
    const cloud = await cloudOf(['crab', 'worm', 'heron']);
    const got = (item: GroupItem, handedOut = on(task)) =>
      count(of(), on(item, task), { handedOut, studentName: 'Ayo' }).got;
    expect([got({ ...cloud, hidden: true }), got({ ...cloud, opacity: 0.01 }), got(cloud, on(cloud, task))]).toEqual([
      0, 0, 0,
    ]);
    // Words that are listed but not drawn are not there to be read.
    expect(got({ ...cloud, items: cloud.items.slice(1) })).toBe(2);
  });
});
