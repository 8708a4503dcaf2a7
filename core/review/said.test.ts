import { noteWords } from './spoken';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ruling, saidNote, stampSaid } from '../../tests/support/said';
import type { Said, Saying } from './said';
import { saidAfter, Saying as Schema } from './said';

const NOTHING: Said = { notes: [], rulings: [], marks: {}, ink: [] };
const id = fc.constantFrom('note-a', 'note-b', 'note-c');
const body = fc.string({ minLength: 1, maxLength: 20 });
const step: fc.Arbitrary<Saying> = fc.oneof(
  fc.tuple(id, body).map(([note, words]) => saidNote(note, { body: words })),
  fc.record({ do: fc.constant('edit-note' as const), note: id, body }),
  fc.record({ do: fc.constant('remove-note' as const), note: id }),
  fc
    .tuple(fc.constantFrom('x', 'y'), fc.constantFrom(undefined, 'a', 'b'), fc.option(fc.boolean()), body)
    .map(([lookFor, item, held, reason]) => ({ do: 'rule' as const, lookFor, ...(item && { item, reason }), held })),
  fc.tuple(id, fc.nat(500)).map(([ink, at]) => stampSaid(ink, at)),
  fc.record({ do: fc.constant('rub-out' as const), ink: id }),
  fc.record({ do: fc.constant('mark' as const), row: fc.constantFrom('x', 'y'), level: fc.option(fc.nat(4)) }),
  fc.record({ do: fc.constant('finish' as const), word: body }),
);
/** As they can be done: a note is written once, and changed or removed after that; so it is with what is drawn. */
function asDone(steps: readonly Saying[]): Saying[] {
  const there = new Set<string>();
  return steps.filter((one) => {
    if (!('note' in one || 'ink' in one)) return true;
    const name = 'note' in one ? one.note : `ink ${one.ink}`;
    const known = there.has(name);
    there.add(name);
    return known !== (one.do === 'note' || one.do === 'draw');
  });
}
const sorted = ({ notes, rulings, marks, ink, finish }: Said) => ({
  finish,
  ink: ink.toSorted((a, b) => a.id.localeCompare(b.id)),
  notes: notes.toSorted((a, b) => a.id.localeCompare(b.id)),
  rulings: rulings.toSorted((a, b) => `${a.lookForId} ${a.itemId}`.localeCompare(`${b.lookForId} ${b.itemId}`)),
  marks,
});

describe('what is said on a piece', () => {
  test('sent twice, in whole or from its beginning on, it comes to the same', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), fc.nat(12), (any, taken) => {
        const steps = asDone(any);
        const once = saidAfter('go', NOTHING, steps);
        // The school took the first of them, the answer was lost, and all are sent again.
        const again = saidAfter('go', saidAfter('go', NOTHING, steps.slice(0, taken)), steps);
        expect(sorted(again)).toEqual(sorted(once));
      }),
    );
  });
  test('is a note at a spot, with its words changed, and away', () => {
    const one = saidAfter('go', NOTHING, [saidNote('note-a', { item: 'eye', body: 'look' })]);
    expect(one.notes).toEqual([
      { id: 'note-a', goId: 'go', pageId: 'p1', itemId: 'eye', x: 1, y: 1, body: 'look', settled: false },
    ]);
    const [changed] = saidAfter('go', one, [{ do: 'edit-note', note: 'note-a', body: 'look again' }]).notes;
    expect(changed.body).toBe('look again');
    expect(saidAfter('go', one, [{ do: 'remove-note', note: 'note-a' }])).toEqual(NOTHING);
  });
  test('is a spoken note, with or without words; its sound stays beside it', () => {
    const spoken = { seconds: 7.4, type: 'audio/webm' as const };
    const step = { ...saidNote('note-a', { body: '' }), spoken, sound: 'AAAA' } as Saying;
    expect(Schema.safeParse(step).success).toBe(true);
    const [note] = saidAfter('go', NOTHING, [step]).notes;
    expect(note).toMatchObject({ body: '', spoken });
    expect(note).not.toHaveProperty('sound');
    expect(noteWords(note)).toBe('Spoken, 0:07');
    expect(noteWords({ body: 'Look', spoken: { ...spoken, seconds: 61 } })).toBe('Spoken, 1:01: Look');
    expect(noteWords({ body: 'Look', spoken: null })).toBe('Look');
  });
  test('is a ruling and a level, and neither', () => {
    const said = saidAfter('go', NOTHING, [
      { do: 'rule', lookFor: 'name', held: false },
      { do: 'mark', row: 'neat', level: 0 },
    ]);
    expect(said).toEqual({ ...NOTHING, rulings: [ruling('name', false)], marks: { neat: 0 } });
    const back: Saying[] = [
      { do: 'rule', lookFor: 'name', held: null },
      { do: 'mark', row: 'neat', level: null },
    ];
    expect(saidAfter('go', said, back)).toEqual(NOTHING);
  });
  test.each([
    ['no words', saidNote('note-a', { body: ' \n' })],
    ['an hour of speech', { ...saidNote('note-a'), spoken: { seconds: 3600, type: 'audio/webm' } }],
    ['a film', { ...saidNote('note-a'), spoken: { seconds: 9, type: 'video/webm' }, sound: 'AAAA' }],
    ['what is no sound', { ...saidNote('note-a'), spoken: { seconds: 9, type: 'audio/mp4' }, sound: '<svg>' }],
    ['more words than a note has', saidNote('note-a', { body: 'a'.repeat(4001) })],
    ['a spot far off any page', saidNote('note-a', { x: 7201 })],
    ['a name that is none', saidNote('a note')],
    ['a reason longer than a student reads', { do: 'rule', lookFor: 'x', held: true, reason: 'a'.repeat(201) }],
    ['half a level', { do: 'mark', row: 'x', level: 1.5 }],
  ])('%s is refused', (_, given) => {
    expect(Schema.safeParse(given).success).toBe(false);
  });
});
