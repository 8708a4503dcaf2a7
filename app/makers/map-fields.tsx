import { Select } from 'antd';
import type { MapRecipe, NodeLook } from '../../core/makers/map/recipe';
import { ARROWS, NODE_SHAPES } from '../../core/makers/map/recipe';
import { findOn } from '../../core/sheet/tree';
import type { Bench } from '../workbench/bench';
import { useBench } from '../workbench/bench';
import { Swatches } from '../workbench/colour-field';
import { More, PercentField, Row, Toggle } from '../workbench/fields';
import { addNode, linkChosen, nodeOf } from './map-commands';

/** Settings of a map's parts: of one node, of the links across, of the nodes of each level. */

type Edit = (name: string, values: Partial<MapRecipe>) => void;

export const ARROW_NAMES = { none: 'none', forward: 'onwards', back: 'back', both: 'both ways' };
const SHAPE_NAMES: Record<NodeLook['shape'], string> = {
  rectangle: 'box',
  pill: 'pill',
  ellipse: 'ellipse',
  hexagon: 'hexagon',
  cloud: 'cloud',
  plain: 'words only',
};
const LEVELS = ['first', 'second', 'third', 'fourth', 'fifth', 'deeper'];
export const optionsOf = <T extends string>(names: Record<T, string>, order: readonly T[]) =>
  order.map((value) => ({ value, label: names[value] }));
const selectionOf = (bench: Bench) => bench.selection;

/** What belongs to one node besides its words: those on its link, and a picture. */
export function NodeFields({
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

export function CrossLinks({
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

export function Levels({ recipe, palette, onEdit }: { recipe: MapRecipe; palette: readonly string[]; onEdit: Edit }) {
  const set = (i: number, values: Partial<NodeLook>) =>
    onEdit('Look of a level', { looks: recipe.looks.map((look, n) => (n === i ? { ...look, ...values } : look)) });
  return (
    <More title="look of each level">
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
    </More>
  );
}
