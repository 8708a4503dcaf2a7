import { describe, expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import {
  DEFAULT_PALETTE,
  defaultRoles,
  group,
  ink,
  line,
  page,
  picture,
  plain,
  roleIds,
  shape,
  sheet,
  text,
} from './defaults';
import { apply, Change } from '../changes/change';
import { Hex, Id, isFramed, isWritten, Item, schemaOf, Page, Paint, Run, Sheet, SHEET_VERSION } from './sheet';
import { readSheet } from './read';

const good = <T>(schema: { safeParse(value: unknown): { success: boolean } }, value: T) =>
  schema.safeParse(value).success;

describe('every kind of item', () => {
  test.each([
    text({ id: 'a', body: plain('x') }),
    shape({ id: 'b' }),
    line({ id: 'c' }),
    picture({ id: 'd', picture: 'flat/owl' }),
    ink({ id: 'i', points: [0, 0, 0.5, 1, 1, 0.5] }),
    group({ id: 'e', items: [shape({ id: 'f' }), group({ id: 'g', items: [text({ id: 'h' })] })] }),
  ])('is made whole: $kind', (item) => {
    expect(good(Item, item)).toBe(true);
    expect(good(schemaOf(item.kind), item)).toBe(true);
    expect(good(Item, { ...item, surprise: 1 })).toBe(false);
    expect(isFramed(item)).toBe(item.kind !== 'line');
    expect(isWritten(item)).toBe(item.kind === 'text' || item.kind === 'shape');
  });

  test.each<[string, Record<string, unknown>]>([
    ['no number', { x: Number.NaN }],
    ['an endless one', { width: Number.POSITIVE_INFINITY }],
    ['a place beyond every poster', { x: 1e6 }],
    ['a negative size', { height: -1 }],
    ['more than opaque', { opacity: 1.5 }],
    ['an unknown way of touching', { touch: 'break' }],
    ['an identity with a space', { id: 'a b' }],
    ['a colour by name', { outline: { colour: 'red', width: 1, dash: 'solid' } }],
    ['an outline without weight', { outline: { colour: '#112233', width: 0, dash: 'solid' } }],
    ['an unknown shape', { shape: 'blob' }],
    ['words of the wrong form', { body: 'words' }],
    ['no paragraphs', { body: [] }],
  ])('refuses %s', (_, wrong) => expect(good(Item, { ...shape({ id: 'a' }), ...wrong })).toBe(false));

  test.each(['owl', 'flat/', '../flat/owl', 'flat/owl.svg', 'https://elsewhere/owl', 'FLAT/owl'])(
    'refuses a picture called “%s”',
    (name) => expect(good(Item, { ...picture({ id: 'a', picture: 'flat/owl' }), picture: name })).toBe(false),
  );
});

test.each([
  ['#a1b2c3', true],
  ['#A1B2C3', false],
  ['#abc', false],
  ['a1b2c3', false],
  ['#a1b2c3ff', false],
])('%s is a colour: %s', (hex, is) => expect(good(Hex, hex)).toBe(is));

test.each([
  ['abc_-9', true],
  ['', false],
  ['x'.repeat(41), false],
  ['a.b', false],
  ['__proto__', false],
])('“%s” may be an identity: %s', (id, may) => expect(good(Id, id)).toBe(may));

test('a run holds no break, so that positions stay what they are', () => {
  expect(good(Run, { text: 'one line', style: {} })).toBe(true);
  for (const text of ['a\nb', 'a\rb']) expect(good(Run, { text, style: {} })).toBe(false);
});

test('a gradient has two stops at least, between nothing and all', () => {
  const stop = (offset: number) => ({ offset, colour: '#112233', opacity: 1 });
  expect(good(Paint, { kind: 'linear', angle: 0, stops: [stop(0), stop(1)] })).toBe(true);
  expect(good(Paint, { kind: 'linear', angle: 0, stops: [stop(0)] })).toBe(false);
  expect(good(Paint, { kind: 'radial', stops: [stop(0), stop(2)] })).toBe(false);
});

describe('a page and a sheet', () => {
  test('are made whole', () => {
    expect(good(Page, page({ id: 'p' }))).toBe(true);
    expect(good(Sheet, sheet({ title: 'x' }))).toBe(true);
    expect(good(Sheet, sampleSheet())).toBe(true);
  });
  test('have a size, and a page at least', () => {
    expect(good(Page, page({ id: 'p', width: 10 }))).toBe(false);
    expect(good(Sheet, sheet({ title: 'x', pages: [] }))).toBe(false);
  });
  test('begin with roles in reading order and a palette', () => {
    expect(roleIds(defaultRoles()).slice(0, 3)).toEqual(['title', 'heading', 'body']);
    expect(roleIds({ ...defaultRoles(), zebra: defaultRoles().body }).at(-1)).toBe('zebra');
    expect(DEFAULT_PALETTE.every((hex) => good(Hex, hex))).toBe(true);
  });
});

describe('a sheet of version 1', () => {
  const old = () => {
    const now = JSON.parse(
      JSON.stringify(
        sheet({ title: 'Old', pages: [page({ id: 'p', items: [shape({ id: 's' }), text({ id: 't' })] })] }),
      ),
    );
    const [p] = now.pages;
    const [s, t] = p.items;
    for (const item of [s, t]) delete item.shadow;
    for (const key of ['least', 'plate', 'lettering']) delete t[key];
    for (const key of ['guides', 'grid']) delete p[key];
    delete now.ownWords;
    s.adjust = 0.4;
    s.fill = { kind: 'radial', stops: [0, 1].map((offset) => ({ offset, colour: '#112233', opacity: 1 })) };
    return { ...now, version: 1 };
  };
  test('is brought up to date, with what is new as it was before', () => {
    const read = readSheet(old());
    expect(read.version).toBe(SHEET_VERSION);
    expect(read.pages[0]).toMatchObject({ guides: [], grid: 0 });
    expect(read.pages[0].items[0]).toMatchObject({ adjust: [0.4], shadow: null, fill: { x: 0.5, y: 0.5, reach: 1 } });
    expect(read.pages[0].items[1]).toMatchObject({ plate: null, lettering: null });
  });
  test('is followed by the changes that were logged for it', () => {
    const change = Change.parse({ kind: 'set', id: 's', values: { adjust: 0.7 } });
    const result = apply(readSheet(old()), change);
    expect(result.ok && result.sheet.pages[0].items[0]).toMatchObject({ adjust: [0.7] });
  });
});
