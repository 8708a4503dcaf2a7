import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { plainStorage } from '../../tests/support/storage';
import { forgetClass, lastClass, rememberClass } from './last-class';

beforeEach(() => vi.stubGlobal('localStorage', plainStorage()));
afterEach(() => vi.unstubAllGlobals());

const curlew = { code: 'CURLW', name: 'Été Ω', school: 'Samphire Bank' };

test('the last class is remembered, and the one after it in its place', () => {
  expect(lastClass()).toBeNull();
  rememberClass(curlew);
  rememberClass({ ...curlew, code: 'AVOCT' });
  expect(lastClass()).toEqual({ ...curlew, code: 'AVOCT' });
  forgetClass();
  expect(lastClass()).toBeNull();
});

test('what can’t be read, and storage that refuses, count as nothing', () => {
  localStorage.setItem('dappled-margin last class', '{"code":7}');
  expect(lastClass()).toBeNull();
  localStorage.setItem('dappled-margin last class', 'no');
  expect(lastClass()).toBeNull();
  const refused = () => {
    throw new Error('refused');
  };
  vi.stubGlobal('localStorage', { getItem: refused, setItem: refused, removeItem: refused });
  expect(() => rememberClass(curlew)).not.toThrow();
  expect(lastClass()).toBeNull();
});
