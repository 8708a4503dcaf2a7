import { createRequire } from 'node:module';
import { SaxesParser } from 'saxes';
import svgpath from 'svgpath';
import type { PicturePath } from '../core/pictures/picture';
import type { Tagged } from './diagrams/drawn';
import { oval } from './diagrams/drawn';

/** The colour pictures from fluent-emoji-flat (MIT), the ones that suit a school, taken apart into paths. */

const require = createRequire(import.meta.url);
type IconSet = {
  icons: Record<string, { body: string; width?: number; height?: number }>;
  width: number;
  height: number;
};
type Emoji = { hexcode: string; label: string; tags?: string[]; group?: number; unicode?: string; emoji?: string };

const GROUPS: Record<number, string> = {
  3: 'animals and plants',
  4: 'food',
  5: 'places and travel',
  6: 'play and sport',
  7: 'things',
};

/** Drink, smoke, weapons, gambling, medicine, death, money and the like have no place on a ten-year-old's sheet. */
const UNSUITED =
  /beer|wine|sake|cocktail|tropical-drink|champagne|clinking|tumbler|cigarette|pistol|dagger|crossed-swords|kitchen-knife|bomb|firecracker|coffin|funeral|headstone|syringe|pill|drop-of-blood|slot|casino|game-die|money-with-wings|credit-card|dollar|euro|pound-banknote|yen-banknote|money-bag|prayer|church|mosque|synagogue|kaaba|hindu|shinto|cross|menorah|wheel-of-dharma|razor|pager|love-hotel|bow-and-arrow|axe|boomerang|water-pistol|chains|no-|nazar|moai|crystal-ball|magic-wand|military|ballot|name-badge|lipstick|bikini|briefs|thong/;

/** Curls the tree of an icon's elements into a flat list of filled and stroked paths; null for what can't be. */
export function takeApart(body: string): PicturePath[] | null {
  const paths: PicturePath[] = [];
  let usable = true;
  const stack: Record<string, string>[] = [{}];
  const parser = new SaxesParser();
  parser.on('opentag', ({ name, attributes }) => {
    const given = attributes as Record<string, string>;
    const top = stack[stack.length - 1];
    const all: Record<string, string> = {
      ...top,
      ...given,
      transform: `${top.transform ?? ''} ${given.transform ?? ''}`.trim(),
    };
    if (given.opacity) all.opacity = String(Number(given.opacity) * Number(top.opacity ?? 1));
    stack.push(all);
    if (name === 'root' || name === 'g') {
      if (given['clip-path'] || given.filter || given.mask) usable = false;
      return;
    }
    const n = (key: string) => Number(all[key] ?? 0);
    let d: string | null = null;
    if (name === 'path') d = given.d;
    else if (name === 'circle') d = oval(n('cx'), n('cy'), n('r'));
    else if (name === 'ellipse') d = oval(n('cx'), n('cy'), n('rx'), n('ry'));
    else if (name === 'rect' && !given.rx) d = `M${n('x')} ${n('y')}h${n('width')}v${n('height')}h${-n('width')}z`;
    if (d === null) {
      usable = false;
      return;
    }
    const colour = (value: string | undefined) =>
      !value || value === 'none'
        ? null
        : /^#[0-9a-f]{6}$/i.test(value)
          ? value.toLowerCase()
          : /^#[0-9a-f]{3}$/i.test(value)
            ? `#${[...value.slice(1)].map((c) => c + c).join('')}`.toLowerCase()
            : 'bad';
    const fill = colour(all.fill ?? '#000000');
    const stroke = colour(all.stroke);
    if (fill === 'bad' || stroke === 'bad') {
      usable = false;
      return;
    }
    const path = svgpath(d);
    if (all.transform) path.transform(all.transform);
    paths.push({
      d: path.abs().round(3).toString(),
      fill,
      stroke,
      width: stroke ? Number(all['stroke-width'] ?? 1) : 0,
      opacity: Number(all.opacity ?? 1),
      ...(all['fill-rule'] === 'evenodd' && { rule: 'evenodd' as const }),
      ...(all['stroke-linecap'] === 'round' && { cap: 'round' as const }),
    });
  });
  parser.on('closetag', () => stack.pop());
  parser.write(`<root>${body}</root>`).close();
  return usable && paths.length > 0 ? paths : null;
}

export function flatPictures(): Tagged[] {
  const set = require('@iconify-json/fluent-emoji-flat/icons.json') as IconSet;
  const chars = require('@iconify-json/fluent-emoji-flat/chars.json') as Record<string, string>;
  const emojis = require('emojibase-data/en/data.json') as Emoji[];
  const words = require('emojilib') as Record<string, string[]>;
  const out: Tagged[] = [];
  const seen = new Set<string>();
  for (const emoji of emojis) {
    const group = GROUPS[emoji.group ?? -1];
    const key = emoji.hexcode.toLowerCase();
    const icon = chars[key] ?? chars[key.replace(/-fe0f/g, '')];
    if (!group || !icon || seen.has(icon) || UNSUITED.test(icon)) continue;
    const source = set.icons[icon];
    const paths = source && takeApart(source.body);
    if (!paths) continue;
    seen.add(icon);
    const tags = new Set(
      [...(emoji.tags ?? []), ...(words[emoji.emoji ?? emoji.unicode ?? ''] ?? [])].map((tag) =>
        tag.replace(/_/g, ' ').toLowerCase(),
      ),
    );
    out.push({
      id: `flat/${icon}`,
      name: emoji.label,
      width: source.width ?? set.width,
      height: source.height ?? set.height,
      paths,
      targets: [],
      tags: [...tags].filter((tag) => /^[a-z][a-z -]+$/.test(tag)),
      group,
      licence: 'MIT',
      credit: 'Fluent Emoji, Microsoft',
    });
  }
  return out;
}
