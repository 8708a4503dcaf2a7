import { describe, expect, it } from 'vitest';
import { group, held, line, page, picture, plain, shape, sheet, text } from '../schema/defaults';
import type { Sheet } from '../schema/sheet';
import { boxesOf, writtenIn } from './written';

/** A handout with a name line, a label on a picture, a box in a group, and what nobody writes in. */
const given = (): Sheet =>
  sheet({
    title: 'T',
    pages: [
      page({
        id: 'p',
        items: [
          text({ id: 'head', body: plain('Parts of the crab') }),
          text({ id: 'name', role: 'name', touch: 'fill', prompt: 'your name' }),
          text({ id: 'label', role: 'label', touch: 'fill', prompt: '?' }),
          line({ id: 'l', from: held('label'), to: held('crab', 'claw') }),
          picture({ id: 'crab', picture: 'diagram/shore-crab' }),
          group({ id: 'g', items: [text({ id: 'inner', touch: 'fill', prompt: 'a reason' })] }),
          shape({ id: 'note', touch: 'free', body: plain('write on me') }),
        ],
      }),
      page({ id: 'q', items: [text({ id: 'more', touch: 'fill', body: plain('It lives in') })] }),
    ],
  });
const copy = (words: Record<string, string>): Sheet => {
  const sheetOf = given();
  return {
    ...sheetOf,
    pages: sheetOf.pages.map((one) => ({
      ...one,
      items: one.items.map(
        (item) => (item.id in words ? { ...item, body: plain(words[item.id]) } : item) as typeof item,
      ),
    })),
  };
};

describe('the boxes that a class writes in', () => {
  it('are told in order, by what they are on or ask for; the name line and fixed words are none', () => {
    expect(boxesOf(given())).toEqual([
      { id: 'label', name: 'claw', page: 1 },
      { id: 'inner', name: 'a reason', page: 1 },
      { id: 'note', name: 'write on me', page: 1 },
      { id: 'more', name: 'It lives in', page: 2 },
    ]);
  });

  it('hold what was written, not what was given out', () => {
    expect(writtenIn(copy({ label: ' pincer ' }), given(), 'label')).toBe('pincer');
    expect(writtenIn(copy({}), given(), 'more')).toBe('');
    expect(writtenIn(copy({ more: 'It lives in mud' }), given(), 'more')).toBe('It lives in mud');
    expect(writtenIn(copy({}), given(), 'gone')).toBe('');
    expect(writtenIn(copy({}), given(), 'crab')).toBe('');
  });

  it('that a student made are read too', () => {
    const own = copy({});
    own.pages[0].items.push(text({ id: 'own', touch: 'free', body: plain('my own words') }));
    expect(writtenIn(own, given(), 'own')).toBe('my own words');
  });
});
