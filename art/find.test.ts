import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { Finder } from '../core/language/find';

/** Words that are asked for at school, looked for among the pictures that ship. */

type Picture = { name: string; tags: string[]; group: string };
const index = JSON.parse(readFileSync('.generated/pictures/index.json', 'utf8')) as Picture[];
const finder = new Finder(index);
/** Names without what is said of how they are drawn. */
const found = (word: string) => finder.find(word).map(({ name }) => name.replace(', silhouette', ''));

test.each([
  ['moon', 'moon'],
  ['sun', 'sun'],
  ['star', 'star'],
  ['trees', 'evergreen tree'],
  ['flower', 'flowers'],
  ['apple', 'red apple'],
  ['dogs', 'dog'],
  ['cat', 'cat'],
  ['birds', 'bird'],
  ['fishes', 'fish'],
  ['house', 'house'],
  ['houses', 'houses'],
  ['school', 'school'],
  ['book', 'books'],
  ['pencil', 'pencil'],
  ['ruler', 'straight ruler'],
  ['scissors', 'scissors'],
  ['bus', 'bus'],
  ['bike', 'A bicycle'],
  ['car', 'automobile'],
  ['train', 'train'],
  ['ship', 'ship'],
  ['aeroplane', 'airplane'],
  ['cloud', 'cloud'],
  ['volcano', 'volcano'],
  ['mountains', 'mountain'],
  ['river', 'river'],
  ['island', 'island'],
  ['map', 'world map'],
  ['globe', 'globe'],
  ['clock', 'alarm clock'],
  ['heart', 'hearts'],
  ['ear', 'human ear'],
  ['teeth', 'tooth'],
  ['fire', 'fire'],
  ['frogs', 'frog'],
  ['butterflies', 'butterfly'],
  ['bee', 'bee'],
  ['ant', 'ant'],
  ['spider', 'spider'],
  ['worm', 'worm'],
  ['cows', 'cow'],
  ['mice', 'mouse'],
  ['leaves', 'maple leaf'],
  ['egg', 'egg'],
  ['corn', 'corn'],
  ['castle', 'castle'],
  ['microscope', 'microscope'],
  ['lightbulb', 'light bulb'],
  ['light', 'light bulb'],
  ['rocket', 'rocket'],
  ['soccer', 'soccer ball'],
  ['drum', 'drum'],
  ['computer', 'desktop computer'],
  ['telephone', 'telephone'],
  ['rubbish bin', 'wastebasket'],
  ['test tube', 'test tube'],
  ['traffic light', 'horizontal traffic light'],
  ['key', 'key'],
  ['Éléphant', 'elephant'],
  ['lock', 'locked'],
])('“%s” finds first: %s', (word, name) => expect(found(word)[0]).toBe(name));

test('slips are borne where nothing else is found, and a beginning is none', () => {
  expect(found('hammr')[0]).toBe('hammer');
  expect(found('crocodil')[0]).toBe('crocodile');
  expect(found('hear')[0]).toMatch(/^heart/);
  expect(found('xqxqxq')).toEqual([]);
  expect(found('  ')).toEqual([]);
});

test('a word that is typed finds more with fewer letters, never less', () => {
  for (const word of ['butterfly', 'microscope', 'rainbow'])
    for (let length = 1; length < word.length; length++)
      expect(found(word.slice(0, length)).map((name) => name.split(' ')[0])).toContain(word);
});
