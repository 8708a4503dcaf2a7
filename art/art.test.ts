import { existsSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { SECRET_PICTURES, SECRET_LENGTH, isSecret } from '../core/handout/secret';
import type { DrawnPicture } from '../core/pictures/picture';
import { DIAGRAMS } from './diagrams/index';
import { fileFor, standInsFor } from '../core/text/catalogue';
import { allFaces } from '../tests/support/fonts';
import { takeApart } from './flat';
import type { Sign } from './signs';

const index = JSON.parse(readFileSync('.generated/pictures/index.json', 'utf8')) as {
  id: string;
  name: string;
  licence: string;
  credit: string;
  group: string;
}[];

test('an icon is taken apart into paths, with its colours and turns', () => {
  const paths = takeApart(
    '<g fill="none" transform="translate(2 0)"><circle cx="1" cy="1" r="1" fill="#F00"/><path fill="#00ff00" fill-rule="evenodd" d="M0 0h1v1z" opacity=".5"/></g>',
  )!;
  expect(paths[0]).toMatchObject({ fill: '#ff0000', stroke: null });
  expect(paths[0].d).toMatch(/^M2 1/);
  expect(paths[1]).toMatchObject({ fill: '#00ff00', opacity: 0.5, rule: 'evenodd' });
});

test.each([
  ['a filter', '<g filter="url(#a)"><path d="M0 0" fill="#000"/></g>'],
  ['a gradient', '<path d="M0 0" fill="url(#a)"/>'],
  ['a copy of something', '<use href="#a"/>'],
  ['nothing', '<g/>'],
])('one with %s is left out', (_, body) => expect(takeApart(body)).toBeNull());

test('a few hundred pictures can be searched, each with its file, licence and credit', () => {
  expect(index.length).toBeGreaterThan(500);
  for (const { id, licence, credit, name } of index) {
    expect(existsSync(`.generated/pictures/${id}.json`)).toBe(true);
    expect([licence, credit, name].every(Boolean)).toBe(true);
  }
});

test('silhouettes are there by the hundred, each with what it is about among its words', () => {
  const found = index.filter(({ group }) => group === 'silhouettes');
  expect(found.length).toBeGreaterThan(500);
  expect(found.every(({ licence, credit }) => licence === 'CC BY 3.0' && credit.includes('game-icons.net'))).toBe(true);
  const drawn = JSON.parse(readFileSync('.generated/pictures/silhouette/heron.json', 'utf8')) as DrawnPicture;
  expect(drawn.paths.every(({ fill }) => fill === '#2a2820')).toBe(true);
});

test('maps name the continents, the oceans, and the countries of each continent', () => {
  const names = JSON.parse(readFileSync('.generated/kept/parts.json', 'utf8')) as Record<string, string[]>;
  const named = (id: string) => names[`map/${id}`];
  expect(named('continents').sort()).toEqual([
    'Africa',
    'Antarctica',
    'Asia',
    'Europe',
    'North America',
    'Oceania',
    'South America',
  ]);
  expect(named('oceans').sort()).toEqual([
    'Arctic Ocean',
    'Atlantic Ocean',
    'Indian Ocean',
    'Pacific Ocean',
    'Southern Ocean',
  ]);
  expect(named('states')).toHaveLength(50);
  expect(named('south-america')).toContain('Uruguay');
  expect(named('africa')).toEqual(expect.arrayContaining(['Kenya', 'Democratic Republic of the Congo', 'Ivory Coast']));
  for (const id of ['europe', 'africa', 'asia', 'north-america', 'south-america', 'oceania', 'states']) {
    const { width, height, targets, paths } = JSON.parse(
      readFileSync(`.generated/pictures/map/${id}.json`, 'utf8'),
    ) as DrawnPicture;
    expect(targets.length).toBeGreaterThan(6);
    expect(new Set(targets.map(({ name }) => name)).size).toBe(targets.length);
    expect(targets.every(({ x, y }) => x > 0 && y > 0 && x < width && y < height)).toBe(true);
    for (const { d } of paths) expect(d).toMatch(/^[MLHVCQZ\d\s.,e-]+$/);
  }
});

test('none of them is a weapon, a drink or a cigarette', () => {
  for (const { name } of index) expect(name).not.toMatch(/pistol|dagger|bomb|\bbeer|\bwine|cocktail|cigarette|sword/i);
});

test.each(DIAGRAMS.map((d) => [d.name, d] as const))(
  '%s: every named part lies on it, and has a name of its own',
  (_, diagram) => {
    const { width, height, targets } = diagram;
    expect(targets.length).toBeGreaterThanOrEqual(5);
    expect(new Set(targets.map((t) => t.name)).size).toBe(targets.length);
    for (const { x, y, reach } of targets) {
      expect(x > 0 && x < width && y > 0 && y < height).toBe(true);
      expect(reach).toBeGreaterThan(4);
    }
    const built = JSON.parse(readFileSync(`.generated/pictures/${diagram.id}.json`, 'utf8')) as DrawnPicture;
    expect(built.paths.map(({ fill, stroke }) => [fill, stroke])).toEqual(
      diagram.paths.map(({ fill, stroke }) => [fill, stroke]),
    );
    // The commands that the reader of paths understands.
    for (const { d } of built.paths) expect(d).toMatch(/^[MLHVCQZ\d\s.,e-]+$/);
  },
);

test('what everybody may fetch tells parts by where they are, not by their names', () => {
  const names = JSON.parse(readFileSync('.generated/kept/parts.json', 'utf8')) as Record<string, string[]>;
  for (const [id, parts] of Object.entries(names)) {
    const picture = JSON.parse(readFileSync(`.generated/pictures/${id}.json`, 'utf8')) as DrawnPicture;
    expect(picture.targets.map(({ name }) => name)).toEqual(parts.map(() => expect.stringMatching(/^@[\d.]+,[\d.]+$/)));
  }
  expect(readFileSync('.generated/pictures/index.json', 'utf8')).not.toContain('"parts"');
});

test('every picture of the picture secret ships', () => {
  expect(new Set(SECRET_PICTURES).size).toBe(18);
  // Each is our own drawing, within its square.
  for (const picture of SECRET_PICTURES) {
    const svg = readFileSync(`.generated/pictures/secret/${picture}.svg`, 'utf8');
    const numbers = [...svg.matchAll(/ d="([^"]+)"/g)].flatMap(([, d]) => d.match(/-?[\d.]+/g)!.map(Number));
    expect(numbers.length).toBeGreaterThan(40);
    expect(numbers.every((n) => n >= 0 && n <= 100)).toBe(true);
  }
});

test.each([
  [SECRET_PICTURES.slice(0, SECRET_LENGTH).join(' '), true],
  ['owl owl owl owl', true],
  ['owl owl owl', false],
  ['owl frog', false],
  ['owl frog crab dragon', false],
  ['', false],
])('“%s” as a secret: %s', (secret, good) => expect(isSecret(secret)).toBe(good));

test('signs can be searched by word, and each can be drawn', async () => {
  const all = JSON.parse(readFileSync('.generated/signs.json', 'utf8')) as Sign[];
  expect(all.length).toBeGreaterThan(600);
  expect(all.find(({ name }) => name === 'tick')?.sign).toBe('✓');
  const faces = await allFaces();
  const lacking = all.filter(({ sign }) => !standInsFor(sign, false).some((file) => faces.covers(file, sign)));
  expect(lacking).toEqual([]);
});

test('every name of Latin letters can be traced in dots: with marks, strokes, joined, and with the signs of a sentence', async () => {
  const faces = await allFaces();
  const file = fileFor('dots', false, false);
  const letters =
    'öäüßÖÄÜẞñÑłŁóÓźŹżŻąęćńśĄĘéèêëàâçîïôùûÿœæŒÆåøÅØðÐþÞčďěňřšťůžČĎŇŘŠŤŽáíúýőűľĺŕșțăâğışİćđĐľķļņģāēīūėįųħĦỳỹếệộữ.,;:!?-–’„“”()';
  const missing = [...letters].filter((letter) => !faces.covers(file, letter));
  expect(missing).toEqual([]);
  // A letter with its mark is as wide as the letter, and drawn of more dots.
  const [plain, marked] = ['o', 'ö'].map((letter) => faces.shape(file, letter)[0]);
  expect(marked.advance).toBe(plain.advance);
  const dots = (id: number) => faces.outline(file, id, 100).split('m').length;
  expect(dots(marked.id)).toBe(dots(plain.id) + 2);
  // The i of í has no dot of its own beside its mark.
  expect(dots(faces.shape(file, 'ı')[0].id)).toBe(dots(faces.shape(file, 'i')[0].id) - 1);
});
