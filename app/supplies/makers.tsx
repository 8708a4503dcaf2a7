import type { ReactNode } from 'react';
import { beginPractice, PRACTICES } from '../../core/makers/practice/begin';
import type { PracticeType } from '../../core/schema/recipes/practice';
import type { MakerKind } from '../../core/schema/recipes/recipes';
import { addMade } from '../makers/begin';
import type { Bench } from '../workbench/bench';

/** Makers: what takes longest by hand. A press puts one on the sheet; its recipe then stands in the margin. */

const stroke = { fill: 'none', stroke: '#456632', strokeWidth: 1.6, strokeLinejoin: 'round' as const };

const MADE: { kind: MakerKind; name: string; says: string; drawing: ReactNode }[] = [
  {
    kind: 'map',
    name: 'concept map',
    says: 'an outline, drawn',
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
    says: 'blanks, bank, key',
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
  {
    kind: 'practice',
    name: 'practice sheet',
    says: '19 kinds, with keys',
    drawing: (
      <g {...stroke}>
        <rect x="18" y="3" width="44" height="48" rx="3" fill="#fff" />
        <path d="M24 10H40" />
        <circle cx="28" cy="21" r="3.6" fill="#dfe8d0" />
        <circle cx="28" cy="32" r="3.6" fill="#fbe6d6" stroke="#b2501c" />
        <circle cx="28" cy="43" r="3.6" fill="#cfdfec" stroke="#2c5d86" />
        <path d="M34 21L46 43M34 32L46 21M34 43L46 32" stroke="#6b6450" strokeWidth="1.1" />
        <path d="M49 21H57M49 32H57M49 43H57" />
      </g>
    ),
  },
  {
    kind: 'cloud',
    name: 'word cloud',
    says: 'inside a shape',
    drawing: (
      <g stroke="none" fontFamily="inherit">
        <path d="M22 44C8 44 6 28 19 25C18 9 42 4 47 17C62 11 75 26 64 36C61 43 52 44 48 44Z" fill="#f3ecda" />
        <rect x="24" y="25" width="30" height="8" rx="3" fill="#2f4d26" />
        <rect x="30" y="14" width="15" height="6" rx="2.5" fill="#c8632e" />
        <rect x="15" y="34.5" width="20" height="5.5" rx="2.5" fill="#2c5d86" />
        <rect x="38" y="35.5" width="22" height="4.5" rx="2" fill="#7f9d63" />
        <rect x="56" y="20" width="5" height="13" rx="2.2" fill="#b98f45" />
        <rect x="48" y="18.5" width="5.5" height="4.5" rx="2" fill="#2f4d26" />
        <rect x="16" y="28" width="5.5" height="4.5" rx="2" fill="#b98f45" />
      </g>
    ),
  },
  {
    kind: 'chart',
    name: 'chart',
    says: '13 kinds, from data',
    drawing: (
      <g {...stroke}>
        <path d="M12 5V48H70" stroke="#6b6450" />
        <rect x="18" y="26" width="10" height="22" fill="#dfe8d0" />
        <rect x="33" y="14" width="10" height="34" fill="#fbe6d6" stroke="#b2501c" />
        <rect x="48" y="33" width="10" height="15" fill="#cfdfec" stroke="#2c5d86" />
        <path d="M16 20L38 8L60 16" stroke="#6b6450" strokeWidth="1.1" strokeDasharray="2 2" />
      </g>
    ),
  },
  {
    kind: 'table',
    name: 'table',
    says: 'written in place',
    drawing: (
      <g {...stroke}>
        <rect x="10" y="7" width="60" height="40" rx="2" fill="#fff" />
        <path d="M10 17H70V9a2 2 0 0 0-2-2H12a2 2 0 0 0-2 2Z" fill="#dfe8d0" />
        <path d="M10 27H70M10 37H50M30 7V47M50 7V47" strokeWidth="1.2" />
        <rect x="50.6" y="27.6" width="19" height="19" fill="#fbe6d6" stroke="#b2501c" />
      </g>
    ),
  },
  {
    kind: 'calendar',
    name: 'calendar',
    says: 'a month, or a week',
    drawing: (
      <g {...stroke}>
        <rect x="12" y="8" width="56" height="40" rx="3" fill="#fff" />
        <path d="M12 18H68" />
        <path d="M20 4V11M60 4V11" stroke="#b2501c" />
        <path d="M23 18V48M34 18V48M45 18V48M57 18V48M12 28H68M12 38H68" strokeWidth="0.8" stroke="#a9b59a" />
        <rect x="24" y="30.5" width="31" height="5" rx="2" fill="#2c5d86" stroke="none" />
        <circle cx="62.5" cy="23" r="3" fill="#f2d98a" stroke="none" />
      </g>
    ),
  },
];

export function Makers({ bench }: { bench: Bench }) {
  const { rights } = bench;
  const tiles = MADE.filter(
    ({ kind }) => rights.kind === 'all' || (rights.supplies as readonly string[]).includes(kind),
  ).map(({ kind, name, says, drawing }) => (
    <button
      key={kind}
      type="button"
      className="supply maker-supply"
      draggable
      onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:made ${kind}`)}
      onClick={() => void addMade(bench, kind)}
    >
      <svg width="80" height="54" viewBox="0 0 80 54" aria-hidden="true">
        {drawing}
      </svg>
      <span>
        {name} <small>{says}</small>
      </span>
    </button>
  ));
  if (rights.kind !== 'all') return tiles;
  return (
    <>
      {tiles}
      <div className="practice-kinds" role="group" aria-label="Kinds of practice sheets">
        {(Object.keys(PRACTICES) as PracticeType[]).map((type) => (
          <button
            key={type}
            type="button"
            className="pictures-group"
            onClick={() => void addMade(bench, 'practice', undefined, beginPractice(type, bench.sheet.palette))}
          >
            {PRACTICES[type].name}
          </button>
        ))}
      </div>
    </>
  );
}
