import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { apply } from '../changes/change';
import { group, page, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Sheet } from '../schema/sheet';
import { idsWithin, everyItem, find } from '../sheet/tree';
import { corrected, correction, keptBy } from './correct';

/** A correction leaves each student's own work alone, whatever both did. */

const box = (id: string, x: number, values: object = {}) =>
  text({ id, x, y: 40, touch: 'fill', body: plain(''), ...values });
const given = sheet({
  title: 'Worksheet',
  pages: [
    page({
      id: 'p',
      items: [
        text({ id: 'task', body: plain('Name the prats.') }),
        box('a', 40),
        box('b', 160),
        shape({ id: 'free', touch: 'free', x: 300 }),
        group({ id: 'g', x: 10, y: 200, width: 200, height: 100, items: [box('in', 0), shape({ id: 'deco' })] }),
      ],
    }),
    page({ id: 'q', items: [box('c', 40)] }),
  ],
});

type Edit = { who: number; what: 'type' | 'move' | 'fill' | 'remove' | 'add' | 'front' | 'touch'; to: number };
const edit: fc.Arbitrary<Edit> = fc.record({
  who: fc.nat({ max: 7 }),
  what: fc.constantFrom('type', 'move', 'fill', 'remove', 'add', 'front', 'touch'),
  to: fc.nat({ max: 40 }),
});

/** One edit of a sheet, by its student or by its teacher. */
function edited(sheetNow: Sheet, { who, what, to }: Edit, by: 'student' | 'teacher'): Sheet {
  const all = everyItem(sheetNow);
  const item = all[who % Math.max(1, all.length)];
  const map = (items: readonly Item[], change: (one: Item) => Item[]): Item[] =>
    items.flatMap((one) => change(one.kind === 'group' ? { ...one, items: map(one.items, change) } : one));
  const mapped = (change: (one: Item) => Item[]): Sheet => ({
    ...sheetNow,
    pages: sheetNow.pages.map((one) => ({ ...one, items: map(one.items, change) })),
  });
  const set = (values: object) => mapped((one) => [one.id === item.id ? ({ ...one, ...values } as Item) : one]);
  if (what === 'add') {
    const added = shape({ id: `${by}-${to}`, x: to, touch: by === 'student' ? 'free' : 'fixed' });
    if (find(sheetNow, added.id)) return sheetNow;
    const [first, ...rest] = sheetNow.pages;
    return { ...sheetNow, pages: [{ ...first, items: [added, ...first.items] }, ...rest] };
  }
  if (!item) return sheetNow;
  const free = by === 'teacher' || item.touch === 'free';
  if (what === 'type' && item.kind === 'text' && (by === 'teacher' || item.touch !== 'fixed'))
    return set({ body: plain(`${by} ${to}`) });
  if (what === 'move' && free && item.kind !== 'line') return set({ x: to });
  if (what === 'fill' && item.kind === 'shape' && free) return set({ fill: solid(to % 2 ? '#ff0000' : '#0000ff') });
  if (what === 'remove' && free) return mapped((one) => (one.id === item.id ? [] : [one]));
  if (what === 'touch' && by === 'teacher') return set({ touch: (['fixed', 'fill', 'free'] as const)[to % 3] });
  if (what === 'front' && free)
    return {
      ...sheetNow,
      pages: sheetNow.pages.map((one) => {
        const own = one.items.find(({ id }) => id === item.id);
        return own ? { ...one, items: [own, ...one.items.filter((other) => other !== own)] } : one;
      }),
    };
  return sheetNow;
}
const edits = fc.array(edit, { maxLength: 10 });
const after = (list: readonly Edit[], by: 'student' | 'teacher') =>
  list.reduce((now, one) => edited(now, one, by), given);
const KEYS = ['body', 'x', 'fill'] as const;

describe('whatever a student and a teacher did', () => {
  const both = fc.tuple(edits, edits);
  test('everything that the student did is still there', () => {
    fc.assert(
      fc.property(both, ([students, teachers]) => {
        const [copy, now] = [after(students, 'student'), after(teachers, 'teacher')];
        const to = corrected(given, now, copy);
        for (const own of everyItem(copy)) {
          const was = find(given, own.id)?.item;
          const is = find(to, own.id)?.item as Record<string, unknown> | undefined;
          for (const key of KEYS) {
            const [before, mine] = [was, own].map((one) => (one as Record<string, unknown> | undefined)?.[key]);
            if (JSON.stringify(before) !== JSON.stringify(mine)) expect(is?.[key]).toEqual(mine);
          }
        }
        // What the student took away does not come back, unless the teacher made something else of it.
        for (const old of everyItem(given))
          if (!find(copy, old.id) && JSON.stringify(find(now, old.id)?.item) === JSON.stringify(old))
            expect(find(to, old.id)).toBeUndefined();
      }),
      { numRuns: 400 },
    );
  });
  test('what the student did not touch is as the teacher has it now', () => {
    fc.assert(
      fc.property(both, ([students, teachers]) => {
        const [copy, now] = [after(students, 'student'), after(teachers, 'teacher')];
        const to = corrected(given, now, copy);
        for (const old of everyItem(given)) {
          const own = find(copy, old.id)?.item;
          if (!own || old.kind === 'group' || JSON.stringify(own) !== JSON.stringify(old)) continue;
          const around = find(copy, old.id)!.groups[0];
          const kept = around && !find(now, around.id);
          if (!kept) expect(find(to, old.id)?.item).toEqual(find(now, old.id)?.item);
        }
      }),
      { numRuns: 400 },
    );
  });
  test('it is a change that can be made, and nothing stands there twice', () => {
    fc.assert(
      fc.property(both, ([students, teachers]) => {
        const [copy, now] = [after(students, 'student'), after(teachers, 'teacher')];
        const to = corrected(given, now, copy);
        const ids = to.pages.flatMap((one) => one.items.flatMap(idsWithin));
        expect(new Set(ids).size).toBe(ids.length);
        const change = correction(given, now, copy);
        const made = change ? apply(copy, change) : { ok: true as const, sheet: copy };
        expect(made.ok && made.sheet).toEqual(to);
      }),
      { numRuns: 400 },
    );
  });
  test('a copy that was not begun follows exactly, and without a correction nothing changes', () => {
    fc.assert(
      fc.property(both, ([students, teachers]) => {
        const [copy, now] = [after(students, 'student'), after(teachers, 'teacher')];
        expect(corrected(given, now, given)).toEqual(now);
        expect(correction(given, given, copy)).toBeNull();
        // Sent twice it is made once.
        const to = corrected(given, now, copy);
        expect(corrected(now, now, to)).toEqual(to);
      }),
      { numRuns: 400 },
    );
  });
});

describe('in particular', () => {
  const change = (from: Sheet, id: string, values: object): Sheet => ({
    ...from,
    pages: from.pages.map((one) => ({
      ...one,
      items: one.items.map((item) => (item.id === id ? ({ ...item, ...values } as Item) : item)),
    })),
  });
  test('a slip in the task is mended under what was written', () => {
    const copy = change(given, 'a', { body: plain('bill') });
    const now = change(change(given, 'task', { body: plain('Name the parts.') }), 'a', { x: 70 });
    const to = corrected(given, now, copy);
    expect(find(to, 'task')!.item).toMatchObject({ body: plain('Name the parts.') });
    expect(find(to, 'a')!.item).toMatchObject({ body: plain('bill'), x: 70 });
  });
  test('a box that the teacher took away stays with those who wrote in it, and is named', () => {
    const copy = change(given, 'a', { body: plain('bill') });
    const [first, second] = given.pages;
    const now = {
      ...given,
      pages: [{ ...first, items: first.items.filter(({ id }) => id !== 'a' && id !== 'b') }, second],
    };
    const to = corrected(given, now, copy);
    expect([find(to, 'a'), find(to, 'b')].map(Boolean)).toEqual([true, false]);
    expect(keptBy(given, now, copy).map(({ id }) => id)).toEqual(['a']);
    expect(keptBy(given, now, given)).toEqual([]);
  });
  test('a page that was taken away stays only with what was written on it', () => {
    const [first, second] = given.pages;
    const now = { ...given, pages: [first] };
    expect(corrected(given, now, given).pages).toHaveLength(1);
    const copy = { ...given, pages: [first, { ...second, items: [box('c', 40, { body: plain('mine') })] }] };
    expect(corrected(given, now, copy).pages[1].items).toHaveLength(1);
  });
  test('what the teacher put into a group is not doubled where a student worked on it', () => {
    const [first, second] = given.pages;
    const inGroup = group({
      id: 'new',
      width: 300,
      height: 80,
      items: first.items.filter(({ id }) => id === 'a' || id === 'b'),
    });
    const now = {
      ...given,
      pages: [{ ...first, items: [...first.items.filter(({ id }) => id !== 'a' && id !== 'b'), inGroup] }, second],
    };
    const to = corrected(given, now, change(given, 'a', { body: plain('bill') }));
    expect(everyItem(to).filter(({ id }) => id === 'a')).toHaveLength(1);
    expect(find(to, 'a')!.item).toMatchObject({ body: plain('bill') });
    expect(find(to, 'b')!.groups.map(({ id }) => id)).toEqual(['new']);
  });
});
