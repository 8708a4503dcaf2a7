import { smallPicture } from '../../tests/support/sheets';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { allFaces } from '../../tests/support/fonts';
import { apply } from '../changes/change';
import { page, picture, plain, shape, sheet, solid, text } from '../schema/defaults';
import type { Item, Paint } from '../schema/sheet';
import type { Faces } from '../text/faces';
import { mendsFor, neededFor, unreadable } from './readable';

let faces: Faces;
beforeAll(async () => {
  faces = await allFaces();
});
/** Dark on its left half, light on its right. */
const halves = smallPicture('halves', [
  { d: 'M0 0L10 0L10 10L0 10Z', fill: '#f4f0e0', opacity: 1 },
  { d: 'M0 0L5 0L5 10L0 10Z', fill: '#10220a', opacity: 1 },
]);
const pictures = (id: string) => (id === halves.id ? halves : undefined);
const onPage = (items: Item[]) => {
  const made = sheet({ title: 't', pages: [page({ id: 'p', items })] });
  return { made, found: unreadable(made, made.pages[0], { faces, pictures }) };
};
const words = (colour: string, given: Partial<Extract<Item, { kind: 'text' }>> = {}) =>
  text({
    id: 'words',
    x: 100,
    y: 100,
    width: 400,
    height: 30,
    body: [{ format: {}, runs: [{ text: 'Who lives in the salt marsh after dark?', style: { colour } }] }],
    ...given,
  });

describe('words against what lies behind them', () => {
  it('asks less of large words', () => {
    expect([neededFor(12, false), neededFor(14, true), neededFor(18, false)]).toEqual([4.5, 3, 3]);
  });
  it('has nothing to say of dark words on light paper', () => expect(onPage([words('#222222')]).found).toEqual([]));
  it('finds pale words on pale paper, all of them', () => {
    const [finding] = onPage([words('#e8e2cc')]).found;
    expect(finding).toMatchObject({ item: 'words', share: 1, needed: 4.5, colour: '#e8e2cc' });
    expect(finding.worst).toBeLessThan(1.5);
  });
  it('looks at the picture behind, and tells the share that fails and where', () => {
    const behind = picture({ id: 'pic', picture: halves.id, x: 100, y: 50, width: 400, height: 200 });
    const [finding] = onPage([words('#1c2a14'), behind]).found;
    expect(finding.share).toBeGreaterThan(0.4);
    expect(finding.share).toBeLessThan(0.9);
    expect(finding.at.x).toBeLessThan(300);
    expect(finding.over).toEqual(['pic']);
  });
  it('goes by the part of a gradient that is worst', () => {
    const fill: Paint = {
      kind: 'linear',
      angle: 0,
      stops: [
        { offset: 0, colour: '#ffffff', opacity: 1 },
        { offset: 1, colour: '#000000', opacity: 1 },
      ],
    };
    const { found } = onPage([words('#000000'), shape({ id: 's', x: 100, y: 90, width: 400, height: 60, fill })]);
    expect(found[0].worst).toBeLessThan(found[0].needed);
    expect(found[0].share).toBeLessThan(0.5);
    expect(found[0].at.x).toBeGreaterThan(250);
  });
  it('a thin line that crosses the letters does not count, a thick one does', () => {
    const framed = (width: number) =>
      shape({
        id: 's',
        x: 200,
        y: 60,
        width: 200,
        height: 200,
        fill: null,
        outline: { colour: '#222222', width, dash: 'solid' },
      });
    expect(onPage([words('#222222'), framed(1.5)]).found).toEqual([]);
    expect(onPage([words('#222222'), framed(12)]).found).toHaveLength(1);
  });
  it('what lies above the words does not count as behind them', () => {
    const cover = shape({ id: 's', x: 0, y: 0, width: 700, height: 500, fill: solid('#222222') });
    expect(onPage([cover, words('#222222')]).found).toEqual([]);
  });
});

describe('mends', () => {
  const colour = fc
    .tuple(fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }), fc.integer({ min: 0, max: 255 }))
    .map((rgb) => `#${rgb.map((value) => value.toString(16).padStart(2, '0')).join('')}`);
  it('each that is offered leaves nothing to find', () => {
    fc.assert(
      fc.property(colour, colour, fc.boolean(), (ink, ground, withPicture) => {
        const below = withPicture
          ? picture({ id: 'under', picture: halves.id, x: 100, y: 50, width: 400, height: 200 })
          : shape({ id: 'under', x: 60, y: 60, width: 500, height: 200, fill: solid(ground) });
        const { made, found } = onPage([words(ink), below]);
        for (const finding of found) {
          const mends = mendsFor(made, made.pages[0], finding, { faces, pictures });
          expect(mends.length).toBeGreaterThan(0);
          for (const { change } of mends) {
            const after = apply(made, change);
            expect(after.ok && unreadable(after.sheet, after.sheet.pages[0], { faces, pictures })).toEqual([]);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
  it('offers colours that can be told apart', () => {
    const { made, found } = onPage([words('#e8e2cc')]);
    const names = mendsFor(made, made.pages[0], found[0], { faces, pictures }).map((mend) => mend.name);
    expect(names.filter((name) => name.startsWith('words in'))).toEqual(['words in #1d1b16', 'words in #2f4d26']);
  });
  it('offers to soften the picture that is in the way', () => {
    const behind = picture({ id: 'pic', picture: halves.id, x: 100, y: 50, width: 400, height: 200 });
    const { made, found } = onPage([words('#1c2a14'), behind]);
    const names = mendsFor(made, made.pages[0], found[0], { faces, pictures }).map((mend) => mend.name);
    expect(names).toContain('a softer picture');
    expect(names).toContain('a plate behind the words');
  });
  it('has none for words that are no longer there', () => {
    const { made, found } = onPage([words('#e8e2cc')]);
    const gone = apply(made, { kind: 'remove', id: 'words' });
    expect(gone.ok && mendsFor(gone.sheet, gone.sheet.pages[0], found[0], { faces, pictures })).toEqual([]);
  });
  it('is told apart from words that are hidden in a plain box', () =>
    expect(onPage([words('#eeeeee', { hidden: true, body: plain('x') })]).found).toEqual([]));
});
