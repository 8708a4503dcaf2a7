import { colourName } from '../colour/name';
import { cutTo } from '../values/characters';

/**
 * A look-for as a sentence with slots: “at least [5] [shapes], [all with different] [fills]”. The builder shows the slots as
 * fields, and the title that students read is the same sentence with its slots filled in.
 */

export type Option = {
  value: string;
  /** As it reads in the sentence and, unless `listed` says otherwise, in the list. */
  label: string;
  listed?: string;
  /** The heading it is listed under. */
  under?: string;
};
type SlotOf<P, Kind extends string, V> = {
  slot: Kind;
  /** What is set, for screen readers. */
  label: string;
  value: V;
  set: (value: V) => P;
  /** It does not stand in the title: shown with further settings, or `here` in the sentence. */
  quiet?: true | 'here';
};
/** `P` is what setting a slot changes. */
export type Slot<P> =
  | (SlotOf<P, 'number', number> & { min: number; max: number })
  | (SlotOf<P, 'choice', string> & { options: readonly Option[] })
  /** Words or phrases, separated by commas where they are typed. */
  | (SlotOf<P, 'words', string[]> & { most: number; longest: number })
  | (SlotOf<P, 'colour', string> & { options: readonly string[] });
/** A string is part of the title; `aside` stands in the builder only, and `told` in the title only. */
export type Part<P> = string | { aside: string } | { told: string } | Slot<P>;

export const TITLE_LENGTH = 200;

/** What takes a condition away, first in its list. */
export const REMOVE: Option = { value: '', label: '', listed: 'Remove this' };

/** Where something is added to the sentence: nothing is chosen there yet. */
export const addSlot = <P>(
  label: string,
  words: string,
  options: readonly Option[],
  add: (chosen: string) => Partial<P>,
): Part<Partial<P>> => ({
  slot: 'choice',
  label,
  value: '',
  quiet: 'here',
  options: [{ value: '', label: words }, ...options],
  set: (chosen) => (chosen === '' ? {} : add(chosen)),
});

/** A choice between no and yes, each in words. */
export const eitherSlot = <P>(
  label: string,
  value: boolean,
  [no, yes]: readonly [no: string, yes: string],
  set: (value: boolean) => P,
): Slot<P> => ({
  slot: 'choice',
  label,
  value: value ? 'yes' : 'no',
  options: [
    { value: 'no', label: no },
    { value: 'yes', label: yes },
  ],
  set: (to) => set(to === 'yes'),
});

export function joined(words: readonly string[], last: 'and' | 'or'): string {
  if (words.length < 2) return words.join('');
  return `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;
}

function said<P>(part: Part<P>): string {
  if (typeof part === 'string') return part;
  if ('told' in part) return part.told;
  if ('aside' in part || part.quiet) return '';
  if (part.slot === 'number') return String(part.value);
  if (part.slot === 'colour') return colourName(part.value);
  if (part.slot === 'words')
    return joined(
      part.value.map((word) => `“${word}”`),
      'and',
    );
  return part.options.find(({ value }) => value === part.value)?.label ?? '';
}

/** Whether a part is one of the further settings, that need not be seen at once. */
export const isFurther = <P>(part: Part<P>): boolean =>
  typeof part === 'object' && 'slot' in part && part.quiet === true;

/** The sentence as a title: with a capital, no doubled spaces, and cut to what a title may hold. */
export function titleFrom<P>(parts: readonly Part<P>[]): string {
  const text = parts
    .map(said)
    .filter((words) => words.trim() !== '')
    .join(' ')
    .replace(/\s+/g, ' ')
    .replace(/ ([,;:.)])/g, '$1')
    .trim();
  return cutTo(text.charAt(0).toUpperCase() + text.slice(1), TITLE_LENGTH);
}

/** Settings changed by a slot of one of a list: what stands there now, or nothing to take it away. */
export const replaced = <T>(list: readonly T[], at: number, one: T | null): T[] =>
  one === null ? list.filter((_, i) => i !== at) : list.map((other, i) => (i === at ? one : other));

/** The slots of a part of a whole, setting the whole. */
export const within = <P, Q>(parts: readonly Part<P>[], whole: (patch: P) => Q): Part<Q>[] =>
  parts.map((part) =>
    typeof part === 'string' || !('slot' in part)
      ? part
      : ({ ...part, set: (value: never) => whole((part.set as (value: never) => P)(value)) } as Slot<Q>),
  );
