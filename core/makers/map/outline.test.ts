import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { graphmlOf, indentedOf, opmlOf, readOutline } from './files';
import { beginMap } from './begin';
import type { Row } from './outline';
import {
  inOrder,
  nodesFrom,
  OutlineProblem,
  rehung,
  rowMoved,
  rowsFromText,
  rowsOf,
  shifted,
  withNode,
  withoutNodes,
  withRows,
} from './outline';
import { MAP_LAYOUTS, MapRecipe, MOST_NODES } from '../../schema/recipes/map';

const bare = (rows: readonly Row[]) => rows.map(({ text, depth }) => [text, depth]);
const map = (text: string) => withRows(beginMap([]), rowsFromText(text));
const MARSH = 'marsh\n\tplants\n\t\tglasswort\n\tanimals\n\t\theron\n\t\tcrab';

/** Any outline: depths grow by one at most. */
const outlines = fc
  .array(
    fc.tuple(
      fc.string({ minLength: 1, maxLength: 12 }).filter((s) => s.trim() === s && !/[\n\r\t\u00a0]/.test(s)),
      fc.nat(5),
    ),
    {
      minLength: 1,
      maxLength: 40,
    },
  )
  .map((lines) => {
    let depth = -1;
    return lines.map(([text, wanted], i) => {
      depth = Math.min(wanted, depth + 1);
      return { id: `r${i}`, text, depth };
    });
  });

describe('an outline', () => {
  test('to a map and back is the same', () =>
    fc.assert(
      fc.property(outlines, (rows) => {
        expect(bare(rowsOf(nodesFrom(rows)))).toEqual(bare(rows));
        expect(MapRecipe.safeParse(withRows(beginMap([]), rows)).success).toBe(true);
      }),
    ));
  test('survives OPML, GraphML and indented text', () =>
    fc.assert(
      fc.property(outlines, (rows) => {
        const nodes = nodesFrom(rows.map((row, i) => ({ ...row, text: `w${i}` })));
        const wanted = bare(rowsOf(nodes));
        expect(bare(rowsOf(readOutline(opmlOf('T', { ...beginMap([]), nodes })).nodes))).toEqual(wanted);
        expect(bare(rowsOf(readOutline(indentedOf(nodes)).nodes))).toEqual(wanted);
        const read = readOutline(graphmlOf({ ...beginMap([]), nodes })).nodes;
        expect(
          bare(rowsOf(read))
            .map(([text]) => text)
            .sort(),
        ).toEqual(wanted.map(([text]) => text).sort());
        const parents = (list: typeof nodes) =>
          new Map(list.map((node) => [node.text, list.find(({ id }) => id === node.parent)?.text ?? null]));
        expect(parents(read)).toEqual(parents(nodes));
      }),
    ));
  const anything = fc
    .string({ unit: 'grapheme', maxLength: 14 })
    .filter((s) => !/[\n\r\0-\x08\x0b\x0c\x0e-\x1f]/.test(s));
  const maps = fc
    .tuple(
      outlines,
      fc.array(fc.tuple(anything, anything, fc.boolean()), { minLength: 40, maxLength: 40 }),
      fc.array(fc.tuple(fc.nat(39), fc.nat(39), anything, fc.constantFrom('none', 'forward', 'back', 'both')), {
        maxLength: 9,
      }),
      fc.constantFrom(...MAP_LAYOUTS),
      fc.constantFrom('straight', 'stepped', 'curved'),
    )
    .map(([rows, said, across, layout, route]) => {
      const nodes = nodesFrom(rows).map((node, i) => ({
        ...node,
        text: said[i][0],
        link: node.parent === null ? '' : said[i][1],
        picture: said[i][2] ? 'flat/crab' : null,
      }));
      const links = across.map(([from, to, words, arrow], i) => ({
        id: `x${i}`,
        from: nodes[from % nodes.length].id,
        to: nodes[to % nodes.length].id,
        words,
        arrow,
      }));
      return MapRecipe.parse({ ...beginMap(['#112233']), nodes, links, layout, route, arrows: 'both', size: 17 });
    });
  test('a map that goes out as OPML or GraphML comes in again as it was, words, pictures, links and looks', () =>
    fc.assert(
      fc.property(maps, (recipe) => {
        for (const file of [opmlOf('T', recipe), graphmlOf(recipe)]) {
          const { nodes, links, drawn } = readOutline(file);
          expect({ ...beginMap([]), ...drawn, nodes, links }).toEqual(recipe);
        }
      }),
    ));
  test('names that are in use already are others in it, and its links go on', () => {
    const recipe = map(MARSH);
    recipe.links = [{ id: 'x', from: recipe.nodes[2].id, to: recipe.nodes[4].id, words: 'feeds', arrow: 'back' }];
    for (const file of [opmlOf('T', recipe), graphmlOf(recipe)]) {
      const { nodes, links } = readOutline(
        file,
        recipe.nodes.map(({ id }) => id),
      );
      expect(new Set([...nodes, ...recipe.nodes].map(({ id }) => id)).size).toBe(2 * recipe.nodes.length);
      const named = (id: string) => nodes.find((node) => node.id === id)?.text;
      expect([named(links[0].from), named(links[0].to), links[0].arrow]).toEqual(['glasswort', 'heron', 'back']);
    }
  });
  test('rows that another program added to it are taken in with the rest', () => {
    const recipe = map(MARSH);
    recipe.nodes[2].link = 'such as';
    const file = opmlOf('T', recipe).replace('<outline text="crab"', '<outline text="mud snail"/><outline text="crab"');
    const { nodes } = readOutline(file);
    expect(bare(rowsOf(nodes)).slice(-2)).toEqual([
      ['mud snail', 2],
      ['crab', 2],
    ]);
    expect(nodes[2].link).toBe('such as');
    expect(new Set(nodes.map(({ id }) => id)).size).toBe(7);
  });
  test('words with signs of XML stay as they are', () => {
    const nodes = nodesFrom([{ id: 'a', text: 'salt & "mud" <deep>', depth: 0 }]);
    expect(readOutline(opmlOf('a < b', { ...beginMap([]), nodes })).nodes[0].text).toBe('salt & "mud" <deep>');
    expect(readOutline(graphmlOf({ ...beginMap([]), nodes })).nodes[0].text).toBe('salt & "mud" <deep>');
  });
  test.each([
    ['tabs', 'a\n\tb\n\t\tc\n\td', 'a0 b1 c2 d1'],
    ['two spaces', 'a\n  b\n    c\n  d', 'a0 b1 c2 d1'],
    ['uneven spaces', 'a\n   b\n       c\n b2', 'a0 b1 c2 b21'],
    ['bullets of other programs', '• a\n\t– b\n\t◦ c\n1. d\n2) e', 'a0 b1 c1 d0 e0'],
    ['hard spaces', 'a\n\u00a0\u00a0b', 'a0 b1'],
    ['empty lines', 'a\n\n   \n\tb\n', 'a0 b1'],
    ['Windows line ends', 'a\r\n\tb\r\n', 'a0 b1'],
  ])('is read from a list with %s', (_, text, wanted) =>
    expect(
      rowsFromText(text)
        .map(({ text: t, depth }) => `${t}${depth}`)
        .join(' '),
    ).toBe(wanted),
  );
  test('of nothing is refused with what to do', () => {
    for (const text of ['', '  \n\t\n']) expect(() => readOutline(text)).toThrow(/Write one line/);
    expect(() => readOutline('<opml version="2.0"><head/><body/></opml>')).toThrow(OutlineProblem);
  });
  test('says of what is nested beyond all reading that it is, at once', () => {
    const nested = (n: number) =>
      `<opml><body>${'<outline text="x">y'.repeat(n)}${'</outline>'.repeat(n)}</body></opml>`;
    expect(readOutline(nested(150)).nodes).toHaveLength(150);
    expect(() => readOutline(nested(60_000))).toThrow(/more than 610 deep/);
    const star = `<graphml><graph><node id="a"/><node id="b"/>${'<edge source="a" target="b"/>'.repeat(40_000)}</graph></graphml>`;
    expect(readOutline(star).nodes).toHaveLength(2);
    expect(readOutline(`<opml><body><outline text="${'&lt;'.repeat(200_000)}"/></body></opml>`).nodes).toHaveLength(1);
  });

  test('of 5,000 lines is refused with both numbers', () => {
    const long = Array.from({ length: 5000 }, (_, i) => `line ${i}`).join('\n');
    expect(() => readOutline(long)).toThrow(/5,000 lines; a map holds 600/);
    const opml = `<opml><body>${'<outline text="x"/>'.repeat(5000)}</body></opml>`;
    expect(() => readOutline(opml)).toThrow(/5,000 lines/);
  });
  test('a word of 300 letters is taken, a longer one cut', () => {
    expect(rowsFromText('x'.repeat(300))[0].text).toHaveLength(300);
    expect(rowsFromText('x'.repeat(900))[0].text).toHaveLength(300);
  });
});

describe('GraphML', () => {
  const graph = (body: string) =>
    `<graphml><key id="k" for="all" attr.name="label"/><graph edgedefault="directed">${body}</graph></graphml>`;
  const node = (id: string) => `<node id="${id}"><data key="k">${id} words</data></node>`;
  test('with a loop is taken: the edge that closes it goes across', () => {
    const read = readOutline(
      graph(
        `${['a', 'b', 'c'].map(node).join('')}<edge source="a" target="b"/><edge source="b" target="c"/><edge source="c" target="a"><data key="k">feeds</data></edge><edge source="b" target="b"/>`,
      ),
    );
    expect(rowsOf(read.nodes).map(({ text, depth }) => `${text} ${depth}`)).toEqual([
      'a words 0',
      'b words 1',
      'c words 2',
    ]);
    expect(read.links).toMatchObject([{ words: 'feeds', arrow: 'forward' }]);
    expect(MapRecipe.safeParse({ ...beginMap([]), ...read }).success).toBe(true);
  });
  test('a link to nowhere, and a torn file, are said with where', () => {
    expect(() => readOutline(graph(`${node('a')}<edge source="a" target="z"/>`))).toThrow(/from “a” to “z”/);
    expect(() => readOutline('<graphml><graph><node id="a"></graph>')).toThrow(/damaged in line 1/);
  });
});

describe('the rows', () => {
  const rows = rowsOf(map(MARSH).nodes);
  test('a branch goes in and out as a whole', () => {
    const inward = shifted(rows, 3, 1);
    expect(bare(inward).slice(3)).toEqual([
      ['animals', 2],
      ['heron', 3],
      ['crab', 3],
    ]);
    expect(bare(shifted(inward, 3, -1))).toEqual(bare(rows));
  });
  test('the first row goes no further in, a top row no further out', () => {
    expect(shifted(rows, 0, 1)).toEqual(rows);
    expect(shifted(rows, 0, -1)).toEqual(rows);
  });
  test('a moved branch takes along what hangs under it, and can’t go into itself', () => {
    expect(bare(rowMoved(rows, 3, 1, 1)).map(([text]) => text)).toEqual([
      'marsh',
      'animals',
      'heron',
      'crab',
      'plants',
      'glasswort',
    ]);
    expect(rowMoved(rows, 3, 5, 2)).toEqual(rows);
  });
});

describe('on the map', () => {
  const id = (recipe: MapRecipe, text: string) => recipe.nodes.find((node) => node.text === text)!.id;
  test('a branch is hung elsewhere with all of it, never under itself', () => {
    const recipe = map(MARSH);
    const next = rehung(recipe, id(recipe, 'animals'), id(recipe, 'plants'));
    expect(indentedOf(next.nodes)).toBe('marsh\n\tplants\n\t\tglasswort\n\t\tanimals\n\t\t\theron\n\t\t\tcrab');
    expect(rehung(recipe, id(recipe, 'animals'), id(recipe, 'heron'))).toBe(recipe);
    expect(rehung(recipe, id(recipe, 'animals'), id(recipe, 'animals'))).toBe(recipe);
  });
  test('a child comes last, a sibling next', () => {
    const recipe = map(MARSH);
    const child = withNode(recipe, id(recipe, 'plants'), 'child');
    expect(bare(rowsOf(child.recipe.nodes))[3]).toEqual(['', 2]);
    const sibling = withNode(recipe, id(recipe, 'plants'), 'sibling');
    expect(rowsOf(sibling.recipe.nodes).findIndex((row) => row.id === sibling.id)).toBe(3);
    expect(rowsOf(sibling.recipe.nodes)[3].depth).toBe(1);
  });
  test('what hung under a node that went goes up, links of it go', () => {
    const recipe = { ...map(MARSH) };
    recipe.links = [{ id: 'x', from: id(recipe, 'animals'), to: id(recipe, 'glasswort'), words: '', arrow: 'none' }];
    const next = withoutNodes(recipe, new Set([id(recipe, 'animals')]));
    expect(indentedOf(next.nodes)).toBe('marsh\n\tplants\n\t\tglasswort\n\theron\n\tcrab');
    expect(next.links).toEqual([]);
  });
  test('a row keeps its link and picture when the outline is edited', () => {
    const recipe = map(MARSH);
    recipe.nodes = recipe.nodes.map((node) =>
      node.text === 'heron' ? { ...node, link: 'such as', picture: 'flat/owl' } : node,
    );
    const rows = rowsOf(recipe.nodes).map((row) => (row.text === 'heron' ? { ...row, text: 'grey heron' } : row));
    expect(withRows(recipe, shifted(rows, 4, -1)).nodes[4]).toMatchObject({
      text: 'grey heron',
      link: 'such as',
      picture: 'flat/owl',
    });
  });
  test('a recipe whose node hangs under a later one is refused', () => {
    const recipe = map('a\n\tb');
    expect(MapRecipe.safeParse({ ...recipe, nodes: recipe.nodes.toReversed() }).success).toBe(false);
    expect(inOrder(recipe.nodes.toReversed()).map(({ text }) => text)).toEqual(['a', 'b']);
    expect(MOST_NODES).toBe(600);
  });
});
