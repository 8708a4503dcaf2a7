import fc from 'fast-check';
import { expect, test } from 'vitest';
import { namesIn } from './roster';

test('bullets and numbers are left out, however the list was written', () => {
  for (const list of [
    'Ayo Bankole\nBea Lindgren',
    '1. Ayo Bankole\n2. Bea Lindgren',
    '1) Ayo Bankole\r\n 2) Bea Lindgren\r\n',
    '(1) Ayo Bankole\n(2) Bea Lindgren',
    '- Ayo Bankole\n- Bea Lindgren',
    '• Ayo Bankole\n\n• Bea  Lindgren ',
    '1\tAyo\tBankole\n2\tBea\tLindgren',
    '– 1. Ayo Bankole\n– 2. Bea Lindgren',
  ])
    expect(namesIn(list)).toEqual(['Ayo Bankole', 'Bea Lindgren']);
});

test('what belongs to a name stays', () => {
  const names = ['Anne-Marie O’Neil', 'Élodie Ængström', 'Nguyễn Văn An', 'Μαρία Παπά', 'J. R. Smith', '3nity Jones'];
  expect(namesIn(names.join('\n'))).toEqual(names);
  expect(namesIn('-Ayo')).toEqual(['-Ayo']);
});

test('two of the same name are two, and accents are written in one way', () => {
  expect(namesIn('Ben\nBen')).toEqual(['Ben', 'Ben']);
  expect(namesIn('Zoe\u0308 Lis')).toEqual(['Zoë Lis']);
  expect(namesIn(' \n\n')).toEqual([]);
});

test('a name is one line without space around it, whatever is pasted', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), (text) => {
      for (const name of namesIn(text)) expect(name).not.toMatch(/^\s|\s$|\s\s|[\r\n]/);
    }),
  );
});
