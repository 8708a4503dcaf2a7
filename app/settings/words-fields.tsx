import { Segments } from '../fields/segments';
import { DRAWN } from '../../core/schema/defaults';
import { FaceChoice } from '../fields/face-choice';
import type { Sheet, TextItem, WrittenItem } from '../../core/schema/sheet';
import { faceById } from '../../core/text/catalogue';
import { inCommon, shared } from '../../core/text/common';
import type { Editor } from '../document/editor';
import { Swatches } from '../colour/swatches';
import { setValues } from '../commands/set-values';
import { NumberField } from '../fields/number-field';
import { Toggle } from '../fields/toggle';
import { Gap, More, Pair, Row } from '../parts/row';
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

type Props = { editor: Editor; /** At least one. */ items: readonly WrittenItem[]; sheet: Sheet };

export function WordsFields({ editor, items, sheet }: Props) {
  const [item] = items;
  const texts = items.filter((one) => one.kind === 'text');
  const boxes = inCommon(items);
  const setting = settingOfWords(editor);
  if (!setting) return null;
  const { style, format } = setting;
  const { files } = style.font === null ? { files: { bold: true, italic: true } } : faceById(style.font);
  return (
    <>
      <Row label="font">
        <FaceChoice
          label="Font"
          value={style.font}
          placeholder="Mixed"
          onChange={(font) => font && styleWords(editor, 'Font', { font })}
        />
        <NumberField
          bare
          label="size"
          value={style.size}
          suffix="pt"
          min={4}
          max={1000}
          onChange={(size) => styleWords(editor, 'Size', { size })}
        />
      </Row>
      <Row label="words">
        {STYLES.map(({ what, label, letter }) => (
          <Toggle
            key={what}
            on={toggled(style, what)}
            label={label}
            disabled={(what === 'bold' || what === 'italic') && !files[what]}
            onClick={() => toggleStyle(editor, what)}
          >
            {letter}
          </Toggle>
        ))}
      </Row>
      <ParagraphFields editor={editor} format={format} vertical={boxes.vertical} />
      <Swatches
        label="colour"
        value={style.colour}
        palette={sheet.palette}
        onChange={(colour) => styleWords(editor, 'Colour of words', { colour: colour ?? DRAWN.ink })}
      />
      <SpellingFields editor={editor} item={item} />
      {texts.length === items.length && <LetteringFields editor={editor} items={texts} sheet={sheet} />}
      <More title="Spacing and fit">
        <Pair>
          <NumberField
            label="lines"
            value={format.lineSpacing}
            suffix="×"
            min={0.5}
            max={5}
            onChange={(lineSpacing) => formatWords(editor, 'Line spacing', { lineSpacing })}
          />
          <NumberField
            label="letters"
            value={style.letterSpacing}
            suffix="pt"
            min={-20}
            max={200}
            onChange={(letterSpacing) => styleWords(editor, 'Letter spacing', { letterSpacing })}
          />
          <NumberField
            label="padding"
            value={boxes.padding}
            suffix="pt"
            min={0}
            max={200}
            onChange={(padding) => setValues(editor, 'Padding', { padding })}
          />
          <NumberField
            label="space before"
            value={format.before}
            suffix="pt"
            min={0}
            max={500}
            onChange={(before) => formatWords(editor, 'Space before', { before })}
          />
        </Pair>
        {texts.length === items.length && <FitFields editor={editor} items={texts} />}
      </More>
    </>
  );
}

type Setting = NonNullable<ReturnType<typeof settingOfWords>>;
type ParagraphProps = {
  editor: Editor;
  format: Setting['format'];
  vertical: WrittenItem['vertical'] | null | undefined;
};

/** How lines are aligned and listed, and where in its box the text stands. */
const ParagraphFields = ({ editor, format, vertical: stands }: ParagraphProps) => (
  <>
    <Row label="align">
      {(['left', 'centre', 'right', 'justify'] as const).map((align) => (
        <Toggle
          key={align}
          on={format.align === align}
          label={`Align: ${align}`}
          onClick={() => formatWords(editor, 'Align', { align })}
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
          onClick={() => formatWords(editor, 'List', { list: format.list === list ? null : list })}
        >
          <ListDrawing list={list} />
        </Toggle>
      ))}
      <Gap />
      {(['top', 'middle', 'bottom'] as const).map((vertical) => (
        <Toggle
          key={vertical}
          on={stands === vertical}
          label={`Words at the ${vertical}`}
          onClick={() => setValues(editor, 'Stand', { vertical })}
        >
          <VerticalDrawing vertical={vertical} />
        </Toggle>
      ))}
    </Row>
  </>
);

function FitFields({ editor, items }: { editor: Editor; items: readonly TextItem[] }) {
  const fit = shared(items.map((item) => (item.fit === 'width' || item.fit === 'lines' ? 'grow' : item.fit)));
  return (
    <>
      <Row label="fit">
        <Segments
          label="How the words fit"
          value={fit ?? null}
          onChange={(next) => setValues(editor, 'Fit', { fit: next })}
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
            onChange={(least) => setValues(editor, 'Least size', { least })}
          />
        </Row>
      )}
    </>
  );
}
