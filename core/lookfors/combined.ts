import { z } from 'zod';
import type { Base, Context, Counted, Evidence, LookForKind } from './kind';
import { base, isMet, plainly } from './kind';
import { joined } from './sentence';
import type { Sheet } from '../schema/sheet';

/** Several look-fors as one: all of them, so many of them, or none. */

const HOW = ['all', 'some', 'none'] as const;
export type CombinedLookFor<Part extends Base> = Base & {
  kind: 'combined';
  how: (typeof HOW)[number];
  /** Of so many at least, where `how` is some. */
  min: number;
  parts: Part[];
};
export const MOST_PARTS = 8;

/** What the parts are needs no key: answers from a key stay a look-for of their own. */
export function combinedOf<Part extends Base>(
  parts: z.ZodType<Part>,
  kindOf: (kind: Part['kind']) => LookForKind<Part>,
): LookForKind<CombinedLookFor<Part>> {
  const schema = z.strictObject({
    kind: z.literal('combined'),
    ...base,
    how: z.enum(HOW),
    min: z.number().int().min(1).max(MOST_PARTS),
    parts: z.array(parts).min(1, 'put something into “several of these”').max(MOST_PARTS),
  }) as unknown as z.ZodType<CombinedLookFor<Part>>;

  function count({ how, min, parts: all }: CombinedLookFor<Part>, sheet: Sheet, context: Context): Counted | null {
    const counted = all.map((part) => {
      const kind = kindOf(part.kind);
      const found = kind.count(part, sheet, context);
      const said = (one: Evidence) => (kind.worded ?? plainly)(one);
      return {
        met: found && isMet(found),
        evidence: (found?.evidence ?? []).map((one) => ({ ...one, said: said(one) })),
      };
    });
    const got = counted.filter(({ met }) => met !== null && met !== (how === 'none')).length;
    const open = counted.filter(({ met }) => met === null).length;
    const need = how === 'some' ? Math.min(min, all.length) : all.length;
    // What only a person can judge decides.
    if (got < need && got + open >= need) return null;
    const evidence = counted.flatMap((part): Evidence[] => {
      // What some other part makes up for is not in the way.
      if (how === 'some') return part.met || got < need ? part.evidence : [];
      if (how === 'all') return part.evidence;
      return part.met ? part.evidence.map((one) => ({ ...one, verdict: 'wrong' })) : [];
    });
    return { got, need, met: all.length > 0 && got >= need, evidence };
  }

  return {
    schema,
    kind: 'combined',
    name: 'several of these at once',
    begin: () => ({ settings: { tell: 'result', how: 'all', min: 1, parts: [] } }),
    sentence: ({ how, min, parts: all }, _sheet) => [
      {
        slot: 'choice',
        label: 'All, some or none of these',
        value: how,
        options: [
          { value: 'all', label: 'all of these:' },
          { value: 'some', label: 'at least' },
          { value: 'none', label: 'none of these:' },
        ],
        set: (to) => ({ how: to as CombinedLookFor<Part>['how'] }),
      },
      ...(how === 'some'
        ? [
            {
              slot: 'number' as const,
              label: 'How many of these',
              value: min,
              min: 1,
              max: MOST_PARTS,
              set: (to: number) => ({ min: to }),
            },
            'of these:',
          ]
        : []),
      {
        told: joined(
          all.map(({ title }) => title.charAt(0).toLowerCase() + title.slice(1)),
          how === 'some' ? 'or' : 'and',
        ),
      },
    ],
    contradicts: ({ how, min, parts: all }, sheet) => {
      if (all.length === 0) return 'Add what is to be combined.';
      if (how === 'some' && min > all.length)
        return `There ${all.length === 1 ? 'is only 1' : `are only ${all.length}`} to choose from.`;
      for (const part of all) {
        const wrong = kindOf(part.kind).contradicts?.(part, sheet);
        if (wrong) return wrong;
      }
      return null;
    },
    hint: ({ parts: all, how }) =>
      how === 'none'
        ? ''
        : all
            .map((part) => kindOf(part.kind).hint?.(part) ?? '')
            .filter(Boolean)
            .join(' '),
    count,
    sources: ({ parts: all }, sheet) => all.flatMap((part) => kindOf(part.kind).sources(part, sheet)),
    worded: ({ said }) => said,
  };
}
