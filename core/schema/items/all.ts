import { z } from 'zod';
import { MakerState } from '../recipes/recipes';
import { base, frame } from './common';
import { InkItem } from './ink';
import { LineItem } from './line';
import { PictureItem } from './picture';
import { ShapeItem } from './shape';
import { TextItem } from './text';

/** Groups, and all kinds of items together. */

export type GroupItem = z.infer<typeof groupShell> & { items: Item[] };
const groupShell = z.strictObject({
  kind: z.literal('group'),
  ...base,
  ...frame,
  /** What its parts were made from, where a maker made them. */
  maker: MakerState.nullable().default(null),
});
export const GroupItem: z.ZodType<GroupItem> = groupShell.extend({
  /** In the group's own coordinates, front to back. */
  get items() {
    return z.array(Item);
  },
});

/** The kinds that hold no others: adding one is a file and a row. */
const SINGLE = [TextItem, ShapeItem, LineItem, PictureItem, InkItem] as const;

export type Item = z.infer<(typeof SINGLE)[number]> | GroupItem;
export type FramedItem = Exclude<Item, LineItem>;
export type WrittenItem = TextItem | ShapeItem;

export const Item: z.ZodType<Item> = z.lazy(() => EveryItem);
const EveryItem = z.discriminatedUnion('kind', [
  ...SINGLE,
  GroupItem as z.ZodType<GroupItem> & typeof groupShell,
]) as z.ZodType<Item>;

const byKind = new Map<string, z.ZodType>(SINGLE.map((schema) => [schema.shape.kind.value, schema]));
/** The schema of one kind of item. */
export const schemaOf = (kind: Item['kind']) => (byKind.get(kind) ?? GroupItem) as z.ZodType<Item>;

export type Access = Item['touch'];

export const isFramed = (item: Item): item is FramedItem => item.kind !== 'line';
export const isWritten = (item: Item): item is WrittenItem => item.kind === 'text' || item.kind === 'shape';
