import type { Point } from '../../core/geometry/matrix';
import { addLabelAt, addWordBank } from '../commands/commands';
import { placeFor } from '../commands/steps';
import type { Editor } from '../document/editor';
import { labelAround } from '../makers/labels/around';
import { Supplied } from './supplied';
import type { Sort } from './sort';
import styles from './drawer.module.css';

/** Labels with their lines, blanks, and the word bank. */

const label = (editor: Editor, at: Point | undefined, blank: boolean) =>
  addLabelAt(editor, at ?? placeFor(editor, 118, 28), null, blank ? 'answer' : 'label', blank);

const PUT: Record<string, { name: string; put: (editor: Editor, at?: Point) => void }> = {
  given: { name: 'label and line', put: (editor, at) => label(editor, at, false) },
  blank: { name: 'blank to fill', put: (editor, at) => label(editor, at, true) },
  bank: { name: 'word bank', put: addWordBank },
  around: { name: 'labels around the selection', put: (editor) => void labelAround(editor) },
};

export const LABEL: Sort = {
  sort: 'label',
  called: 'label',
  supply: 'teacher',
  named: () => Object.entries(PUT).map(([id, { name }]) => ({ id, name, tags: ['label'] })),
  put: (editor, id, at) => PUT[id]?.put(editor, at),
};

export function Labels({ editor }: { editor: Editor }) {
  return (
    <>
      <Supplied name="label and line" drag="label given" onAdd={() => LABEL.put(editor, 'given')}>
        <LabelDrawing blank={false} />
      </Supplied>
      <Supplied name="blank to fill" drag="label blank" onAdd={() => LABEL.put(editor, 'blank')}>
        <LabelDrawing blank />
      </Supplied>
      <Supplied name="word bank" drag="label bank" onAdd={() => LABEL.put(editor, 'bank')}>
        <svg width="72" height="50" aria-hidden="true">
          {[0, 1, 2, 3].map((i) => (
            <rect
              key={i}
              x={4 + (i % 2) * 34}
              y={9 + Math.floor(i / 2) * 18}
              width="30"
              height="13"
              rx="6.5"
              fill="var(--moss-soft)"
              stroke="var(--moss-line)"
            />
          ))}
        </svg>
      </Supplied>
      <Supplied name="around the selection" drag="label around" onAdd={() => LABEL.put(editor, 'around')}>
        <svg width="84" height="50" aria-hidden="true">
          <path
            d="M30 34c-4-14 6-24 15-22 8 2 14 10 10 18-3 8-20 14-25 4Z"
            fill="none"
            stroke="var(--sky)"
            strokeWidth="1.8"
            strokeLinecap="round"
          />
          <path d="M38 22L17 14M36 33L17 38M52 22L68 16" stroke="var(--faint)" strokeWidth="1.2" />
          {[
            [3, 9],
            [3, 33],
            [68, 11],
          ].map(([x, y]) => (
            <rect
              key={`${x} ${y}`}
              x={x}
              y={y}
              width="14"
              height="9"
              rx="2.5"
              fill="var(--paper)"
              stroke="var(--faint)"
            />
          ))}
        </svg>
      </Supplied>
      <p className={styles.suppliesHint}>
        Choose a diagram on the sheet, and its parts can be labelled one by one from the margin.
      </p>
    </>
  );
}

function LabelDrawing({ blank }: { blank: boolean }) {
  return (
    <svg width="84" height="50" aria-hidden="true">
      <rect
        x="4"
        y="22"
        width="48"
        height="18"
        rx="4"
        fill="var(--paper)"
        stroke="var(--faint)"
        strokeWidth="1.4"
        strokeDasharray={blank ? '4 3' : undefined}
      />
      {!blank && (
        <text x="28" y="35" fontSize="11" textAnchor="middle" fill="var(--ink)">
          bill
        </text>
      )}
      <path d="M52 28L74 12" stroke="var(--faint)" strokeWidth="1.4" />
      <circle cx="75" cy="11" r="3.4" fill="var(--faint)" />
    </svg>
  );
}
