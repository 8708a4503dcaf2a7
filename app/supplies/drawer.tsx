import { DRAWN } from '../../core/schema/defaults';
import { memo, useState } from 'react';
import type { ReactNode } from 'react';
import type { Supply } from '../../core/handout/permission';
import type { Point } from '../../core/geometry/matrix';
import { roleIds } from '../../core/schema/defaults';
import type { Sheet, ShapeItem } from '../../core/schema/sheet';
import type { MakerKind } from '../../core/schema/recipes/recipes';
import { labelAround } from '../makers/labels/around';
import { makerOf } from '../makers/all';
import { addMade } from '../makers/kit/begin';
import { nodeAt, pictureNode } from '../makers/map/map-commands';
import type { Bench } from '../document/bench';
import { useBench } from '../document/bench';
import { addLabelAt, addLine, addPicture, addShape, addText, addWordBank } from '../commands/commands';
import { placeFor } from '../commands/steps';
import { loadIndex } from '../pictures/picture-index';
import { Pictures } from './pictures';
import { Shapes } from './shapes';
import './drawer.css';
import { rove, stopAt } from '../fields/rove';
import { later } from '../browser/later';

/** The supply drawer: compartments of what can be put on the sheet. A press adds it; it can be dragged to its place too. */

type Compartment = { id: string; name: string; supply: Supply | 'teacher'; content: (bench: Bench) => ReactNode };

function Supplied({
  name,
  drag,
  onAdd,
  children,
}: {
  name: string;
  drag: string;
  onAdd: () => void;
  children: ReactNode;
}) {
  return (
    <button
      type="button"
      className="supply"
      draggable
      onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:${drag}`)}
      onClick={onAdd}
    >
      {children}
      <span>{name}</span>
    </button>
  );
}

const rolesOf = (bench: Bench) => bench.sheet.roles;

function Words({ bench }: { bench: Bench }) {
  const roles = useBench(bench, rolesOf);
  const order =
    bench.rights.kind === 'all'
      ? roleIds(roles).filter((id) => !['label', 'bank'].includes(id))
      : roleIds(roles).filter((id) => !['title', 'label', 'bank', 'name', 'instruction'].includes(id));
  return order.map((id) => (
    <Supplied key={id} name={roles[id].name} drag={`text ${id}`} onAdd={() => addText(bench, id)}>
      <RoleSample role={roles[id]} />
    </Supplied>
  ));
}

/** Set in the interface's faces, but with the role's own weight, slope and colour. */
function RoleSample({ role }: { role: Sheet['roles'][string] }) {
  const { bold, italic, colour, size, font } = role.run;
  return (
    <em
      aria-hidden="true"
      className="supply-words"
      style={{
        fontWeight: bold ? 700 : 400,
        fontStyle: italic ? 'italic' : 'normal',
        color: colour,
        fontSize: Math.min(30, 13 + size / 2.2),
        fontFamily: font === 'fraunces' ? 'var(--show)' : 'inherit',
      }}
    >
      Aa
    </em>
  );
}

// What is wanted less often is fetched when it is opened.
const Pens = later(() => import('./pen').then(({ Pens }) => Pens));
const Makers = later(() => import('./makers').then(({ Makers }) => Makers));
const Signs = later(() => import('./signs').then(({ Signs }) => Signs));
const Looks = later(() => import('./looks').then(({ Looks }) => Looks));
const Pages = later(() => import('./pages').then(({ Pages }) => Pages));
const SheetHistory = later(() => import('./history').then((part) => part.SheetHistory));

const LINES: { name: string; drag: string; given: Parameters<typeof addLine>[1]; d: string; caps: ReactNode }[] = [
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

const COMPARTMENTS: Compartment[] = [
  { id: 'words', name: 'Words', supply: 'text', content: (bench) => <Words bench={bench} /> },
  { id: 'pictures', name: 'Pictures', supply: 'picture', content: (bench) => <Pictures bench={bench} /> },
  {
    id: 'shapes',
    name: 'Shapes',
    supply: 'shape',
    content: (bench) => <Shapes bench={bench} />,
  },
  {
    id: 'lines',
    name: 'Lines',
    supply: 'line',
    content: (bench) =>
      LINES.map(({ name, drag, given, d, caps }) => (
        <Supplied key={name} name={name} drag={`line ${drag}`} onAdd={() => addLine(bench, given)}>
          <svg width="64" height="50" aria-hidden="true">
            <path d={d} fill="none" stroke="var(--soft)" strokeWidth="2" />
            {caps}
          </svg>
        </Supplied>
      )),
  },
  {
    id: 'labels',
    name: 'Labels',
    supply: 'teacher',
    content: (bench) => (
      <>
        <Supplied
          name="label and line"
          drag="label given"
          onAdd={() => addLabelAt(bench, placeFor(bench, 118, 28), null, 'label', false)}
        >
          <LabelDrawing blank={false} />
        </Supplied>
        <Supplied
          name="blank to fill"
          drag="label blank"
          onAdd={() => addLabelAt(bench, placeFor(bench, 118, 28), null, 'answer', true)}
        >
          <LabelDrawing blank />
        </Supplied>
        <Supplied name="word bank" drag="bank" onAdd={() => addWordBank(bench)}>
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
        <Supplied name="around the selection" drag="around" onAdd={() => void labelAround(bench)}>
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
        <p className="supplies-hint">
          Choose a diagram on the sheet, and its parts can be labelled one by one from the margin.
        </p>
      </>
    ),
  },
  { id: 'makers', name: 'Makers', supply: 'map', content: (bench) => <Makers bench={bench} /> },
  { id: 'pen', name: 'Pen', supply: 'ink', content: (bench) => <Pens bench={bench} /> },
  { id: 'signs', name: 'Signs', supply: 'text', content: (bench) => <Signs bench={bench} /> },
  { id: 'looks', name: 'Other looks', supply: 'teacher', content: (bench) => <Looks bench={bench} /> },
  { id: 'pages', name: 'Pages', supply: 'teacher', content: (bench) => <Pages bench={bench} /> },
  { id: 'history', name: 'History', supply: 'teacher', content: (bench) => <SheetHistory bench={bench} /> },
];

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

/** Puts down what was dragged from the drawer. */
export async function dropSupply(bench: Bench, data: string, at: Point): Promise<void> {
  if (!data.startsWith('supply:')) return;
  const [kind, name] = data.slice(7).split(' ');
  if (kind === 'text') addText(bench, name, at);
  else if (kind === 'shape') addShape(bench, name as ShapeItem['shape'], at);
  else if (kind === 'line') addLine(bench, LINES.find((line) => line.drag === name)?.given ?? {}, at);
  else if (kind === 'label') addLabelAt(bench, at, null, name === 'blank' ? 'answer' : 'label', name === 'blank');
  else if (kind === 'bank') addWordBank(bench);
  else if (kind === 'around') await labelAround(bench);
  else if (kind === 'made') await addMade(bench, makerOf(name as MakerKind).begin, at);
  else if (kind === 'picture') {
    const entry = (await loadIndex()).find(({ id }) => id === name);
    const node = entry && nodeAt(bench, at);
    if (node) pictureNode(bench, node.group.id, node.node, entry.id);
    else if (entry) addPicture(bench, entry, at);
  }
}

export const Drawer = memo(function Drawer({ bench, note }: { bench: Bench; note?: string }) {
  const { rights } = bench;
  const open = COMPARTMENTS.filter(
    ({ supply }) => rights.kind === 'all' || (supply !== 'teacher' && rights.supplies.includes(supply)),
  );
  const [shown, setShown] = useState<string | null>(rights.kind === 'all' ? 'words' : null);
  if (open.length === 0) return null;
  const current = open.find(({ id }) => id === shown);
  return (
    <section className={`drawer${current ? ' open' : ''}`} aria-label="Supplies">
      <div className="drawer-tabs" role="tablist" aria-label="Compartments" onKeyDown={(event) => rove(event, 'tab')}>
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
            className="drawer-tab"
            onClick={() => {
              if (bench.tool?.kind !== 'sampler') bench.put({ tool: null });
              if (bench.past) bench.put({ past: null });
              setShown(shown === id ? null : id);
            }}
          >
            {name}
          </button>
        ))}
        {note && <span className="quiet drawer-note">{note}</span>}
      </div>
      {current && (
        <div id="compartment" className="compartment" role="tabpanel" aria-label={current.name}>
          {current.content(bench)}
        </div>
      )}
    </section>
  );
});
