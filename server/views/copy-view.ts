import { noteWords } from '../../core/review/spoken';
import { mayUploadOn, usableOf } from '../../core/handout/laid-out';
import { mostOf } from '../../core/handout/limits';
import { anchorAt } from '../../core/handout/spots';
import { isOpen } from '../../core/handout/state';
import { shutBy } from '../../core/lookfors/step-open';
import { asRuled, heldAfter } from '../../core/review/marks';
import { cameFirst, closesOf, daysLate, dueOf, isClosed } from '../../core/handout/times';
import { veiled } from '../../core/handout/veil';
import type { LookFor } from '../../core/lookfors/all';
import { forStudent, resultForStudent } from '../../core/lookfors/all';
import { namesOf } from '../../core/values/names';
import type { RubricMarks, Weighed } from '../../core/lookfors/rubric';
import { lateRuleWords, points, weighed } from '../../core/lookfors/rubric';
import type { Pictures } from '../../core/pictures/picture';
import type { Sheet } from '../../core/schema/sheet';
import type { ToldResult } from '../../core/lookfors/checks';
import { toldOn } from '../actions/check-answers';
import { broughtUpToDate } from '../actions/correct';
import { countedOn, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { openedOr } from '../actions/opened';
import { missing } from '../actions/refused';
import type { Go } from '../stores/goes';
import type { Note } from '../../core/review/said';
import { copyOfStudent, openStepsOf } from '../stores/copies';
import { goesOf, markSeen } from '../stores/goes';
import type { Handout } from '../stores/handouts';
import type { Person } from '../stores/people';
import { inkOf, notesOf, rulingsOf } from '../stores/reviews';

/** What students see of their copy: never the key, and of what is counted only what their teacher lets them see. */

/** A go as it was handed in, with where its notes stand on it. */
function lastGoOf(
  { id, number, sheet }: Go,
  notes: readonly (Note & { earlier: number | null })[],
  pictures: Pictures,
) {
  return {
    id,
    number,
    pages: sheet.pages.map((page) => ({
      id: page.id,
      width: page.width,
      height: page.height,
      notes: notes
        .filter((note) => note.earlier === null && note.pageId === page.id)
        .map((note) => ({
          id: note.id,
          body: noteWords(note),
          at: anchorAt(page, { item: note.itemId, x: note.x, y: note.y }, pictures),
        })),
    })),
  };
}

/** The marks of a go; null where nothing was marked and no look-for brings points. */
function marksOf({ rubric }: Handout, marks: RubricMarks, lookFors: readonly Weighed[], days: number) {
  if (lookFors.length === 0 && !rubric.rows.some(({ id }) => id in marks)) return null;
  return { rubric, marks, lookFors, sum: points(rubric, marks, lookFors, days) };
}

/** A look-for without anything that says what it is. */
const unsaid = ({ id }: LookFor): LookFor => ({ kind: 'teacher', id, title: '…', tell: 'after' });

/** @throws Refused where it is not theirs */
export async function copyView(means: Means, person: Pick<Person, 'id' | 'name'>, copyId: string) {
  const { db, pictures } = means;
  // Before anything is read: from here on it can't be taken back without a word to them.
  await markSeen(db, person.id, copyId);
  const copy = await copyOfStudent(db, person.id, copyId);
  // One that came back after a correction was sent takes it now.
  if (copy && isOpen(copy.state)) await broughtUpToDate(means, copy.handout, [copy]);
  const document = copy && (await openedOr(db, copy.documentId));
  if (!copy || !document) throw missing();
  const { handout } = copy;
  if ('damage' in document) return { copyId: copy.id, title: handout.title, damage: document.damage, now: Date.now() };
  const goes = await goesOf(db, copy.id);
  const last = goes.at(-1);
  const back = goes.filter((go) => go.returnedAt !== null);
  const returned = back.at(-1);
  const ids = back.map(({ id }) => id);
  const [all, rulings, ink] = returned
    ? await Promise.all([notesOf(db, ids), rulingsOf(db, [returned.id]), inkOf(db, [returned.id])])
    : [[], [], []];
  // What was said on an earlier go still stands, and can be ticked.
  const notes = all.map((note) => {
    const go = back.find(({ id }) => id === note.goId)!;
    return { ...note, earlier: go === returned ? null : go.number };
  });
  const counting = await countingOf(means, handout);
  const results = countedOn(handout, document.sheet, copy.studentName, counting);
  // Once it is done, the teacher's own rulings and everything counted may be seen.
  const told =
    copy.state === 'done'
      ? results.map((result, i): ToldResult | null => {
          const ruled = asRuled(result, rulings);
          const shown = resultForStudent({ ...handout.lookFors[i], tell: 'result' }, ruled);
          return shown && { ...shown, held: heldAfter(ruled, rulings) };
        })
      : await toldOn(db, handout, copy.id, results);
  /** What look-fors brought on the go that came back, with the rulings on it. */
  const weighedOn = (sheet: Sheet) =>
    handout.lookFors.some((one) => one.points !== undefined)
      ? weighed(
          handout.lookFors,
          countedOn(handout, sheet, copy.studentName, counting).map((one) => asRuled(one, rulings)),
          rulings,
        )
      : [];
  const { steps } = handout;
  // Telling the results may have opened more than there were.
  const now = steps.length > 0 ? await openStepsOf(db, copy.id) : 0;
  const open = copy.state === 'done' ? steps.length : Math.min(steps.length, now);
  const shut = shutBy(steps, open);
  const times = {
    closesAt: handout.closesAt,
    extendedTo: copy.extendedTo,
    returnedAt: returned?.returnedAt ?? null,
  };
  return {
    damage: null,
    personId: person.id,
    copyId: copy.id,
    documentId: document.id,
    seq: document.seq,
    sheet: veiled(document.sheet, pictures),
    savedAt: +document.changedAt,
    state: copy.state,
    title: handout.title,
    /** Who else works on it, by name. */
    mates: namesOf(copy.studentName).filter((name) => name !== person.name),
    /** The sheet that a teacher tries out on this copy of their own. */
    trialOf: handout.trialOf,
    brief: handout.brief,
    dueAt: dueOf({ dueAt: handout.dueAt, extendedTo: copy.extendedTo }),
    closesAt: closesOf(times),
    isClosed: isClosed(times, Date.now()),
    supplies: handout.supplies,
    limits: handout.limits,
    most: mostOf(handout.given, handout.limits),
    usable: usableOf(handout.given, handout.laidOut),
    mayUpload: mayUploadOn(handout.supplies, handout.laidOut),
    /** Steps of the brief that are open, and of how many. */
    steps: { open: steps.slice(0, open), of: steps.length },
    /** What belongs to steps that are shut says nothing. */
    lookFors: handout.lookFors.map((one) => ({
      ...forStudent(shut.has(one.id) ? unsaid(one) : one),
      shut: shut.has(one.id),
    })),
    results: told,
    /** Why their teacher ruled as they did on the go that came back. */
    reasons: rulings.flatMap(({ lookForId, itemId, reason }) =>
      reason === '' ? [] : [{ lookFor: lookForId, item: itemId, words: reason }],
    ),
    notes,
    /** What their teacher drew on the go that came back. */
    ink: copy.state === 'another-go' || copy.state === 'done' ? ink : [],
    /** The pages of an example to look at. */
    example: handout.example?.pages.map(({ id, width, height }) => ({ id, width, height })) ?? null,
    /** The go that came back, to be seen beside the new one. */
    lastGo: returned && copy.state === 'another-go' ? lastGoOf(returned, notes, pictures) : null,
    marks: returned
      ? marksOf(handout, returned.marks, weighedOn(returned.sheet), daysLate(cameFirst(copy, goes), handout.dueAt))
      : null,
    /** What is taken off if it comes late; null where nothing is, or nothing is due. */
    lateRule: handout.dueAt && handout.rubric.late ? lateRuleWords(handout.rubric.late) : null,
    handedInAt: last?.handedInAt ?? null,
    /** It came back at least once: there is feedback to take out. */
    cameBack: returned !== undefined,
    /** Why the teacher took it back after it had come back. */
    recalled: copy.state === 'handed-in' ? (last?.recalled ?? null) : null,
    go: last?.number ?? 0,
    mayTakeBack: copy.state === 'handed-in' && !last?.reviewBeganAt && !isClosed(times, Date.now()),
    now: Date.now(),
  };
}
