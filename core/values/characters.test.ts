import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readCalendar } from '../makers/calendar/files';
import { readOutline } from '../makers/map/files';
import { JsonProblem, readJson } from '../formats/json';
import { readCells } from '../formats/tables';
import { tidy } from '../makers/cloud/words';
import { fileName, itemName, nameFromFile } from '../items/name';
import { plain, text } from '../schema/defaults';
import { cutTo, isWellFormed, wellFormed } from './characters';

const odd = fc.string({
  unit: fc.constantFrom('a', '😀', '👩‍🚀', 'é', 'e\u0301', '🇳🇴', ' '),
  minLength: 0,
  maxLength: 400,
});
const torn = fc.string({ unit: fc.constantFrom('a', '😀', '\ud83d', '\ude00', '\0', '\\', '"'), maxLength: 30 });

describe('cutting', () => {
  test('keeps whole characters, as many as there is room for', () => {
    fc.assert(
      fc.property(odd, fc.nat({ max: 420 }), (words, most) => {
        const cut = cutTo(words, most);
        expect(words.startsWith(cut)).toBe(true);
        expect(cut.length).toBeLessThanOrEqual(most);
        const characters = [...new Intl.Segmenter().segment(words)].map(({ segment }) => segment);
        let whole = '';
        for (const one of characters) {
          if (whole.length + one.length > most) break;
          whole += one;
        }
        expect(cut).toBe(whole);
      }),
    );
  });
  test('is what the program does with names, lines and cells of any length', () => {
    fc.assert(
      fc.property(odd, (words) => {
        const outline = readOutline(`a${words}`);
        const all = [
          nameFromFile(words, 'x'),
          itemName(text({ id: 'a', body: plain(words) })),
          fileName(words, 'x'),
          tidy(words),
          JSON.stringify(outline),
          ...readCells(words).flat(),
          JSON.stringify(
            readCalendar(
              `BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART:20240101\nSUMMARY:${words}\nEND:VEVENT\nEND:VCALENDAR`,
              { from: 0, until: 30_000 },
            ),
          ),
        ];
        for (const one of all) expect(one.isWellFormed()).toBe(true);
        expect(JSON.stringify(outline)).not.toMatch(/\\ud[89a-f]/);
      }),
    );
  });
});

describe('what comes in as JSON', () => {
  test('can be stored whatever it held, and keeps its lengths', () => {
    fc.assert(
      fc.property(fc.array(torn), (texts) => {
        const read = readJson(JSON.stringify(texts)) as string[];
        read.forEach((one, i) => {
          expect(isWellFormed(one)).toBe(true);
          expect(one).toHaveLength(texts[i].length);
          expect(one).toBe(wellFormed(texts[i]));
        });
      }),
    );
  });
  test('loses keys that can’t be stored', () =>
    expect(readJson('{"a":{"\\u0000b":1,"c":"\\ud83d"}}')).toEqual({ a: { c: '\ufffd' } }));
  test.each(['', '{', '['.repeat(100_000), '{"a":'.repeat(5000)])('that is none or lies too deep is refused', (text) =>
    expect(() => readJson(text)).toThrow(JsonProblem),
  );
  test('may hold brackets in its texts', () =>
    expect(readJson(JSON.stringify({ a: '['.repeat(500) + '\\"{' }))).toBeDefined());
});
