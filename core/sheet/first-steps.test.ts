import { describe, expect, test } from 'vitest';
import { beginMap } from '../makers/map/begin';
import { group, page, picture, plain, sheet, solid, text } from '../schema/defaults';
import type { Item } from '../schema/sheet';
import { firstSteps, POSTER_PAPER } from './first-steps';

const words = (role: string, says: string, more: object = {}) =>
  text({ id: `${role}-${says.length}`, role, x: 0, y: 0, width: 90, height: 20, body: plain(says), ...more });
const doneOn = (purpose: string, items: Item[], background = solid(POSTER_PAPER)) =>
  firstSteps(purpose, sheet({ title: 'x', pages: [page({ id: 'p', items, background })] })).map(({ done }) => done);
const map = (ideas: string[], items: Item[] = []) => {
  const recipe = beginMap([]);
  const nodes = ideas.map((idea, i) => ({ ...recipe.nodes[0], id: `${i}`, text: idea, parent: i === 0 ? null : '0' }));
  const maker = { kind: 'map' as const, recipe: { ...recipe, nodes }, seed: 1, parts: [] };
  return group({ id: 'm', x: 0, y: 0, width: 300, height: 300, maker, items });
};

describe('the first steps', () => {
  test.each<[string, string, Item[], boolean[]]>([
    [
      'a new worksheet',
      'worksheet',
      [words('title', 'A new worksheet'), words('instruction', 'What to do')],
      [false, false, false],
    ],
    [
      'one with a title of its own',
      'worksheet',
      [words('title', 'Ωmega'), words('instruction', 'What to do')],
      [true, false, false],
    ],
    ['a title that is only spaces', 'worksheet', [words('title', '  ')], [false, false, false]],
    ['a hidden title', 'worksheet', [words('title', 'Tides', { hidden: true })], [false, false, false]],
    [
      'a line for the name is no answer',
      'worksheet',
      [words('name', 'Name', { touch: 'fill' })],
      [false, false, false],
    ],
    ['a box to fill in', 'worksheet', [words('body', '', { touch: 'fill' })], [false, false, true]],
    ['a heading does as a title', 'poster', [words('heading', 'Mind the eggs')], [true, false, false]],
    [
      'a picture in a group',
      'poster',
      [group({ id: 'g', x: 0, y: 0, width: 9, height: 9, items: [picture({ id: 'c', picture: 'flat/owl' })] })],
      [false, true, false],
    ],
    ['a map of one idea', 'map', [map(['Main idea'])], [false, false, false]],
    ['a map with empty lines', 'map', [map(['tide', '', ' ', 'mud', 'crab'])], [false, false, false]],
    ['a map of four ideas', 'map', [map(['tide', 'mud', 'crab', 'gull'])], [false, true, false]],
    ['an idea to fill in', 'map', [map(['tide'], [words('body', '', { touch: 'fill' })])], [false, false, true]],
    ['two labels', 'diagram', [words('label', 'a'), words('label', 'bc')], [false, false, false]],
    [
      'three labels and a bank',
      'diagram',
      [words('label', 'a'), words('label', 'bc'), words('label', 'def'), words('bank', 'a')],
      [false, true, true],
    ],
  ])('%s', (_, purpose, items, done) => expect(doneOn(purpose, items)).toEqual(done));

  test('a poster has a background once it has another than it began with', () => {
    expect(doneOn('poster', [], solid('#102030'))[2]).toBe(true);
    expect(doneOn('poster', [])[2]).toBe(false);
  });
  test('a blank page has none, and what is meant is named', () => {
    expect(doneOn('blank', [])).toEqual([]);
    const made = sheet({
      title: 'x',
      pages: [page({ id: 'p', items: [words('heading', 'Mine'), words('title', 'A new map')] })],
    });
    expect(firstSteps('map', made)[0]).toEqual({ id: 'title', done: true, item: 'title-9' });
  });
});
