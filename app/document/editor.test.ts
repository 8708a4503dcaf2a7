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
  distribute,
  stretch,
  tidyUp,
  turnBy,
  ungroupChosen,
} from '../commands/arrange';
import { Editor } from './editor';
import type { Rights } from './open-document';
import { clipOf, duplicate, pasteBody, pasteClip } from '../commands/clipboard';
import { addLabelAt, addLine, addShape, addText, addWordBank } from '../commands/commands';
import { setValues } from '../commands/set-values';
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

let editor: Editor;
const open = (rights: Rights = { kind: 'all' }) => {
  editor = new Editor({ documentId: 'd', personId: 'p', seq: 0, sheet: sampleSheet(), savedAt: 0, rights });
  editor.faces = faces;
};
beforeEach(() => open());
const item = <T extends Item>(id: string) => find(editor.sheet, id)!.item as T;
const ids = () => editor.page.items.map((i) => i.id);
const boxes = (list: string[]) => list.map((id) => boxOf(editor.page, findOn(editor.page, id)!.item, () => undefined));

describe('adding', () => {
  test('puts things in front, chosen, and steps aside where something lies', () => {
    addShape(editor, 'star');
    const [first] = editor.selection;
    addShape(editor, 'star');
    const [second] = editor.selection;
    expect(ids().slice(0, 2)).toEqual([second, first]);
    expect(boxes([second])[0].x).toBe(boxes([first])[0].x + 16);
  });
  test('opens new words for writing, all marked', () => {
    addText(editor, 'title');
    expect(editor.editing).toMatchObject({ id: editor.selection[0], anchor: 0, focus: 5 });
  });
  test('makes a label with its line, and a blank that students may fill', () => {
    addLabelAt(editor, { x: 10, y: 10 }, { item: 'bird', target: 'bill' }, 'bill', true);
    const [label, leader] = ids();
    expect(item<TextItem>(label)).toMatchObject({ blank: true, touch: 'fill', role: 'label' });
    expect(item<LineItem>(leader)).toMatchObject({ from: { item: label }, to: { item: 'bird', target: 'bill' } });
  });
  test('fills a word bank with the answers in alphabetical order, or says why there is none', () => {
    addLabelAt(editor, { x: 10, y: 10 }, null, 'bill', true);
    addWordBank(editor);
    expect(bodyText(item<TextItem>(editor.selection[0]).body)).toBe('bill  ·  long neck');
    for (const id of ['label', ids()[1]]) setValues(editor, 'x', { blank: false }, [id]);
    addWordBank(editor);
    expect(editor.notice?.text).toMatch(/Make a label blank first/);
  });
});

describe('moving and ordering', () => {
  test('moves all that is chosen by one step that can be undone', () => {
    editor.select(['box', 'words']);
    nudge(editor, { x: 5, y: -3 });
    expect([item<TextItem>('box').x, item<TextItem>('words').y]).toEqual([505, 297]);
    editor.undo();
    expect(editor.sheet).toEqual(sampleSheet());
    editor.redo();
    expect(item<TextItem>('box').x).toBe(505);
  });
  test('leaves what is locked where it is, and says so when it is to be taken away', () => {
    setValues(editor, 'Lock', { locked: true }, ['box']);
    editor.select(['box']);
    nudge(editor, { x: 5, y: 0 });
    remove(editor);
    expect(item<TextItem>('box').x).toBe(500);
    expect(editor.notice?.text).toMatch(/locked/);
  });
  test('goes one step or all the way, forward and back', () => {
    editor.select(['box']);
    const at = () => ids().indexOf('box');
    const before = at();
    reorder(editor, 1);
    expect(at()).toBe(before - 1);
    reorder(editor, Infinity);
    expect(at()).toBe(0);
    reorder(editor, -Infinity);
    expect(at()).toBe(ids().length - 1);
    reorder(editor, -1);
    expect(at()).toBe(ids().length - 1);
  });
  test('frees the lines of what is removed where they are seen', () => {
    editor.select(['label']);
    remove(editor);
    const leader = item<LineItem>('leader');
    expect(leader.from.item).toBeNull();
    expect(leader.from.x).toBeGreaterThan(59);
    editor.undo();
    expect(editor.sheet).toEqual(sampleSheet());
  });
});

describe('groups', () => {
  test('grouping and ungrouping leaves everything where it is seen', () => {
    editor.select(['box', 'words']);
    const before = boxes(['box', 'words']);
    groupChosen(editor);
    expect(editor.chosen).toMatchObject({ kind: 'group' });
    const inGroup = boxes(['box', 'words']);
    ungroupChosen(editor);
    for (const after of [inGroup, boxes(['box', 'words'])])
      after.forEach((box, i) => {
        expect(box.x).toBeCloseTo(before[i].x, 6);
        expect(box.y).toBeCloseTo(before[i].y, 6);
      });
    expect([...editor.selection].sort()).toEqual(['box', 'words']);
  });
  test('ungrouping a turned group turns its parts', () => {
    setValues(editor, 'Rotate', { angle: 30 }, ['pair']);
    const before = boxes(['inner', 'inner2']);
    editor.select(['pair']);
    ungroupChosen(editor);
    expect(item<TextItem>('inner').angle).toBe(30);
    boxes(['inner', 'inner2']).forEach((box, i) =>
      expect(box.x + box.width / 2).toBeCloseTo(before[i].x + before[i].width / 2, 6),
    );
  });
  test('one thing alone is not grouped', () => {
    editor.select(['box']);
    groupChosen(editor);
    expect(editor.notice?.text).toMatch(/two or more things/);
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
    editor.select(['label', 'leader']);
    duplicate(editor);
    const [label, leader] = ids();
    expect(item<LineItem>(leader)).toMatchObject({ from: { item: label }, to: { item: 'bird' } });
    expect(item<TextItem>(label)).toMatchObject({ x: 74, blank: true, also: ['neck'] });
  });
  test('go through the clipboard and come back with new names', () => {
    editor.select(['pair']);
    const clip = clipOf(editor)!;
    expect(pasteClip(editor, clip, (json) => json as Item[])).toBe(true);
    expect(ids()[0]).not.toBe('pair');
    expect(
      new Set([...editor.page.items.flatMap((i) => (i.kind === 'group' ? i.items.map((part) => part.id) : []))]).size,
    ).toBe(4);
  });
  test('that can’t be read are refused and said', () => {
    expect(pasteClip(editor, `${clipOf((editor.select(['box']), editor))!.slice(0, 40)}`, () => null)).toBe(true);
    expect(editor.notice?.text).toMatch(/could not be read/);
    expect(pasteClip(editor, 'just words', () => null)).toBe(false);
  });
  test('of words from elsewhere become a box as high as they need', () => {
    pasteBody(editor, bodyFromWords('one\r\ntwo\r\n'));
    const box = item<TextItem>(editor.selection[0]);
    expect(bodyText(box.body)).toBe('one\ntwo');
    expect(box.height).toBeGreaterThan(35);
  });
});

describe('words', () => {
  const edit = (anchor: number, focus = anchor) => editor.edit({ id: 'words', anchor, focus, typing: null });
  test('typed letter by letter are one step', () => {
    edit(0);
    'abc'.split('').forEach((letter, i) => typeWords(editor, editor.editing!, i, 0, letter));
    expect(bodyText(item<TextItem>('words').body)).toMatch(/^abcone/);
    editor.undo();
    expect(editor.sheet).toEqual(sampleSheet());
  });
  test('carry on the style before them, or the one just chosen', () => {
    edit(0, 3);
    styleWords(editor, 'Bold', { bold: true });
    typeWords(editor, editor.editing!, 3, 0, 's');
    expect(item<TextItem>('words').body[0].runs[0]).toEqual({ text: 'ones', style: { bold: true } });
    edit(4);
    styleWords(editor, 'Bold', { bold: false });
    typeWords(editor, editor.editing!, 4, 0, '!');
    expect(item<TextItem>('words').body[0].runs[1]).toMatchObject({ text: '!', style: { bold: false } });
  });
  test('of a whole box are styled and aligned when none are marked', () => {
    editor.select(['words']);
    styleWords(editor, 'Size', { size: 30 });
    formatWords(editor, 'Align', { align: 'centre' });
    expect(
      item<TextItem>('words').body.every(
        (p) => p.format.align === 'centre' && p.runs.every((run) => run.style.size === 30),
      ),
    ).toBe(true);
  });
  test('make their box grow, and shrink again when it was just as high', () => {
    setValues(editor, 'Height', { height: 44 }, ['words']);
    edit(0);
    typeWords(editor, editor.editing!, 0, 0, 'a\nb\nc\nd\n');
    const grown = item<TextItem>('words').height;
    expect(grown).toBeGreaterThan(100);
    typeWords(editor, editor.editing!, 0, 8, '');
    expect(item<TextItem>('words').height).toBeLessThan(grown);
  });
});

describe('pages', () => {
  test('are added behind the one that is shown, and the last one stays', () => {
    addPage(editor);
    expect(editor.sheet.pages.map((page) => page.id)[1]).toBe(editor.pageId);
    removePage(editor);
    removePage(editor);
    removePage(editor);
    expect(editor.sheet.pages).toHaveLength(1);
    expect(editor.notice?.text).toMatch(/at least one page/);
  });
});

describe('a student', () => {
  test('adds free things only, from the supplies that are open', () => {
    open({ kind: 'student', supplies: ['shape'] });
    addShape(editor, 'star');
    expect(item(editor.selection[0]).touch).toBe('free');
    const count = editor.page.items.length;
    addLine(editor, {});
    expect(editor.page.items).toHaveLength(count);
    expect(editor.notice?.text).toMatch(/not opened this supply/);
  });
  test('does not copy a blank as a blank', () => {
    open({ kind: 'student', supplies: ['text'] });
    editor.select(['label']);
    duplicate(editor);
    expect(item<TextItem>(editor.selection[0])).toMatchObject({ blank: false, also: [], touch: 'free' });
  });
  test('changes nothing once the copy is shut', () => {
    open({ kind: 'student', supplies: ['shape'] });
    editor.shut = 'handed in';
    addShape(editor, 'star');
    expect(editor.sheet).toEqual(sampleSheet());
    expect(editor.notice?.text).toBe('handed in');
  });
});

test('what is gone is no longer chosen or edited', () => {
  editor.edit({ id: 'words', anchor: 0, focus: 0, typing: null });
  editor.make('Remove', { kind: 'remove', id: 'words' });
  expect([editor.selection, editor.editing]).toEqual([[], null]);
});

test('choosing something outside a group leaves it', () => {
  editor.enter('pair');
  editor.select(['inner']);
  expect(editor.entered).toBe('pair');
  editor.select(['box']);
  expect(editor.entered).toBeNull();
});

describe('placing', () => {
  const across = () => boxes(['box', 'words', 'bird']);
  test('aligns to the page, the margin, the first chosen, or each other', () => {
    editor.select(['box', 'words', 'bird']);
    align(editor, 'left', 'first');
    expect(across().map((b) => b.x)).toEqual([500, 500, 500]);
    align(editor, 'bottom', 'page');
    expect(across().map((b) => Math.round(b.y + b.height))).toEqual([612, 612, 612]);
    align(editor, 'top', 'margin');
    expect(across().map((b) => b.y)).toEqual([24, 24, 24]);
    align(editor, 'centre', 'each other');
    expect(new Set(across().map((b) => Math.round(b.x + b.width / 2))).size).toBe(1);
  });
  test('distributes three things, and says so for two', () => {
    editor.select(['box', 'words']);
    distribute(editor, 'x', 'gap');
    expect(editor.notice?.text).toMatch(/three or more things/);
    editor.select(['label', 'bird', 'box']);
    distribute(editor, 'x', 'gap');
    const [label, bird, box] = boxes(['label', 'bird', 'box']);
    expect(bird.x - (label.x + label.width)).toBeCloseTo(box.x - (bird.x + bird.width), 6);
  });
  test('tidies up what is chosen, in one step that can be taken back', () => {
    const before = editor.sheet;
    editor.select(['label', 'words', 'box']);
    tidyUp(editor);
    editor.undo();
    expect(editor.sheet).toEqual(before);
  });
  test('gives others the size of the first', () => {
    editor.select(['box', 'bird']);
    sameSize(editor, 'width');
    expect(item<TextItem>('bird')).toMatchObject({ width: 100, height: 240 });
    sameSize(editor, 'size');
    expect(item<TextItem>('bird')).toMatchObject({ width: 100, height: 80 });
  });
  test('stretches and turns by key; nothing gets smaller than can be seen', () => {
    editor.select(['box']);
    stretch(editor, { x: 10, y: -1000 });
    expect(item('box')).toMatchObject({ x: 500, y: 60, width: 110, height: 4 });
    turnBy(editor, -15);
    expect(item('box')).toMatchObject({ angle: -15 });
  });
  test('what is dragged in the stack lies just before where it is dropped', () => {
    putBefore(editor, 'bird', 'words');
    expect(ids()).toEqual(['label', 'leader', 'bird', 'words', 'pair', 'box']);
    putBefore(editor, 'bird', 'label');
    expect(ids()[0]).toBe('bird');
  });
});

describe('doing again', () => {
  test('duplicating once more repeats the step that the copy was moved by', () => {
    editor.select(['box']);
    duplicate(editor);
    nudge(editor, { x: 86, y: -14 });
    duplicate(editor);
    expect(item(editor.selection[0])).toMatchObject({ x: 700, y: 60 });
    duplicate(editor);
    expect(item(editor.selection[0])).toMatchObject({ x: 800, y: 60 });
  });
  test('the next of a kind starts in the look of the last', () => {
    editor.select(['box']);
    setValues(editor, 'Fill', { fill: null, outline: { colour: '#aa0000', width: 4, dash: 'dotted' } });
    addShape(editor, 'heart');
    expect(item(editor.selection[0])).toMatchObject({ fill: null, outline: { colour: '#aa0000', width: 4 } });
  });
  test('a look is copied and given to others', () => {
    giveLook(editor);
    expect(editor.notice?.text).toMatch(/Copy a look first/);
    editor.select(['label']);
    copyLook(editor);
    editor.select(['words', 'box']);
    giveLook(editor);
    expect(item('words')).toMatchObject({ role: 'label' });
    expect(item('box').touch).toBe('free');
  });
  test('all of a kind, a colour or a role are chosen', () => {
    editor.select(['box']);
    chooseAlike(editor, 'kind');
    expect(editor.selection).toEqual(['box']);
    editor.enter('pair');
    editor.select(['inner']);
    chooseAlike(editor, 'colour');
    expect(editor.selection).toEqual(['inner', 'inner2']);
    editor.enter(null);
    editor.select(['words']);
    chooseAlike(editor, 'role');
    expect(editor.selection).toEqual(['words']);
  });
});

describe('text roles', () => {
  const words = () => item<TextItem>('words');
  test('restyling one restyles all its boxes, and lets them grow', () => {
    editor.select(['words']);
    styleWords(editor, 'Size', { size: 40 });
    const high = item<TextItem>('words').height;
    restyleRole(editor, words());
    expect(editor.sheet.roles.body.run.size).toBe(40);
    expect(words().body[0].runs[0].style).toEqual({});
    expect(words().height).toBe(high);
    const second = find(editor.sheet, 'second')!.item as TextItem;
    expect(second.height).toBeGreaterThan(100);
    editor.undo();
    expect(editor.sheet.roles.body.run.size).toBe(14);
  });
  test('one’s own is made from a box, taken away again without a change of look', () => {
    editor.select(['words']);
    styleWords(editor, 'Colour', { colour: '#aa0000' });
    addRole(editor, words(), 'Field note');
    const id = words().role!;
    expect(editor.sheet.roles[id]).toMatchObject({ name: 'Field note', run: { colour: '#aa0000' } });
    removeRole(editor, id);
    expect(words()).toMatchObject({ role: 'body', body: [{ runs: [{ style: { colour: '#aa0000' } }] }, {}] });
  });
  test('needs a name that is not taken', () => {
    addRole(editor, words(), '  ');
    expect(editor.notice?.text).toMatch(/name first/);
    addRole(editor, words(), 'title');
    expect(editor.notice?.text).toMatch(/already/);
  });
});

describe('lettering', () => {
  test('is made as wide as the page, its margin, or what stands below', () => {
    editor.select(['label']);
    const width = () => item<TextItem>('label').width;
    fitToWidth(editor, item('label'), 'page');
    expect([width(), item<TextItem>('label').fit]).toEqual([792, 'width']);
    fitToWidth(editor, item('label'), 'margin');
    expect(width()).toBe(744);
    nudge(editor, { x: 0, y: 200 });
    fitToWidth(editor, item('label'), 'next');
    expect([200, 120]).toContain(width());
  });
});

describe('words from elsewhere', () => {
  test('are told when a box is nearly full, and refused with what to do when it is', () => {
    const put = (letters: number) =>
      editor.make('Type', { kind: 'splice', id: 'words', at: 0, remove: 0, insert: plain('x'.repeat(letters)) });
    expect(put(89_000)).toBe(true);
    expect(editor.notice).toBeNull();
    expect(put(2000)).toBe(true);
    expect(editor.notice?.text).toMatch(/nearly full/);
    expect(put(12_000)).toBe(false);
    expect(editor.notice?.text).toMatch(/at most 100,000 letters.*box of its own/);
  });
  test('of ten thousand are kept in a box of the page’s height, and it is said', () => {
    pasteBody(editor, bodyFromWords(Array.from({ length: 10_000 }, (_, i) => `word${i}`).join(' ')));
    const made = item<TextItem>(editor.selection[0]);
    expect(made.height).toBeLessThanOrEqual(editor.page.height);
    expect(editor.notice?.text).toMatch(/letters were pasted|more room than the page/);
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
    pasteClip(editor, clip(500), parse);
    expect(editor.page.items).toHaveLength(506);
    pasteClip(editor, clip(501), parse);
    expect(editor.page.items).toHaveLength(506);
    expect(editor.notice?.text).toMatch(/more than 500 things/);
  });
});

describe('several pages', () => {
  test('are doubled, moved and turned to', () => {
    duplicatePage(editor);
    expect(editor.sheet.pages).toHaveLength(3);
    expect(editor.pageId).toBe(editor.sheet.pages[1].id);
    expect(editor.page.items).toHaveLength(6);
    movePage(editor, editor.pageId, 2);
    expect(editor.sheet.pages[2].id).toBe(editor.pageId);
    movePage(editor, editor.pageId, -5);
    expect(editor.sheet.pages[0].id).toBe(editor.pageId);
    turnPage(editor, 1);
    expect(editor.pageId).toBe('p1');
    turnPage(editor, 1);
    turnPage(editor, 1);
    expect(editor.pageId).toBe('p2');
  });
});
