import { z } from 'zod';
import { TextBody, Id, Item, Page, ParagraphFormat, TextRole, RunStyle } from '../schema/sheet';

/** One edit of a sheet, as JSON. */

/** Where an item goes: in a page or group, just behind the item named (null: at the very front). */
export const Spot = z.object({ page: Id, group: Id.nullable(), behind: Id.nullable() });
const offset = z.number().int().min(0).max(2_000_000);
const nullable = <T extends z.ZodRawShape>(schema: z.ZodObject<T>) =>
  z.strictObject(
    Object.fromEntries(Object.entries(schema.shape).map(([key, type]) => [key, (type as z.ZodType).nullable()])),
  );

const SIMPLE = [
  z.strictObject({ kind: z.literal('insert'), spot: Spot, item: Item }),
  z.strictObject({ kind: z.literal('remove'), id: Id }),
  /** Moves an item in the order, or into or out of a group. */
  z.strictObject({ kind: z.literal('reorder'), id: Id, spot: Spot }),
  /** Sets some of an item's own settings; every value is checked by the item's schema. */
  z.strictObject({ kind: z.literal('set'), id: Id, values: z.record(z.string().max(20), z.unknown()) }),
  /** Replaces a stretch of words. */
  z.strictObject({ kind: z.literal('splice'), id: Id, at: offset, remove: offset, insert: TextBody }),
  z.strictObject({ kind: z.literal('style'), id: Id, from: offset, to: offset, patch: nullable(RunStyle) }),
  z.strictObject({ kind: z.literal('paragraph'), id: Id, from: offset, to: offset, patch: nullable(ParagraphFormat) }),
  z.strictObject({ kind: z.literal('page-insert'), behind: Id.nullable(), page: Page }),
  z.strictObject({ kind: z.literal('page-remove'), id: Id }),
  /** Moves a page in the order, behind another one (null: to the front). */
  z.strictObject({ kind: z.literal('page-move'), id: Id, behind: Id.nullable() }),
  z.strictObject({ kind: z.literal('page-set'), id: Id, values: z.record(z.string().max(20), z.unknown()) }),
  /** The sheet's own settings: title, unit, palette, words of its own. */
  z.strictObject({ kind: z.literal('sheet-set'), values: z.record(z.string().max(20), z.unknown()) }),
  z.strictObject({ kind: z.literal('role-set'), id: Id, role: TextRole.nullable() }),
] as const;
type Simple = z.infer<(typeof SIMPLE)[number]>;
/** Several changes that hold together or not at all. */
export type Change = Simple | { kind: 'all'; changes: Change[] };
export const Change: z.ZodType<Change> = z.lazy(() => EveryChange);
const EveryChange = z.discriminatedUnion('kind', [
  ...SIMPLE,
  z.strictObject({ kind: z.literal('all'), changes: z.array(Change) }),
]) as z.ZodType<Change>;

export type ChangeOf<K extends Change['kind']> = Extract<Change, { kind: K }>;
export type Spot = z.infer<typeof Spot>;
