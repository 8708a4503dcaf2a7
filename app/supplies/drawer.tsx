import { memo, useState } from 'react';
import type { ReactNode } from 'react';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { rove, stopAt } from '../parts/rove';
import { later } from '../browser/later';
import { Labels } from './labels';
import { Lines } from './lines';
import { Pictures } from './pictures';
import { noteRecent, Recent } from './recent';
import { Shapes } from './shapes';
import type { Sort } from './sort';
import { isOpenTo } from './sort';
import { Words } from './words';
import styles from './drawer.module.css';

/** The supply drawer: compartments of what can be added. A press adds it, and it can be dragged to its place. */

type Compartment = {
  id: string;
  name: string;
  supply: Sort['supply'];
  /** Only on a student's copy. */
  copies?: true;
  content: (editor: Editor) => ReactNode;
  /** False where it needs the whole width. */
  beside?: false;
};

// Loaded when first opened.
const AddByName = later(
  () => import('./add-by-name').then((part) => part.AddByName),
  <span className={styles.addByName} />,
);
const FromFiles = later(() => import('../brought/from-files').then((part) => part.FromFiles));
const Pens = later(() => import('./pen').then(({ Pens }) => Pens));
const Makers = later(() => import('./makers').then(({ Makers }) => Makers));
const Signs = later(() => import('./signs').then(({ Signs }) => Signs));
const Looks = later(() => import('./looks').then(({ Looks }) => Looks));
const Pages = later(() => import('./pages').then(({ Pages }) => Pages));
const SheetHistory = later(() => import('./history').then((part) => part.SheetHistory));

const COMPARTMENTS: Compartment[] = [
  { id: 'words', name: 'Words', supply: 'text', content: (editor) => <Words editor={editor} /> },
  { id: 'pictures', name: 'Pictures', supply: 'picture', content: (editor) => <Pictures editor={editor} /> },
  { id: 'shapes', name: 'Shapes', supply: 'shape', content: (editor) => <Shapes editor={editor} /> },
  { id: 'lines', name: 'Lines', supply: 'line', content: (editor) => <Lines editor={editor} /> },
  { id: 'labels', name: 'Labels', supply: 'teacher', content: (editor) => <Labels editor={editor} /> },
  { id: 'makers', name: 'Makers', supply: 'made', content: (editor) => <Makers editor={editor} />, beside: false },
  { id: 'pen', name: 'Pen', supply: 'ink', content: (editor) => <Pens editor={editor} /> },
  {
    id: 'files',
    name: 'Work made elsewhere',
    supply: 'page',
    copies: true,
    content: (editor) => <FromFiles editor={editor} />,
    beside: false,
  },
  { id: 'signs', name: 'Signs', supply: 'text', content: (editor) => <Signs editor={editor} /> },
  {
    id: 'looks',
    name: 'Other looks',
    supply: 'teacher',
    content: (editor) => <Looks editor={editor} />,
    beside: false,
  },
  { id: 'pages', name: 'Pages', supply: 'teacher', content: (editor) => <Pages editor={editor} />, beside: false },
  {
    id: 'history',
    name: 'History',
    supply: 'teacher',
    content: (editor) => <SheetHistory editor={editor} />,
    beside: false,
  },
];

/** Whether, not where: the drawer is not drawn again for each letter. */
const isEditing = (editor: Editor) => editor.editing !== null;

export const Drawer = memo(function Drawer({ editor, note }: { editor: Editor; note?: string }) {
  const open = COMPARTMENTS.filter(
    ({ supply, copies }) => isOpenTo(editor, supply) && !(copies && editor.rights.kind === 'all'),
  );
  const shown = useEditor(editor, 'compartment');
  const setShown = (compartment: string | null) => editor.put({ compartment });
  /** What opens again after it was folded. */
  const [last, setLast] = useState('words');
  const editing = useEditor(editor, isEditing);
  if (open.length === 0) return null;
  const current = open.find(({ id }) => id === shown);
  return (
    <section
      className={`drawer${current ? ' open' : ''}`}
      aria-label="Supplies"
      data-editing={editing || undefined}
      onClick={(event) => {
        const supply = (event.target as Element).closest('[data-supply]')?.getAttribute('data-supply');
        if (supply) noteRecent(supply);
      }}
    >
      <div className={styles.top}>
        <div className={styles.tabs} role="tablist" aria-label="Compartments" onKeyDown={(event) => rove(event, 'tab')}>
          {open.map(({ id, name }, i) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={shown === id}
              tabIndex={stopAt(
                open.findIndex((one) => one.id === shown),
                i,
              )}
              aria-controls="compartment"
              className={styles.tab}
              onClick={() => {
                if (editor.tool?.kind !== 'sampler') editor.put({ tool: null });
                if (editor.past) editor.put({ past: null });
                setShown(shown === id ? null : id);
                setLast(id);
              }}
            >
              {name}
            </button>
          ))}
        </div>
        <button
          type="button"
          className={styles.fold}
          aria-expanded={current !== undefined}
          aria-label={current ? 'Fold the supplies' : 'Open the supplies'}
          title={current ? 'Fold the supplies' : 'Open the supplies'}
          onMouseDown={(event) => event.preventDefault()}
          onClick={() => setShown(current ? null : (open.find(({ id }) => id === last) ?? open[0]).id)}
        >
          <svg viewBox="0 0 16 16" width="16" height="16" aria-hidden="true">
            <path d={current ? 'M3 6L8 11L13 6' : 'M3 10L8 5L13 10'} />
          </svg>
        </button>
        <AddByName editor={editor} />
        {note && <span className={`quiet ${styles.note}`}>{note}</span>}
      </div>
      {current && (
        <div className={styles.body}>
          <div id="compartment" className={styles.compartment} role="tabpanel" aria-label={current.name}>
            {current.content(editor)}
          </div>
          {current.beside !== false && <Recent editor={editor} />}
        </div>
      )}
    </section>
  );
});
