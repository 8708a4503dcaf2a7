import { useEffect, useRef, useState } from 'react';
import { findWords, replaceWords } from '../../core/changes/search';
import type { Bench } from '../document/bench';
import { untilChanged, useBench } from '../document/bench';
import { Toggle } from '../fields/fields';

const sheetOf = (bench: Bench) => bench.sheet;

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
export function FindCard({ bench }: { bench: Bench }) {
  const sheet = useBench(bench, sheetOf);
  const [words, setWords] = useState('');
  const [better, setBetter] = useState('');
  const [options, setOptions] = useState({ matchCase: false, whole: false, keepCapitals: true });
  const [at, setAt] = useState(0);
  const field = useRef<HTMLInputElement>(null);
  // The margin shows a card only once it has measured it, and what is not shown can't have the focus.
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
    if (bench.pageId !== hit.page) bench.turnTo(hit.page);
    bench.select([hit.item]);
    bench.put({ lit: hit });
  };
  const close = () => {
    bench.put({ finding: false, lit: null });
    document.querySelector<HTMLElement>('[data-stage]')?.focus({ preventScroll: true });
  };
  const replace = (all: boolean) => {
    const which = all ? hits : current ? [current] : [];
    if (which.length === 0) return;
    const made = bench.make(all ? 'Replace all' : 'Replace', replaceWords(sheet, which, better, options.keepCapitals));
    if (made && all)
      bench.say(
        `${which.length} ${which.length === 1 ? 'place' : 'places'} replaced. Undo brings them back in one step.`,
        untilChanged(bench),
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
      <input
        ref={field}
        className="inline-name"
        aria-label="Find words"
        placeholder="text to find"
        value={words}
        onChange={(event) => (setWords(event.target.value), setAt(0))}
        onKeyDown={(event) => event.key === 'Enter' && go(bench.lit ? at + (event.shiftKey ? -1 : 1) : 0)}
      />
      <input
        className="inline-name"
        aria-label="Replace with"
        placeholder="replacement"
        value={better}
        onChange={(event) => setBetter(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && replace(false)}
      />
      <div className="find-row">
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
      <div className="chips">
        <button type="button" className="chip" disabled={!current} onClick={() => go(at - 1)} aria-label="Previous">
          ‹
        </button>
        <button
          type="button"
          className="chip"
          disabled={!current}
          onClick={() => go(bench.lit ? at + 1 : 0)}
          aria-label="Next"
        >
          ›
        </button>
        <button type="button" className="chip" disabled={!current} onClick={() => replace(false)}>
          replace
        </button>
        <button type="button" className="chip" disabled={!current} onClick={() => replace(true)}>
          replace all
        </button>
        <button type="button" className="chip apricot" onClick={close}>
          close
        </button>
      </div>
    </div>
  );
}
