import { noteWords } from '../../core/review/spoken';
import type { Outcome } from '../../core/handout/state';
import { cameFirst, daysLate, isLate } from '../../core/handout/times';
import { isMarked, points, weighed } from '../../core/lookfors/rubric';
import type { Sum } from '../../core/lookfors/rubric';
import { asRuled, heldAfter } from '../../core/review/marks';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { Turn } from '../process/turn';
import { copyOfStudent, trayOf } from '../stores/copies';
import { goesOf } from '../stores/goes';
import type { Person } from '../stores/people';
import { notesOf, rulingsOf } from '../stores/reviews';

/** All the work of a student, for themselves: of what came back, what they have opened already. */

/** So many pieces are told. */
const MOST = 60;

export type OwnPiece = {
  id: string;
  title: string;
  className: string;
  handedInAt: Date;
  late: boolean;
  /** The go that is told of, for its picture. */
  goId: string;
  /** How many times it was handed in. */
  goes: number;
  /** What came back; null while it is with the teacher, or not opened yet. */
  back: {
    at: Date;
    outcome: Outcome;
    points: Sum | null;
    /** Look-fors that are met, once it is done: before that the key would be told. */
    held: number | null;
    lookFors: number;
    notes: string[];
    /** Of the notes, how many are ticked. */
    settled: number;
  } | null;
  /** It came back and waits to be opened. */
  unopened: boolean;
};

export async function ownPathView(
  means: Means,
  person: Pick<Person, 'id'>,
): Promise<{ pieces: OwnPiece[]; isWhole: boolean; now: number }> {
  const { db } = means;
  const all = await trayOf(db, person.id);
  const begun = all.filter(({ state }) => state !== 'not-begun').slice(-MOST);
  const pieces: OwnPiece[] = [];
  const turn = new Turn();
  for (const { id, title, className } of begun) {
    await turn.end();
    const copy = await copyOfStudent(db, person.id, id);
    const goes = copy ? await goesOf(db, id) : [];
    const newest = goes.at(-1);
    if (!copy || !newest) continue;
    const { handout } = copy;
    const go = goes.filter(({ returnedAt, damage }) => returnedAt !== null && !damage).at(-1);
    // To have seen what is on it is to have opened it: until then a teacher may take it back.
    const opened = go?.seenAt ? go : null;
    let back: OwnPiece['back'] = null;
    const came = cameFirst(copy, goes);
    if (opened) {
      const [notes, rulings, counting] = await Promise.all([
        notesOf(db, [opened.id]),
        rulingsOf(db, [opened.id]),
        countingOf(means, handout),
      ]);
      const results = countedOn(handout, opened.sheet, copy.studentName, counting).map((one) => asRuled(one, rulings));
      const brought = weighed(handout.lookFors, results, rulings);
      const sum = points(handout.rubric, opened.marks, brought, daysLate(came, handout.dueAt));
      back = {
        at: opened.returnedAt!,
        outcome: opened.outcome!,
        points: isMarked(sum) ? sum : null,
        held: copy.state === 'done' ? results.filter((result) => heldAfter(result, rulings) === true).length : null,
        lookFors: handout.lookFors.length,
        notes: notes.map(noteWords),
        settled: notes.filter(({ settled }) => settled).length,
      };
    }
    pieces.push({
      id,
      title,
      className,
      handedInAt: newest.handedInAt,
      late: isLate(came, handout.dueAt),
      goId: newest.id,
      goes: goes.length,
      back,
      unopened: Boolean(go) && !opened,
    });
  }
  pieces.sort((a, b) => +b.handedInAt - +a.handedInAt);
  return { pieces, isWhole: begun.length < MOST, now: Date.now() };
}
