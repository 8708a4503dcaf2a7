import { DRAWN } from '../../core/schema/defaults';
import { Segmented } from 'antd';
import { useState } from 'react';
import type { Sheet } from '../../core/schema/sheet';
import { Page } from '../../core/schema/sheet';
import { namedSize, PAGE_SIZES } from '../../core/sheet/units';
import type { Bench } from '../document/bench';
import type { Wanted } from './size-choice';
import { BenchContext, PaintField, Swatches } from '../colour/colour-field';
import { LengthField, More, Row, Toggle } from '../fields/fields';
import { later } from '../browser/later';
import { Choice } from '../fields/choice';

/** The settings of the page, shown in the margin while nothing is chosen. */

/** Whether a page can have these sides. */
const inReach = (...sides: number[]) => sides.every((side) => Page.shape.width.safeParse(side).success);

const SizeChoice = later(() => import('./size-choice').then((part) => part.default));

type Props = {
  bench: Bench;
  sheet: Sheet;
  page: Page;
  rulers: boolean;
  setRulers: (on: boolean) => void;
};

export function PageCard({ bench, sheet, page, rulers, setRulers }: Props) {
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const { unit } = sheet;
  const set = (values: Record<string, unknown>) => bench.make('Page', { kind: 'page-set', id: page.id, values });
  const wide = page.width > page.height;
  const named = namedSize(page.width, page.height);
  // An empty page has nothing to keep or to scale.
  const ask = (width: number, height: number) => {
    if (Math.abs(width - page.width) < 0.5 && Math.abs(height - page.height) < 0.5) return setWanted(null);
    if (page.items.length === 0 && sheet.pages.length === 1) return set({ width, height });
    setWanted({ width, height });
  };
  const palette = (at: number, hex: string | null) => {
    const next = hex === null ? sheet.palette.toSpliced(at, 1) : sheet.palette.toSpliced(at, 1, hex);
    bench.make('Palette', { kind: 'sheet-set', values: { palette: next } });
  };
  return (
    <BenchContext.Provider value={bench}>
      <div className="settings">
        <h3>
          Page <small>nothing selected</small>
        </h3>
        <Row label="size">
          <Choice
            label="Page size"
            width={150}
            value={named?.id ?? 'own'}
            options={[
              ...PAGE_SIZES.map(({ id, name }) => ({ value: id, label: name })),
              { value: 'own', label: 'custom size', disabled: true },
            ]}
            onChange={(id) => {
              const size = PAGE_SIZES.find((one) => one.id === id);
              if (!size) return;
              // Slides are wide by nature, paper stays the way round it is.
              const sideways = id === 'slide' || (wide && id !== 'long');
              ask(sideways ? size.height : size.width, sideways ? size.width : size.height);
            }}
          />
          <Segmented
            size="small"
            aria-label="Portrait or landscape"
            value={page.width === page.height ? '' : wide ? 'landscape' : 'portrait'}
            onChange={() => ask(page.height, page.width)}
            options={['portrait', 'landscape']}
          />
        </Row>
        <div className="typed-pair" style={{ marginTop: 8 }}>
          <LengthField
            label="width"
            value={wanted?.width ?? page.width}
            unit={unit}
            min={36}
            onChange={(width) => ask(width, wanted?.height ?? page.height)}
          />
          <LengthField
            label="height"
            value={wanted?.height ?? page.height}
            unit={unit}
            min={36}
            onChange={(height) => ask(wanted?.width ?? page.width, height)}
          />
          <LengthField
            label="margin"
            value={page.margin}
            unit={unit}
            min={0}
            max={360}
            onChange={(margin) => set({ margin })}
          />
          <LengthField
            label="grid"
            value={page.grid}
            unit={unit}
            min={0}
            max={720}
            onChange={(grid) => set({ grid })}
          />
        </div>
        <Row label="resize">
          {[0.5, 2].map((factor) => (
            <Toggle
              key={factor}
              label={`Make the page ${factor * 100}% of its width and height`}
              disabled={!inReach(page.width * factor, page.height * factor)}
              onClick={() => ask(page.width * factor, page.height * factor)}
            >
              {factor * 100}%
            </Toggle>
          ))}
        </Row>
        {wanted && (
          <SizeChoice bench={bench} sheet={sheet} page={page} wanted={wanted} onDone={() => setWanted(null)} />
        )}
        <Row label="unit">
          <Segmented
            size="small"
            aria-label="Unit of lengths"
            value={unit}
            onChange={(next) => bench.make('Unit', { kind: 'sheet-set', values: { unit: next } })}
            options={['in', 'mm', 'px']}
          />
          <Toggle on={rulers} label="Show rulers: drag guides out of them" onClick={() => setRulers(!rulers)}>
            rulers
          </Toggle>
          {page.guides.length > 0 && (
            <Toggle label="Remove all guides" onClick={() => set({ guides: [] })}>
              remove guides
            </Toggle>
          )}
        </Row>
        <PaintField
          label="background"
          paint={page.background}
          palette={sheet.palette}
          onChange={(background) => set({ background })}
        />
        <More title="guides">
          {page.guides.map((guide, i) => (
            <Row key={i} label="">
              <LengthField
                label={guide.axis === 'x' ? 'from left' : 'from top'}
                value={guide.at}
                unit={unit}
                onChange={(at) => set({ guides: page.guides.with(i, { ...guide, at }) })}
              />
              <Toggle label="Remove this guide" onClick={() => set({ guides: page.guides.toSpliced(i, 1) })}>
                ×
              </Toggle>
            </Row>
          ))}
          <div className="chips">
            {(['x', 'y'] as const).map((axis) => (
              <button
                key={axis}
                type="button"
                className="chip"
                disabled={page.guides.length >= 60}
                onClick={() =>
                  set({ guides: [...page.guides, { axis, at: (axis === 'x' ? page.width : page.height) / 2 }] })
                }
              >
                {axis === 'x' ? 'add vertical' : 'add horizontal'}
              </button>
            ))}
          </div>
        </More>
        <More title="palette">
          {sheet.palette.map((hex, i) => (
            <Swatches
              key={i}
              label={`${i + 1}`}
              value={hex}
              palette={[]}
              onChange={(next) => palette(i, next)}
              none="Remove"
            />
          ))}
          {sheet.palette.length < 24 && (
            <button
              type="button"
              className="chip"
              onClick={() =>
                bench.make('Palette', { kind: 'sheet-set', values: { palette: [...sheet.palette, DRAWN.grey] } })
              }
            >
              add colour
            </button>
          )}
        </More>
        <p className="quiet card-keys">
          Press <kbd>?</kbd> for keyboard shortcuts, <kbd>Ctrl</kbd>+<kbd>F</kbd> to find words.
        </p>
      </div>
    </BenchContext.Provider>
  );
}
