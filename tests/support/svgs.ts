/** Drawings as programs write them, each with something of its own: what is read of them is compared with what a browser shows. */

const svg = (inner: string, attributes = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${attributes}>${inner}</svg>`;

const LEAF = 'M50 90C20 70 20 30 50 10C80 30 80 70 50 90Z';
const BANDS =
  '<stop offset="0" stop-color="#e2574c"/><stop offset=".5" stop-color="#f4c542"/><stop offset="1" stop-color="#3f8fd6"/>';

export const SVGS: readonly [name: string, text: string][] = [
  [
    'basic shapes',
    svg(
      '<rect x="5" y="5" width="40" height="30" fill="#4a7"/><circle cx="75" cy="22" r="18" fill="tomato"/><ellipse cx="25" cy="70" rx="20" ry="12" fill="rgb(60,90,200)"/><polygon points="60,90 75,50 92,88" fill="hsl(40,80%,50%)"/>',
    ),
  ],
  [
    'lines and polylines',
    svg(
      '<line x1="5" y1="5" x2="95" y2="40" stroke="#333" stroke-width="4"/><polyline points="10,90 30,50 50,80 70,45 90,85" fill="none" stroke="#c33" stroke-width="5" stroke-linejoin="round" stroke-linecap="round"/>',
    ),
  ],
  [
    'curves of every kind',
    svg(
      '<path d="M10 50C20 10 40 10 50 50S80 90 90 50" fill="none" stroke="#246" stroke-width="3"/><path d="M10 80Q30 60 50 80T90 80" fill="none" stroke="#a40" stroke-width="3"/><path d="M20 25a15 8 30 1 0 25 5z" fill="#ad6"/>',
    ),
  ],
  [
    'relative commands run together',
    svg('<path d="m10 10h30v30h-30zm50 0 20 30-40 0zM10.5.5.8 9.2-3-4z" fill="#57a"/><path d="M60 60l30-.5-.5 30z"/>'),
  ],
  [
    'round corners',
    svg(
      '<rect x="10" y="20" width="80" height="60" rx="20" fill="#78b"/><rect x="30" y="35" width="40" height="30" rx="30" ry="8" fill="#fff"/>',
    ),
  ],
  [
    'even-odd holes',
    svg(`<path fill-rule="evenodd" d="${LEAF}M50 70C40 60 40 40 50 30C60 40 60 60 50 70Z" fill="#3b7d46"/>`),
  ],
  ['overlaps without holes', svg('<path d="M20 20h40v40h-40zM40 40h40v40h-40z" fill="#963"/>')],
  [
    'turned, scaled and skewed',
    svg(
      '<g transform="translate(50 50) rotate(30)"><rect x="-30" y="-10" width="60" height="20" fill="#c66"/><g transform="scale(.5,2)"><circle r="10" fill="#66c"/></g></g><rect transform="skewX(20) translate(5 75)" width="30" height="15" fill="#6a6"/><rect transform="matrix(.7 .7 -.7 .7 70 10)" width="20" height="20"/>',
    ),
  ],
  [
    'inherited from groups',
    svg(
      '<g fill="#a25" stroke="#222" stroke-width="3"><circle cx="25" cy="25" r="15"/><g fill="#5a2"><circle cx="70" cy="25" r="15"/><circle cx="25" cy="70" r="15" stroke="none"/></g><circle cx="70" cy="70" r="15" fill="none"/></g>',
    ),
  ],
  [
    'style attributes',
    svg(
      '<rect x="10" y="10" width="80" height="35" style="fill:#2a9d8f;stroke:#264653;stroke-width:5"/><rect x="10" y="55" width="80" height="35" style="fill:none; stroke: #e76f51 ;stroke-width:6px"/>',
    ),
  ],
  [
    'a style sheet',
    svg(
      '<style>/* colours */ .a{fill:#e9c46a} .b,.c{fill:#f4a261} #one{fill:#264653} rect.c{stroke:#000;stroke-width:2}</style><rect class="a" width="45" height="45"/><rect class="b" x="50" width="45" height="45"/><rect class="c" y="50" width="45" height="45"/><rect id="one" class="a" x="50" y="50" width="45" height="45"/>',
    ),
  ],
  [
    'see-through shapes',
    svg(
      '<rect x="10" y="10" width="50" height="80" fill="#c00" fill-opacity=".5"/><rect x="40" y="30" width="50" height="40" fill="#00c" opacity=".5"/><circle cx="50" cy="80" r="15" fill="rgba(0,120,0,.6)"/>',
    ),
  ],
  [
    'a group that is see-through as a whole',
    svg(
      '<rect width="100" height="50" fill="#fd6"/><g opacity=".5"><circle cx="40" cy="50" r="30" fill="#c00"/><circle cx="60" cy="50" r="30" fill="#00c"/></g>',
    ),
  ],
  [
    'a gradient along a shape',
    svg(
      `<linearGradient id="g">${BANDS}</linearGradient><rect x="5" y="5" width="90" height="40" fill="url(#g)"/><circle cx="50" cy="72" r="22" fill="url(#g)"/>`,
    ),
  ],
  [
    'a gradient on the page, turned',
    svg(
      `<defs><linearGradient id="g" gradientUnits="userSpaceOnUse" x1="10" y1="10" x2="90" y2="90" gradientTransform="rotate(20 50 50)">${BANDS}</linearGradient></defs><path d="${LEAF}" fill="url(#g)"/>`,
    ),
  ],
  [
    'a slanting gradient on a wide shape',
    svg(
      `<linearGradient id="g" x1="0" y1="0" x2="1" y2="1">${BANDS}</linearGradient><rect x="5" y="30" width="90" height="25" fill="url(#g)"/>`,
    ),
  ],
  [
    'a round gradient',
    svg(
      `<radialGradient id="g" cx=".4" cy=".4" r=".6">${BANDS}</radialGradient><circle cx="50" cy="50" r="40" fill="url(#g)"/>`,
    ),
  ],
  [
    'a round gradient on a wide shape',
    svg(`<radialGradient id="g">${BANDS}</radialGradient><rect x="5" y="30" width="90" height="40" fill="url(#g)"/>`),
  ],
  [
    'gradients that follow others',
    svg(
      `<linearGradient id="a">${BANDS}</linearGradient><linearGradient id="b" xlink:href="#a" x1="0" x2="0" y1="0" y2="1"/><radialGradient id="c" href="#a"/><rect width="48" height="100" fill="url(#b)"/><rect x="52" width="48" height="48" fill="url(#c)"/>`,
    ),
  ],
  [
    'a gradient that fades out',
    svg(
      '<linearGradient id="g" x2="0" y2="1"><stop stop-color="#06c"/><stop offset="1" stop-color="#06c" stop-opacity="0"/></linearGradient><rect width="100" height="100" fill="#fe9"/><rect width="100" height="100" fill="url(#g)"/>',
    ),
  ],
  [
    'a gradient along a line',
    svg(
      `<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="0" x2="100" y1="0" y2="0">${BANDS}</linearGradient><path d="M10 80C30 0 60 100 90 20" fill="none" stroke="url(#g)" stroke-width="9"/>`,
    ),
  ],
  [
    'dashes',
    svg(
      '<path d="M5 20H95" stroke="#333" stroke-width="4" stroke-dasharray="10 5"/><path d="M5 50H95" stroke="#833" stroke-width="6" stroke-dasharray="1,9" stroke-linecap="round"/><circle cx="50" cy="75" r="18" fill="none" stroke="#383" stroke-width="3" stroke-dasharray="7"/>',
    ),
  ],
  [
    'pointed and round corners',
    svg(
      '<path d="M10 40L30 10L50 40" fill="none" stroke="#236" stroke-width="8"/><path d="M55 40L75 10L95 40" fill="none" stroke="#632" stroke-width="8" stroke-linejoin="round"/><path d="M20 90L50 55L80 90" fill="none" stroke="#362" stroke-width="6" stroke-linecap="round"/>',
    ),
  ],
  [
    'copies of a part',
    svg(
      '<defs><g id="tree"><rect x="-3" y="0" width="6" height="14" fill="#853"/><circle cy="-6" r="13" fill="#5a5"/></g></defs><use href="#tree" x="25" y="60"/><use xlink:href="#tree" transform="translate(55 60) scale(1.4)"/><use href="#tree" x="85" y="60" opacity=".5"/>',
    ),
  ],
  [
    'a symbol with a view of its own',
    svg(
      '<symbol id="s" viewBox="0 0 10 10"><path d="M5 0L10 10H0z" fill="#c72"/></symbol><use href="#s" x="5" y="5" width="40" height="40"/><use href="#s" x="50" y="30" width="45" height="20"/>',
    ),
  ],
  [
    'cut to a shape',
    svg(
      `<clipPath id="c"><circle cx="50" cy="50" r="35"/></clipPath><g clip-path="url(#c)"><rect width="100" height="50" fill="#69c"/><rect y="50" width="100" height="50" fill="#963"/></g>`,
    ),
  ],
  [
    'cut to several shapes, each turned',
    svg(
      '<clipPath id="c" transform="rotate(10 50 50)"><rect x="10" y="10" width="35" height="80"/><rect x="55" y="10" width="35" height="80" transform="translate(0 10)"/></clipPath><rect width="100" height="100" fill="#a5c" clip-path="url(#c)"/>',
    ),
  ],
  [
    'wide, with room above and below',
    svg(
      '<rect width="100" height="100" fill="#dde"/><circle cx="50" cy="50" r="40" fill="#44a"/>',
      'viewBox="0 0 100 100" width="200" height="100"',
    ),
  ],
  [
    'stretched, and reaching over its edge',
    svg(
      '<circle cx="50" cy="50" r="60" fill="#4a4"/><path d="M-20 -20L120 120L110 130L-30 -10z" fill="#222"/>',
      'viewBox="0 0 100 100" width="180" height="90" preserveAspectRatio="none"',
    ),
  ],
  [
    'in millimetres, with a drawing inside a drawing',
    svg(
      '<rect width="210" height="148" fill="#fffbe8"/><svg x="20" y="20" width="80" height="100" viewBox="0 0 40 40"><circle cx="20" cy="20" r="24" fill="#d55"/></svg><rect x="120" y="30" width="60" height="80" fill="#58a"/>',
      'width="210mm" height="148mm" viewBox="0 0 210 148"',
    ),
  ],
  [
    'hidden parts, and what a program keeps for itself',
    `<?xml version="1.0" encoding="UTF-8"?><!-- made by a program --><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd">${svg('<title>A leaf</title><metadata><x>1</x></metadata><g display="none"><rect width="100" height="100"/></g><rect width="100" height="100" visibility="hidden"/><g visibility="hidden"><circle cx="80" cy="20" r="12" fill="#c33" visibility="visible"/></g><path d="' + LEAF + '" fill="#6a4"/>')}`,
  ],
  ['a silhouette without any attribute', svg('<path d="M20 80 Q10 40 50 20 Q90 40 80 80 Q65 60 50 80 Q35 60 20 80"/>')],
];
