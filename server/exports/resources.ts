import type { Pictures } from '../../core/pictures/picture';
import type { SvgOptions } from '../../core/drawing/svg';
import type { Faces } from '../../core/text/faces';
import { fontBytes } from '../art/shipped';
import type { PictureFiles } from '../stores/pictures';
import type { PdfResources } from './pdf';
import { shadowPng } from './png';
import { tonedImage } from './toned';

const NO_OWN: PictureFiles = { drawn: [], files: new Map() };

export function withOwn(shipped: Pictures, { drawn }: PictureFiles): Pictures {
  const own = new Map(drawn.map((picture) => [picture.id, picture]));
  return (id) => own.get(id) ?? shipped(id);
}

/** An SVG holds its pictures within it. */
export const embedding = ({ files }: PictureFiles): SvgOptions => ({
  imageUrl: ({ asset }) => {
    const bytes = files.get(asset);
    const type = asset.endsWith('.png') ? 'image/png' : 'image/jpeg';
    return bytes && `data:${type};base64,${Buffer.from(bytes).toString('base64')}`;
  },
});

/** What a PDF is made with besides its pages. */
export const pdfResources = (faces: Faces, own: PictureFiles = NO_OWN): PdfResources => ({
  font: fontBytes,
  image: (asset) => own.files.get(asset),
  toned: async (asset, tone) => {
    const bytes = own.files.get(asset);
    return bytes && tonedImage(bytes, asset.endsWith('.png'), tone);
  },
  shadow: (node) => shadowPng(node, faces, embedding(own)),
});
