import type { Faces } from '../../core/text/faces';
import { fontBytes } from '../shelf';
import type { PdfResources } from './pdf';
import { shadowPng } from './png';

/** What a PDF is made with besides its pages. */
export const pdfResources = (faces: Faces): PdfResources => ({
  font: fontBytes,
  image: () => undefined,
  shadow: (node) => shadowPng(node, faces),
});
