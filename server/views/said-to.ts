import type { Ruling } from '../../core/review/said';
import type { RubricMarks } from '../../core/lookfors/rubric';
import type { Queries } from '../database/connection';
import type { Person } from '../stores/people';
import { secondReaderOf, secondReadingsOf } from '../stores/second-reading';

/** What is said on pieces as whoever looks at them may know it, wherever a class is shown. */

export type SaidTo = {
  isSecond: boolean;
  /** How a go is judged: by themselves, where they are the second reader; else by the first. */
  judged: (
    go: { id: string; marks: RubricMarks },
    first: readonly Ruling[],
  ) => { rulings: Ruling[]; marks: RubricMarks };
  /** Whether they may see what the first wrote on a go: a second reader only after they have finished it. */
  sees: (goId: string) => boolean;
};

export async function saidTo(
  db: Queries,
  { id }: Pick<Person, 'id'>,
  handoutId: string,
  goIds: readonly string[],
): Promise<SaidTo> {
  if ((await secondReaderOf(db, handoutId))?.id !== id)
    return { isSecond: false, judged: ({ marks }, first) => ({ rulings: [...first], marks }), sees: () => true };
  const own = new Map((await secondReadingsOf(db, id, [...goIds])).map((reading) => [reading.goId, reading]));
  return {
    isSecond: true,
    judged: (go) => ({ rulings: own.get(go.id)?.rulings ?? [], marks: own.get(go.id)?.marks ?? {} }),
    sees: (goId) => own.get(goId)?.done ?? false,
  };
}
