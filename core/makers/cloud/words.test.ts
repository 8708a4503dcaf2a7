import { describe, expect, it } from 'vitest';
import { beyondList, countAnswers, countWords, countWritten, readList, writtenList } from './words';

const said = (list: { text: string; weight: number }[]) => list.map(({ text, weight }) => `${text} ${weight}`);

describe('a typed list', () => {
  it('takes words with and without counts, behind or before', () => {
    expect(
      said(readList('salt marsh\t12\ntide: 10\nheron x 3\n4 crabs\n5× eels\nmud;2\nebb, 1,5\nspring tide 7\nreed')),
    ).toEqual([
      'salt marsh 12',
      'tide 10',
      'heron 3',
      'crabs 4',
      'eels 5',
      'mud 2',
      'ebb 1.5',
      'spring tide 7',
      'reed 1',
    ]);
  });

  it('adds up what stands twice, and leaves bullets and empty lines out', () => {
    expect(said(readList('• crab\n\n- Crab\n  * mud 2\nmud'))).toEqual(['crab 2', 'mud 3']);
  });

  it('names what is beyond the most that a cloud takes', () => {
    const long = Array.from({ length: 403 }, (_, i) => `word${i}: 2`).join('\n');
    expect(beyondList(long)).toEqual(['word400', 'word401', 'word402']);
    expect(beyondList('tide\nTide\nmud 3')).toEqual([]);
  });

  it('is the same when it is written and read again', () => {
    const list = readList('salt marsh 12\ntide\nsea lavender 2.5');
    expect(readList(writtenList(list))).toEqual(list);
  });

  it('keeps to its limits, whatever is pasted', () => {
    const many = readList(Array.from({ length: 900 }, (_, i) => `word${'x'.repeat(i % 3)}${i} y`).join('\n'));
    expect(many).toHaveLength(400);
    expect(readList('w'.repeat(300))[0].text).toHaveLength(120);
    expect(readList('crab 99999999')[0].weight).toBeLessThanOrEqual(1_000_000);
    expect(readList('crab 0')[0].weight).toBeGreaterThan(0);
    expect(readList('  \n\t\n')).toEqual([]);
  });
});

describe('counted words', () => {
  it('joins forms of a word and leaves out those that carry no sense', () => {
    const text = 'The crabs walk sideways. A crab is walking over the mud. Crabs, crabs and the mud!';
    expect(said(countWords([text]))).toEqual(['crabs 4', 'mud 2', 'walk 2', 'sideways 1']);
  });

  it('knows a name from the start of a sentence', () => {
    const [first, second] = countWords(['Tides come and tides go. Tides again. We saw Wren Bay and Wren Bay saw us.']);
    expect(first.text).toBe('tides');
    expect(second.text).toBe('Bay');
  });

  it('takes apostrophes and numbers as a reader does', () => {
    expect(said(countWords(['The heron’s nest. It isn’t a heron. 1897 2 nests']))).toEqual(['heron 2', 'nest 2']);
  });

  it('counts answers of a few words whole', () => {
    expect(said(countAnswers(['Salt marsh', 'the salt marshes', 'salt marsh', 'mud; mud', '']))).toEqual([
      'salt marsh 3',
      'mud 2',
    ]);
  });

  it('tells answers from sentences', () => {
    expect(said(countWritten(['salt marsh', 'mud flat', 'creek']))).toEqual(['creek 1', 'mud flat 1', 'salt marsh 1']);
    const sentences = ['I saw a crab near the creek and it ran away.', 'There was a crab under the bridge near us.'];
    expect(countWritten(sentences)[0]).toEqual({ text: 'crab', weight: 2 });
    expect(countWritten(['', '  '])).toEqual([]);
  });
});
