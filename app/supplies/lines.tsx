import type { ReactNode } from 'react';
import { DRAWN } from '../../core/schema/defaults';
import { addLine } from '../commands/commands';
import type { Editor } from '../document/editor';
import { Supplied } from './supplied';
import type { Sort } from './sort';

/** Lines and arrows. */

type LineSupply = { name: string; drag: string; given: Parameters<typeof addLine>[1]; d: string; caps: ReactNode };
const LINES: LineSupply[] = [
  { name: 'line', drag: 'plain', given: {}, d: 'M6 36L58 12', caps: null },
  {
    name: 'arrow',
    drag: 'arrow',
    given: { endCap: 'arrow' },
    d: 'M6 36L52 15',
    caps: <path d="M60 11L48 12L52 20Z" fill="var(--soft)" />,
  },
  {
    name: 'leader',
    drag: 'dot',
    given: { endCap: 'dot' },
    d: 'M6 36L54 14',
    caps: <circle cx="56" cy="13" r="4" fill="var(--soft)" />,
  },
  {
    name: 'curve',
    drag: 'curve',
    given: { route: 'curved', endCap: 'arrow' },
    d: 'M6 38C34 38 30 12 50 12',
    caps: <path d="M60 12L49 7L51 17Z" fill="var(--soft)" />,
  },
  { name: 'steps', drag: 'steps', given: { route: 'stepped' }, d: 'M6 36H32V12H58', caps: null },
  {
    name: 'both ways',
    drag: 'both',
    given: { startCap: 'arrow', endCap: 'arrow' },
    d: 'M12 34L52 15',
    caps: <path d="M60 11L48 12L52 20ZM4 38L16 37L12 29Z" fill="var(--soft)" />,
  },
  {
    name: 'dotted',
    drag: 'dotted',
    given: { outline: { colour: DRAWN.line, width: 2.5, dash: 'dotted' } },
    d: '',
    caps: <path d="M6 36L58 12" stroke="var(--soft)" strokeWidth="3" strokeDasharray="0.1 7" strokeLinecap="round" />,
  },
];

const givenOf = (drag: string) => LINES.find((line) => line.drag === drag)?.given ?? {};

export const LINE: Sort = {
  sort: 'line',
  called: 'line',
  supply: 'line',
  named: () => LINES.map(({ name, drag }) => ({ id: drag, name, tags: ['line', 'arrow'] })),
  put: (editor, drag, at) => addLine(editor, givenOf(drag), at),
};

export const Lines = ({ editor }: { editor: Editor }) =>
  LINES.map(({ name, drag, given, d, caps }) => (
    <Supplied key={name} name={name} drag={`line ${drag}`} onAdd={() => addLine(editor, given)}>
      <svg width="64" height="50" aria-hidden="true">
        <path d={d} fill="none" stroke="var(--soft)" strokeWidth="2" />
        {caps}
      </svg>
    </Supplied>
  ));
