import { both, diagram, filled, oval, stroked, target } from './drawn';

/** A round form that is cut off at the left, at x = 112, where the front of the eye begins. */
function cut(cx: number, cy: number, rx: number, ry: number): string {
  const points: string[] = [];
  for (let turn = -180; turn <= 180; turn += 3) {
    const a = (turn * Math.PI) / 180;
    const [x, y] = [cx + Math.cos(a) * rx, cy + Math.sin(a) * ry];
    if (x >= 112) points.push(`${Math.round(x * 10) / 10} ${Math.round(y * 10) / 10}`);
  }
  return `M${points.join('L')}Z`;
}

/** The eye cut through from the side, looking left. */
export const eye = diagram(
  'eye',
  'Inside the eye',
  420,
  300,
  [
    both('M322 128C352 120 384 116 416 112V178C384 176 352 172 322 166Z', '#f0cfa4', '#8a5a2c', 2.6),
    stroked('M330 138H414M330 147H414M330 156H414', '#c98f56', 2),
    both(cut(206, 148, 134, 128), '#f7f3ea', '#6d6153', 4),
    both(cut(206, 148, 121, 115), '#c4686a', '#8f3f44', 2),
    both(cut(206, 148, 113, 107), '#f5dfa2', '#c9a23c', 2),
    both(cut(206, 148, 107, 101), '#eef4f6', '#b8c9cf', 1.5),
    both('M112 62C72 84 54 116 54 148C54 180 72 212 112 234', '#dcecf2', '#5d8fb0', 3.4),
    both(
      'M112 62C96 92 90 120 90 148C90 176 96 204 112 234C104 206 102 178 102 148C102 118 104 90 112 62Z',
      '#eef4f6',
      '#6d6153',
      2,
    ),
    both('M114 70C104 92 100 108 100 122L114 124C116 106 120 92 128 82Z', '#5d8a6a', '#2e5139', 2.2),
    both('M114 226C104 204 100 188 100 174L114 172C116 190 120 204 128 214Z', '#5d8a6a', '#2e5139', 2.2),
    both(
      'M116 116C132 118 142 130 142 148C142 166 132 178 116 180C108 170 106 126 116 116Z',
      '#cfe3ee',
      '#41708d',
      2.6,
    ),
    stroked('M122 90L122 114M132 88L126 116M122 206L122 182M132 208L126 180', '#a97d5a', 2),
    filled(oval(312, 148, 7), '#d9a21f'),
    filled('M316 132C308 138 308 158 316 164Z', '#8a5a2c'),
    stroked('M58 132C64 118 74 104 88 92', '#ffffff', 3, 0.8),
  ],
  [
    target('cornea', 56, 168, 7),
    target('iris', 108, 92, 8),
    target('pupil', 98, 148, 7),
    target('lens', 126, 150, 12),
    target('retina', 238, 250, 6),
    target('optic nerve', 380, 146, 18),
    target('vitreous body', 222, 148, 36),
    target('sclera', 206, 23, 6),
  ],
  ['eye', 'sight', 'body', 'lens', 'biology', 'senses'],
);
