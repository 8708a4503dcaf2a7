import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';

/**
 * Words that a person has typed and that are nowhere else yet: drafts, forms not sent, notes on their way. They are in the
 * browser with the next letter, and over a reload; each is told by whose it is and a place, such as `classes/3b/names`.
 */

const PREFIX = 'dappled-margin words ';
/** Where storage is full or refused, words stay in this window. */
const here = new Map<string, string>();
const listeners = new Set<() => void>();

const keyOf = (personId: string, place: string) => `${PREFIX}${personId}/${place}`;

/** Storage that is full or refused throws: then it holds nothing. */
export function quietly<T>(work: () => T, otherwise: T): T {
  try {
    return work();
  } catch {
    return otherwise;
  }
}

const tell = () => listeners.forEach((listener) => listener());
const rawAt = (key: string): string | null => here.get(key) ?? quietly(() => localStorage.getItem(key), null);

function put(key: string, raw: string | null): void {
  const kept = quietly(() => {
    if (raw === null) localStorage.removeItem(key);
    else localStorage.setItem(key, raw);
    return true;
  }, false);
  if (kept || raw === null) here.delete(key);
  else here.set(key, raw);
  tell();
}

/** Keeps a value at a place; null forgets it. */
export const keep = (personId: string, place: string, value: unknown): void =>
  put(keyOf(personId, place), value === null ? null : JSON.stringify(value));

function read<T>(schema: z.ZodType<T>, raw: string | null): T | null {
  if (raw === null) return null;
  const parsed = schema.safeParse(quietly(() => JSON.parse(raw) as unknown, null));
  return parsed.success ? parsed.data : null;
}
export const keptAt = <T>(personId: string, place: string, schema: z.ZodType<T>): T | null =>
  read(schema, rawAt(keyOf(personId, place)));

/** The names of all that lies in the browser's plain storage. */
export const plainNames = (): string[] => quietly(() => Object.keys(localStorage), []);

/** Words that were locked away at signing out, by whose they are. */
export const SEALED = 'dappled-margin sealed ';
export const hasSealed = (personId: string): boolean =>
  plainNames().some((name) => name.startsWith(`${SEALED}${personId} `));

/** All entries whose key begins so, in the order of their keys. */
function entries(prefix: string): [key: string, raw: string][] {
  const keys = new Set([...plainNames(), ...here.keys()]);
  return [...keys]
    .filter((key) => key.startsWith(prefix))
    .sort()
    .flatMap((key) => {
      const raw = rawAt(key);
      return raw === null ? [] : [[key, raw] as [string, string]];
    });
}

export type Kept<T> = { place: string; value: T };
/** What is kept at places that begin so, in their order; what can't be read is left out, but stays. */
export function keptWithin<T>(personId: string, within: string, schema: z.ZodType<T>): Kept<T>[] {
  return readAll(personId, entries(keyOf(personId, within)), schema);
}

function readAll<T>(personId: string, found: readonly [key: string, raw: string][], schema: z.ZodType<T>): Kept<T>[] {
  const start = keyOf(personId, '').length;
  return found.flatMap(([key, raw]) => {
    const value = read(schema, raw);
    return value === null ? [] : [{ place: key.slice(start), value }];
  });
}

/** A person's words as they lie there, for locking them away, and for putting them back. */
export const rawWords = (personId: string): [key: string, raw: string][] => entries(keyOf(personId, ''));
export const forgetRaw = (key: string): void => put(key, null);
/** What is there already is newer than what comes back. */
export function putBack(key: string, raw: string): void {
  if (rawAt(key) === null) put(key, raw);
}

export function onKept(listener: () => void): () => void {
  const elsewhere = (event: StorageEvent) => {
    if (event.key === null || event.key.startsWith(PREFIX)) listener();
  };
  listeners.add(listener);
  window.addEventListener('storage', elsewhere);
  return () => {
    listeners.delete(listener);
    window.removeEventListener('storage', elsewhere);
  };
}

/** What is kept at a place, and how to keep something else there; in all windows alike. */
export function useKept<T>(
  personId: string,
  place: string,
  schema: z.ZodType<T>,
): [T | null, (value: T | null) => void] {
  const raw = useSyncExternalStore(
    onKept,
    () => rawAt(keyOf(personId, place)),
    () => null,
  );
  const value = useMemo(() => read(schema, raw), [raw, schema]);
  return [value, (next) => keep(personId, place, next)];
}

export function useKeptWithin<T>(personId: string, within: string, schema: z.ZodType<T>): Kept<T>[] {
  const snapshot = useSyncExternalStore(
    onKept,
    () => JSON.stringify(entries(keyOf(personId, within))),
    () => '[]',
  );
  return useMemo(
    () => readAll(personId, JSON.parse(snapshot) as [key: string, raw: string][], schema),
    [snapshot, personId, schema],
  );
}
