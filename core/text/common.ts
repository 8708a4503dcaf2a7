import equal from 'fast-deep-equal';
import type { TextBody, TextRole } from '../schema/sheet';
import { locate, runsWithin, styleAt } from './body';
import type { FullFormat, FullStyle } from './style';
import { fullFormat, fullStyle } from './style';

/** What several have in common: a value for each setting, or null where they differ. */
export type Common<T> = { [K in keyof T]: T[K] | null };

/** What all are, or undefined where they differ: for settings that can be null. @param all at least one */
export const shared = <T>(all: readonly T[]): T | undefined =>
  all.every((one) => equal(one, all[0])) ? all[0] : undefined;

/** @param all at least one */
export function inCommon<T extends object>(all: readonly T[]): Common<T> {
  const [first, ...others] = all;
  const same = (key: keyof T) => others.every((one) => equal(one[key], first[key]));
  return Object.fromEntries(
    (Object.keys(first) as (keyof T)[]).map((key) => [key, same(key) ? first[key] : null]),
  ) as Common<T>;
}

/** How the words of a stretch are set, a style for each run of it; for a stretch without letters that of where it begins. */
export function stylesWithin(role: TextRole, body: TextBody, from: number, to: number): FullStyle[] {
  const runs = runsWithin(body, from, to).map(({ style }) => fullStyle(role, style));
  return runs.length > 0 ? runs : [fullStyle(role, styleAt(body, from))];
}

/** The formats of the paragraphs that a stretch touches. */
export function formatsWithin(role: TextRole, body: TextBody, from: number, to: number): FullFormat[] {
  const [first, last] = [locate(body, from).paragraph, locate(body, to).paragraph];
  return body.slice(first, last + 1).map(({ format }) => fullFormat(role, format));
}
