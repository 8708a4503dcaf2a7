import { describe, expect, test } from 'vitest';
import { beginMap } from '../makers/map/begin';
import { free, group, line, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { Sheet as SheetSchema } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { answered, givenOut, keyOf, labelsOn } from './copy';
import { refusal } from './permission';

const on = (...items: Item[]): Sheet => sheet({ title: 'S', pages: [page({ id: 'p', items })] });
const leader = (id: string, from: string, target: string, turned = false) => {
  const [label, part] = [
    { ...free(0, 0), item: from },
    { ...free(0, 0), item: 'bird', target },
  ];
  return line({ id, from: turned ? part : label, to: turned ? label : part });
};
const bird = picture({ id: 'bird', picture: 'diagram/heron' });
const blank = (id: string, words: string, also: string[] = []) =>
  text({ id, blank: true, touch: 'fill', body: plain(words), also });

describe('labels', () => {
  test('are the texts that a line joins to a part, whichever way it was drawn', () => {
    const [p] = on(
      blank('a', 'bill'),
      blank('b', 'neck'),
      leader('l1', 'a', 'bill'),
      leader('l2', 'b', 'neck', true),
      bird,
    ).pages;
    expect(labelsOn(p).map((label) => [label.item.id, label.picture, label.target])).toEqual([
      ['a', 'bird', 'bill'],
      ['b', 'bird', 'neck'],
    ]);
  });
  test('a line that ends on nothing, or on no part, makes none', () => {
    const loose = line({ id: 'l', from: { ...free(0, 0), item: 'a' }, to: free(9, 9) });
    const whole = line({ id: 'm', from: { ...free(0, 0), item: 'a' }, to: { ...free(0, 0), item: 'bird' } });
    expect(labelsOn(on(blank('a', 'x'), loose, whole, bird).pages[0])).toEqual([]);
  });
  test('within groups count as well', () => {
    const inner = group({ id: 'g', items: [blank('a', 'bill'), leader('l', 'a', 'bill')] });
    expect(labelsOn(on(inner, bird).pages[0])).toHaveLength(1);
  });
});

describe('the key', () => {
  test('holds only what is given out blank and has an answer', () => {
    const given = text({ id: 'c', body: plain('crest') });
    const made = on(
      blank('a', ' bill ', ['beak']),
      blank('b', ''),
      given,
      leader('l1', 'a', 'bill'),
      leader('l2', 'b', 'neck'),
      leader('l3', 'c', 'crest'),
      bird,
    );
    expect(keyOf(made)).toEqual([{ picture: 'bird', expect: [{ target: 'bill', words: ['bill', 'beak'] }] }]);
  });
  test('is kept for each diagram by itself', () => {
    const other = picture({ id: 'crab', picture: 'diagram/shore-crab' });
    const toCrab = line({
      id: 'l2',
      from: { ...free(0, 0), item: 'b' },
      to: { ...free(0, 0), item: 'crab', target: 'shell' },
    });
    expect(
      keyOf(on(blank('a', 'bill'), blank('b', 'shell'), leader('l1', 'a', 'bill'), toCrab, bird, other)).map(
        (key) => key.picture,
      ),
    ).toEqual(['bird', 'crab']);
  });
});

describe('giving out', () => {
  test('empties blanks, also deep in groups, and keeps how they are set', () => {
    const styled = {
      ...blank('a', 'secret'),
      body: [{ format: { align: 'right' as const }, runs: [{ text: 'secret', style: { bold: true } }] }],
    };
    const copy = givenOut(on(group({ id: 'g', items: [styled] })));
    expect(find(copy, 'a')!.item).toMatchObject({
      body: [{ format: { align: 'right' }, runs: [] }],
      also: [],
      blank: false,
      touch: 'fill',
    });
    expect(SheetSchema.safeParse(copy).success).toBe(true);
  });
  test('leaves the teacher’s own sheet as it is', () => {
    const own = on(blank('a', 'secret'));
    const before = JSON.stringify(own);
    givenOut(own);
    expect(JSON.stringify(own)).toBe(before);
  });
  test('takes hidden things and answer keys away, and everything else along', () => {
    const copy = givenOut(
      on(text({ id: 'key', role: 'key' }), shape({ id: 'hidden', hidden: true }), shape({ id: 'kept' }), bird),
    );
    expect(everyItem(copy).map((item) => item.id)).toEqual(['kept', 'bird']);
  });
});

describe('touching', () => {
  const copy = on(
    group({ id: 'mixed', touch: 'free', items: [shape({ id: 'mine', touch: 'free' }), shape({ id: 'theirs' })] }),
    group({ id: 'own', touch: 'free', items: [shape({ id: 'x', touch: 'free' })] }),
    picture({ id: 'pic', picture: 'flat/owl', touch: 'fill' }),
  );
  test('a group goes only when all of it is the student’s own', () => {
    expect(refusal(copy, { kind: 'remove', id: 'mixed' }, [])).not.toBeNull();
    expect(refusal(copy, { kind: 'remove', id: 'own' }, [])).toBeNull();
  });
  test('a fixed part in a free group stays fixed', () => {
    expect(refusal(copy, { kind: 'set', id: 'theirs', values: { x: 1 } }, [])).not.toBeNull();
    expect(refusal(copy, { kind: 'set', id: 'mine', values: { x: 1 } }, [])).toBeNull();
  });
  test('there is nothing to fill in on a picture', () =>
    expect(refusal(copy, { kind: 'set', id: 'pic', values: { picture: 'flat/fox' } }, ['picture'])).not.toBeNull());
  test('nothing fixed or shut is smuggled in within a group', () => {
    const add = (item: Item) =>
      refusal(copy, { kind: 'insert', spot: { page: 'p', group: null, behind: null }, item }, ['shape']);
    expect(add(group({ id: 'n', touch: 'free', items: [shape({ id: 'n1', touch: 'free' })] }))).toBeNull();
    expect(add(group({ id: 'n', touch: 'free', items: [shape({ id: 'n1' })] }))).not.toBeNull();
    expect(add(group({ id: 'n', touch: 'free', items: [text({ id: 'n1', touch: 'free' })] }))).not.toBeNull();
  });
  test('a blank can’t be made by a student', () => {
    const add = refusal(
      copy,
      {
        kind: 'insert',
        spot: { page: 'p', group: null, behind: null },
        item: text({ id: 'n', touch: 'free', blank: true }),
      },
      ['text'],
    );
    expect(add).toMatch(/Only a teacher/);
  });
  test('an empty list of changes is allowed: it changes nothing', () =>
    expect(refusal(copy, { kind: 'all', changes: [] }, [])).toBeNull());
});

describe('making', () => {
  const maker = { kind: 'map' as const, recipe: beginMap([]), seed: 1, parts: ['n-1'] };
  const own = group({ id: 'map', touch: 'free', maker, items: [shape({ id: 'map-n-1', touch: 'free' })] });
  const spot = { page: 'p', group: null, behind: null };
  test('a student puts down a map only where that supply is open', () => {
    const insert = { kind: 'insert' as const, spot, item: own };
    expect(refusal(on(), insert, ['map'])).toBeNull();
    expect(refusal(on(), insert, ['shape'])).toMatch(/not opened/);
    expect(refusal(on(), { ...insert, item: { ...own, items: [shape({ id: 'x' })] } }, ['map'])).not.toBeNull();
  });
  test('its parts come and go with its recipe, and stay free', () => {
    const part = (item: Item) => refusal(on(own), { kind: 'insert', spot: { ...spot, group: 'map' }, item }, ['map']);
    expect(part(line({ id: 'l', touch: 'free' }))).toBeNull();
    expect(part(line({ id: 'l' }))).not.toBeNull();
    expect(part(text({ id: 't', touch: 'free', blank: true }))).toMatch(/Only a teacher/);
    expect(refusal(on(own), { kind: 'set', id: 'map', values: { maker } }, ['map'])).toBeNull();
  });
  test('a group of their own does not become a way around what is shut', () => {
    const plainGroup = group({ id: 'g', touch: 'free', items: [] });
    expect(refusal(on(plainGroup), { kind: 'set', id: 'g', values: { maker } }, [])).not.toBeNull();
    expect(
      refusal(
        on(plainGroup),
        { kind: 'insert', spot: { ...spot, group: 'g' }, item: text({ id: 't', touch: 'free' }) },
        [],
      ),
    ).not.toBeNull();
  });
});

describe('a box that is given out with other words than the right ones', () => {
  const wrong = text({ id: 'a', touch: 'fill', body: plain('wing'), also: ['bill', 'beak'] });
  const sheetWith = on(group({ id: 'g', items: [wrong] }), leader('l1', 'a', 'bill'), bird);
  test('counts in the key by what is kept beside it', () => {
    expect(keyOf(sheetWith)).toEqual([{ picture: 'bird', expect: [{ target: 'bill', words: ['bill', 'beak'] }] }]);
  });
  test('goes out as it stands, without what is right', () => {
    const given = find(givenOut(sheetWith), 'a')!.item;
    expect(given).toMatchObject({ body: plain('wing'), also: [], touch: 'fill' });
  });
  test('shows what is right in the key, within groups too, in the style of its words', () => {
    const bold = {
      ...wrong,
      body: [{ format: { align: 'centre' as const }, runs: [{ text: 'wing', style: { bold: true } }] }],
    };
    const shown = find(answered(on(group({ id: 'g', items: [bold] }))), 'a')!.item;
    expect(shown).toMatchObject({
      body: [{ format: { align: 'centre' }, runs: [{ text: 'bill', style: { bold: true } }] }],
    });
  });
  test('a blank, and what is fixed, show in the key as they are', () => {
    const fixed = text({ id: 'f', body: plain('given'), also: ['other'] });
    const both = on(blank('b', 'answer', ['too']), fixed);
    expect(answered(both)).toEqual(both);
    expect(keyOf(on(fixed, leader('l1', 'f', 'bill'), bird))).toEqual([]);
  });
});

test('a line that is not seen ties its words to a part all the same', () => {
  const unseen = { ...leader('l1', 'a', 'bill'), opacity: 0 };
  expect(keyOf(on(blank('a', 'bill'), unseen, bird))[0].expect).toEqual([{ target: 'bill', words: ['bill'] }]);
});
