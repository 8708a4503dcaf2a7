import styles from './find.module.css';
import { TextLine } from '../fields/text-line';
import { Chip, Chips } from '../parts/action';
import { useEffect, useRef, useState } from 'react';
import { findWords, replaceWords } from '../../core/changes/search';
import type { Editor } from '../document/editor';
import { untilChanged, useEditor } from '../document/editor';
import { Toggle } from '../fields/toggle';

const OPTIONS = [
  { option: 'whole', name: 'whole words', label: 'Find whole words only' },
  { option: 'matchCase', name: 'match capitals', label: 'Find only words with the same capitals' },
  {
    option: 'keepCapitals',
    name: 'keep capitals',
    label: 'Write the replacement with the capitals of what it replaces',
  },
] as const;

/** Finding words on all pages and replacing them: a card at the top of the margin. */
export function FindCard({ editor }: { editor: Editor }) {
  const sheet = useEditor(editor, 'sheet');
  const [words, setWords] = useState('');
  const [better, setBetter] = useState('');
  const [options, setOptions] = useState({ matchCase: false, whole: false, keepCapitals: true });
  const [at, setAt] = useState(0);
  const field = useRef<HTMLInputElement>(null);
  // The margin shows a card only after measuring it, and hidden fields can't be focused.
  useEffect(() => {
    let tries = 0;
    let frame = requestAnimationFrame(function focus() {
      field.current?.focus({ preventScroll: true });
      field.current?.select();
      if (document.activeElement !== field.current && tries++ < 20) frame = requestAnimationFrame(focus);
    });
    return () => cancelAnimationFrame(frame);
  }, []);
  const hits = findWords(sheet, { words, ...options });
  const current = hits.length > 0 ? hits[Math.min(at, hits.length - 1)] : null;
  const go = (to: number) => {
    if (hits.length === 0) return;
    const next = (to + hits.length) % hits.length;
    setAt(next);
    const hit = hits[next];
    if (editor.pageId !== hit.page) editor.turnTo(hit.page);
    editor.select([hit.item]);
    editor.put({ lit: hit });
  };
  const close = () => {
    editor.put({ finding: false, lit: null });
    document.querySelector<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
  };
  const replace = (all: boolean) => {
    const which = all ? hits : current ? [current] : [];
    if (which.length === 0) return;
    const made = editor.make(all ? 'Replace all' : 'Replace', replaceWords(sheet, which, better, options.keepCapitals));
    if (made && all)
      editor.say(
        `${which.length} ${which.length === 1 ? 'place' : 'places'} replaced. Undo brings them back in one step.`,
        untilChanged(editor),
      );
  };
  return (
    <div className="settings find" onKeyDown={(event) => event.key === 'Escape' && close()}>
      <h3>
        Find{' '}
        <small>
          {words.trim() ? `${hits.length ? Math.min(at, hits.length - 1) + 1 : 0} of ${hits.length}` : 'on all pages'}
        </small>
      </h3>
      <TextLine
        ref={field}
        aria-label="Find words"
        placeholder="Text to find"
        value={words}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={(event) => event.key === 'Enter' && go(editor.lit ? at + (event.shiftKey ? -1 : 1) : 0)}
      />
      <TextLine
        aria-label="Replace with"
        placeholder="Replacement"
        value={better}
        onChange={(event) => setBetter(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && replace(false)}
      />
      <div className={styles.row}>
        {OPTIONS.map(({ option, name, label }) => (
          <Toggle
            key={option}
            on={options[option]}
            label={label}
            onClick={() => setOptions({ ...options, [option]: !options[option] })}
          >
            {name}
          </Toggle>
        ))}
      </div>
      <Chips>
        <Chip disabled={!current} onClick={() => go(at - 1)} aria-label="Previous">
          ‹
        </Chip>
        <Chip disabled={!current} onClick={() => go(editor.lit ? at + 1 : 0)} aria-label="Next">
          ›
        </Chip>
        <Chip disabled={!current} onClick={() => replace(false)}>
          replace
        </Chip>
        <Chip disabled={!current} onClick={() => replace(true)}>
          replace all
        </Chip>
        <Chip tone="apricot" onClick={close}>
          close
        </Chip>
      </Chips>
    </div>
  );
}
