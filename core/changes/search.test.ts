import { describe, expect, it } from 'vitest';
import { bodyText } from '../text/body';
import { apply } from './change';
import { lookOf, withLook } from '../items/look';
import { line, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { findWords, inCapitalsOf, replaceWords } from './search';

const made = sheet({
  title: 't',
  pages: [
    page({
      id: 'p',
      items: [
        text({
          id: 'a',
          body: [
            {
              format: {},
              runs: [
                { text: 'A crab, a Crab ', style: {} },
                { text: 'and crabs', style: { bold: true } },
              ],
            },
          ],
        }),
        text({ id: 'hidden', hidden: true, body: plain('crab') }),
      ],
    }),
    page({ id: 'q', items: [shape({ id: 'b', body: plain('no (crab) here\nsalt\nmarsh') })] }),
  ],
});
const find = (words: string, given = {}) => findWords(made, { words, matchCase: false, whole: false, ...given });
const words = (sheet: Sheet, id: string) => {
  const item = sheet.pages.flatMap((p) => p.items).find((one) => one.id === id)!;
  return isWritten(item) ? bodyText(item.body) : '';
};

describe('finding words', () => {
  it('looks on all pages, in shapes too, but not in what is hidden', () => {
    expect(find('crab').map(({ item, from }) => [item, from])).toEqual([
      ['a', 2],
      ['a', 10],
      ['a', 19],
      ['b', 4],
    ]);
  });
  it('minds case and whole words where that is asked for', () => {
    expect(find('Crab', { matchCase: true })).toHaveLength(1);
    expect(find('crab', { whole: true })).toHaveLength(3);
  });
  it('takes what is typed as it stands, and spaces as any gap', () => {
    expect(find('(crab)')).toHaveLength(1);
    expect(find('salt marsh')).toMatchObject([{ item: 'b' }]);
    expect(find('[')).toEqual([]);
    expect(find('  ')).toEqual([]);
  });
  it('replaces all of them as one change, in the style of what was there', () => {
    const result = apply(made, replaceWords(made, find('crab'), 'mud snail'));
    expect(result.ok && words(result.sheet, 'a')).toBe('A mud snail, a mud snail and mud snails');
    expect(result.ok && words(result.sheet, 'b')).toBe('no (mud snail) here\nsalt\nmarsh');
    const [item] = result.ok ? result.sheet.pages[0].items : [];
    expect(isWritten(item) && item.body[0].runs.at(-1)).toEqual({ text: 'and mud snails', style: { bold: true } });
  });
  it('may replace by nothing, or by lines', () => {
    const gone = apply(made, replaceWords(made, find('crab'), ''));
    expect(gone.ok && words(gone.sheet, 'b')).toBe('no () here\nsalt\nmarsh');
    const lines = apply(made, replaceWords(made, find('salt marsh'), 'mud\nflat'));
    expect(lines.ok && words(lines.sheet, 'b')).toBe('no (crab) here\nmud\nflat');
  });
});

describe('the look of a thing', () => {
  const from = text({
    id: 'x',
    role: 'quote',
    fill: solid('#abcdef'),
    outline: null,
    body: [{ format: { align: 'right', list: 'bullet' }, runs: [{ text: 'x', style: { colour: '#aa0000' } }] }],
  });
  it('goes to another thing of its kind without place and words', () => {
    const to = withLook(text({ id: 'y', x: 7, body: plain('mine') }), lookOf(from));
    expect(to).toMatchObject({ id: 'y', x: 7, role: 'quote', fill: solid('#abcdef') });
    expect(to.kind === 'text' && to.body).toEqual([
      { format: { align: 'right' }, runs: [{ text: 'mine', style: { colour: '#aa0000' } }] },
    ]);
  });
  it('gives other kinds what they share with it', () => {
    const to = withLook(shape({ id: 'y', body: plain('w') }), lookOf(from));
    expect(to).toMatchObject({ kind: 'shape', fill: solid('#abcdef'), outline: null, role: null });
    expect(withLook(picture({ id: 'z', picture: 'flat/leaf' }), lookOf(from))).toMatchObject({
      kind: 'picture',
      opacity: 1,
    });
  });
  it('never takes the stroke from a line', () => {
    const to = withLook(line({ id: 'l' }), lookOf(from));
    expect(to.kind === 'line' && to.outline).toEqual(line({ id: 'l' }).outline);
  });
});

it('a replacement takes its capitals from what it replaces', () => {
  expect(inCapitalsOf('heron', 'egret')).toBe('egret');
  expect(inCapitalsOf('Heron', 'egret')).toBe('Egret');
  expect(inCapitalsOf('HERON', 'egret')).toBe('EGRET');
  expect(inCapitalsOf('A', 'egret')).toBe('Egret');
  expect(inCapitalsOf('“Élan', 'élan vital')).toBe('Élan vital');
  expect(inCapitalsOf('42', 'egret')).toBe('egret');
  expect(inCapitalsOf('heron', 'Little Egret')).toBe('Little Egret');
});
