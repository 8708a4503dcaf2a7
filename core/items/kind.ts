import type { DisplayNode } from '../drawing/list';
import type { Point } from '../geometry/matrix';
import type { Pictures } from '../pictures/picture';
import type { TextBody, Item, Page, TextRole, Sheet } from '../schema/sheet';
import type { Faces } from '../text/faces';

/** What an item kind is: one object for each, listed in all.ts. Its schema stands in core/schema/items. */

export type Drawing = {
  faces: Faces;
  pictures: Pictures;
  roles: Sheet['roles'];
  page: Page;
  /** What an empty box asks for is drawn faintly: on screen, never on paper. */
  prompts?: boolean;
};

/** A point that is asked for what lies there. */
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

/** How measures grow: `words` those of text and what surrounds it, `weight` those of outlines, which may stay 1. */
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
  /** What one without words is called in lists and by screen readers. */
  called(item: T): string;
  /** Its look without place and content: the settings that another of its kind can take over. */
  look: readonly (keyof T & string)[];
  /** The settings that a student may change where it is to be filled in. */
  filled(item: T): readonly string[];
  /** May be named as the spot that a note is about: lines run beside their box, and pictures hold many spots. */
  pointedAt: boolean;
  /** The colour by which it is seen, where it has one: of its fill, its line, its words. */
  seenIn?(item: T, role: (id: string | null) => TextRole): string | null;
  draw(item: T, drawing: Drawing, parts: (items: readonly Item[]) => DisplayNode[]): DisplayNode[];
  meets(item: T, spot: Spot): boolean;
  /** With its words and weights grown, but not its place, its size or its shadow. */
  grown(item: T, growth: Growth): T;
  /** In other colours, but for its shadow. */
  recoloured(item: T, to: Exchange, part: (item: Item) => Item): T;
};
