import { createFont } from 'fonteditor-core';
import type { TTF } from 'fonteditor-core';

/**
 * The face of dotted letters has A to Z and figures only. Letters with marks (ö, ñ, ł, ß …) and the signs of a sentence are put
 * together from its own letters and from rows of dots like theirs, so that every name can be traced.
 */

type Spot = readonly [x: number, y: number];
type Stroke = readonly Spot[];

/** The dots of the face: their radius and how far apart they stand, in font units (2,000 to the em). */
const DOT = { radius: 46, apart: 116 };
/** Single dots are larger, as on an i. */
const LARGE = 66;
/** How far letters lean to the right, for each unit of height. */
const LEAN = 0.176;
const X_HEIGHT = 1010;

/** Marks over a letter, around the spot over its middle. */
const OVER: Record<string, string> = {
  '\u0300': '-110,240 60,0',
  '\u0301': '-60,0 110,240',
  '\u0302': '-190,0 0,220 190,0',
  '\u0303': '-230,40 -120,130 0,85 120,40 230,130',
  '\u0304': '-210,90 210,90',
  '\u0306': '-190,210 -120,60 0,10 120,60 190,210',
  '\u0307': '0,110',
  '\u0308': '-150,100 | 150,100',
  '\u0309': '-90,210 0,270 90,200 10,110 0,0',
  '\u030a': '-140,150 0,290 140,150 0,10 -140,150',
  '\u030b': '-190,0 -60,230 | 70,0 200,230',
  '\u030c': '-190,220 0,0 190,220',
};
/** Marks under a letter, around the spot under its middle. */
const UNDER: Record<string, string> = {
  '\u0323': '0,-190',
  '\u0326': '30,-130 -50,-340',
  '\u0327': '0,-30 -10,-120 90,-190 40,-300 -90,-310',
  '\u0328': '150,0 60,-110 100,-250 220,-270',
};
/** Marks at the upper right of a letter. */
const BESIDE: Record<string, string> = { '\u031b': '0,-60 110,0 130,130' };
/** Letters too high to carry a hook over them. */
const HOOKED = new Set(['ď', 'ľ', 'ť', 'Ľ']);

/** Letters that are another one with a stroke through it: around its middle, in shares of its size. */
const STRUCK: Record<string, [base: string, stroke: string]> = {
  ł: ['l', '-190,-90 210,110'],
  Ł: ['L', '-560,-100 -120,140'],
  ø: ['o', '-440,-560 440,560'],
  Ø: ['O', '-460,-620 460,620'],
  đ: ['d', '0,560 560,560'],
  Ð: ['D', '-700,0 -180,0'],
  Đ: ['D', '-700,0 -180,0'],
  ħ: ['h', '-480,560 80,560'],
  Ħ: ['H', '-620,460 620,460'],
};
/** Two letters drawn as one, and how much nearer the second stands. */
const JOINED: Record<string, [first: string, second: string, nearer: number]> = {
  æ: ['a', 'e', 240],
  œ: ['o', 'e', 250],
  Æ: ['A', 'E', 420],
  Œ: ['O', 'E', 420],
};
/** Characters drawn from rows of dots alone, with their widths. */
const DRAWN: Record<string, [width: number, strokes: string]> = {
  ß: [
    1000,
    '130,0 130,1400 180,1650 340,1830 540,1850 690,1730 710,1520 600,1310 450,1150 420,1010 560,900 740,770 820,560 800,300 680,90 500,0 370,50',
  ],
  ẞ: [
    1120,
    '130,0 130,1400 180,1650 340,1830 540,1850 690,1730 710,1520 600,1310 450,1150 420,1010 560,900 740,770 820,560 800,300 680,90 500,0 370,50',
  ],
  ð: [
    980,
    '480,1000 270,940 130,700 130,350 270,70 480,0 690,90 810,350 810,700 740,1060 600,1400 380,1720 | 330,1400 760,1660',
  ],
  þ: [1000, '150,1868 150,-500 | 150,560 260,860 480,1000 700,900 810,600 780,280 620,60 430,0 250,120 150,340'],
  Þ: [1150, '170,0 170,1868 | 170,1420 620,1420 860,1260 900,960 800,680 560,520 170,500'],
  ı: [460, ''],
  '.': [420, '190,40'],
  ',': [420, '210,60 130,-220'],
  ';': [420, '210,60 130,-220 | 200,760'],
  ':': [420, '190,40 | 190,760'],
  '!': [480, '190,40 | 190,420 190,1868'],
  '?': [900, '360,40 | 110,1500 260,1780 480,1868 690,1740 740,1460 600,1180 400,950 370,600 370,420'],
  '-': [700, '120,560 560,560'],
  '–': [1000, '100,560 880,560'],
  "'": [380, '180,1420 180,1800'],
  '’': [420, '240,1840 230,1640 130,1440'],
  '„': [640, '210,60 130,-220 | 430,60 350,-220'],
  '“': [640, '130,1460 230,1800 | 360,1460 460,1800'],
  '”': [640, '230,1840 130,1500 | 450,1840 350,1500'],
  '"': [560, '150,1440 150,1800 | 380,1440 380,1800'],
  '(': [560, '430,1900 220,1560 130,1000 180,420 360,-60'],
  ')': [560, '130,1900 330,1560 420,1000 370,420 190,-60'],
  '+': [1000, '120,760 860,760 | 490,390 490,1130'],
  '=': [1000, '120,940 860,940 | 120,580 860,580'],
};

/** Dots along a stroke, about as far apart as in the face. */
function dotsAlong(stroke: Stroke): { at: Spot; radius: number }[] {
  if (stroke.length === 1) return [{ at: stroke[0], radius: LARGE }];
  const lengths = stroke.slice(1).map(([x, y], i) => Math.hypot(x - stroke[i][0], y - stroke[i][1]));
  const whole = lengths.reduce((sum, length) => sum + length, 0);
  const count = Math.max(1, Math.round(whole / DOT.apart));
  return Array.from({ length: count + 1 }, (_, n) => {
    let left = (whole * n) / count;
    let i = 0;
    while (i < lengths.length - 1 && left > lengths[i]) left -= lengths[i++];
    const share = lengths[i] === 0 ? 0 : Math.min(1, left / lengths[i]);
    const [[ax, ay], [bx, by]] = [stroke[i], stroke[i + 1]];
    return { at: [ax + (bx - ax) * share, ay + (by - ay) * share] as const, radius: DOT.radius };
  });
}

/** A dot as a contour of quadratic curves. */
function disc([x, y]: Spot, radius: number): TTF.Contour {
  const off = radius * 0.414;
  const around: [number, number, boolean][] = [
    [0, -radius, true],
    [-off, -radius, false],
    [-radius * 0.707, -radius * 0.707, true],
    [-radius, -off, false],
    [-radius, 0, true],
    [-radius, off, false],
    [-radius * 0.707, radius * 0.707, true],
    [-off, radius, false],
    [0, radius, true],
    [off, radius, false],
    [radius * 0.707, radius * 0.707, true],
    [radius, off, false],
    [radius, 0, true],
    [radius, -off, false],
    [radius * 0.707, -radius * 0.707, true],
    [off, -radius, false],
  ];
  return around.map(([dx, dy, onCurve]) => ({ x: Math.round(x + dx), y: Math.round(y + dy), onCurve }));
}

/** Strokes are written as their spots, with a bar between one and the next. */
const strokesOf = (written: string): Stroke[] =>
  written
    .split('|')
    .filter((stroke) => stroke.trim() !== '')
    .map((stroke) =>
      stroke
        .trim()
        .split(' ')
        .map((spot): Spot => {
          const [x, y] = spot.split(',').map(Number);
          return [x, y];
        }),
    );

/** Strokes as contours, around a spot, leaning as letters do. */
const contoursOf = (strokes: string, [cx, cy]: Spot): TTF.Contour[] =>
  strokesOf(strokes).flatMap((stroke) =>
    dotsAlong(stroke).map(({ at: [x, y], radius }) => disc([cx + x + LEAN * y, cy + y], radius)),
  );

const moved = (contours: readonly TTF.Contour[], by: number): TTF.Contour[] =>
  contours.map((contour) => contour.map((point) => ({ ...point, x: point.x + by })));

const topOf = (contour: TTF.Contour) => Math.max(...contour.map(({ y }) => y));
const lowOf = (contour: TTF.Contour) => Math.min(...contour.map(({ y }) => y));

function boxOf(contours: readonly TTF.Contour[]) {
  const points = contours.flat();
  const xs = points.map(({ x }) => x);
  const ys = points.map(({ y }) => y);
  return { left: Math.min(...xs), right: Math.max(...xs), low: Math.min(...ys), top: Math.max(...ys) };
}

type Made = { contours: TTF.Contour[]; width: number };

/** All Latin characters that can be put together. */
const WANTED = [
  ...Object.keys(DRAWN),
  ...Object.keys(STRUCK),
  ...Object.keys(JOINED),
  ...Array.from({ length: 0x17f - 0xbf }, (_, i) => String.fromCodePoint(0xc0 + i)),
  ...'ȘșȚțǍǎǏǐǑǒǓǔ',
  ...Array.from({ length: 0x1ef9 - 0x1e9f }, (_, i) => String.fromCodePoint(0x1ea0 + i)),
];

/** The face with letters and signs added to it, as TTF. */
export function dottedFont(bytes: Buffer): Buffer {
  const font = createFont(bytes, { type: 'ttf', kerning: true, hinting: true });
  const data = font.get();
  const glyphs = new Map<string, Made>();
  for (const glyph of data.glyf)
    for (const code of glyph.unicode ?? [])
      if (glyph.contours)
        glyphs.set(String.fromCodePoint(code), { contours: glyph.contours, width: glyph.advanceWidth });
  const first = data.glyf.length;
  for (const character of new Set(WANTED)) {
    if (glyphs.has(character)) continue;
    const made = madeOf(character, glyphs);
    if (!made) continue;
    glyphs.set(character, made);
    const box = made.contours.length > 0 ? boxOf(made.contours) : { left: 0, right: 0, low: 0, top: 0 };
    data.glyf.push({
      contours: made.contours,
      xMin: box.left,
      xMax: box.right,
      yMin: box.low,
      yMax: box.top,
      advanceWidth: made.width,
      leftSideBearing: box.left,
      name: `uni${character.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`,
      unicode: [character.codePointAt(0)!],
    });
  }
  if (data.glyf.length === first) throw new Error('no dotted letters could be put together');
  font.set(data);
  return Buffer.from(font.write({ type: 'ttf', kerning: true, hinting: true, toBuffer: true }) as Buffer);
}

/** A letter from what there is: drawn, struck through, joined from two, or with marks. Null where it can't be made. */
function madeOf(character: string, glyphs: ReadonlyMap<string, Made>): Made | null {
  const dotless = (letter: string): TTF.Contour[] =>
    (glyphs.get(letter)?.contours ?? []).filter((contour) => lowOf(contour) < X_HEIGHT + 60 || letter === 'J');
  if (character === 'ı') return { contours: dotless('i'), width: glyphs.get('i')!.width };
  const drawn = DRAWN[character];
  if (drawn) return { contours: contoursOf(drawn[1], [0, 0]), width: drawn[0] };
  const struck = STRUCK[character];
  if (struck) {
    const base = glyphs.get(struck[0])!;
    const { left, right, low, top } = boxOf(base.contours);
    return {
      contours: [...base.contours, ...contoursOf(struck[1], [(left + right) / 2, (low + top) / 2])],
      width: base.width,
    };
  }
  const joined = JOINED[character];
  if (joined) {
    const [a, b] = [glyphs.get(joined[0])!, glyphs.get(joined[1])!];
    const by = a.width - joined[2];
    return { contours: [...a.contours, ...moved(b.contours, by)], width: by + b.width };
  }
  const [letter, ...marks] = character.normalize('NFD');
  const base = glyphs.get(letter);
  if (!base || marks.length === 0) return null;
  const over = marks.some((mark) => OVER[mark]);
  const contours = over && (letter === 'i' || letter === 'j') ? dotless(letter) : [...base.contours];
  const { left, right, low, top } = boxOf(contours);
  const middle = (y: number) => (left + right) / 2 + LEAN * (y - (low + top) / 2);
  const out = [...contours];
  let above = Math.max(top, Math.max(...contours.map(topOf))) + 210;
  for (const mark of marks) {
    if (HOOKED.has(character)) out.push(...contoursOf(DRAWN['’'][1], [right - 80 - LEAN * top, top - 1840]));
    else if (OVER[mark]) {
      out.push(...contoursOf(OVER[mark], [middle(above), above]));
      above += 330;
    } else if (UNDER[mark]) {
      const strokes = contoursOf(UNDER[mark], [mark === '\u0328' ? right - 330 : middle(0), Math.min(0, low + 30)]);
      out.push(...strokes);
    } else if (BESIDE[mark]) out.push(...contoursOf(BESIDE[mark], [right - 40, top - 60]));
    else return null;
  }
  return { contours: out, width: base.width + (HOOKED.has(character) ? 160 : 0) };
}
