import type { ReactNode } from 'react';
import type { MakerKind } from '../../core/makers/recipes';
import { addMade } from '../makers/begin';
import type { Bench } from '../workbench/bench';

/** Makers: what takes longest by hand. A press puts one on the sheet; its recipe then stands in the margin. */

const stroke = { fill: 'none', stroke: '#456632', strokeWidth: 1.6, strokeLinejoin: 'round' as const };

const MADE: { kind: MakerKind; name: string; says: string; drawing: ReactNode }[] = [
  {
    kind: 'map',
    name: 'concept map',
    says: 'from an outline, and back',
    drawing: (
      <g {...stroke}>
        <path d="M30 27C42 27 40 10 52 10M30 27H52M30 27C42 27 40 44 52 44" stroke="#6b6450" />
        <rect x="5" y="20" width="26" height="14" rx="7" fill="#2f4d26" stroke="none" />
        <rect x="52" y="4" width="22" height="12" rx="3" fill="#dfe8d0" />
        <rect x="52" y="21" width="22" height="12" rx="3" fill="#fff" />
        <rect x="52" y="38" width="22" height="12" rx="3" fill="#dfe8d0" />
      </g>
    ),
  },
  {
    kind: 'labels',
    name: 'labelled diagram',
    says: 'filled, blank, bank, key',
    drawing: (
      <g {...stroke}>
        <path d="M40 46C27 40 30 16 41 9C54 15 55 38 40 46ZM40 46V18M40 34L49 25M40 34L32 27" fill="#dfe8d0" />
        <path d="M46 20L58 10M34 30L21 34M48 33L58 40" stroke="#6b6450" strokeWidth="1.2" />
        <rect x="58" y="4" width="18" height="10" rx="2.5" fill="#fff" />
        <rect x="58" y="36" width="18" height="10" rx="2.5" fill="#fff" strokeDasharray="3 2" />
        <rect x="4" y="29" width="17" height="10" rx="2.5" fill="#fff" />
      </g>
    ),
  },
];

export function Makers({ bench }: { bench: Bench }) {
  const { rights } = bench;
  return MADE.filter(({ kind }) => rights.kind === 'all' || (rights.supplies as readonly string[]).includes(kind)).map(
    ({ kind, name, says, drawing }) => (
      <button
        key={kind}
        type="button"
        className="supply maker-supply"
        draggable
        onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:made ${kind}`)}
        onClick={() => addMade(bench, kind)}
      >
        <svg width="80" height="54" viewBox="0 0 80 54" aria-hidden="true">
          {drawing}
        </svg>
        <span>
          {name} <small>{says}</small>
        </span>
      </button>
    ),
  );
}
