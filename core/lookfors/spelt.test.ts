import { describe, expect, test } from 'vitest';
import { isInDictionary } from '../../server/art/dictionary';
import { page, plain, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { anyAsksSpelling, count, countWords, evidenceWords, lookFor, resultForStudent, titled } from './all';

/** Spelling, with the dictionaries that ship: a piece that holds, one that nearly holds, one that misses, and those that cheat. */

const base = (said = '', given = ''): Sheet =>
  sheet({
    title: 'S',
    ownWords: ['ferris'],
    pages: [
      page({
        id: 'p',
        width: 595,
        height: 842,
        items: [
          text({ id: 'task', y: 700, body: plain('Whot did teh tiede bring?') }),
          text({ id: 'own', touch: 'fill', x: 40, y: 200, width: 300, height: 80, body: plain(said || given) }),
        ],
      }),
    ],
  });
const asked = (settings: object = {}) =>
  lookFor({ kind: 'spelt', id: 's', item: 'own', most: 1, also: [], ...settings });
const context = (given = '') => ({ handedOut: base('', given), studentName: 'Łukasz Brzęk', isWord: isInDictionary });
const on = (said: string, settings: object = {}, given = '') =>
  count(asked(settings), base(said, given), context(given));

describe('words that look misspelt', () => {
  test.each<[what: string, said: string, got: number, held: boolean | null]>([
    ['none', 'The tide brings shells, and the crab’s burrow fills.', 0, true],
    ['either English', 'The colour of the color', 0, true],
    ['as many as are allowed', 'The tiede brings shells', 1, true],
    ['one too many', 'The tiede brigns shells', 2, false],
    ['the same one again', 'The tiede, Tiede and tiede', 1, true],
    ['accents', 'A naïve café', 0, true],
    ['one’s own name', 'Łukasz saw Brzęk’s crab', 0, true],
    ['a word that the teacher accepted on the sheet', 'Mr Ferris saw it', 0, true],
    ['nothing written', '', 0, false],
    ['only numbers', '12 + 30', 0, false],
    ['numbers and measures among words', 'We saw 12 crabs and 3rd tides at 10 cm', 0, true],
    ['capitals to hide behind', 'THE TIEDE BRIGNS SHELS', 3, false],
    ['capitals spelt well', 'THE TIDE BRINGS SHELLS', 0, true],
    ['digits in words', 'Th3 t1de br1ngs sh3lls', 0, null],
    ['letters apart', 't h e t i e d e', 0, false],
    ['another script', 'Το κύμα φέρνει κοχύλια', 0, null],
    ['letters at random', 'xqzzt brrk plomf', 3, false],
  ])('%s', (_, said, got, held) => expect(on(said)).toMatchObject({ got, held }));

  test('misspelt words of the task make no word right, and what is given in the box has to be mended', () => {
    expect(on('Whot did teh tiede bring?', { most: 0 }).got).toBe(3);
    const given = 'teh tiede comes';
    expect(on('the tide comes', { most: 0 }, given).held).toBe(true);
    expect(on('the tiede comes', { most: 0 }, given).held).toBe(false);
    expect(on('', { most: 0 }, given).held).toBe(false);
  });
  test('words that the teacher adds are right, with ’s as well', () => {
    expect(on('the gastrovaskular Tidewort’s root', { most: 0, also: ['Gastrovaskular', 'tidewort'] }).held).toBe(true);
  });
  test('what a student accepts on the copy changes nothing', () => {
    const copy = { ...base('teh tiede brigns'), ownWords: ['teh', 'tiede', 'brigns'] };
    expect(count(asked(), copy, context()).held).toBe(false);
  });
  test('without a dictionary it is left to the teacher', () => {
    expect(count(asked(), base('teh tiede'), { handedOut: base(), studentName: 'Ayo' }).held).toBeNull();
  });
  test('are named, in words for teachers and for students', () => {
    const result = on('The tiede brigns shells');
    expect(result.evidence.map((one) => evidenceWords(asked(), one))).toEqual([
      '“tiede” looks misspelt',
      '“brigns” looks misspelt',
    ]);
    expect(countWords(asked(), result)).toBe('2 words look misspelt, at most 1 asked for');
    expect(resultForStudent(asked(), result)?.evidence.map(({ said }) => said)).toEqual(['“tiede”', '“brigns”']);
  });
  test('are said in its title', () => {
    const title = (most: number) => titled({ ...asked({ most }), follows: true }, base()).title;
    expect([0, 1, 2].map(title)).toEqual([
      'No English word that looks misspelt',
      'At most 1 English word that looks misspelt',
      'At most 2 English words that look misspelt',
    ]);
  });
  test('students who see only what is filled in are not told how many', () => {
    const of = asked({ tell: 'filled' });
    const told = (said: string) => resultForStudent(of, on(said, { tell: 'filled' }));
    expect(told('The tiede brigns shells')).toMatchObject({ got: 1, need: 1, held: true, evidence: [] });
    expect(told('')).toMatchObject({ got: 0, need: 1, held: false });
  });
});

describe('among several at once', () => {
  const both = (how: string, min = 1) =>
    lookFor({
      kind: 'combined',
      id: 'c',
      how,
      min,
      parts: [asked(), lookFor({ kind: 'words', id: 'w', item: 'own', min: 3 })],
    });
  const unknown = { handedOut: base(), studentName: 'Ayo' };
  test('a dictionary is asked for', () => {
    expect([
      anyAsksSpelling([both('all')]),
      anyAsksSpelling([lookFor({ kind: 'words', id: 'n', item: null, min: 1 })]),
    ]).toEqual([true, false]);
  });
  test.each([
    ['all', 'one tide comes', true],
    ['all', 'teh tiede comes', false],
    ['none', 'teh tiede', true],
    ['none', 'the tide', false],
  ])('%s of “%s”: %s', (how, said, held) => expect(count(both(how), base(said), context()).held).toBe(held));
  test('what nobody but a person can judge is left to them, unless the others decide', () => {
    const held = (how: string, said: string) => count(both(how), base(said), unknown).held;
    expect(held('all', 'one two three')).toBeNull();
    expect(held('all', 'one')).toBe(false);
    expect(held('some', 'one two three')).toBe(true);
    expect(held('some', 'one')).toBeNull();
    expect(held('none', 'one two three')).toBe(false);
    expect(held('none', 'one')).toBeNull();
  });
});
