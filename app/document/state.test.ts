import { beforeEach, describe, expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { shape } from '../../core/schema/defaults';
import { Bench, lookKey } from './bench';
import { sizeTo, spread as distribute } from '../commands/arrange';
import { noteColour, setEach } from '../commands/commands';
import { settingOfWords, toggleStyle, typeWords } from '../commands/word-commands';
import { findOn } from '../../core/sheet/tree';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { copyLook, giveLook } from '../commands/looks';
import { exchangePalette } from '../commands/palettes';
import { inLastLook } from '../commands/steps';

let bench: Bench;
let told: number;
beforeEach(() => {
  bench = new Bench({
    documentId: 'd',
    personId: 'p',
    seq: 0,
    sheet: sampleSheet(),
    savedAt: 0,
    rights: { kind: 'all' },
  });
  told = 0;
  bench.subscribe(() => told++);
});
const move = (x: number) => bench.make('Move', { kind: 'set', id: 'box', values: { x } });

describe('passing state', () => {
  test('is told to who listens, and is no part of the sheet', () => {
    const before = bench.sheet;
    bench.put({ tab: 'look', finding: true });
    expect([bench.tab, bench.finding, told]).toEqual(['look', true, 1]);
    expect(bench.sheet).toBe(before);
    expect(bench.history.past).toEqual([]);
  });
  test('choosing something else closes the list of what lies here, and begins with the first stop', () => {
    bench.put({ dug: { ids: ['box'], x: 1, y: 1 }, stop: 2 });
    bench.select(['words']);
    expect([bench.dug, bench.stop]).toEqual([null, 0]);
  });
  test('whoever changes, undoes or redoes something is back in the present', () => {
    const past = { sheet: sampleSheet(), label: 'then' };
    bench.put({ past });
    move(10);
    expect(bench.past).toBeNull();
    bench.put({ past });
    bench.undo();
    expect(bench.past).toBeNull();
    bench.put({ past });
    bench.redo();
    expect(bench.past).toBeNull();
  });
  test('a change that is refused leaves who looks back where they are', () => {
    bench.put({ past: { sheet: sampleSheet(), label: 'then' } });
    expect(bench.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } })).toBe(false);
    expect(bench.past?.label).toBe('then');
  });
});

test('what was done before the vault has opened is not said to be saved', () => {
  expect(bench.save.kind).toBe('saved');
  move(10);
  expect(bench.save.kind).toBe('saving');
});

describe('what is remembered', () => {
  test('the last ten colours, the newest first, each once', () => {
    for (let i = 0; i < 12; i++) noteColour(bench, `#0000${i.toString(16).padStart(2, '0')}`);
    noteColour(bench, '#000005');
    noteColour(bench, null);
    expect(bench.recent).toHaveLength(10);
    expect(bench.recent.slice(0, 2)).toEqual(['#000005', '#00000b']);
  });
  test('a look by kind, and of text by its role', () => {
    bench.remember(['box', 'label', 'gone']);
    expect([...bench.looks.keys()]).toEqual(['shape', 'text label']);
    expect(lookKey(shape({ id: 'x' }))).toBe('shape');
  });
  test('what was asked for expressly is kept over the last look', () => {
    bench.make('Fill', { kind: 'set', id: 'box', values: { fill: null, opacity: 0.5 } });
    bench.remember(['box']);
    expect(inLastLook(bench, shape({ id: 'x' }), ['opacity'])).toMatchObject({ fill: null, opacity: 1 });
    expect(inLastLook(bench, shape({ id: 'x' }))).toMatchObject({ fill: null, opacity: 0.5 });
  });
});

describe('another palette', () => {
  test('exchanges its colours wherever they are used, in one step', () => {
    const before = bench.sheet;
    const next = before.palette.map((_, i) => `#0101${(16 + i).toString(16)}`);
    exchangePalette(bench, next);
    expect(bench.sheet.palette).toEqual(next);
    expect(JSON.stringify(bench.sheet)).not.toContain(before.palette[3]);
    expect(bench.history.past).toHaveLength(1);
    bench.undo();
    expect(bench.sheet).toEqual(before);
  });
});

test('a sheet as it would be is worked out without changing anything', () => {
  const before = bench.sheet;
  const tried = bench.triedSheet({ kind: 'set', id: 'box', values: { x: 3 } });
  expect(tried).not.toBe(before);
  expect(bench.sheet).toBe(before);
  expect(bench.triedSheet({ kind: 'remove', id: 'nothing' })).toBeNull();
  expect(bench.tried({ kind: 'remove', id: 'box' })?.items.map((item) => item.id)).not.toContain('box');
});

describe('settings of several things', () => {
  test('width and height go together for several things, groups and pictures, until the lock is off', () => {
    const size = (id: string) => {
      const item = findOn(bench.page, id)!.item;
      return isFramed(item) ? [item.width, item.height] : null;
    };
    bench.select(['bird']);
    sizeTo(bench, 'width', 105);
    expect(size('bird')).toEqual([105, 120]);
    bench.select(['pair']);
    sizeTo(bench, 'height', 120);
    expect(size('pair')).toEqual([240, 120]);
    bench.select(['box', 'bird']);
    const before = size('box')!;
    sizeTo(bench, 'width', 700);
    expect(size('box')![0] / size('box')![1]).toBeCloseTo(before[0] / before[1]);
    bench.put({ along: { ...bench.along, ratio: false } });
    bench.select(['bird']);
    const [, high] = size('bird')!;
    sizeTo(bench, 'width', 50);
    expect(size('bird')).toEqual([50, high]);
  });
  test('a single box keeps its height when its width is set', () => {
    bench.select(['box']);
    sizeTo(bench, 'width', 40);
    expect(findOn(bench.page, 'box')!.item).toMatchObject({ width: 40, height: 80 });
  });
  test('a part of a setting is set for each, and the rest of it stays as each has it', () => {
    const outline = (colour: string, width: number) => ({ colour, width, dash: 'solid' as const });
    bench.make('Outline', { kind: 'set', id: 'box', values: { outline: outline('#aa0000', 1) } });
    bench.make('Outline', { kind: 'set', id: 'words', values: { outline: outline('#00aa00', 4) } });
    bench.select(['box', 'words']);
    setEach(bench, 'Outline', (item) => ('outline' in item ? { outline: { ...item.outline!, dash: 'dotted' } } : {}));
    expect(bench.selectedItems).toMatchObject([
      { outline: { colour: '#aa0000', width: 1, dash: 'dotted' } },
      { outline: { colour: '#00aa00', width: 4, dash: 'dotted' } },
    ]);
    bench.undo();
    expect(bench.selectedItems).toMatchObject([{ outline: { dash: 'solid' } }, { outline: { dash: 'solid' } }]);
  });
});

describe('superscript', () => {
  const scripts = () => {
    const item = findOn(bench.page, 'words')!.item;
    return isWritten(item) ? item.body[0].runs.map(({ text, style }) => [text, style.script]) : [];
  };
  test('goes on for marked words and off again, also when typing begins within them', () => {
    bench.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(bench, 'super');
    expect(scripts()).toEqual([
      ['one', 'super'],
      [' two', undefined],
    ]);
    bench.edit({ id: 'words', anchor: 3, focus: 3, typing: null });
    toggleStyle(bench, 'super');
    typeWords(bench, bench.editing!, 3, 0, '!');
    expect(scripts()[1]).toEqual(['!', 'none']);
    bench.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(bench, 'sub');
    expect(scripts()[0]).toEqual(['one', 'sub']);
  });
  test('bold goes on for all where only some words have it', () => {
    bench.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(bench, 'bold');
    bench.edit({ id: 'words', anchor: 0, focus: 7, typing: null });
    toggleStyle(bench, 'bold');
    expect(settingOfWords(bench)!.style.bold).toBe(true);
    toggleStyle(bench, 'bold');
    expect(settingOfWords(bench)!.style.bold).toBe(false);
  });
});

describe('a message', () => {
  const asks = () => bench.notice?.text ?? null;
  test('leaves when what it asks for is done, and not before', () => {
    giveLook(bench);
    expect(asks()).toMatch(/Copy a look first/);
    bench.select(['box']);
    move(11);
    expect(asks()).toMatch(/Copy a look first/);
    copyLook(bench);
    expect(asks()).toMatch(/Look copied/);
    bench.select(['words']);
    expect(asks()).toMatch(/Look copied/);
    giveLook(bench);
    expect(asks()).toBeNull();
  });
  test('that refuses something leaves with the next change, by undo as well', () => {
    bench.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } });
    expect(asks()).not.toBeNull();
    move(12);
    expect(asks()).toBeNull();
    bench.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } });
    bench.undo();
    expect(asks()).toBeNull();
  });
  test('whose wish seems met already is still seen', () => {
    bench.make('Lock', { kind: 'set', id: 'words', values: { locked: true } });
    bench.select(['box', 'words']);
    distribute(bench, 'x', 'gap');
    expect(asks()).toMatch(/three or more/);
    bench.say('n', () => true);
    expect(asks()).toBe('n');
  });
  test('that asks for nothing stays until it is put away', () => {
    bench.say('This browser can keep nothing by itself.');
    move(13);
    bench.select([]);
    expect(asks()).toMatch(/can keep nothing/);
    bench.hush();
    expect(asks()).toBeNull();
  });
});
