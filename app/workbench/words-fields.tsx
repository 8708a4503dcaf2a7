import { Segmented, Select } from 'antd';
import { roleIds } from '../../core/sheet/make';
import type { Sheet, TextItem, WrittenItem } from '../../core/sheet/schema';
import { FACES, faceById } from '../../core/text/catalogue';
import { fullFormat, fullStyle, roleOf } from '../../core/text/style';
import type { Bench } from './bench';
import { setValues } from './commands';
import { NumberField, Row, Swatches, Toggle } from './fields';
import { AlignDrawing, ListDrawing, VerticalDrawing } from './glyphs';
import { formatWords, styleWords } from './word-commands';

/** Settings of words: face, style, paragraphs, spacing, role. */

export function WordsFields({ bench, item, sheet }: { bench: Bench; item: WrittenItem; sheet: Sheet }) {
  const role = roleOf(sheet, item.role ?? (item.kind === 'shape' ? 'label' : 'body'));
  const first = item.body.find((p) => p.runs.length > 0);
  const style = { ...fullStyle(role, first?.runs[0]?.style ?? {}), ...bench.editing?.typing };
  const format = fullFormat(role, item.body[0].format);
  const { files } = faceById(style.font);
  return (
    <>
      <Row label="face">
        <Select
          size="small"
          aria-label="Face"
          value={style.font}
          style={{ flex: 1, minWidth: 100, marginRight: 6 }}
          popupMatchSelectWidth={220}
          onChange={(font) => styleWords(bench, 'Face', { font })}
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
          max={600}
          onChange={(size) => styleWords(bench, 'Size', { size })}
        />
      </Row>
      <Row label="words">
        <Toggle
          on={style.bold}
          label="Bold (Ctrl+B)"
          disabled={!files.bold}
          onClick={() => styleWords(bench, 'Bold', { bold: !style.bold })}
        >
          <b>b</b>
        </Toggle>
        <Toggle
          on={style.italic}
          label="Italic (Ctrl+I)"
          disabled={!files.italic}
          onClick={() => styleWords(bench, 'Italic', { italic: !style.italic })}
        >
          <i>i</i>
        </Toggle>
        <Toggle
          on={style.underline}
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
            on={item.vertical === vertical}
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
      <details className="more">
        <summary>spacing and fit</summary>
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
            label="inside"
            value={item.padding}
            suffix="pt"
            min={0}
            max={200}
            onChange={(padding) => setValues(bench, 'Padding', { padding })}
          />
          {item.kind === 'text' && (
            <NumberField
              label="corner"
              value={item.corner}
              suffix="pt"
              min={0}
              max={500}
              onChange={(corner) => setValues(bench, 'Corner', { corner })}
            />
          )}
        </div>
        {item.kind === 'text' && (
          <Row label="fit">
            <Segmented
              size="small"
              aria-label="How the words fit"
              value={item.fit}
              onChange={(fit) => setValues(bench, 'Fit', { fit })}
              options={[
                { value: 'grow', label: 'box grows' },
                { value: 'shrink', label: 'words shrink' },
                { value: 'keep', label: 'neither' },
              ]}
            />
          </Row>
        )}
      </details>
    </>
  );
}

export function RoleField({ bench, item, sheet }: { bench: Bench; item: TextItem; sheet: Sheet }) {
  return (
    <Row label="role">
      <Select
        size="small"
        aria-label="Role"
        value={item.role ?? 'body'}
        style={{ flex: 1 }}
        onChange={(role) => setValues(bench, 'Role', { role })}
        options={roleIds(sheet.roles).map((value) => ({ value, label: sheet.roles[value].name }))}
      />
    </Row>
  );
}
