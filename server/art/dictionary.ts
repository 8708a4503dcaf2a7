import { readFileSync } from 'node:fs';
import path from 'node:path';
import nspell from 'nspell';
import { has } from '../../core/language/dictionary';
import { artFolder } from './shipped';

/** The dictionaries that ship: schools write either English. */

const read = (file: string) => readFileSync(path.join(artFolder(), 'spelling', file), 'utf8');
const open = (name: string) => nspell(read(`${name}.aff`), read(`${name}.dic`));

let opened: ReturnType<typeof open>[] | null = null;
/** Words that were asked for: a class writes about the same things. */
const KEPT = 20_000;
const known = new Map<string, boolean>();

/** Whether one of them has a word. The first time they are opened, which takes about a second. */
export function isInDictionary(word: string): boolean {
  let is = known.get(word);
  if (is === undefined) {
    opened ??= ['en', 'en-gb'].map(open);
    is = opened.some((speller) => has(speller, word));
    if (known.size >= KEPT) known.clear();
    known.set(word, is);
  }
  return is;
}
