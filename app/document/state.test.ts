import { beforeEach, describe, expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { shape } from '../../core/schema/defaults';
import { Editor, lookKey } from './editor';
import { sizeTo, distribute } from '../commands/arrange';
import { noteColour } from '../commands/commands';
import { setEach } from '../commands/set-values';
import { settingOfWords, toggleStyle, typeWords } from '../commands/word-commands';
import { findOn } from '../../core/sheet/tree';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { copyLook, giveLook } from '../commands/looks';
import { exchangePalette } from '../commands/palettes';
import { styledAsLast } from '../commands/steps';

let editor: Editor;
let told: number;
beforeEach(() => {
  editor = new Editor({
    documentId: 'd',
    personId: 'p',
    seq: 0,
    sheet: sampleSheet(),
    savedAt: 0,
    rights: { kind: 'all' },
  });
  told = 0;
  editor.subscribe(() => told++);
});
const move = (x: number) => editor.make('Move', { kind: 'set', id: 'box', values: { x } });

describe('passing state', () => {
  test('is told to who listens, and is no part of the sheet', () => {
    const before = editor.sheet;
    editor.put({ tab: 'look', finding: true });
    expect([editor.tab, editor.finding, told]).toEqual(['look', true, 1]);
    expect(editor.sheet).toBe(before);
    expect(editor.history.past).toEqual([]);
  });
  test('choosing something else closes the list of what lies here, and begins with the first stop', () => {
    editor.put({ dug: { ids: ['box'], x: 1, y: 1 }, stop: 2 });
    editor.select(['words']);
    expect([editor.dug, editor.stop]).toEqual([null, 0]);
  });
  test('whoever changes, undoes or redoes something is back in the present', () => {
    const past = { sheet: sampleSheet(), label: 'then' };
    editor.put({ past });
    move(10);
    expect(editor.past).toBeNull();
    editor.put({ past });
    editor.undo();
    expect(editor.past).toBeNull();
    editor.put({ past });
    editor.redo();
    expect(editor.past).toBeNull();
  });
  test('a change that is refused leaves who looks back where they are', () => {
    editor.put({ past: { sheet: sampleSheet(), label: 'then' } });
    expect(editor.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } })).toBe(false);
    expect(editor.past?.label).toBe('then');
  });
});

test('what was done before the vault has opened is not said to be saved', () => {
  expect(editor.save.kind).toBe('saved');
  move(10);
  expect(editor.save.kind).toBe('saving');
});

describe('what is remembered', () => {
  test('the last ten colours, the newest first, each once', () => {
    for (let i = 0; i < 12; i++) noteColour(editor, `#0000${i.toString(16).padStart(2, '0')}`);
    noteColour(editor, '#000005');
    noteColour(editor, null);
    expect(editor.recent).toHaveLength(10);
    expect(editor.recent.slice(0, 2)).toEqual(['#000005', '#00000b']);
  });
  test('a look by kind, and of text by its role', () => {
    editor.remember(['box', 'label', 'gone']);
    expect([...editor.looks.keys()]).toEqual(['shape', 'text label']);
    expect(lookKey(shape({ id: 'x' }))).toBe('shape');
  });
  test('what was asked for expressly is kept over the last look', () => {
    editor.make('Fill', { kind: 'set', id: 'box', values: { fill: null, opacity: 0.5 } });
    editor.remember(['box']);
    expect(styledAsLast(editor, shape({ id: 'x' }), ['opacity'])).toMatchObject({ fill: null, opacity: 1 });
    expect(styledAsLast(editor, shape({ id: 'x' }))).toMatchObject({ fill: null, opacity: 0.5 });
  });
});

describe('another palette', () => {
  test('exchanges its colours wherever they are used, in one step', () => {
    const before = editor.sheet;
    const next = before.palette.map((_, i) => `#0101${(16 + i).toString(16)}`);
    exchangePalette(editor, next);
    expect(editor.sheet.palette).toEqual(next);
    expect(JSON.stringify(editor.sheet)).not.toContain(before.palette[3]);
    expect(editor.history.past).toHaveLength(1);
    editor.undo();
    expect(editor.sheet).toEqual(before);
  });
});

test('a sheet as it would be is worked out without changing anything', () => {
  const before = editor.sheet;
  const tried = editor.triedSheet({ kind: 'set', id: 'box', values: { x: 3 } });
  expect(tried).not.toBe(before);
  expect(editor.sheet).toBe(before);
  expect(editor.triedSheet({ kind: 'remove', id: 'nothing' })).toBeNull();
  expect(editor.tried({ kind: 'remove', id: 'box' })?.items.map((item) => item.id)).not.toContain('box');
});

describe('settings of several things', () => {
  test('width and height go together for several things, groups and pictures, until the lock is off', () => {
    const size = (id: string) => {
      const item = findOn(editor.page, id)!.item;
      return isFramed(item) ? [item.width, item.height] : null;
    };
    editor.select(['bird']);
    sizeTo(editor, 'width', 105);
    expect(size('bird')).toEqual([105, 120]);
    editor.select(['pair']);
    sizeTo(editor, 'height', 120);
    expect(size('pair')).toEqual([240, 120]);
    editor.select(['box', 'bird']);
    const before = size('box')!;
    sizeTo(editor, 'width', 700);
    expect(size('box')![0] / size('box')![1]).toBeCloseTo(before[0] / before[1]);
    editor.put({ along: { ...editor.along, ratio: false } });
    editor.select(['bird']);
    const [, high] = size('bird')!;
    sizeTo(editor, 'width', 50);
    expect(size('bird')).toEqual([50, high]);
  });
  test('a single box keeps its height when its width is set', () => {
    editor.select(['box']);
    sizeTo(editor, 'width', 40);
    expect(findOn(editor.page, 'box')!.item).toMatchObject({ width: 40, height: 80 });
  });
  test('a part of a setting is set for each, and the rest of it stays as each has it', () => {
    const outline = (colour: string, width: number) => ({ colour, width, dash: 'solid' as const });
    editor.make('Outline', { kind: 'set', id: 'box', values: { outline: outline('#aa0000', 1) } });
    editor.make('Outline', { kind: 'set', id: 'words', values: { outline: outline('#00aa00', 4) } });
    editor.select(['box', 'words']);
    setEach(editor, 'Outline', (item) => ('outline' in item ? { outline: { ...item.outline!, dash: 'dotted' } } : {}));
    expect(editor.selectedItems).toMatchObject([
      { outline: { colour: '#aa0000', width: 1, dash: 'dotted' } },
      { outline: { colour: '#00aa00', width: 4, dash: 'dotted' } },
    ]);
    editor.undo();
    expect(editor.selectedItems).toMatchObject([{ outline: { dash: 'solid' } }, { outline: { dash: 'solid' } }]);
  });
});

describe('superscript', () => {
  const scripts = () => {
    const item = findOn(editor.page, 'words')!.item;
    return isWritten(item) ? item.body[0].runs.map(({ text, style }) => [text, style.script]) : [];
  };
  test('goes on for marked words and off again, also when typing begins within them', () => {
    editor.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(editor, 'super');
    expect(scripts()).toEqual([
      ['one', 'super'],
      [' two', undefined],
    ]);
    editor.edit({ id: 'words', anchor: 3, focus: 3, typing: null });
    toggleStyle(editor, 'super');
    typeWords(editor, editor.editing!, 3, 0, '!');
    expect(scripts()[1]).toEqual(['!', 'none']);
    editor.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(editor, 'sub');
    expect(scripts()[0]).toEqual(['one', 'sub']);
  });
  test('bold goes on for all where only some words have it', () => {
    editor.edit({ id: 'words', anchor: 0, focus: 3, typing: null });
    toggleStyle(editor, 'bold');
    editor.edit({ id: 'words', anchor: 0, focus: 7, typing: null });
    toggleStyle(editor, 'bold');
    expect(settingOfWords(editor)!.style.bold).toBe(true);
    toggleStyle(editor, 'bold');
    expect(settingOfWords(editor)!.style.bold).toBe(false);
  });
});

describe('a message', () => {
  const asks = () => editor.notice?.text ?? null;
  test('leaves when what it asks for is done, and not before', () => {
    giveLook(editor);
    expect(asks()).toMatch(/Copy a look first/);
    editor.select(['box']);
    move(11);
    expect(asks()).toMatch(/Copy a look first/);
    copyLook(editor);
    expect(asks()).toMatch(/Look copied/);
    editor.select(['words']);
    expect(asks()).toMatch(/Look copied/);
    giveLook(editor);
    expect(asks()).toBeNull();
  });
  test('that refuses something leaves with the next change, by undo as well', () => {
    editor.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } });
    expect(asks()).not.toBeNull();
    move(12);
    expect(asks()).toBeNull();
    editor.make('Move', { kind: 'set', id: 'nothing', values: { x: 1 } });
    editor.undo();
    expect(asks()).toBeNull();
  });
  test('whose wish seems met already is still seen', () => {
    editor.make('Lock', { kind: 'set', id: 'words', values: { locked: true } });
    editor.select(['box', 'words']);
    distribute(editor, 'x', 'gap');
    expect(asks()).toMatch(/three or more/);
    editor.say('n', () => true);
    expect(asks()).toBe('n');
  });
  test('that asks for nothing stays until it is put away', () => {
    editor.say('This browser can keep nothing by itself.');
    move(13);
    editor.select([]);
    expect(asks()).toMatch(/can keep nothing/);
    editor.hush();
    expect(asks()).toBeNull();
  });
});
