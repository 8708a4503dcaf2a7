import { z } from 'zod';
import { Id, InkItem } from '../schema/sheet';

/**
 * What a teacher says about a piece, as steps that can be kept in a browser, sent late and sent twice: each sets something, and
 * names what it sets by an id of the teacher's side.
 */

/** A note that was spoken: how long it is, and what kind of file. Its sound is kept beside it. */
export const SOUND_TYPES = ['audio/webm', 'audio/mp4', 'audio/ogg'] as const;
export const MOST_SECONDS = 60;
export const Spoken = z.strictObject({
  seconds: z
    .number()
    .min(0.2)
    .max(MOST_SECONDS + 5),
  type: z.enum(SOUND_TYPES),
});
export type Spoken = z.infer<typeof Spoken>;
/** Letters of a sound in base64, which goes out with its note: speech of a minute has about 250,000. */
export const MOST_SOUND = 700_000;

export type Note = {
  id: string;
  goId: string;
  pageId: string;
  itemId: string | null;
  x: number | null;
  y: number | null;
  /** What was written; empty where it was only spoken. */
  body: string;
  spoken?: Spoken | null;
  settled: boolean;
};
/** On a look-for; with `itemId` on the answer in that item alone. The reason is read by the student. */
export type Ruling = { lookForId: string; itemId: string | null; held: boolean; reason: string };
/** A stroke or a stamp on a page. x, y: where the part that it is about stood when it was drawn. */
export type Ink = {
  id: string;
  goId: string;
  pageId: string;
  itemId: string | null;
  x: number;
  y: number;
  mark: InkMark;
};
export type Said = {
  notes: readonly Note[];
  rulings: readonly Ruling[];
  marks: Readonly<Record<string, number>>;
  ink: readonly Ink[];
  /** Of a second reader who has read it to the end: their word for the first. */
  finish?: { word: string };
};

/** Points, from the page's top left; null where a note hangs on an item. */
const coordinate = z.number().min(-7200).max(7200).nullable();
export const NoteId = z.string().regex(/^[\w-]{6,40}$/);
export const MOST_LETTERS = 4000;
/** Letters of what a student is told about a piece that was taken back. */
export const MOST_WORD = 300;
const LONG = 'A note has at most 4,000 letters.';
const Words = z.string().trim().min(1, 'Write something first.').max(MOST_LETTERS, LONG);

/** Why a teacher rules as they do. */
export const MOST_REASON = 200;
const Reason = z.string().trim().max(MOST_REASON, `A reason has at most ${MOST_REASON} letters.`);

export const Spot = z.strictObject({ page: Id, item: Id.nullable(), x: coordinate, y: coordinate });
export type Spot = z.infer<typeof Spot>;

/** Strokes and stamps on one go. */
export const MOST_INK = 500;
/** Numbers of one stroke: x and y as shares of its box and the pressure, one after the other. */
const MOST_POINTS = 1500;
export const STAMP_NAMES = ['star', 'sprout', 'bulb', 'eye', 'question', 'tick'] as const;
export type StampName = (typeof STAMP_NAMES)[number];
const { x, y, width, height, points, colour, weight } = InkItem.shape;
/** What was drawn, in page coordinates. */
export const InkMark = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('stroke'),
    ...{ x, y, width, height, colour, weight },
    points: points.refine(({ length }) => length <= MOST_POINTS, 'at most 500 points'),
  }),
  z.strictObject({ kind: z.literal('stamp'), stamp: z.enum(STAMP_NAMES), x, y }),
]);
export type InkMark = z.infer<typeof InkMark>;

/** By a second reader, beside what the first says: it never becomes the first's, whoever it is that says it. */
const second = z.literal(true).optional();

export const Saying = z.discriminatedUnion('do', [
  /** `about`: the kind of the look-for that was missed there. */
  Spot.extend({
    do: z.literal('note'),
    note: NoteId,
    body: z.string().trim().max(MOST_LETTERS, LONG),
    about: z.string().max(30).optional(),
    spoken: Spoken.optional(),
    /** In base64; only on its way. */
    sound: z.base64().max(MOST_SOUND, 'A spoken note lasts a minute at most.').optional(),
  }).refine(({ body, spoken }) => body !== '' || spoken !== undefined, 'Write something first.'),
  z.strictObject({ do: z.literal('edit-note'), note: NoteId, body: Words }),
  z.strictObject({ do: z.literal('remove-note'), note: NoteId }),
  /** The teacher's own judgement, of all of it or of the answer in one item; null lets the count stand again. */
  z.strictObject({
    do: z.literal('rule'),
    lookFor: Id,
    item: Id.optional(),
    held: z.boolean().nullable(),
    reason: Reason.optional(),
    second,
  }),
  /** By hand, about a part that stands at x, y now, or about the place itself. */
  z.strictObject({ do: z.literal('draw'), ink: NoteId, page: Id, item: Id.nullable(), x, y, mark: InkMark }),
  z.strictObject({ do: z.literal('rub-out'), ink: NoteId }),
  /** The level of a row, from 0; null takes it back. */
  z.strictObject({ do: z.literal('mark'), row: Id, level: z.number().int().min(0).max(10).nullable(), second }),
  /** A second reader has read it to the end; with a word for the first. From then on each sees what the other says. */
  z.strictObject({ do: z.literal('finish'), word: z.string().trim().max(MOST_WORD) }),
]);
export type Saying = z.infer<typeof Saying>;

export const isSecond = (step: Saying): boolean => step.do === 'finish' || ('second' in step && step.second === true);

/** What stands on a go after these steps, which may be there in part already. */
export const saidAfter = (goId: string, before: Said, steps: readonly Saying[]): Said =>
  steps.reduce((said, step) => after(goId, said, step), before);

function after(goId: string, said: Said, step: Saying): Said {
  const { notes, rulings, marks, ink } = said;
  switch (step.do) {
    case 'note': {
      if (notes.some(({ id }) => id === step.note)) return said;
      const { note: id, page: pageId, item: itemId, x, y, body, spoken } = step;
      return {
        ...said,
        notes: [...notes, { id, goId, pageId, itemId, x, y, body, ...(spoken && { spoken }), settled: false }],
      };
    }
    case 'edit-note':
      return { ...said, notes: notes.map((note) => (note.id === step.note ? { ...note, body: step.body } : note)) };
    case 'remove-note':
      return { ...said, notes: notes.filter(({ id }) => id !== step.note) };
    case 'rule': {
      const { lookFor: lookForId, item: itemId = null, held, reason = '' } = step;
      const others = rulings.filter((one) => one.lookForId !== lookForId || one.itemId !== itemId);
      return { ...said, rulings: held === null ? others : [...others, { lookForId, itemId, held, reason }] };
    }
    case 'draw': {
      if (ink.some(({ id }) => id === step.ink)) return said;
      const { ink: id, page: pageId, item: itemId, x, y, mark } = step;
      return { ...said, ink: [...ink, { id, goId, pageId, itemId, x, y, mark }] };
    }
    case 'rub-out':
      return { ...said, ink: ink.filter(({ id }) => id !== step.ink) };
    case 'mark': {
      const { [step.row]: _, ...others } = marks;
      return { ...said, marks: step.level === null ? others : { ...others, [step.row]: step.level } };
    }
    case 'finish':
      return { ...said, finish: { word: step.word } };
  }
}
