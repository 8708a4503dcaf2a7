import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { ICruiseOptions, ICruiseResult } from 'dependency-cruiser';
import { cruise } from 'dependency-cruiser';
import { ESLint } from 'eslint';
import { describe, expect, test } from 'vitest';

/** The rule that imports run downwards only is itself tried: on files that break it. */

const eslint = new ESLint();
async function complaints(file: string, code: string): Promise<string[]> {
  const [result] = await eslint.lintText(code, { filePath: path.resolve(file) });
  return result.messages
    .filter((message) => message.ruleId === '@typescript-eslint/no-restricted-imports')
    .map((message) => message.message);
}

test.each([
  ['core/sheet/example.ts', "import { openDatabase } from '../../server/database/open';\nopenDatabase();"],
  ['core/sheet/example.ts', "import { Bench } from '../../app/document/bench';\nnew Bench();"],
  ['core/text/example.ts', "import { useState } from 'react';\nuseState();"],
  ['core/text/example.ts', "import { readFileSync } from 'node:fs';\nreadFileSync('x');"],
  ['server/stores/example.ts', "import { theme } from '../../app/theme/theme';\ntheme;"],
])('%s may not hold %s', async (file, code) => expect(await complaints(file, code)).not.toEqual([]));

test.each([
  ['server/stores/example.ts', "import { apply } from '../../core/changes/change';\napply;"],
  ['app/routes/example.tsx', "import { sheetOf } from '../../server/stores/sheets';\nsheetOf;"],
])('%s may', async (file, code) => expect(await complaints(file, code)).toEqual([]));

const { default: layers } = (await import(path.resolve('.dependency-cruiser.mjs'))) as {
  default: Required<Pick<NonNullable<ICruiseOptions['ruleSet']>, 'forbidden'>>;
};

describe('the order of folders', () => {
  /** The rules that a small house of these files breaks. */
  async function broken(files: Record<string, string>): Promise<string[]> {
    const folder = mkdtempSync(path.join(tmpdir(), 'layers-'));
    try {
      for (const [file, code] of Object.entries(files)) {
        mkdirSync(path.dirname(path.join(folder, file)), { recursive: true });
        writeFileSync(path.join(folder, file), code);
      }
      const options = {
        baseDir: folder,
        tsPreCompilationDeps: true,
        validate: true,
        ruleSet: { forbidden: layers.forbidden },
      } as ICruiseOptions;
      const { output } = await cruise([...new Set(Object.keys(files).map((file) => file.split('/')[0]))], options);
      return (output as ICruiseResult).summary.violations.map(({ rule }) => rule.name);
    } finally {
      rmSync(folder, { recursive: true });
    }
  }

  test('a folder that imports from a later one is named', async () => {
    const found = await broken({
      'core/values/one.ts': "import type { Two } from '../items/two';\nexport type One = Two;",
      'core/items/two.ts': 'export type Two = 2;',
    });
    expect(found).toContain('below core/values');
  });
  test('two files that import each other’s types are a circle', async () => {
    const found = await broken({
      'core/text/one.ts': "import type { Two } from './two';\nexport type One = Two | 1;",
      'core/text/two.ts': "import type { One } from './one';\nexport type Two = One | 2;",
    });
    expect(found).toContain('no circle of files');
  });
  test('two folders that import from each other are one, though no files are', async () => {
    const found = await broken({
      'core/makers/map/one.ts': "import { two } from '../table/two';\nexport const one = two;",
      'core/makers/table/two.ts': 'export const two = 2;',
      'core/makers/table/three.ts': "import { four } from '../map/four';\nexport const three = four;",
      'core/makers/map/four.ts': 'export const four = 4;',
    });
    expect(found).toContain('no circle of folders');
    expect(found).not.toContain('no circle of files');
  });
  test('downwards nothing is said', async () => {
    const found = await broken({
      'core/items/one.ts': "import { two } from '../values/two';\nexport const one = two;",
      'core/values/two.ts': 'export const two = 2;',
    });
    expect(found).toEqual([]);
  });
});
