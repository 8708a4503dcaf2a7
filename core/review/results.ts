import type { CopyState } from '../handout/state';
import type { Sum } from '../lookfors/rubric';
import type { SaidLookFor, SaidRow } from './feedback';

/** What came of a handout, as a table: a row for each student. */

export type PieceResult = {
  student: string;
  state: CopyState;
  /** null where nothing was handed in; then there is nothing to judge either. */
  go: { number: number; handedInAt: Date; returnedAt: Date | null } | null;
  late: boolean;
  sum: Sum;
  lookFors: readonly ({ id: string } & Pick<SaidLookFor, 'title' | 'held'>)[];
  rows: readonly Pick<SaidRow, 'name' | 'level'>[];
  notes: readonly string[];
};

const STATES: Record<CopyState, string> = {
  'not-begun': 'not begun',
  'under-way': 'under way',
  'handed-in': 'handed in',
  'another-go': 'another go',
  done: 'done',
};

/** A time as spreadsheets read it, in a time zone: 2026-11-03 14:05. */
function timeIn(zone: string, at: Date): string {
  const parts = new Intl.DateTimeFormat('sv-SE', {
    timeZone: zone,
    dateStyle: 'short',
    timeStyle: 'short',
  });
  return parts.format(at);
}

/** Names of columns, told apart where several have the same. */
const columns = (names: readonly string[]): string[] =>
  names.map((name, i) => {
    const before = names.slice(0, i).filter((other) => other === name).length;
    return before === 0 ? name : `${name} (${before + 1})`;
  });

/**
 * The table, its head first. What nobody has judged is empty and never 0: points are written only where all of them are known.
 * @param zone a time zone by its name
 */
export function resultsTable(pieces: readonly PieceResult[], zone: string): (string | number)[][] {
  // Versions of a handout may be counted by other look-fors.
  const lookFors = new Map(pieces.flatMap((piece) => piece.lookFors.map(({ id, title }) => [id, title] as const)));
  const rows = pieces.find((piece) => piece.rows.length > 0)?.rows ?? [];
  const weighs = pieces.some(({ sum }) => sum.of > 0);
  const takes = pieces.some(({ sum }) => sum.late);
  const head = [
    'Student',
    'State',
    'Go',
    'Handed in',
    'Late',
    'Returned',
    ...(weighs ? ['Points', 'Out of', 'Still to mark'] : []),
    ...(takes ? ['Taken off for late'] : []),
    ...columns([...lookFors.values(), ...rows.map(({ name }) => name)]),
    'Notes',
  ];
  const body = pieces.map((piece) => {
    const { student, state, go, late, sum } = piece;
    const sums = go ? [sum.open === 0 ? sum.got : '', sum.of, sum.open] : ['', '', ''];
    return [
      student,
      STATES[state],
      go?.number ?? '',
      go ? timeIn(zone, go.handedInAt) : '',
      late ? 'late' : '',
      go?.returnedAt ? timeIn(zone, go.returnedAt) : '',
      ...(weighs ? sums : []),
      ...(takes ? [go && sum.open === 0 ? (sum.late?.off ?? 0) : ''] : []),
      ...[...lookFors.keys()].map((id) => {
        const held = go ? (piece.lookFors.find((one) => one.id === id)?.held ?? null) : null;
        return held === null ? '' : held ? 'yes' : 'no';
      }),
      ...rows.map((_, i) => (go ? (piece.rows[i]?.level?.points ?? '') : '')),
      piece.notes.join('\n'),
    ];
  });
  return [head, ...body];
}
