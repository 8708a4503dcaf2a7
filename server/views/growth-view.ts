import type { Means } from '../actions/means';
import type { Piece } from '../actions/review';
import { pieceOf } from '../actions/review';
import { goesOf } from '../stores/goes';
import type { SheetHistory } from '../stores/history';
import { historyOf, WHOLE_WORK } from '../stores/history';
import type { Person } from '../stores/people';
import { peopleNamed } from '../stores/people';

/** How a copy grew, change by change. */
export type GrowthView = {
  /** null where a part of the log can't be read. */
  grown: Pick<SheetHistory, 'from' | 'sheet' | 'log'> | null;
  /** Who changed it. */
  people: { id: string; name: string; isStudent: boolean }[];
  /** After how many changes each go was handed in. */
  goes: { number: number; seq: number }[];
};

/** @throws Refused where it is not theirs */
export async function growthView(
  { db }: Pick<Means, 'db'>,
  person: Pick<Person, 'id'>,
  piece: Piece,
): Promise<GrowthView> {
  const copy = await pieceOf(db, person, piece);
  const [history, goes] = await Promise.all([historyOf(db, copy.documentId, WHOLE_WORK), goesOf(db, copy.id)]);
  const people = await peopleNamed(db, [...new Set(history?.log.map(({ by }) => by))]);
  return {
    grown: history ? { from: history.from, sheet: history.sheet, log: history.log } : null,
    people: people.map(({ id, name, role }) => ({ id, name, isStudent: role === 'student' })),
    goes: goes.map(({ number, seq }) => ({ number, seq })),
  };
}
