import { memo, useRef } from 'react';
import type { ReactNode } from 'react';
import type { MapLayout, MapRecipe } from '../../../core/schema/recipes/map';
import { ARROWS, MAP_LAYOUTS } from '../../../core/schema/recipes/map';
import { Row } from '../../parts/row';
import { useMade } from '../kit/made';
import { chooseNode, nodeOf } from './map-commands';
import type { PutMap } from './map-fields';
import { ARROW_NAMES, CrossLinks, Levels, NodeFields } from './map-fields';
import { InAndOut } from './map-files';
import { OutlinePad } from './outline-pad';
import type { PanelProps } from '../kit/parts';
import { Notes, WordsSize } from '../kit/parts';
import { Choice } from '../../fields/choice';
import styles from './map.module.css';

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

export function MapPanel({ editor, group, sheet, part }: PanelProps) {
  const { recipe, notes, now, edit, put } = useMade(editor, group, 'map');
  const current = nodeOf(part);
  const node = recipe.nodes.find(({ id }) => id === current);
  const row = useRef<string | null>(null);
  return (
    <div className="map-panel">
      <OutlinePad
        recipe={recipe}
        current={current}
        onEdit={(name, next, keep) =>
          // A new line has no node to select before it is made.
          edit(name, next, keep, () => {
            const writing = document.activeElement?.closest('[data-outline]');
            if (writing && row.current) chooseNode(editor, group.id, row.current);
          })
        }
        onUndo={(by) => {
          editor.making?.flush();
          if (by > 0) editor.undo();
          else editor.redo();
        }}
        onFocusRow={(id) => {
          row.current = id;
          chooseNode(editor, group.id, id);
        }}
        onProblem={(words) => editor.say(words)}
      />
      <Notes {...{ notes, editor, group }} />
      <MapLooks layout={recipe.layout} route={recipe.route} arrows={recipe.arrows} size={recipe.size} {...{ put }} />
      {node && (
        <NodeFields
          {...{ editor, put }}
          groupId={group.id}
          id={node.id}
          link={node.parent === null ? null : node.link}
          picture={node.picture}
        />
      )}
      <CrossLinks {...{ editor, put }} groupId={group.id} links={recipe.links} nodes={recipe.nodes} />
      <Levels looks={recipe.looks} edge={recipe.edge} palette={sheet.palette} put={put} />
      <InAndOut editor={editor} recipeNow={now} onEdit={edit} />
    </div>
  );
}

/** The layout settings: not redrawn while the outline is typed. */
const MapLooks = memo(function MapLooks({
  layout: chosen,
  route,
  arrows,
  size,
  put,
}: Pick<MapRecipe, 'layout' | 'route' | 'arrows' | 'size'> & { put: PutMap }) {
  return (
    <>
      <div className={styles.mapLayouts} role="radiogroup" aria-label="Layout">
        {MAP_LAYOUTS.map((layout) => (
          <button
            key={layout}
            type="button"
            role="radio"
            aria-checked={chosen === layout}
            aria-label={LAYOUT_NAMES[layout]}
            title={LAYOUT_NAMES[layout]}
            className={styles.mapLayout}
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
        <Choice
          label="How links run"
          value={route}
          names={ROUTES}
          onChange={(route) => put('Links', { route })}
          width={92}
        />
        <Choice
          label="Arrows"
          value={arrows}
          options={ARROWS.map((value) => ({ value, label: value === 'none' ? 'no arrows' : ARROW_NAMES[value] }))}
          onChange={(arrows) => put('Arrows', { arrows })}
          width={104}
        />
      </Row>
      <Row label="words">
        <WordsSize size={size} onChange={put} />
      </Row>
    </>
  );
});
