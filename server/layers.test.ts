import path from 'node:path';
import { ESLint } from 'eslint';
import { expect, test } from 'vitest';

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
  ['core/sheet/example.ts', "import { Bench } from '../../app/workbench/bench';\nnew Bench();"],
  ['core/text/example.ts', "import { useState } from 'react';\nuseState();"],
  ['core/text/example.ts', "import { readFileSync } from 'node:fs';\nreadFileSync('x');"],
  ['server/stores/example.ts', "import { theme } from '../../app/look/theme';\ntheme;"],
])('%s may not hold %s', async (file, code) => expect(await complaints(file, code)).not.toEqual([]));

test.each([
  ['server/stores/example.ts', "import { apply } from '../../core/sheet/change';\napply;"],
  ['app/routes/example.tsx', "import { sheetOf } from '../../server/stores/sheets';\nsheetOf;"],
])('%s may', async (file, code) => expect(await complaints(file, code)).toEqual([]));
