import { nanoid } from 'nanoid';
import { z } from 'zod';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useRevalidator } from 'react-router';
import type { Note, Said, Spoken, Spot } from '../../core/review/said';
import { isSecond, saidAfter, Saying } from '../../core/review/said';
import { keep, keptAt, useKeptWithin } from '../keeping/kept';
import type { Sending, Step } from '../keeping/sender';
import {
  asideOf,
  Draft,
  draftsOf,
  lateInkOf,
  NotTaken,
  senderOf,
  soundOf,
  stepsSince,
  useSending,
} from '../keeping/sender';

/** What a teacher writes on a piece: drafts, and everything said, whether the school has it yet or not. */

type Piece = {
  personId: string;
  handoutId: string;
  copyId: string;
  goId: string | null;
  /** Whether it is said as the second reader of the piece. */
  second: boolean;
};
/** A stroke or a stamp as it was said. */
type Drawn = Extract<Saying, { do: 'draw' }>;
export type Writing = {
  said: Said;
  /** Notes that the school doesn't have yet. */
  unsent: ReadonlySet<string>;
  waiting: number;
  sending: Sending;
  drafts: readonly Draft[];
  /** The draft just begun. */
  newest: string | null;
  /** Why something that was said could not be taken. */
  notTaken: readonly NotTaken[];
  say(step: Saying): void;
  begin(spot: Spot): void;
  change(note: Note): void;
  write(draft: Draft, body: string): void;
  /** Keeps what was spoken with a draft, or takes it away. `sound`: in base64. */
  record(draft: Draft, recorded: { spoken: Spoken; sound: string } | null): void;
  /** Says what a draft holds. `about`: the kind of the look-for that was missed there. */
  finish(draft: Draft, about?: string): void;
  /** Says a whole note at once. */
  note(spot: Spot, body: string): void;
  drop(draft: Draft): void;
  /** Strokes and stamps that came too late for an earlier go. */
  late: readonly Drawn[];
  /** Puts them on this go, on a page that is there. */
  putLate(pages: readonly { id: string }[]): void;
  dropLate(): void;
  seen(): void;
};

/** Where it is kept what was last written as a note, to be said again. */
const LAST_NOTE = 'last-note';
export const lastNote = (personId: string): string | null => keptAt(personId, LAST_NOTE, z.string());

const NONE: readonly Step[] = [];

/** `begun`: when the loaded data was requested, by this window's clock. It contains everything taken before. */
export function useWriting(piece: Piece, loaded: Said, begun: number): Writing {
  const { personId, handoutId, copyId, goId, second } = piece;
  const sender = senderOf(personId);
  const sending = useSending(personId);
  const every = useSyncExternalStore(
    sender.subscribe,
    () => sender.stepsOn(goId ?? ''),
    () => NONE,
  );
  const steps = useMemo(() => every.filter(({ step }) => isSecond(step) === second), [every, second]);
  const said = useMemo(() => saidAfter(goId ?? '', loaded, stepsSince(steps, begun)), [goId, loaded, steps, begun]);
  const waiting = steps.filter(({ takenAt }) => takenAt === null);
  const [fresh, setFresh] = useState<Draft | null>(null);
  const kept = useKeptWithin(personId, draftsOf(copyId), Draft).map(({ value }) => value);
  const drafts = fresh && !kept.some(({ note }) => note === fresh.note) ? [...kept, fresh] : kept;
  const lateInk = useKeptWithin(personId, lateInkOf(copyId), Saying).flatMap(({ place, value }) =>
    value.do === 'draw' ? [{ place, step: value }] : [],
  );
  const reasons = useKeptWithin(personId, asideOf(copyId), NotTaken);

  // Something was refused: the piece has changed.
  const { revalidate } = useRevalidator();
  useEffect(() => {
    if (reasons.length > 0) void revalidate();
  }, [reasons.length, revalidate]);

  const say = (step: Saying, spot: Spot | null = null) =>
    goId !== null && sender.say(goId, { handoutId, copyId, step, spot });
  const put = (draft: Draft, body: string | null) =>
    keep(
      personId,
      `${draftsOf(copyId)}${draft.note}`,
      body || (body !== null && draft.spoken) ? { ...draft, body } : null,
    );
  return {
    said,
    unsent: new Set(waiting.flatMap(({ step }) => ('note' in step ? [step.note] : []))),
    waiting: waiting.length,
    sending,
    drafts,
    newest: fresh?.note ?? null,
    notTaken: reasons.map(({ value }) => value),
    say: (step) => say(second && (step.do === 'rule' || step.do === 'mark') ? { ...step, second } : step),
    begin: (spot) => setFresh({ note: nanoid(), changes: false, spot, body: '' }),
    change({ id, pageId, itemId, x, y, body }) {
      const draft = { note: id, changes: true, spot: { page: pageId, item: itemId, x, y }, body };
      setFresh(draft);
      put(draft, body);
    },
    write(draft, body) {
      put(draft, body);
      if (body === '') setFresh({ ...draft, body });
    },
    record(draft, recorded) {
      keep(personId, soundOf(draft.note), recorded?.sound ?? null);
      const next = { ...draft, spoken: recorded?.spoken };
      put(next, next.body);
      if (next.body === '') setFresh(next);
    },
    finish(draft, about) {
      const body = draft.body.trim();
      const { spoken } = draft;
      if (!(body || spoken) || goId === null) return;
      const there = draft.changes && said.notes.some(({ id }) => id === draft.note);
      if (there) say({ do: 'edit-note', note: draft.note, body }, draft.spot);
      // If the note to be changed is gone, its text is kept.
      else
        say(
          { do: 'note', note: draft.changes ? nanoid() : draft.note, ...draft.spot, body, about, spoken },
          draft.spot,
        );
      if (body) keep(personId, LAST_NOTE, body);
      put(draft, null);
      setFresh(null);
    },
    note: (spot, body) => say({ do: 'note', note: nanoid(), ...spot, body }, spot),
    drop(draft) {
      if (!draft.changes) keep(personId, soundOf(draft.note), null);
      put(draft, null);
      setFresh(null);
    },
    late: lateInk.map(({ step }) => step),
    putLate(pages) {
      for (const { place, step } of lateInk) {
        const page = pages.some(({ id }) => id === step.page) ? step.page : pages[0].id;
        say({ ...step, page, ink: nanoid() });
        keep(personId, place, null);
      }
    },
    dropLate: () => lateInk.forEach(({ place }) => keep(personId, place, null)),
    seen: () => reasons.forEach(({ place }) => keep(personId, place, null)),
  };
}
