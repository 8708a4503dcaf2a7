import fc from 'fast-check';
import { expect, test } from 'vitest';
import { addressesIn, isAddress } from './addresses';

test('addresses are read however they are listed, each once', () => {
  expect(addressesIn('a@x.example; "Bo Ek" <bo.ek@x.example>, A@X.example\nmailto:zoë@dörfer.example')).toEqual({
    addresses: ['a@x.example', 'bo.ek@x.example', 'zoë@dörfer.example'],
    unread: [],
  });
  expect(addressesIn('07700 900123')).toEqual({ addresses: [], unread: [] });
  expect(addressesIn('a@b, a@@x.example c@x.example')).toEqual({
    addresses: ['c@x.example'],
    unread: ['a@b', 'a@@x.example'],
  });
});

test('whatever is read is an address of one line, and is read again as itself', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.emailAddress()), fc.string(), (one, other) => {
      const { addresses } = addressesIn(`${one}, ${other}`);
      for (const address of addresses) {
        expect(isAddress(address)).toBe(true);
        expect(address).not.toMatch(/[\s,;<>]/);
        expect(addressesIn(address).addresses).toEqual([address]);
      }
    }),
  );
});
