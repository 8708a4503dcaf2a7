import { parseHex, parseHslLegacy, parseNamed, parseRgbLegacy } from 'culori/fn';
import { useMode as converter, modeHsl, modeRgb } from 'culori/fn';
import { hexOf } from '../../colour/rgb';
import type { SvgElement } from './tree';
import { elementsOf, wordsOf } from './tree';

/** How the elements of an SVG look: attributes, style attributes and simple rules of style sheets. */

/** What an element hands on to those within it, by names as they stand in the file. */
export type Style = Readonly<Record<string, string>>;

/** What is handed on. */
const INHERITED = new Set([
  'fill',
  'fill-opacity',
  'fill-rule',
  'clip-rule',
  'stroke',
  'stroke-opacity',
  'stroke-width',
  'stroke-linecap',
  'stroke-linejoin',
  'stroke-dasharray',
  'color',
  'visibility',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
]);
const OWN = new Set(['opacity', 'display', 'stop-color', 'stop-opacity', 'clip-path', 'mask', 'filter']);

type Rule = { matches: (element: SvgElement) => boolean; weight: number; values: Record<string, string> };

const declarations = (text: string): Record<string, string> =>
  Object.fromEntries(
    text.split(';').flatMap((part) => {
      const at = part.indexOf(':');
      const name = part.slice(0, at).trim().toLowerCase();
      return at > 0
        ? [
            [
              name,
              part
                .slice(at + 1)
                .replace(/!important/i, '')
                .trim(),
            ],
          ]
        : [];
    }),
  );

/** One selector without blanks in it: a tag, classes and a name. */
function ruleOf(selector: string, values: Record<string, string>): Rule[] {
  const read = /^([a-z]+|\*)?((?:\.[\w-]+)*)(#[\w-]+)?$/i.exec(selector.trim());
  if (!read || selector.trim() === '') return [];
  const [, tag, dotted, name] = read;
  const classes = dotted.split('.').filter(Boolean);
  return [
    {
      weight: (name ? 100 : 0) + classes.length * 10 + (tag && tag !== '*' ? 1 : 0),
      values,
      matches: ({ name: own, attributes }) => {
        const has = (attributes.class ?? '').split(/\s+/);
        return (
          (!tag || tag === '*' || tag === own) &&
          (!name || attributes.id === name.slice(1)) &&
          classes.every((one) => has.includes(one))
        );
      },
    },
  ];
}

/** The rules of all style sheets in a file, the weakest first. */
export function rulesOf(svg: SvgElement): Rule[] {
  const sheets: string[] = [];
  const walk = (element: SvgElement) => {
    if (element.name === 'style') sheets.push(wordsOf(element));
    else elementsOf(element).forEach(walk);
  };
  walk(svg);
  const rules = sheets.flatMap((sheet) =>
    [...sheet.replace(/\/\*[\s\S]*?\*\//g, '').matchAll(/([^{}@]+)\{([^{}]*)\}/g)].flatMap(([, selectors, body]) =>
      selectors.split(',').flatMap((selector) => ruleOf(selector, declarations(body))),
    ),
  );
  return rules.sort((a, b) => a.weight - b.weight);
}

/** The style of an element, with what it inherits. */
export function styleOf(element: SvgElement, around: Style, rules: readonly Rule[]): Style {
  const style: Record<string, string> = {};
  for (const name of INHERITED) if (around[name] !== undefined) style[name] = around[name];
  const put = (values: Readonly<Record<string, string>>) => {
    for (const [name, value] of Object.entries(values))
      if ((INHERITED.has(name) || OWN.has(name)) && value !== 'inherit') style[name] = value;
  };
  put(element.attributes);
  for (const rule of rules) if (rule.matches(element)) put(rule.values);
  if (element.attributes.style) put(declarations(element.attributes.style));
  return style;
}

const toRgb = (converter(modeRgb), converter(modeHsl), converter(modeRgb));
const PARSERS = [parseNamed, parseHex, parseRgbLegacy, parseHslLegacy];

/** A colour as it is written in a file; null where it is none. */
export function colourOf(text: string, style: Style): { hex: string; alpha: number } | null {
  const written = text.trim().toLowerCase();
  if (written === 'currentcolor') return colourOf(style.color ?? 'black', {});
  if (written === 'transparent') return { hex: '#000000', alpha: 0 };
  for (const parse of PARSERS) {
    const read = (parse as (text: string) => Parameters<typeof toRgb>[0] | undefined)(written);
    if (!read) continue;
    const { r, g, b, alpha = 1 } = toRgb(read)!;
    return { hex: hexOf([r * 255, g * 255, b * 255]), alpha };
  }
  return null;
}

/** A share, also in per cent, 0 to 1. */
export function shareOf(text: string | undefined, otherwise = 1): number {
  if (text === undefined) return otherwise;
  const value = parseFloat(text) / (text.trim().endsWith('%') ? 100 : 1);
  return Number.isFinite(value) ? Math.max(0, Math.min(1, value)) : otherwise;
}

/** Pixels to a unit. */
const UNITS: Record<string, number> = { px: 1, pt: 4 / 3, pc: 16, in: 96, cm: 96 / 2.54, mm: 96 / 25.4 };

/** A length in pixels. @param whole what 100% is; @param em the size of the letters */
export function lengthOf(text: string | undefined, whole: number, otherwise: number, em = 16): number {
  const [, digits, unit] = /^\s*([-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?)\s*(%|[a-z]*)\s*$/i.exec(text ?? '') ?? [];
  if (digits === undefined) return otherwise;
  const value = Number(digits);
  if (unit === '%') return (value / 100) * whole;
  if (unit === 'em') return value * em;
  if (unit === 'ex' || unit === 'ch') return (value * em) / 2;
  return value * (UNITS[unit.toLowerCase()] ?? 1);
}

/** All numbers in a text. */
export const numbersOf = (text: string): number[] =>
  (text.match(/[-+]?(?:\d+\.?\d*|\.\d+)(?:e[-+]?\d+)?/gi) ?? []).map(Number);
