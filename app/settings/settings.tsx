import { Segmented } from 'antd';
import { kindOf } from '../../core/items/all';
import { itemName } from '../../core/items/name';
import type { Item, Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import type { Bench, Tab } from '../document/bench';
import { useBench } from '../document/bench';
import { BenchContext } from '../colour/colour-field';
import { setValues } from '../commands/commands';
import { rove } from '../fields/rove';
import { Row } from '../fields/fields';
import { LookFields } from './look';
import { NumbersFields, PlaceFields } from './place-fields';
import { TouchFields, TOUCHES } from './touch-fields';
import { madeGroupOf } from '../makers/kit/made';
import { makerOf } from '../makers/all';
import { MakerPanel } from '../makers/panel';
import { RoleField } from './role-field';
import { WordsFields } from './words-fields';

/** The settings of what is chosen, in its margin card: numbers always, the rest on four leaves. */

const kindName = (item: Item) => (item.kind === 'group' && item.maker ? 'made' : kindOf(item).name);
const tabOf = (bench: Bench) => bench.tab;

type Props = { bench: Bench; items: Item[]; sheet: Sheet };

function StudentFields({ bench, items }: Omit<Props, 'sheet'>) {
  const [item] = items;
  if (items.length === 1) return <TouchFields bench={bench} item={item} />;
  return (
    <Row label="may">
      <Segmented
        size="small"
        aria-label="What students may do with them"
        value={items.every((i) => i.touch === item.touch) ? item.touch : ''}
        onChange={(touch) => setValues(bench, 'What students may do', { touch })}
        options={TOUCHES}
      />
    </Row>
  );
}

export function ItemSettings({ bench, items, sheet }: Props) {
  const wanted = useBench(bench, tabOf);
  const [item] = items;
  const one = items.length === 1;
  const teacher = bench.rights.kind === 'all';
  const written = items.every(isWritten);
  const made = madeGroupOf(bench.page, items);
  const tabs: { id: Tab; name: string }[] = [
    ...(made ? [{ id: 'make' as const, name: makerOf(made.maker!.kind).tab }] : []),
    ...(written ? [{ id: 'words' as const, name: 'words' }] : []),
    { id: 'look', name: 'look' },
    { id: 'place', name: 'place' },
    ...(teacher ? [{ id: 'students' as const, name: 'students' }] : []),
  ];
  const tab = tabs.some(({ id }) => id === wanted) ? wanted : one ? tabs[0].id : 'place';
  return (
    <BenchContext.Provider value={bench}>
      <div className="settings">
        <h3>
          <span className="settings-name">{one ? itemName(item) : `${items.length} things`}</span>
          <small>{one ? kindName(item) : 'together'}</small>
        </h3>
        <NumbersFields bench={bench} items={items} unit={sheet.unit} />
        <div className="leaves" role="tablist" aria-label="Settings" onKeyDown={(event) => rove(event, 'tab')}>
          {tabs.map(({ id, name }) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={id === tab}
              tabIndex={id === tab ? 0 : -1}
              className="leaf-tab"
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => bench.put({ tab: id })}
            >
              {name}
            </button>
          ))}
        </div>
        <div
          role="tabpanel"
          aria-label={tabs.find(({ id }) => id === tab)?.name}
          // Whoever writes in a recipe stays with it when a part of what it makes is chosen by that.
          onFocusCapture={() => tab === 'make' && wanted !== tab && bench.put({ tab })}
        >
          {tab === 'make' && made && (
            <MakerPanel bench={bench} group={made} sheet={sheet} part={item === made ? null : item} />
          )}
          {tab === 'words' && isWritten(item) && (
            <>
              {one && item.kind === 'text' && teacher && <RoleField bench={bench} item={item} sheet={sheet} />}
              <WordsFields bench={bench} items={items.filter(isWritten)} sheet={sheet} />
            </>
          )}
          {tab === 'look' && <LookFields bench={bench} items={items} sheet={sheet} />}
          {tab === 'place' && <PlaceFields bench={bench} items={items} />}
          {tab === 'students' && <StudentFields bench={bench} items={items} />}
        </div>
      </div>
    </BenchContext.Provider>
  );
}
