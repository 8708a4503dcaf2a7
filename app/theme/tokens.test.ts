import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, test } from 'vitest';
import { COLOURS, RADII, SIZES, tokensCss } from './tokens';

/** Every colour, size and radius of the screens is a token, so that a change there changes it everywhere. */

const app = path.resolve(import.meta.dirname, '..');
const all = readdirSync(app, { recursive: true, encoding: 'utf8' }).filter(
  (file) => !/\.test\.|theme.tokens\.ts$/.test(file),
);
const sources = (ending: RegExp) =>
  all.filter((file) => ending.test(file)).map((file) => ({ file, text: readFileSync(path.join(app, file), 'utf8') }));
const found = (list: { file: string; text: string }[], pattern: RegExp) =>
  list.flatMap(({ file, text }) => [...text.matchAll(pattern)].map(([what]) => `${file}: ${what}`));
const styles = sources(/\.css$/);
const code = sources(/\.tsx?$/);

describe('nothing but tokens', () => {
  test('gives a colour', () => {
    expect(styles.length).toBeGreaterThan(15);
    expect(found(styles, /#[0-9a-f]{3,8}\b|\b(?:rgb|hsl|oklch)a?\(/gi)).toEqual([]);
    // A colour in a message to a person is an example.
    const named = found(code, /(?<!Type # and|such as )['"`]#(?:[0-9a-f]{3}|[0-9a-f]{6})['"`]/gi);
    expect(named).toEqual([]);
  });
  test('gives a size of letters or a radius', () => {
    expect(found(styles, /font(?:-size)?:[^;]*\d+px/g)).toEqual([]);
    expect(found(styles, /border-radius: [\d.]+px;/g)).toEqual([]);
    expect([Object.keys(SIZES).length, Object.keys(RADII).length].every((count) => count <= 8)).toBe(true);
  });
  test('and every token that is asked for is there', () => {
    const given = new Set([...tokensCss().matchAll(/--([\w-]+):/g)].map(([, name]) => name));
    const own = new Set(
      [...styles, ...code].flatMap(({ text }) =>
        [...text.matchAll(/['"\s{;(]--([\w-]+)['"]?\]?:/g)].map(([, name]) => name),
      ),
    );
    const asked = [...styles, ...code].flatMap(({ text }) =>
      [...text.matchAll(/var\(--([\w-]+)/g)].map(([, name]) => name),
    );
    expect([...new Set(asked)].filter((name) => !given.has(name) && !own.has(name))).toEqual([]);
    expect(Object.values(COLOURS).every((colour) => /^#[0-9a-f]{6}$/.test(colour))).toBe(true);
  });
});
