import { howMany, inWords } from '../../core/values/listed';
import { sentence } from '../parts/sentence';
import { Action } from '../parts/action';
import type { PieceMark } from '../../core/review/marks';
import type { Evidence } from '../../core/lookfors/kind';
import { rulingOn } from '../../core/lookfors/ruled';
import { heldAfter, isRight } from '../../core/review/marks';
import { answerOf } from '../../core/review/questions';
import type { Question } from '../../core/review/questions';
import type { Page } from '../../core/schema/sheet';
import { anchorAt, lightAt } from '../../core/handout/spots';
import type { MarginEntry } from '../margin/margin';
import type { Route } from '../routes/+types/reading';
import { pictureNow } from '../drawing/resources';
import { AnswerCard } from './answer-card';
import { later } from '../browser/later';
import { Heard } from '../parts/heard';
import { HeadCard, RubricCard } from './cards';
import { NoteCard, NoteDraft } from './notes';
import type { Draft } from '../keeping/sender';
import { NotTaken } from '../keeping/sender';
import type { Note } from '../../core/review/said';
import styles from '../student/student.module.css';
import type { Finishing } from './finishing';
import type { Growing } from './growing';
import type { Writing } from './writing';

/** What stands in the margin beside a piece that is being read. */

export type Loaded = Route.ComponentProps['loaderData'];

const LastGoCard = later(() => import('./last-go-card').then((part) => part.default));
const GrowthCard = later(() => import('./growth-card').then((part) => part.default));
const AlikeCard = later(() => import('./alike-card').then((part) => part.default));
const DamageCard = later(() => import('../house/damaged').then((part) => part.DamageCard), null);
const SecondCard = later(() => import('./second-card').then((part) => part.default));
const InkCard = later(() => import('./ink-card').then((part) => part.default));

/** Evidence listed in the margin. The rest shows on the piece only. */
const TOLD: ReadonlySet<Evidence['verdict']> = new Set(['wrong', 'near', 'swapped', 'reversed', 'missing', 'extra']);

/** The spot of an item, wherever it stands. */
const onItem = (item: string | null) => ({ item, x: null, y: null });

type Reading = {
  /** With its results as rulings on single answers leave them. */
  loaded: Loaded;
  /** The results as they were counted. */
  counted: Loaded['results'];
  writing: Writing;
  page: Page;
  /**
   * What differs from the sheet that is shown over the piece, on all pages and on this one, and what was said on it; null while
   * there is none.
   */
  against: { said: Loaded['goBefore']; name: string; count: number; entries: readonly MarginEntry[] } | null;
  /** How it grew, while that is shown. */
  growth: { growing: Growing; nameless: boolean } | null;
  /** The frames drawn on the piece. */
  marks: readonly PieceMark[];
  /** Whether something can be said on it now, and whether it can be judged: a second reader does that only. */
  open: boolean;
  judging: boolean;
  finishing: Finishing;
  /** What is asked about now. */
  asked: Question | null;
  active: string | null;
  zone: string;
};

export function readingEntries(reading: Reading): MarginEntry[] {
  const { loaded, writing, judging, asked, zone, against, growth, marks } = reading;
  const cards = { loaded, said: writing.said, open: judging, asked, say: writing.say };
  const out: MarginEntry[] = [...damageEntry(loaded), ...notTakenEntry(writing)];
  if (growth)
    out.push({
      id: 'growth',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'How it grew',
      content: <GrowthCard {...growth} now={loaded.now} />,
    });
  out.push({
    id: 'head',
    anchor: null,
    end: 'top',
    tone: 'plain',
    label: 'Look-fors',
    content: <HeadCard {...cards} zone={zone} marks={against || growth ? [] : marks} />,
  });
  if (growth) return out;
  if (loaded.second && loaded.go)
    out.push({
      id: 'second',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'Second reader',
      content: <SecondCard {...reading} second={loaded.second} />,
    });
  if (against) out.push(...againstEntries(against), ...saidBefore(reading));
  else
    out.push(
      ...alikeEntries(reading),
      ...evidenceEntries(reading),
      ...noteEntries(reading),
      ...draftEntries(reading),
      ...inkEntries(reading),
      ...lastGoEntry(reading),
    );
  const weighs = loaded.lookFors.some((lookFor) => lookFor.points !== undefined);
  if ((loaded.rubric.rows.length > 0 || weighs) && loaded.go)
    out.push({
      id: 'rubric',
      anchor: null,
      end: 'bottom',
      tone: 'plain',
      label: 'Rubric',
      content: <RubricCard {...cards} />,
    });
  return out;
}

function againstEntries({ name, count, entries }: NonNullable<Reading['against']>): MarginEntry[] {
  const elsewhere = count - entries.length;
  return [
    {
      id: 'against',
      anchor: null,
      end: 'top',
      tone: 'plain',
      label: 'What differs',
      content: (
        <>
          <h3>
            {count === 0
              ? `Nothing differs from ${name}`
              : `${count === 1 ? 'A difference' : howMany(count, 'difference')} from ${name}`}
          </h3>
          {elsewhere > 0 && <p className="quiet">{elsewhere === count ? 'All' : elsewhere} on other pages</p>}
        </>
      ),
    },
    ...entries,
  ];
}

function damageEntry({ damage, goDamaged, copy, now }: Loaded): MarginEntry[] {
  if (!damage && !goDamaged) return [];
  return [
    {
      id: 'damage',
      anchor: null,
      end: 'top',
      tone: 'apricot',
      active: true,
      label: 'Damaged',
      content: damage ? (
        <DamageCard damage={damage} back={`/handouts/${copy.handoutId}/reading/${copy.id}`} now={now} />
      ) : (
        <>
          <h3>This piece is damaged</h3>
          <p>What was handed in can’t be read any more. Give it back for another go, to be handed in once more.</p>
        </>
      ),
    },
  ];
}

/** Shown until it is dismissed. The text is a draft again. */
function notTakenEntry({ notTaken, seen }: Writing): MarginEntry[] {
  if (notTaken.length === 0) return [];
  const told = NotTaken.shape.what.options
    .map((kind) => ({ kind, count: notTaken.filter(({ what }) => what === kind).length }))
    .filter(({ count }) => count > 0)
    .map(({ kind, count }) => (count === 1 ? `a ${kind}` : howMany(count, kind)));
  return [
    {
      id: 'not-taken',
      anchor: null,
      end: 'top',
      tone: 'apricot',
      active: true,
      label: 'Not taken',
      content: (
        <>
          <h3>{sentence(inWords(told))} came too late</h3>
          <p>
            {notTaken.at(-1)!.reason}
            {notTaken.some(({ what }) => what === 'note') && ' What you wrote stays here.'}
          </p>
          <Action onClick={seen}>OK</Action>
        </>
      ),
    },
  ];
}

/** Pieces that one is like, of which more would only take room. */
const MOST_ALIKE = 3;

function alikeEntries({ loaded, page, active }: Reading): MarginEntry[] {
  return loaded.alike.slice(0, MOST_ALIKE).map((alike) => {
    const id = `alike ${alike.id}`;
    return {
      id,
      anchor: null,
      end: 'top',
      tone: 'apricot',
      active: active === id,
      light: () => alike.items.flatMap((item) => lightAt(page, onItem(item), pictureNow)),
      label: `Like ${alike.name}’s piece`,
      content: <AlikeCard {...{ loaded, alike }} />,
    };
  });
}

function evidenceEntries({ loaded, counted, writing, page, open, judging, active }: Reading): MarginEntry[] {
  const { lookFors, results } = loaded;
  const { notes, rulings } = writing.said;
  const spokenOf = (item: string) =>
    notes.some((note) => note.itemId === item) || writing.drafts.some(({ spot }) => spot.item === item);
  return lookFors.flatMap((lookFor, i) =>
    // As it was counted: an answer that is accepted stays in sight, so that this can be taken back.
    counted[i].evidence.flatMap((evidence, j): MarginEntry[] => {
      const anchor = anchorAt(page, onItem(evidence.items[0] ?? null), pictureNow);
      const answer = lookFor.keyed ? answerOf(counted[i], evidence) : undefined;
      const ruling = answer && rulingOn(rulings, lookFor.id, answer.item);
      if (!(TOLD.has(evidence.verdict) || ruling) || !anchor || lookFor.whole) return [];
      const { verdict } = evidence;
      const ruledRight = heldAfter(results[i], rulings) === true && (verdict === 'wrong' || verdict === 'swapped');
      if (ruledRight && !lookFor.keyed) return [];
      const id = `${lookFor.id} ${j}`;
      const right = ruling ? ruling.held : isRight(evidence);
      return [
        {
          id,
          anchor,
          tone: right || verdict === 'extra' ? 'moss' : 'apricot',
          active: active === id,
          light: () => evidence.items.flatMap((item) => lightAt(page, onItem(item), pictureNow)),
          label: lookFor.title,
          content: (
            <AnswerCard
              personId={loaded.personId}
              goId={loaded.go?.id ?? null}
              words={evidence.words}
              right={right}
              answer={answer}
              ruling={ruling}
              open={judging}
              say={writing.say}
              onNote={
                !open || verdict === 'near' || spokenOf(evidence.items[0])
                  ? undefined
                  : () => writing.begin({ page: page.id, item: evidence.items[0], ...anchor })
              }
            />
          ),
        },
      ];
    }),
  );
}

/** What was said on the go before, beside the new one. */
function lastGoEntry({ loaded, writing, page, open }: Reading): MarginEntry[] {
  const { goBefore } = loaded;
  if (!goBefore) return [];
  return [
    {
      id: 'go before',
      anchor: null,
      end: 'bottom',
      tone: 'plain',
      label: `What you said on go ${goBefore.number}`,
      content: (
        <LastGoCard
          goBefore={goBefore}
          loaded={loaded}
          onSayAgain={open ? (note) => writing.note(spotOfNote(note, page), note.body) : undefined}
          isSaid={(body) => writing.said.notes.some((note) => note.body === body)}
        />
      ),
    },
  ];
}

const spotOfNote = ({ pageId, itemId, x, y }: Note, page: Page) => ({
  page: pageId,
  item: itemId,
  ...((pageId === page.id ? anchorAt(page, { item: itemId, x, y }, pictureNow) : null) ?? { x, y }),
});

/** The notes of the go that is shown over the piece, where they stood on it. */
function saidBefore({ against, page, active }: Reading): MarginEntry[] {
  const said = against?.said;
  const before = said?.sheet.pages.find(({ id }) => id === page.id);
  if (!said || !before) return [];
  return said.notes
    .filter(({ pageId }) => pageId === page.id)
    .map((note) => ({
      id: note.id,
      anchor: anchorAt(before, { item: note.itemId, x: note.x, y: note.y }, pictureNow),
      tone: 'sky',
      active: active === note.id,
      light: () => lightAt(before, { item: note.itemId, x: note.x, y: note.y }, pictureNow),
      label: `Your note on go ${said.number}`,
      content: (
        <>
          {note.spoken && <Heard spoken={note.spoken} src={`/notes/${note.id}/sound`} />}
          <p className={styles.noteWords}>{note.body}</p>
          <p className="quiet">Your note on go {said.number}</p>
        </>
      ),
    }));
}

function inkEntries({ writing, loaded, page, open }: Reading): MarginEntry[] {
  const { ink } = writing.said;
  if (ink.length === 0 && writing.late.length === 0) return [];
  return [
    {
      id: 'ink',
      anchor: null,
      end: 'bottom',
      tone: 'sky',
      label: 'Drawn by hand',
      content: <InkCard {...{ ink, page, open, writing }} pages={loaded.sheet.pages} />,
    },
  ];
}

function noteEntries({ loaded, writing, page, open, active }: Reading): MarginEntry[] {
  return writing.said.notes
    .filter(({ id, pageId }) => pageId === page.id && !writing.drafts.some(({ note }) => note === id))
    .map((note) => ({
      id: note.id,
      anchor: anchorAt(page, { item: note.itemId, x: note.x, y: note.y }, pictureNow),
      end: 'bottom',
      tone: 'sky',
      active: active === note.id,
      light: () => lightAt(page, { item: note.itemId, x: note.x, y: note.y }, pictureNow),
      label: note.id in loaded.notesBy ? `A note by ${loaded.notesBy[note.id]}` : 'Your note',
      content: (
        <NoteCard
          personId={loaded.personId}
          by={loaded.notesBy[note.id]}
          note={note}
          open={open}
          unsent={writing.unsent.has(note.id)}
          onChange={() => writing.change(note)}
          onRemove={() => writing.say({ do: 'remove-note', note: note.id })}
        />
      ),
    }));
}

/** Kinds of the look-fors that an item speaks against; without an item, of all that are not met. */
const aboutOf = ({ lookFors, results }: Loaded, item: string | null): string[] =>
  lookFors.flatMap(({ kind }, i) => {
    const { held, evidence } = results[i];
    const speaks = evidence.some((one) => !isRight(one) && item !== null && one.items.includes(item));
    return speaks || (item === null && held === false) ? [kind] : [];
  });

function draftEntries({ loaded, writing, page, open }: Reading): MarginEntry[] {
  const pages = loaded.sheet.pages;
  // The page may be gone.
  const isHere = ({ spot }: Draft) => spot.page === page.id || !pages.some(({ id }) => id === spot.page);
  const shut = open
    ? null
    : `The piece is with ${loaded.copy.studentName}. What you wrote stays here and can be said on the next go.`;
  return writing.drafts.filter(isHere).map((draft) => {
    const about = aboutOf(loaded, draft.spot.item);
    return {
      id: `draft ${draft.note}`,
      anchor: draft.spot.page === page.id ? anchorAt(page, draft.spot, pictureNow) : null,
      end: 'bottom',
      tone: 'sky',
      active: true,
      light: () => (draft.spot.page === page.id ? lightAt(page, draft.spot, pictureNow) : []),
      current: draft.note === writing.newest,
      label: draft.changes ? 'A note being changed' : 'A new note',
      content: (
        <NoteDraft
          personId={loaded.personId}
          draft={draft}
          focus={draft.note === writing.newest}
          shut={shut}
          about={about}
          onWrite={(body) => writing.write(draft, body)}
          onRecord={writing.record}
          onFinish={(body) => {
            const spot = draft.spot.page === page.id ? draft.spot : { ...draft.spot, page: page.id };
            writing.finish({ ...draft, spot, body }, about[0]);
          }}
          onDrop={() => writing.drop(draft)}
        />
      ),
    };
  });
}
