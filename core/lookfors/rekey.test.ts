import { describe, expect, test } from 'vitest';
import { heronSheet } from '../../demo/sheets';
import { keyOf } from '../handout/copy';
import type { Sheet } from '../schema/sheet';
import type { LookFor } from './all';
import { rekeyed } from './all';

const labels = (sheet: Sheet): LookFor => ({
  kind: 'labels',
  id: 'parts',
  title: 'Every part',
  tell: 'filled',
  spelling: 'near',
  ...keyOf(sheet)[0],
});
const renamed = (sheet: Sheet, from: string, to: string): Sheet =>
  JSON.parse(JSON.stringify(sheet).replaceAll(`"${from}"`, `"${to}"`)) as Sheet;

describe('look-fors that were chosen before the sheet was changed', () => {
  const words = (lookFor: LookFor | undefined) =>
    (lookFor as { expect: { words: string[] }[] }).expect.flatMap((e) => e.words);
  test('judge by the labels that stand on it now', () => {
    const sheet = heronSheet();
    const before = labels(sheet);
    expect(words(before)).toContain('beak');
    const [after] = rekeyed([before], renamed(sheet, 'beak', 'snout'));
    expect(words(after)).toContain('snout');
    expect(words(after)).not.toContain('beak');
    expect(after).toMatchObject({ id: 'parts', title: 'Every part', spelling: 'near' });
  });
  test('go with their diagram; others stay as they are', () => {
    const sheet = heronSheet();
    const judged: LookFor = { kind: 'teacher', id: 't', title: 'Neat', tell: 'after' };
    const without = { ...sheet, pages: sheet.pages.map((page) => ({ ...page, items: page.items.slice(0, 1) })) };
    expect(rekeyed([labels(sheet), judged], without)).toEqual([judged]);
  });
});
