import { colourName } from '../../core/colour/name';
import { rove, stopAt } from '../fields/rove';
import { Popover } from 'antd';
import { createContext, useContext, useState, useSyncExternalStore } from 'react';
import type { Paint } from '../../core/schema/sheet';
import { DRAWN, solid } from '../../core/schema/defaults';
import type { Bench } from '../document/bench';
import { noteColour } from '../commands/commands';
import { NumberField, PercentField, Row, Toggle } from '../fields/fields';
import type { Gradient } from './gradient';
import { gradientFrom, withoutStop, withStop } from './gradient';
import { later } from '../browser/later';

/** Choosing a colour: the sheet's palette is always in view, everything else one press away. */

const ColourPanel = later(() => import('./colour-panel').then((part) => part.default));
/** The bench whose recent colours and sampler a colour field uses. */
export const BenchContext = createContext<Bench | null>(null);

type SwatchProps = {
  label: string;
  /** Undefined where several differ. */
  value: string | null | undefined;
  palette: readonly string[];
  none?: string;
  onChange: (hex: string | null) => void;
};

export function Swatches({ label, value, palette, none, onChange }: SwatchProps) {
  const bench = useContext(BenchContext);
  const [open, setOpen] = useState(false);
  const other = typeof value === 'string' && !palette.includes(value);
  const members = [...(none ? [null] : []), ...palette];
  const chosen = value === undefined ? -1 : members.indexOf(value);
  const choose = (hex: string | null) => {
    onChange(hex);
    if (bench && hex && !palette.includes(hex)) noteColour(bench, hex);
  };
  return (
    <div className="swatches" role="radiogroup" aria-label={label} onKeyDown={(event) => rove(event, 'radio')}>
      <span className="swatches-label">{label}</span>
      <span className="swatches-all">
        {none && (
          <button
            type="button"
            role="radio"
            aria-checked={value === null}
            tabIndex={stopAt(chosen, 0)}
            aria-label={none}
            title={none}
            className="swatch none"
            onClick={() => onChange(null)}
          />
        )}
        {palette.map((hex, i) => {
          const name = colourName(hex);
          return (
            <button
              key={`${hex} ${i}`}
              type="button"
              role="radio"
              aria-checked={value === hex}
              tabIndex={stopAt(chosen, i + (none ? 1 : 0))}
              aria-label={`${label} ${hex}, ${name}`}
              title={`${name} ${hex}`}
              className="swatch"
              style={{ background: hex }}
              onClick={() => onChange(hex)}
            />
          );
        })}
        <Popover
          trigger="click"
          placement="leftTop"
          open={open}
          onOpenChange={setOpen}
          destroyOnHidden
          content={
            <>
              <ColourPanel
                bench={bench}
                label={label}
                value={value ?? DRAWN.grey}
                onChange={choose}
                onClose={() => setOpen(false)}
              />
            </>
          }
        >
          <button
            type="button"
            className={`swatch other${other ? ' chosen' : ''}`}
            aria-label={`${label}: another colour`}
            aria-expanded={open}
            title="Another colour"
            style={other ? { background: value } : undefined}
          />
        </Popover>
      </span>
    </div>
  );
}

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
function useStop(bench: Bench | null): number {
  const now = () => bench?.stop ?? 0;
  return useSyncExternalStore(bench?.subscribe ?? NEVER, now, now);
}
const NEVER = () => () => {};

type PaintProps = {
  label: string;
  /** Undefined where several differ. */
  paint: Paint | null | undefined;
  palette: readonly string[];
  onChange: (paint: Paint | null) => void;
  /** Whether its ends and stops can be pulled on the sheet. */
  hint?: boolean;
};

/** A fill: none, one colour or a gradient, whose ends and stops are pulled on the thing itself. */
export function PaintField({ label, paint, palette, onChange, hint }: PaintProps) {
  const bench = useContext(BenchContext);
  const pulled = useStop(bench);
  const [own, setOwn] = useState(0);
  const stop = hint ? pulled : own;
  const setStop = (index: number) => (hint ? bench?.put({ stop: index }) : setOwn(index));
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
  const at = paint && paint.kind !== 'solid' ? Math.min(stop, paint.stops.length - 1) : 0;
  const putStop = (patch: Partial<Gradient['stops'][number]>) =>
    paint &&
    paint.kind !== 'solid' &&
    onChange({ ...paint, stops: paint.stops.map((stop, i) => (i === at ? { ...stop, ...patch } : stop)) });
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
          <Row label="stops">
            {paint.stops.map((stop, i) => (
              <button
                key={i}
                type="button"
                className="swatch"
                aria-pressed={i === at}
                aria-label={`Stop ${i + 1} of ${paint.stops.length}, ${stop.colour}`}
                style={{
                  background: stop.colour,
                  ...(i === at && { boxShadow: '0 0 0 2px var(--paper), 0 0 0 4px var(--apricot)' }),
                }}
                onClick={() => setStop(i)}
              />
            ))}
            <Toggle
              label="Add stop"
              onClick={() => {
                const { paint: next, index } = withStop(paint);
                onChange(next);
                setStop(index);
              }}
            >
              +
            </Toggle>
            <Toggle
              label="Remove stop"
              disabled={paint.stops.length < 3}
              onClick={() => (onChange(withoutStop(paint, at)), setStop(0))}
            >
              −
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
          {hint && <p className="quiet">Or pull the dots and diamonds on the sheet.</p>}
        </>
      )}
    </>
  );
}
