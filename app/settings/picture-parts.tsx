import { useState } from 'react';
import { WHOLE } from '../../core/pictures/frame';
import type { PictureItem } from '../../core/schema/sheet';
import { shared } from '../../core/text/common';
import { later } from '../browser/later';
import { setPictures, showWhole, toggleCrop, zoomCropped } from '../commands/crop-commands';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { Choice } from '../fields/choice';
import { PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Row } from '../parts/row';
import { SHAPE_OPTIONS } from './shape-options';

/** What a picture item shows: which picture, which part of it, in which shape. */

const OtherPicture = later(() => import('./other-picture').then((part) => part.OtherPicture));

/** From a twentieth of its size to twenty times as large. */
const [LEAST_ZOOM, MOST_ZOOM] = [0.05, 20];

export function PictureParts({ editor, items }: { editor: Editor; items: readonly PictureItem[] }) {
  const cropping = useEditor(editor, 'cropping');
  const [replacing, setReplacing] = useState(false);
  const [item] = items;
  const one = items.length === 1;
  const { rights } = editor;
  // What a maker made is exchanged in its recipe.
  const mayReplace =
    items.every(({ made }) => made === null) && (rights.kind === 'all' || rights.supplies.includes('picture'));
  const widths = items.map(({ crop }) => (crop ?? WHOLE).width);
  const width = shared(widths);
  return (
    <>
      <Row label="picture">
        {mayReplace && (
          <Toggle
            on={replacing}
            label="Put another picture in its place; size, angle and look stay"
            onClick={() => setReplacing(!replacing)}
          >
            replace
          </Toggle>
        )}
        {one && (
          <Toggle
            on={cropping === item.id}
            label="Crop (K): pull the edges, drag the picture below them"
            disabled={item.locked}
            onClick={() => toggleCrop(editor)}
          >
            crop
          </Toggle>
        )}
        {items.some(({ crop }) => crop !== null) && (
          <Toggle label="Show all of the picture again, stretched to its frame" onClick={() => showWhole(editor)}>
            show all
          </Toggle>
        )}
        {cropping !== null && (
          <PercentField
            label="zoom"
            share={width === undefined ? null : 1 / width}
            least={LEAST_ZOOM}
            most={MOST_ZOOM}
            onChange={(zoom) => zoomCropped(editor, zoom * widths[0])}
          />
        )}
      </Row>
      {replacing && mayReplace && <OtherPicture editor={editor} items={items} />}
      <Choice
        row="cut to"
        label="Shape that the picture is cut to"
        value={shared(items.map(({ cut }) => cut ?? '')) ?? null}
        placeholder="Mixed"
        showSearch={{ optionFilterProp: 'label' }}
        onChange={(cut) =>
          setPictures(editor, 'Cut to a shape', () => ({ cut: (cut === '' ? null : cut) as PictureItem['cut'] }))
        }
        options={[{ value: '', label: 'its frame' }, ...SHAPE_OPTIONS]}
      />
    </>
  );
}
