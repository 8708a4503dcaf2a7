import { sentence } from '../parts/sentence';
import { DRAWN } from '../../core/schema/defaults';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { Swatches } from '../colour/swatches';
import styles from './drawer.module.css';

/** Pens of some widths and an eraser: picked up with a press, put down with another or with Escape. */

const PENS = [
  { name: 'fine pen', weight: 1.6 },
  { name: 'pen', weight: 3.2 },
  { name: 'felt pen', weight: 7 },
  { name: 'broad brush', weight: 16 },
];
const paletteOf = (editor: Editor) => editor.sheet.palette;
/** The pen last drawn with keeps its colour for the next. */
const COLOUR = DRAWN.pen;

export function Pens({ editor }: { editor: Editor }) {
  const tool = useEditor(editor, 'tool');
  const palette = useEditor(editor, paletteOf);
  const colour = tool?.kind === 'pen' ? tool.colour : (editor.recentPen ?? COLOUR);
  const weight = tool?.kind === 'pen' ? tool.weight : PENS[1].weight;
  const take = (next: typeof tool) => {
    editor.select([]);
    editor.put({ tool: next, ...(next?.kind === 'pen' && { recentPen: next.colour }) });
  };
  return (
    <>
      {PENS.map((pen) => {
        const on = tool?.kind === 'pen' && tool.weight === pen.weight;
        return (
          <button
            key={pen.name}
            type="button"
            className={`${styles.supply}${on ? ' on' : ''}`}
            aria-pressed={on}
            onClick={() => take(on ? null : { kind: 'pen', colour, weight: pen.weight })}
          >
            <svg width="64" height="44" aria-hidden="true">
              <path
                d="M8 30C18 8 26 40 36 22S50 14 57 24"
                fill="none"
                stroke={colour}
                strokeWidth={Math.min(12, pen.weight)}
                strokeLinecap="round"
              />
            </svg>
            <span>{sentence(pen.name)}</span>
          </button>
        );
      })}
      <button
        type="button"
        className={`${styles.supply}${tool?.kind === 'eraser' ? ' on' : ''}`}
        aria-pressed={tool?.kind === 'eraser'}
        onClick={() => take(tool?.kind === 'eraser' ? null : { kind: 'eraser', size: 14 })}
      >
        <svg width="64" height="44" aria-hidden="true">
          <path
            d="M14 30L34 10L50 22L32 38H22Z"
            fill="var(--line)"
            stroke="var(--clay)"
            strokeWidth="1.6"
            strokeLinejoin="round"
          />
          <path d="M24 20L41 32" stroke="var(--clay)" strokeWidth="1.4" />
        </svg>
        <span>Eraser</span>
      </button>
      <div className={styles.penColours}>
        <Swatches
          label="ink"
          value={colour}
          palette={palette}
          onChange={(hex) => hex && take({ kind: 'pen', colour: hex, weight })}
        />
        <p className="quiet">
          {tool
            ? 'Draw on the sheet. Press the pen again, or Escape, to put it down.'
            : 'Pick up a pen, then draw on the sheet.'}
        </p>
      </div>
    </>
  );
}
