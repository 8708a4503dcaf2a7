import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { givenOut } from '../handout/copy';
import { page, plain, shape, sheet, text } from '../schema/defaults';
import type { Item, Sheet, TextBody } from '../schema/sheet';
import type { LookFor } from './all';
import { begun, contradictionOf, count, countAll, evidenceWords, lookFor, resultForStudent } from './all';

/** Look-fors about words and answers: a piece that holds, one that nearly holds, one that misses, and one that cheats. */

const TASK = 'The tide comes in twice a day, said Mr Ferris.';
const base = (body: TextBody = plain(''), extra: Item[] = []): Sheet =>
  sheet({
    title: 'S',
    pages: [
      page({
        id: 'p',
        width: 595,
        height: 842,
        items: [
          ...extra,
          text({ id: 'task', y: 700, body: plain(TASK) }),
          text({ id: 'own', touch: 'fill', x: 40, y: 200, width: 300, height: 80, body }),
        ],
      }),
    ],
  });
const context = { handedOut: base(), studentName: 'Ayo Bankole' };
const on = (of: LookFor, piece: Sheet, handedOut = context.handedOut) => count(of, piece, { ...context, handedOut });
const written = (of: LookFor, said: string) => on(of, base(plain(said)));

describe('certain words', () => {
  const asked = (settings: object) =>
    lookFor({
      kind: 'phrase',
      id: 'w',
      item: 'own',
      how: 'all',
      min: 1,
      spelling: 'near',
      words: ['tide', 'salt water'],
      ...settings,
    });
  test.each<[settings: object, said: string, held: boolean]>([
    [{}, 'The tide brings salt water.', true],
    [{}, 'Salt water comes with the TIDES', true],
    [{}, 'the tide brings salty water', true],
    [{}, 'the tyde brings salt watr', true],
    [{ spelling: 'exact' }, 'the tyde brings salt water', false],
    [{}, 'the tide brings salt, water', true],
    [{}, 'the tide brings salt and water', false],
    [{}, 'the tide brings water and salt', false],
    [{}, 'the tidy brings', false],
    [{}, '', false],
    [{ words: ['?'] }, 'Does the tide come?', true],
    [{ words: ['?', 'tide'] }, 'The tide comes.', false],
    [{ words: ['?!'], how: 'none' }, 'The tide comes?', true],
    [{ how: 'some' }, 'the tide', true],
    [{ how: 'some', min: 2 }, 'the tide', false],
    [{ how: 'none' }, 'the sea comes', true],
    [{ how: 'none' }, 'the tide comes', false],
    [{ how: 'none' }, '', false],
  ])('%j in “%s”: %s', (settings, said, held) => expect(written(asked(settings), said).held).toBe(held));
  test('words that stood in the box do not count, unless they are written once more', () => {
    const given = base(plain('tide and salt water'));
    expect(on(asked({}), given, given).got).toBe(0);
    expect(on(asked({}), base(plain('tide and salt water, tide, salt water')), given).got).toBe(2);
  });
  test('every word is found wherever it stands among others', () => {
    const filler = fc.array(fc.constantFrom('sea', 'and', 'comes', 'the'), { maxLength: 5 });
    fc.assert(
      fc.property(filler, filler, filler, (a, b, c) => {
        expect(written(asked({}), [...a, 'tide', ...b, 'salt', 'water', ...c].join(' ')).held).toBe(true);
      }),
    );
  });
  test('says what is missing, and what contradicts itself', () => {
    const of = asked({});
    const { evidence } = written(of, 'the tide');
    expect(evidence.map((one) => evidenceWords(of, one))).toEqual(['“tide”', 'no “salt water”']);
    expect(contradictionOf(asked({ words: [] }), base())).toMatch(/Type the words/);
    expect(contradictionOf(asked({ how: 'some', min: 3 }), base())).toMatch(/only 2/);
    expect(contradictionOf(asked({ words: ['tide', 'Tide '] }), base())).toMatch(/twice/);
  });
});

test('words of the example are nobody’s own, single ones aside', () => {
  const asked = lookFor({ kind: 'words', id: 'w', item: 'own', min: 5 });
  const example = base(plain('Ines found a shore crab under the third stone'));
  const got = (said: string) => count(asked, base(plain(said)), { ...context, example }).got;
  expect(got('Ines found a shore crab under the third stone')).toBe(0);
  expect(got('we saw it: found a shore crab under the bridge')).toBe(4);
  expect(got('my crab sat under a stone')).toBe(6);
});

describe('at most so many words', () => {
  const asked = lookFor({ kind: 'words', id: 'w', item: 'own', how: 'most', min: 4 });
  test.each([
    ['one two three four', true],
    ['one two three four five', false],
    ['', false],
  ])('“%s”: %s', (said, held) => expect(written(asked, said).held).toBe(held));
});

describe('words that nobody can read', () => {
  const asked = lookFor({ kind: 'words', id: 'w', item: 'own', min: 3 });
  const styled = (style: object): TextBody => [{ format: {}, runs: [{ text: 'waves carry sand away', style }] }];
  test.each<[what: string, body: TextBody, extra: Item[], got: number]>([
    ['in ink', styled({}), [], 4],
    ['white on the white page', styled({ colour: '#ffffff' }), [], 0],
    ['all but white', styled({ colour: '#fafafa' }), [], 0],
    ['pale, but there', styled({ colour: '#b8b8b8' }), [], 4],
    ['as small as dust', styled({ size: 1 }), [], 0],
    ['under a shape', styled({}), [shape({ id: 'o', x: 20, y: 180, width: 400, height: 200 })], 0],
  ])('%s', (_, body, extra, got) => expect(on(asked, base(body, extra)).got).toBe(got));
  test('white words on something dark are read', () => {
    const dark = shape({
      id: 'd',
      x: 20,
      y: 180,
      width: 400,
      height: 200,
      fill: { kind: 'solid', colour: '#123456', opacity: 1 },
    });
    const piece = base(styled({ colour: '#ffffff' }));
    const [first] = piece.pages;
    expect(on(asked, { ...piece, pages: [{ ...first, items: [...first.items, dark] }] }).got).toBe(4);
  });
});

describe('a list of points', () => {
  const asked = (marked = false) => lookFor({ kind: 'points', id: 'l', item: 'own', min: 3, marked });
  const listed = (lines: string[]): TextBody =>
    lines.map((line) => ({ format: { list: 'bullet' as const }, runs: [{ text: line, style: {} }] }));
  test.each<[what: string, said: string, got: number]>([
    ['three lines', 'mud\nsand\nshells', 3],
    ['empty lines between', 'mud\n\n\nsand', 2],
    ['one thing again and again', 'mud\nMud!\nmud', 1],
    ['letters to fill it', 'x\ny\nz', 0],
    ['dots to fill it', '...\n---\n.', 0],
    ['all on one line', 'mud, sand, shells', 1],
  ])('%s', (_, said, got) => expect(written(asked(), said).got).toBe(got));
  test('with bullets: real ones, or typed ones', () => {
    expect(on(asked(true), base(listed(['mud', 'sand', 'shells']))).held).toBe(true);
    expect(written(asked(true), '- mud\n2) sand\nc. shells').got).toBe(3);
    expect(written(asked(true), 'mud\nsand\nshells').got).toBe(0);
    // A number at the beginning of what is meant is no bullet.
    expect(written(asked(true), '3 crabs\n12 gulls').got).toBe(0);
  });
  test('points that were handed out are nobody’s own', () => {
    const given = base(plain('mud\n'));
    expect(on(asked(), base(plain('mud\nsand')), given).got).toBe(1);
  });
});

describe('a quotation', () => {
  const asked = (from = 'anywhere', min = 3) => lookFor({ kind: 'quotation', id: 'q', item: 'own', min, from });
  test.each<[said: string, got: number]>([
    ['He said: “the sea is rising”', 4],
    ['He said: "the sea is rising"', 4],
    ['Er sagt: „das Meer steigt an“', 4],
    ['Il dit : « la mer monte vite »', 4],
    ['He said ‘the sea isn’t rising’ today', 4],
    ['He said the sea is rising', 0],
    ['He said “the sea is rising', 0],
    ["the sea's rising and it isn't the moon's fault", 0],
    ['“”', 0],
    ['“so so so so so so”', 1],
  ])('in “%s” has %i words', (said, got) => expect(written(asked(), said).got).toBe(got));
  test.each<[said: string, held: boolean]>([
    ['“comes in twice a day”', true],
    ['“Comes in TWICE a day”', true],
    ['“comes in three times a day”', false],
    ['comes in twice a day', false],
  ])('word for word from the sheet: %s %s', (said, held) => expect(written(asked('sheet', 4), said).held).toBe(held));
  test('that was handed out is no quotation of the student’s', () => {
    const given = base(plain('Example: “the sea is rising”'));
    expect(on(asked(), given, given).got).toBe(0);
  });
});

describe('no sample text left', () => {
  const given = base(plain('Write a sentence about your bird here'), [
    text({ id: 'head', touch: 'fill', body: plain('Title') }),
  ]);
  const asked = lookFor({ kind: 'sample', id: 's' });
  const piece = (own: string, head: string) =>
    base(plain(own), [text({ id: 'head', touch: 'fill', body: plain(head) })]);
  test.each<[own: string, head: string, got: number]>([
    ['It wades', 'Avocets', 2],
    ['', '', 2],
    ['Write a sentence about your bird here', 'Title', 0],
    ['WRITE a sentence, about your bird, here!!', 'title', 0],
    ['It wades. Write a sentence about your bird', 'Title', 0],
    ['My bird wades', 'The title of my bird', 2],
    ['It wades', 'Title', 1],
  ])('“%s” and “%s”', (own, head, got) => expect(on(asked, piece(own, head), given).got).toBe(got));
  test('is not offered for a sheet without any', () => expect(begun('sample', base(), 'x')).toMatch(/No box/));
});

describe('the student’s own name', () => {
  const asked = (settings: object) => lookFor({ kind: 'name', id: 'n', item: 'own', ...settings });
  test.each<[settings: object, said: string, held: boolean]>([
    [{ parts: 'first' }, 'Zoë', true],
    [{ parts: 'first' }, 'Łuczak', false],
    [{ parts: 'whole' }, 'Zoe Luczak', true],
    [{ parts: 'whole' }, 'Luczak, Zoe', true],
    [{ parts: 'whole' }, 'Zoe', false],
    [{ exact: true }, 'Zoë', true],
    [{ exact: true }, 'Zoe', false],
    [{ exact: true }, 'zoë', false],
    [{ exact: true, parts: 'whole' }, 'Zoë Łuczak', true],
  ])('%j: %s → %s', (settings, said, held) =>
    expect(count(asked(settings), base(plain(said)), { ...context, studentName: 'Zoë Łuczak' }).held).toBe(held),
  );
});

describe('a style', () => {
  const asked = (settings: object) =>
    lookFor({ kind: 'style', id: 's', role: null, bold: null, italic: null, colour: null, ...settings });
  const styled = (style: object, format: object = {}): TextBody => [{ format, runs: [{ text: 'waves', style }] }];
  test.each<[settings: object, body: TextBody, held: boolean]>([
    [{ underline: true }, styled({ underline: true }), true],
    [{ underline: true }, styled({}), false],
    [{ least: 18 }, styled({ size: 18 }), true],
    [{ least: 18 }, styled({ size: 17 }), false],
    [{ faces: ['andika', 'lexend'] }, styled({ font: 'lexend' }), true],
    [{ faces: ['andika'] }, styled({ font: 'nunito' }), false],
    [{ align: 'centre' }, styled({}, { align: 'centre' }), true],
    [{ align: 'centre' }, styled({}), false],
    [{ colour: '#c0392b' }, styled({ colour: '#c0392c' }), true],
    [{ colour: '#c0392b' }, styled({ colour: '#2980b9' }), false],
    [{ bold: false }, styled({ bold: true }), false],
    [{ bold: true, italic: true }, styled({ bold: true }), false],
  ])('%j', (settings, body, held) => expect(on(asked(settings), base(body)).held).toBe(held));
  test('of one text is enough where one is asked for', () => {
    const more = text({ id: 'more', touch: 'fill', x: 40, y: 400, body: plain('plain') });
    const piece = base(styled({ bold: true }), [more]);
    expect(on(asked({ bold: true }), piece)).toMatchObject({ held: false, got: 1, need: 2 });
    expect(on(asked({ bold: true, how: 'some' }), piece).held).toBe(true);
  });
  test('without a condition says so', () => expect(contradictionOf(asked({}), base())).toMatch(/Choose a style/));
});

describe('right answers in the blanks', () => {
  const blank = (id: string, answer: string, x: number, also: string[] = []) =>
    text({ id, x, y: 500, touch: 'fill', blank: true, body: plain(answer), also });
  const made = (...answers: [string, string, string]): Sheet =>
    base(
      plain(''),
      answers.map((answer, i) => blank(`b${i}`, answer, 40 + 120 * i, i === 2 ? ['sixty'] : [])),
    );
  const key = made('12', '21', '60');
  const asked = begun('answers', key, 'a') as LookFor;
  const piece = (...said: [string, string, string]) => {
    const given = givenOut(key);
    const [first] = given.pages;
    const items = first.items.map((item) =>
      /^b\d$/.test(item.id) && item.kind === 'text' ? { ...item, body: plain(said[Number(item.id[1])]) } : item,
    );
    return { ...given, pages: [{ ...first, items }] };
  };
  const verdicts = (...said: [string, string, string]) =>
    on(asked, piece(...said), givenOut(key)).evidence.map(({ verdict }) => verdict);
  test.each<[said: [string, string, string], expected: string[]]>([
    [
      ['12', '21', '60'],
      ['right', 'right', 'right'],
    ],
    [
      ['12', '21', 'Sixty'],
      ['right', 'right', 'right'],
    ],
    [
      ['12', '12', '60'],
      ['right', 'wrong', 'right'],
    ],
    [
      ['21', '12', '60'],
      ['swapped', 'swapped', 'right'],
    ],
    [
      ['12', '', '60'],
      ['right', 'empty', 'right'],
    ],
    [
      ['12 21 60', '12 21 60', '12 21 60'],
      ['wrong', 'wrong', 'wrong'],
    ],
  ])('%j: %j', (said, expected) => expect(verdicts(...said)).toEqual(expected));
  test('swapped ones are said to be swapped', () => {
    const { evidence } = on(asked, piece('21', '12', '60'), givenOut(key));
    expect(evidenceWords(asked, evidence[0])).toBe('“21” is swapped with “12”');
  });
  test('what a student is told gives no answer away, and filled in is not right', () => {
    const told = resultForStudent(asked, on(asked, piece('21', '12', '60'), givenOut(key)))!;
    expect(told).toMatchObject({ held: true, got: 3, need: 3 });
    expect(new Set(told.evidence.map(({ verdict }) => verdict))).toEqual(new Set(['near']));
    expect(JSON.stringify(told)).not.toContain('"meant":"12"');
  });
  test('a blank that was taken away is empty, not right', () => {
    const [first] = piece('12', '21', '60').pages;
    const without = { ...key, pages: [{ ...first, items: first.items.filter(({ id }) => id !== 'b1') }] };
    expect(on(asked, without, givenOut(key)).evidence[1].verdict).toBe('empty');
  });
  test('every filling is right in as many blanks as it has the answers of', () => {
    const said = fc.constantFrom('12', '21', '60', '', '61');
    fc.assert(
      fc.property(said, said, said, (a, b, c) => {
        const right = [a === '12', b === '21', c === '60'].filter(Boolean).length;
        expect(on(asked, piece(a, b, c), givenOut(key)).got).toBe(right);
      }),
    );
  });
});

describe('several at once', () => {
  const words = { kind: 'words', id: 'a', title: 'At least 2 words of your own', tell: 'result', item: 'own', min: 2 };
  const points = {
    kind: 'points',
    id: 'b',
    title: 'A list of at least 2 points',
    tell: 'result',
    item: 'own',
    min: 2,
    marked: false,
  };
  const asked = (how: string, min = 1, parts: unknown[] = [words, points]) =>
    lookFor({ kind: 'combined', id: 'c', how, min, parts });
  test.each<[how: string, min: number, said: string, held: boolean]>([
    ['all', 1, 'mud flats\nsand', true],
    ['all', 1, 'mud flats', false],
    ['some', 1, 'mud flats', true],
    ['some', 2, 'mud flats', false],
    ['some', 1, '', false],
    ['none', 1, '', true],
    ['none', 1, 'mud flats', false],
  ])('%s (%i) of “%s”: %s', (how, min, said, held) => expect(written(asked(how, min), said).held).toBe(held));
  test('says what stands in the way, and not what another part makes up for', () => {
    expect(written(asked('all'), 'mud flats').evidence.map(({ verdict }) => verdict)).toEqual(['right', 'near']);
    expect(written(asked('some'), 'mud flats').evidence).toHaveLength(1);
    expect(written(asked('none'), 'mud flats').evidence.map(({ verdict }) => verdict)).toEqual(['wrong']);
  });
  test('says what contradicts itself, in its parts, too', () => {
    expect(contradictionOf(asked('some', 3), base())).toMatch(/only 2/);
    const phrase = {
      kind: 'phrase',
      id: 'p',
      title: 'x',
      tell: 'result',
      item: null,
      how: 'all',
      min: 1,
      words: [],
      spelling: 'near',
    };
    expect(contradictionOf(asked('all', 1, [phrase]), base())).toMatch(/Type the words/);
    expect(() => asked('all', 1, [])).toThrow(/put something/);
    const labels = { kind: 'labels', id: 'l', title: 'x', tell: 'result', picture: 'p', spelling: 'near', expect: [] };
    expect(() => asked('all', 1, [labels])).toThrow();
  });
});

test('whatever is begun on a sheet can be stored, and has its sentence as title', () => {
  const full = base(plain('Write here about the tide, please'), [
    text({ id: 'b', touch: 'fill', blank: true, y: 500, body: plain('12') }),
    text({ id: 'name', role: 'name', touch: 'fill', y: 600 }),
  ]);
  const kinds = [
    'name',
    'answers',
    'words',
    'phrase',
    'points',
    'quotation',
    'style',
    'sample',
    'items',
    'combined',
    'teacher',
  ] as const;
  const all = kinds.map((kind) => begun(kind, full, kind) as LookFor);
  expect(all.map(({ title }) => title)).toEqual([
    'Your name',
    'The right answer in the blank',
    'At least 15 words of your own',
    'The words',
    'A list of at least 3 points, each on its own line',
    'A quotation of at least 3 words in quotation marks',
    'Every heading is bold',
    'Your own words instead of the sample text, everywhere',
    'At least 3 pictures',
    'All of these:',
    'Neat and easy to read',
  ]);
  for (const one of all) if (one.kind !== 'combined') expect(lookFor(one)).toEqual(one);
  expect(countAll(all, full, context)).toHaveLength(kinds.length);
});
