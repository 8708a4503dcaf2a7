import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { defaultRoles } from '../schema/defaults';
import type { TextBody } from '../schema/sheet';
import { bodyLength, styleBody } from './body';
import { formatsWithin, inCommon, stylesWithin } from './common';

const role = defaultRoles().body;
const body: TextBody = [
  {
    format: {},
    runs: [
      { text: 'Low ', style: {} },
      { text: 'tide', style: { bold: true, size: 20 } },
    ],
  },
  { format: { list: 'bullet' }, runs: [{ text: 'at dawn', style: { bold: true } }] },
  { format: {}, runs: [] },
];
const of = (from: number, to: number) => inCommon(stylesWithin(role, body, from, to));

describe('what words have in common', () => {
  test('is what all of a stretch has; what differs is null', () => {
    expect(of(4, 8)).toMatchObject({ bold: true, size: 20, italic: false });
    expect(of(0, 8)).toMatchObject({ bold: null, size: null, italic: false });
    expect(of(4, 16)).toMatchObject({ bold: true, size: null });
  });
  test('of a place between letters is the style of the letter before it', () => {
    expect(of(4, 4)).toMatchObject({ bold: false, size: 14 });
    expect(of(6, 6)).toMatchObject({ bold: true, size: 20 });
    expect(of(17, 17)).toMatchObject({ bold: false });
  });
  test('of paragraphs goes by those that the stretch touches', () => {
    const lists = (from: number, to: number) => inCommon(formatsWithin(role, body, from, to)).list;
    expect([lists(0, 3), lists(9, 12), lists(0, 12)]).toEqual(['none', 'bullet', null]);
  });
  test('after a style was set, everything that was marked has it, and nothing is mixed', () => {
    const length = bodyLength(body);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: length }), fc.integer({ min: 0, max: length }), (a, b) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        const styled = styleBody(body, from, to, { size: 33 });
        const { size } = inCommon(stylesWithin(role, styled, from, to));
        if (/[^\n]/.test('Low tide\nat dawn\n'.slice(from, to))) expect(size).toBe(33);
      }),
    );
  });
});
