import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { fragment } from '../../tests/support/sheets';
import {
  bodyLength,
  bodyText,
  formatBody,
  isEmpty,
  locate,
  paragraphStart,
  runsWithin,
  sliceBody,
  spliceBody,
  styleBody,
  tidyRuns,
} from './body';
import { plain } from '../schema/defaults';
import type { TextBody } from '../schema/sheet';

/** Bodies as they are stored, with neighbouring runs of one style joined. */
const tidy = fragment.map((body): TextBody => body.map((p) => ({ ...p, runs: tidyRuns(p.runs) })));
const stretch = (body: TextBody) => fc.tuple(fc.nat({ max: bodyLength(body) }), fc.nat({ max: bodyLength(body) }));

describe('positions', () => {
  test('count every letter, and one for each break', () => {
    expect(bodyLength(plain('one\ntwo'))).toBe(7);
    expect(bodyText(plain('one\n\ntwo'))).toBe('one\n\ntwo');
  });
  test('lead to their paragraph and back', () => {
    fc.assert(
      fc.property(tidy, (body) => {
        for (let position = 0; position <= bodyLength(body); position++) {
          const { paragraph, offset } = locate(body, position);
          expect(paragraphStart(body, paragraph) + offset).toBe(position);
        }
      }),
    );
  });
  test('past the end lead to the end', () => expect(locate(plain('ab\ncd'), 99)).toEqual({ paragraph: 1, offset: 2 }));
});

describe('a splice', () => {
  test('changes the text just as a string would change', () => {
    fc.assert(
      fc.property(
        tidy.chain((body) => fc.tuple(fc.constant(body), stretch(body), fragment)),
        ([body, [a, b], insert]) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          const text = bodyText(body);
          expect(bodyText(spliceBody(body, from, to - from, insert))).toBe(
            text.slice(0, from) + bodyText(insert) + text.slice(to),
          );
        },
      ),
    );
  });
  test('by the slice that it removed restores the body, styles and formats and all', () => {
    fc.assert(
      fc.property(
        tidy.chain((body) => fc.tuple(fc.constant(body), stretch(body), fragment)),
        ([body, [a, b], insert]) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          const after = spliceBody(body, from, to - from, insert);
          expect(spliceBody(after, from, bodyLength(insert), sliceBody(body, from, to))).toEqual(body);
        },
      ),
    );
  });
  test('within a paragraph keeps its format; a break gives the new one', () => {
    const list: TextBody = [{ format: { list: 'bullet' }, runs: [{ text: 'onetwo', style: {} }] }];
    const broken: TextBody = [
      { format: {}, runs: [] },
      { format: { list: 'number' }, runs: [] },
    ];
    const after = spliceBody(list, 3, 0, broken);
    expect(after.map((p) => [p.format.list, p.runs[0].text])).toEqual([
      ['bullet', 'one'],
      ['number', 'two'],
    ]);
  });
});

describe('styling', () => {
  test('touches only its stretch, and never the words', () => {
    fc.assert(
      fc.property(
        tidy.chain((body) => fc.tuple(fc.constant(body), stretch(body))),
        ([body, [a, b]]) => {
          const [from, to] = [Math.min(a, b), Math.max(a, b)];
          const after = styleBody(body, from, to, { colour: '#123456' });
          expect(bodyText(after)).toBe(bodyText(body));
          for (const run of runsWithin(after, from, to)) expect(run.style.colour).toBe('#123456');
          for (const run of runsWithin(after, 0, from)) expect(run.style.colour).toBeUndefined();
        },
      ),
    );
  });
  test('with null takes a setting away, so that the role shows again', () => {
    const bold: TextBody = [{ format: {}, runs: [{ text: 'word', style: { bold: true } }] }];
    expect(styleBody(bold, 0, 4, { bold: null })).toEqual(plain('word'));
  });
  test('formats every paragraph that it touches', () => {
    const after = formatBody(plain('a\nb\nc'), 2, 4, { align: 'right' });
    expect(after.map((p) => p.format.align)).toEqual([undefined, 'right', 'right']);
  });
});

test('runs of one style become one, and empty ones go', () => {
  const runs = [
    { text: 'a', style: { bold: true } },
    { text: '', style: {} },
    { text: 'b', style: { bold: true } },
    { text: 'c', style: {} },
  ];
  expect(tidyRuns(runs)).toEqual([
    { text: 'ab', style: { bold: true } },
    { text: 'c', style: {} },
  ]);
});

test('spaces alone are as good as nothing', () => {
  expect(isEmpty(plain('  \n '))).toBe(true);
  expect(isEmpty(plain('x'))).toBe(false);
});
