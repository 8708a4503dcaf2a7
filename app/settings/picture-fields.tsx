import { cutTo } from '../../core/values/characters';
import { Input } from 'antd';
import type { PictureItem } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import type { Bench } from '../document/bench';
import { addLabel, setValues } from '../commands/commands';
import { PercentField, Row, Toggle } from '../fields/fields';
import { paletteFromPicture } from '../commands/palettes';

/** Settings of pictures. */

export function PictureFields({ bench, item }: { bench: Bench; item: PictureItem }) {
  const parts = pictureNow(item.picture)?.targets ?? [];
  const teacher = bench.rights.kind === 'all';
  const share = (name: string, key: 'soften' | 'reflection') => (
    <PercentField
      label={name}
      share={item[key]}
      onChange={(value) => setValues(bench, name === 'soften' ? 'Soften' : 'Reflection', { [key]: value })}
    />
  );
  return (
    <>
      <Row label="description">
        <Input
          key={item.id}
          size="small"
          aria-label="What the picture shows, for who can’t see it"
          defaultValue={item.alt}
          placeholder="what it shows"
          style={{ flex: 1 }}
          onBlur={(event) =>
            event.target.value !== item.alt && setValues(bench, 'Description', { alt: cutTo(event.target.value, 1000) })
          }
        />
      </Row>
      <div className="typed-pair" style={{ marginTop: 7 }}>
        {share('soften', 'soften')}
        {share('mirror', 'reflection')}
      </div>
      <Row label="flip">
        <Toggle
          on={item.flipX}
          label="Flip left and right"
          onClick={() => setValues(bench, 'Flip', { flipX: !item.flipX })}
        >
          ⇋
        </Toggle>
        <Toggle
          on={item.flipY}
          label="Flip up and down"
          onClick={() => setValues(bench, 'Flip', { flipY: !item.flipY })}
        >
          ⥮
        </Toggle>
        {teacher && (
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
      {item.credit && <p className="quiet">{item.credit}</p>}
    </>
  );
}
