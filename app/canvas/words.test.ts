import { expect, test } from 'vitest';
import { difference } from './words';

test.each([
  ['a letter', 'cat', 'cart', 3, { at: 2, remove: 0, insert: 'r' }],
  ['a doubled letter, just where it was typed', 'bok', 'book', 3, { at: 2, remove: 0, insert: 'o' }],
  ['backspace', 'heron', 'hern', 3, { at: 3, remove: 1, insert: '' }],
  ['delete forward', 'heron', 'hron', 1, { at: 1, remove: 1, insert: '' }],
  ['a selection replaced', 'the bird', 'the heron', 9, { at: 4, remove: 4, insert: 'heron' }],
  ['words pasted at the start', 'end', 'start end', 6, { at: 0, remove: 0, insert: 'start ' }],
  ['a break', 'ab', 'a\nb', 2, { at: 1, remove: 0, insert: '\n' }],
  ['all of it', 'abc', '', 0, { at: 0, remove: 3, insert: '' }],
])('%s is found', (_, before, after, caret, expected) => expect(difference(before, after, caret)).toEqual(expected));
