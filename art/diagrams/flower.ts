import { both, diagram, filled, oval, stroked, target } from './drawn';

const OUT = '#4a2f3d';
const GREEN = '#7f9d63';
const LEAF_OUT = '#39552c';

/** A petal from the middle at (x, y) to a tip, `wide` to either side. */
const petal = (x: number, y: number, tx: number, ty: number, wide: number) => {
  const [mx, my] = [(x + tx) / 2, (y + ty) / 2];
  const length = Math.hypot(tx - x, ty - y);
  const [nx, ny] = [(-(ty - y) / length) * wide, ((tx - x) / length) * wide];
  return `M${x} ${y}C${mx + nx} ${my + ny} ${tx + nx * 0.9} ${ty + ny * 0.9} ${tx} ${ty}C${tx - nx * 0.9} ${ty - ny * 0.9} ${mx - nx} ${my - ny} ${x} ${y}Z`;
};
const stamen = (x: number, y: number, tx: number, ty: number) => [
  stroked(`M${x} ${y}C${x} ${(y + ty) / 2} ${tx} ${(y + ty) / 2} ${tx} ${ty}`, '#e4d28a', 4),
  both(oval(tx, ty - 4, 6, 9), '#c9892b', '#7d5414', 1.6),
];

/** Cut open from the side, to show what is inside. */
export const flower = diagram(
  'flower',
  'Parts of a flower',
  360,
  420,
  [
    stroked('M180 292C178 330 182 372 176 416', LEAF_OUT, 13),
    stroked('M180 292C178 330 182 372 176 416', GREEN, 8.5),
    both('M178 366C214 322 268 318 302 340C276 378 222 388 178 372Z', '#8fae6b', LEAF_OUT, 2.4),
    stroked('M182 368C220 346 256 340 292 342', LEAF_OUT, 1.6),
    both(petal(180, 252, 40, 120, 62), '#d98aa6', OUT, 2.6),
    both(petal(180, 252, 320, 120, 62), '#d98aa6', OUT, 2.6),
    both(petal(180, 252, 98, 46, 56), '#eaa9bf', OUT, 2.6),
    both(petal(180, 252, 262, 46, 56), '#eaa9bf', OUT, 2.6),
    stroked('M170 232C148 178 122 122 104 72M190 232C212 178 238 122 256 72', '#c77393', 1.6, 0.7),
    both('M142 250C104 236 84 248 66 274C100 286 130 284 158 272Z', GREEN, LEAF_OUT, 2.4),
    both('M218 250C256 236 276 248 294 274C260 286 230 284 202 272Z', GREEN, LEAF_OUT, 2.4),
    ...stamen(166, 244, 132, 140),
    ...stamen(194, 244, 228, 140),
    ...stamen(172, 244, 152, 118),
    ...stamen(188, 244, 208, 118),
    both('M146 254C146 288 164 302 180 302C196 302 214 288 214 254C204 236 156 236 146 254Z', '#9fc07a', LEAF_OUT, 2.6),
    both('M172 242C174 190 175 160 173 124H187C185 160 186 190 188 242Z', '#b9d196', LEAF_OUT, 2.2),
    both(
      'M160 122C160 108 170 102 180 108C190 102 200 108 200 122C192 130 168 130 160 122Z',
      '#e7d36c',
      '#7d6a1c',
      2.2,
    ),
    ...[
      [168, 270],
      [180, 264],
      [192, 270],
      [174, 284],
      [187, 284],
    ].map(([x, y]) => both(oval(x, y, 5, 6), '#f4f1d8', '#6c7f4d', 1.4)),
  ],
  [
    target('petal', 60, 128, 26),
    target('stigma', 180, 116, 10),
    target('style', 180, 180, 8),
    target('ovary', 152, 268, 8),
    target('ovule', 192, 270, 6),
    target('anther', 228, 134, 8),
    target('filament', 214, 190, 7),
    target('sepal', 272, 262, 14),
    target('stalk', 178, 346, 10),
    target('leaf', 252, 350, 18),
  ],
  ['flower', 'plant', 'petal', 'stamen', 'pollination', 'biology'],
);

export const leaf = diagram(
  'leaf',
  'Parts of a leaf',
  380,
  320,
  [
    filled('M84 196C96 92 208 34 354 44C344 178 246 268 110 236Z', '#39552c'),
    filled('M92 194C106 100 212 44 344 52C334 174 242 258 114 230Z', '#86a957'),
    filled('M92 194C150 178 248 120 344 52C334 174 242 258 114 230Z', '#9bbb6c'),
    stroked('M24 282C60 252 84 230 110 208C190 156 262 110 336 60', '#39552c', 9),
    stroked('M24 282C60 252 84 230 110 208C190 156 262 110 336 60', '#cfdcae', 5),
    stroked(
      'M140 188C138 158 146 128 164 104M186 158C186 130 196 102 216 80M232 128C234 104 244 84 262 68M166 172C196 182 216 202 226 230M210 144C240 154 262 170 274 196M254 114C280 122 302 134 314 152',
      '#dce6c2',
      2.6,
    ),
    stroked(
      'M152 138L132 152M204 108L180 112M198 190L214 184M244 162L262 158M150 128L172 132M200 100L226 104',
      '#dce6c2',
      1.4,
    ),
    filled(oval(24, 284, 9, 7), '#5c3f24'),
  ],
  [
    target('stalk', 54, 260, 12),
    target('midrib', 188, 156, 8),
    target('vein', 244, 86, 8),
    target('blade', 292, 176, 22),
    target('margin', 206, 241, 8),
    target('tip', 346, 48, 10),
    target('base', 100, 214, 10),
  ],
  ['leaf', 'plant', 'tree', 'vein', 'biology'],
);

const WALL = '#4a6b35';
export const plantCell = diagram(
  'plant-cell',
  'A plant cell',
  440,
  330,
  [
    both(
      'M58 26H382C404 26 420 42 420 64V266C420 288 404 304 382 304H58C36 304 20 288 20 266V64C20 42 36 26 58 26Z',
      '#b7cf8e',
      WALL,
      4,
    ),
    both(
      'M66 42H374C392 42 404 54 404 70V260C404 278 392 290 374 290H66C48 290 36 278 36 260V70C36 54 48 42 66 42Z',
      '#e9f1d3',
      '#8aa55e',
      3,
    ),
    both(
      'M132 96C176 74 290 76 334 104C360 140 356 214 326 240C276 262 178 260 140 236C110 204 106 130 132 96Z',
      '#cfe3ee',
      '#5d8fb0',
      2.6,
    ),
    both(oval(92, 214, 40, 37), '#d7b9d6', '#75507a', 2.6),
    both(oval(98, 210, 15), '#8d5a93', '#5c3763', 2),
    ...[
      [96, 84, -24],
      [186, 62, 4],
      [300, 64, 10],
      [376, 130, 82],
      [370, 226, 60],
      [214, 272, -4],
      [300, 272, 6],
    ].map(([x, y]) => both(oval(x, y, 23, 11), '#6fa146', '#365a20', 2.2)),
    ...[
      [86, 84],
      [104, 82],
      [176, 62],
      [194, 62],
      [290, 64],
      [308, 65],
      [206, 272],
      [224, 271],
      [292, 272],
      [308, 272],
    ].map(([x, y]) => stroked(`M${x} ${y - 5}V${y + 5}`, '#365a20', 2)),
    ...[
      [58, 140],
      [150, 276],
    ].flatMap(([x, y]) => [
      both(oval(x, y, 17, 9), '#e6a36b', '#8a4f1f', 2),
      stroked(`M${x - 11} ${y}L${x - 5} ${y - 4}L${x} ${y + 4}L${x + 6} ${y - 4}L${x + 11} ${y}`, '#8a4f1f', 1.6),
    ]),
  ],
  [
    target('cell wall', 28, 160, 7),
    target('cell membrane', 402, 180, 5),
    target('cytoplasm', 66, 110, 10),
    target('nucleus', 74, 226, 12),
    target('vacuole', 238, 166, 40),
    target('chloroplast', 300, 64, 12),
    target('mitochondrion', 150, 276, 9),
  ],
  ['cell', 'plant', 'biology', 'microscope', 'nucleus'],
);
