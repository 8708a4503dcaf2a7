import { expect, test } from 'vitest';
import { Finder } from './find';

/** Names, found as somebody types. */

const one = (name: string, tags: string[] = [], group = 'things') => ({ name, tags, group });
const finder = new Finder([
  one('moon cake', ['moon', 'autumn']),
  one('half moon tide'),
  one('moonlight'),
  one('Moon', ['night']),
  one('full moon', ['night']),
  one('Grey heron', ['bird', 'wader', 'marsh']),
  one('oil drum'),
  one('oval'),
  one('Über den Fluss'),
  one('Ωκεανός'),
  one('automobile', ['car']),
  one('railway car'),
  one('house with garden'),
  one('dog house'),
  one('garden'),
]);
const found = (asked: string) => finder.find(asked).map(({ name }) => name);

test('what is called so comes first, then what is a kind of it, then what has to do with it', () => {
  expect(found(' moon')).toEqual(['Moon', 'full moon', 'moon cake', 'half moon tide', 'moonlight']);
  expect(found('house')).toEqual(['house with garden', 'dog house']);
  expect(found('garden')).toEqual(['garden', 'house with garden']);
});

test('another word for a thing finds it before a longer name', () => {
  expect(found('cars').slice(0, 2)).toEqual(['automobile', 'railway car']);
});

test('letters of any script count, with or without their marks', () => {
  expect(found('fluss')).toEqual(['Über den Fluss']);
  expect(found('uber')).toEqual(['Über den Fluss']);
  expect(found('ωκεανος')).toEqual(['Ωκεανός']);
});

test('several words need not stand together; the last one may be begun', () => {
  expect(found('marsh her')[0]).toBe('Grey heron');
  expect(found('heron marsh')[0]).toBe('Grey heron');
  expect(found('heron picture')).toEqual(['Grey heron']);
});

test('a word that programs know finds nothing, as any other', () => {
  for (const word of ['constructor', 'toString', '__proto__']) expect(found(word)).toEqual([]);
});

test('slips are borne where nothing else is found', () => {
  expect(found('ovl')).toEqual([]);
  expect(found('ovall')[0]).toBe('oval');
  expect(found('morn')[0]).toBe('Moon');
});
