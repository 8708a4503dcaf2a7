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

/** Signs and emoji, drawn in the colour of the words; no face to choose, but what others fall back on. */
export const SIGNS = [
  {
    name: 'Noto Sans Symbols 2',
    source: 'noto-sans-symbols-2',
    file: 'NotoSansSymbols2_400Regular',
    licence: 'OFL-1.1',
  },
  { name: 'Noto Emoji', source: 'noto-emoji', file: 'NotoEmoji_400Regular', licence: 'OFL-1.1' },
] as const;
/** Characters that the signs' own files may have. */
export const MAY_BE_SIGN = /[\u2190-\u2bff\u3030\u303d\u{1f000}-\u{1faff}]/u;
/** Where a character is looked for that its own face lacks, in turn. */
export const FALLBACK_FILES: readonly string[] = [
  fileFor(FALLBACK.id, false, false),
  ...SIGNS.map(({ file }) => `${file}.ttf`),
];

export const ALL_FILES: readonly string[] = [
  ...FACES.flatMap((face) => Object.values(face.files).map((file) => `${file}.ttf`)),
  ...FALLBACK_FILES.slice(1),
];
