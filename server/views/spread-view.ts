import equal from 'fast-deep-equal';
import { broughtPages } from '../../core/handout/brought';
import { isOpen, isWaiting } from '../../core/handout/state';
import { daysLate, isLate, isOverdue } from '../../core/handout/times';
import { points, weighed } from '../../core/lookfors/rubric';
import type { Ruled } from '../../core/lookfors/ruled';
import { asRuled, heldAfter, pieceMarks } from '../../core/review/marks';
import { openOn } from '../../core/review/ready';
import type { Compared } from '../../core/review/second';
import { compareJudgements } from '../../core/review/second';
import { missedOn } from '../../core/review/missed';
import { seenHandout } from '../actions/class-rights';
import type { Counting } from '../actions/counting';
import { countedOn, countedOnCopy, countingOf } from '../actions/counting';
import type { Means } from '../actions/means';
import { sheetStill, shownOf } from '../actions/opened';
import { Turn } from '../process/turn';
import type { Go } from '../stores/goes';
import { copiesOf } from '../stores/copies';
import { galleryOf } from '../stores/gallery';
import { newestGoes } from '../stores/goes';
import type { Damaged, Loaded } from '../stores/documents';
import { loadDocuments } from '../stores/documents';
import type { Handout } from '../stores/handouts';
import { asVersion } from '../stores/handouts';
import type { Person } from '../stores/people';
import { rulingsOf, saidCounts } from '../stores/reviews';
import type { SecondReader, SecondReading } from '../stores/second-reading';
import { readersFor, secondReaderOf, secondReadingsOf } from '../stores/second-reading';
import type { SaidTo } from './said-to';
import { saidToReader } from './said-to';

/** All pieces of a handout side by side, counted. */

type CopyRow = Awaited<ReturnType<typeof copiesOf>>[number];
/** Who reads a handout twice, and whether it is whoever looks at it. */
type Second = { reader: SecondReader; isMe: boolean } | null;
type Piece = {
  copy: CopyRow;
  go: Go | undefined;
  document: Loaded | Damaged | undefined;
  ruled: Ruled;
  notes: number;
  /** What the second reader says; undefined where they have not begun it, null where there is none. */
  reading: SecondReading | undefined | null;
};

/** A piece as its card shows it: as it was handed in while it is with the teacher or done, else as it is now. */
function cardOf(whole: Handout, piece: Piece, counting: Counting, to: SaidTo) {
  const { copy, document, notes, reading } = piece;
  const handout = asVersion(whole, copy.version);
  const first = { rulings: piece.ruled, marks: piece.go?.marks ?? {} };
  // A second reader sees the class as they judge it themselves.
  const { rulings: ruled, marks } = to.judged({ id: piece.go?.id ?? '', marks: first.marks }, piece.ruled);
  const go = piece.go && { ...piece.go, marks };
  const handedIn = go && !isOpen(copy.state) ? go : null;
  const shown = handedIn ?? (document && shownOf(document, handout.title));
  const sheet = shown?.damage ? undefined : shown?.sheet;
  const counted = !sheet
    ? null
    : handedIn
      ? countedOn(handout, sheet, copy.studentName, counting)
      : countedOnCopy(handout, { id: copy.documentId, sheet }, copy.studentName, counting);
  // What was said of an answer on a go need not be true of what stands there now.
  const results = handedIn ? (counted?.map((one) => asRuled(one, ruled)) ?? null) : counted;
  const card = {
    ...copy,
    damaged: Boolean(shown?.damage),
    // A go is told by its identity: one that was taken back and handed in again has the same number, but is another.
    picture: handedIn ? `go=${handedIn.id}` : `seq=${copy.seq}`,
    late: isLate(copy, handout.dueAt),
    /** It should have come by now. */
    overdue: isOverdue(copy, handout.dueAt, Date.now()),
    /** It was handed in before the sheet was corrected. */
    uncorrected: handedIn !== null && copy.corrections < handout.corrections,
    page: { width: handout.sheet.pages[0].width, height: handout.sheet.pages[0].height },
    /** Of how many: on some versions not all can be counted. */
    lookFors: handout.lookFors.length,
    /** Pages made elsewhere, which the picture does not show. */
    brought: sheet ? broughtPages(sheet).length : 0,
    /** What was said on it, while it is with its teacher. */
    ready:
      go && isWaiting(copy)
        ? {
            read: to.isSecond ? reading != null : go.reviewBeganAt !== null,
            open: openOn(results ?? [], handout.rubric, { rulings: ruled, marks: go.marks }),
            notes,
          }
        : null,
    /** What it misses, in words: look-fors, or parts of them. */
    missed: results && copy.state !== 'under-way' ? missedOn(handout.lookFors, { results, rulings: ruled }) : [],
    /** The levels of the rubric's rows, and the points with those that look-fors bring; null where nothing was handed in. */
    levels: go?.marks ?? {},
    points:
      results && go
        ? points(handout.rubric, go.marks, weighed(handout.lookFors, results, ruled), daysLate(copy, handout.dueAt))
        : null,
    /** Where it is read twice, and was handed in: how far the second reader is, and on how much both are apart. */
    second:
      reading === null || !go || !counted
        ? null
        : reading?.done
          ? { begun: true, done: true, ...apartOn(compareJudgements(counted, handout.rubric, first, reading)) }
          : { begun: reading !== undefined, done: false, both: 0, apart: 0 },
    held: results ? results.filter((result) => heldAfter(result, ruled)).length : null,
    marks:
      sheet && results
        ? pieceMarks(sheet, results, counting.pictures).filter((mark) => mark.page === sheet.pages[0].id)
        : [],
  };
  return card;
}

const apartOn = ({ both, apart }: Compared) => ({ both, apart: apart.length });

async function isChanged(db: Means['db'], person: Pick<Person, 'id'>, handout: Handout): Promise<boolean> {
  // A version that was made again follows the first.
  const chosen = handout.versions.slice(1).filter(({ seedsOn }) => seedsOn === null);
  for (const { sheetId, sheet } of [handout, ...chosen]) {
    const now = await sheetStill(db, person.id, sheetId);
    if (now && !equal(now.sheet, sheet)) return true;
  }
  return false;
}

/** @param only documents of the copies that are meant; else all */
async function cardsOf(means: Means, handout: Handout, second: Second, only: readonly string[] | null = null) {
  const { db } = means;
  const all = await copiesOf(db, handout.id);
  const copies = only ? all.filter(({ documentId }) => only.includes(documentId)) : all;
  const goes = await newestGoes(db, handout.id, only && copies.map(({ id }) => id));
  const open = copies.filter(({ state }) => state === 'under-way' || state === 'another-go');
  const ids = goes.map(({ id }) => id);
  const [documents, rulings, said, readings] = await Promise.all([
    loadDocuments(
      db,
      open.map(({ documentId }) => documentId),
    ),
    rulingsOf(db, ids),
    saidCounts(db, ids),
    second && secondReadingsOf(db, second.reader.id, ids),
  ]);
  const to = saidToReader(second?.isMe ? readings : null);
  const cards = [];
  const counting = await countingOf(means, handout);
  const turn = new Turn();
  for (const copy of copies) {
    await turn.end();
    const go = goes.find(({ copyId }) => copyId === copy.id);
    const ruled = go ? rulings.filter(({ goId }) => goId === go.id) : [];
    const own = said.find(({ goId }) => goId === go?.id)?.count ?? 0;
    const reading = readings && readings.find(({ goId }) => goId === go?.id);
    const piece = { copy, go, document: documents.get(copy.documentId), ruled, notes: own, reading };
    cards.push(cardOf(handout, piece, counting, to));
  }
  return { cards, to };
}

async function secondOf(db: Means['db'], person: Pick<Person, 'id'>, handoutId: string): Promise<Second> {
  const reader = await secondReaderOf(db, handoutId);
  return reader && { reader, isMe: reader.id === person.id };
}

/**
 * Cards of some pieces, by the documents of their copies, and what of what is said on them they may know.
 * @throws Refused where the handout is not theirs
 */
export async function someCards(
  means: Means,
  person: Pick<Person, 'id'>,
  handoutId: string,
  documentIds: readonly string[],
) {
  const { handout } = await seenHandout(means.db, person, handoutId);
  return cardsOf(means, handout, await secondOf(means.db, person, handoutId), documentIds);
}

/** The same as they are now. @throws Refused */
export async function cardsView(
  means: Means,
  person: Pick<Person, 'id'>,
  handoutId: string,
  documentIds: readonly string[],
) {
  const now = Date.now();
  return { cards: (await someCards(means, person, handoutId, documentIds)).cards, now };
}

/** @throws Refused where it is not theirs */
export async function spreadView(means: Means, person: Pick<Person, 'id'>, handoutId: string) {
  const { db } = means;
  const { handout, rights } = await seenHandout(db, person, handoutId);
  // Taken before: what happens meanwhile is told of, and newer.
  const now = Date.now();
  const second = await secondOf(db, person, handoutId);
  const { cards } = await cardsOf(means, handout, second);
  const { width, height } = handout.sheet.pages[0];
  return {
    personId: person.id,
    handout: {
      id: handout.id,
      title: handout.title,
      brief: handout.brief,
      className: handout.className,
      groups: handout.groups,
      opensAt: handout.opensAt,
      dueAt: handout.dueAt,
      closesAt: handout.closesAt,
      returnsAt: handout.returnsAt,
      rights,
      /** Null where no piece was ever put into one. */
      gallery: (await galleryOf(db, handout.id)) ?? null,
      /** Who reads it twice, and who could: teachers of the class who did not hand it out. */
      second: second && { ...second.reader, isMe: second.isMe },
      readers: rights === 'full' ? (await readersFor(db, handout.id)).filter(({ id }) => id !== handout.teacherId) : [],
      isPutAway: handout.putAwayAt !== null,
      /** Its sheet is another one now: a correction could be sent. */
      isChanged: await isChanged(db, person, handout),
      lookFors: handout.lookFors.length,
      rubric: handout.rubric,
      weighs: handout.rubric.rows.length > 0 || handout.lookFors.some((one) => one.points !== undefined),
      steps: handout.steps.length,
      /** How many versions there are; 0 where everybody gets the same. */
      versions: handout.versions.length,
    },
    cards,
    page: { width, height },
    now,
  };
}
