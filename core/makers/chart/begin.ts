import { rgbOf } from '../../colour/rgb';
import { contrastOf } from '../../colour/space';
import type { ChartKind, ChartRecipe, DataTable } from '../../schema/recipes/chart';

/** Charts as they begin. */

const rows = (text: string): string[][] => text.split('|').map((row) => row.split(','));

/** A table that suits each kind: what is shown until a person brings their own. */
const TABLES: Partial<Record<ChartKind, Omit<DataTable, 'id'>>> = {
  grouped: {
    head: ['bird', 'spring', 'autumn'],
    rows: rows('redshank,14,22|curlew,9,17|little egret,3,6|avocet,11,4'),
  },
  line: { head: ['hour', 'water in m'], rows: rows('0,1.1|2,2.4|4,3.9|6,4.4|8,3.3|10,1.8|12,1.0') },
  dots: { head: ['shell in mm', 'weight in g'], rows: rows('12,1.1|15,1.9|18,2.4|21,3.6|24,4.1|27,5.6|31,6.9') },
  timeline: {
    head: ['year', 'what happened'],
    rows: rows(
      '1812,the first sea wall|1897,the great flood|1953,the wall breaks|1988,the marsh is protected|2016,the wall is moved back',
    ),
  },
  sets2: {
    head: ['lives in water', 'lives on land'],
    rows: rows('eel,hare|shrimp,lark|goby,fox|shore crab,shore crab|frog,frog'),
  },
  sets3: {
    head: ['swims', 'flies', 'walks'],
    rows: rows('eel,lark,hare|duck,duck,duck|seal,gull,seal|frog,beetle,frog|goby,,beetle'),
  },
};
const COUNTS: Omit<DataTable, 'id'> = {
  head: ['bird', 'seen'],
  rows: rows('redshank,14|curlew,9|little egret,3|avocet,11|heron,2'),
};

const distance = (a: string, b: string): number => {
  const [one, two] = [rgbOf(a), rgbOf(b)];
  return Math.hypot(...one.map((value, i) => value - two[i]));
};

/** Colours of a palette that stand apart from paper and from each other, the strongest first. */
export function chartColours(palette: readonly string[]): string[] {
  const out: string[] = [];
  for (const hex of [...palette].sort((a, b) => contrastOf(b, '#ffffff') - contrastOf(a, '#ffffff'))) {
    const onPaper = contrastOf(hex, '#ffffff');
    if (onPaper >= 2.4 && onPaper < 14 && !out.includes(hex)) out.push(hex);
  }
  const known = out.length > 1 ? out : ['#2c5d86', '#c8632e', '#4a6b35', '#b98f45'];
  // Each next one is the farthest from those before it, of which the last counts most.
  const order = known.slice(0, 1);
  for (let left = known.slice(1); left.length > 0;) {
    const apart = (hex: string) =>
      Math.min(...order.map((had, i) => distance(hex, had) * (i === order.length - 1 ? 1 : 2)));
    const next = left.reduce((best, hex) => (apart(hex) > apart(best) ? hex : best));
    order.push(next);
    left = left.filter((hex) => hex !== next);
  }
  return order.slice(0, 8);
}

export const beginChart = (palette: readonly string[], kind: ChartKind = 'bar', id = 'data'): ChartRecipe => ({
  kind,
  table: {
    id,
    ...(TABLES[kind] ?? TABLES[kind === 'stacked' ? 'grouped' : kind === 'area' ? 'line' : 'bar'] ?? COUNTS),
  },
  title: 'What we counted',
  values: 'axis',
  task: 'shown',
  lying: false,
  picture: 'silhouette/duck',
  each: 0,
  colours: chartColours(palette),
  ink: '#2a2820',
  face: 'andika',
  size: 13,
});

/** A chart with nothing in its table yet, as students begin one. */
export const emptyChart = (palette: readonly string[], id: string): ChartRecipe => ({
  ...beginChart(palette, 'bar', id),
  table: { id, head: ['', ''], rows: Array.from({ length: 4 }, () => ['', '']) },
  title: '',
});
