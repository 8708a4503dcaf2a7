import sharp from 'sharp';

/** Pictures that stand for a teacher's photos, painted by code: a curlew on the mud with litter beside it, and one against the sky. */

const SPECKS = Array.from({ length: 46 }, (_, i) => {
  const [angle, away] = [i * 2.4, 9 + Math.sqrt(i) * 13];
  const [x, y] = [20 + away * Math.cos(angle) * 0.8, 58 + away * Math.sin(angle) * 0.62];
  return `<ellipse cx="${x}" cy="${y}" rx="4.6" ry="2.4" transform="rotate(${30 + i * 7} ${x} ${y})"/>`;
}).join('');

const curlewAt = (x: number, y: number, scale: number) => `<g transform="translate(${x} ${y}) scale(${scale})">
<path d="M-18 132L-24 236M16 134L22 234" stroke="#6f7f86" stroke-width="7" stroke-linecap="round"/>
<path d="M-24 236l-24 8M-24 236l22 8M22 234l-22 10M22 234l26 8" stroke="#5f6f76" stroke-width="6" stroke-linecap="round"/>
<path d="M-150 62C-128 10-60-18 8-6C40-1 62-20 70-58C76-92 98-112 124-106C146-101 152-80 146-62C138-34 124-10 116 26C104 84 60 138-6 138C-50 138-84 122-104 102L-196 84Z" fill="url(#body)"/>
<path d="M-150 62C-110 22-40 16 20 38C-6 84-70 108-196 84Z" fill="url(#wing)"/>
<path d="M-128 66C-90 44-40 42 2 50M-140 74C-100 60-56 60-20 66M-150 80C-120 74-84 76-52 82" stroke="#4d3b28" stroke-width="4" fill="none" opacity=".55"/>
<path d="M146-84C200-86 252-60 282 2C250-40 200-64 144-66Z" fill="#3c2f26"/>
<circle cx="126" cy="-84" r="6.5" fill="#171310"/><circle cx="128" cy="-86" r="2" fill="#fff"/>
<g fill="#5a452e" opacity=".5">${SPECKS}</g></g>`;

const DEFS = `<defs>
<linearGradient id="sky" x2="0" y2="1"><stop stop-color="#a9c6dc"/><stop offset="1" stop-color="#e6ecea"/></linearGradient>
<linearGradient id="mud" x2="0" y2="1"><stop stop-color="#b9ab92"/><stop offset="1" stop-color="#8b7a61"/></linearGradient>
<linearGradient id="body" x2="0" y2="1"><stop stop-color="#9a7f5c"/><stop offset=".6" stop-color="#c0a883"/><stop offset="1" stop-color="#ece3d0"/></linearGradient>
<linearGradient id="wing" x2="1" y2="1"><stop stop-color="#6d5538"/><stop offset="1" stop-color="#93764f"/></linearGradient>
<filter id="far"><feGaussianBlur stdDeviation="9"/></filter><filter id="near"><feGaussianBlur stdDeviation="1.2"/></filter>
<filter id="soft"><feGaussianBlur stdDeviation="4"/></filter>
<filter id="grain" x="0" y="0" width="1" height="1"><feTurbulence type="fractalNoise" baseFrequency=".012 .09" numOctaves="3" seed="4"/><feColorMatrix values="0 0 0 0 .28  0 0 0 0 .22  0 0 0 0 .15  .55 0 0 0 -.16"/></filter></defs>`;

const [WIDTH, HEIGHT] = [1600, 1100];
/** Where the litter lies, in shares of the photo. */
export const LITTER = { x: 0.79, y: 0.71, width: 0.1, height: 0.12 };

const ON_MUD = `<rect width="1600" height="1100" fill="url(#sky)"/>
<g filter="url(#far)"><path d="M-40 430C300 400 500 428 800 410S1400 396 1640 424V520H-40Z" fill="#7f957d"/><rect x="-40" y="470" width="1680" height="140" fill="#9fb6c2"/><rect x="-40" y="520" width="1680" height="40" fill="#c3d2d6"/></g>
<rect y="572" width="1600" height="528" fill="url(#mud)"/><rect y="572" width="1600" height="528" filter="url(#grain)" opacity=".8"/>
<ellipse cx="700" cy="962" rx="330" ry="22" fill="#5a4a35" opacity=".55" filter="url(#soft)"/>
<g filter="url(#soft)" transform="rotate(-18 1340 850)"><rect x="1290" y="826" width="100" height="44" rx="14" fill="#d8e4ee"/><rect x="1384" y="838" width="28" height="20" fill="#c2412d"/></g>
<g filter="url(#near)">${curlewAt(700, 520, 1.85)}</g>`;

const IN_SKY = `<rect width="1600" height="1100" fill="url(#sky)"/><g filter="url(#near)">${curlewAt(730, 470, 2.4)}</g>`;

/** @returns a JPEG */
export const curlewPhoto = (where: 'on the mud' | 'against the sky'): Promise<Buffer> =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">${DEFS}${where === 'on the mud' ? ON_MUD : IN_SKY}</svg>`,
    ),
  )
    .jpeg({ quality: 88 })
    .toBuffer();
