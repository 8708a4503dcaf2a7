import type { MapRecipe } from '../schema/recipes/map';
import type { ReadMap } from '../makers/map/read';
import { readMap } from '../makers/map/read';
import type { Sheet } from '../schema/sheet';
import { z } from 'zod';
import type { Context, Counted, Evidence, LookForKind } from './kind';
import { keyedBase } from './kind';
import { eitherSlot } from './sentence';
import { spellingSlot } from './spelling-slot';
import { everyItem } from '../sheet/tree';
import { matches, SPELLING } from '../language/spelling';

const MapLookFor = z.strictObject({
  kind: z.literal('map'),
  ...keyedBase,
  /** The key: concepts with all words that count for them, and what they are joined by. Never sent to a student. */
  concepts: z
    .array(z.strictObject({ id: z.string().max(16), words: z.array(z.string().min(1).max(300)).min(1).max(20) }))
    .min(1)
    .max(200),
  links: z
    .array(z.strictObject({ from: z.string().max(16), to: z.string().max(16), words: z.string().max(120) }))
    .max(400),
  spelling: z.enum(SPELLING),
  /** Whether arrows have to point the right way, and whether links have to say the same. */
  direction: z.boolean(),
  words: z.boolean(),
});
export type MapLookFor = z.infer<typeof MapLookFor>;

/** A student's concept map against the teacher's: its concepts by their words, its links by what they join. */

type Key = Pick<MapLookFor, 'concepts' | 'links'>;

/** The key from a teacher's map. */
export function mapKey({ nodes, links }: Pick<MapRecipe, 'nodes' | 'links'>): Key {
  const concepts = nodes.filter(({ text }) => text.trim() !== '').map(({ id, text }) => ({ id, words: [text.trim()] }));
  const known = new Set(concepts.map(({ id }) => id));
  return {
    concepts,
    links: [
      ...nodes.flatMap(({ id, parent, link }) => (parent === null ? [] : [{ from: parent, to: id, words: link }])),
      ...links.map(({ from, to, words, arrow }) =>
        arrow === 'back' ? { from: to, to: from, words } : { from, to, words },
      ),
    ].filter(({ from, to }) => known.has(from) && known.has(to)),
  };
}

/** Which of the student's nodes is which concept: exact ones are taken first, and each node once. */
function conceptsOf(
  lookFor: MapLookFor,
  map: ReadMap,
): Map<string, { item: string; text: string; match: 'exact' | 'near' }> {
  const out = new Map<string, { item: string; text: string; match: 'exact' | 'near' }>();
  const used = new Set<string>();
  const all = lookFor.concepts.flatMap(({ words }) => words);
  for (const wanted of ['exact', 'near'] as const)
    for (const { id, words } of lookFor.concepts) {
      if (out.has(id)) continue;
      const found = map.nodes.find(
        (node) => !used.has(node.item) && matches(node.text, words, lookFor.spelling, all) === wanted,
      );
      if (!found) continue;
      used.add(found.item);
      out.set(id, { ...found, match: wanted });
    }
  return out;
}

function countMap(lookFor: MapLookFor, sheet: Sheet, context: Context): Counted {
  const given = new Set(readMap(context.handedOut).links.map(({ item }) => item));
  const map = readMap(sheet);
  const concepts = conceptsOf(lookFor, map);
  const name = (id: string) => lookFor.concepts.find((concept) => concept.id === id)!.words[0];
  const arrow = (from: string, to: string, words: string) => (words ? `${from} – ${words} → ${to}` : `${from} → ${to}`);
  const textOf = new Map(map.nodes.map(({ item, text }) => [item, text]));

  const shown: Evidence[] = lookFor.concepts.map(({ id, words }): Evidence => {
    const found = concepts.get(id);
    return found
      ? { items: [found.item], verdict: found.match === 'exact' ? 'right' : 'near', said: found.text, meant: words[0] }
      : { items: [], verdict: 'empty', said: '', meant: words[0] };
  });
  const used = new Set<string>();
  const said = lookFor.links.map((link) => link.words);
  let got = 0;
  for (const { from, to, words } of lookFor.links) {
    const [a, b] = [concepts.get(from)?.item, concepts.get(to)?.item];
    const meant = arrow(name(from), name(to), words);
    const joins = (x?: string, y?: string) =>
      map.links.filter((link) => !used.has(link.item) && x && y && link.from === x && link.to === y);
    const undirected = (list: ReadMap['links']) => list.filter((link) => !link.directed || !lookFor.direction);
    const [link] = [...joins(a, b), ...undirected(joins(b, a))];
    if (link) {
      used.add(link.item);
      const wordsFit =
        !lookFor.words || words.trim() === '' || matches(link.words, [words], lookFor.spelling, said) !== null;
      if (wordsFit) got++;
      shown.push({
        items: [link.item],
        verdict: wordsFit ? 'right' : 'wrong',
        said: arrow(textOf.get(link.from)!, textOf.get(link.to)!, link.words),
        meant,
      });
      continue;
    }
    const [turned] = joins(b, a);
    if (turned) used.add(turned.item);
    shown.push(
      turned
        ? {
            items: [turned.item],
            verdict: 'reversed',
            said: arrow(textOf.get(turned.from)!, textOf.get(turned.to)!, turned.words),
            meant,
          }
        : { items: [a, b].flatMap((item) => item ?? []), verdict: 'missing', said: '', meant },
    );
  }
  for (const link of map.links)
    if (!used.has(link.item) && !given.has(link.item))
      shown.push({
        items: [link.item],
        verdict: 'extra',
        said: arrow(textOf.get(link.from) ?? '', textOf.get(link.to) ?? '', link.words),
        meant: '',
      });
  return lookFor.links.length > 0
    ? { got, need: lookFor.links.length, evidence: shown }
    : { got: concepts.size, need: lookFor.concepts.length, evidence: shown };
}

/** The key of the first map on a sheet; null where there is none, or nothing in it. */
function firstMapKey(sheet: Sheet): Key | null {
  for (const item of everyItem(sheet))
    if (item.kind === 'group' && item.maker?.kind === 'map') {
      const key = mapKey(item.maker.recipe);
      return key.concepts.length > 0 ? key : null;
    }
  return null;
}

export const CONCEPT_MAP: LookForKind<MapLookFor> = {
  schema: MapLookFor,
  kind: 'map',
  name: 'a concept map like mine',
  begin(sheet) {
    const key = firstMapKey(sheet);
    if (!key)
      return {
        nothing:
          'There is no concept map on this sheet. Make one, and mark it as the answer key if students are not to see it.',
      };
    return {
      settings: {
        tell: 'filled',
        spelling: 'near',
        direction: false,
        words: false,
        ...key,
      },
    };
  },
  sentence: ({ links, concepts, direction, words, spelling }) => [
    links.length > 0 ? `the map shows these ${links.length} links` : `the map shows these ${concepts.length} concepts`,
    { aside: `(${concepts.length} concepts)` },
    {
      ...eitherSlot('Arrows', direction, ['arrows may point either way', 'arrows must point the right way'], (to) => ({
        direction: to,
      })),
      quiet: true,
    },
    {
      ...eitherSlot('Words on links', words, ['links may say anything', 'links must say the same'], (to) => ({
        words: to,
      })),
      quiet: true,
    },
    spellingSlot(spelling, (to) => ({ spelling: to })),
  ],
  count: countMap,
  sources: (_, sheet) => sheet.pages,
  rekeyed(lookFor, sheet) {
    const key = firstMapKey(sheet);
    if (!key) return null;
    const before = new Map(lookFor.concepts.map(({ id, words }) => [id, words]));
    const concepts = key.concepts.map(({ id, words }) => ({
      id,
      words: [...words, ...(before.get(id)?.slice(1) ?? [])],
    }));
    return { ...lookFor, concepts, links: key.links };
  },
  /** How many links are drawn, not which of them count. */
  filled({ got, need, evidence }) {
    const drawn = evidence.filter((e) => ['wrong', 'reversed', 'extra'].includes(e.verdict)).length;
    return { got: Math.min(need, got + drawn), need, evidence: [] };
  },
  worded({ verdict, said, meant }) {
    const words: Record<Evidence['verdict'], string> = {
      right: `“${said}”`,
      near: `“${said}” taken for “${meant}”`,
      swapped: `“${said}”, where you have “${meant}”`,
      wrong: `“${said}”, where you have “${meant}”`,
      reversed: `“${said}” goes the other way: “${meant}”`,
      extra: `“${said}” is not in your map`,
      missing: `no link “${meant}”`,
      empty: `no “${meant}”`,
    };
    return words[verdict];
  },
  missed({ verdict, meant }) {
    if (verdict === 'missing') return `“${meant}” not linked`;
    return verdict === 'reversed' ? `“${meant}” the other way round` : null;
  },
  keyed: true,
};
