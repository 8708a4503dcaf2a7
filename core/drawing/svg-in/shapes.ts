import { lengthOf, numbersOf } from './style';
import type { SvgElement } from './tree';

/** The outlines of the basic shapes. */

/** @param view what percentages are of; @returns null for what is no shape */
export function outlineOfShape(
  { name, attributes }: SvgElement,
  view: { width: number; height: number },
  em: number,
): string | null {
  const x = (key: string) => lengthOf(attributes[key], view.width, 0, em);
  const y = (key: string) => lengthOf(attributes[key], view.height, 0, em);
  switch (name) {
    case 'path':
      return attributes.d ?? '';
    case 'rect': {
      const [w, h] = [x('width'), y('height')];
      if (w <= 0 || h <= 0) return '';
      const has = (key: string) => attributes[key] !== undefined && attributes[key] !== 'auto';
      const rx = Math.min(w / 2, Math.max(0, has('rx') ? x('rx') : has('ry') ? y('ry') : 0));
      const ry = Math.min(h / 2, Math.max(0, has('ry') ? y('ry') : has('rx') ? x('rx') : 0));
      const [left, top] = [x('x'), y('y')];
      if (rx === 0 || ry === 0) return `M${left} ${top}h${w}v${h}h${-w}z`;
      const corner = `a${rx} ${ry} 0 0 1 `;
      return `M${left + rx} ${top}h${w - 2 * rx}${corner}${rx} ${ry}v${h - 2 * ry}${corner}${-rx} ${ry}h${2 * rx - w}${corner}${-rx} ${-ry}v${2 * ry - h}${corner}${rx} ${-ry}z`;
    }
    case 'circle':
    case 'ellipse': {
      const r = lengthOf(attributes.r, Math.hypot(view.width, view.height) / Math.SQRT2, 0, em);
      const [rx, ry] = name === 'circle' ? [r, r] : [x('rx') || y('ry'), y('ry') || x('rx')];
      if (rx <= 0 || ry <= 0) return '';
      return `M${x('cx') + rx} ${y('cy')}a${rx} ${ry} 0 0 1 ${-2 * rx} 0a${rx} ${ry} 0 0 1 ${2 * rx} 0z`;
    }
    case 'line':
      return `M${x('x1')} ${y('y1')}L${x('x2')} ${y('y2')}`;
    case 'polyline':
    case 'polygon': {
      const points = numbersOf(attributes.points ?? '');
      if (points.length < 4) return '';
      const pairs = points.slice(0, points.length - (points.length % 2));
      return `M${pairs.join(' ')}${name === 'polygon' ? 'z' : ''}`;
    }
    default:
      return null;
  }
}
