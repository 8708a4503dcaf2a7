import { readdirSync, readFileSync } from 'node:fs';
import { contrastOf } from '../../core/colour/space';
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

describe('styles', () => {
  const modules = styles.filter(({ file }) => file.endsWith('.module.css'));
  const asked = code.flatMap(({ file, text }) =>
    [...text.matchAll(/import (\w+) from '([^']+\.module\.css)'/g)].map(([, name, from]) => ({
      file,
      text,
      name,
      from: path.join(path.dirname(file), from),
    })),
  );

  test('stand in modules, but for those of the whole and of what is drawn above the sheet', () => {
    const plain = styles.filter(({ file }) => !file.endsWith('.module.css')).map(({ file }) => file);
    expect(plain.toSorted()).toEqual(['canvas/stage.css', 'theme/base.css', 'theme/landmarks.css']);
  });
  test('have names that tell their module', () => {
    const names = modules.map(({ file }) => path.basename(file));
    expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([]);
  });
  test('are there where they are asked for, and asked for where they are there', () => {
    const classesOf = (text: string) =>
      new Set(
        [...text.replaceAll(/:global\([^)]*\)/g, '').matchAll(/\.([a-z]\w*)(?=[^;{}]*\{)/g)].map(([, name]) => name),
      );
    const used = new Map<string, Set<string>>();
    for (const { text, name, from } of asked) {
      const set = used.get(from) ?? new Set();
      for (const [, one] of text.matchAll(new RegExp(`\\b${name}\\.(\\w+)`, 'g'))) set.add(one);
      // Looked up by a value, such as the tone of a chip.
      if (text.includes(`${name}[`)) set.add('*');
      used.set(from, set);
    }
    for (const { file, text } of modules)
      for (const [, names, from] of text.matchAll(/composes: ([^;]*?)(?: from '([^']+)')?;/g)) {
        const of = from ? path.join(path.dirname(file), from) : file;
        used.set(of, new Set([...(used.get(of) ?? []), ...names.split(' ')]));
      }
    for (const { file, text } of modules) {
      const [there, wanted] = [classesOf(text), used.get(file) ?? new Set<string>()];
      expect(
        [...wanted].filter((name) => name !== '*' && !there.has(name)),
        `wanted of ${file}`,
      ).toEqual([]);
      if (!wanted.has('*'))
        expect(
          [...there].filter((name) => !wanted.has(name)),
          `unused in ${file}`,
        ).toEqual([]);
    }
  });
});

test('edges of fields stand out from what they are on by 3 to 1, and text by 4.5 to 1', () => {
  const { paper, white, lit, drawer, margin, desk, tint, cream } = COLOURS;
  for (const ground of [paper, white, lit, drawer]) expect(contrastOf(COLOURS.edge, ground)).toBeGreaterThan(3);
  for (const words of [COLOURS.ink, COLOURS['ink-soft'], COLOURS.soft, COLOURS['moss-deep']])
    for (const ground of [paper, white, lit, drawer, margin, desk, tint, cream])
      expect(contrastOf(words, ground)).toBeGreaterThan(4.5);
});
