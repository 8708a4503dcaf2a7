import { beforeAll, describe, expect, test } from 'vitest';
import { flatten } from '../../geometry/flatten';
import type { Faces } from '../../text/faces';
import { allFaces } from '../../../tests/support/fonts';
import { readSvg } from './read';
import { SvgProblem } from './tree';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
const svg = (inner: string, attributes = 'viewBox="0 0 100 100"') =>
  readSvg(`<svg xmlns="http://www.w3.org/2000/svg" ${attributes}>${inner}</svg>`, faces);
const RECT = '<rect width="50" height="50"/>';

describe('a drawing that is read in', () => {
  test('has a longer side of a thousand, whatever it was measured in', () => {
    expect(svg(RECT, 'width="40mm" height="20mm" viewBox="0 0 4 2"')).toMatchObject({ width: 1000, height: 500 });
    expect(svg(RECT, 'width="30"')).toMatchObject({ width: 200, height: 1000 });
    expect(svg(RECT, 'viewBox="0 0 20 80"')).toMatchObject({ width: 250, height: 1000 });
  });
  test('is made of nothing but M, L, H, V, C, Q and Z', () => {
    const { paths } = svg('<path d="M5 5a9 4 20 0 1 20 10t5 5 s3 9 8 2z"/><circle cx="50" cy="50" r="20"/>');
    for (const { d } of paths) expect(d).toMatch(/^[MLHVCQZ\d\s.,e-]+$/);
  });
  test('keeps gradients, and the colour in their middle for where there can be but one', () => {
    const { paths } = svg(
      '<linearGradient id="g"><stop stop-color="red"/><stop offset=".5" stop-color="#00ff00"/><stop offset="1" stop-color="blue"/></linearGradient><rect width="100" height="100" fill="url(#g)"/>',
    );
    expect(paths[0]).toMatchObject({ fill: '#00ff00', paint: { kind: 'linear', x1: 0, x2: expect.closeTo(1000, 6) } });
  });
  test('keeps what is see-through or cut off as a whole, the outer before the inner', () => {
    const { layers } = svg(
      `<clipPath id="c"><rect width="20" height="20"/></clipPath><g opacity=".5"><g clip-path="url(#c)">${RECT}${RECT}</g>${RECT}</g>${RECT}`,
    );
    expect(layers).toEqual([
      { from: 0, to: 3, opacity: 0.5 },
      { from: 0, to: 2, clip: expect.stringContaining('200') },
    ]);
  });
  test('has its words as outlines where they stand, in the middle or at the end, and says so', () => {
    const at = (anchor: string) =>
      flatten(svg(`<text x="50" y="50" font-size="10" text-anchor="${anchor}">Marsh</text>`).paths[0].d).box;
    const [start, middle, end] = ['start', 'middle', 'end'].map(at);
    expect(Math.abs(start.x - 500)).toBeLessThan(15);
    expect(Math.abs(middle.x + middle.width / 2 - 500)).toBeLessThan(10);
    expect(Math.abs(end.x + end.width - 500)).toBeLessThan(15);
    expect(svg('<text y="20">Ωμέγα <tspan font-weight="bold">łąka</tspan></text>').leftOut).toEqual([
      expect.stringMatching(/typeface/),
    ]);
  });
});

describe('what can not be taken is said', () => {
  test.each([
    ['<script>alert(1)</script>', 'a script'],
    ['<image href="https://elsewhere.example/a.png" width="9" height="9"/>', 'a picture within it'],
    ['<use href="https://elsewhere.example/a.svg#b"/>', 'what lies outside of the file'],
    ['<use href="#nowhere"/>', 'a copy of a part'],
    ['<foreignObject width="9" height="9"><p>words</p></foreignObject>', 'text from a web page'],
    ['<g filter="url(#f)"><rect width="9" height="9"/></g>', 'a filter'],
    ['<pattern id="p"/><rect width="9" height="9" fill="url(#p)"/>', 'a pattern (filled in grey)'],
    ['<rect width="9" height="9" fill="chequered"/>', 'the colour “chequered”'],
    ['<path d="M0 0L9 9" stroke="red" stroke-linecap="square"/>', 'square ends of lines'],
    ['<path transform="scale(1 3)" d="M0 0L9 9" stroke="red"/>', 'the uneven width of stretched lines'],
    ['<blob/>', 'a part called “blob”'],
  ])('%s', (inner, what) => {
    const { leftOut, paths } = svg(RECT + inner);
    expect(leftOut).toEqual([what]);
    expect(JSON.stringify(paths)).not.toMatch(/elsewhere|alert/);
  });
  test('a part that is a copy of itself comes to an end', () =>
    expect(svg(`${RECT}<g id="a"><use href="#a"/></g>`).leftOut).toEqual(['a copy of a part']));
});

describe('what is no drawing, or too much of one, is refused', () => {
  const zigzag = (points: number) => `M0 0${'L1 1 2 3'.repeat(points / 2)}`;
  test.each<[string, () => unknown, RegExp]>([
    ['another kind of XML', () => readSvg('<html><body/></html>', faces), /no SVG drawing/],
    ['what ends too early', () => readSvg('<svg xmlns="http://www.w3.org/2000/svg"><g><path d="M', faces), /damaged/],
    [
      'entities',
      () =>
        readSvg(
          '<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>',
          faces,
        ),
      /entities/,
    ],
    ['nothing to see', () => svg('<g><rect width="0" height="9"/></g>'), /Nothing in this drawing/],
    ['no size', () => svg(RECT, 'width="0" height="0"'), /no size/],
    ['a million points', () => svg(`<path d="${zigzag(1_000_000)}"/>`), /120,000 points/],
    ['a hundred thousand parts', () => svg('<g/>'.repeat(100_000)), /20000 parts/],
    ['groups without end', () => svg('<g>'.repeat(5000) + RECT + '</g>'.repeat(5000)), /deep/],
  ])('%s', (_, read, message) => {
    expect(read).toThrow(SvgProblem);
    expect(read).toThrow(message);
  });
});
