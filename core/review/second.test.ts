import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ruling } from '../../tests/support/said';
import type { Evidence, Result } from '../lookfors/kind';
import type { Rubric } from '../lookfors/rubric';
import type { Judgement } from './second';
import { agreementOn, compareJudgements } from './second';

const evidence = (item: string, verdict: Evidence['verdict']): Evidence => ({
  items: [item],
  verdict,
  said: 'x',
  meant: 'y',
});
/** Three labels, one of them wrong; one thing that only a teacher can judge. */
const results: Result[] = [
  {
    id: 'labels',
    held: false,
    got: 2,
    need: 3,
    evidence: [evidence('a', 'right'), evidence('b', 'right'), evidence('c', 'wrong')],
  },
  { id: 'neat', held: null, got: 0, need: 1, evidence: [] },
];
const levels = [0, 1, 2].map((points) => ({ points, text: '' }));
const rubric: Rubric = {
  rows: [
    { id: 'names', name: 'Names', levels },
    { id: 'why', name: 'Why', levels: [1, 1, 3].map((points) => ({ points, text: '' })) },
  ],
};
const nothing: Judgement = { rulings: [], marks: {} };
const compare = (mine: Judgement, theirs: Judgement) => compareJudgements(results, rubric, mine, theirs);

describe('two readers of one piece', () => {
  test('agree where nobody has said anything: on what was counted, and on nothing else', () => {
    expect(compare(nothing, nothing)).toEqual({ both: 1, apart: [] });
  });

  test('are apart on a row, on a whole look-for, and on one answer that leaves the look-for as it is', () => {
    expect(compare({ ...nothing, marks: { names: 2 } }, { ...nothing, marks: { names: 1 } }).apart).toEqual([
      { of: 'row', id: 'names', mine: 2, theirs: 1 },
    ]);
    const accepts = { ...nothing, rulings: [ruling('labels', true)] };
    expect(compare(nothing, accepts).apart).toEqual([
      { of: 'look-for', id: 'labels', mine: { held: false, got: 2 }, theirs: { held: true, got: null } },
    ]);
    const strict = { ...nothing, rulings: [ruling('labels', false, 'b')] };
    expect(compare(nothing, strict).apart).toEqual([
      { of: 'look-for', id: 'labels', mine: { held: false, got: 2 }, theirs: { held: false, got: 1 } },
    ]);
  });

  test('come to the same in different ways: by single answers or as a whole, and by levels of equal points', () => {
    const whole = { ...nothing, rulings: [ruling('labels', true)] };
    const single = { ...nothing, rulings: [ruling('labels', true, 'c')] };
    expect(compare(whole, single)).toEqual({ both: 1, apart: [] });
    const [first, second] = [0, 1].map((why) => ({ ...nothing, marks: { why } }));
    expect(compare(first, second)).toEqual({ both: 2, apart: [] });
  });

  test('what one of them has not judged is open, and so is a level that the rubric does not have', () => {
    const judged = { rulings: [ruling('neat', true)], marks: { names: 2, why: 7 } };
    expect(compare(judged, nothing)).toEqual({ both: 1, apart: [] });
    expect(compare(judged, judged)).toEqual({ both: 3, apart: [] });
  });

  test('are apart on as much whoever is asked first, and never on more than both have judged', () => {
    const judgement: fc.Arbitrary<Judgement> = fc.record({
      marks: fc.dictionary(fc.constantFrom('names', 'why'), fc.nat(3)),
      rulings: fc.uniqueArray(
        fc
          .tuple(fc.constantFrom('labels', 'neat'), fc.constantFrom(null, 'a', 'c'), fc.boolean())
          .map(([lookFor, item, held]) => ruling(lookFor, held, lookFor === 'neat' ? null : item)),
        { selector: ({ lookForId, itemId }) => `${lookForId} ${itemId}` },
      ),
    });
    fc.assert(
      fc.property(judgement, judgement, (a, b) => {
        const [there, back] = [compare(a, b), compare(b, a)];
        expect(back.both).toBe(there.both);
        expect(back.apart).toEqual(there.apart.map((one) => ({ ...one, mine: one.theirs, theirs: one.mine })));
        expect(there.apart.length).toBeLessThanOrEqual(there.both);
        expect(compare(a, a).apart).toEqual([]);
      }),
    );
  });

  test('how far they agree over a class', () => {
    const pieces = [
      { both: 4, apart: 0 },
      { both: 4, apart: 3 },
    ];
    expect(agreementOn(pieces)).toEqual({ pieces: 2, alike: 1, both: 8, apart: 3 });
    expect(agreementOn([])).toEqual({ pieces: 0, alike: 0, both: 0, apart: 0 });
  });
});
