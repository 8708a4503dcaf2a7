import { DRAWN } from '../../core/schema/defaults';
import { Segmented } from 'antd';
import { FaceChoice } from '../fields/face-choice';
import type { Sheet, TextItem, WrittenItem } from '../../core/schema/sheet';
import { faceById } from '../../core/text/catalogue';
import { inCommon, shared } from '../../core/text/common';
import type { Bench } from '../document/bench';
import { Swatches } from '../colour/colour-field';
import { setValues } from '../commands/commands';
import { More, NumberField, Row, Toggle } from '../fields/fields';
import { AlignDrawing, ListDrawing, VerticalDrawing } from '../fields/glyphs';
import { LetteringFields } from './lettering-fields';
import { SpellingFields } from './spelling-fields';
import { formatWords, settingOfWords, styleWords, toggled, toggleStyle } from '../commands/word-commands';

/** Settings of words: role, face, style, paragraphs, spacing, fit, lettering. */

const STYLES = [
  { what: 'bold', label: 'Bold (Ctrl+B)', letter: <b>b</b> },
  { what: 'italic', label: 'Italic (Ctrl+I)', letter: <i>i</i> },
  { what: 'underline', label: 'Underline (Ctrl+U)', letter: <u>u</u> },
  {
    what: 'super',
    label: 'Superscript (Ctrl+.)',
    letter: (
      <span>
        x<sup>2</sup>
      </span>
    ),
  },
  {
    what: 'sub',
    label: 'Subscript (Ctrl+,)',
    letter: (
      <span>
        x<sub>2</sub>
      </span>
    ),
  },
] as const;

type Props = { bench: Bench; /** At least one. */ items: readonly WrittenItem[]; sheet: Sheet };

export function WordsFields({ bench, items, sheet }: Props) {
  const [item] = items;
  const texts = items.filter((one) => one.kind === 'text');
  const boxes = inCommon(items);
  const setting = settingOfWords(bench);
  if (!setting) return null;
  const { style, format } = setting;
  const { files } = style.font === null ? { files: { bold: true, italic: true } } : faceById(style.font);
  return (
    <>
      <Row label="font">
        <FaceChoice
          label="Font"
          value={style.font}
          placeholder="mixed"
          style={{ flex: 1, minWidth: 100, marginRight: 6 }}
          onChange={(font) => font && styleWords(bench, 'Font', { font })}
        />
        <NumberField
          bare
          label="size"
          value={style.size}
          suffix="pt"
          min={4}
          max={1000}
          onChange={(size) => styleWords(bench, 'Size', { size })}
        />
      </Row>
      <Row label="words">
        {STYLES.map(({ what, label, letter }) => (
          <Toggle
            key={what}
            on={toggled(style, what)}
            label={label}
            disabled={(what === 'bold' || what === 'italic') && !files[what]}
            onClick={() => toggleStyle(bench, what)}
          >
            {letter}
          </Toggle>
        ))}
      </Row>
      <Row label="align">
        {(['left', 'centre', 'right', 'justify'] as const).map((align) => (
          <Toggle
            key={align}
            on={format.align === align}
            label={`Align: ${align}`}
            onClick={() => formatWords(bench, 'Align', { align })}
          >
            <AlignDrawing align={align} />
          </Toggle>
        ))}
      </Row>
      <Row label="list">
        {(['bullet', 'number', 'letter'] as const).map((list) => (
          <Toggle
            key={list}
            on={format.list === list}
            label={`List: ${list}`}
            onClick={() => formatWords(bench, 'List', { list: format.list === list ? null : list })}
          >
            <ListDrawing list={list} />
          </Toggle>
        ))}
        <span style={{ width: 4 }} />
        {(['top', 'middle', 'bottom'] as const).map((vertical) => (
          <Toggle
            key={vertical}
            on={boxes.vertical === vertical}
            label={`Words at the ${vertical}`}
            onClick={() => setValues(bench, 'Stand', { vertical })}
          >
            <VerticalDrawing vertical={vertical} />
          </Toggle>
        ))}
      </Row>
      <Swatches
        label="colour"
        value={style.colour}
        palette={sheet.palette}
        onChange={(colour) => styleWords(bench, 'Colour of words', { colour: colour ?? DRAWN.ink })}
      />
      <SpellingFields bench={bench} item={item} />
      {texts.length === items.length && <LetteringFields bench={bench} items={texts} sheet={sheet} />}
      <More title="spacing and fit">
        <div className="typed-pair">
          <NumberField
            label="lines"
            value={format.lineSpacing}
            suffix="×"
            min={0.5}
            max={5}
            onChange={(lineSpacing) => formatWords(bench, 'Line spacing', { lineSpacing })}
          />
          <NumberField
            label="letters"
            value={style.letterSpacing}
            suffix="pt"
            min={-20}
            max={200}
            onChange={(letterSpacing) => styleWords(bench, 'Letter spacing', { letterSpacing })}
          />
          <NumberField
            label="padding"
            value={boxes.padding}
            suffix="pt"
            min={0}
            max={200}
            onChange={(padding) => setValues(bench, 'Padding', { padding })}
          />
          <NumberField
            label="space before"
            value={format.before}
            suffix="pt"
            min={0}
            max={500}
            onChange={(before) => formatWords(bench, 'Space before', { before })}
          />
        </div>
        {texts.length === items.length && <FitFields bench={bench} items={texts} />}
      </More>
    </>
  );
}

function FitFields({ bench, items }: { bench: Bench; items: readonly TextItem[] }) {
  const fit = shared(items.map((item) => (item.fit === 'width' || item.fit === 'lines' ? 'grow' : item.fit)));
  return (
    <>
      <Row label="fit">
        <Segmented
          size="small"
          aria-label="How the words fit"
          value={fit ?? ''}
          onChange={(next) => setValues(bench, 'Fit', { fit: next })}
          options={[
            { value: 'grow', label: 'box grows' },
            { value: 'shrink', label: 'text shrinks' },
            { value: 'keep', label: 'fixed size' },
          ]}
        />
      </Row>
      {fit === 'shrink' && (
        <Row label="">
          <NumberField
            label="not below"
            value={shared(items.map(({ least }) => least)) ?? null}
            suffix="pt"
            min={1}
            max={200}
            onChange={(least) => setValues(bench, 'Least size', { least })}
          />
        </Row>
      )}
    </>
  );
}
