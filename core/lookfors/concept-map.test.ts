import { beforeAll, describe, expect, test } from 'vitest';
import { madeFrom, partOf, testKit } from '../../tests/support/made';
import { givenOut } from '../handout/copy';
import { beginMap } from '../makers/map/begin';
import { rowsFromText, withRows } from '../makers/map/outline';
import { readMap } from '../makers/map/read';
import type { MapRecipe } from '../schema/recipes/map';
import type { Kit } from '../makers/kit/maker';
import { group, held, line, page, plain, shape, sheet, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { mapKey } from './concept-map';
import { singular } from '../language/spelling';
import type { Evidence } from './kind';
import type { LookForOf } from './all';
import { count, LookFor, resultForStudent } from './all';

let kit: Kit;
beforeAll(async () => {
  kit = await testKit();
});

const recipe: MapRecipe = withRows(beginMap([]), rowsFromText('salt marsh\n\theron\n\t\tcrab\n\t\t\tmud snail'));
const lookFor = (values: Partial<LookForOf<'map'>> = {}): LookForOf<'map'> => ({
  kind: 'map',
  id: 'm',
  title: 'The food chain',
  tell: 'result',
  spelling: 'near',
  direction: true,
  words: false,
  ...mapKey(recipe),
  ...values,
});
const node = (id: string, words: string) => shape({ id, x: id.charCodeAt(0) * 90, body: plain(words), touch: 'free' });
const link = (from: string, to: string, endCap: 'arrow' | 'none' = 'arrow', startCap: 'arrow' | 'none' = 'none') =>
  line({ id: `${from}${to}`, from: held(from), to: held(to), endCap, startCap, touch: 'free' });
const on = (...items: Item[]): Sheet => sheet({ title: 'S', pages: [page({ id: 'p', items })] });
const counted = (piece: Sheet, values: Partial<LookForOf<'map'>> = {}, handedOut = on()) =>
  count(lookFor(values), piece, { handedOut, studentName: 'Ines' });
const verdicts = (evidence: Evidence[]) =>
  evidence
    .filter(({ said, meant }) => /→/.test(said + meant))
    .map(({ verdict, items }) => `${verdict} ${items.join('+')}`.trim());

describe('a student’s map against the key', () => {
  const whole = [node('a', 'Salt marshes'), node('b', 'herons'), node('c', 'crab'), node('d', 'mud snial')];
  test('finds concepts in another case and number, and with a slip', () => {
    const { got, need, held: all, evidence } = counted(on(...whole, link('a', 'b'), link('b', 'c'), link('c', 'd')));
    expect([got, need, all]).toEqual([3, 3, true]);
    expect(evidence.slice(0, 4).map(({ verdict, said }) => `${said}: ${verdict}`)).toEqual([
      'Salt marshes: right',
      'herons: right',
      'crab: right',
      'mud snial: near',
    ]);
  });
  test('tells links that are found, turned round, missing and extra, each on the map', () => {
    const { got, held: all, evidence } = counted(on(...whole, link('a', 'b'), link('c', 'b'), link('d', 'a')));
    expect([got, all]).toEqual([1, false]);
    expect(verdicts(evidence)).toEqual(['right ab', 'reversed cb', 'missing c+d', 'extra da']);
  });
  test('an arrow at the other end of the line is the same link', () =>
    expect(counted(on(...whole, link('b', 'a', 'none', 'arrow'))).got).toBe(1));
  test('a line without arrows goes either way; and so do all where direction does not matter', () => {
    expect(counted(on(...whole, link('b', 'a', 'none'))).got).toBe(1);
    expect(counted(on(...whole, link('b', 'a')), { direction: false }).got).toBe(1);
    expect(counted(on(...whole, link('b', 'a'))).got).toBe(0);
  });
  test('other words that the teacher listed count', () => {
    const { concepts } = lookFor();
    const more = concepts.map((one) => (one.words[0] === 'crab' ? { ...one, words: ['crab', 'Carcinus'] } : one));
    const piece = on(node('b', 'heron'), node('c', 'carcinus'), link('b', 'c'));
    expect(counted(piece).got).toBe(0);
    expect(counted(piece, { concepts: more }).got).toBe(1);
  });
  test('a concept that is missing is said, with its name', () => {
    const { evidence } = counted(on(node('a', 'salt marsh')));
    expect(evidence.filter(({ verdict }) => verdict === 'empty').map(({ meant }) => meant)).toEqual([
      'heron',
      'crab',
      'mud snail',
    ]);
  });
  test('words on links count only where they are asked for', () => {
    const eats = { ...lookFor().links[1], words: 'eats' };
    const links = [eats];
    const said = (words: string) =>
      text({ id: 'w', x: 98.5 * 90 + 40, y: 22, width: 40, height: 16, body: plain(words), touch: 'free' });
    const piece = (words: string) => on(node('b', 'heron'), node('c', 'crab'), said(words), link('b', 'c'));
    expect(readMap(piece('eats')).links[0].words).toBe('eats');
    expect(counted(piece('hides from'), { links }).got).toBe(1);
    expect(counted(piece('hides from'), { links, words: true }).got).toBe(0);
    expect(counted(piece('eat'), { links, words: true }).got).toBe(1);
  });
  test('links that were given do not count as extra', () => {
    const given = on(node('x', 'sun'), node('y', 'moon'), link('x', 'y'));
    expect(counted(given, {}, given).evidence.some(({ verdict }) => verdict === 'extra')).toBe(false);
  });
  test('an empty page is no error', () => expect(counted(on()).got).toBe(0));
});

describe('a map that was made', () => {
  test('is read as it is drawn, words on its links included', async () => {
    const linked = {
      ...recipe,
      nodes: recipe.nodes.map((one) => (one.text === 'crab' ? { ...one, link: 'eats' } : one)),
    };
    const { group: made } = await madeFrom('map', linked, kit);
    const { nodes, links } = readMap(on(made));
    expect(nodes).toHaveLength(4);
    expect(links.map(({ words }) => words)).toEqual(['', 'eats', '']);
    expect(counted(on(made)).held).toBe(true);
  });
  test('goes out without its recipe, unless students may change it', async () => {
    const { group: made } = await madeFrom('map', recipe, kit);
    const [fixed] = givenOut(on(made)).pages[0].items;
    expect(fixed).toMatchObject({ maker: null });
    expect(fixed.kind === 'group' && fixed.items.every((item) => item.made === null)).toBe(true);
    const free = { ...made, touch: 'free' as const };
    expect(givenOut(on(free)).pages[0].items[0]).toMatchObject({ maker: { kind: 'map' } });
  });
  test('as the key only does not go out at all', async () => {
    const { group: made } = await madeFrom('map', recipe, kit);
    expect(givenOut(on({ ...made, role: 'key' })).pages[0].items).toEqual([]);
    expect(partOf(made, 'n-1')).toBeDefined();
    expect(group({ id: 'e', items: [] }).maker).toBeNull();
  });
});

test('what students are told holds nothing of the key', () => {
  const piece = on(node('a', 'salt marsh'), node('b', 'heron'), link('b', 'a'));
  const filled = lookFor({ tell: 'filled' });
  const told = resultForStudent(filled, count(filled, piece, { handedOut: on(), studentName: 'I' }))!;
  expect(told).toMatchObject({ got: 1, need: 3, evidence: [] });
  const open = lookFor();
  const shown = resultForStudent(open, count(open, piece, { handedOut: on(), studentName: 'I' }))!;
  expect(JSON.stringify(shown)).not.toMatch(/snail/);
});

test.each([
  ['herons', 'heron'],
  ['berries', 'berry'],
  ['marshes', 'marsh'],
  ['boxes', 'box'],
  ['grass', 'grass'],
  ['octopus', 'octopus'],
  ['gas', 'gas'],
  ['The Tides', 'tide'],
])('the plain form of %s is %s', (word, plainForm) => expect(singular(word)).toBe(plainForm));

test('a key without concepts is refused', () =>
  expect(LookFor.safeParse({ ...lookFor(), concepts: [] }).success).toBe(false));
