import type { PicturePath } from '../../core/pictures/picture';
import { both, diagram, filled, oval, stroked, target } from './drawn';

const OUT = '#3b3a24';
const shell = '#8f9a55';
const limb = '#a3a862';

/** The right half is the left half mirrored about x = 240. */
const mirrored = (d: string) => {
  let axis = 0;
  return d.replace(/[A-Z]|-?\d+(?:\.\d+)?/g, (token) => {
    if (/[A-Z]/.test(token)) {
      axis = 0;
      return token;
    }
    return axis++ % 2 === 0 ? `${480 - Number(token)}` : token;
  });
};
const pair = (draw: (d: string) => PicturePath[], d: string) => [...draw(d), ...draw(mirrored(d))];
const leg = (d: string) => [stroked(d, OUT, 17), stroked(d, limb, 12)];

export const shoreCrab = diagram(
  'shore-crab',
  'Shore crab',
  480,
  330,
  [
    ...pair(leg, 'M160 196 L84 172 L30 214'),
    ...pair(leg, 'M156 214 L76 212 L34 264'),
    ...pair(leg, 'M164 232 L96 254 L70 306'),
    ...pair(leg, 'M184 248 L132 288 L124 322'),
    ...pair((d) => [stroked(d, OUT, 27), stroked(d, limb, 21)], 'M172 158 L112 130 L96 84'),
    ...pair(
      (d) => [both(d, limb, OUT, 3.5)],
      'M112 96 C76 92 58 60 78 22 C84 38 92 46 104 50 C106 38 116 28 132 24 C146 60 138 88 112 96 Z',
    ),
    ...pair((d) => [stroked(d, OUT, 2)], 'M104 50 L108 66'),
    both(
      'M240 98C300 98 352 122 362 152C366 182 334 242 292 262C262 272 218 272 188 262C146 242 114 182 118 152C128 122 180 98 240 98Z',
      shell,
      OUT,
      4,
    ),
    ...pair((d) => [filled(d, '#6f7a3d')], 'M196 140 C176 152 176 184 196 206 C206 188 206 158 196 140 Z'),
    stroked(
      'M204 216C226 206 254 206 276 216M222 140C234 134 246 134 258 140M206 240C228 232 252 232 274 240',
      OUT,
      2.6,
      0.75,
    ),
    ...[150, 172, 308, 330].map((x, i) => filled(oval(x, i % 3 === 0 ? 170 : 222, 5), '#b9c07d')),
    ...pair((d) => [stroked(d, OUT, 10)], 'M214 104 L206 82'),
    ...pair((d) => [stroked(d, OUT, 2.6)], 'M230 98 C226 78 218 66 204 56'),
    filled(oval(205, 79, 8), '#26251a'),
    filled(oval(275, 79, 8), '#26251a'),
    filled(oval(203, 76, 2.2), '#ffffff'),
    filled(oval(273, 76, 2.2), '#ffffff'),
  ],
  [
    target('pincer', 372, 60, 30),
    target('eye', 275, 79, 10),
    target('feeler', 206, 57, 12),
    target('shell', 240, 180, 60),
    target('walking leg', 88, 212, 24),
    target('joint', 396, 172, 14),
  ],
  ['crab', 'shore', 'animal', 'sea', 'claw', 'crustacean'],
);
