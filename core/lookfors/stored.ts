import { z } from 'zod';
import type { Supply } from '../handout/supplies';
import { SUPPLIES } from '../handout/supplies';
import { Id } from '../schema/sheet';
import { LookFor } from './all';
import { Rubric } from './rubric';

/** Look-fors, rubrics and lists of supplies as they are stored: with the version they were written in, read with care. */

export const STORED_VERSION = 1;

const Wrapped = z.object({ version: z.number(), list: z.array(z.unknown()) });
const Bare = z.object({ id: Id, title: z.string(), kind: z.string() });

/** Steps from one version of a stored look-for to the next, by the version they start from. */
const UPGRADES: Record<number, (old: unknown) => unknown> = {
  // Those of before versions were stored as they are now.
  0: (old) => old,
};

export const storedLookFors = (lookFors: readonly LookFor[]) => ({ version: STORED_VERSION, list: lookFors });

/**
 * Look-fors out of the database. One of a kind that this program does not know, or that it can't read, is kept as such: it is
 * left to the teacher, and says so.
 */
export function readLookFors(json: unknown): LookFor[] {
  const read = Wrapped.safeParse(json);
  const list: unknown[] = read.success ? read.data.list : Array.isArray(json) ? json : [];
  const version = read.success ? read.data.version : 0;
  return list.map((one, i): LookFor => {
    let now = one;
    for (let from = version; from < STORED_VERSION; from++) now = UPGRADES[from](now);
    const known = LookFor.safeParse(now);
    if (known.success) return known.data;
    const bare = Bare.safeParse(now);
    const { id, title, kind } = bare.success ? bare.data : { id: `lost-${i}`, title: '', kind: 'none' };
    return { kind: 'unknown', id, title: title.trim() || 'Something that can’t be read', tell: 'after', was: kind };
  });
}

export function readRubric(json: unknown): Rubric {
  const read = Rubric.safeParse(json);
  return read.success ? read.data : { rows: [] };
}

/** Supplies that this program does not know stay shut. */
export const readSupplies = (json: unknown): Supply[] =>
  Array.isArray(json) ? SUPPLIES.filter((supply) => json.includes(supply)) : [];
