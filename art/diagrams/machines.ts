import type { PicturePath } from '../../core/pictures/picture';
import { both, diagram, filled, oval, stroked, target } from './drawn';

/** A lock, a windmill, a bicycle. */

const STONE = '#b8ab93';
const DARK = '#5f5548';

export const lock = diagram(
  'lock',
  'A canal lock',
  560,
  280,
  [
    filled('M0 0H560V280H0Z', '#e8f0f2'),
    filled('M0 96H196V280H0Z', '#5b93b8'),
    filled('M196 150H404V280H196Z', '#6aa0c2'),
    filled('M404 190H560V280H404Z', '#5b93b8'),
    stroked(
      'M12 108C40 102 60 114 88 108C116 102 140 114 180 108M212 162C240 156 262 168 290 162C318 156 350 168 392 162M420 202C448 196 470 208 498 202C520 198 540 206 556 202',
      '#b5d3e2',
      2.4,
    ),
    filled('M0 252H560V280H0Z', DARK),
    filled('M0 228H196V262H0Z', '#8d8270'),
    both('M184 70H208V262H184Z', '#8a5a33', '#4a2f18', 2.6),
    both('M392 70H416V262H392Z', '#8a5a33', '#4a2f18', 2.6),
    stroked('M184 110H208M184 150H208M184 190H208M392 110H416M392 150H416M392 190H416', '#4a2f18', 2),
    both('M116 58H214V70H116Z', '#e9e2d0', '#4a2f18', 2.4),
    both('M386 58H484V70H386Z', '#e9e2d0', '#4a2f18', 2.4),
    both('M188 214H204V240H188Z', '#2f3d46', '#1d262c', 2),
    both('M396 214H412V240H396Z', '#2f3d46', '#1d262c', 2),
    stroked('M196 58V34M404 58V34', '#4a2f18', 4),
    both(oval(196, 30, 9), '#c9a23c', '#7d6a1c', 2),
    both(oval(404, 30, 9), '#c9a23c', '#7d6a1c', 2),
    both('M236 150C240 168 250 176 262 176H356C368 176 374 166 378 148Z', '#b0442a', '#5c2012', 2.6),
    both('M262 148V122H330V148Z', '#f3ead6', '#5c2012', 2.4),
    filled('M272 128H286V140H272ZM298 128H312V140H298Z', '#5b93b8'),
    stroked('M346 148V108L352 104', '#5c2012', 3),
    filled('M208 236H392V246H208Z', STONE, 0.5),
  ],
  [
    target('upper level', 70, 160, 28),
    target('lower level', 490, 236, 24),
    target('lock chamber', 300, 214, 30),
    target('gate', 196, 170, 10),
    target('balance beam', 150, 64, 10),
    target('sluice', 404, 228, 9),
    target('boat', 312, 164, 16),
    target('sill', 100, 242, 12),
  ],
  ['lock', 'canal', 'boat', 'water', 'engineering'],
);

const sail = (turn: number): PicturePath[] => {
  const [cx, cy] = [190, 128];
  const at = (along: number, side: number) => {
    const a = (turn * Math.PI) / 180;
    return `${Math.round((cx + Math.cos(a) * along - Math.sin(a) * side) * 10) / 10} ${Math.round((cy + Math.sin(a) * along + Math.cos(a) * side) * 10) / 10}`;
  };
  return [
    both(`M${at(34, 4)}L${at(124, 4)}L${at(124, 28)}L${at(34, 24)}Z`, '#f6efdd', '#5f4a2c', 2),
    stroked([52, 70, 88, 106].map((x) => `M${at(x, 4)}L${at(x, 27)}`).join(''), '#a58a5c', 1.5),
    stroked(`M${at(0, 0)}L${at(128, 0)}`, '#5f4a2c', 5.5),
  ];
};

export const windmill = diagram(
  'windmill',
  'A windmill',
  380,
  400,
  [
    filled('M0 352C90 338 250 362 380 346V400H0Z', '#9bb070'),
    both('M132 166L112 356H268L248 166Z', '#d8c19a', '#5f4a2c', 3),
    stroked('M128 210H252M124 256H256M119 304H261', '#b59a6e', 1.6),
    both('M120 170C122 126 150 96 190 94C230 96 258 126 260 170Z', '#8a4a36', '#4a2318', 3),
    both('M172 356V308C172 296 208 296 208 308V356Z', '#6d4a2c', '#3d2915', 2.4),
    both('M178 232H202V258H178Z', '#5b7d93', '#2f3d46', 2.2),
    stroked('M190 232V258M178 245H202', '#2f3d46', 1.6),
    both('M98 288H282V298H98Z', '#a58a5c', '#5f4a2c', 2.2),
    stroked('M106 288V272M146 288V272M234 288V272M274 288V272M102 272H278', '#5f4a2c', 2.4),
    stroked('M258 150C290 160 306 220 320 286', '#5f4a2c', 5),
    ...[30, 120, 210, 300].flatMap(sail),
    both(oval(190, 128, 11), '#4a4038', '#1d1a16', 2),
  ],
  [
    target('sail', 288, 186, 14),
    target('cap', 150, 140, 12),
    target('shaft', 190, 128, 9),
    target('tower', 146, 324, 14),
    target('gallery', 108, 292, 8),
    target('door', 190, 334, 12),
    target('window', 190, 245, 9),
    target('tail pole', 306, 226, 8),
  ],
  ['windmill', 'wind', 'mill', 'flour', 'energy', 'building'],
);

const wheel = (x: number, y: number): PicturePath[] => [
  stroked(oval(x, y, 74), '#2a2820', 9),
  stroked(oval(x, y, 67), '#b9b3a6', 3.4),
  stroked(
    Array.from({ length: 12 }, (_, i) => {
      const a = (i * Math.PI) / 6;
      return `M${x} ${y}L${Math.round((x + Math.cos(a) * 66) * 10) / 10} ${Math.round((y + Math.sin(a) * 66) * 10) / 10}`;
    }).join(''),
    '#a59e90',
    1.5,
  ),
  both(oval(x, y, 7), '#8d8677', '#3b372e', 2),
];

export const bicycle = diagram(
  'bicycle',
  'A bicycle',
  520,
  320,
  [
    ...wheel(116, 218),
    ...wheel(402, 218),
    stroked('M116 210L232 216M116 226L232 230', '#3b372e', 2.4),
    stroked('M116 218L196 116L356 112M196 116L236 222L116 218M236 222L362 132M350 92L402 218', '#3a1f14', 11),
    stroked('M116 218L196 116L356 112M196 116L236 222L116 218M236 222L362 132M350 92L402 218', '#b0442a', 7.5),
    stroked('M196 116L184 82', '#3b372e', 6),
    both('M150 76C164 66 204 66 218 74C220 84 196 82 184 90C172 88 150 86 150 76Z', '#2a2820', '#12110d', 2),
    stroked('M350 92L342 66C356 54 380 58 392 72', '#3b372e', 6),
    stroked('M378 60C386 62 392 68 394 76', '#1d1a16', 9),
    both(oval(236, 222, 21), '#c9c3b4', '#3b372e', 2.4),
    stroked('M236 222L262 258', '#3b372e', 6),
    stroked('M248 262H280', '#2a2820', 8),
    stroked('M384 148C398 142 412 144 424 152', '#3b372e', 4),
    both('M92 132C118 126 146 136 166 152L160 158C142 146 116 138 94 142Z', '#7f9d63', '#39552c', 1.8),
    both(oval(366, 96, 10, 8), '#f6cf5a', '#7d6a1c', 2),
  ],
  [
    target('saddle', 176, 78, 12),
    target('frame', 276, 114, 10),
    target('handlebars', 362, 58, 10),
    target('brake', 404, 146, 9),
    target('spokes', 402, 254, 14),
    target('tyre', 116, 292, 8),
    target('pedal', 266, 262, 9),
    target('chain', 176, 229, 8),
    target('mudguard', 128, 138, 8),
    target('lamp', 367, 96, 8),
  ],
  ['bicycle', 'bike', 'cycling', 'traffic', 'machine'],
);
