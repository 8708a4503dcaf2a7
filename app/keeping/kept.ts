import { useMemo, useSyncExternalStore } from 'react';
import { z } from 'zod';

/**
 * Text a person has typed that is stored nowhere else yet: drafts, unsent forms, notes on their way. It is stored in the
 * browser with every letter and survives a reload. Each text has an owner and a key, such as `classes/3b/names`.
 */

const PREFIX = 'dappled-margin words ';
/** If storage is full or refused, text stays in this window. */
const here = new Map<string, string>();
const listeners = new Set<() => void>();

const keyOf = (personId: string, place: string) => `${PREFIX}${personId}/${place}`;

/** Full or refused storage throws: then it holds nothing. */
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

/** Stores a value under a key. Null removes it. */
export const keep = (personId: string, place: string, value: unknown): void =>
  put(keyOf(personId, place), value === null ? null : JSON.stringify(value));

function read<T>(schema: z.ZodType<T>, raw: string | null): T | null {
  if (raw === null) return null;
  const parsed = schema.safeParse(quietly(() => JSON.parse(raw) as unknown, null));
  return parsed.success ? parsed.data : null;
}
export const keptAt = <T>(personId: string, place: string, schema: z.ZodType<T>): T | null =>
  read(schema, rawAt(keyOf(personId, place)));

/** All keys in the browser's local storage. */
export const plainNames = (): string[] => quietly(() => Object.keys(localStorage), []);

/** Text encrypted at sign-out, by its owner. */
export const SEALED = 'dappled-margin sealed ';
export const hasSealed = (personId: string): boolean =>
  plainNames().some((name) => name.startsWith(`${SEALED}${personId} `));

/** All entries whose key has this prefix, in order. */
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
/** The values under keys with this prefix, in order. Unreadable ones are left out, but stay stored. */
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

/** A person's stored text, for encrypting it and for putting it back. */
export const rawWords = (personId: string): [key: string, raw: string][] => entries(keyOf(personId, ''));
export const forgetRaw = (key: string): void => put(key, null);
/** What is there already is newer. */
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

/** A stored value and how to change it, the same in all windows. */
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
