import type { Ruling } from '../../core/review/said';
import type { RubricMarks } from '../../core/lookfors/rubric';
import type { Ruled } from '../../core/lookfors/ruled';
import type { Queries } from '../database/connection';
import type { Person } from '../stores/people';
import type { SecondReading } from '../stores/second-reading';
import { secondReaderOf, secondReadingsOf } from '../stores/second-reading';

/** What is said on pieces as whoever looks at them may know it, wherever a class is shown. */

export type SaidTo = {
  isSecond: boolean;
  /** How a go is judged: by themselves, where they are the second reader; else by the first. */
  judged: <R extends Ruled[number]>(
    go: { id: string; marks: RubricMarks },
    first: readonly R[],
  ) => { rulings: (R | Ruling)[]; marks: RubricMarks };
  /** Whether they may see what the first wrote on a go: a second reader only after they have finished it. */
  sees: (goId: string) => boolean;
};

/** @param readings what the second reader says, where that is who looks; null for the first */
export function saidToReader(readings: readonly SecondReading[] | null): SaidTo {
  if (!readings)
    return { isSecond: false, judged: ({ marks }, first) => ({ rulings: [...first], marks }), sees: () => true };
  const own = new Map(readings.map((reading) => [reading.goId, reading]));
  return {
    isSecond: true,
    judged: ({ id }) => ({ rulings: own.get(id)?.rulings ?? [], marks: own.get(id)?.marks ?? {} }),
    sees: (goId) => own.get(goId)?.done ?? false,
  };
}

export async function saidTo(
  db: Queries,
  { id }: Pick<Person, 'id'>,
  handoutId: string,
  goIds: readonly string[],
): Promise<SaidTo> {
  const isSecond = (await secondReaderOf(db, handoutId))?.id === id;
  return saidToReader(isSecond ? await secondReadingsOf(db, id, [...goIds]) : null);
}
