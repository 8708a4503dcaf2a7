import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Sheet, TextItem } from '../schema/sheet';
import type { Faces } from '../text/faces';
import { grownHeight } from '../text/fit';
import { refitted } from './refit';
import { roleOf } from '../text/style';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});

describe('boxes after their role was restyled', () => {
  const words = plain('Crabs dig burrows in the mud and wait for the tide to come in again.');
  const boxed = (given: Partial<TextItem> & { id: string }) => {
    const item = text({ width: 160, body: words, ...given });
    return {
      ...item,
      height: given.height ?? grownHeight(item.body, roleOf(sheet({ title: 't' }), item.role), item, faces),
    };
  };
  const sheetWith = (items: TextItem[]): Sheet => sheet({ title: 't', pages: [page({ id: 'p', items })] });
  const larger = (before: Sheet, size: number): Sheet => ({
    ...before,
    roles: { ...before.roles, body: { ...before.roles.body, run: { ...before.roles.body.run, size } } },
  });

  test('grow with larger words, and shrink again with smaller ones where they were just as high', () => {
    const before = sheetWith([boxed({ id: 'tight' }), boxed({ id: 'roomy', height: 400 })]);
    const up = refitted(before, larger(before, 22), faces);
    expect(up.map((change) => change.kind === 'set' && change.id)).toEqual(['tight']);
    const down = refitted(before, larger(before, 9), faces);
    const [only] = down;
    expect(down).toHaveLength(1);
    expect(only.kind === 'set' && (only.values.height as number)).toBeLessThan(
      (before.pages[0].items[0] as TextItem).height,
    );
  });
  test('leave boxes of other roles, and those that do not grow, as they are', () => {
    const before = sheetWith([
      boxed({ id: 'quote', role: 'quote' }),
      boxed({ id: 'kept', fit: 'keep', height: 20 }),
      boxed({ id: 'shrunk', fit: 'shrink', height: 20 }),
    ]);
    expect(refitted(before, larger(before, 22), faces)).toEqual([]);
  });
  test('need nothing where nothing changed', () => {
    const before = sheetWith([boxed({ id: 'tight' })]);
    expect(refitted(before, before, faces)).toEqual([]);
  });
});
