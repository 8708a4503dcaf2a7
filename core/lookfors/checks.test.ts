import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { givenOut } from '../handout/copy';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import type { LookFor } from './all';
import { begun, count } from './all';
import type { Check } from './checks';
import { isAsChecked, isChecked, told, triesOf } from './checks';

/** What is known from checking answers, and that nothing more is. */

const ANSWERS = ['12', '21', '60'];
const key = sheet({
  title: 'S',
  pages: [
    page({
      id: 'p',
      items: ANSWERS.map((answer, i) =>
        text({ id: `b${i}`, x: 40 + 120 * i, y: 100, touch: 'fill', blank: true, body: plain(answer) }),
      ),
    }),
  ],
});
const given = givenOut(key);
const piece = (said: readonly string[]): Sheet => ({
  ...given,
  pages: [
    {
      ...given.pages[0],
      items: given.pages[0].items.map((item, i) => (item.kind === 'text' ? { ...item, body: plain(said[i]) } : item)),
    },
  ],
});
const asked = { ...(begun('answers', key, 'a') as LookFor), tell: 'result', tries: 2 } as LookFor;
const counted = (said: readonly string[]) => count(asked, piece(said), { handedOut: given, studentName: 'Ayo' });
const checkOf = (said: readonly string[], tries = 1): Check => ({ tries, result: counted(said) });

test('answers from a key are told by checking where students may see the count; nothing else is', () => {
  expect(isChecked(asked)).toBe(true);
  expect(isChecked({ ...asked, tell: 'filled' })).toBe(false);
  expect(isChecked(begun('items', key, 'i') as LookFor)).toBe(false);
  expect([triesOf(asked), triesOf({ ...asked, tries: undefined } as LookFor)]).toEqual([2, 3]);
});

describe('before the first check', () => {
  const said = fc.array(fc.constantFrom('', '12', '21', '60', '99'), { minLength: 3, maxLength: 3 });
  test('right answers and wrong ones look alike', () => {
    fc.assert(
      fc.property(said, (list) => {
        const wrong = list.map((one) => (one === '' ? '' : '99'));
        const look = (answers: readonly string[]) => {
          const shown = told(asked, counted(answers), undefined)!;
          return { ...shown, evidence: shown.evidence.map(({ items, verdict, meant }) => ({ items, verdict, meant })) };
        };
        expect(look(list)).toEqual(look(wrong));
      }),
    );
  });
  test('says that none was checked, and how many tries there are', () =>
    expect(told(asked, counted(ANSWERS), undefined)!.check).toEqual({ left: 2, right: null, changed: 0 }));
});

describe('after a check', () => {
  test('what stands there unchanged is right or wrong', () => {
    const now = ['12', '12', '60'];
    expect(told(asked, counted(now), checkOf(now))).toMatchObject({
      held: false,
      got: 2,
      need: 3,
      check: { left: 1, right: 2, changed: 0 },
    });
    expect(told(asked, counted(ANSWERS), checkOf(ANSWERS))).toMatchObject({ held: true, got: 3 });
  });
  test('what was changed since is only filled in, right or not', () => {
    const before = checkOf(['12', '12', '60']);
    const look = (second: string) => {
      const shown = told(asked, counted(['12', second, '60']), before)!;
      return { ...shown, evidence: shown.evidence.map(({ items, verdict }) => ({ items, verdict })) };
    };
    expect(look('21')).toEqual(look('99'));
    expect(look('21')).toMatchObject({ held: false, got: 2, check: { right: 2, changed: 1 } });
  });
  test('whatever is written afterwards, no more is known than was checked', () => {
    const said = fc.array(fc.constantFrom('', '12', '21', '60', '99'), { minLength: 3, maxLength: 3 });
    fc.assert(
      fc.property(said, said, (first, second) => {
        const check = checkOf(first);
        const shown = told(asked, counted(second), check)!;
        expect(shown.got).toBeLessThanOrEqual(check.result.got);
        for (const { items, verdict, said: words } of shown.evidence) {
          if (verdict === 'near' || verdict === 'empty') continue;
          const then = check.result.evidence.find((one) => one.items[0] === items[0])!;
          expect({ verdict, words }).toEqual({ verdict: then.verdict, words: then.said });
        }
        expect(JSON.stringify(shown.evidence.map(({ meant }) => meant).join(''))).toBe('""');
        expect(isAsChecked(counted(second), check)).toBe(first.join() === second.join());
      }),
    );
  });
  test('no try is left once all are used', () =>
    expect(told(asked, counted(ANSWERS), checkOf(ANSWERS, 2))!.check!.left).toBe(0));
});
