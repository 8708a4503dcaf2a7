import { Input, Segmented, Select } from 'antd';
import { shapeName } from '../../core/sheet/name';
import type { LineItem, Outline, PictureItem, ShapeItem } from '../../core/sheet/schema';
import { SHAPES } from '../../core/geometry/outline';
import { pictureNow } from '../sheet/resources';
import type { Bench } from './bench';
import { addLabel, setValues } from './commands';
import { NumberField, Row, Swatches, Toggle } from './fields';

/** Settings of outlines, shapes, lines and pictures. */

export function OutlineFields({
  bench,
  outline,
  palette,
  none,
}: {
  bench: Bench;
  outline: Outline | null;
  palette: readonly string[];
  none: boolean;
}) {
  const base = outline ?? { colour: '#5b5646', width: 1.25, dash: 'solid' as const };
  const set = (patch: Partial<Outline>) => setValues(bench, 'Outline', { outline: { ...base, ...patch } });
  return (
    <>
      <Swatches
        label="outline"
        value={outline?.colour ?? null}
        palette={palette}
        none={none ? 'No outline' : undefined}
        onChange={(colour) => (colour === null ? setValues(bench, 'Outline', { outline: null }) : set({ colour }))}
      />
      {outline && (
        <Row label="">
          <NumberField
            bare
            label="weight"
            value={outline.width}
            suffix="pt"
            min={0.1}
            max={100}
            onChange={(width) => set({ width })}
          />
          {(['solid', 'dashed', 'dotted'] as const).map((dash) => (
            <Toggle key={dash} on={outline.dash === dash} label={`Outline: ${dash}`} onClick={() => set({ dash })}>
              <svg width="22" height="6" aria-hidden="true">
                <line
                  x1="2"
                  x2="20"
                  y1="3"
                  y2="3"
                  stroke="currentColor"
                  strokeWidth="2.2"
                  strokeLinecap={dash === 'dotted' ? 'round' : 'butt'}
                  strokeDasharray={dash === 'dashed' ? '5 3.5' : dash === 'dotted' ? '0.1 4.4' : undefined}
                />
              </svg>
            </Toggle>
          ))}
        </Row>
      )}
    </>
  );
}

export function ShapeFields({ bench, item }: { bench: Bench; item: ShapeItem }) {
  return (
    <>
      <Row label="shape">
        <Select
          size="small"
          aria-label="Shape"
          value={item.shape}
          style={{ flex: 1 }}
          onChange={(shape) => setValues(bench, 'Shape', { shape })}
          options={SHAPES.map((value) => ({ value, label: shapeName(value) }))}
        />
      </Row>
    </>
  );
}

export function LineFields({ bench, item }: { bench: Bench; item: LineItem }) {
  const caps = [
    { value: 'none', label: 'bare' },
    { value: 'arrow', label: 'arrow' },
    { value: 'dot', label: 'dot' },
  ];
  return (
    <>
      <Row label="way">
        <Segmented
          size="small"
          aria-label="Way of the line"
          value={item.route}
          onChange={(route) => setValues(bench, 'Way of line', { route })}
          options={[
            { value: 'straight', label: 'straight' },
            { value: 'stepped', label: 'stepped' },
            { value: 'curved', label: 'curved' },
          ]}
        />
      </Row>
      <Row label="ends">
        <Select
          size="small"
          aria-label="Start"
          value={item.startCap}
          onChange={(startCap) => setValues(bench, 'Line end', { startCap })}
          options={caps}
          style={{ width: 84 }}
        />
        <Select
          size="small"
          aria-label="End"
          value={item.endCap}
          onChange={(endCap) => setValues(bench, 'Line end', { endCap })}
          options={caps}
          style={{ width: 84 }}
        />
      </Row>
      <p className="quiet">Drag an end to a box or a part of a diagram, and it holds on there.</p>
    </>
  );
}

export function PictureFields({ bench, item }: { bench: Bench; item: PictureItem }) {
  const parts = pictureNow(item.picture)?.targets ?? [];
  return (
    <>
      <Row label="says">
        <Input
          key={item.id}
          size="small"
          aria-label="What the picture shows, for who can’t see it"
          defaultValue={item.alt}
          placeholder="what it shows"
          style={{ flex: 1 }}
          onBlur={(event) =>
            event.target.value !== item.alt &&
            setValues(bench, 'Description', { alt: event.target.value.slice(0, 1000) })
          }
        />
      </Row>
      {parts.length > 0 && bench.rights.kind === 'all' && (
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
