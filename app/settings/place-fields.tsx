import { Segments } from '../fields/segments';
import { useState } from 'react';
import type { Edge } from '../../core/geometry/align';
import { union } from '../../core/geometry/box';
import { boxOf } from '../../core/items/hit';
import type { Item, Sheet } from '../../core/schema/sheet';
import { isFramed } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import {
  align,
  groupChosen,
  hasRatio,
  placeAt,
  reorder,
  sameSize,
  sizeTo,
  distribute,
  tidyUp,
  ungroupChosen,
} from '../commands/arrange';
import type { Along, Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import type { Alike } from '../commands/looks';
import { setValues } from '../commands/set-values';
import { chooseAlike } from '../commands/looks';
import { LengthField, NumberField, PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Pair, Row } from '../parts/row';
import { EdgeDrawing, DistributeDrawing } from '../fields/glyphs';

/** Place, size and angle in numbers; aligning, distributing, order, groups. */

type AlongProps = { editor: Editor; what: keyof Along; label: string; children: string };

/** Toggles whether something scales along when items are resized. */
function AlongToggle({ editor, what, label, children }: AlongProps) {
  const along = useEditor(editor, 'along');
  return (
    <Toggle on={along[what]} label={label} onClick={() => editor.put({ along: { ...along, [what]: !along[what] } })}>
      {children}
    </Toggle>
  );
}

export function NumbersFields({ editor, items, unit }: { editor: Editor; items: Item[]; unit: Sheet['unit'] }) {
  const [item] = items;
  const one = items.length === 1 && isFramed(item) ? item : null;
  const box = one ?? union(items.map((each) => boxOf(editor.page, each, pictureNow)));
  const angle = items.every((each) => isFramed(each) && isFramed(item) && each.angle === item.angle);
  const opacity = items.every((each) => each.opacity === item.opacity) ? item.opacity : null;
  const place = (axis: 'x' | 'y') => (at: number) =>
    one ? setValues(editor, 'Move', { [axis]: at }) : placeAt(editor, axis, at);
  return (
    <>
      <Pair>
        <LengthField label="from left" value={box.x} unit={unit} onChange={place('x')} />
        <LengthField label="from top" value={box.y} unit={unit} onChange={place('y')} />
        <LengthField
          label="width"
          value={box.width}
          unit={unit}
          min={1}
          onChange={(length) => sizeTo(editor, 'width', length)}
        />
        <LengthField
          label="height"
          value={box.height}
          unit={unit}
          min={1}
          onChange={(length) => sizeTo(editor, 'height', length)}
        />
        {items.every(isFramed) && (
          <NumberField
            label="rotate"
            value={angle && isFramed(item) ? item.angle : null}
            suffix="°"
            min={-360}
            max={360}
            onChange={(value) => setValues(editor, 'Rotate', { angle: value })}
          />
        )}
        <PercentField
          label="opacity"
          share={opacity}
          onChange={(value) => setValues(editor, 'Opacity', { opacity: value })}
        />
      </Pair>
      {hasRatio(items) && (
        <Row label="size">
          <AlongToggle editor={editor} what="ratio" label="Keep proportions: width and height change together">
            keep proportions
          </AlongToggle>
        </Row>
      )}
    </>
  );
}

const EDGES: Edge[] = ['left', 'centre', 'right', 'top', 'middle', 'bottom'];
type To = 'page' | 'margin' | 'first' | 'each other';

export function PlaceFields({ editor, items }: { editor: Editor; items: Item[] }) {
  const many = items.length > 1;
  const [to, setTo] = useState<To>(many ? 'each other' : 'page');
  const [item] = items;
  const teacher = editor.rights.kind === 'all';
  const takesAlong = many || item.kind === 'group';
  const alike: { by: Alike; says: string }[] = [
    { by: 'kind', says: 'kind' },
    { by: 'colour', says: 'colour' },
    ...(item.kind === 'text' ? [{ by: 'role' as const, says: 'role' }] : []),
  ];
  return (
    <>
      <Row label="align">
        {EDGES.map((edge) => (
          <Toggle key={edge} label={`Align ${edge}, to ${to}`} onClick={() => align(editor, edge, to)}>
            <EdgeDrawing edge={edge} />
          </Toggle>
        ))}
      </Row>
      <Row label="to">
        <Segments
          label="Align to"
          value={to}
          onChange={(value) => setTo(value as To)}
          options={many ? ['each other', 'first', 'page', 'margin'] : ['page', 'margin']}
        />
      </Row>
      {many && <AmongThem editor={editor} count={items.length} />}
      <OrderFields editor={editor} items={items} />
      {takesAlong && (
        <Row label="scales">
          <AlongToggle editor={editor} what="words" label="Dragging a corner scales the text too">
            words
          </AlongToggle>
          <AlongToggle editor={editor} what="weights" label="Dragging a corner scales line weights too">
            line weights
          </AlongToggle>
        </Row>
      )}
      <Row label="select">
        {alike.map(({ by, says }) => (
          <Toggle key={by} label={`Select everything of the same ${says}`} onClick={() => chooseAlike(editor, by)}>
            same {says}
          </Toggle>
        ))}
      </Row>
      {teacher && (
        <Row label="keep">
          <Toggle
            on={items.every((i) => i.locked)}
            label="Lock in place"
            onClick={() => setValues(editor, 'Lock', { locked: !items.every((i) => i.locked) })}
          >
            lock
          </Toggle>
          <Toggle
            on={items.every((i) => i.hidden)}
            label="Hide"
            onClick={() => setValues(editor, 'Hide', { hidden: !items.every((i) => i.hidden) })}
          >
            hide
          </Toggle>
        </Row>
      )}
    </>
  );
}

/** What several things can be made to share: gaps, width, height. */
function AmongThem({ editor, count }: { editor: Editor; count: number }) {
  return (
    <>
      <Row label="distribute">
        {(['x', 'y'] as const).flatMap((axis) =>
          (['gap', 'centre'] as const).map((by) => (
            <Toggle
              key={axis + by}
              label={`Distribute ${axis === 'x' ? 'horizontally' : 'vertically'}, ${by === 'gap' ? 'equal gaps' : 'equal distances of centres'}`}
              disabled={count < 3}
              onClick={() => distribute(editor, axis, by)}
            >
              <DistributeDrawing axis={axis} by={by} />
            </Toggle>
          )),
        )}
        <Toggle label="Tidy up: rows and columns made regular" onClick={() => tidyUp(editor)}>
          tidy up
        </Toggle>
      </Row>
      <Row label="same">
        {(['width', 'height', 'size'] as const).map((what) => (
          <Toggle key={what} label={`Same ${what} as the first`} onClick={() => sameSize(editor, what)}>
            {what}
          </Toggle>
        ))}
      </Row>
    </>
  );
}

const ORDER = [
  ['front', Infinity, 'To the front (Ctrl+Shift+])'],
  ['forward', 1, 'One forward (Ctrl+])'],
  ['back', -1, 'One back (Ctrl+[)'],
  ['last', -Infinity, 'To the back (Ctrl+Shift+[)'],
] as const;

/** Where it stands from front to back, and whether it is a group. */
function OrderFields({ editor, items }: { editor: Editor; items: readonly Item[] }) {
  const many = items.length > 1;
  const [item] = items;
  return (
    <Row label="order">
      {!many &&
        ORDER.map(([name, by, label]) => (
          <Toggle key={name} label={label} onClick={() => reorder(editor, by)}>
            {name}
          </Toggle>
        ))}
      {many && (
        <Toggle label="Group (Ctrl+G)" onClick={() => groupChosen(editor)}>
          group
        </Toggle>
      )}
      {!many && item.kind === 'group' && (
        <Toggle label="Ungroup (Ctrl+Shift+G)" onClick={() => ungroupChosen(editor)}>
          ungroup
        </Toggle>
      )}
    </Row>
  );
}
