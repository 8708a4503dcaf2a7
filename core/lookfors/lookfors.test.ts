import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { givenOut, keyOf } from '../handout/copy';
import { refusal } from '../handout/permission';
import { SUPPLIES } from '../handout/supplies';
import type { Change } from '../changes/change';
import { group, held, line, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { TextBody, Item, Sheet } from '../schema/sheet';
import type { Result } from './kind';
import type { LookFor, LookForOf } from './all';
import { count, countWords, LookFor as Schema, lookFor as asked, resultForStudent } from './all';
import type { LateRule, RubricMarks } from './rubric';
import { isMarked, points, Rubric, sumWords, weighed } from './rubric';
import { readRubric } from './stored';
import { editDistance, matches } from '../language/spelling';
import { wordsIn } from './words';

/** A bird with two parts, each with a label and a leader line. */
function diagram(words: [string, string], extra: Item[] = []): Sheet {
  const label = (id: string, said: string) =>
    text({ id, role: 'label', touch: 'fill', blank: true, also: id === 'a' ? ['beak'] : [], body: plain(said) });
  const leader = (id: string, target: string) => line({ id: `l${id}`, from: held(id), to: held('bird', target) });
  return sheet({
    title: 'Bird',
    pages: [
      page({
        id: 'p',
        items: [
          label('a', words[0]),
          label('b', words[1]),
          leader('a', 'bill'),
          leader('b', 'neck'),
          text({ id: 'name', role: 'name', touch: 'fill' }),
          text({ id: 'own', touch: 'fill' }),
          picture({ id: 'bird', picture: 'diagram/heron' }),
          ...extra,
        ],
      }),
    ],
  });
}
const full = diagram(['bill', 'neck']);
const labels = (spelling: 'exact' | 'near' | 'loose' = 'near'): LookFor => ({
  kind: 'labels',
  id: 'lf',
  title: 'labels',
  tell: 'result',
  spelling,
  ...keyOf(full)[0],
});
const context = { handedOut: givenOut(full), studentName: 'Ayo Bankole' };
const counted = (lookFor: LookFor, piece: Sheet): Result => count(lookFor, piece, context);
const verdicts = (result: Result) => result.evidence.map((e) => e.verdict);
const writing = (id: string, body: TextBody): Sheet => {
  const base = diagram(['', '']);
  return {
    ...base,
    pages: [
      {
        ...base.pages[0],
        items: base.pages[0].items.map((item) => (item.id === id && item.kind === 'text' ? { ...item, body } : item)),
      },
    ],
  };
};

describe('labels on their targets', () => {
  test('the key comes from the teacher’s own labels and other accepted words', () => {
    expect(keyOf(full)).toEqual([
      {
        picture: 'bird',
        expect: [
          { target: 'bill', words: ['bill', 'beak'] },
          { target: 'neck', words: ['neck'] },
        ],
      },
    ]);
  });
  test('all right is held', () => expect(counted(labels(), full)).toMatchObject({ held: true, got: 2, need: 2 }));
  test('another accepted word counts', () =>
    expect(verdicts(counted(labels(), diagram(['The Beak!', 'neck'])))).toEqual(['right', 'right']));
  test('a misspelling within the tolerance counts as near', () =>
    expect(verdicts(counted(labels('near'), diagram(['bil', 'nekc'])))).toEqual(['near', 'near']));
  test('and does not when the teacher wants it exact', () =>
    expect(counted(labels('exact'), diagram(['bil', 'neck'])).held).toBe(false));
  test('swapped labels are called so, with what was said and what was meant', () => {
    expect(counted(labels(), diagram(['neck', 'bill'])).evidence[0]).toEqual({
      items: ['a'],
      verdict: 'swapped',
      said: 'neck',
      meant: 'bill',
    });
  });
  describe('with words that are alike', () => {
    const key = (a: string, b: string, spelling: 'exact' | 'near' | 'loose'): LookFor => ({
      ...(labels(spelling) as LookForOf<'labels'>),
      ...keyOf(diagram([a, b]))[0],
    });
    test.each<[pair: [string, string], said: [string, string], verdicts: Result['evidence'][number]['verdict'][]]>([
      // Holds.
      [
        ['North Korea', 'South Korea'],
        ['north korea', 'South Korea'],
        ['right', 'right'],
      ],
      // Nearly holds: a slip that can only be meant so.
      [
        ['North Korea', 'South Korea'],
        ['Nort Korea', 'Sout Korea'],
        ['near', 'near'],
      ],
      [
        ['feather', 'toe'],
        ['Feathers', 'toes'],
        ['right', 'right'],
      ],
      // Misses: the other one's word, exactly or nearly.
      [
        ['North Korea', 'South Korea'],
        ['South Korea', 'North Korea'],
        ['swapped', 'swapped'],
      ],
      [
        ['North Korea', 'South Korea'],
        ['Suth Korea', 'Nroth Korea'],
        ['wrong', 'wrong'],
      ],
      [
        ['Iran', 'Iraq'],
        ['Iraq', 'Iran'],
        ['swapped', 'swapped'],
      ],
      [
        ['vein', 'vine'],
        ['vine', 'vein'],
        ['swapped', 'swapped'],
      ],
      // Cheats: a word between the two.
      [
        ['Iran', 'Iraq'],
        ['Irap', 'Irap'],
        ['wrong', 'wrong'],
      ],
    ])('%j is answered by %j: %j', (pair, said, expected) => {
      for (const spelling of ['near', 'loose'] as const)
        expect(verdicts(counted(key(...pair, spelling), diagram(said)))).toEqual(expected);
    });
  });
  test('an empty label is empty, not wrong', () =>
    expect(verdicts(counted(labels(), diagram(['', 'neck'])))).toEqual(['empty', 'right']));
  test('a label whose line was moved to the right part counts there', () => {
    const swapped = diagram(['neck', 'bill']);
    const items = swapped.pages[0].items.map((item) => {
      if (item.kind !== 'line') return item;
      return { ...item, to: { ...item.to, target: item.to.target === 'bill' ? 'neck' : 'bill' } };
    });
    expect(counted(labels(), { ...swapped, pages: [{ ...swapped.pages[0], items }] }).held).toBe(true);
  });
});

describe('the other look-fors', () => {
  test('words are counted in the box, hyphens and apostrophes within', () => {
    expect(wordsIn("It's a long-legged bird, isn’t it? 3 fish!")).toHaveLength(8);
    const lookFor = asked({ kind: 'words', id: 'w', title: 'write', tell: 'result', item: 'own', min: 4 });
    expect(counted(lookFor, writing('own', plain('it can wade')))).toMatchObject({ held: false, got: 3, need: 4 });
    expect(counted(lookFor, writing('own', plain('it can wade\ndeep')))).toMatchObject({ held: true, got: 4 });
  });
  test('words that were handed out do not count as the student’s', () => {
    const lookFor = asked({ kind: 'words', id: 'w', title: 'write', tell: 'result', item: 'own', min: 1 });
    const prefilled = writing('own', plain('because'));
    expect(count(lookFor, prefilled, { ...context, handedOut: prefilled }).got).toBe(0);
  });
  test.each<[what: string, given: string, text: string, own: number]>([
    ['what was written counts', '', 'It wades on long legs', 5],
    ['behind words that stood there only what was added counts', 'The heron has', 'The heron has long legs', 2],
    ['one letter more in a box that was full is one word', 'The heron has long legs', 'The heron has long legss', 1],
    ['the same words in another order are none of one’s own', 'long legs', 'legs long', 0],
    ['a letter over and over is one word', '', 'a a a a a a a a', 1],
    ['two words in turn count three times each', '', 'a b a b a b a b a b a b', 6],
    ['a sentence of the sheet is copied', '', 'Name each part of the bird', 0],
    ['and counts with what was added', '', 'Name each part of the bird please', 1],
    ['words of the sheet may be used', '', 'Each part of it is part of the bird', 9],
    ['words that come again in a long text are no cheating', '', 'the bird and the egg and the nest', 8],
  ])('of words: %s', (_, given, said, own) => {
    const base = writing('own', plain(given));
    const [first] = base.pages;
    const task = text({ id: 'task', body: plain('Name each part of the bird') });
    const handedOut = { ...base, pages: [{ ...first, items: [task, ...first.items] }] };
    const piece = { ...handedOut, pages: [{ ...first, items: [task, ...writing('own', plain(said)).pages[0].items] }] };
    const lookFor = asked({ kind: 'words', id: 'w', title: 'write', tell: 'result', item: 'own', min: 5 });
    expect(count(lookFor, piece, { ...context, handedOut }).got).toBe(own);
  });
  test.each<[how: string, values: Partial<Item>]>([
    ['off the page', { x: -900 } as Partial<Item>],
    ['without any colour', { opacity: 0.02 }],
    ['hidden', { hidden: true }],
    ['no larger than a dot', { width: 1, height: 1 } as Partial<Item>],
    ['neither filled nor outlined', { fill: null, outline: null } as Partial<Item>],
  ])('what lies %s is not seen, and does not count', (_, values) => {
    const lookFor = asked({ kind: 'items', id: 'i', title: 'shapes', tell: 'result', item: 'shape', min: 1 });
    const seen = shape({ id: 'seen', x: 20, y: 20 });
    expect(counted(lookFor, diagram(['', ''], [seen])).got).toBe(1);
    expect(counted(lookFor, diagram(['', ''], [{ ...seen, ...values } as Item])).got).toBe(0);
    const around = group({ id: 'g', width: 50, height: 50, items: [seen], ...(values as object) });
    if (!('fill' in values) && !('width' in values)) expect(counted(lookFor, diagram(['', ''], [around])).got).toBe(0);
    const box = writing('own', plain('it can wade'));
    const items = box.pages[0].items.map((item) => (item.id === 'own' ? ({ ...item, ...values } as Item) : item));
    const words = asked({ kind: 'words', id: 'w', title: 'write', tell: 'result', item: 'own', min: 1 });
    if (!('fill' in values)) expect(counted(words, { ...box, pages: [{ ...box.pages[0], items }] }).got).toBe(0);
  });
  test.each<[name: string, said: string, held: boolean]>([
    ['Éva Ž. O’Neill', 'Eva', true],
    ['Éva Ž. O’Neill', 'o neill', true],
    ['Éva Ž. O’Neill', 'e', false],
    ['Zoë Łuczak', 'luczak', true],
    ['Zoë Łuczak', 'Zoe', true],
    ['Anna-Lena Groß', 'Lena', true],
    ['Anna-Lena Groß', 'gross', true],
    ['Ayo Bankole', 'Bankol', false],
    ['Ayo Bankole', 'me', false],
  ])('the name of %s is written as “%s”: %s', (studentName, said, held) => {
    const lookFor = asked({ kind: 'name', id: 'n', title: 'name', tell: 'result', item: 'name' });
    expect(count(lookFor, writing('name', plain(said)), { ...context, studentName }).held).toBe(held);
  });
  test('a style has to hold for every word of the role', () => {
    const lookFor = asked({
      kind: 'style',
      id: 's',
      title: 'bold',
      tell: 'result',
      role: 'body',
      bold: true,
      italic: null,
      colour: null,
    });
    const bold = (extra: TextBody[number]['runs'] = []): TextBody => [
      { format: {}, runs: [{ text: 'a wader', style: { bold: true } }, ...extra] },
    ];
    expect(counted(lookFor, writing('own', bold())).held).toBe(true);
    expect(counted(lookFor, writing('own', bold([{ text: ' bird', style: {} }]))).held).toBe(false);
    expect(counted(lookFor, writing('own', plain(''))).held).toBe(false);
  });
  test('things are counted that the student added, not those handed out', () => {
    const lookFor = asked({ kind: 'items', id: 'i', title: 'shapes', tell: 'result', item: 'shape', min: 2 });
    expect(counted(lookFor, diagram(['', ''], [shape({ id: 'x' }), shape({ id: 'y', hidden: true })]))).toMatchObject({
      held: false,
      got: 1,
    });
    expect(counted(lookFor, diagram(['', ''], [shape({ id: 'x' }), shape({ id: 'y', x: 200 })])).held).toBe(true);
    // Exactly under another one it is not seen.
    expect(counted(lookFor, diagram(['', ''], [shape({ id: 'x' }), shape({ id: 'y' })])).held).toBe(false);
  });
  test.each([
    ['Ayo', true],
    ['ayo bankole', true],
    ['Name: AYO B.', true],
    ['Bea', false],
    ['', false],
  ])('own name: “%s” → %s', (said, held) => {
    expect(counted(asked({ kind: 'name', id: 'n', item: 'name' }), writing('name', plain(said))).held).toBe(held);
  });
  test('what the program can’t judge is left to the teacher', () =>
    expect(counted({ kind: 'teacher', id: 't', title: 'neat', tell: 'result' }, full).held).toBeNull());
});

describe('what a student is told', () => {
  const wrong = counted(labels(), diagram(['neck', 'bill']));
  test('never holds the answer', () => {
    for (const tell of ['result', 'filled', 'after'] as const) {
      const lookFor = { ...labels(), tell };
      expect(JSON.stringify(resultForStudent(lookFor, wrong) ?? {})).not.toContain('"meant":"bill"');
    }
  });
  test('only what is filled in does not tell right from wrong', () => {
    const told = resultForStudent({ ...labels(), tell: 'filled' }, wrong)!;
    expect(told).toMatchObject({ held: true, got: 2, need: 2 });
    expect(new Set(verdicts(told))).toEqual(new Set(['near']));
  });
  test('nothing before it is returned', () =>
    expect(resultForStudent({ ...labels(), tell: 'after' }, wrong)).toBeNull());
});

describe('giving out', () => {
  const secret = sheet({
    title: 'S',
    pages: [
      page({
        id: 'p',
        items: [
          text({
            id: 'blank',
            blank: true,
            body: plain('secret answer'),
            also: ['other answer'],
            alt: 'secret answer',
          }),
          text({ id: 'hidden', hidden: true, body: plain('hidden answer') }),
          text({ id: 'key', role: 'key', body: plain('key answer') }),
          text({ id: 'kept', body: plain('question') }),
        ],
      }),
    ],
  });
  test('leaves no answer in the copy', () => {
    const json = JSON.stringify(givenOut(secret));
    expect(json).not.toMatch(/answer/);
    expect(json).toContain('question');
  });
});

describe('what may be touched', () => {
  const copy = sheet({
    title: 'C',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'fixed' }),
          text({ id: 'fill', touch: 'fill' }),
          shape({ id: 'free', touch: 'free' }),
          shape({ id: 'paint', touch: 'fill' }),
          line({ id: 'line', touch: 'fill' }),
        ],
      }),
    ],
  });
  const type = (id: string): Change => ({ kind: 'splice', id, at: 0, remove: 0, insert: plain('x') });
  const set = (id: string, values: Record<string, unknown>): Change => ({ kind: 'set', id, values });
  const add = (item: Item): Change => ({ kind: 'insert', spot: { page: 'p', group: null, behind: null }, item });
  test.each<[string, Change, boolean]>([
    ['typing into a fixed text', type('fixed'), false],
    ['typing into a text to fill in', type('fill'), true],
    ['moving a text to fill in', set('fill', { x: 5 }), false],
    ['letting it grow', set('fill', { height: 90 }), true],
    ['colouring a shape to fill in', set('paint', { fill: null }), true],
    ['resizing it', set('paint', { width: 9 }), false],
    ['leading a line elsewhere', set('line', { to: { x: 1, y: 1, item: null, target: null, side: null } }), true],
    ['moving what is free', set('free', { x: 5 }), true],
    ['making what is free fixed', set('free', { touch: 'fixed' }), false],
    ['removing what is free', { kind: 'remove', id: 'free' }, true],
    ['removing what is fixed', { kind: 'remove', id: 'fixed' }, false],
    [
      'bringing forward what is fixed',
      { kind: 'reorder', id: 'fixed', spot: { page: 'p', group: null, behind: null } },
      false,
    ],
    ['adding a shape', add(shape({ id: 'n', touch: 'free' })), true],
    ['adding a supply that is shut', add(picture({ id: 'n', picture: 'flat/bird', touch: 'free' })), false],
    ['adding something fixed', add(shape({ id: 'n', touch: 'fixed' })), false],
    ['changing the page', { kind: 'page-set', id: 'p', values: { width: 300 } }, false],
    ['renaming the sheet', { kind: 'sheet-set', values: { title: 'mine' } }, false],
    ['a fixed change hidden among others', { kind: 'all', changes: [set('free', { x: 1 }), type('fixed')] }, false],
    ['freeing first, then typing', { kind: 'all', changes: [set('fixed', { touch: 'free' }), type('fixed')] }, false],
  ])('%s: %o', (_, change, allowed) => {
    expect(refusal(copy, change, ['text', 'shape', 'line']) === null).toBe(allowed);
  });
  test('with every supply open, pictures may be added', () =>
    expect(refusal(copy, add(picture({ id: 'n', picture: 'flat/bird', touch: 'free' })), SUPPLIES)).toBeNull());
});

describe('spelling', () => {
  test.each([
    ['heron', 'heron', 0],
    ['heron', 'herno', 1],
    ['crest', 'cresst', 1],
    ['', 'abc', 3],
    ['kitten', 'sitting', 3],
  ])('%s to %s takes %i', (a, b, n) => expect(editDistance(a, b)).toBe(n));
  test('is the same both ways', () => {
    const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), maxLength: 7 });
    fc.assert(fc.property(word, word, (a, b) => void expect(editDistance(a, b)).toBe(editDistance(b, a))));
  });
  test('short words have to be right', () => {
    expect(matches('leg', ['leg'], 'near')).toBe('exact');
    expect(matches('beg', ['leg'], 'near')).toBeNull();
  });
});

test('a look-for without a title is refused with what to do', () => {
  const read = Schema.safeParse({ kind: 'teacher', id: 'a', title: '  ', tell: 'result' });
  expect(read.error?.issues[0].message).toBe('say what you will look for');
});

test('rubric points add up over the marked rows', () => {
  const rubric = {
    rows: ['a', 'b'].map((id) => ({ id, name: id, levels: [0, 1, 3].map((n) => ({ points: n, text: '' })) })),
  };
  expect(points(rubric, { a: 2 })).toEqual({ got: 3, of: 6, open: 1 });
});

describe('points that look-fors bring', () => {
  const asked = (settings: object = {}) => ({ id: 'l', title: 'labels', points: 3, ...settings });
  const counted = (held: boolean | null, got: number, need = 9) => ({ held, got, need });
  const got = (one: object, result: ReturnType<typeof counted>, ruling: boolean | null = null) =>
    weighed([asked(one)], [result], ruling === null ? [] : [{ lookForId: 'l', itemId: null, held: ruling }])[0].got;
  test.each<
    [what: string, settings: object, result: ReturnType<typeof counted>, ruling: boolean | null, got: number | null]
  >([
    ['all of them, when it is met', {}, counted(true, 9), null, 3],
    ['none, when it is nearly met', {}, counted(false, 8), null, 0],
    ['a share for each that is right', { partly: true }, counted(false, 6), null, 2],
    ['less than all where something is too much', { partly: true }, counted(false, 9), null, 8 / 3],
    ['none for nothing', { partly: true }, counted(false, 0), null, 0],
    ['nothing yet, while nobody has judged it', {}, counted(null, 0, 0), null, null],
    ['all, where the teacher says so', { partly: true }, counted(false, 2), true, 3],
    ['none, where the teacher says so', { partly: true }, counted(true, 9), false, 0],
  ])('%s', (_, settings, result, ruling, expected) => expect(got(settings, result, ruling)).toBe(expected));
  test('add up with the rubric; what nobody judged is neither reached nor lost', () => {
    const all = weighed(
      [asked(), asked({ id: 'm', points: undefined }), asked({ id: 'n', points: 1.5 })],
      [counted(true, 9), counted(true, 1), counted(null, 0)],
      [],
    );
    expect(all.map(({ id }) => id)).toEqual(['l', 'n']);
    const sum = points({ rows: [] }, {}, all);
    expect(sum).toEqual({ got: 3, of: 4.5, open: 1 });
    expect(sumWords(sum)).toBe('3 of 4.5 points, 1 still to mark');
    expect(sumWords({ got: 8 / 3, of: 3, open: 0 })).toBe('2.67 of 3 points');
  });
});

describe('what comes late', () => {
  const rubric = (late?: LateRule): Rubric => ({
    rows: [
      { id: 'a', name: 'A', levels: [0, 2, 4].map((points) => ({ points, text: '' })) },
      { id: 'b', name: 'B', levels: [0, 5].map((points) => ({ points, text: '' })) },
    ],
    late,
  });
  const day = { off: 1.5, each: 'day' } as const;
  test.each<[what: string, rule: LateRule | undefined, days: number, marks: RubricMarks, words: string]>([
    ['keeps all where nothing is taken off', undefined, 3, { a: 2, b: 1 }, '9 of 9 points'],
    ['keeps all where it was in time', day, 0, { a: 2, b: 1 }, '9 of 9 points'],
    ['loses points each day', day, 2, { a: 2, b: 1 }, '6 of 9 points, 3 taken off for 2 days late'],
    ['loses points once', { off: 2, each: 'once' }, 4, { a: 2, b: 1 }, '7 of 9 points, 2 taken off for 4 days late'],
    ['never loses more than it has', day, 30, { a: 1, b: 0 }, '0 of 9 points, 2 taken off for 30 days late'],
    ['tells what is still to mark', day, 1, { a: 2 }, '2.5 of 9 points, 1.5 taken off for 1 day late, 1 still to mark'],
  ])('%s', (_, rule, days, marks, words) => expect(sumWords(points(rubric(rule), marks, [], days))).toBe(words));
  test('is marked, though nothing is left', () => {
    expect(isMarked(points(rubric(day), { a: 1 }, [], 30))).toBe(true);
    expect(isMarked(points(rubric(day), {}, [], 30))).toBe(false);
  });
  test('a rubric with such a rule is stored and read again', () => {
    expect(readRubric(JSON.parse(JSON.stringify(rubric(day))))).toEqual(rubric(day));
    expect(Rubric.safeParse({ ...rubric(), late: { off: 0, each: 'day' } }).success).toBe(false);
  });
});

test('a number that points at the same part does not stand for its name', () => {
  const number = text({ id: 'no', body: plain('3') });
  const answer = (said: string) => text({ id: 'own', touch: 'fill', body: plain(said) });
  const tie = (from: string) => line({ id: `t-${from}`, from: held(from), to: held('bird', 'bill') });
  const piece = (said: string) =>
    sheet({
      title: 'S',
      pages: [
        page({
          id: 'p',
          items: [number, answer(said), tie('no'), tie('own'), picture({ id: 'bird', picture: 'diagram/heron' })],
        }),
      ],
    });
  const lookFor = {
    kind: 'labels' as const,
    id: 'k',
    title: 'T',
    tell: 'result' as const,
    picture: 'bird',
    spelling: 'exact' as const,
    expect: [{ target: 'bill', words: ['bill'] }],
  };
  const read = (said: string) => count(lookFor, piece(said), { handedOut: piece(''), studentName: 'I' }).evidence[0];
  expect(read('bill')).toMatchObject({ verdict: 'right', items: ['own'] });
  expect(read('')).toMatchObject({ verdict: 'empty', items: ['own'] });
  expect(read('3')).toMatchObject({ verdict: 'wrong', said: '3' });
});

test('a count says what was found and what was asked for; a share says of how many', () => {
  const words = asked({ kind: 'words', id: 'w', title: 'W', tell: 'result', item: 'why', min: 8 });
  const pictures = asked({ kind: 'items', id: 'p', title: 'P', tell: 'result', item: 'picture', min: 3 });
  expect(countWords(words, { got: 13, need: 8 })).toBe('13 words, 8 asked for');
  expect(countWords(words, { got: 1, need: 8 })).toBe('1 word, 8 asked for');
  expect(countWords(pictures, { got: 0, need: 3 })).toBe('0 pictures, 3 asked for');
  expect(countWords(asked({ kind: 'name', id: 'n', item: 'name' }), { got: 1, need: 1 })).toBe('1 of 1');
});
