import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { lookFor } from './all';
import type { ToldResult } from './checks';
import { isStepMet, openSteps, shutBy, toldById } from './step-open';
import type { Step } from './steps';
import { readSteps, stepsProblem } from './steps';

const step = (id: string, lookFors: string[] = [], text = 'Do it.'): Step => ({ id, text, lookFors });
const told = (id: string, held: boolean | null, more: Partial<ToldResult> = {}): ToldResult => ({
  id,
  held,
  got: 0,
  need: 1,
  evidence: [],
  ...more,
});
const by = (...all: ToldResult[]) => new Map(all.map((one) => [one.id, one]));
const three = [step('1', ['a', 'b']), step('2', ['c']), step('3')];

describe('what is open', () => {
  test.each<[string, ToldResult[], number, number]>([
    ['the first, when nothing is done', [told('a', false), told('b', false), told('c', false)], 1, 1],
    ['not the second while one thing is missing', [told('a', true), told('b', false), told('c', false)], 1, 1],
    ['the second', [told('a', true), told('b', true), told('c', false)], 1, 2],
    ['all, where the next is met already', [told('a', true), told('b', true), told('c', true)], 1, 3],
    ['what was open, when something is undone', [told('a', false), told('b', true), told('c', false)], 2, 2],
    ['not more than there are', [told('a', true), told('b', true), told('c', true)], 9, 3],
    ['the second, where one is left to the teacher', [told('a', true), told('b', null), told('c', false)], 1, 2],
    ['the second, where a look-for is gone', [told('a', true), told('c', false)], 1, 2],
  ])('%s', (_, results, before, open) => expect(openSteps(three, by(...results), before)).toBe(open));
  test('nothing is told of answers by a step that opens: they have to be found right on asking', () => {
    const check = { left: 3, right: null, changed: 0 };
    // Filled in, and right, but not asked for.
    expect(isStepMet(three[1], by(told('c', true, { check })))).toBe(false);
    expect(isStepMet(three[1], by(told('c', true, { check: { ...check, right: 4 } })))).toBe(true);
    expect(isStepMet(three[1], by(told('c', false, { check: { ...check, right: 4, changed: 1 } })))).toBe(false);
    expect(isStepMet(three[1], toldById([{ id: 'c' }], [null]))).toBe(false);
  });
  test('whatever a student does and undoes, steps only ever open, in their order, and end with the last', () => {
    const results = fc.record({ a: fc.boolean(), b: fc.boolean(), c: fc.boolean() });
    fc.assert(
      fc.property(fc.array(results, { minLength: 1, maxLength: 12 }), (doings) => {
        let open = 0;
        let everMet = 1;
        for (const { a, b, c } of doings) {
          const now = openSteps(three, by(told('a', a), told('b', b), told('c', c)), open);
          expect(now).toBeGreaterThanOrEqual(Math.max(1, open));
          if (everMet === 1 && a && b) everMet = 2;
          if (everMet === 2 && c) everMet = 3;
          expect(now).toBe(everMet);
          open = now;
        }
      }),
    );
  });
  test('look-fors of shut steps are kept back', () => {
    expect([...shutBy(three, 1)]).toEqual(['c']);
    expect([...shutBy(three, 0)]).toEqual(['c']);
    expect([...shutBy(three, 2)]).toEqual([]);
    expect(openSteps([], new Map(), 0)).toBe(0);
  });
});

describe('steps that make no sense are refused while they are built', () => {
  const words = lookFor({ kind: 'items', id: 'w', item: 'shape', min: 1 });
  const mark = lookFor({ kind: 'teacher', id: 't' });
  const after = lookFor({ kind: 'items', id: 'z', item: 'shape', min: 1, tell: 'after' });
  test.each<[string, Step[], RegExp | null]>([
    ['none', [], null],
    ['two that follow each other', [step('1', ['w']), step('2')], null],
    ['the last may hold what only the teacher sees', [step('1', ['w']), step('2', ['t', 'z'])], null],
    ['one alone', [step('1', ['w'])], /One step alone/],
    ['nothing to do', [step('1', ['w'], ' '), step('2')], /Say what to do in step 1/],
    ['nothing to meet', [step('1'), step('2')], /Step 2 would never open: choose/],
    ['only the teacher can tell', [step('1', ['t']), step('2')], /Step 2 would never open\. “t” is ticked by you/],
    ['told afterwards', [step('1', ['w']), step('2', ['z']), step('3')], /Step 3 would never open\. “z” is told only/],
    ['a look-for that is gone', [step('1', ['gone']), step('2')], /look-for of step 1 was removed/],
    ['one look-for in two', [step('1', ['w']), step('2', ['w'])], /“w” belongs to step 1 already/],
  ])('%s', (_, steps, problem) => {
    const said = stepsProblem(steps, [words, mark, after]);
    if (problem === null) expect(said).toBeNull();
    else expect(said).toMatch(problem);
  });
});

test('what can’t be read is no step', () => {
  expect(readSteps([step('1', ['a']), step('2')])).toHaveLength(2);
  for (const bad of [null, 'x', [{ id: '1' }], [step('1', [], '')]]) expect(readSteps(bad)).toEqual([]);
});
