import { Segments } from '../fields/segments';
import { Chip } from '../parts/action';
import type { Lettering, Sheet, TextItem } from '../../core/schema/sheet';
import { inCommon, shared } from '../../core/text/common';
import type { Editor } from '../document/editor';
import { PaintField } from '../colour/paint-field';
import { setEach, setValues } from '../commands/set-values';
import { PercentField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { More, Row } from '../parts/row';
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
type Props = { editor: Editor; items: readonly TextItem[]; sheet: Sheet };

export function LetteringFields({ editor, items, sheet }: Props) {
  const [item] = items;
  const drawn = items.map(({ lettering }) => lettering).filter((one) => one !== null);
  const lettering = drawn.length > 0 ? inCommon(drawn) : null;
  const curve = shared(items.map((one) => one.lettering?.curve ?? null));
  const put = (become: (now: Lettering) => Partial<Lettering>) =>
    setEach(editor, 'Lettering', (one) => {
      const now = (one.kind === 'text' && one.lettering) || PLAIN_LETTERING;
      return one.kind === 'text' ? { lettering: { ...now, ...become(now) } } : {};
    });
  const fits = items.map(({ fit }) => (fit === 'width' || fit === 'lines' ? fit : 'wraps'));
  const widths = [
    { value: 'wraps', label: 'wraps' },
    { value: 'width', label: 'fit to width' },
    { value: 'lines', label: 'fit each line' },
  ];
  return (
    <More title="Lettering" open={lettering !== null || fits.some((fit) => fit !== 'wraps')}>
      <Row label="curve">
        {CURVES.map(({ curve: id, name }) => (
          <Toggle
            key={id}
            on={curve === id}
            label={`Lettering ${name}`}
            onClick={() =>
              curve === id
                ? setValues(editor, 'Lettering', { lettering: null })
                : put((now) => ({ curve: id, amount: id === 'circle' ? 1 : now.amount }))
            }
          >
            <CurveDrawing curve={id} />
          </Toggle>
        ))}
        {lettering && lettering.curve !== 'straight' && (
          <PercentField
            bare
            label="how much it curves"
            share={lettering.amount}
            least={-1}
            onChange={(amount) => put(() => ({ amount }))}
          />
        )}
      </Row>
      <Row label="width">
        <Segments
          label="How wide the lines are made"
          value={shared(fits) ?? null}
          onChange={(fit) => setValues(editor, 'Fit', { fit: fit === 'wraps' ? 'grow' : fit })}
          options={widths}
        />
      </Row>
      {items.length === 1 && (
        <Row label="match">
          {(['page', 'margin', 'next'] as const).map((as) => (
            <Chip key={as} onClick={() => fitToWidth(editor, item, as)}>
              {as === 'next' ? 'thing below' : as}
            </Chip>
          ))}
        </Row>
      )}
      {lettering && (
        <>
          <PaintField
            hint
            label="letters"
            paint={shared(drawn.map(({ fill }) => fill))}
            palette={sheet.palette}
            onChange={(fill) => put(() => ({ fill }))}
          />
          <OutlineFields
            outlines={drawn.map(({ outline }) => outline)}
            palette={sheet.palette}
            none
            label="edge"
            onChange={(become) => put(({ outline }) => ({ outline: become(outline) }))}
          />
        </>
      )}
    </More>
  );
}
