import { expect, test } from 'vitest';
import { group, line, page, plain, shape, text } from '../schema/defaults';
import { partsOn } from './parts';

const NO_PICTURES = () => undefined;

test('what students may work on comes row by row, inside groups too; what is fixed or hidden is left out', () => {
  const on = page({
    id: 'p',
    items: [
      text({ id: 'low', touch: 'fill', x: 20, y: 300 }),
      text({ id: 'right', touch: 'fill', x: 300, y: 104 }),
      text({ id: 'left', touch: 'free', x: 20, y: 100, body: plain('Θέα, Élodie') }),
      text({ id: 'printed', touch: 'fixed', x: 20, y: 20 }),
      text({ id: 'away', touch: 'fill', x: 20, y: 200, hidden: true }),
      line({ id: 'line', touch: 'free' }),
      group({ id: 'g', x: 20, y: 500, touch: 'free', items: [shape({ id: 'in', touch: 'free', x: 0, y: 0 })] }),
      group({ id: 'h', touch: 'free', hidden: true, items: [shape({ id: 'unseen', touch: 'free' })] }),
    ],
  });
  const parts = partsOn(on, NO_PICTURES);
  expect(parts.map(({ item }) => item.id)).toEqual(['left', 'right', 'low', 'in']);
  expect(parts.at(-1)!.box).toMatchObject({ x: 20, y: 500 });
  expect(partsOn(page({ id: 'bare' }), NO_PICTURES)).toEqual([]);
});
