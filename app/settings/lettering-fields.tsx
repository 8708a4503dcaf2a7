import { Segmented } from 'antd';
import type { Lettering, Sheet, TextItem } from '../../core/schema/sheet';
import type { Bench } from '../document/bench';
import { PaintField } from '../colour/colour-field';
import { setValues } from '../commands/commands';
import { More, PercentField, Row, Toggle } from '../fields/fields';
import { CurveDrawing } from '../fields/glyphs';
import { OutlineFields } from './look-fields';
import { fitToWidth } from '../commands/word-commands';

/** Settings of words drawn large. */

const CURVES = [
  { curve: 'straight', name: 'straight' },
  { curve: 'arch', name: 'along an arch' },
  { curve: 'circle', name: 'round a circle' },
  { curve: 'wave', name: 'along a wave' },
  { curve: 'slope', name: 'up a slope' },
] as const;

const PLAIN_LETTERING: Lettering = { curve: 'straight', amount: 0.5, fill: null, outline: null };

/** Words drawn large: the curve, how wide, fill and outline of the letters. */
export function LetteringFields({ bench, item, sheet }: { bench: Bench; item: TextItem; sheet: Sheet }) {
  const { lettering } = item;
  const now = lettering ?? PLAIN_LETTERING;
  const put = (patch: Partial<Lettering>) => setValues(bench, 'Lettering', { lettering: { ...now, ...patch } });
  const widths = [
    { value: 'wraps', label: 'wraps' },
    { value: 'width', label: 'fit to width' },
    { value: 'lines', label: 'fit each line' },
  ];
  return (
    <More title="lettering" open={lettering !== null || item.fit === 'width' || item.fit === 'lines'}>
      <Row label="curve">
        {CURVES.map(({ curve, name }) => (
          <Toggle
            key={curve}
            on={lettering?.curve === curve}
            label={`Lettering ${name}`}
            onClick={() =>
              lettering?.curve === curve
                ? setValues(bench, 'Lettering', { lettering: null })
                : put({ curve, amount: curve === 'circle' ? 1 : now.amount })
            }
          >
            <CurveDrawing curve={curve} />
          </Toggle>
        ))}
        {lettering && lettering.curve !== 'straight' && (
          <PercentField
            bare
            label="how much it curves"
            share={lettering.amount}
            least={-1}
            onChange={(amount) => put({ amount })}
          />
        )}
      </Row>
      <Row label="width">
        <Segmented
          size="small"
          aria-label="How wide the lines are made"
          value={item.fit === 'width' || item.fit === 'lines' ? item.fit : 'wraps'}
          onChange={(fit) => setValues(bench, 'Fit', { fit: fit === 'wraps' ? 'grow' : fit })}
          options={widths}
        />
      </Row>
      <Row label="match">
        {(['page', 'margin', 'next'] as const).map((as) => (
          <button key={as} type="button" className="chip" onClick={() => fitToWidth(bench, item, as)}>
            {as === 'next' ? 'thing below' : as}
          </button>
        ))}
      </Row>
      {lettering && (
        <>
          <PaintField
            hint
            label="letters"
            paint={lettering.fill}
            palette={sheet.palette}
            onChange={(fill) => put({ fill })}
          />
          <OutlineFields
            outline={lettering.outline}
            palette={sheet.palette}
            none
            label="edge"
            onChange={(outline) => put({ outline })}
          />
        </>
      )}
    </More>
  );
}
