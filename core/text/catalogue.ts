/** The faces that ship with the application, and which file draws which style. */

export type Face = {
  id: string;
  name: string;
  /** One-storey a and distinct I, l, 1: for early readers. */
  early: boolean;
  use: 'reading' | 'display' | 'hand' | 'period';
  /** npm package folder of the source, and the file for each style it has. */
  source: string;
  files: { regular: string; bold?: string; italic?: string; boldItalic?: string };
  licence: 'OFL-1.1' | 'Apache-2.0';
};

export const FACES: readonly Face[] = [
  {
    id: 'andika',
    name: 'Andika',
    early: true,
    use: 'reading',
    source: 'andika',
    licence: 'OFL-1.1',
    files: {
      regular: 'Andika_400Regular',
      bold: 'Andika_700Bold',
      italic: 'Andika_400Regular_Italic',
      boldItalic: 'Andika_700Bold_Italic',
    },
  },
  {
    id: 'lexend',
    name: 'Lexend',
    early: true,
    use: 'reading',
    source: 'lexend',
    licence: 'OFL-1.1',
    files: { regular: 'Lexend_400Regular', bold: 'Lexend_700Bold' },
  },
  {
    id: 'atkinson',
    name: 'Atkinson Hyperlegible Next',
    early: false,
    use: 'reading',
    source: 'atkinson-hyperlegible-next',
    licence: 'OFL-1.1',
    files: {
      regular: 'AtkinsonHyperlegibleNext_400Regular',
      bold: 'AtkinsonHyperlegibleNext_700Bold',
      italic: 'AtkinsonHyperlegibleNext_400Regular_Italic',
      boldItalic: 'AtkinsonHyperlegibleNext_700Bold_Italic',
    },
  },
  {
    id: 'nunito',
    name: 'Nunito',
    early: false,
    use: 'reading',
    source: 'nunito',
    licence: 'OFL-1.1',
    files: {
      regular: 'Nunito_400Regular',
      bold: 'Nunito_700Bold',
      italic: 'Nunito_400Regular_Italic',
      boldItalic: 'Nunito_700Bold_Italic',
    },
  },
  {
    id: 'gentium',
    name: 'Gentium Book Plus',
    early: false,
    use: 'reading',
    source: 'gentium-book-plus',
    licence: 'OFL-1.1',
    files: {
      regular: 'GentiumBookPlus_400Regular',
      bold: 'GentiumBookPlus_700Bold',
      italic: 'GentiumBookPlus_400Regular_Italic',
      boldItalic: 'GentiumBookPlus_700Bold_Italic',
    },
  },
  {
    id: 'bitter',
    name: 'Bitter',
    early: false,
    use: 'reading',
    source: 'bitter',
    licence: 'OFL-1.1',
    files: {
      regular: 'Bitter_400Regular',
      bold: 'Bitter_700Bold',
      italic: 'Bitter_400Regular_Italic',
      boldItalic: 'Bitter_700Bold_Italic',
    },
  },
  {
    id: 'quicksand',
    name: 'Quicksand',
    early: false,
    use: 'reading',
    source: 'quicksand',
    licence: 'OFL-1.1',
    files: {
      regular: 'Quicksand_400Regular',
      bold: 'Quicksand_700Bold',
    },
  },
  {
    id: 'fraunces',
    name: 'Fraunces',
    early: false,
    use: 'display',
    source: 'fraunces',
    licence: 'OFL-1.1',
    files: {
      regular: 'Fraunces_400Regular',
      bold: 'Fraunces_600SemiBold',
      italic: 'Fraunces_400Regular_Italic',
      boldItalic: 'Fraunces_600SemiBold_Italic',
    },
  },
  {
    id: 'fredoka',
    name: 'Fredoka',
    early: true,
    use: 'display',
    source: 'fredoka',
    licence: 'OFL-1.1',
    files: { regular: 'Fredoka_400Regular', bold: 'Fredoka_700Bold' },
  },
  {
    id: 'playfair',
    name: 'Playfair Display',
    early: false,
    use: 'display',
    source: 'playfair-display',
    licence: 'OFL-1.1',
    files: {
      regular: 'PlayfairDisplay_400Regular',
      bold: 'PlayfairDisplay_700Bold',
      italic: 'PlayfairDisplay_400Regular_Italic',
      boldItalic: 'PlayfairDisplay_700Bold_Italic',
    },
  },
  {
    id: 'baloo',
    name: 'Baloo 2',
    early: false,
    use: 'display',
    source: 'baloo-2',
    licence: 'OFL-1.1',
    files: {
      regular: 'Baloo2_400Regular',
      bold: 'Baloo2_700Bold',
    },
  },
  {
    id: 'bungee',
    name: 'Bungee',
    early: false,
    use: 'display',
    source: 'bungee',
    licence: 'OFL-1.1',
    files: { regular: 'Bungee_400Regular' },
  },
  {
    id: 'anton',
    name: 'Anton',
    early: false,
    use: 'display',
    source: 'anton',
    licence: 'OFL-1.1',
    files: { regular: 'Anton_400Regular' },
  },
  {
    id: 'patrick',
    name: 'Patrick Hand',
    early: true,
    use: 'hand',
    source: 'patrick-hand',
    licence: 'OFL-1.1',
    files: { regular: 'PatrickHand_400Regular' },
  },
  {
    id: 'shantell',
    name: 'Shantell Sans',
    early: true,
    use: 'hand',
    source: 'shantell-sans',
    licence: 'OFL-1.1',
    files: { regular: 'ShantellSans_400Regular', bold: 'ShantellSans_700Bold' },
  },
  {
    id: 'caveat',
    name: 'Caveat',
    early: false,
    use: 'hand',
    source: 'caveat',
    licence: 'OFL-1.1',
    files: { regular: 'Caveat_400Regular', bold: 'Caveat_700Bold' },
  },
  {
    id: 'comic',
    name: 'Comic Neue',
    early: true,
    use: 'hand',
    source: 'comic-neue',
    licence: 'OFL-1.1',
    files: {
      regular: 'ComicNeue_400Regular',
      bold: 'ComicNeue_700Bold',
      italic: 'ComicNeue_400Regular_Italic',
      boldItalic: 'ComicNeue_700Bold_Italic',
    },
  },
  {
    id: 'kalam',
    name: 'Kalam',
    early: false,
    use: 'hand',
    source: 'kalam',
    licence: 'OFL-1.1',
    files: {
      regular: 'Kalam_400Regular',
      bold: 'Kalam_700Bold',
    },
  },
  {
    id: 'amatic',
    name: 'Amatic SC',
    early: false,
    use: 'hand',
    source: 'amatic-sc',
    licence: 'OFL-1.1',
    files: {
      regular: 'AmaticSC_400Regular',
      bold: 'AmaticSC_700Bold',
    },
  },
  {
    id: 'dots',
    name: 'Edu AU VIC WA NT Dots',
    early: true,
    use: 'hand',
    source: 'edu-au-vic-wa-nt-dots',
    licence: 'OFL-1.1',
    files: { regular: 'EduAUVICWANTDots_400Regular' },
  },
  {
    id: 'special',
    name: 'Special Elite',
    early: false,
    use: 'period',
    source: 'special-elite',
    licence: 'Apache-2.0',
    files: { regular: 'SpecialElite_400Regular' },
  },
  {
    id: 'cinzel',
    name: 'Cinzel',
    early: false,
    use: 'period',
    source: 'cinzel',
    licence: 'OFL-1.1',
    files: {
      regular: 'Cinzel_400Regular',
      bold: 'Cinzel_700Bold',
    },
  },
];

/** Drawn where a sheet names a face that is not here, and for characters that its own face lacks. */
export const FALLBACK = FACES[0];

const byId = new Map(FACES.map((face) => [face.id, face]));
export const faceById = (id: string): Face => byId.get(id) ?? FALLBACK;
export const isFace = (id: string) => byId.has(id);

/** The file that draws a face in a style, the nearest where the style is missing. */
export function fileFor(id: string, bold: boolean, italic: boolean): string {
  const { files } = faceById(id);
  const file =
    (bold && italic && files.boldItalic) || (bold && files.bold) || (italic && files.italic) || files.regular;
  return `${file}.ttf`;
}

type SignRange = [from: number, to: number];
/** Draws what the chosen face lacks; no face to choose. */
export type StandIn = {
  name: string;
  /** Files by weight; a stand-in without a bold one is regular throughout. */
  regular: string;
  bold?: string;
  /** The characters that it may have. It is not fetched for others. */
  ranges: readonly SignRange[];
  /** Of those that are cut from a larger one: the npm package folder, and its files. */
  from?: { source: string; regular: string; bold?: string };
};

const GREEK: SignRange[] = [
  [0x370, 0x3ff],
  [0x1f00, 0x1fff],
];
const CYRILLIC: SignRange[] = [
  [0x400, 0x52f],
  [0x1c80, 0x1c8f],
  [0x2de0, 0x2dff],
  [0xa640, 0xa69f],
];
/** Of speech sounds, raised and lowered, and units. */
const LETTERS: SignRange[] = [
  [0x250, 0x2af],
  [0x1d00, 0x1dbf],
  [0x2070, 0x209f],
  [0x2100, 0x214f],
];
/** Signs of mathematics and physics. */
const MATHEMATICS: SignRange[] = [
  [0x2100, 0x214f],
  [0x2190, 0x22ff],
  [0x2308, 0x230b],
  [0x239b, 0x23b3],
  [0x27c0, 0x27ff],
  [0x2900, 0x2aff],
  [0x1d434, 0x1d467],
];
/** Signs and emoji, drawn in the colour of the words. */
export const SIGNS: SignRange[] = [
  [0x2190, 0x21ff],
  [0x2300, 0x27bf],
  [0x2800, 0x28ff],
  [0x2b00, 0x2bff],
  [0x3030, 0x3030],
  [0x303d, 0x303d],
  [0x1f000, 0x1faff],
];

const notoSans = (name: string, ranges: SignRange[]): StandIn => ({
  name: `Noto Sans, ${name}`,
  regular: `NotoSans${name}_400Regular.ttf`,
  bold: `NotoSans${name}_700Bold.ttf`,
  ranges,
  from: { source: 'noto-sans', regular: 'NotoSans_400Regular', bold: 'NotoSans_700Bold' },
});
const single = (name: string, source: string, file: string, ranges: SignRange[]): StandIn => ({
  name,
  regular: `${file}.ttf`,
  ranges,
  from: { source, regular: file },
});

/** Where a character is looked for that its own face lacks, in turn. */
export const STAND_INS: readonly StandIn[] = [
  {
    name: FALLBACK.name,
    regular: fileFor(FALLBACK.id, false, false),
    bold: fileFor(FALLBACK.id, true, false),
    ranges: [
      [0x20, 0x36f],
      [0x1e00, 0x1eff],
      [0x2010, 0x22ff],
      [0x25a0, 0x26ff],
      [0x2c60, 0x2c7f],
      [0xa720, 0xa7ff],
      [0xfb00, 0xfb06],
    ],
  },
  notoSans('Greek', GREEK),
  notoSans('Cyrillic', CYRILLIC),
  notoSans('Letters', LETTERS),
  single('Noto Sans Symbols 2', 'noto-sans-symbols-2', 'NotoSansSymbols2_400Regular', SIGNS),
  single('Noto Emoji', 'noto-emoji', 'NotoEmoji_400Regular', SIGNS),
  single('Noto Sans Math', 'noto-sans-math', 'NotoSansMath_400Regular', MATHEMATICS),
];

/** The face with the box that stands for characters no face has. */
export const BOX_FILE = 'NotoSansSymbols2_400Regular.ttf';

/** The file that is loaded before anything is drawn. */
export const FIRST_FILE = STAND_INS[0].regular;

const within = (ranges: readonly SignRange[]) =>
  new RegExp(`[${ranges.map(([from, to]) => `\\u{${from.toString(16)}}-\\u{${to.toString(16)}}`).join('')}]`, 'u');
const MAY = STAND_INS.map(({ ranges }) => within(ranges));

/** The files that may draw what a text has, in turn: in bold where there is bold. */
export const standInsFor = (text: string, bold: boolean): string[] =>
  STAND_INS.flatMap((one, i) => (MAY[i].test(text) ? [(bold && one.bold) || one.regular] : []));

/** The faces a text may need besides its own. Characters that every face has need none. */
export function signFiles(text: string, bold: boolean): string[] {
  const rare = [...text].filter((character) => character >= '\u0180');
  if (rare.length === 0) return [];
  const files = standInsFor(rare.join(''), bold);
  return rare.every((character) => MAY.some((may) => may.test(character))) ? files : [...new Set([...files, BOX_FILE])];
}

export const ALL_FILES: readonly string[] = [
  ...FACES.flatMap((face) => Object.values(face.files).map((file) => `${file}.ttf`)),
  ...STAND_INS.slice(1).flatMap(({ regular, bold }) => (bold ? [regular, bold] : [regular])),
];
