import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { smallPicture } from '../../tests/support/sheets';
import { group, page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import { unreadable } from '../proof/readable';
import { find } from '../sheet/tree';
import type { Item, RunStyle, Sheet, TextItem } from '../schema/sheet';
import type { Paint } from '../values/primitives';
import type { Faces } from '../text/faces';
import { contradictionOf, count, evidenceWords, lookFor } from './all';
import { surelyStandsOut } from './readable';

/** Whether words can be read: pieces that hold, nearly hold, miss and cheat. */

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const dark = smallPicture('dark', [{ d: 'M0 0L10 0L10 10L0 10Z', fill: '#10220a', opacity: 1 }]);
const pictures = (id: string) => (id === dark.id ? dark : undefined);

const piece = (items: Item[]): Sheet =>
  sheet({ title: 'S', pages: [page({ id: 'p', width: 595, height: 842, items })] });
type Box = Partial<Extract<Item, { kind: 'text' }>>;
const words = (style: RunStyle, given: Box = {}) =>
  text({
    id: 'own',
    touch: 'fill',
    x: 40,
    y: 200,
    width: 300,
    height: 60,
    body: [{ format: {}, runs: [{ text: 'Crabs hide under weed.', style }] }],
    ...given,
  });
const over = (id: string) => picture({ id: 'under', picture: id, x: 20, y: 150, width: 400, height: 200 });
const asked = (settings: object = {}) =>
  lookFor({ kind: 'readable', id: 'r', least: 10, standsOut: true, ...settings });
const on = (items: Item[], settings: object = {}) =>
  count(asked(settings), piece(items), { handedOut: piece([]), studentName: 'Ayo', pictures, faces });

describe('words that can be read', () => {
  test.each<[what: string, items: Item[], settings: object, held: boolean | null]>([
    ['dark and of a usual size', [words({ size: 12 })], {}, true],
    ['as small as is asked for', [words({ size: 10 })], {}, true],
    ['half a point too small', [words({ size: 9.5 })], {}, false],
    ['small', [words({ size: 7 })], {}, false],
    ['small, where only the contrast is asked for', [words({ size: 7 })], { least: null }, true],
    ['pale', [words({ size: 12, colour: '#bbbbbb' })], {}, false],
    ['pale, where only the size is asked for', [words({ size: 12, colour: '#bbbbbb' })], { standsOut: false }, true],
    ['just too pale', [words({ size: 12, colour: '#7a7a7a' })], {}, false],
    ['as pale, but large, which may be paler', [words({ size: 24, colour: '#7a7a7a' })], {}, true],
    ['white on white, so that nobody sees them', [words({ size: 12, colour: '#ffffff' })], {}, false],
    ['white on dark', [words({ size: 12, colour: '#ffffff' }), over(dark.id)], {}, true],
    ['dark on dark', [words({ size: 12 }), over(dark.id)], {}, false],
    [
      'light on a light shape',
      [
        words({ colour: '#dddddd' }),
        shape({ id: 's', x: 20, y: 150, width: 400, height: 200, fill: solid('#eeeeee') }),
      ],
      {},
      false,
    ],
    ['over a picture that is not known here', [words({ size: 12 }), over('own/photo')], {}, null],
    [
      'over such a picture, where only the size is asked for',
      [words({ size: 7 }), over('own/photo')],
      { standsOut: false },
      false,
    ],
    [
      'shrunk to fit',
      [
        words(
          { size: 14 },
          {
            fit: 'shrink',
            width: 60,
            height: 16,
            body: [
              {
                format: {},
                runs: [{ text: 'Crabs hide under weed and under stones when the tide goes out.', style: { size: 14 } }],
              },
            ],
          },
        ),
      ],
      {},
      false,
    ],
    ['none at all', [], {}, false],
    ['hidden', [words({ size: 12 }, { hidden: true })], {}, false],
    ['fully transparent', [words({ size: 12 }, { opacity: 0 })], {}, false],
    ['off the page', [words({ size: 12 }, { x: 900 })], {}, false],
    ['the teacher’s own', [words({ size: 12 }, { touch: 'fixed' })], {}, false],
    [
      'the teacher’s own, small, beside readable ones',
      [words({ size: 12 }), words({ size: 6 }, { id: 'fixed', y: 400, touch: 'fixed' })],
      {},
      true,
    ],
  ])('%s', (_, items, settings, held) => expect(on(items, settings).held).toBe(held));

  test('one that can’t be read beside one that can: it says which, and why', () => {
    const result = on([words({ size: 12 }), words({ size: 7, colour: '#cccccc' }, { id: 'small', y: 400 })]);
    expect(result).toMatchObject({ held: false, got: 1, need: 2 });
    const wrong = result.evidence.find(({ verdict }) => verdict === 'wrong')!;
    expect(wrong.items).toEqual(['small']);
    expect(evidenceWords(asked(), wrong)).toBe(
      '“Crabs hide under weed.”: 7 pt large; contrast 1.6, where 4.5 is needed',
    );
  });
  test('on two pages, both are looked at', () => {
    const made = piece([words({ size: 12 })]);
    const two = {
      ...made,
      pages: [...made.pages, { ...piece([words({ size: 7 }, { id: 'two' })]).pages[0], id: 'q' }],
    };
    const context = { handedOut: piece([]), studentName: 'Ayo', pictures, faces };
    expect(count(asked(), two, context)).toMatchObject({ held: false, got: 1, need: 2 });
  });
  test('without what words are drawn with, it is left to the teacher', () =>
    expect(count(asked(), piece([words({})]), { handedOut: piece([]), studentName: 'Ayo' }).held).toBeNull());
  test('its title says what is asked for, and nothing asked for is refused', () => {
    expect(contradictionOf(asked({ least: null, standsOut: false }), piece([words({}, { body: plain('') })]))).toMatch(
      /any words would do/,
    );
  });
});

describe('words that surely stand out', () => {
  const sure = (items: Item[], background: Paint | null = solid('#fffefa')) => {
    const made = piece(items);
    const [first] = made.pages;
    const whole = { ...made, pages: [{ ...first, background }] };
    const own = find(whole, 'own')!.item as TextItem;
    return { is: surelyStandsOut(whole, whole.pages[0], own, { faces, pictures }), whole };
  };
  test('are dark ones on a bare page, and none of which anything could be said only by looking', () => {
    expect(sure([words({ size: 12 })]).is).toBe(true);
    expect(sure([words({ size: 12 }, { opacity: 0.4 })]).is).toBe(false);
    expect(sure([words({ size: 12 }), over(dark.id)]).is).toBe(false);
    const offPage = [words({ size: 12, colour: '#ffffff' }, { x: -20 })];
    expect(sure(offPage, solid('#203040')).is).toBe(false);
    expect(sure([words({ size: 12 }, { x: -20 })]).is).toBe(true);
    const card = (given: object) => shape({ id: 's', x: 30, y: 190, width: 320, height: 80, ...given });
    expect(sure([words({ size: 12 }), card({ fill: solid('#f9e79f') })]).is).toBe(true);
    expect(sure([words({ size: 12 }), card({ fill: solid('#f9e79f', 0.9) })]).is).toBe(false);
    expect(sure([words({ size: 12 }), card({ fill: solid('#f9e79f'), width: 200 })]).is).toBe(false);
    expect(sure([words({ size: 12 }), card({ fill: solid('#f9e79f'), angle: 45 })]).is).toBe(false);
    expect(sure([words({ size: 12 }), card({ fill: solid('#203040') })]).is).toBe(false);
    expect(sure([words({ size: 12 }, { fill: solid('#f9e79f') })]).is).toBe(true);
    expect(sure([words({ size: 60 }, { fill: solid('#f9e79f') })]).is).toBe(false);
    expect(sure([words({ size: 60 }, { width: 40 })]).is).toBe(false);
    expect(
      sure([words({ size: 60 }, { height: 20 }), shape({ id: 's', x: 40, y: 260, width: 300, height: 90 })]).is,
    ).toBe(false);
    expect(sure([group({ id: 'g', opacity: 0.3, items: [words({ size: 12 })] })]).is).toBe(false);
  });
  test('are never found unreadable when they are looked at, letter by letter', () => {
    const hex = fc.constantFrom('#000000', '#2a2820', '#5b5646', '#7a7a7a', '#c8632e', '#2c5d86', '#ffffff', '#fffefa');
    const ground = fc.oneof(
      hex.map((colour) => solid(colour)),
      hex.map((colour) => solid(colour, 0.6)),
      fc.constant(null),
    );
    const behind = fc.option(
      fc.record({
        x: fc.integer({ min: -100, max: 500 }),
        y: fc.integer({ min: 100, max: 320 }),
        large: fc.boolean(),
        turned: fc.constantFrom(0, 0, 20),
        shape: fc.constantFrom('rectangle' as const, 'ellipse' as const),
        colour: hex,
      }),
      { nil: null },
    );
    const given = fc.record({
      angle: fc.constantFrom(0, 30, 90),
      opacity: fc.constantFrom(1, 1, 1, 0.5),
      y: fc.integer({ min: -10, max: 700 }),
      fill: fc.option(hex.map((colour) => solid(colour))),
    });
    let found = 0;
    fc.assert(
      fc.property(
        hex,
        fc.integer({ min: 8, max: 40 }),
        ground,
        behind,
        given,
        (colour, size, background, other, how) => {
          const under = other
            ? [
                shape({
                  id: 's',
                  x: other.x,
                  y: other.y,
                  width: other.large ? 500 : 90,
                  height: other.large ? 400 : 120,
                  angle: other.turned,
                  shape: other.shape,
                  fill: solid(other.colour),
                  outline: null,
                }),
              ]
            : [];
          const { is, whole } = sure([words({ size, colour }, how), ...under], background);
          if (!is) return;
          found++;
          expect(unreadable(whole, whole.pages[0], { faces, pictures }, ['own'])).toEqual([]);
        },
      ),
      { numRuns: 700 },
    );
    expect(found).toBeGreaterThan(20);
  });
});
