import { SaxesParser } from 'saxes';

/** An SVG file as a tree of elements. Nothing outside of the file is ever asked for, and no entity is expanded. */

export type SvgElement = {
  /** Without the namespace's prefix. */
  name: string;
  attributes: Readonly<Record<string, string>>;
  children: (SvgElement | string)[];
};

/** What is wrong with a drawing, as a sentence that says what to do. */
export class SvgProblem extends Error {
  override name = 'SvgProblem';
}

const MOST_ELEMENTS = 20_000;
const DEEPEST = 64;

/** @throws SvgProblem where it is no SVG, or too much of one */
export function svgTree(text: string): SvgElement {
  const root: SvgElement = { name: '', attributes: {}, children: [] };
  const open = [root];
  let count = 0;
  const parser = new SaxesParser();
  parser.on('error', () => {
    throw new SvgProblem(
      /<!ENTITY/i.test(text)
        ? 'This drawing is put together from abbreviations (entities), which are not read. Save it as plain SVG and try again.'
        : 'This drawing is damaged and can’t be read to its end. Save it anew and try again.',
    );
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (++count > MOST_ELEMENTS)
      throw new SvgProblem(`This drawing has more than ${MOST_ELEMENTS} parts. Simplify it and try again.`);
    if (open.length > DEEPEST)
      throw new SvgProblem(`The groups of this drawing lie more than ${DEEPEST} deep. Simplify it and try again.`);
    const element: SvgElement = {
      name: name.replace(/^.*:/, ''),
      attributes: Object.fromEntries(
        Object.entries(attributes as Record<string, string>).map(([key, value]) => [
          key.replace(/^xlink:/, ''),
          value.trim(),
        ]),
      ),
      children: [],
    };
    open.at(-1)!.children.push(element);
    open.push(element);
  });
  const words = (given: string) => open.at(-1)!.children.push(given);
  parser.on('text', words);
  parser.on('cdata', words);
  parser.on('closetag', () => open.pop());
  parser.write(text).close();
  const svg = elementsOf(root)[0];
  if (svg?.name !== 'svg') throw new SvgProblem('This is no SVG drawing. Save it as SVG, PNG or JPEG and try again.');
  return svg;
}

export const elementsOf = ({ children }: SvgElement): SvgElement[] =>
  children.filter((child): child is SvgElement => typeof child !== 'string');

/** All words within an element. */
export const wordsOf = ({ children }: SvgElement): string =>
  children.map((child) => (typeof child === 'string' ? child : wordsOf(child))).join('');

/** Every element with a name of its own, the first of a name. */
export function namedElements(svg: SvgElement): Map<string, SvgElement> {
  const found = new Map<string, SvgElement>();
  const walk = (element: SvgElement) => {
    const { id } = element.attributes;
    if (id !== undefined && !found.has(id)) found.set(id, element);
    elementsOf(element).forEach(walk);
  };
  walk(svg);
  return found;
}
