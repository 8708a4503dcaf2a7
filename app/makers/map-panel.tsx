import { Dropdown, Select } from 'antd';
import { useContext, useRef } from 'react';
import type { ReactNode } from 'react';
import { graphmlOf, indentedOf, opmlOf, readOutline } from '../../core/formats/outlines';
import { OutlineProblem } from '../../core/makers/map/outline';
import type { MapLayout, MapRecipe, NodeLook } from '../../core/makers/map/recipe';
import { ARROWS, MAP_LAYOUTS, NODE_SHAPES } from '../../core/makers/map/recipe';
import type { Bench } from '../workbench/bench';
import { useBench } from '../workbench/bench';
import { BenchContext, Swatches } from '../workbench/colour-field';
import { More, PercentField, Row, Toggle } from '../workbench/fields';
import { findOn } from '../../core/sheet/tree';
import { takeOut, useMade } from './made';
import { addNode, chooseNode, linkChosen, nodeOf } from './map-commands';
import { OutlinePad } from './outline-pad';
import type { PanelProps } from './panel';
import { Notes, WordsSize } from './panel';

/** A concept map's margin card: its outline, how it is laid out, and how its nodes and links look. */

const LAYOUT_NAMES: Record<MapLayout, string> = {
  down: 'tree, downwards',
  right: 'tree, to the right',
  radial: 'all round',
  chain: 'steps',
  cycle: 'cycle',
  nested: 'one in another',
  compare: 'two compared',
  network: 'network',
};

const box = (x: number, y: number, w = 8, h = 5) => (
  <rect key={`${x} ${y}`} x={x} y={y} width={w} height={h} rx="1.4" />
);
const LAYOUT_DRAWINGS: Record<MapLayout, ReactNode> = {
  down: (
    <>
      <path d="M17 8V12M7 18V14H27V18M17 12V18" />
      {[box(13, 3), box(3, 18), box(13, 18), box(23, 18)]}
    </>
  ),
  right: (
    <>
      <path d="M11 13C17 13 15 5 22 5M11 13H22M11 13C17 13 15 21 22 21" />
      {[box(3, 10.5), box(22, 2.5), box(22, 10.5), box(22, 18.5)]}
    </>
  ),
  radial: (
    <>
      <path d="M17 13L7 5M17 13L27 5M17 13L6 21M17 13L28 21" />
      {[box(13, 10.5), box(2, 2), box(24, 2), box(2, 19), box(24, 19)]}
    </>
  ),
  chain: (
    <>
      <path d="M9 7H25M28 9V17M25 19H11" />
      {[box(2, 4.5), box(13, 4.5), box(24, 4.5), box(24, 16.5), box(6, 16.5)]}
    </>
  ),
  cycle: (
    <>
      <path d="M20 5C26 6 28 9 28 11M25 19C22 22 13 22 10 19M6 11C6 8 9 6 13 5" />
      {[box(13, 2.5), box(24, 13), box(3, 13)]}
    </>
  ),
  nested: (
    <>
      <rect x="3" y="2.5" width="28" height="21" rx="2" fill="none" />
      {[box(6, 9, 9, 11), box(19, 9, 9, 4.5), box(19, 15.5, 9, 4.5)]}
    </>
  ),
  compare: (
    <>
      <path d="M10 13L17 8M10 13L17 18M24 13L17 8M24 13L17 18" />
      {[box(2, 10.5), box(24, 10.5), box(13, 4), box(13, 17)]}
    </>
  ),
  network: (
    <>
      <path d="M7 6L17 13L27 6M17 13L8 21M27 6L27 20M8 21H26" />
      {[box(3, 3.5), box(13, 10.5), box(23, 3.5), box(4, 18.5), box(23, 18.5)]}
    </>
  ),
};

const ROUTES = { straight: 'straight', stepped: 'in steps', curved: 'curved' };
const ARROW_NAMES = { none: 'none', forward: 'onwards', back: 'back', both: 'both ways' };
const SHAPE_NAMES: Record<NodeLook['shape'], string> = {
  rectangle: 'box',
  pill: 'pill',
  ellipse: 'ellipse',
  hexagon: 'hexagon',
  cloud: 'cloud',
  plain: 'words only',
};
const LEVELS = ['first', 'second', 'third', 'fourth', 'fifth', 'deeper'];
const optionsOf = <T extends string>(names: Record<T, string>, order: readonly T[]) =>
  order.map((value) => ({ value, label: names[value] }));

const titleOf = (bench: Bench) => bench.sheet.title;
const selectionOf = (bench: Bench) => bench.selection;

export function MapPanel({ bench, group, sheet, part }: PanelProps) {
  const { recipe, notes, edit } = useMade(bench, group, 'map');
  const current = nodeOf(part);
  const row = useRef<string | null>(null);
  const put = (name: string, values: Partial<MapRecipe>) => edit(name, { ...recipe, ...values });
  return (
    <div className="map-panel">
      <OutlinePad
        recipe={recipe}
        current={current}
        onEdit={(name, next, keep) =>
          // A line that was just begun has no node to be chosen before it is made.
          edit(name, next, keep, () => {
            const writing = document.activeElement?.closest('.outline-pad');
            if (writing && row.current) chooseNode(bench, group.id, row.current);
          })
        }
        onUndo={(by) => {
          bench.making?.flush();
          if (by > 0) bench.undo();
          else bench.redo();
        }}
        onFocusRow={(id) => {
          row.current = id;
          chooseNode(bench, group.id, id);
        }}
        onProblem={(words) => bench.say(words)}
      />
      <Notes notes={notes} />
      <div className="map-layouts" role="radiogroup" aria-label="Layout">
        {MAP_LAYOUTS.map((layout) => (
          <button
            key={layout}
            type="button"
            role="radio"
            aria-checked={recipe.layout === layout}
            aria-label={LAYOUT_NAMES[layout]}
            title={LAYOUT_NAMES[layout]}
            className="map-layout"
            onMouseDown={(event) => event.preventDefault()}
            onClick={() => put('Layout', { layout })}
          >
            <svg width="34" height="26" viewBox="0 0 34 26" aria-hidden="true">
              {LAYOUT_DRAWINGS[layout]}
            </svg>
          </button>
        ))}
      </div>
      <Row label="links">
        <Select
          size="small"
          aria-label="How links run"
          value={recipe.route}
          options={optionsOf(ROUTES, ['straight', 'stepped', 'curved'])}
          onChange={(route) => put('Links', { route })}
          style={{ width: 92 }}
        />
        <Select
          size="small"
          aria-label="Arrows"
          value={recipe.arrows}
          options={ARROWS.map((value) => ({ value, label: value === 'none' ? 'no arrows' : ARROW_NAMES[value] }))}
          onChange={(arrows) => put('Arrows', { arrows })}
          style={{ width: 104 }}
        />
      </Row>
      <Row label="words">
        <WordsSize size={recipe.size} onChange={put} />
      </Row>
      {current && <NodeFields {...{ bench, recipe, current, groupId: group.id }} onEdit={put} />}
      <CrossLinks bench={bench} groupId={group.id} recipe={recipe} onEdit={put} />
      <Levels recipe={recipe} palette={sheet.palette} onEdit={put} />
      <InAndOut bench={bench} recipe={recipe} onEdit={edit} />
    </div>
  );
}

type Edit = (name: string, values: Partial<MapRecipe>) => void;

/** What belongs to one node besides its words: those on its link, and a picture. */
function NodeFields({
  bench,
  recipe,
  current,
  groupId,
  onEdit,
}: {
  bench: Bench;
  recipe: MapRecipe;
  current: string;
  groupId: string;
  onEdit: Edit;
}) {
  const node = recipe.nodes.find(({ id }) => id === current);
  if (!node) return null;
  const set = (name: string, values: Partial<typeof node>) =>
    onEdit(name, { nodes: recipe.nodes.map((one) => (one === node ? { ...one, ...values } : one)) });
  return (
    <>
      {node.parent !== null && (
        <Row label="link says">
          <input
            className="made-text"
            aria-label="Words on the link to this node"
            value={node.link}
            maxLength={120}
            placeholder="nothing"
            onChange={(event) => set('Words on link', { link: event.target.value })}
          />
        </Row>
      )}
      <Row label="picture">
        {node.picture ? (
          <>
            <img className="made-picture" src={`/art/pictures/${node.picture}.svg`} alt={node.picture.split('/')[1]} />
            <Toggle on={false} label="Take the picture away" onClick={() => set('Picture of node', { picture: null })}>
              none
            </Toggle>
          </>
        ) : (
          <span className="quiet">drag one from the supplies onto the node</span>
        )}
      </Row>
      <Row label="node">
        <Toggle
          on={false}
          label="Adds a node under this one (Ctrl+Enter)"
          onClick={() => addNode(bench, 'child', groupId, current)}
        >
          + under
        </Toggle>
        <Toggle
          on={false}
          label="Adds a node beside this one (Ctrl+Shift+Enter)"
          onClick={() => addNode(bench, 'sibling', groupId, current)}
        >
          + beside
        </Toggle>
      </Row>
    </>
  );
}

function CrossLinks({
  bench,
  groupId,
  recipe,
  onEdit,
}: {
  bench: Bench;
  groupId: string;
  recipe: MapRecipe;
  onEdit: Edit;
}) {
  const selection = useBench(bench, selectionOf);
  const nodes = selection.flatMap((id) => nodeOf(findOn(bench.page, id)?.item ?? null) ?? []);
  const name = (id: string) => recipe.nodes.find((node) => node.id === id)?.text || '…';
  const set = (id: string, values: object) =>
    onEdit('Link', { links: recipe.links.map((link) => (link.id === id ? { ...link, ...values } : link)) });
  return (
    <More
      title={recipe.links.length > 0 ? `links across · ${recipe.links.length}` : 'links across'}
      open={recipe.links.length > 0 || nodes.length === 2}
    >
      {recipe.links.map((link) => (
        <div
          key={link.id}
          className="cross-link"
          role="group"
          aria-label={`Link from ${name(link.from)} to ${name(link.to)}`}
        >
          <span className="cross-ends" title={`${name(link.from)} to ${name(link.to)}`}>
            {name(link.from)}{' '}
            {link.arrow === 'back' ? '←' : link.arrow === 'both' ? '↔' : link.arrow === 'none' ? '–' : '→'}{' '}
            {name(link.to)}
          </span>
          <input
            className="made-text"
            aria-label="Words on the link"
            value={link.words}
            maxLength={120}
            placeholder="says …"
            onChange={(event) => set(link.id, { words: event.target.value })}
          />
          <Select
            size="small"
            aria-label="Arrow of the link"
            value={link.arrow}
            options={optionsOf(ARROW_NAMES, ARROWS)}
            onChange={(arrow) => set(link.id, { arrow })}
            style={{ width: 92 }}
          />
          <Toggle
            on={false}
            label="Take this link away"
            onClick={() => onEdit('Remove link', { links: recipe.links.filter((one) => one !== link) })}
          >
            ✕
          </Toggle>
        </div>
      ))}
      {nodes.length === 2 ? (
        <Toggle
          on={false}
          label="Links the two nodes that are chosen"
          onClick={() => linkChosen(bench, groupId, nodes[0], nodes[1])}
        >
          link “{name(nodes[0])}” to “{name(nodes[1])}”
        </Toggle>
      ) : (
        <p className="quiet">Choose two nodes on the map, with Shift, to link them.</p>
      )}
    </More>
  );
}

function Levels({ recipe, palette, onEdit }: { recipe: MapRecipe; palette: readonly string[]; onEdit: Edit }) {
  const bench = useContext(BenchContext);
  const set = (i: number, values: Partial<NodeLook>) =>
    onEdit('Look of a level', { looks: recipe.looks.map((look, n) => (n === i ? { ...look, ...values } : look)) });
  return (
    <More title="look of each level">
      <BenchContext.Provider value={bench}>
        {recipe.looks.map((look, i) => (
          <div key={i} className="map-level" role="group" aria-label={`Nodes of the ${LEVELS[i]} level`}>
            <Row label={i === recipe.looks.length - 1 && i > 0 ? `${LEVELS[i]} +` : LEVELS[i]}>
              <Select
                size="small"
                aria-label="Form"
                value={look.shape}
                options={optionsOf(SHAPE_NAMES, NODE_SHAPES)}
                onChange={(shape) => set(i, { shape })}
                style={{ width: 104 }}
              />
              <Toggle on={look.bold} label="Bold" onClick={() => set(i, { bold: !look.bold })}>
                <b>B</b>
              </Toggle>
              <PercentField
                bare
                label="Size of words, of the map's"
                share={look.scale}
                least={0.5}
                most={4}
                onChange={(scale) => set(i, { scale })}
              />
            </Row>
            {look.shape !== 'plain' && (
              <>
                <Swatches
                  label="fill"
                  value={look.fill}
                  palette={palette}
                  none="no fill"
                  onChange={(fill) => set(i, { fill })}
                />
                <Swatches
                  label="edge"
                  value={look.edge}
                  palette={palette}
                  none="no edge"
                  onChange={(edge) => set(i, { edge })}
                />
              </>
            )}
            <Swatches
              label="words"
              value={look.colour}
              palette={palette}
              onChange={(colour) => colour && set(i, { colour })}
            />
          </div>
        ))}
        <Swatches
          label="links"
          value={recipe.edge}
          palette={palette}
          onChange={(edge) => edge && onEdit('Colour of links', { edge })}
        />
      </BenchContext.Provider>
    </More>
  );
}

/** Larger files than this are no outlines. */
const LARGEST_FILE = 2_000_000;

function InAndOut({
  bench,
  recipe,
  onEdit,
}: {
  bench: Bench;
  recipe: MapRecipe;
  onEdit: (name: string, recipe: MapRecipe) => void;
}) {
  const title = useBench(bench, titleOf);
  const file = useRef<HTMLInputElement>(null);
  const fileName = title.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'map';
  async function read(chosen: File) {
    if (chosen.size > LARGEST_FILE)
      return bench.say('This file is too large for an outline. Take one of at most 2 MB.');
    try {
      const { nodes, links } = readOutline(await chosen.text());
      onEdit('Take in an outline', { ...recipe, nodes, links });
    } catch (problem) {
      if (!(problem instanceof OutlineProblem)) throw problem;
      bench.say(`“${chosen.name}”: ${problem.message}`);
    }
  }
  return (
    <div className="made-files">
      <input
        ref={file}
        type="file"
        hidden
        aria-label="File with an outline"
        accept=".opml,.graphml,.xml,.txt,.md,text/plain"
        onChange={(event) => {
          const [chosen] = event.target.files ?? [];
          event.target.value = '';
          if (chosen) void read(chosen);
        }}
      />
      <Toggle
        on={false}
        label="Makes the map from a file: OPML, GraphML or an indented list"
        onClick={() => file.current?.click()}
      >
        from a file …
      </Toggle>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            {
              key: 'opml',
              label: 'outline (OPML)',
              onClick: () => takeOut(`${fileName}.opml`, 'text/x-opml', opmlOf(title, recipe.nodes)),
            },
            {
              key: 'graphml',
              label: 'network (GraphML)',
              onClick: () => takeOut(`${fileName}.graphml`, 'application/xml', graphmlOf(recipe)),
            },
            {
              key: 'text',
              label: 'indented text',
              onClick: () => takeOut(`${fileName}.txt`, 'text/plain', indentedOf(recipe.nodes)),
            },
          ],
        }}
      >
        <button type="button" className="toggle">
          as a file ▾
        </button>
      </Dropdown>
    </div>
  );
}
