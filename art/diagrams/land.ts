import type { PicturePath } from '../../core/pictures/picture';
import { both, diagram, filled, oval, stroked, target } from './drawn';

/** Water, ground and rivers. */

const cloud = (x: number, y: number, s = 1): PicturePath =>
  both(
    `M${x - 46 * s} ${y + 16 * s}C${x - 66 * s} ${y + 16 * s} ${x - 66 * s} ${y - 12 * s} ${x - 44 * s} ${y - 12 * s}C${x - 40 * s} ${y - 36 * s} ${x - 4 * s} ${y - 42 * s} ${x + 6 * s} ${y - 20 * s}C${x + 26 * s} ${y - 36 * s} ${x + 52 * s} ${y - 20 * s} ${x + 46 * s} ${y - 4 * s}C${x + 66 * s} ${y - 4 * s} ${x + 64 * s} ${y + 16 * s} ${x + 46 * s} ${y + 16 * s}Z`,
    '#f4f8fb',
    '#8aa3b5',
    2.4,
  );
const arrow = (d: string, x: number, y: number, dx: number, dy: number, colour: string): PicturePath[] => {
  const [nx, ny] = [-dy, dx];
  return [
    stroked(d, colour, 5),
    filled(`M${x + dx * 15} ${y + dy * 15}L${x + nx * 9} ${y + ny * 9}L${x - nx * 9} ${y - ny * 9}Z`, colour),
  ];
};
const tree = (x: number, y: number, s = 1): PicturePath[] => [
  filled(`M${x - 3 * s} ${y}V${y - 16 * s}H${x + 3 * s}V${y}Z`, '#6d4a2c'),
  both(oval(x, y - 26 * s, 13 * s, 15 * s), '#7f9d63', '#39552c', 1.6),
];

export const waterCycle = diagram(
  'water-cycle',
  'The water cycle',
  520,
  340,
  [
    filled('M0 0H520V340H0Z', '#dcebf3'),
    both(oval(456, 52, 30), '#f6cf5a', '#c2932a', 2.4),
    filled('M0 202C40 168 70 96 120 78C158 96 178 148 232 188C262 208 300 218 340 232V340H0Z', '#8a9a6c'),
    filled(
      'M86 112C98 92 108 82 120 78C132 84 142 98 152 114C140 108 132 118 122 110C112 118 98 104 86 112Z',
      '#ffffff',
    ),
    filled('M0 238C90 226 210 232 340 248V340H0Z', '#a88a5c'),
    filled('M0 282C110 270 220 276 340 284V340H0Z', '#7d93a6'),
    filled('M300 250C330 236 420 240 520 236V340H322C306 316 300 280 300 250Z', '#5b93b8'),
    stroked(
      'M318 262C350 254 380 268 412 260C446 252 480 266 514 258M334 292C366 284 396 298 428 290C460 282 490 294 516 288',
      '#9cc4da',
      2.6,
    ),
    stroked('M128 112C146 140 138 160 168 182C198 204 232 212 306 244', '#3f7ca3', 6),
    cloud(170, 52, 1),
    cloud(332, 66, 0.85),
    ...[136, 156, 176, 196].map((x) => stroked(`M${x} 82L${x - 8} 104`, '#4a86ad', 3)),
    ...arrow('M420 226C424 186 414 146 392 116', 388, 108, -0.5, -0.87, '#c8632e'),
    ...arrow('M282 48C262 40 248 40 234 44', 228, 46, -0.97, 0.2, '#6b6450'),
    ...tree(236, 214, 1),
    ...tree(264, 222, 0.85),
    ...arrow('M258 180C258 160 266 144 278 128', 282, 122, 0.6, -0.8, '#7f9d63'),
    ...arrow('M120 252C140 276 190 292 272 298', 280, 298, 1, 0.02, '#2c5d86'),
  ],
  [
    target('sun', 456, 52, 18),
    target('evaporation', 416, 166, 12),
    target('condensation', 340, 60, 18),
    target('precipitation', 164, 94, 16),
    target('run-off', 176, 188, 10),
    target('groundwater', 196, 290, 12),
    target('sea', 430, 300, 30),
    target('transpiration', 262, 150, 10),
  ],
  ['water', 'cycle', 'rain', 'sea', 'weather', 'geography'],
);

const stones = (list: [number, number, number][], fill: string): PicturePath[] =>
  list.map(([x, y, r]) => both(oval(x, y, r * 1.25, r), fill, '#5f5548', 1.4));

export const soil = diagram(
  'soil',
  'Layers of soil',
  340,
  400,
  [
    filled('M20 52C90 44 200 58 320 50V86H20Z', '#4d6b35'),
    ...[34, 58, 84, 116, 150, 182, 214, 246, 280, 306].map((x, i) =>
      stroked(`M${x} 56C${x - 2} 44 ${x + 3} 34 ${x + (i % 2 ? 8 : -6)} ${24 + (i % 3) * 6}`, '#6d8d47', 3.4),
    ),
    filled('M20 62C100 56 210 70 320 62V96C210 104 100 90 20 98Z', '#2f241a'),
    filled('M20 98C100 90 210 104 320 96V176C220 190 110 168 20 180Z', '#5a3d26'),
    filled('M20 180C110 168 220 190 320 176V262C220 274 110 254 20 264Z', '#8f6a42'),
    filled('M20 264C110 254 220 274 320 262V334C220 344 110 328 20 336Z', '#b59a6e'),
    filled('M20 336C110 328 220 344 320 334V390H20Z', '#8b8780'),
    stroked('M20 62V390H320V62', '#4a3a28', 3),
    stroked(
      'M150 60C152 96 140 130 146 168M150 90C164 110 172 128 170 150M146 118C132 132 124 146 122 160',
      '#d8c4a0',
      2.6,
    ),
    ...stones(
      [
        [60, 212, 9],
        [118, 238, 7],
        [206, 214, 8],
        [268, 236, 10],
        [176, 246, 6],
      ],
      '#a89878',
    ),
    ...stones(
      [
        [52, 300, 17],
        [104, 310, 13],
        [160, 296, 18],
        [222, 312, 15],
        [282, 298, 18],
        [130, 286, 8],
        [250, 286, 9],
      ],
      '#a39a8a',
    ),
    stroked(
      'M60 340L74 366L58 388M150 346L162 372L150 388M238 340L226 364L244 388M100 362L140 356M190 370L226 364M270 362L310 356',
      '#5f5b54',
      2.4,
    ),
    stroked('M226 130C236 124 246 136 256 130C264 126 270 134 276 130', '#d99a8c', 5),
  ],
  [
    target('grass', 116, 40, 14),
    target('humus', 278, 80, 10),
    target('topsoil', 60, 140, 18),
    target('subsoil', 240, 196, 14),
    target('loose rock', 282, 298, 14),
    target('bedrock', 200, 382, 12),
    target('root', 146, 150, 8),
    target('earthworm', 252, 131, 10),
  ],
  ['soil', 'ground', 'earth', 'layers', 'geography', 'geology'],
);

export const river = diagram(
  'river',
  'A river from source to sea',
  560,
  340,
  [
    filled('M0 0H560V340H0Z', '#e3ecdc'),
    filled(
      'M0 150C30 100 46 40 90 24C126 40 138 84 176 96C206 70 226 66 250 92C280 124 330 130 380 150C440 172 500 176 560 178V340H0Z',
      '#a9bd84',
    ),
    filled('M0 150C30 100 46 40 90 24C126 40 138 84 176 96C150 120 110 118 84 140C54 160 26 156 0 170Z', '#8c9a78'),
    filled('M66 50C74 34 82 27 90 24C100 28 108 38 114 50C104 44 98 54 90 48C82 54 76 44 66 50Z', '#ffffff'),
    filled('M452 340C440 300 430 276 448 254C478 232 520 236 560 226V340Z', '#5b93b8'),
    stroked(
      'M96 84C116 108 104 128 136 142C176 158 168 190 210 190C258 190 246 226 288 226C330 226 322 260 366 258C400 256 424 266 452 280',
      '#2f6c94',
      15,
    ),
    stroked(
      'M96 84C116 108 104 128 136 142C176 158 168 190 210 190C258 190 246 226 288 226C330 226 322 260 366 258C400 256 424 266 452 280',
      '#6aa5c9',
      10,
    ),
    stroked('M238 96C232 130 216 160 212 186', '#2f6c94', 9),
    stroked('M238 96C232 130 216 160 212 186', '#6aa5c9', 5.5),
    both('M318 288C306 272 324 258 342 274C350 284 338 298 318 288Z', '#6aa5c9', '#2f6c94', 2.4),
    filled('M452 262C474 268 486 278 500 292C482 296 462 296 448 290Z', '#d9c48e'),
    stroked('M134 138L140 152M140 134L148 150', '#ffffff', 3),
    stroked('M470 256C490 248 516 256 540 246M486 316C508 308 530 318 552 308', '#9cc4da', 2.6),
    ...tree(62, 210, 1.1),
    ...tree(92, 226, 0.9),
    ...tree(396, 220, 0.9),
    ...tree(178, 258, 1),
    both('M300 178H324V162L312 152L300 162ZM330 182H352V168L341 159L330 168Z', '#e6c9a0', '#7d5a34', 1.8),
  ],
  [
    target('source', 96, 84, 10),
    target('waterfall', 140, 143, 10),
    target('tributary', 232, 130, 9),
    target('confluence', 212, 188, 9),
    target('meander', 288, 226, 12),
    target('oxbow lake', 330, 280, 10),
    target('mouth', 448, 276, 12),
    target('delta', 478, 284, 10),
    target('sea', 524, 300, 22),
  ],
  ['river', 'source', 'sea', 'meander', 'geography', 'water'],
);
