import { memo, useState } from 'react';
import type { ReactNode } from 'react';
import type { Bench } from '../document/bench';
import { rove, stopAt } from '../fields/rove';
import { later } from '../browser/later';
import { Labels } from './labels';
import { Lines } from './lines';
import { Pictures } from './pictures';
import { Shapes } from './shapes';
import type { Sort } from './sort';
import { isOpenTo } from './sort';
import { Words } from './words';
import './drawer.css';

/** The supply drawer: compartments of what can be put on the sheet. A press adds it; it can be dragged to its place too. */

type Compartment = { id: string; name: string; supply: Sort['supply']; content: (bench: Bench) => ReactNode };

// What is wanted less often is fetched when it is opened.
const AddByName = later(() => import('./add-by-name').then((part) => part.AddByName), <span className="add-by-name" />);
const Pens = later(() => import('./pen').then(({ Pens }) => Pens));
const Makers = later(() => import('./makers').then(({ Makers }) => Makers));
const Signs = later(() => import('./signs').then(({ Signs }) => Signs));
const Looks = later(() => import('./looks').then(({ Looks }) => Looks));
const Pages = later(() => import('./pages').then(({ Pages }) => Pages));
const SheetHistory = later(() => import('./history').then((part) => part.SheetHistory));

const COMPARTMENTS: Compartment[] = [
  { id: 'words', name: 'Words', supply: 'text', content: (bench) => <Words bench={bench} /> },
  { id: 'pictures', name: 'Pictures', supply: 'picture', content: (bench) => <Pictures bench={bench} /> },
  { id: 'shapes', name: 'Shapes', supply: 'shape', content: (bench) => <Shapes bench={bench} /> },
  { id: 'lines', name: 'Lines', supply: 'line', content: (bench) => <Lines bench={bench} /> },
  { id: 'labels', name: 'Labels', supply: 'teacher', content: (bench) => <Labels bench={bench} /> },
  { id: 'makers', name: 'Makers', supply: 'map', content: (bench) => <Makers bench={bench} /> },
  { id: 'pen', name: 'Pen', supply: 'ink', content: (bench) => <Pens bench={bench} /> },
  { id: 'signs', name: 'Signs', supply: 'text', content: (bench) => <Signs bench={bench} /> },
  { id: 'looks', name: 'Other looks', supply: 'teacher', content: (bench) => <Looks bench={bench} /> },
  { id: 'pages', name: 'Pages', supply: 'teacher', content: (bench) => <Pages bench={bench} /> },
  { id: 'history', name: 'History', supply: 'teacher', content: (bench) => <SheetHistory bench={bench} /> },
];

export const Drawer = memo(function Drawer({ bench, note }: { bench: Bench; note?: string }) {
  const { rights } = bench;
  const open = COMPARTMENTS.filter(({ supply }) => isOpenTo(bench, supply));
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
        <AddByName bench={bench} />
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
