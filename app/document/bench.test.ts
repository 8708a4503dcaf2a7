import { plain } from '../../core/schema/defaults';
import fc from 'fast-check';
import { beforeAll, beforeEach, describe, expect, test, vi } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { sampleSheet } from '../../tests/support/sheets';
import { boxOf } from '../../core/items/hit';
import { bodyText } from '../../core/text/body';
import type { Item, LineItem, TextItem } from '../../core/schema/sheet';
import { find, findOn } from '../../core/sheet/tree';
import type { Faces } from '../../core/text/faces';
import { scaledItem } from '../../core/items/scale';
import {
  align,
  groupChosen,
  itemChanges,
  nudge,
  putBefore,
  remove,
  reorder,
  sameSize,
  spread,
  stretch,
  tidyUp,
  turnBy,
  ungroupChosen,
} from '../commands/arrange';
import { Bench } from './bench';
import type { Rights } from './bench';
import { clipOf, duplicate, pasteBody, pasteClip } from '../commands/clipboard';
import { addLabelAt, addLine, addShape, addText, addWordBank, setValues } from '../commands/commands';
import { chooseAlike, copyLook, giveLook } from '../commands/looks';
import { addPage, duplicatePage, movePage, removePage, turnPage } from '../commands/page-commands';
import { addRole, removeRole, restyleRole } from '../commands/roles';
import { bodyFromWords } from '../commands/paste';
import { typeWords } from '../commands/word-commands';
import { fitToWidth, formatWords, styleWords } from '../commands/word-commands';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
  // Pictures are fetched by the page; none are needed here.
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no network here')));
});

let bench: Bench;
const open = (rights: Rights = { kind: 'all' }) => {
  bench = new Bench({ documentId: 'd', personId: 'p', seq: 0, sheet: sampleSheet(), savedAt: 0, rights });
  bench.faces = faces;
};
beforeEach(() => open());
const item = <T extends Item>(id: string) => find(bench.sheet, id)!.item as T;
const ids = () => bench.page.items.map((i) => i.id);
const boxes = (list: string[]) => list.map((id) => boxOf(bench.page, findOn(bench.page, id)!.item, () => undefined));

describe('adding', () => {
  test('puts things in front, chosen, and steps aside where something lies', () => {
    addShape(bench, 'star');
    const [first] = bench.selection;
    addShape(bench, 'star');
    const [second] = bench.selection;
    expect(ids().slice(0, 2)).toEqual([second, first]);
    expect(boxes([second])[0].x).toBe(boxes([first])[0].x + 16);
  });
  test('opens new words for writing, all marked', () => {
    addText(bench, 'title');
    expect(bench.editing).toMatchObject({ id: bench.selection[0], anchor: 0, focus: 5 });
  });
  test('makes a label with its line, and a blank that students may fill', () => {
    addLabelAt(bench, { x: 10, y: 10 }, { item: 'bird', target: 'bill' }, 'bill', true);
    const [label, leader] = ids();
    expect(item<TextItem>(label)).toMatchObject({ blank: true, touch: 'fill', role: 'label' });
    expect(item<LineItem>(leader)).toMatchObject({ from: { item: label }, to: { item: 'bird', target: 'bill' } });
  });
  test('fills a word bank with the answers in alphabetical order, or says why there is none', () => {
    addLabelAt(bench, { x: 10, y: 10 }, null, 'bill', true);
    addWordBank(bench);
    expect(bodyText(item<TextItem>(bench.selection[0]).body)).toBe('bill  ·  long neck');
    for (const id of ['label', ids()[1]]) setValues(bench, 'x', { blank: false }, [id]);
    addWordBank(bench);
    expect(bench.notice?.text).toMatch(/Make a label blank first/);
  });
});

describe('moving and ordering', () => {
  test('moves all that is chosen by one step that can be undone', () => {
    bench.select(['box', 'words']);
    nudge(bench, { x: 5, y: -3 });
    expect([item<TextItem>('box').x, item<TextItem>('words').y]).toEqual([505, 297]);
    bench.undo();
    expect(bench.sheet).toEqual(sampleSheet());
    bench.redo();
    expect(item<TextItem>('box').x).toBe(505);
  });
  test('leaves what is locked where it is, and says so when it is to be taken away', () => {
    setValues(bench, 'Lock', { locked: true }, ['box']);
    bench.select(['box']);
    nudge(bench, { x: 5, y: 0 });
    remove(bench);
    expect(item<TextItem>('box').x).toBe(500);
    expect(bench.notice?.text).toMatch(/locked/);
  });
  test('goes one step or all the way, forward and back', () => {
    bench.select(['box']);
    const at = () => ids().indexOf('box');
    const before = at();
    reorder(bench, 1);
    expect(at()).toBe(before - 1);
    reorder(bench, Infinity);
    expect(at()).toBe(0);
    reorder(bench, -Infinity);
    expect(at()).toBe(ids().length - 1);
    reorder(bench, -1);
    expect(at()).toBe(ids().length - 1);
  });
  test('frees the lines of what is removed where they are seen', () => {
    bench.select(['label']);
    remove(bench);
    const leader = item<LineItem>('leader');
    expect(leader.from.item).toBeNull();
    expect(leader.from.x).toBeGreaterThan(59);
    bench.undo();
    expect(bench.sheet).toEqual(sampleSheet());
  });
});

describe('groups', () => {
  test('grouping and ungrouping leaves everything where it is seen', () => {
    bench.select(['box', 'words']);
    const before = boxes(['box', 'words']);
    groupChosen(bench);
    expect(bench.chosen).toMatchObject({ kind: 'group' });
    const inGroup = boxes(['box', 'words']);
    ungroupChosen(bench);
    for (const after of [inGroup, boxes(['box', 'words'])])
      after.forEach((box, i) => {
        expect(box.x).toBeCloseTo(before[i].x, 6);
        expect(box.y).toBeCloseTo(before[i].y, 6);
      });
    expect([...bench.selection].sort()).toEqual(['box', 'words']);
  });
  test('ungrouping a turned group turns its parts', () => {
    setValues(bench, 'Rotate', { angle: 30 }, ['pair']);
    const before = boxes(['inner', 'inner2']);
    bench.select(['pair']);
    ungroupChosen(bench);
    expect(item<TextItem>('inner').angle).toBe(30);
    boxes(['inner', 'inner2']).forEach((box, i) =>
      expect(box.x + box.width / 2).toBeCloseTo(before[i].x + before[i].width / 2, 6),
    );
  });
  test('one thing alone is not grouped', () => {
    bench.select(['box']);
    groupChosen(bench);
    expect(bench.notice?.text).toMatch(/two or more things/);
  });
  test('a group that is resized takes its parts along, and back', () => {
    const size = fc.integer({ min: 20, max: 400 });
    fc.assert(
      fc.property(size, size, (width, height) => {
        const group = item('pair');
        const [was, is] = [
          { x: 300, y: 300, width: 120, height: 60 },
          { x: 0, y: 0, width, height },
        ];
        const there = scaledItem(group, was, is);
        const back = scaledItem(there, is, was);
        for (const [a, b] of [[back, group]] as const)
          if (a.kind === 'group' && b.kind === 'group')
            a.items.forEach((part, i) =>
              expect((part as TextItem).width).toBeCloseTo((b.items[i] as TextItem).width, 6),
            );
        expect(itemChanges(group, there)).toHaveLength(3);
      }),
    );
  });
});

describe('copies', () => {
  test('hold on to one another, not to the originals', () => {
    bench.select(['label', 'leader']);
    duplicate(bench);
    const [label, leader] = ids();
    expect(item<LineItem>(leader)).toMatchObject({ from: { item: label }, to: { item: 'bird' } });
    expect(item<TextItem>(label)).toMatchObject({ x: 74, blank: true, also: ['neck'] });
  });
  test('go through the clipboard and come back with new names', () => {
    bench.select(['pair']);
    const clip = clipOf(bench)!;
    expect(pasteClip(bench, clip, (json) => json as Item[])).toBe(true);
    expect(ids()[0]).not.toBe('pair');
    expect(
      new Set([...bench.page.items.flatMap((i) => (i.kind === 'group' ? i.items.map((part) => part.id) : []))]).size,
    ).toBe(4);
  });
  test('that can’t be read are refused and said', () => {
    expect(pasteClip(bench, `${clipOf((bench.select(['box']), bench))!.slice(0, 40)}`, () => null)).toBe(true);
    expect(bench.notice?.text).toMatch(/could not be read/);
    expect(pasteClip(bench, 'just words', () => null)).toBe(false);
  });
  test('of words from elsewhere become a box as high as they need', () => {
    pasteBody(bench, bodyFromWords('one\r\ntwo\r\n'));
    const box = item<TextItem>(bench.selection[0]);
    expect(bodyText(box.body)).toBe('one\ntwo');
    expect(box.height).toBeGreaterThan(35);
  });
});

describe('words', () => {
  const edit = (anchor: number, focus = anchor) => bench.edit({ id: 'words', anchor, focus, typing: null });
  test('typed letter by letter are one step', () => {
    edit(0);
    'abc'.split('').forEach((letter, i) => typeWords(bench, bench.editing!, i, 0, letter));
    expect(bodyText(item<TextItem>('words').body)).toMatch(/^abcone/);
    bench.undo();
    expect(bench.sheet).toEqual(sampleSheet());
  });
  test('carry on the style before them, or the one just chosen', () => {
    edit(0, 3);
    styleWords(bench, 'Bold', { bold: true });
    typeWords(bench, bench.editing!, 3, 0, 's');
    expect(item<TextItem>('words').body[0].runs[0]).toEqual({ text: 'ones', style: { bold: true } });
    edit(4);
    styleWords(bench, 'Bold', { bold: false });
    typeWords(bench, bench.editing!, 4, 0, '!');
    expect(item<TextItem>('words').body[0].runs[1]).toMatchObject({ text: '!', style: { bold: false } });
  });
  test('of a whole box are styled and aligned when none are marked', () => {
    bench.select(['words']);
    styleWords(bench, 'Size', { size: 30 });
    formatWords(bench, 'Align', { align: 'centre' });
    expect(
      item<TextItem>('words').body.every(
        (p) => p.format.align === 'centre' && p.runs.every((run) => run.style.size === 30),
      ),
    ).toBe(true);
  });
  test('make their box grow, and shrink again when it was just as high', () => {
    setValues(bench, 'Height', { height: 44 }, ['words']);
    edit(0);
    typeWords(bench, bench.editing!, 0, 0, 'a\nb\nc\nd\n');
    const grown = item<TextItem>('words').height;
    expect(grown).toBeGreaterThan(100);
    typeWords(bench, bench.editing!, 0, 8, '');
    expect(item<TextItem>('words').height).toBeLessThan(grown);
  });
});

describe('pages', () => {
  test('are added behind the one that is shown, and the last one stays', () => {
    addPage(bench);
    expect(bench.sheet.pages.map((page) => page.id)[1]).toBe(bench.pageId);
    removePage(bench);
    removePage(bench);
    removePage(bench);
    expect(bench.sheet.pages).toHaveLength(1);
    expect(bench.notice?.text).toMatch(/at least one page/);
  });
});

describe('a student', () => {
  test('adds free things only, from the supplies that are open', () => {
    open({ kind: 'student', supplies: ['shape'] });
    addShape(bench, 'star');
    expect(item(bench.selection[0]).touch).toBe('free');
    const count = bench.page.items.length;
    addLine(bench, {});
    expect(bench.page.items).toHaveLength(count);
    expect(bench.notice?.text).toMatch(/not opened this supply/);
  });
  test('does not copy a blank as a blank', () => {
    open({ kind: 'student', supplies: ['text'] });
    bench.select(['label']);
    duplicate(bench);
    expect(item<TextItem>(bench.selection[0])).toMatchObject({ blank: false, also: [], touch: 'free' });
  });
  test('changes nothing once the copy is shut', () => {
    open({ kind: 'student', supplies: ['shape'] });
    bench.shut = 'handed in';
    addShape(bench, 'star');
    expect(bench.sheet).toEqual(sampleSheet());
    expect(bench.notice?.text).toBe('handed in');
  });
});

test('what is gone is no longer chosen or edited', () => {
  bench.edit({ id: 'words', anchor: 0, focus: 0, typing: null });
  bench.make('Remove', { kind: 'remove', id: 'words' });
  expect([bench.selection, bench.editing]).toEqual([[], null]);
});

test('choosing something outside a group leaves it', () => {
  bench.enter('pair');
  bench.select(['inner']);
  expect(bench.entered).toBe('pair');
  bench.select(['box']);
  expect(bench.entered).toBeNull();
});

describe('placing', () => {
  const across = () => boxes(['box', 'words', 'bird']);
  test('aligns to the page, the margin, the first chosen, or each other', () => {
    bench.select(['box', 'words', 'bird']);
    align(bench, 'left', 'first');
    expect(across().map((b) => b.x)).toEqual([500, 500, 500]);
    align(bench, 'bottom', 'page');
    expect(across().map((b) => Math.round(b.y + b.height))).toEqual([612, 612, 612]);
    align(bench, 'top', 'margin');
    expect(across().map((b) => b.y)).toEqual([24, 24, 24]);
    align(bench, 'centre', 'each other');
    expect(new Set(across().map((b) => Math.round(b.x + b.width / 2))).size).toBe(1);
  });
  test('spreads three things, and says so for two', () => {
    bench.select(['box', 'words']);
    spread(bench, 'x', 'gap');
    expect(bench.notice?.text).toMatch(/three or more things/);
    bench.select(['label', 'bird', 'box']);
    spread(bench, 'x', 'gap');
    const [label, bird, box] = boxes(['label', 'bird', 'box']);
    expect(bird.x - (label.x + label.width)).toBeCloseTo(box.x - (bird.x + bird.width), 6);
  });
  test('tidies up what is chosen, in one step that can be taken back', () => {
    const before = bench.sheet;
    bench.select(['label', 'words', 'box']);
    tidyUp(bench);
    bench.undo();
    expect(bench.sheet).toEqual(before);
  });
  test('gives others the size of the first', () => {
    bench.select(['box', 'bird']);
    sameSize(bench, 'width');
    expect(item<TextItem>('bird')).toMatchObject({ width: 100, height: 240 });
    sameSize(bench, 'size');
    expect(item<TextItem>('bird')).toMatchObject({ width: 100, height: 80 });
  });
  test('stretches and turns by key; nothing gets smaller than can be seen', () => {
    bench.select(['box']);
    stretch(bench, { x: 10, y: -1000 });
    expect(item('box')).toMatchObject({ x: 500, y: 60, width: 110, height: 4 });
    turnBy(bench, -15);
    expect(item('box')).toMatchObject({ angle: -15 });
  });
  test('what is dragged in the stack lies just before where it is dropped', () => {
    putBefore(bench, 'bird', 'words');
    expect(ids()).toEqual(['label', 'leader', 'bird', 'words', 'pair', 'box']);
    putBefore(bench, 'bird', 'label');
    expect(ids()[0]).toBe('bird');
  });
});

describe('doing again', () => {
  test('duplicating once more repeats the step that the copy was moved by', () => {
    bench.select(['box']);
    duplicate(bench);
    nudge(bench, { x: 86, y: -14 });
    duplicate(bench);
    expect(item(bench.selection[0])).toMatchObject({ x: 700, y: 60 });
    duplicate(bench);
    expect(item(bench.selection[0])).toMatchObject({ x: 800, y: 60 });
  });
  test('the next of a kind starts in the look of the last', () => {
    bench.select(['box']);
    setValues(bench, 'Fill', { fill: null, outline: { colour: '#aa0000', width: 4, dash: 'dotted' } });
    addShape(bench, 'heart');
    expect(item(bench.selection[0])).toMatchObject({ fill: null, outline: { colour: '#aa0000', width: 4 } });
  });
  test('a look is copied and given to others', () => {
    giveLook(bench);
    expect(bench.notice?.text).toMatch(/Copy a look first/);
    bench.select(['label']);
    copyLook(bench);
    bench.select(['words', 'box']);
    giveLook(bench);
    expect(item('words')).toMatchObject({ role: 'label' });
    expect(item('box').touch).toBe('free');
  });
  test('all of a kind, a colour or a role are chosen', () => {
    bench.select(['box']);
    chooseAlike(bench, 'kind');
    expect(bench.selection).toEqual(['box']);
    bench.enter('pair');
    bench.select(['inner']);
    chooseAlike(bench, 'colour');
    expect(bench.selection).toEqual(['inner', 'inner2']);
    bench.enter(null);
    bench.select(['words']);
    chooseAlike(bench, 'role');
    expect(bench.selection).toEqual(['words']);
  });
});

describe('text roles', () => {
  const words = () => item<TextItem>('words');
  test('restyling one restyles all its boxes, and lets them grow', () => {
    bench.select(['words']);
    styleWords(bench, 'Size', { size: 40 });
    const high = item<TextItem>('words').height;
    restyleRole(bench, words());
    expect(bench.sheet.roles.body.run.size).toBe(40);
    expect(words().body[0].runs[0].style).toEqual({});
    expect(words().height).toBe(high);
    const second = find(bench.sheet, 'second')!.item as TextItem;
    expect(second.height).toBeGreaterThan(100);
    bench.undo();
    expect(bench.sheet.roles.body.run.size).toBe(14);
  });
  test('one’s own is made from a box, taken away again without a change of look', () => {
    bench.select(['words']);
    styleWords(bench, 'Colour', { colour: '#aa0000' });
    addRole(bench, words(), 'Field note');
    const id = words().role!;
    expect(bench.sheet.roles[id]).toMatchObject({ name: 'Field note', run: { colour: '#aa0000' } });
    removeRole(bench, id);
    expect(words()).toMatchObject({ role: 'body', body: [{ runs: [{ style: { colour: '#aa0000' } }] }, {}] });
  });
  test('needs a name that is not taken', () => {
    addRole(bench, words(), '  ');
    expect(bench.notice?.text).toMatch(/name first/);
    addRole(bench, words(), 'title');
    expect(bench.notice?.text).toMatch(/already/);
  });
});

describe('lettering', () => {
  test('is made as wide as the page, its margin, or what stands below', () => {
    bench.select(['label']);
    const width = () => item<TextItem>('label').width;
    fitToWidth(bench, item('label'), 'page');
    expect([width(), item<TextItem>('label').fit]).toEqual([792, 'width']);
    fitToWidth(bench, item('label'), 'margin');
    expect(width()).toBe(744);
    nudge(bench, { x: 0, y: 200 });
    fitToWidth(bench, item('label'), 'next');
    expect([200, 120]).toContain(width());
  });
});

describe('words from elsewhere', () => {
  test('are told when a box is nearly full, and refused with what to do when it is', () => {
    const put = (letters: number) =>
      bench.make('Type', { kind: 'splice', id: 'words', at: 0, remove: 0, insert: plain('x'.repeat(letters)) });
    expect(put(89_000)).toBe(true);
    expect(bench.notice).toBeNull();
    expect(put(2000)).toBe(true);
    expect(bench.notice?.text).toMatch(/nearly full/);
    expect(put(12_000)).toBe(false);
    expect(bench.notice?.text).toMatch(/at most 100,000 letters.*box of its own/);
  });
  test('of ten thousand are kept in a box of the page’s height, and it is said', () => {
    pasteBody(bench, bodyFromWords(Array.from({ length: 10_000 }, (_, i) => `word${i}`).join(' ')));
    const made = item<TextItem>(bench.selection[0]);
    expect(made.height).toBeLessThanOrEqual(bench.page.height);
    expect(bench.notice?.text).toMatch(/letters were pasted|more room than the page/);
  });
  test('that look like a list become one', () => {
    const body = bodyFromWords('- crab\n- snail\n    - shell\nwords');
    expect(body.map((p) => p.format)).toEqual([
      { list: 'bullet' },
      { list: 'bullet' },
      { list: 'bullet', level: 2 },
      {},
    ]);
    expect(bodyText(body)).toBe('crab\nsnail\nshell\nwords');
    expect(bodyFromWords('- only one dash')[0].format).toEqual({});
  });
  test('five hundred things are pasted, more are refused with a reason', () => {
    const clip = (count: number) =>
      `dappled-margin/items:${JSON.stringify(Array.from({ length: count }, (_, i) => ({ ...item('box'), id: `n${i}` })))}`;
    const parse = (json: unknown) => ((json as unknown[]).length > 500 ? null : (json as Item[]));
    pasteClip(bench, clip(500), parse);
    expect(bench.page.items).toHaveLength(506);
    pasteClip(bench, clip(501), parse);
    expect(bench.page.items).toHaveLength(506);
    expect(bench.notice?.text).toMatch(/more than 500 things/);
  });
});

describe('several pages', () => {
  test('are doubled, moved and turned to', () => {
    duplicatePage(bench);
    expect(bench.sheet.pages).toHaveLength(3);
    expect(bench.pageId).toBe(bench.sheet.pages[1].id);
    expect(bench.page.items).toHaveLength(6);
    movePage(bench, bench.pageId, 2);
    expect(bench.sheet.pages[2].id).toBe(bench.pageId);
    movePage(bench, bench.pageId, -5);
    expect(bench.sheet.pages[0].id).toBe(bench.pageId);
    turnPage(bench, 1);
    expect(bench.pageId).toBe('p1');
    turnPage(bench, 1);
    turnPage(bench, 1);
    expect(bench.pageId).toBe('p2');
  });
});
