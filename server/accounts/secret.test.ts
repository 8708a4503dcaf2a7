import { expect, test } from 'vitest';
import { checkSecret, hashSecret } from './secret';

test('a secret is known again, in whatever form its letters were composed', async () => {
  const hash = await hashSecret('caf\u00e9 au lait');
  expect(hash).not.toContain('caf');
  expect(await checkSecret('cafe\u0301 au lait', hash)).toBe(true);
  expect(await checkSecret('cafe au lait', hash)).toBe(false);
});

test('the same secret is hashed differently each time', async () =>
  expect(await hashSecret('x')).not.toBe(await hashSecret('x')));

test('where there is none, nothing fits', async () => {
  expect(await checkSecret('', null)).toBe(false);
  expect(await checkSecret('anything', null)).toBe(false);
});
