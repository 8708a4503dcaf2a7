import { both, diagram, filled, oval, stroked, target } from './drawn';

const OUT = '#33424c';
const leg = '#b99a52';
const neck = 'M236 232C292 206 296 168 268 140C246 117 246 92 268 72';

export const heron = diagram(
  'heron',
  'Grey heron',
  420,
  480,
  [
    // far leg
    stroked('M226 306L236 378L232 452', OUT, 10),
    stroked('M226 306L236 378L232 452', leg, 6),
    stroked('M232 453L262 460M232 453L252 466M232 453L214 462', OUT, 5),
    // near leg
    stroked('M192 306L184 380L192 456', OUT, 11),
    stroked('M192 306L184 380L192 456', leg, 7),
    filled(oval(184, 380, 6.5, 8), '#a58541'),
    stroked('M192 457L226 464M192 457L214 472M192 457L168 467', OUT, 5.5),
    // tail
    both('M120 278L52 306C70 318 100 320 138 308Z', '#8d9ea9', OUT, 3),
    stroked('M112 294L66 308M122 302L86 313', OUT, 1.6, 0.7),
    // body
    both(
      'M246 208C278 246 268 296 222 312C178 326 126 314 92 300C122 262 152 222 196 208C214 202 234 200 246 208Z',
      '#c3ced5',
      OUT,
      3,
    ),
    // neck
    stroked(neck, OUT, 31),
    stroked(neck, '#eef2f3', 25),
    stroked('M274 216C296 190 288 160 268 140', '#33424c', 2.4, 0.85),
    filled('M271 128l5 9l-8 -3zM283 150l4 10l-7 -5zM287 174l1 11l-6 -7zM281 196l-3 10l-4 -8z', '#33424c'),
    // plumes
    both(
      'M246 214C270 238 272 282 250 330C248 312 244 300 238 290C236 302 232 310 226 320C224 282 226 244 246 214Z',
      '#eef2f3',
      OUT,
      2.4,
    ),
    stroked('M250 232C258 258 258 284 250 312M240 240C244 262 244 276 240 288', OUT, 1.4, 0.6),
    // wing
    both('M230 216C186 212 140 246 78 300C124 304 178 300 212 280C240 264 248 232 230 216Z', '#8fa3b0', OUT, 3),
    both('M78 300C124 304 168 300 196 288C168 286 140 284 118 274C104 282 92 290 78 300Z', '#3d4c57', OUT, 2),
    stroked(
      'M216 228C190 232 160 250 132 272M224 240C204 250 178 262 152 276M226 256C212 266 196 274 176 280',
      OUT,
      1.8,
      0.75,
    ),
    // crest
    both(
      'M272 50C244 40 214 54 176 94C186 90 192 88 198 86C190 92 186 98 184 104C214 82 244 74 266 70Z',
      '#2b3740',
      OUT,
      1.6,
    ),
    // head
    both(
      'M258 74C254 54 270 42 290 44C306 46 316 54 320 62C318 74 300 84 282 84C270 84 261 82 258 74Z',
      '#f4f7f7',
      OUT,
      3,
    ),
    filled('M262 60C272 46 288 44 300 48C290 50 282 54 276 62C270 66 264 66 262 60Z', '#2b3740'),
    // bill
    both('M312 55L396 69L310 77C314 70 315 62 312 55Z', '#e2a53c', OUT, 2.8),
    stroked('M314 66L384 69', OUT, 1.5, 0.8),
    // eye
    filled(oval(296, 60, 6.4), '#f3c64c'),
    filled(oval(297, 60, 3.4), '#1c242a'),
    filled(oval(298.2, 58.6, 1.1), '#ffffff'),
  ],
  [
    target('crest', 200, 82, 20),
    target('eye', 296, 60, 9),
    target('bill', 350, 68, 26),
    target('neck', 281, 168, 24),
    target('plumes', 250, 272, 20),
    target('wing', 166, 262, 34),
    target('tail', 78, 306, 18),
    target('leg', 190, 342, 20),
    target('toes', 210, 463, 20),
  ],
  ['bird', 'wader', 'marsh', 'water', 'animal', 'beak', 'feathers'],
);
