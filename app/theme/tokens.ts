/** Our colours and sizes, defined only here. The Ant Design theme and all styles are derived from them. */

export const COLOURS = {
  paper: '#fffefa',
  white: '#ffffff',
  desk: '#e9e2d0',
  margin: '#f2ebda',
  drawer: '#f6f0e1',
  shade: '#ebe3cf',
  tint: '#f3eddd',
  cream: '#faf6ea',
  ink: '#2a2820',
  'ink-soft': '#4d4737',
  soft: '#5f5948',
  faint: '#736c59',
  line: '#d8cfb8',
  'line-strong': '#cfc5ab',
  'line-soft': '#e9dfc8',
  'line-dark': '#a99f83',
  /** Edges of fields and buttons: 3 to 1 against what they stand on. */
  edge: '#8f8669',
  moss: '#456632',
  'moss-deep': '#2f4d26',
  'moss-mid': '#6d8d57',
  'moss-line': '#a9bd92',
  'moss-soft': '#dfe8d0',
  apricot: '#b2501c',
  'apricot-deep': '#7c3610',
  'apricot-line': '#d9824f',
  'apricot-soft': '#fbe6d6',
  sky: '#2c5d86',
  'sky-deep': '#1d4566',
  'sky-line': '#6b8fb0',
  'sky-soft': '#d5e3ee',
  straw: '#8f6a1c',
  'straw-deep': '#6d5314',
  'straw-line': '#c39a3a',
  'straw-edge': '#e0cf9d',
  'straw-soft': '#f4e8c8',
  rust: '#a8401f',
  'rust-soft': '#fdeee8',
  plum: '#8c4f86',
  'plum-deep': '#6f3a69',
  teal: '#2f7f86',
  stone: '#8a8169',
  fern: '#7f9d63',
  terracotta: '#c8632e',
  ochre: '#b98f45',
  'sky-pale': '#a3bfd6',
  clay: '#8a4a2a',
  peach: '#f2b48a',
  lit: '#fff6e0',
  sun: '#ffeebc',
} as const;
type ColourToken = keyof typeof COLOURS;

const veil = (colour: ColourToken, share: number) =>
  `${COLOURS[colour]}${Math.round(share * 255)
    .toString(16)
    .padStart(2, '0')}`;
const shadow = (down: number, blur: number, share: number) => `0 ${down}px ${blur}px rgb(74 62 30 / ${share}%)`;

/** Translucent colours. */
const VEILS = {
  'paper-veil': veil('paper', 0.94),
  'drawer-veil': veil('drawer', 0.94),
  'ink-edge': veil('ink', 0.26),
  'moss-veil': veil('moss', 0.12),
  'apricot-veil': veil('apricot', 0.13),
  'apricot-veil-strong': veil('apricot', 0.3),
  'sky-veil': veil('sky', 0.15),
  'sky-veil-strong': veil('sky', 0.26),
  'straw-veil': veil('straw-line', 0.38),
  'shade-warm': veil('straw-deep', 0.16),
  glow: veil('peach', 0.55),
  'lit-veil': veil('sun', 0.55),
};

export const SHADOWS = {
  'shadow-low': shadow(1, 3, 24),
  shadow: shadow(3, 12, 18),
  'shadow-high': shadow(6, 22, 26),
  'shadow-sheet': `${shadow(1, 2, 20)}, ${shadow(8, 30, 24)}`,
};

/** Pixels. */
export const RADII = { 'radius-small': 4, radius: 6, 'radius-card': 9, 'radius-large': 12, 'radius-pill': 999 };
export const SIZES = {
  'size-small': 12,
  'size-quiet': 13,
  'size-text': 14,
  'size-lead': 16,
  'size-head': 18,
  'size-title': 21,
  'size-show': 40,
};

export const FONTS = {
  read: "'Atkinson Hyperlegible Next', 'Atkinson Hyperlegible', system-ui, sans-serif",
  show: "'Fraunces', Georgia, serif",
};

/** All tokens as CSS custom properties. */
export function tokensCss(): string {
  const pixels = Object.entries({ ...RADII, ...SIZES, strip: 44 }).map(([name, value]) => [name, `${value}px`]);
  const all = [...Object.entries({ ...COLOURS, ...VEILS, ...SHADOWS, ...FONTS }), ...pixels];
  return `:root{${all.map(([name, value]) => `--${name}:${value}`).join(';')}}`;
}
