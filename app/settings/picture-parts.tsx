import { useState } from 'react';
import { WHOLE } from '../../core/pictures/frame';
import { besideOf } from '../../core/items/beside';
import type { PictureItem } from '../../core/schema/sheet';
import { shared } from '../../core/text/common';
import { later } from '../browser/later';
import { setPictures, showWhole, toggleCrop, zoomCropped } from '../commands/crop-commands';
import { whenLoaded } from '../commands/when-loaded';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import { Choice } from '../fields/choice';
import { PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Row } from '../parts/row';
import { SHAPE_OPTIONS } from './shape-options';

/** What a picture item shows: which picture, which part of it, in which shape. */

const OtherPicture = later(() => import('./other-picture').then((part) => part.OtherPicture));

const ClearDialog = later(() => import('../clearing/clear-dialog').then((part) => part.ClearDialog), null);

/** Loaded when first wanted. */
const withPatches = (editor: Editor, work: (commands: typeof import('../commands/patch-commands')) => void): void =>
  void whenLoaded(editor, import('../commands/patch-commands'), work);

/** Taking the background of a picture away, and covering parts of it. */
function Mending({ editor, item }: { editor: Editor; item: PictureItem }) {
  const [clearing, setClearing] = useState(false);
  // A drawing has no background.
  const hasGround = pictureNow(item.picture)?.raster !== undefined;
  return (
    <>
      {hasGround && (
        <Row label="background">
          <Toggle
            on={item.clearing !== null}
            label="Take the background of the picture away, or change how"
            disabled={item.locked}
            onClick={() => setClearing(true)}
          >
            {item.clearing === null ? 'take away …' : 'change …'}
          </Toggle>
          {item.clearing && (
            <Toggle
              label="Show the background again"
              disabled={item.locked}
              onClick={() => setPictures(editor, 'Background', () => ({ clearing: null }))}
            >
              bring back
            </Toggle>
          )}
          {clearing && <ClearDialog editor={editor} item={item} onEnd={() => setClearing(false)} />}
        </Row>
      )}
      <Row label="cover">
        <Toggle
          label="Cover a part of the picture with the colour around it"
          disabled={item.locked}
          onClick={() => withPatches(editor, ({ drawPatch }) => drawPatch(editor, item.id, false))}
        >
          a part
        </Toggle>
        <Toggle
          label="Cover an oval part of the picture with the colour around it"
          disabled={item.locked}
          onClick={() => withPatches(editor, ({ drawPatch }) => drawPatch(editor, item.id, true))}
        >
          oval
        </Toggle>
        {item.patches.length > 0 && (
          <Toggle
            label="Show what was covered last again"
            disabled={item.locked}
            onClick={() => withPatches(editor, ({ removeLastPatch }) => removeLastPatch(editor))}
          >
            uncover the last
          </Toggle>
        )}
      </Row>
    </>
  );
}

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
  const candidates = besideOf(editor.page).filter(({ kind, id }) => kind === 'picture' && id !== item.id).length;
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
        {one && candidates > 0 && mayReplace && (
          <Toggle
            label="Try the next picture that waits beside the page in its place (T)"
            disabled={item.locked}
            onClick={() =>
              void whenLoaded(editor, import('../commands/beside-commands'), ({ tryNext }) => tryNext(editor, 1))
            }
          >
            try the next
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
      {one && rights.kind === 'all' && <Mending editor={editor} item={item} />}
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
