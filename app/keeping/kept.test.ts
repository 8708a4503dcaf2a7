import { beforeEach, describe, expect, test, vi } from 'vitest';
import { z } from 'zod';
import { plainStorage } from '../../tests/support/storage';
import { forgetRaw, keep, keptAt, keptWithin, onKept, putBack, rawWords } from './kept';

const text = z.string();

beforeEach(() => {
  vi.stubGlobal('localStorage', plainStorage());
  vi.stubGlobal('window', { addEventListener: vi.fn(), removeEventListener: vi.fn() });
  return () => vi.unstubAllGlobals();
});

describe('words that are kept', () => {
  test('are told by whose they are, and by their place', () => {
    keep('ada', 'classes/1/names', 'Žofia\nÉva');
    keep('ada', 'classes/2/names', 'Ωmega');
    keep('ben', 'classes/1/names', 'not hers');
    expect(keptAt('ada', 'classes/1/names', text)).toBe('Žofia\nÉva');
    expect(keptWithin('ada', 'classes/', text).map(({ value }) => value)).toEqual(['Žofia\nÉva', 'Ωmega']);
    keep('ada', 'classes/1/names', null);
    expect(keptAt('ada', 'classes/1/names', text)).toBeNull();
    expect(keptAt('ben', 'classes/1/names', text)).toBe('not hers');
  });
  test.each([
    [
      'full',
      {
        setItem: () => {
          throw new DOMException('full', 'QuotaExceededError');
        },
      },
    ],
    [
      'refused',
      {
        getItem: () => {
          throw new DOMException('no', 'SecurityError');
        },
        setItem: () => {
          throw new DOMException('no', 'SecurityError');
        },
        removeItem: () => {
          throw new DOMException('no', 'SecurityError');
        },
      },
    ],
  ])('stay in this window where storage is %s', (_, over) => {
    vi.stubGlobal('localStorage', Object.assign(plainStorage(), over));
    const told = vi.fn();
    const end = onKept(told);
    keep('ada', 'place', 'typed');
    expect(told).toHaveBeenCalledTimes(1);
    expect(keptAt('ada', 'place', text)).toBe('typed');
    expect(keptWithin('ada', '', text)).toEqual([{ place: 'place', value: 'typed' }]);
    keep('ada', 'place', null);
    expect(keptAt('ada', 'place', text)).toBeNull();
    end();
  });
  test('of another shape are not taken for ours, and not thrown away', () => {
    keep('ada', 'place', { of: 'an older program' });
    expect(keptAt('ada', 'place', text)).toBeNull();
    expect(keptWithin('ada', '', text)).toEqual([]);
    expect(rawWords('ada')).toHaveLength(1);
  });
  test('can be taken away as they lie there, and put back; what was typed since stays', () => {
    keep('ada', 'one', 'first');
    keep('ada', 'two', 'second');
    const taken = rawWords('ada');
    for (const [key] of taken) forgetRaw(key);
    expect(rawWords('ada')).toEqual([]);
    keep('ada', 'two', 'newer');
    for (const [key, raw] of taken) putBack(key, raw);
    expect(keptWithin('ada', '', text).map(({ value }) => value)).toEqual(['first', 'newer']);
  });
});
