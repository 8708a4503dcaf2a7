import { useContext, useState, useSyncExternalStore } from 'react';
import type { Paint } from '../../core/schema/sheet';
import { DRAWN, solid } from '../../core/schema/defaults';
import type { Editor } from '../document/editor';
import { NumberField, PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Row } from '../parts/row';
import { Swatch } from './swatch';
import { EditorContext, Swatches } from './swatches';
import type { Gradient } from './gradient';
import { gradientFrom, withoutStop, withStop } from './gradient';
import { Sign } from '../parts/sign';

/** Fills: none, one colour, or a gradient. */

const PAINTS = [
  { kind: 'none', name: 'None' },
  { kind: 'solid', name: 'Solid colour' },
  { kind: 'linear', name: 'Linear gradient' },
  { kind: 'radial', name: 'Radial gradient' },
] as const;

function PaintDrawing({ kind }: { kind: (typeof PAINTS)[number]['kind'] }) {
  return (
    <svg width="18" height="14" aria-hidden="true">
      <defs>
        <linearGradient id="paint-l">
          <stop stopColor="var(--moss)" />
          <stop offset="1" stopColor="var(--tint)" />
        </linearGradient>
        <radialGradient id="paint-r">
          <stop stopColor="var(--tint)" />
          <stop offset="1" stopColor="var(--moss)" />
        </radialGradient>
      </defs>
      <rect
        x="1"
        y="1"
        width="16"
        height="12"
        rx="3"
        stroke="var(--faint)"
        strokeDasharray={kind === 'none' ? '2 2' : undefined}
        fill={kind === 'none' ? 'none' : kind === 'solid' ? 'var(--moss-mid)' : `url(#paint-${kind[0]})`}
      />
    </svg>
  );
}

/** The stop that was pressed last on the sheet. */
function useStop(editor: Editor | null): number {
  const now = () => editor?.stop ?? 0;
  return useSyncExternalStore(editor?.subscribe ?? NEVER, now, now);
}
const NEVER = () => () => {};

type PaintProps = {
  label: string;
  /** Undefined where several differ. */
  paint: Paint | null | undefined;
  palette: readonly string[];
  onChange: (paint: Paint | null) => void;
  /** Whether its ends and stops can be dragged on the sheet. */
  hint?: boolean;
};

/** A fill: none, one colour, or a gradient whose ends and stops are dragged on the item itself. */
export function PaintField({ label, paint, palette, onChange, hint }: PaintProps) {
  const editor = useContext(EditorContext);
  const pulled = useStop(editor);
  const [own, setOwn] = useState(0);
  const stop = hint ? pulled : own;
  const setStop = (index: number) => (hint ? editor?.put({ stop: index }) : setOwn(index));
  const first = !paint ? (palette[2] ?? DRAWN.fill) : paint.kind === 'solid' ? paint.colour : paint.stops[0].colour;
  const change = (kind: (typeof PAINTS)[number]['kind']) => {
    if (kind === 'none') return onChange(null);
    if (kind === 'solid') return onChange(solid(first));
    if (paint && paint.kind !== 'solid') {
      const { stops } = paint;
      return onChange(kind === 'linear' ? { kind, angle: 90, stops } : { kind, x: 0.5, y: 0.5, reach: 1, stops });
    }
    onChange(gradientFrom(kind, first, palette.find((hex) => hex !== first) ?? DRAWN.paper));
  };
  return (
    <>
      <Row label={label}>
        {PAINTS.map(({ kind, name }) => (
          <Toggle
            key={kind}
            on={paint !== undefined && (paint?.kind ?? 'none') === kind}
            label={`${label}: ${name.toLowerCase()}`}
            onClick={() => change(kind)}
          >
            <PaintDrawing kind={kind} />
          </Toggle>
        ))}
        {paint?.kind === 'solid' && (
          <PercentField
            bare
            label={`${label} opacity`}
            share={paint.opacity}
            onChange={(opacity) => onChange({ ...paint, opacity })}
          />
        )}
      </Row>
      {(!paint || paint.kind === 'solid') && (
        <Swatches
          label=""
          value={paint === undefined ? undefined : (paint?.colour ?? null)}
          palette={palette}
          none={`No ${label}`}
          onChange={(hex) => onChange(hex === null ? null : solid(hex, paint?.opacity ?? 1))}
        />
      )}
      {paint && paint.kind !== 'solid' && (
        <>
          <GradientFields paint={paint} stop={stop} onStop={setStop} palette={palette} onChange={onChange} />
          {hint && <p className="quiet">Or pull the dots and diamonds on the sheet.</p>}
        </>
      )}
    </>
  );
}

type GradientProps = {
  paint: Gradient;
  /** Which stop is set. */
  stop: number;
  onStop: (index: number) => void;
  palette: readonly string[];
  onChange: (paint: Paint) => void;
};

/** A gradient's stops with their colours and places, and its angle or size. */
function GradientFields({ paint, stop: wanted, onStop, palette, onChange }: GradientProps) {
  const at = Math.min(wanted, paint.stops.length - 1);
  const putStop = (patch: Partial<Gradient['stops'][number]>) =>
    onChange({ ...paint, stops: paint.stops.map((stop, i) => (i === at ? { ...stop, ...patch } : stop)) });
  return (
    <>
      <Row label="stops">
        {paint.stops.map((stop, i) => (
          <Swatch
            key={i}
            colour={stop.colour}
            marked={i === at}
            aria-pressed={i === at}
            aria-label={`Stop ${i + 1} of ${paint.stops.length}, ${stop.colour}`}
            onClick={() => onStop(i)}
          />
        ))}
        <Toggle
          label="Add stop"
          onClick={() => {
            const { paint: next, index } = withStop(paint);
            onChange(next);
            onStop(index);
          }}
        >
          <Sign of="more" />
        </Toggle>
        <Toggle
          label="Remove stop"
          disabled={paint.stops.length < 3}
          onClick={() => (onChange(withoutStop(paint, at)), onStop(0))}
        >
          <Sign of="less" />
        </Toggle>
        <PercentField
          bare
          label="opacity at this stop"
          share={paint.stops[at].opacity}
          onChange={(opacity) => putStop({ opacity })}
        />
      </Row>
      <Swatches
        label="stop"
        value={paint.stops[at].colour}
        palette={palette}
        onChange={(colour) => colour && putStop({ colour })}
      />
      <Row label="">
        <PercentField
          label="position"
          share={paint.stops[at].offset}
          least={paint.stops[at - 1]?.offset}
          most={paint.stops[at + 1]?.offset}
          onChange={(offset) => putStop({ offset })}
        />
        {paint.kind === 'linear' ? (
          <NumberField
            label="angle"
            value={paint.angle}
            suffix="°"
            min={-360}
            max={360}
            onChange={(angle) => onChange({ ...paint, angle })}
          />
        ) : (
          <PercentField
            label="size"
            share={paint.reach}
            least={0.02}
            most={3}
            onChange={(reach) => onChange({ ...paint, reach })}
          />
        )}
      </Row>
    </>
  );
}
