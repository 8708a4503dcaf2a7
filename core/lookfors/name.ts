import { bodyText } from '../text/body';
import type { Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem, find } from '../sheet/tree';
import { z } from 'zod';
import { Id } from '../values/primitives';
import type { Context, Counted, LookForKind } from './kind';
import { base, placed } from './kind';
import { isSeen } from './seen';
import { normalised } from '../language/spelling';

const NameLookFor = z.strictObject({ kind: z.literal('name'), ...base, item: Id.nullable() });
export type NameLookFor = z.infer<typeof NameLookFor>;

/** Letters without a decomposition, and how they are written plainly. */
const BARE: Record<string, string> = { ł: 'l', ø: 'o', đ: 'd', ð: 'd', þ: 'th', æ: 'ae', œ: 'oe', ß: 'ss', ı: 'i' };

/** A name in plain form: no accents, capitals or hyphens. */
const hurried = (name: string): string[] =>
  normalised(name)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[łøđðþæœßı]/g, (letter) => BARE[letter])
    .split(/[\s'-]+/)
    .filter(Boolean);

/** The student's own name stands on the sheet: any part of it, on the name line or wherever they may write and it is seen. */
function countName(lookFor: NameLookFor, sheet: Sheet, context: Context): Counted {
  const parts = hurried(context.studentName);
  // An initial is a name only for who has no other.
  const whole = parts.filter((part) => part.length > 1);
  const own = new Set(whole.length > 0 ? whole : parts);
  const named = lookFor.item === null ? undefined : find(sheet, lookFor.item)?.item;
  const places = named
    ? [named]
    : [...everyItem(sheet)].filter((item) => item.touch !== 'fixed' && isSeen(sheet, item.id, context.pictures));
  for (const item of places) {
    if (!isWritten(item)) continue;
    const said = bodyText(item.body).trim();
    if (hurried(said).some((word) => own.has(word)))
      return { got: 1, need: 1, evidence: [{ items: [item.id], verdict: 'right', said, meant: context.studentName }] };
  }
  const said = named && isWritten(named) ? bodyText(named.body).trim() : '';
  return {
    got: 0,
    need: 1,
    evidence: [{ items: named ? [named.id] : [], verdict: said ? 'wrong' : 'empty', said, meant: context.studentName }],
  };
}

const nameLine = (sheet: Sheet) => [...everyItem(sheet)].find((item) => item.role === 'name' && item.touch !== 'fixed');

export const NAME: LookForKind<NameLookFor> = {
  schema: NameLookFor,
  kind: 'name',
  name: 'the student’s own name',
  begin: (sheet) => ({ settings: { title: 'Your name', tell: 'result', item: nameLine(sheet)?.id ?? null } }),
  suits: (sheet) => nameLine(sheet) !== undefined,
  count: countName,
  sources: (lookFor, sheet) => (lookFor.item === null ? sheet.pages : placed(sheet, lookFor.item)),
  worded: ({ verdict, said }) =>
    verdict === 'right' ? `“${said}”` : said ? `“${said}” is not the student’s name` : 'no name',
};
