import { expect, test } from 'vitest';
import type { LetterHome } from './letter';
import { letterSubject, letterText } from './letter';

const letter = (over: Partial<LetterHome> = {}): LetterHome => ({
  student: 'Zoë Lis',
  teacher: 'Maren Oduya',
  school: 'Samphire School',
  title: 'Parts of the heron',
  words: '  We went to the marsh.\nAsk about the legs! ',
  outcome: 'done',
  feedback: { sum: null, lookFors: [], rows: [], notes: [] },
  ...over,
});

test('a letter says what was found, and leaves out what there is nothing to say of', () => {
  expect(letterText(letter())).toBe(
    [
      'Dear family of Zoë Lis,',
      'We went to the marsh.\nAsk about the legs!',
      '“Parts of the heron” has come back to Zoë Lis, and is done.',
      'The piece with these notes is attached.',
      'Maren Oduya\nSamphire School',
    ].join('\n\n'),
  );
  expect(letterSubject(letter())).toBe('Parts of the heron: the work of Zoë Lis');
});

test('look-fors, marks and notes stand in it; what nobody has judged is never told as missed or zero', () => {
  const text = letterText(
    letter({
      words: '',
      outcome: 'another-go',
      feedback: {
        sum: '3 of 6 points, 1 still to mark',
        lookFors: [
          { title: 'Your name', held: true, counted: '', reasons: [] },
          { title: 'Labels', held: false, counted: '8 of 9', reasons: ['“nek”: nearly'] },
          { title: 'Easy to read', held: null, counted: '', reasons: [] },
        ],
        rows: [
          { name: 'Names', level: { text: 'most', points: 3 }, of: 3 },
          { name: 'Says why', level: null, of: 3 },
        ],
        notes: [{ body: 'Which neck?' }, { body: 'Lovely.' }],
      },
    }),
  );
  expect(text).toContain('for another go');
  expect(text).toContain(
    '- Your name: met\n- Labels: not met (8 of 9)\n  “nek”: nearly\n- Easy to read: not judged yet',
  );
  expect(text).toContain(
    '- Names: 3 of 3 (most)\n- Says why: not marked yet\nTogether: 3 of 6 points, 1 still to mark',
  );
  expect(text).toContain('1. Which neck?\n2. Lovely.');
  expect(text).not.toMatch(/\n{3}|undefined|null/);
});
