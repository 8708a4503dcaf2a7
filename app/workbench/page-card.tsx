import styles from './page-card.module.css';
import { Chip, Chips } from '../parts/action';
import { DRAWN } from '../../core/schema/defaults';
import { useState } from 'react';
import type { Sheet } from '../../core/schema/sheet';
import { Page } from '../../core/schema/sheet';
import { namedSize, PAGE_SIZES } from '../../core/sheet/units';
import type { Editor } from '../document/editor';
import type { Wanted } from './size-choice';
import { PaintField } from '../colour/paint-field';
import { EditorContext, Swatches } from '../colour/swatches';
import { LengthField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { More, Pair, Row } from '../parts/row';
import { later } from '../browser/later';
import { Choice } from '../fields/choice';
import { Segments } from '../fields/segments';
import { Sign } from '../parts/sign';

/** The settings of the page, shown in the margin while nothing is chosen. */

/** Whether a page can have these sides. */
const inReach = (...sides: number[]) => sides.every((side) => Page.shape.width.safeParse(side).success);

const Sources = later(() => import('./sources').then((part) => part.Sources));
const SizeChoice = later(() => import('./size-choice').then((part) => part.default));

type Props = {
  editor: Editor;
  sheet: Sheet;
  page: Page;
  rulers: boolean;
  setRulers: (on: boolean) => void;
};

export function PageCard({ editor, sheet, page, rulers, setRulers }: Props) {
  const { unit } = sheet;
  const set: SetPage = (values) => editor.make('Page', { kind: 'page-set', id: page.id, values });
  return (
    <EditorContext.Provider value={editor}>
      <div className="settings">
        <h3>
          Page <small>Nothing selected</small>
        </h3>
        <PageSize {...{ editor, sheet, page, set }} />
        <Row label="unit">
          <Segments
            asIs
            label="Unit of lengths"
            value={unit}
            onChange={(next) => editor.make('Unit', { kind: 'sheet-set', values: { unit: next } })}
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
        <Guides {...{ sheet, page, set }} />
        <Palette editor={editor} colours={sheet.palette} />
        <More title="sources">
          <Sources editor={editor} sheet={sheet} page={page} />
        </More>
        <p className={`quiet ${styles.keys}`}>
          Press <kbd>?</kbd> for keyboard shortcuts, <kbd>Ctrl</kbd>+<kbd>F</kbd> to find words.
        </p>
      </div>
    </EditorContext.Provider>
  );
}

type SetPage = (values: Record<string, unknown>) => void;
type PartProps = { sheet: Sheet; page: Page; set: SetPage };

/** Its size, margin and grid. A page that holds something is asked first what becomes of it. */
function PageSize({ editor, sheet, page, set }: PartProps & { editor: Editor }) {
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const { unit } = sheet;
  const wide = page.width > page.height;
  // An empty page has nothing to keep or to scale.
  const ask = (width: number, height: number) => {
    if (Math.abs(width - page.width) < 0.5 && Math.abs(height - page.height) < 0.5) return setWanted(null);
    if (page.items.length === 0 && sheet.pages.length === 1) return set({ width, height });
    setWanted({ width, height });
  };
  const askFor = (id: string) => {
    const size = PAGE_SIZES.find((one) => one.id === id);
    if (!size) return;
    // Slides are landscape, paper keeps its orientation.
    const sideways = id === 'slide' || (wide && id !== 'long');
    ask(sideways ? size.height : size.width, sideways ? size.width : size.height);
  };
  return (
    <>
      <Row label="size">
        <Choice
          label="Page size"
          width={150}
          value={namedSize(page.width, page.height)?.id ?? 'own'}
          options={[
            ...PAGE_SIZES.map(({ id, name }) => ({ value: id, label: name })),
            { value: 'own', label: 'custom size', disabled: true },
          ]}
          onChange={askFor}
        />
        <Segments
          label="Portrait or landscape"
          value={page.width === page.height ? null : wide ? 'landscape' : 'portrait'}
          onChange={() => ask(page.height, page.width)}
          options={['portrait', 'landscape']}
        />
      </Row>
      <Pair>
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
        <LengthField label="grid" value={page.grid} unit={unit} min={0} max={720} onChange={(grid) => set({ grid })} />
      </Pair>
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
        <SizeChoice editor={editor} sheet={sheet} page={page} wanted={wanted} onDone={() => setWanted(null)} />
      )}
    </>
  );
}

const Guides = ({ sheet, page, set }: PartProps) => (
  <More title="Guides">
    {page.guides.map((guide, i) => (
      <Row key={i} label="">
        <LengthField
          label={guide.axis === 'x' ? 'from left' : 'from top'}
          value={guide.at}
          unit={sheet.unit}
          onChange={(at) => set({ guides: page.guides.with(i, { ...guide, at }) })}
        />
        <Toggle label="Remove this guide" onClick={() => set({ guides: page.guides.toSpliced(i, 1) })}>
          <Sign of="remove" />
        </Toggle>
      </Row>
    ))}
    <Chips>
      {(['x', 'y'] as const).map((axis) => (
        <Chip
          key={axis}
          disabled={page.guides.length >= 60}
          onClick={() => set({ guides: [...page.guides, { axis, at: (axis === 'x' ? page.width : page.height) / 2 }] })}
        >
          {axis === 'x' ? 'add vertical' : 'add horizontal'}
        </Chip>
      ))}
    </Chips>
  </More>
);

/** The colours that the sheet offers everywhere. */
function Palette({ editor, colours }: { editor: Editor; colours: readonly string[] }) {
  const put = (palette: string[]) => editor.make('Palette', { kind: 'sheet-set', values: { palette } });
  return (
    <More title="Palette">
      {colours.map((hex, i) => (
        <Swatches
          key={i}
          label={`${i + 1}`}
          value={hex}
          palette={[]}
          onChange={(next) => put(next === null ? colours.toSpliced(i, 1) : colours.with(i, next))}
          none="Remove"
        />
      ))}
      {colours.length < 24 && <Chip onClick={() => put([...colours, DRAWN.grey])}>add colour</Chip>}
    </More>
  );
}
