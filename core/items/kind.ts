import type { DisplayNode } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import type { Pictures } from '../pictures/picture';
import type { TextBody, Item, Page, TextRole, Sheet } from '../schema/sheet';
import type { Faces } from '../text/faces';

/** An item kind: one object each, listed in all.ts. Its schema is in core/schema/items. */

export type Drawing = {
  faces: Faces;
  pictures: Pictures;
  roles: Sheet['roles'];
  page: Page;
  /** Whether prompts of empty boxes are drawn faintly: on screen, never on paper. */
  prompts?: boolean;
};

/** A point to test for hits. */
export type Spot = {
  /** In the item's local coordinates; for a line in those of its parent. */
  at: Point;
  /** How far off still counts, in points. */
  reach: number;
  page: Page;
  pictures: Pictures;
  /** Whether a part of a group lies there. */
  part: (item: Item) => boolean;
};

/** Scale factors: `words` for text and what surrounds it, `weight` for outlines, which may stay 1. */
export type Growth = {
  words: number;
  weight: number;
  body: (body: TextBody, role: string | null) => TextBody;
};

/** Gives another colour for a colour, as #rrggbb. */
export type Exchange = (hex: string) => string;

export type ItemKind<T extends Item> = {
  kind: T['kind'];
  /** As a teacher calls it. */
  name: string;
  /** The name of one without text, in lists and for screen readers. */
  called(item: T): string;
  /** Its look without place and content: the settings that another of its kind can take over. */
  look: readonly (keyof T & string)[];
  /** The settings that a student may change where it is to be filled in. */
  filled(item: T): readonly string[];
  /** Whether a note can be about the whole of it: lines leave their box, and pictures hold many spots. */
  pointedAt: boolean;
  /** Its main colour, if any: of its fill, its line, its text. */
  seenIn?(item: T, role: (id: string | null) => TextRole): string | null;
  draw(item: T, drawing: Drawing, parts: (items: readonly Item[]) => DisplayNode[]): DisplayNode[];
  meets(item: T, spot: Spot): boolean;
  /** With its text and weights scaled, but not its place, size or shadow. */
  grown(item: T, growth: Growth): T;
  /** In other colours, but for its shadow. */
  recoloured(item: T, to: Exchange, part: (item: Item) => Item): T;
};
