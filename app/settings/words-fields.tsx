import { Segmented, Select } from 'antd';
import type { Sheet, TextItem, WrittenItem } from '../../core/schema/sheet';
import { faceById, FACES } from '../../core/text/catalogue';
import { inCommon } from '../../core/text/common';
import type { Bench } from '../document/bench';
import { Swatches } from '../colour/colour-field';
import { setValues } from '../commands/commands';
import { More, NumberField, Row, Toggle } from '../fields/fields';
import { AlignDrawing, ListDrawing, VerticalDrawing } from '../fields/glyphs';
import { LetteringFields } from './lettering-fields';
import { SpellingFields } from './spelling-fields';
import { formatWords, settingOfWords, styleWords } from '../commands/word-commands';

/** Settings of words: role, face, style, paragraphs, spacing, fit, lettering. */

type Props = { bench: Bench; /** At least one. */ items: readonly WrittenItem[]; sheet: Sheet };

export function WordsFields({ bench, items, sheet }: Props) {
  const [item] = items;
  const boxes = inCommon(items);
  const setting = settingOfWords(bench);
  if (!setting) return null;
  const { style, format } = setting;
  const { files } = style.font === null ? { files: { bold: true, italic: true } } : faceById(style.font);
  return (
    <>
      <Row label="font">
        <Select
          size="small"
          aria-label="Font"
          value={style.font}
          placeholder="mixed"
          style={{ flex: 1, minWidth: 100, marginRight: 6 }}
          popupMatchSelectWidth={220}
          onChange={(font) => styleWords(bench, 'Font', { font })}
          options={FACES.map((face) => ({
            value: face.id,
            label: face.early ? `${face.name} · early reader` : face.name,
          }))}
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
        <Toggle
          on={style.bold ?? 'mixed'}
          label="Bold (Ctrl+B)"
          disabled={!files.bold}
          onClick={() => styleWords(bench, 'Bold', { bold: !style.bold })}
        >
          <b>b</b>
        </Toggle>
        <Toggle
          on={style.italic ?? 'mixed'}
          label="Italic (Ctrl+I)"
          disabled={!files.italic}
          onClick={() => styleWords(bench, 'Italic', { italic: !style.italic })}
        >
          <i>i</i>
        </Toggle>
        <Toggle
          on={style.underline ?? 'mixed'}
          label="Underline (Ctrl+U)"
          onClick={() => styleWords(bench, 'Underline', { underline: !style.underline })}
        >
          <u>u</u>
        </Toggle>
        <span style={{ width: 4 }} />
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
        onChange={(colour) => styleWords(bench, 'Colour of words', { colour: colour ?? '#2a2820' })}
      />
      <SpellingFields bench={bench} item={item} />
      {item.kind === 'text' && <LetteringFields bench={bench} item={item} sheet={sheet} />}
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
        {item.kind === 'text' && <FitFields bench={bench} item={item} />}
      </More>
    </>
  );
}

function FitFields({ bench, item }: { bench: Bench; item: TextItem }) {
  return (
    <>
      <Row label="fit">
        <Segmented
          size="small"
          aria-label="How the words fit"
          value={item.fit === 'width' || item.fit === 'lines' ? 'grow' : item.fit}
          onChange={(fit) => setValues(bench, 'Fit', { fit })}
          options={[
            { value: 'grow', label: 'box grows' },
            { value: 'shrink', label: 'text shrinks' },
            { value: 'keep', label: 'fixed size' },
          ]}
        />
      </Row>
      {item.fit === 'shrink' && (
        <Row label="">
          <NumberField
            label="not below"
            value={item.least}
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
