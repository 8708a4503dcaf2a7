import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { hostname, tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { StartProblem } from './connection';
import { lockDirectory } from './lock';

let directory: string;
beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'dappled-lock-'));
});
afterEach(() => rmSync(directory, { recursive: true, force: true }));
const leave = (holder: object | string) =>
  writeFileSync(path.join(directory, 'lock'), typeof holder === 'string' ? holder : JSON.stringify(holder));

test('a second one is refused while the first holds it, and gets it afterwards', () => {
  const unlock = lockDirectory(directory);
  expect(() => lockDirectory(directory)).toThrow(StartProblem);
  expect(() => lockDirectory(directory)).toThrow(/DATA_DIR/);
  unlock();
  lockDirectory(directory)();
  expect(readdirSync(directory)).toEqual([]);
});

test('a lock whose process is gone does not count', () => {
  leave({ pid: 2 ** 22 + 1, started: '1', host: hostname() });
  lockDirectory(directory)();
});

test('nor one whose number was given to another process meanwhile', () => {
  leave({ pid: process.pid, started: 'another time', host: hostname() });
  lockDirectory(directory)();
});

test('nor one that was never written whole', () => {
  leave('');
  lockDirectory(directory)();
});

test('one of another machine counts: it can’t be asked', () => {
  leave({ pid: 1, started: '1', host: 'elsewhere' });
  expect(() => lockDirectory(directory)).toThrow(/on elsewhere/);
  // It says how to go on where nothing runs there any more.
  expect(() => lockDirectory(directory)).toThrow(`remove ${path.join(directory, 'lock')}`);
});
