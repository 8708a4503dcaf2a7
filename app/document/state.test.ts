import { beforeEach, describe, expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { shape } from '../../core/schema/defaults';
import { Bench, lookKey } from './bench';
import { noteColour } from '../commands/commands';
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
