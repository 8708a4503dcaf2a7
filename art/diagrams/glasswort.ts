import type { PicturePath } from '../../core/pictures/picture';
import { diagram, filled, oval, stroked, target } from './drawn';

const OUT = '#39552c';
const GREEN = '#86a957';

/** A fleshy jointed stem from a foot, `count` joints long, leaning by `lean` a joint. */
function stem(x: number, y: number, lean: number, rise: number, count: number, size: number): PicturePath[] {
  return Array.from({ length: count }, (_, i) => {
    const shrink = 1 - i * 0.06;
    return [
      filled(oval(x + lean * i, y - rise * i, size * shrink + 2, rise * 0.62 + 2), OUT),
      filled(oval(x + lean * i, y - rise * i, size * shrink, rise * 0.62), i > count - 3 ? '#c4696a' : GREEN),
    ];
  }).flat();
}

export const glasswort = diagram(
  'glasswort',
  'Glasswort',
  320,
  400,
  [
    filled('M0 312C60 300 110 322 170 310C230 300 270 318 320 308V400H0Z', '#8b7355'),
    filled(
      'M0 312C60 300 110 322 170 310C230 300 270 318 320 308V322C270 332 230 314 170 324C110 336 60 314 0 326Z',
      '#6d5a43',
    ),
    stroked(
      'M160 316C160 340 158 360 150 388M160 324C172 344 190 352 206 372M159 330C144 346 128 350 112 368M160 340C168 356 170 370 172 384',
      '#e4d5b4',
      4,
    ),
    ...stem(150, 212, -7, 17, 7, 9),
    ...stem(170, 218, 7, 17, 7, 9),
    ...stem(150, 272, -9, 15, 8, 9),
    ...stem(170, 278, 9, 15, 8, 9),
    ...stem(160, 300, 0, 30, 9, 11),
  ],
  [
    target('root', 152, 376, 16),
    target('joint', 160, 226, 14),
    target('branch', 212, 208, 16),
    target('red tip', 160, 62, 16),
    target('mud', 40, 356, 30),
  ],
  ['plant', 'marsh', 'samphire', 'salt', 'succulent'],
);
