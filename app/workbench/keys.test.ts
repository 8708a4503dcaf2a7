import { beforeEach, describe, expect, test, vi } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import type { Item, TextItem } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import type { Rights } from '../document/open-document';
import { Editor } from '../document/editor';
import { COMMANDS, OTHER_KEYS } from './keys';

let editor: Editor;
const open = (rights: Rights = { kind: 'all' }) => {
  editor = new Editor({ documentId: 'd', personId: 'p', seq: 0, sheet: sampleSheet(), savedAt: 0, rights });
};
beforeEach(() => {
  open();
  vi.stubGlobal('document', { activeElement: { hasAttribute: () => true } });
  vi.stubGlobal('fetch', () => Promise.reject(new Error('no network here')));
});
const item = <T extends Item>(id: string) => find(editor.sheet, id)!.item as T;
const ids = () => editor.page.items.map((one) => one.id);

/** Presses a key as it would be on the sheet; what it is called in the list of keys, or null when nothing is done. */
function press(written: string): string | null {
  const parts = written.split('+');
  const key = parts.at(-1)!;
  const codes: Record<string, string> = { ',': 'Comma', '.': 'Period', '[': 'BracketLeft', ']': 'BracketRight' };
  const event = {
    key,
    code: codes[key] ?? (/^[a-z]$/i.test(key) ? `Key${key.toUpperCase()}` : key),
    ctrlKey: parts.includes('Ctrl'),
    metaKey: false,
    shiftKey: parts.includes('Shift'),
    altKey: parts.includes('Alt'),
  } as KeyboardEvent;
  const given = { event, key: key.toLowerCase(), command: event.ctrlKey };
  for (const { commands } of COMMANDS)
    for (const command of commands)
      if (command.when(given, editor)) {
        command.do(editor, given);
        return command.keys;
      }
  return null;
}

describe('keys of the sheet', () => {
  test('choose: Enter the first, Tab the next, and past the last one nothing', () => {
    press('Enter');
    expect(editor.selection).toEqual(['label']);
    press('Tab');
    expect(editor.selection).toEqual(['leader']);
    press('Shift+Tab');
    press('Shift+Tab');
    expect(editor.selection).toEqual([]);
    // Without anything chosen Tab is the browser's.
    expect(press('Tab')).toBeNull();
  });
  test('Enter edits words, and goes into a group', () => {
    editor.select(['words']);
    press('Enter');
    expect(editor.editing).toMatchObject({ id: 'words', anchor: 0 });
    editor.edit(null);
    editor.select(['pair']);
    press('Enter');
    expect([editor.entered, editor.selection]).toEqual(['pair', ['inner']]);
    press('Escape');
    press('Escape');
    expect([editor.entered, editor.selection]).toEqual([null, []]);
  });
  test('arrows move by a point, ten, or a quarter; with Ctrl they make larger', () => {
    editor.select(['box']);
    press('ArrowRight');
    press('Shift+ArrowDown');
    press('Alt+ArrowLeft');
    expect(item('box')).toMatchObject({ x: 500.75, y: 70 });
    press('Ctrl+ArrowRight');
    press('Ctrl+Shift+ArrowUp');
    expect(item('box')).toMatchObject({ width: 101, height: 70 });
  });
  test('turn with comma and full stop', () => {
    editor.select(['box']);
    press('.');
    press('Alt+.');
    press(',');
    expect(item('box')).toMatchObject({ angle: 15 });
  });
  test('order with brackets, one step or all the way', () => {
    editor.select(['box']);
    press('Ctrl+]');
    expect(ids().indexOf('box')).toBe(3);
    press('Ctrl+Shift+]');
    expect(ids()[0]).toBe('box');
    press('Ctrl+Shift+[');
    expect(ids().at(-1)).toBe('box');
  });
  test('group, ungroup, duplicate, lock, take away', () => {
    editor.select(['box', 'words']);
    press('Ctrl+g');
    expect(item(editor.selection[0]).kind).toBe('group');
    press('Ctrl+Shift+g');
    expect(editor.selection).toHaveLength(2);
    press('Ctrl+l');
    expect(item('box').locked).toBe(true);
    press('Delete');
    expect(ids()).toContain('box');
    expect(editor.notice?.text).toMatch(/locked/);
    press('Ctrl+l');
    press('Ctrl+d');
    expect(ids()).toHaveLength(8);
    press('Backspace');
    expect(ids()).toHaveLength(6);
  });
  test('choose all leaves out what is locked and hidden', () => {
    editor.make('Lock', { kind: 'set', id: 'box', values: { locked: true } });
    editor.make('Hide', { kind: 'set', id: 'words', values: { hidden: true } });
    press('Ctrl+a');
    expect(editor.selection).toEqual(['label', 'leader', 'pair', 'bird']);
  });
  test('copy a look and give it', () => {
    editor.select(['label']);
    press('Ctrl+Alt+c');
    editor.select(['words']);
    press('Ctrl+Alt+v');
    expect(item<TextItem>('words').role).toBe('label');
  });
  test('turn the page, find words, and show themselves', () => {
    press('PageDown');
    expect(editor.pageId).toBe('p2');
    press('PageUp');
    expect(editor.pageId).toBe('p1');
    press('Ctrl+f');
    expect(editor.finding).toBe(true);
    press('?');
    expect(editor.keySheet).toBe(true);
  });
  test('Escape first puts the pen down, then closes the list, then lets go', () => {
    editor.select(['box']);
    editor.put({ tool: { kind: 'eraser', size: 10 }, dug: { ids: ['box'], x: 0, y: 0 } });
    press('Escape');
    expect([editor.tool, editor.dug !== null]).toEqual([null, true]);
    press('Escape');
    expect([editor.dug, editor.selection]).toEqual([null, ['box']]);
    press('Escape');
    expect(editor.selection).toEqual([]);
  });
  test('a student reaches what may be filled in or changed, and can lock nothing', () => {
    open({ kind: 'student', supplies: [] });
    press('Enter');
    expect(editor.selection).toEqual(['words']);
    press('Tab');
    expect(editor.selection).toEqual(['box']);
    press('Ctrl+l');
    expect(item('box').locked).toBe(false);
  });
});

test('the list of keys names each of them once', () => {
  const listed = [...COMMANDS.flatMap(({ commands }) => commands), ...OTHER_KEYS];
  expect(new Set(listed.map(({ keys }) => keys)).size).toBe(listed.length);
  for (const { says } of listed) expect(says.length).toBeGreaterThan(5);
});
