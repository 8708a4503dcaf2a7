import { memo } from 'react';
import type { MapLink, MapRecipe, NodeLook } from '../../../core/schema/recipes/map';
import { findOn } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';
import { useEditor } from '../../document/editor';
import { Swatches } from '../../colour/swatches';
import { PercentField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import type { Values } from '../kit/made';
import { addNode, linkChosen, nodeOf } from './map-commands';
import { Choice } from '../../fields/choice';
import styles from './map.module.css';
import kitStyles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/**
 * Settings of a node, of cross links, and of the nodes of each level. Each gets only what it shows, so that typing in the
 * outline does not redraw it. What is set goes into the map as it is then.
 */

export type PutMap = (name: string, values: Values<MapRecipe>, keep?: 'soon') => void;

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

type NodeProps = {
  editor: Editor;
  groupId: string;
  id: string;
  /** The text of the link to the node. Null where there is none. */
  link: string | null;
  picture: string | null;
  put: PutMap;
};

/** A node's link text and picture. */
export const NodeFields = memo(function NodeFields({ editor, groupId, id, link, picture, put }: NodeProps) {
  const set = (name: string, values: { link: string } | { picture: null }, keep?: 'soon') =>
    put(name, ({ nodes }) => ({ nodes: nodes.map((one) => (one.id === id ? { ...one, ...values } : one)) }), keep);
  return (
    <>
      {link !== null && (
        <Row label="link says">
          <input
            className={kitStyles.text}
            aria-label="Words on the link to this node"
            value={link}
            maxLength={120}
            placeholder="Nothing"
            onChange={(event) => set('Words on link', { link: event.target.value }, 'soon')}
          />
        </Row>
      )}
      <Row label="picture">
        {picture ? (
          <>
            <img className={kitStyles.picture} src={`/art/pictures/${picture}.svg`} alt={picture.split('/')[1]} />
            <Toggle label="Remove the picture" onClick={() => set('Picture of node', { picture: null })}>
              none
            </Toggle>
          </>
        ) : (
          <span className="quiet">Drag one from the supplies onto the node</span>
        )}
      </Row>
      <Row label="node">
        <Toggle label="Add a node under this one (Ctrl+Enter)" onClick={() => addNode(editor, 'child', groupId, id)}>
          + under
        </Toggle>
        <Toggle
          label="Add a node beside this one (Ctrl+Shift+Enter)"
          onClick={() => addNode(editor, 'sibling', groupId, id)}
        >
          + beside
        </Toggle>
      </Row>
    </>
  );
});

const SIGNS = { none: '–', forward: '→', back: '←', both: '↔' };

type LinkProps = { link: MapLink; from: string; to: string; put: PutMap };

/** A cross link: its ends and its text. */
const LinkFields = memo(function LinkFields({ link: { id, words, arrow }, from, to, put }: LinkProps) {
  const set = (values: Partial<MapLink>, keep?: 'soon') =>
    put('Link', ({ links }) => ({ links: links.map((one) => (one.id === id ? { ...one, ...values } : one)) }), keep);
  return (
    <div className={styles.crossLink} role="group" aria-label={`Link from ${from} to ${to}`}>
      <span className={styles.crossEnds} title={`${from} to ${to}`}>
        {from} {SIGNS[arrow]} {to}
      </span>
      <input
        className={kitStyles.text}
        aria-label="Words on the link"
        value={words}
        maxLength={120}
        placeholder="Says …"
        onChange={(event) => set({ words: event.target.value }, 'soon')}
      />
      <Choice
        label="Arrow of the link"
        value={arrow}
        names={ARROW_NAMES}
        onChange={(next) => set({ arrow: next })}
        width={92}
      />
      <Toggle
        label="Remove this link"
        onClick={() => put('Remove link', ({ links }) => ({ links: links.filter((one) => one.id !== id) }))}
      >
        <Sign of="remove" />
      </Toggle>
    </div>
  );
});

type LinksProps = Pick<MapRecipe, 'links' | 'nodes'> & { editor: Editor; groupId: string; put: PutMap };

export function CrossLinks({ editor, groupId, links, nodes, put }: LinksProps) {
  const selection = useEditor(editor, 'selection');
  const chosen = selection.flatMap((id) => nodeOf(findOn(editor.page, id)?.item ?? null) ?? []);
  const name = (id: string) => nodes.find((node) => node.id === id)?.text || '…';
  return (
    <More
      title={links.length > 0 ? `links across · ${links.length}` : 'links across'}
      open={links.length > 0 || chosen.length === 2}
    >
      {links.map((link) => (
        <LinkFields key={link.id} {...{ link, put }} from={name(link.from)} to={name(link.to)} />
      ))}
      {chosen.length === 2 ? (
        <Toggle
          label="Link the two nodes that are chosen"
          onClick={() => linkChosen(editor, groupId, chosen[0], chosen[1])}
        >
          link “{name(chosen[0])}” to “{name(chosen[1])}”
        </Toggle>
      ) : (
        <p className="quiet">Select two nodes on the map, with Shift, to link them.</p>
      )}
    </More>
  );
}

type LevelProps = Pick<MapRecipe, 'looks' | 'edge'> & { palette: readonly string[]; put: PutMap };

export const Levels = memo(function Levels({ looks, edge, palette, put }: LevelProps) {
  const set = (i: number, values: Partial<NodeLook>) =>
    put('Look of a level', ({ looks }) => ({
      looks: looks.map((look, n) => (n === i ? { ...look, ...values } : look)),
    }));
  return (
    <More title="Look of each level">
      {looks.map((look, i) => (
        <div key={i} className={styles.mapLevel} role="group" aria-label={`Nodes of the ${LEVELS[i]} level`}>
          <Row label={i === looks.length - 1 && i > 0 ? `${LEVELS[i]} +` : LEVELS[i]}>
            <Choice
              label="Form"
              value={look.shape}
              names={SHAPE_NAMES}
              onChange={(shape) => set(i, { shape })}
              width={104}
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
        value={edge}
        palette={palette}
        onChange={(edge) => edge && put('Colour of links', { edge })}
      />
    </More>
  );
});
