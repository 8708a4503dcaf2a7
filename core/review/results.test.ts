import Papa from 'papaparse';
import { describe, expect, test } from 'vitest';
import { csvOf } from '../formats/csv';
import type { PieceResult } from './results';
import { resultsTable } from './results';

const at = (time: string) => new Date(`2026-11-03T${time}:00Z`);
const piece = (student: string, more: Partial<PieceResult> = {}): PieceResult => ({
  student,
  state: 'done',
  go: { number: 1, handedInAt: at('14:05'), returnedAt: at('18:00') },
  late: false,
  sum: { got: 0, of: 6, open: 0 },
  lookFors: [
    { id: 'name', title: 'Your name', held: true },
    { id: 'parts', title: 'Every part', held: null },
  ],
  rows: [{ name: 'Easy to read', level: { text: 'hardly', points: 0 } }],
  notes: [],
  ...more,
});
const asRecords = (pieces: readonly PieceResult[], zone = 'Europe/Warsaw') => {
  const [head, ...rows] = resultsTable(pieces, zone);
  return rows.map((row) => Object.fromEntries(head.map((name, i) => [name, row[i]])));
};

describe('marks as a table', () => {
  test('a mark of nothing is 0, no mark is empty, and a sum stands only where all of it is known', () => {
    const [none, open, nothing] = asRecords([
      piece('Ada'),
      piece('Bo', {
        sum: { got: 4, of: 6, open: 1 },
        rows: [{ name: 'Easy to read', level: null }],
      }),
      piece('Cem', { go: null, state: 'not-begun', sum: { got: 0, of: 6, open: 2 }, lookFors: [], rows: [] }),
    ]);
    expect(none).toMatchObject({ Points: 0, 'Out of': 6, 'Still to mark': 0, 'Easy to read': 0, 'Your name': 'yes' });
    expect(none['Every part']).toBe('');
    expect(open).toMatchObject({ Points: '', 'Still to mark': 1, 'Easy to read': '' });
    expect(nothing).toMatchObject({ Points: '', Go: '', 'Your name': '', 'Easy to read': '', State: 'not begun' });
  });

  test('what is taken off for coming late has a column where anything is', () => {
    const late = piece('Ada', { late: true, sum: { got: 3, of: 6, open: 0, late: { off: 1.5, days: 2 } } });
    const [first, second] = asRecords([late, piece('Bo')]);
    expect(first).toMatchObject({ Points: 3, 'Taken off for late': 1.5 });
    expect(second).toMatchObject({ 'Taken off for late': 0 });
    expect(asRecords([piece('Bo')])[0]).not.toHaveProperty('Taken off for late');
  });

  test('times are those of the school’s clock', () =>
    expect(asRecords([piece('Ada')])[0]).toMatchObject({
      'Handed in': '2026-11-03 15:05',
      Returned: '2026-11-03 19:00',
    }));

  test('versions with other look-fors share a table, each in its column; equal titles are told apart', () => {
    const [a, b] = asRecords([
      piece('Ada'),
      piece('Bo', {
        lookFors: [
          { id: 'parts', title: 'Every part', held: false },
          { id: 'more', title: 'Your name', held: false },
        ],
      }),
    ]);
    expect(a).toMatchObject({ 'Your name': 'yes', 'Your name (2)': '' });
    expect(b).toMatchObject({ 'Your name': '', 'Every part': 'no', 'Your name (2)': 'no' });
  });

  test('without points there are no columns for them', () =>
    expect(resultsTable([piece('Ada', { sum: { got: 0, of: 0, open: 0 } })], 'UTC')[0]).not.toContain('Points'));

  test('as CSV it keeps accents, commas, quotes and lines, and runs nothing', () => {
    const names = ['Zoë "Z" Ångström, Ж', '=HYPERLINK("http://x","y")', '-1+1', '@SUM(A1)', 'Μαρία'];
    const csv = csvOf(
      resultsTable(
        names.map((name) => piece(name, { notes: ['one\ntwo', '=1+1'] })),
        'UTC',
      ),
    );
    expect(csv.startsWith('\uFEFF')).toBe(true);
    const { data } = Papa.parse<string[]>(csv.slice(1).trim());
    expect(data.slice(1).map(([name]) => name)).toEqual([
      names[0],
      `'${names[1]}`,
      `'${names[2]}`,
      `'${names[3]}`,
      'Μαρία',
    ]);
    expect(data[1].at(-1)).toBe('one\ntwo\n=1+1');
  });
});
