import { expect, test } from 'vitest';
import type { Press } from './outline-keys';
import { pressed } from './outline-keys';

const rows = [
  { id: '1', text: 'Marsh', depth: 0 },
  { id: '2', text: 'Birds', depth: 1 },
  { id: '3', text: 'Heron', depth: 2 },
  { id: '4', text: 'Plants', depth: 1 },
];
const press = (key: string, more: Partial<Press> = {}): Press => ({
  key,
  shift: false,
  alt: false,
  command: false,
  start: 0,
  collapsed: true,
  ...more,
});
const told = (done: ReturnType<typeof pressed>) =>
  done?.edit?.rows.map(({ text, depth }) => `${' '.repeat(depth)}${text}`).join('\n');

test('Enter breaks a line at the caret, and at the end of a parent begins its first child', () => {
  expect(told(pressed(rows, 3, press('Enter', { start: 2 })))).toBe('Marsh\n Birds\n  Heron\n Pl\n ants');
  const child = pressed(rows, 1, press('Enter', { start: 5 }))!;
  expect(told(child)).toBe('Marsh\n Birds\n  \n  Heron\n Plants');
  expect(child.caret).toEqual({ id: child.edit!.rows[2].id, at: 0 });
});

test('Backspace at the start of a line joins it with the one above; elsewhere the field takes it', () => {
  const done = pressed(rows, 3, press('Backspace'))!;
  expect(told(done)).toBe('Marsh\n Birds\n  HeronPlants');
  expect(done.caret).toEqual({ id: '3', at: 5 });
  expect(pressed(rows, 3, press('Backspace', { start: 2 }))).toBeNull();
  expect(pressed(rows, 3, press('Backspace', { collapsed: false }))).toBeNull();
  expect(pressed(rows, 0, press('Backspace'))).toBeNull();
  expect(told(pressed([{ ...rows[0], text: '' }, rows[1]], 0, press('Backspace')))).toBe(' Birds');
});

test('a branch is removed with all that is under it, but never the whole map', () => {
  expect(told(pressed(rows, 1, press('Delete', { command: true })))).toBe('Marsh\n Plants');
  expect(pressed(rows, 0, press('Delete', { command: true }))).toEqual({});
});

test('arrows go from line to line, with Alt they take the branch along, and stop at the ends', () => {
  expect(pressed(rows, 1, press('ArrowUp', { start: 3 }))).toEqual({ caret: { id: '1', at: 3 } });
  expect(pressed(rows, 3, press('ArrowDown'))).toEqual({});
  expect(told(pressed(rows, 1, press('ArrowDown', { alt: true })))).toBe('Marsh\n Plants\n Birds\n  Heron');
  expect(pressed(rows, 3, press('ArrowDown', { alt: true }))).toEqual({});
});

test('undo and redo are the sheet’s, letters the field’s', () => {
  expect(pressed(rows, 0, press('z', { command: true }))).toEqual({ undo: 1 });
  expect(pressed(rows, 0, press('Z', { command: true, shift: true }))).toEqual({ undo: -1 });
  expect(pressed(rows, 0, press('y', { command: true }))).toEqual({ undo: -1 });
  expect(pressed(rows, 0, press('a'))).toBeNull();
});
