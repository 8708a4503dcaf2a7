import { useState } from 'react';
import { sumWords } from '../../core/lookfors/rubric';
import type { Box } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import type { MarginEntry } from '../margin/margin';
import type { Loaded } from '../student/entries';
import { BackMarks } from '../student/entries';
import { countOf, LookForList } from '../student/lookfor-list';
import { later } from '../browser/later';
import { Brief, briefName } from './brief';
import type { Checking } from './checking';
import styles from './copy.module.css';

const OnPaper = later(() => import('./on-paper').then((part) => part.OnPaper));

/** What is asked of a student, what will be looked for, and what came back: one line, of which one part opens. */

type Of = {
  editor: Editor;
  loaded: Loaded;
  results: Loaded['results'];
  /** What is open until the student opens something else. */
  first: Part | null;
  /** The look-for whose spots are lit. */
  chosen: string | null;
  onShow: (lookFor: string) => void;
  onGo: (item: string) => void;
  checking: Checking;
  light: () => readonly Box[];
};

export type Part = 'brief' | 'list' | 'points';

/** Look-fors are counted where their key is: without a network nothing new is known. */
const StandsStill = ({ editor }: { editor: Editor }) =>
  useEditor(editor, 'save').kind === 'offline' && (
    <p className="quiet" role="status">
      You are offline: these stand still, and are counted again once you are connected.
    </p>
  );

export function aboutEntry(of: Of): MarginEntry {
  return {
    id: 'about',
    anchor: null,
    end: 'top',
    tone: 'plain',
    label: 'What to do, and what your teacher will look for',
    light: of.light,
    // A step that opens is shown.
    content: <About key={of.loaded.steps.open.length} {...of} />,
  };
}

function About({ editor, loaded, results, first, chosen, onShow, onGo, checking }: Of) {
  const [asked, setOpen] = useState<Part | null | undefined>();
  const open = asked === undefined ? first : asked;
  // A look-for whose spots are lit stays in sight.
  const shown = chosen !== null ? 'list' : open;
  const done = loaded.state === 'done';
  const list = loaded.lookFors.length > 0 && (
    <LookForList
      lookFors={loaded.lookFors}
      results={results}
      reasons={loaded.reasons}
      done={done}
      shut={done || loaded.state === 'handed-in'}
      chosen={chosen}
      onShow={onShow}
      onGo={onGo}
      checking={checking.checking}
      onCheck={(id) => void checking.checkAnswers(id)}
    />
  );
  const { marks } = loaded;
  const parts: [Part, string][] = [
    ['brief', briefName(loaded.steps)],
    ...(list ? [['list', countOf(loaded.lookFors, results, done)] as [Part, string]] : []),
    ...(marks ? [['points', sumWords(marks.sum)] as [Part, string]] : []),
  ];
  return (
    <>
      <div className={styles.about}>
        {parts.map(([part, name]) => (
          <button
            key={part}
            type="button"
            className={styles.fold}
            aria-expanded={shown === part}
            onClick={() => {
              if (chosen !== null) onShow(chosen);
              setOpen(shown === part ? null : part);
            }}
          >
            {name}
          </button>
        ))}
        {loaded.cameBack && <OnPaper copyId={loaded.copyId} />}
      </div>
      {shown && (
        <div className={styles.panel}>
          {shown === 'brief' && <Brief loaded={loaded} results={results} />}
          {shown === 'list' && list}
          {shown === 'list' && <StandsStill editor={editor} />}
          {shown === 'points' && marks && <BackMarks marks={marks} />}
        </div>
      )}
    </>
  );
}
