import { beforeEach, expect, test, vi } from 'vitest';
import { workerOf } from '../../tests/support/worker';
import { page, plain, text } from '../../core/schema/defaults';

/** A dictionary of a few words, in the place of the worker. */
const KNOWN = new Set(['the', 'tide', 'comes', 'in']);
const Dictionary = workerOf(() => ({
  check: (words: string[]) => words.filter((word) => !KNOWN.has(word.toLowerCase())),
  suggest: () => Promise.reject(new Error('none')),
}));
beforeEach(() => {
  vi.resetModules();
  vi.stubGlobal('Worker', Dictionary);
});

test('words are misspelt once they were looked up and not found, and not when they are the sheet’s own', async () => {
  const { lookUp, misspelt } = await import('./spelling');
  const item = text({ id: 'a', body: plain('The tiede comes in') });
  const made = page({ id: 'p', items: [item] });
  // Not looked up yet: nobody is accused.
  expect(misspelt(item, [])).toEqual([]);
  expect(await lookUp(made)).toBe(true);
  expect(misspelt(item, [])).toEqual([{ word: 'tiede', from: 4, to: 9 }]);
  expect(misspelt(item, ['tiede'])).toEqual([]);
  // Each word is looked up once.
  expect(await lookUp(made)).toBe(false);
});

test('the names of people at the school are right, also with ’s; asked for again where there was no answer', async () => {
  const { lookUp, misspelt } = await import('./spelling');
  const item = text({ id: 'a', body: plain('Oksana’s tiede comes in') });
  let answers = 0;
  vi.stubGlobal('fetch', (url: string) => {
    expect(url).toBe('/names');
    return answers++ === 0 ? Promise.reject(new TypeError()) : Promise.resolve(Response.json(['Oksana Vale']));
  });
  await lookUp(page({ id: 'p', items: [item] }));
  expect(misspelt(item, []).map(({ word }) => word)).toEqual(['Oksana’s', 'tiede']);
  await lookUp(page({ id: 'p', items: [item, text({ id: 'b', body: plain('crabs') })] }));
  expect(misspelt(item, []).map(({ word }) => word)).toEqual(['tiede']);
  expect(answers).toBe(2);
});

test('no suggestions are better than a broken card', async () => {
  const { suggestionsFor } = await import('./spelling');
  expect(await suggestionsFor('tiede')).toEqual([]);
});
