import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { GALLERY_STATES, GalleryNote, hung, seenBy } from './gallery';

const piece = (id: string, studentName: string) => ({ id, studentName });
const ANY_NOTE = fc.record({
  id: fc.uuid(),
  authorId: fc.constantFrom('ada', 'ben', 'cai'),
  author: fc.constantFrom('Ada', 'Ben', 'Cai'),
  state: fc.constantFrom(...GALLERY_STATES),
});

describe('a gallery', () => {
  test('hangs by name, or by chance and without any', () => {
    const pieces = [piece('q', 'Ada'), piece('a', 'Ben')];
    expect(hung(pieces, true)).toEqual(pieces);
    expect(hung(pieces, false)).toEqual([piece('a', 'Piece 1'), piece('q', 'Piece 2')]);
  });
  test('shows nobody what its teacher has not passed on, but for what they wrote themselves', () => {
    fc.assert(
      fc.property(fc.array(ANY_NOTE), fc.boolean(), (notes, named) => {
        const seen = seenBy(notes, 'ada', named);
        for (const note of notes) {
          const found = seen.find(({ id }) => id === note.id);
          expect(Boolean(found)).toBe(note.state === 'shown' || note.authorId === 'ada');
          if (found) expect(found.by).toBe(named && note.authorId !== 'ada' ? note.author : null);
        }
        // Who wrote it is in no other field.
        if (!named) expect(JSON.stringify(seen)).not.toMatch(/Ada|Ben|Cai|"ada"|"ben"|"cai"/);
      }),
    );
  });
  test.each([
    ['nothing', { body: '  ' }, /Write something first/],
    ['too much', { body: 'x'.repeat(281) }, /at most 280 letters/],
    ['a kind that there is not', { kind: 'rant' }, /./],
    ['an id that is none', { note: 'a b' }, /./],
  ])('takes no note with %s', (_, given, message) => {
    const read = GalleryNote.safeParse({ note: 'note-1', piece: 'p', kind: 'like', body: 'the neck', ...given });
    expect(read.error?.issues[0].message).toMatch(message);
  });
});
