import Papa from 'papaparse';
import { expect, test } from 'vitest';
import type { RosterResult } from './oneroster-results';
import { oneRosterResults } from './oneroster-results';

const task = {
  id: '-h_1',
  title: '=Parts of the “heron”, again',
  description: 'Name\nthem',
  assigned: new Date('2026-11-02T23:30:00Z'),
  due: new Date('2026-11-09T14:00:00Z'),
  classId: 'c-17',
  most: 9,
};
const result = (id: string, over: Partial<RosterResult> = {}): RosterResult => ({
  id,
  studentId: `u-${id}`,
  score: null,
  handedIn: true,
  begun: true,
  at: new Date('2026-11-08T10:00:00Z'),
  ...over,
});
type Row = Record<string, string>;
const tables = (results: RosterResult[], zone = 'Europe/Paris') =>
  Object.fromEntries(
    oneRosterResults(task, results, zone).map(({ name, text }) => [
      name,
      Papa.parse<Row>(text, { header: true, skipEmptyLines: true }).data,
    ]),
  );

test('the tables refer to each other, and to the class and the students as their list calls them', () => {
  const files = tables([result('a', { score: 20 / 3 })]);
  const [item] = files['lineItems.csv'];
  expect(item).toMatchObject({
    sourcedId: 'dm--h_1',
    title: '=Parts of the “heron”, again',
    description: 'Name\nthem',
    assignDate: '2026-11-03',
    dueDate: '2026-11-09',
    classSourcedId: 'c-17',
    resultValueMin: '0',
    resultValueMax: '9',
  });
  expect(files['categories.csv'].map(({ sourcedId }) => sourcedId)).toEqual([item.categorySourcedId]);
  expect(files['results.csv']).toEqual([
    expect.objectContaining({
      lineItemSourcedId: item.sourcedId,
      studentSourcedId: 'u-a',
      scoreStatus: 'fully graded',
      score: '6.67',
      scoreDate: '2026-11-08',
    }),
  ]);
  const told = Object.fromEntries(files['manifest.csv'].map(({ propertyName, value }) => [propertyName, value]));
  expect(told).toMatchObject({ 'oneroster.version': '1.1', 'file.results': 'bulk', 'file.users': 'absent' });
});

test('what is not marked to the end has no score, and is told apart from what got none', () => {
  const files = tables([
    result('nothing', { handedIn: false, begun: false, at: null }),
    result('new', { begun: false }),
    result('half'),
    result('zero', { score: 0 }),
    // Nothing was asked of it that could be marked: it is still not handed in.
    result('none', { handedIn: false, score: 0 }),
  ]);
  expect(files['results.csv'].map(({ scoreStatus, score }) => [scoreStatus, score])).toEqual([
    ['not submitted', ''],
    ['submitted', ''],
    ['partially graded', ''],
    ['fully graded', '0'],
    ['not submitted', ''],
  ]);
});

test('what is due at no time still has a day', () => {
  const [, , items] = oneRosterResults({ ...task, due: null }, [], 'UTC');
  expect(Papa.parse<Row>(items.text, { header: true }).data[0]).toMatchObject({
    assignDate: '2026-11-02',
    dueDate: '2026-11-02',
  });
});
