import { readFileSync } from 'node:fs';
import path from 'node:path';
import nspell from 'nspell';
import { has } from '../../core/language/dictionary';
import { remembered } from '../../core/values/remembered';
import { artFolder } from './shipped';

/** The dictionaries that ship: schools write either English. */

const read = (file: string) => readFileSync(path.join(artFolder(), 'spelling', file), 'utf8');
const open = (name: string) => nspell(read(`${name}.aff`), read(`${name}.dic`));

let opened: ReturnType<typeof open>[] | null = null;
/** Words that are kept: a class writes about the same things. */
const KEPT = 20_000;

/** Whether one of them has a word. The first time they are opened, which takes about a second. */
export const isInDictionary = remembered(KEPT, (word: string): boolean => {
  opened ??= ['en', 'en-gb'].map(open);
  return opened.some((speller) => has(speller, word));
});
