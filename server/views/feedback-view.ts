import { noteWords } from '../../core/review/spoken';
import { z } from 'zod';
import { cameFirst, daysLate, isLate } from '../../core/handout/times';
import type { Outcome } from '../../core/handout/state';
import { OUTCOME_WORDS } from '../../core/handout/state';
import { countWords, evidenceWords } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import { isMarked, points, pointsWords, sumWords, weighed } from '../../core/lookfors/rubric';
import { csvOf } from '../../core/formats/csv';
import type { RosterResult } from '../../core/formats/oneroster-results';
import { oneRosterResults } from '../../core/formats/oneroster-results';
import type { NamedText } from '../../core/formats/roster-file';
import { annotationsOf } from '../../core/review/annotations';
import type { Feedback, SaidLookFor, SaidRow } from '../../core/review/feedback';
import { asRuled, heldAfter } from '../../core/review/marks';
import type { PieceResult } from '../../core/review/results';
import { resultsTable } from '../../core/review/results';
import { namesOf } from '../../core/values/names';
import { isOwn } from '../../core/pictures/picture';
import { needsOf } from '../../core/sheet/needs';
import { seenHandout } from '../actions/class-rights';
import { countedOn, countingOf } from '../actions/counting';
import type { Means, Workshop } from '../actions/means';
import { missing, Refused } from '../actions/refused';
import type { FeedbackWanted } from '../exports/exports';
import { Turn } from '../process/turn';
import type { ClassCopy } from '../stores/copies';
import type { Go } from '../stores/goes';
import { copiesOf, copyOfStudent } from '../stores/copies';
import { goesOf, markSeen, newestGoes } from '../stores/goes';
import type { Handout } from '../stores/handouts';
import { sourceOf, sourcesOn } from '../stores/class-lists';
import { asVersion, handedOutAt } from '../stores/handouts';
import type { Person } from '../stores/people';
import type { PictureFiles } from '../stores/pictures';
import { pictureFiles } from '../stores/pictures';
import type { SaidOn } from '../stores/reviews';
import { allSaidOn, signedNotesOf } from '../stores/reviews';
import { saidTo } from './said-to';

/** What came of a handout, to be taken out: feedback on paper, marks as a table, notes in an open format. */

type Asker = Pick<Person, 'id'>;

/** What stands on a page of feedback besides the piece and its notes. */
export const FeedbackShows = z.object({ lookFors: z.boolean(), marks: z.boolean() });
export type FeedbackShows = z.infer<typeof FeedbackShows>;

/** `days`: by how many it was late. */
type Judged = { handout: Handout; go: Go; results: readonly Result[]; days: number } & SaidOn;

const sumOf = ({ handout, go, results, rulings, days }: Judged) =>
  points(handout.rubric, go.marks, weighed(handout.lookFors, results, rulings), days);

const rowsOf = ({ rubric }: Handout, go: Go): SaidRow[] =>
  rubric.rows.map(({ id, name, levels }) => ({
    name,
    level: levels[go.marks[id]] ?? null,
    of: Math.max(...levels.map((level) => level.points)),
  }));

function saidLookFors({ handout, results, rulings }: Judged): (SaidLookFor & { id: string })[] {
  return results.map((result, i) => {
    const lookFor = handout.lookFors[i];
    const own = rulings.filter(({ lookForId, reason }) => lookForId === result.id && reason !== '');
    return {
      id: lookFor.id,
      title: lookFor.title,
      held: heldAfter(result, rulings),
      counted: result.held === null || result.need === 1 ? '' : countWords(lookFor, result),
      reasons: own.map(({ itemId, reason }) => {
        const one = result.evidence.find(({ items }) => items[0] === itemId);
        return one ? `${evidenceWords(lookFor, one)}: ${reason}` : reason;
      }),
    };
  });
}

function feedbackOf(piece: Judged, studentName: string, shows: FeedbackShows): Feedback {
  const { handout, go, notes, ink } = piece;
  const sum = sumOf(piece);
  return {
    title: handout.title,
    about: [
      studentName,
      `go ${go.number}`,
      go.outcome ? `returned ${OUTCOME_WORDS[go.outcome]}` : 'not returned yet',
    ].join(' · '),
    sum: shows.marks && sum.of > 0 ? sumWords(sum) : null,
    sheet: go.sheet,
    notes,
    ink,
    lookFors: shows.lookFors ? saidLookFors(piece) : [],
    rows: shows.marks ? rowsOf(handout, go) : [],
  };
}

type Piece = { copy: ClassCopy; judged: Judged | null };

/** Some copies of a handout, or all where none is named, and the newest go of each. */
async function chosenOf(db: Means['db'], handoutId: string, only: readonly string[]) {
  const copies = (await copiesOf(db, handoutId)).filter(({ id }) => only.length === 0 || only.includes(id));
  const ids = copies.map(({ id }) => id);
  return { copies, goes: await newestGoes(db, handoutId, ids) };
}

/** Pieces of a class with their newest go, counted and as whoever asks may know what was said on them. */
async function* piecesOf(
  means: Means,
  person: Asker,
  handout: Handout,
  only: readonly string[],
): AsyncGenerator<Piece> {
  const { db } = means;
  const { copies, goes } = await chosenOf(db, handout.id, only);
  const ids = goes.map(({ id }) => id);
  const [saidOn, counting, to] = await Promise.all([
    allSaidOn(db, ids),
    countingOf(means, handout),
    saidTo(db, person, handout.id, ids),
  ]);
  const turn = new Turn();
  for (const copy of copies) {
    await turn.end();
    const own = asVersion(handout, copy.version);
    // Of one that can't be read nothing can be said.
    const go = goes.find(({ copyId, damage }) => copyId === copy.id && !damage);
    if (!go) yield { copy, judged: null };
    else {
      const first = saidOn(go.id);
      const said = to.sees(go.id) ? first : { notes: [], ink: [] };
      const { rulings, marks } = to.judged(go, first.rulings);
      const results = countedOn(own, go.sheet, copy.studentName, counting).map((one) => asRuled(one, rulings));
      const days = daysLate(copy, handout.dueAt);
      yield { copy, judged: { handout: own, go: { ...go, marks }, results, days, ...said, rulings } };
    }
  }
}

/** Feedback on pieces of a class, in the order of names; those that were not handed in are left out. @throws Refused */
export async function classFeedback(
  means: Means,
  person: Asker,
  handoutId: string,
  copyIds: readonly string[],
  shows: FeedbackShows,
): Promise<Feedback[]> {
  const { handout } = await seenHandout(means.db, person, handoutId);
  const out: Feedback[] = [];
  for await (const { copy, judged } of piecesOf(means, person, handout, copyIds))
    if (judged) out.push(feedbackOf(judged, copy.studentName, shows));
  return out;
}

/**
 * Feedback on a student's own piece, as it came back last. What their teacher tells only in the end is not on it before it is done.
 * @throws Refused where nothing has come back
 */
export async function ownFeedback(means: Means, person: Asker, copyId: string): Promise<Feedback> {
  const { db } = means;
  // From here on it can't be taken back without a word to them.
  await markSeen(db, person.id, copyId);
  const released = await releasedFeedback(means, person.id, copyId);
  if (!released) throw missing();
  return released.feedback;
}

/** A student's own piece as it came back last, and as much of it as they are told; null where nothing has come back. */
export async function releasedFeedback(
  means: Means,
  studentId: string,
  copyId: string,
): Promise<{ goId: string; outcome: Outcome | null; handout: Handout; feedback: Feedback } | null> {
  const { db } = means;
  const copy = await copyOfStudent(db, studentId, copyId);
  const goes = copy ? await goesOf(db, copy.id) : [];
  const go = goes.filter(({ returnedAt }) => returnedAt !== null).at(-1);
  if (!copy || !go || go.damage) return null;
  const { handout } = copy;
  const [saidOn, counting] = await Promise.all([allSaidOn(db, [go.id]), countingOf(means, handout)]);
  const said = saidOn(go.id);
  const { rulings } = said;
  const results = countedOn(handout, go.sheet, copy.studentName, counting).map((one) => asRuled(one, rulings));
  const days = daysLate(cameFirst(copy, goes), handout.dueAt);
  const piece = { handout, go, results, days, ...said };
  const whole = feedbackOf(piece, copy.studentName, { lookFors: true, marks: true });
  const told = { goId: go.id, outcome: go.outcome, handout };
  if (copy.state === 'done') return { ...told, feedback: whole };
  // The key is not told by what is right: only what brought points is on the screen, too.
  const brought = weighed(handout.lookFors, results, rulings);
  const lookFors = brought.map(({ title, got, of, id }) => ({
    title,
    held: got === null ? null : got === of,
    counted: got === null ? '' : `${pointsWords(got)} of ${pointsWords(of)} points`,
    reasons: rulings.flatMap(({ lookForId, reason }) => (lookForId === id && reason !== '' ? [reason] : [])),
  }));
  return { ...told, feedback: { ...whole, lookFors } };
}

/** Feedback on one piece, with the pictures that it is drawn with. @throws Refused */
export async function feedbackPicture(
  means: Means,
  person: Asker,
  { handoutId, copyId }: { handoutId: string; copyId: string },
  shows: FeedbackShows,
): Promise<{ piece: Feedback; own: PictureFiles }> {
  const piece = (await classFeedback(means, person, handoutId, [copyId], shows)).at(0);
  if (piece === undefined) throw missing();
  return { piece, own: await pictureFiles(means.db, needsOf(piece.sheet).pictures.filter(isOwn)) };
}

/** What a file of feedback is made from. @throws Refused */
export async function feedbackFor(
  means: Means,
  person: Asker,
  wanted: FeedbackWanted,
): Promise<{ title: string; pieces: Feedback[] }> {
  const pieces =
    'copyId' in wanted
      ? [await ownFeedback(means, person, wanted.copyId)]
      : await classFeedback(means, person, wanted.handoutId, wanted.copies, wanted.shows);
  if (pieces.length === 0) throw new Refused(409, 'None of these pieces was handed in yet.');
  return { title: pieces[0].title, pieces };
}

/** The marks of pieces as CSV. @throws Refused */
export async function marksCsv(
  means: Means,
  person: Asker,
  handoutId: string,
  copyIds: readonly string[],
  zone: string,
): Promise<{ title: string; csv: string }> {
  const { handout } = await seenHandout(means.db, person, handoutId);
  const results: PieceResult[] = [];
  for await (const { copy, judged } of piecesOf(means, person, handout, copyIds))
    results.push(
      // Those who worked on one piece have a row each.
      ...namesOf(copy.studentName).map((student) => ({
        student,
        state: copy.state,
        go: judged && judged.go,
        late: isLate(copy, handout.dueAt),
        sum: judged ? sumOf(judged) : { got: 0, of: 0, open: 0 },
        lookFors: judged ? saidLookFors(judged) : [],
        rows: judged ? rowsOf(judged.handout, judged.go) : [],
        notes: judged ? judged.notes.map(noteWords) : [],
      })),
    );
  return { title: handout.title, csv: csvOf(resultsTable(results, zone)) };
}

/** The marks of pieces for the program that the class list is from, as files for one ZIP. @throws Refused where it gave no ids */
export async function rosterResults(
  means: Means,
  person: Asker,
  handoutId: string,
  copyIds: readonly string[],
  zone: string,
): Promise<{ title: string; files: NamedText[] }> {
  const { db } = means;
  const { handout } = await seenHandout(db, person, handoutId);
  const classId = handout.classId && (await sourceOf(db, handout.classId));
  if (!classId) throw new Refused(409, 'The list of this class has no ids. Read it from a OneRoster export first.');
  if ((await saidTo(db, person, handoutId, [])).isSecond)
    throw new Refused(403, 'You read these pieces a second time: their marks are handed on by the first reader.');
  const sources = await sourcesOn(db, handoutId);
  const results: RosterResult[] = [];
  let most = 0;
  for await (const { copy, judged } of piecesOf(means, person, handout, copyIds)) {
    const sum = judged && sumOf(judged);
    most = Math.max(most, sum?.of ?? 0);
    for (const { personId, sourceId } of sources.filter(({ copyId }) => copyId === copy.id))
      if (sourceId !== null)
        results.push({
          id: `${copy.id}-${personId}`,
          studentId: sourceId,
          score: sum && sum.open === 0 ? sum.got : null,
          handedIn: judged !== null,
          begun: sum !== null && isMarked(sum),
          at: judged?.go.handedInAt ?? null,
        });
  }
  if (most === 0) throw new Refused(409, 'Nothing in this handout brings points, so there are no marks to hand on.');
  if (results.length === 0)
    throw new Refused(409, 'None of these students has an id. Read the class list from a file that has them.');
  const { id, title, brief: description, dueAt: due } = handout;
  const task = { id, title, description, assigned: await handedOutAt(db, id), due, classId, most };
  return { title, files: oneRosterResults(task, results, zone) };
}

/** The notes on pieces as annotations. @throws Refused */
export async function notesJson(
  means: Workshop,
  person: Asker,
  handoutId: string,
  copyIds: readonly string[],
  base: string,
): Promise<{ title: string; json: object }> {
  const { db } = means;
  const { handout } = await seenHandout(db, person, handoutId);
  const { copies, goes } = await chosenOf(db, handoutId, copyIds);
  const ids = goes.map(({ id }) => id);
  const to = await saidTo(db, person, handoutId, ids);
  const notes = await signedNotesOf(db, ids.filter(to.sees));
  const pictures = await means.withOwn(goes.flatMap(({ sheet }) => needsOf(sheet).pictures));
  const pieces = copies.flatMap((copy) => {
    const go = goes.find(({ copyId }) => copyId === copy.id);
    if (!go) return [];
    const { id: goId, sheet } = go;
    return [
      { copyId: copy.id, student: copy.studentName, goId, sheet, notes: notes.filter((note) => note.goId === goId) },
    ];
  });
  return { title: handout.title, json: annotationsOf({ title: handout.title, base }, pieces, pictures) };
}

/** Which pieces there are to take out, and how they are. @throws Refused */
export async function outView(means: Means, person: Asker, handoutId: string) {
  const { handout, rights } = await seenHandout(means.db, person, handoutId);
  const { db } = means;
  const copies = await copiesOf(db, handoutId);
  const sources = await sourcesOn(db, handoutId);
  const known = new Set(sources.flatMap(({ copyId, sourceId }) => (sourceId === null ? [] : [copyId])));
  return {
    /** Whether the class list is from a program that marks can go back to. */
    hasSource: handout.classId !== null && (await sourceOf(db, handout.classId)) !== null,
    handout: {
      id: handout.id,
      title: handout.title,
      className: handout.className,
      groups: handout.groups,
      rights,
      weighs: handout.rubric.rows.length > 0 || handout.lookFors.some((one) => one.points !== undefined),
      counts: handout.lookFors.length > 0,
    },
    /** Those that were handed in at least once. */
    pieces: copies.flatMap(({ id, studentName, state, goId }) =>
      goId === null ? [] : [{ id, studentName, state, hasSource: known.has(id) }],
    ),
    /** How many copies there are in all. */
    copies: copies.length,
  };
}
