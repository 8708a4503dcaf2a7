import { cutTo } from '../../core/values/characters';
import { Input } from 'antd';
import type { PictureItem } from '../../core/schema/sheet';
import { inCommon } from '../../core/text/common';
import { pictureNow } from '../drawing/resources';
import type { Bench } from '../document/bench';
import { addLabel, setValues } from '../commands/commands';
import { PercentField, Row, Toggle } from '../fields/fields';
import { paletteFromPicture } from '../commands/palettes';

/** Settings of pictures. */

export function PictureFields({ bench, items }: { bench: Bench; items: readonly PictureItem[] }) {
  const [item] = items;
  const one = items.length === 1;
  const common = inCommon(items);
  const parts = one ? (pictureNow(item.picture)?.targets ?? []) : [];
  const teacher = bench.rights.kind === 'all';
  const share = (name: string, key: 'soften' | 'reflection') => (
    <PercentField
      label={name}
      share={common[key]}
      onChange={(value) => setValues(bench, name === 'soften' ? 'Soften' : 'Reflection', { [key]: value })}
    />
  );
  return (
    <>
      {one && (
        <Row label="description">
          <Input
            key={item.id}
            size="small"
            aria-label="What the picture shows, for who can’t see it"
            defaultValue={item.alt}
            placeholder="what it shows"
            style={{ flex: 1 }}
            onBlur={(event) =>
              event.target.value !== item.alt &&
              setValues(bench, 'Description', { alt: cutTo(event.target.value, 1000) })
            }
          />
        </Row>
      )}
      <div className="typed-pair" style={{ marginTop: 7 }}>
        {share('soften', 'soften')}
        {share('mirror', 'reflection')}
      </div>
      <Row label="flip">
        <Toggle
          on={common.flipX ?? 'mixed'}
          label="Flip left and right"
          onClick={() => setValues(bench, 'Flip', { flipX: !common.flipX })}
        >
          ⇋
        </Toggle>
        <Toggle
          on={common.flipY ?? 'mixed'}
          label="Flip up and down"
          onClick={() => setValues(bench, 'Flip', { flipY: !common.flipY })}
        >
          ⥮
        </Toggle>
        {one && teacher && (
          <button type="button" className="chip" onClick={() => void paletteFromPicture(bench, item)}>
            use its colours as palette
          </button>
        )}
      </Row>
      {parts.length > 0 && teacher && (
        <>
          <p style={{ marginTop: 8 }}>Label a part:</p>
          <div className="chips">
            {parts.map((part) => (
              <button
                key={part.name}
                type="button"
                className="chip"
                onClick={() => addLabel(bench, item, part.name, true)}
              >
                {part.name}
              </button>
            ))}
          </div>
        </>
      )}
      {one && item.credit && <p className="quiet">{item.credit}</p>}
    </>
  );
}
