import type { ReactNode } from 'react';
import type { CopyState } from '../../core/handout/state';

/** The state of a copy: a leaf drawing and a word, never a colour alone. */

export const STATE_WORDS: Record<CopyState, string> = {
  'not-begun': 'Not begun',
  'under-way': 'Under way',
  'handed-in': 'Handed in',
  'another-go': 'Another go',
  done: 'Done',
};

export const STATE_COLOURS: Record<CopyState, string> = {
  'not-begun': 'var(--line)',
  'under-way': 'var(--sky-pale)',
  'handed-in': 'var(--moss)',
  'another-go': 'var(--apricot-line)',
  done: 'var(--ochre)',
};

const DRAWINGS: Record<CopyState, ReactNode> = {
  // a closed bud
  'not-begun': (
    <path
      d="M8 15V9M8 9C5.6 8 5.4 4.4 8 1.4C10.6 4.4 10.4 8 8 9Z"
      fill="none"
      stroke="var(--faint)"
      strokeWidth="1.3"
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  ),
  // a sprig with two leaves
  'under-way': (
    <g fill="none" stroke="var(--sky)" strokeWidth="1.3" strokeLinecap="round" strokeLinejoin="round">
      <path d="M8 15V6" />
      <path d="M8 9.6C4.2 9.8 2.6 7.6 2.4 4.8C5.6 4.6 8 6.2 8 9.6Z" fill="var(--sky-soft)" />
      <path d="M8 7C8 4 10 2.2 13.4 2.2C13.6 5.2 11.4 7.2 8 7Z" fill="var(--sky-soft)" />
    </g>
  ),
  // a whole leaf
  'handed-in': (
    <g>
      <path d="M2.6 13.4C1.8 6.4 6 2 14 2C14.2 9.8 9.8 14.2 3.4 12.8" fill="var(--moss)" />
      <path
        d="M1.6 14.8C4 10.4 6.6 8 10.6 5.6"
        fill="none"
        stroke="var(--paper)"
        strokeWidth="1.1"
        strokeLinecap="round"
      />
      <path d="M1.4 15L3.6 12" stroke="var(--moss)" strokeWidth="1.4" strokeLinecap="round" />
    </g>
  ),
  // the leaf turned over
  'another-go': (
    <g fill="none" stroke="var(--apricot)" strokeWidth="1.3" strokeLinecap="round" strokeLinejoin="round">
      <path d="M13.4 13.4C14.2 6.4 10 2 2 2C1.8 9.8 6.2 14.2 12.6 12.8" fill="var(--apricot-soft)" />
      <path d="M14.6 15C12 10.6 9.4 8 5.4 5.6M9.8 8.8L9.6 5.4M7.4 7L4.6 8" />
    </g>
  ),
  // an acorn
  done: (
    <g>
      <path d="M3.4 6.8C3.2 11.4 5.6 14.2 8 15.2C10.4 14.2 12.8 11.4 12.6 6.8Z" fill="var(--straw-line)" />
      <path d="M2.2 6.8C2 4 4.6 2.6 8 2.6C11.4 2.6 14 4 13.8 6.8Z" fill="var(--straw-deep)" />
      <path d="M8 2.6V0.8" stroke="var(--straw-deep)" strokeWidth="1.5" strokeLinecap="round" />
    </g>
  ),
};

export function Leaf({ state, size = 17 }: { state: CopyState; size?: number }) {
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden="true" style={{ flex: 'none' }}>
      {DRAWINGS[state]}
    </svg>
  );
}

export function StateLabel({ state, note }: { state: CopyState; note?: string }) {
  return (
    <span className="state">
      <Leaf state={state} />
      <span>
        {STATE_WORDS[state]}
        {note && <span className="quiet"> {note}</span>}
      </span>
    </span>
  );
}
