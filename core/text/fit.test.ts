import fc from 'fast-check';
import { beforeAll, describe, expect, test } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { fragment } from '../../tests/support/sheets';
import { bodyLength, bodyText } from './body';
import { defaultRoles, plain } from '../schema/defaults';
import type { TextBody } from '../schema/sheet';
import { TextRole } from '../schema/sheet';
import { roleRun } from './style';
import { caretAt, lineEdge, positionAt, selectionBoxes, vertical } from './caret';
import { FACES, fileFor, isFace } from './catalogue';
import type { Faces } from './faces';
import type { TextBox as Box } from './fit';
import { grownHeight, layOut, wordsHeight } from './fit';
import { measureBody, setBody } from './set';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const role = defaultRoles().body;
const box = (given: Partial<Box> = {}): Box => ({
  width: 200,
  height: 300,
  padding: 4,
  vertical: 'top',
  fit: 'keep',
  ...given,
});
const prose = 'The heron stands still in the shallow water until a small fish swims past its long legs.';
const lay = (body: TextBody, given: Partial<Box> = {}, settings = role) => layOut(body, settings, box(given), faces);
const formatted = (text: string, format: TextBody[number]['format']): TextBody =>
  plain(text).map((p) => ({ ...p, format }));

describe('measuring', () => {
  const list = fc.constantFrom('none' as const, 'bullet' as const, 'number' as const);
  const format = fc.record({ list, level: fc.nat(2), before: fc.nat(20), lineSpacing: fc.constantFrom(1, 1.4) });
  const bodies = fc.tuple(fragment, format).map(([body, given]) => body.map((one) => ({ ...one, format: given })));
  test('says how large words are once they are set', () => {
    fc.assert(
      fc.property(bodies, fc.integer({ min: 20, max: 400 }), fc.constantFrom(0.5, 1, 2), (body, width, scale) => {
        for (const wrapped of [true, false]) {
          const measured = measureBody(body, role, width, scale, faces, wrapped);
          const { height, widest } = setBody(body, role, width, scale, faces, wrapped);
          expect(measured.height).toBeCloseTo(height, 6);
          expect(measured.widest).toBeCloseTo(widest, 6);
        }
      }),
    );
  });
  test('is as high as what is laid out, however words are fitted', () => {
    const fits = fc.constantFrom('keep' as const, 'grow' as const, 'shrink' as const, 'width' as const);
    fc.assert(
      fc.property(bodies, fits, fc.integer({ min: 30, max: 200 }), (body, fit, height) => {
        const given = box({ fit, height });
        expect(wordsHeight(body, role, given, faces)).toBeCloseTo(layOut(body, role, given, faces).height, 6);
      }),
    );
  });
});

describe('breaking into lines', () => {
  test('no line is wider than its box, and no character is lost', () => {
    fc.assert(
      fc.property(fragment, fc.integer({ min: 60, max: 300 }), (body, width) => {
        const { lines } = lay(body, { width, height: 5000 });
        for (const line of lines) expect(line.width).toBeLessThanOrEqual(width - 8 + 0.01);
        const positions = lines.map((line) => [line.start, line.end]);
        expect(positions[0][0]).toBe(0);
        expect(positions.at(-1)![1]).toBe(bodyLength(body));
        positions.slice(1).forEach(([start], i) => expect(start - positions[i][1]).toBeLessThanOrEqual(1));
        for (const line of lines) expect(line.stops).toHaveLength(line.end - line.start + 1);
        expect(lines.map((line) => line.pieces.map((piece) => piece.text).join('')).join('')).toBe(
          bodyText(body).replaceAll('\n', ''),
        );
      }),
      { numRuns: 200 },
    );
  });

  test('breaks at spaces, which hang over the end', () => {
    const { lines } = lay(plain(prose));
    expect(lines.length).toBeGreaterThan(2);
    for (const line of lines.slice(0, -1)) expect(bodyText(plain(prose)).slice(line.start, line.end)).toMatch(/ $/);
  });

  test('cuts a word that is longer than the line', () => {
    const { lines } = lay(plain('a'.repeat(120)), { width: 100 });
    expect(lines.length).toBeGreaterThan(4);
  });

  test('sets every line of a justified paragraph but the last to the full width', () => {
    const { lines } = lay(formatted(prose, { align: 'justify' }));
    for (const line of lines.slice(0, -1)) expect(line.width).toBeCloseTo(192, 1);
    expect(lines.at(-1)!.width).toBeLessThan(192);
  });

  test('centres and sets to the right', () => {
    const [centred] = lay(formatted('crest', { align: 'centre' })).lines;
    expect(centred.x + centred.width / 2).toBeCloseTo(100, 3);
    const [right] = lay(formatted('crest', { align: 'right' })).lines;
    expect(right.x + right.width).toBeCloseTo(196, 3);
  });
});

describe('lists', () => {
  test('number their paragraphs, level by level', () => {
    const body: TextBody = [0, 0, 1, 1, 0].map((level) => ({
      format: { list: level ? ('letter' as const) : ('number' as const), level },
      runs: [{ text: 'fact', style: {} }],
    }));
    expect(lay(body).lines.map((line) => line.marker!.text)).toEqual(['1.', '2.', 'a)', 'b)', '3.']);
  });
  test('begin again after plain words, and hang their marker before the words', () => {
    const one: TextBody[number] = { format: { list: 'bullet' }, runs: [{ text: prose, style: {} }] };
    const { lines } = lay([one, ...plain('between'), one]);
    const marked = lines.filter((line) => line.marker);
    expect(marked).toHaveLength(2);
    expect(marked[0].marker!.x).toBeLessThan(marked[0].x);
    expect(lines[1].x).toBe(lines[0].x);
  });
});

describe('room', () => {
  test('words that do not fit are reported', () => {
    expect(lay(plain(prose), { height: 30 }).overflows).toBe(true);
    expect(lay(plain(prose), { height: 300 }).overflows).toBe(false);
  });
  test('a shrinking box takes the largest size that fits', () => {
    const tight = box({ height: 44, fit: 'shrink' });
    const { scale, overflows, height } = layOut(plain(prose), role, tight, faces);
    expect(overflows).toBe(false);
    expect(height).toBeLessThanOrEqual(36.01);
    const bigger = { ...role, run: { ...role.run, size: role.run.size * (scale + 0.02) } };
    expect(layOut(plain(prose), bigger, { ...tight, fit: 'keep' }, faces).overflows).toBe(true);
  });
  test('a shrinking box stops at the least size and then says that it overflows', () => {
    const { scale, overflows } = lay(plain(prose.repeat(20)), { height: 30, fit: 'shrink', least: 9 });
    expect(scale * role.run.size).toBeCloseTo(9, 5);
    expect(overflows).toBe(true);
  });
  test('a growing box is just as high as its words', () => {
    const height = grownHeight(plain(prose), role, box(), faces);
    expect(lay(plain(prose), { height }).overflows).toBe(false);
    expect(lay(plain(prose), { height: height - 1 }).overflows).toBe(true);
  });
  test('words stand at the top, in the middle or at the bottom', () => {
    const tops = (['top', 'middle', 'bottom'] as const).map((vertical) => lay(plain('x'), { vertical }).lines[0]);
    expect(tops[0].top).toBe(4);
    expect((tops[1].top + tops[1].bottom) / 2).toBeCloseTo(150, 3);
    expect(tops[2].bottom).toBeCloseTo(296, 3);
  });
});

describe('shaping', () => {
  test('letter spacing is added after every letter, and takes ligatures apart', () => {
    const spaced = lay([{ format: {}, runs: [{ text: 'office', style: { letterSpacing: 3 } }] }]).lines[0];
    const close = lay(plain('office')).lines[0];
    expect(spaced.width).toBeGreaterThan(close.width + 14);
    expect(spaced.pieces[0].glyphs).toHaveLength(6);
  });
  test('line spacing is a multiple of the natural one', () => {
    const height = (lineSpacing: number) => lay(formatted('one line', { lineSpacing })).height;
    expect(height(2)).toBeCloseTo(2 * height(1), 3);
  });
  test('a character that the face lacks comes from the fallback face', () => {
    const { pieces } = lay([{ format: {}, runs: [{ text: 'aа→b', style: { font: 'bungee' } }] }]).lines[0];
    expect(new Set(pieces.map((piece) => piece.file)).size).toBeGreaterThan(1);
    expect(pieces.map((piece) => piece.text).join('')).toBe('aа→b');
  });
  test('an unknown face is replaced', () =>
    expect(lay([{ format: {}, runs: [{ text: 'a', style: { font: 'nonesuch' } }] }]).lines[0].pieces[0].file).toBe(
      fileFor('andika', false, false),
    ));
  test.each(FACES.map((face) => [face.name, face.id]))(
    '%s draws Polish, Czech and French letters or leaves them to the fallback',
    (_, id) => {
      expect(isFace(id)).toBe(true);
      const { pieces } = lay([{ format: {}, runs: [{ text: 'żółć říše œuvre', style: { font: id } }] }], { width: 400 })
        .lines[0];
      for (const piece of pieces) for (const glyph of piece.glyphs) expect(glyph.id).toBeGreaterThan(0);
    },
  );
});

describe('a long paragraph with a sign that its face lacks', () => {
  /** How many times all glyphs are read while the text is laid out. */
  const looks = (letters: number): number => {
    let count = 0;
    const counting = Object.create(faces) as Faces;
    counting.shape = (file, text, ligatures) =>
      faces.shape(file, text, ligatures).map((glyph) => {
        const { cluster, id } = glyph;
        const seen = { ...glyph };
        Object.defineProperty(seen, 'cluster', { get: () => (count++, cluster) });
        Object.defineProperty(seen, 'id', { get: () => (count++, id) });
        return seen;
      });
    layOut(plain('heron '.repeat(letters / 6) + '🦉'), role, box(), counting);
    return count;
  };
  test('takes time in proportion to its length', () => {
    const [short, long] = [looks(1200), looks(4800)];
    expect(long / short).toBeLessThan(4.5);
  });
  test('keeps each word in its own face', () => {
    const layout = lay(plain('żółw 🦉 sowa 🦊!'), { width: 900 });
    expect(layout.lines[0].pieces.map((piece) => piece.text).join('')).toBe('żółw 🦉 sowa 🦊!');
    expect(new Set(layout.lines[0].pieces.map((piece) => piece.file)).size).toBe(2);
  });
});

describe('carets', () => {
  test('a click on a caret finds its position again, wherever it stands', () => {
    const body = plain('one two three four\n\nfive six seven eight nine');
    const layout = lay(body, { width: 90 });
    for (let position = 0; position <= bodyLength(body); position++) {
      const { x, y, height } = caretAt(layout, position);
      expect(positionAt(layout, { x, y: y + height / 2 })).toBe(position);
    }
  });
  test('down and up again comes back', () => {
    const layout = lay(plain(prose), { width: 90 });
    const { x } = caretAt(layout, 3);
    const below = vertical(layout, 3, 1, x);
    expect(below).toBeGreaterThan(3);
    expect(vertical(layout, below, -1, x)).toBe(3);
    expect(vertical(layout, 3, -1, x)).toBe(0);
  });
  test('home and end stay on their line', () => {
    const layout = lay(plain(prose), { width: 90 });
    const [, second] = layout.lines;
    expect(lineEdge(layout, second.start + 2, 'start')).toBe(second.start);
    expect(lineEdge(layout, second.start + 2, 'end')).toBe(second.end - 1);
  });
  test('a selection over three lines has three boxes', () => {
    const layout = lay(plain('one\ntwo\nthree'));
    expect(selectionBoxes(layout, 1, 10)).toHaveLength(3);
    expect(selectionBoxes(layout, 2, 2)).toHaveLength(0);
  });
});

describe('superscript and subscript', () => {
  const formula = (script: 'super' | 'sub'): TextBody => [
    {
      format: {},
      runs: [
        { text: 'H', style: {} },
        { text: '2', style: { script } },
        { text: 'O', style: {} },
      ],
    },
  ];
  test('are smaller and raised or lowered, and leave the lines as far apart as they were', () => {
    const [plainLine] = lay(plain('H2O')).lines;
    for (const script of ['super', 'sub'] as const) {
      const [line] = lay(formula(script)).lines;
      const [, two, after] = line.pieces;
      expect(two.size).toBeLessThan(role.run.size * 0.7);
      expect(Math.sign(two.glyphs[0].dy)).toBe(script === 'super' ? -1 : 1);
      expect(after.size).toBe(role.run.size);
      expect(after.glyphs[0].dy).toBeCloseTo(0);
      expect([line.baseline, line.bottom]).toEqual([plainLine.baseline, plainLine.bottom]);
    }
  });
  test('stay with their words when the role is restyled: a role has none', () => {
    expect(roleRun(role, { script: 'sub', bold: true })).toEqual({ ...role.run, bold: true });
    expect(TextRole.safeParse({ ...role, run: { ...role.run, script: 'sub' } }).success).toBe(false);
  });
});
