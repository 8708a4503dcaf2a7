import { withinMargins } from '../../../core/placement/on-page';
import type { Box } from '../../../core/geometry/matrix';
import type { GroupItem, Item, Sheet } from '../../../core/schema/sheet';
import { FaceChoice } from '../../fields/face-choice';
import type { Editor } from '../../document/editor';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { Row } from '../../parts/row';
import { set } from '../../commands/steps';
import styles from './kit.module.css';

/** Parts of the makers' panels. */

export type PanelProps = {
  editor: Editor;
  group: GroupItem;
  sheet: Sheet;
  /** The part that is chosen. */ part: Item | null;
};

/** The largest frame within the page's margins. Null if the item is about as large already. */
function largest({ page }: Editor, { id, width, height, angle }: GroupItem): Box | null {
  const room = withinMargins(page);
  const upright = angle === 0 && page.items.some((item) => item.id === id);
  const fits = upright && width <= room.width + 1 && height <= room.height + 1;
  return fits && width * height < room.width * room.height * 0.95 ? room : null;
}

type NotesProps = {
  notes: readonly string[];
  /** The item to enlarge, where more room would help. */
  editor?: Editor;
  group?: GroupItem;
};

/** What the maker could not do, and what would help. */
export function Notes({ notes, editor, group }: NotesProps) {
  if (notes.length === 0) return null;
  const room = editor && group && largest(editor, group);
  return (
    <div className={styles.notes} role="status">
      <ul>
        {notes.map((note) => (
          <li key={note}>{note}</li>
        ))}
      </ul>
      {room && (
        <Toggle
          label="Enlarge the frame to the page margins"
          onClick={() => editor.make('Larger frame', set(group.id, room))}
        >
          fill the page
        </Toggle>
      )}
    </div>
  );
}

/** The size of a recipe's words, in points. */
export function WordsSize({
  size,
  onChange,
}: {
  size: number;
  onChange: (name: string, values: { size: number }) => void;
}) {
  return (
    <NumberField
      bare
      label="Size of words"
      value={size}
      suffix="pt"
      min={5}
      max={120}
      onChange={(next) => onChange('Size of words', { size: next })}
    />
  );
}

type FaceProps = {
  face: string;
  size: number;
  /** Only fonts for early readers. */
  early?: boolean;
  onChange: (name: string, values: { face: string } | { size: number }) => void;
};

/** The face of a recipe's words, and their size. */
export function FaceAndSize({ face, size, early, onChange }: FaceProps) {
  return (
    <Row label="font">
      <FaceChoice
        label="Font"
        value={face}
        early={early}
        width={140}
        onChange={(next) => onChange('Font', { face: next })}
      />
      <WordsSize size={size} onChange={onChange} />
    </Row>
  );
}

type TitleProps = {
  title: string;
  hint?: string;
  onChange: (name: string, values: { title: string }, keep: 'soon') => void;
};

/** What stands above what is made. */
export function TitleField({ title, hint, onChange }: TitleProps) {
  return (
    <Row label="title">
      <input
        className={styles.text}
        aria-label="Title"
        placeholder={hint}
        value={title}
        maxLength={120}
        onChange={(event) => onChange('Title', { title: event.target.value }, 'soon')}
      />
    </Row>
  );
}
