import { noteWords } from '../../core/review/spoken';
import type { Means } from '../actions/means';
import { missing } from '../actions/refused';
import { Turn } from '../process/turn';
import { studentOf } from '../stores/classes';
import { copiesWith } from '../stores/copies';
import type { Person } from '../stores/people';
import { notesOf } from '../stores/reviews';
import { someCards } from './spread-view';

/** All that a student did in classes of a teacher, the newest first. */

/** So many handouts are told: those of about a year and a half. */
const MOST = 60;

/** @throws Refused where the student is in no class of theirs */
export async function pathView(means: Means, person: Pick<Person, 'id'>, studentId: string) {
  const { db } = means;
  const student = await studentOf(db, person.id, studentId);
  if (!student) throw missing();
  const copies = await copiesWith(db, person.id, studentId, MOST);
  const turn = new Turn();
  const pieces = [];
  const unseen = new Set<string>();
  for (const { documentId, ...copy } of copies) {
    await turn.end();
    const { cards, to } = await someCards(means, person, copy.handoutId, [documentId]);
    const [card] = cards as ((typeof cards)[number] | undefined)[];
    if (!card) continue;
    pieces.push({ ...copy, card });
    if (card.goId !== null && !to.sees(card.goId)) unseen.add(card.goId);
  }
  const notes = await notesOf(
    db,
    pieces.flatMap(({ card }) => card.goId ?? []),
  );
  return {
    student,
    pieces: pieces.map(({ card, ...copy }) => ({
      ...copy,
      picture: card.picture,
      page: card.page,
      state: card.state,
      heldFor: card.heldFor,
      go: card.go,
      handedInAt: card.handedInAt,
      late: card.late,
      overdue: card.overdue,
      /** Look-fors that are met, of how many. */
      held: card.held,
      lookFors: card.lookFors,
      missed: card.missed,
      points: card.points,
      notes: notes.filter(({ goId }) => goId === card.goId && !unseen.has(goId)).map(noteWords),
    })),
    isWhole: copies.length < MOST,
    now: Date.now(),
  };
}
