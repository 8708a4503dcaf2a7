import type { PicturePath } from '../core/pictures/picture';
import { SECRET_PICTURES } from '../core/handout/secret';
import { both, filled, oval, stroked } from './diagrams/drawn';

/** The pictures of a student's secret, each on a square of 100 units: told apart by outline and colour, even at 40 pixels. */

const OUT = '#33424c';
const W = 2.8;
const part = (d: string, fill: string, width = W) => both(d, fill, OUT, width);
const line = (d: string, width = W) => stroked(d, OUT, width);
const dot = (x: number, y: number, r: number) => filled(oval(x, y, r), '#1c242a');
/** An eye that looks straight ahead. */
const eye = (x: number, y: number, r: number, white = '#fffdf4') => [
  part(oval(x, y, r), white, 2),
  dot(x, y, r * 0.55),
  filled(oval(x + r * 0.2, y - r * 0.22, r * 0.2), '#ffffff'),
];
/** The same drawing mirrored at the middle line, for paths of absolute M, L, C, Q and Z. */
const mirrored = (d: string) =>
  d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, x: string, y: string) => `${Math.round((100 - Number(x)) * 100) / 100} ${y}`);
const twice = (make: (d: string) => PicturePath, d: string) => [make(d), make(mirrored(d))];

type Name = (typeof SECRET_PICTURES)[number];

export const SECRET_DRAWINGS: Record<Name, PicturePath[]> = {
  owl: [
    part(
      'M30 20C26 10 24 8 24 8C32 10 38 12 42 16C47 14 53 14 58 16C62 12 68 10 76 8C76 8 74 10 70 20C82 34 84 62 70 82C62 92 38 92 30 82C16 62 18 34 30 20Z',
      '#9a7350',
    ),
    part('M50 46C64 46 68 66 62 78C58 86 42 86 38 78C32 66 36 46 50 46Z', '#e8d3b0', 2.2),
    line('M42 60Q45 64 48 60M52 60Q55 64 58 60M42 70Q45 74 48 70M52 70Q55 74 58 70', 2),
    ...twice((d) => part(d, '#7a5738'), 'M24 44C14 56 18 74 30 80C32 68 30 54 24 44Z'),
    ...eye(38, 34, 12),
    ...eye(62, 34, 12),
    part('M50 38L56 46L50 54L44 46Z', '#e2a53c', 2.2),
    line('M40 87L38 94M44 88L44 95M56 88L56 95M60 87L62 94', 3),
  ],
  frog: [
    ...twice((d) => part(d, '#6f9a45'), 'M30 62C12 58 6 76 14 86C22 90 36 88 40 84C42 76 38 66 30 62Z'),
    part('M50 34C74 34 82 52 80 66C78 82 66 88 50 88C34 88 22 82 20 66C18 52 26 34 50 34Z', '#86b254'),
    part('M50 58C64 58 68 68 66 76C62 84 38 84 34 76C32 68 36 58 50 58Z', '#dfe9bd', 2),
    ...twice((d) => part(d, '#86b254'), 'M22 36C20 22 42 18 44 34C44 44 24 46 22 36Z'),
    ...eye(33, 31, 7.5),
    ...eye(67, 31, 7.5),
    line('M30 52Q50 66 70 52', 3),
    ...twice((d) => line(d, 3.4), 'M30 86L22 94M30 86L30 95M30 86L38 94'),
  ],
  snail: [
    part('M8 82C4 74 10 68 18 70C30 74 62 74 84 70C92 70 96 78 90 84C70 90 28 90 8 82Z', '#d9b98a'),
    part('M18 72C10 58 8 44 12 36C18 30 26 36 26 44C26 54 30 64 36 70Z', '#d9b98a'),
    line('M14 36L8 22M21 34L24 20', 3),
    filled(oval(8, 20, 3.6), OUT),
    filled(oval(24, 18, 3.6), OUT),
    part(oval(60, 48, 28), '#c8632e'),
    stroked('M60 48C60 42 68 42 69 49C70 58 56 61 51 53C46 42 56 31 67 34C80 38 82 54 76 62', '#fbe6d6', 5),
    stroked('M60 48C60 42 68 42 69 49C70 58 56 61 51 53C46 42 56 31 67 34C80 38 82 54 76 62', '#7c3610', 2.2),
    dot(15, 46, 2.4),
    line('M14 54Q18 57 21 54', 2),
  ],
  crab: [
    ...twice((d) => line(d, 5), 'M26 62L10 66L6 76M28 70L14 78L12 88M34 76L24 86L24 94'),
    ...twice((d) => line(d, 6), 'M26 54C16 50 12 42 16 34'),
    ...twice((d) => part(d, '#d9572f'), 'M14 38C4 34 2 18 14 10C12 18 16 20 22 14C30 22 28 36 14 38Z'),
    part('M50 42C76 42 84 56 80 66C74 82 26 82 20 66C16 56 24 42 50 42Z', '#d9572f'),
    line('M42 42L40 30M58 42L60 30', 3),
    ...eye(40, 27, 6),
    ...eye(60, 27, 6),
    line('M40 66Q50 74 60 66', 2.6),
    filled(oval(32, 58, 3), '#b03d1b'),
    filled(oval(68, 58, 3), '#b03d1b'),
  ],
  butterfly: [
    ...twice((d) => part(d, '#e29a2f'), 'M48 46C40 18 20 8 8 16C2 30 16 52 48 52Z'),
    ...twice((d) => part(d, '#c75f3a'), 'M48 52C30 50 14 62 18 78C28 90 46 78 48 56Z'),
    ...twice((d) => filled(d, '#fbe3a8'), 'M18 24C24 20 32 26 32 34C24 36 16 32 18 24Z'),
    ...twice((d) => filled(d, '#f6cfae'), 'M26 66C32 62 38 64 38 70C34 76 26 74 26 66Z'),
    part('M50 32C55 32 55 44 54 58C53 74 51 84 50 86C49 84 47 74 46 58C45 44 45 32 50 32Z', '#3d4c57'),
    part(oval(50, 29, 6), '#3d4c57'),
    ...twice((d) => line(d, 2.4), 'M48 24C46 16 42 10 36 8'),
    filled(oval(36, 8, 2.4), OUT),
    filled(oval(64, 8, 2.4), OUT),
  ],
  hedgehog: [
    part(
      'M20 62L8 58L18 52L8 44L22 42L16 32L30 34L28 22L40 28L44 16L52 26L60 16L64 28L76 24L74 36L86 38L78 46L90 54L80 60L88 72L74 78L26 78Z',
      '#6d5240',
    ),
    part('M56 46C72 44 84 58 94 70C96 74 94 78 90 78C82 84 62 84 52 80C46 66 46 50 56 46Z', '#e8d0ab'),
    part(oval(93, 71, 4.6), '#33424c', 1),
    ...eye(74, 62, 5),
    part(oval(59, 56, 6), '#d3b184', 2.2),
    line('M80 76Q86 78 89 74', 2.2),
    part('M30 78C30 86 42 88 44 80Z', '#d3b184', 2.4),
    part('M62 82C64 90 76 90 76 82Z', '#d3b184', 2.4),
    line('M34 50L28 46M42 60L36 58M32 66L26 66M44 44L40 38', 2),
  ],
  cherries: [
    line('M34 60C36 40 46 22 66 12C64 30 66 46 70 60', 4),
    part('M66 12C76 4 92 8 96 20C84 26 70 24 66 12Z', '#7ba648'),
    line('M70 14C78 15 84 17 90 19', 1.8),
    part(oval(32, 74, 19), '#c4342d'),
    part(oval(72, 74, 19), '#d2453a'),
    filled('M22 66C25 61 30 60 33 61C29 63 26 66 24 70Z', '#f6b8ad'),
    filled('M62 66C65 61 70 60 73 61C69 63 66 66 64 70Z', '#f8c4ba'),
  ],
  mushroom: [
    part('M40 54C42 68 38 80 34 90C44 94 58 94 66 90C62 80 58 68 60 54Z', '#f3e6cb'),
    part('M50 10C76 10 92 34 92 50C92 58 74 60 50 60C26 60 8 58 8 50C8 34 24 10 50 10Z', '#c4342d'),
    filled(oval(34, 30, 8, 7), '#fff6ea'),
    filled(oval(60, 24, 6, 5), '#fff6ea'),
    filled(oval(74, 42, 7, 6), '#fff6ea'),
    filled(oval(48, 46, 6, 5), '#fff6ea'),
    filled(oval(20, 48, 4.6), '#fff6ea'),
    line('M44 60V70M50 60V74M56 60V70', 1.8),
  ],
  rocket: [
    part('M40 76C38 88 44 96 50 98C56 96 62 88 60 76Z', '#e2a53c'),
    filled('M45 78C44 86 47 91 50 92C53 91 56 86 55 78Z', '#d9572f'),
    ...twice((d) => part(d, '#c4342d'), 'M34 52C22 58 18 70 20 84C26 78 32 76 38 76Z'),
    part('M50 4C64 16 70 36 66 64L62 78H38L34 64C30 36 36 16 50 4Z', '#e9eef1'),
    part('M50 4C58 11 63 20 65 30H35C37 20 42 11 50 4Z', '#c4342d'),
    part(oval(50, 46, 9), '#8fc0dc'),
    filled('M45 43C47 39 51 39 53 40C49 42 47 44 46 47Z', '#ffffff'),
    line('M38 68H62', 2.2),
  ],
  kite: [
    line('M50 72C40 80 62 84 50 98', 2.4),
    part('M50 4L84 36L50 74L16 36Z', '#3f83b5'),
    filled('M50 6L82 36H50Z', '#e2a53c'),
    filled('M18 37H50V72Z', '#d9572f'),
    line('M50 4L84 36L50 74L16 36ZM16 36H84M50 4V74'),
    part('M44 78L34 74V84Z', '#d9572f', 2),
    part('M45 79L56 76V84Z', '#d9572f', 2),
    part('M54 92L64 88V97Z', '#e2a53c', 2),
    part('M54 92L44 90V98Z', '#e2a53c', 2),
  ],
  sunflower: [
    line('M50 54C50 70 50 84 48 98', 6),
    stroked('M50 54C50 70 50 84 48 98', '#5f8a3c', 3.4),
    part('M49 82C60 70 74 70 82 74C76 86 62 90 49 86Z', '#7ba648'),
    part('M49 88C40 76 26 76 18 80C24 92 38 94 49 92Z', '#7ba648'),
    ...Array.from({ length: 12 }, (_, i) => {
      const a = (i * Math.PI) / 6;
      const at = (r: number, turn: number) =>
        `${Math.round((50 + r * Math.cos(a + turn)) * 10) / 10} ${Math.round((38 + r * Math.sin(a + turn)) * 10) / 10}`;
      return part(`M${at(14, -0.3)}Q${at(28, -0.3)} ${at(36, 0)}Q${at(28, 0.3)} ${at(14, 0.3)}Z`, '#f0bd38', 2);
    }),
    part(oval(50, 38, 16), '#7a5230'),
    ...[
      [44, 32],
      [52, 30],
      [58, 36],
      [50, 38],
      [42, 40],
      [48, 46],
      [56, 44],
    ].map(([x, y]) => filled(oval(x, y, 1.8), '#4a2f18')),
  ],
  bicycle: [
    line('M22 68L40 40H66L78 68M40 40L52 68H22M52 68L66 40', 5.4),
    stroked('M22 68L40 40H66L78 68M40 40L52 68H22M52 68L66 40', '#c4342d', 2.8),
    stroked(oval(22, 68, 18), OUT, 4.6),
    stroked(oval(78, 68, 18), OUT, 4.6),
    line('M66 40L63 28H74M40 40L37 32M30 32H44', 4),
    filled(oval(22, 68, 3.4), OUT),
    filled(oval(78, 68, 3.4), OUT),
    part(oval(52, 68, 5), '#e2a53c', 2.2),
    line('M52 68L57 76M54 77H61', 3),
  ],
  penguin: [
    ...twice((d) => part(d, '#e2a53c'), 'M46 88C36 86 28 90 28 94C36 97 46 96 48 92Z'),
    part('M50 6C66 6 70 22 72 40C78 56 76 84 62 90C54 93 46 93 38 90C24 84 22 56 28 40C30 22 34 6 50 6Z', '#34454f'),
    ...twice((d) => part(d, '#34454f'), 'M27 42C16 52 12 64 14 74C22 70 28 62 29 54Z'),
    part('M50 38C64 38 66 54 64 70C62 84 38 84 36 70C34 54 36 38 50 38Z', '#f6f5ee', 2),
    filled('M50 24C58 16 66 22 64 32C62 40 56 40 50 38C44 40 38 40 36 32C34 22 42 16 50 24Z', '#f6f5ee'),
    dot(43, 28, 3),
    dot(57, 28, 3),
    part('M44 34H56L50 42Z', '#e2a53c', 2),
  ],
  cactus: [
    part('M34 66H66L62 94H38Z', '#c8632e'),
    part('M30 62H70V72H30Z', '#d9824f'),
    part('M18 26C18 18 30 18 30 26V36C30 40 34 40 38 40V52C24 52 18 46 18 36Z', '#6f9a45'),
    part('M82 20C82 12 70 12 70 20V30C70 34 66 36 62 36V48C76 48 82 40 82 30Z', '#6f9a45'),
    part('M38 62V20C38 4 62 4 62 20V62Z', '#7fae52'),
    line('M46 18V26M46 36V44M54 24V32M54 44V52M46 54V57M24 28V33M76 22V27', 2),
    part(oval(50, 8, 5), '#e58aa5', 2.2),
  ],
  tractor: [
    part('M34 18H66V22H62V46H38V22H34Z', '#e9eef1'),
    filled('M42 24H58V44H42Z', '#a9cfe2'),
    part('M56 44H90C94 44 95 48 95 52V66H40V46Z', '#4f8a46'),
    part('M30 44H62V70H22C18 58 22 46 30 44Z', '#4f8a46'),
    line('M84 44V28M80 28H88', 4),
    stroked('M70 52H88M70 58H88', '#2f5c2b', 2.4),
    part(oval(30, 70, 23), '#3d4c57'),
    part(oval(30, 70, 11), '#e2a53c'),
    part(oval(80, 78, 14), '#3d4c57'),
    part(oval(80, 78, 6), '#e2a53c'),
    line('M40 22H60V46', 2),
  ],
  umbrella: [
    line('M50 50V82C50 92 36 92 36 82', 6.4),
    stroked('M50 50V82C50 92 36 92 36 82', '#b98f45', 3),
    line('M50 12V5', 4),
    part(
      'M50 11C78 11 94 34 95 56C90 48 80 48 76 55C72 48 64 48 62 55C59 48 41 48 38 55C36 48 28 48 24 55C20 48 10 48 5 56C6 34 22 11 50 11Z',
      '#8c4f86',
    ),
    filled('M50 12.4C42 22 39 38 38 52C41 48.6 46 48 50 48C54 48 59 48.6 62 52C61 38 58 22 50 12.4Z', '#d9a9cf'),
    line('M50 11C42 22 38 38 38 55M50 11C58 22 62 38 62 55', 2),
  ],
  guitar: [
    part('M58 34L82 8L92 18L66 42Z', '#6d4a2c'),
    part('M80 4L96 20L90 26L74 10Z', '#33424c'),
    part('M66 44C72 52 66 60 68 66C70 82 50 98 34 92C26 88 12 74 8 66C2 50 18 30 34 32C40 34 48 28 56 34Z', '#d98e3d'),
    part(oval(42, 58, 9), '#4a2f18'),
    part('M22 70L32 80L29 83L19 73Z', '#6d4a2c', 2),
    line('M25 76L86 14M28 79L89 17', 1.4),
  ],
  whale: [
    line('M38 22C36 12 30 8 24 8M38 22C40 12 46 8 52 8', 4.6),
    stroked('M38 22C36 12 30 8 24 8M38 22C40 12 46 8 52 8', '#8fc0dc', 2.4),
    part(
      'M6 58C6 34 26 24 44 26C62 28 70 46 80 46C84 38 78 28 74 24C84 24 90 30 91 38C94 32 98 30 99 30C98 50 92 62 84 68C76 82 58 86 40 84C20 82 6 74 6 58Z',
      '#4a83ab',
    ),
    part('M7 62C14 66 30 66 42 70C52 74 60 80 62 82C54 85 46 85 40 84C22 82 9 74 7 62Z', '#dfe9ee', 2.2),
    line('M18 68Q26 72 34 80M28 68Q40 72 48 82', 1.6),
    dot(26, 52, 3.4),
    filled(oval(27, 51, 1.1), '#ffffff'),
    part('M46 62C54 62 60 68 60 76C52 76 46 70 46 62Z', '#3a6a8d', 2.2),
  ],
};
