import { expect, test } from 'vitest';
import { firstSteps } from '../../core/sheet/first-steps';
import { readSheet } from '../../core/schema/read';
import { BEGINNINGS } from './beginnings';
import { PURPOSES } from './sheets';

test.each(PURPOSES)('a new sheet, as %s, can be stored, and none of its first steps is done', (purpose) => {
  const sheet = BEGINNINGS[purpose].sheet();
  expect(readSheet(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
  const steps = firstSteps(purpose, sheet);
  expect(steps).toHaveLength(purpose === 'blank' ? 0 : 3);
  expect(steps.filter(({ done }) => done)).toEqual([]);
});
