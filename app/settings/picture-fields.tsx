import { Chip, Chips } from '../parts/action';
import { cutTo } from '../../core/values/characters';
import { Input } from 'antd';
import type { PictureItem } from '../../core/schema/sheet';
import { inCommon } from '../../core/text/common';
import { pictureNow } from '../drawing/resources';
import type { Editor } from '../document/editor';
import { addLabel } from '../commands/commands';
import { setValues } from '../commands/set-values';
import { PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { More, Pair, Row } from '../parts/row';
import { later } from '../browser/later';
import { paletteFromPicture } from '../commands/palettes';
import { PictureParts } from './picture-parts';

const PictureColours = later(() => import('./picture-colours').then((part) => part.PictureColours));

/** Settings of pictures. */

type Props = { editor: Editor; items: readonly PictureItem[]; palette: readonly string[] };

export function PictureFields({ editor, items, palette }: Props) {
  const [item] = items;
  const one = items.length === 1;
  const common = inCommon(items);
  const parts = one ? (pictureNow(item.picture)?.targets ?? []) : [];
  const teacher = editor.rights.kind === 'all';
  const share = (name: string, key: 'soften' | 'reflection') => (
    <PercentField
      label={name}
      share={common[key]}
      onChange={(value) => setValues(editor, name === 'soften' ? 'Soften' : 'Reflection', { [key]: value })}
    />
  );
  return (
    <>
      {one && (
        <Row label="description">
          <Input
            // A picture that takes its place brings another description.
            key={`${item.id} ${item.alt}`}
            size="small"
            aria-label="What the picture shows, for who can’t see it"
            defaultValue={item.alt}
            placeholder="What it shows"
            onBlur={(event) =>
              event.target.value !== item.alt &&
              setValues(editor, 'Description', { alt: cutTo(event.target.value, 1000) })
            }
          />
        </Row>
      )}
      <PictureParts {...{ editor, items }} />
      <Pair>
        {share('soften', 'soften')}
        {share('mirror', 'reflection')}
      </Pair>
      <Row label="flip">
        <Toggle
          on={common.flipX ?? 'mixed'}
          label="Flip left and right"
          onClick={() => setValues(editor, 'Flip', { flipX: !common.flipX })}
        >
          ⇋
        </Toggle>
        <Toggle
          on={common.flipY ?? 'mixed'}
          label="Flip up and down"
          onClick={() => setValues(editor, 'Flip', { flipY: !common.flipY })}
        >
          ⥮
        </Toggle>
        {one && teacher && (
          <Chip onClick={() => void paletteFromPicture(editor, item)}>use its colours as palette</Chip>
        )}
      </Row>
      <More title="colours">
        <PictureColours {...{ editor, items, palette }} />
      </More>
      {parts.length > 0 && teacher && (
        <>
          <p>Label a part:</p>
          <Chips>
            {parts.map((part) => (
              <Chip asIs key={part.name} onClick={() => addLabel(editor, item, part.name, true)}>
                {part.name}
              </Chip>
            ))}
          </Chips>
        </>
      )}
      {one && item.credit && <p className="quiet">{item.credit}</p>}
    </>
  );
}
