import { useState } from 'react';
import { Segments } from '../fields/segments';
import { kindOf } from '../../core/items/all';
import { itemName } from '../../core/items/name';
import type { Item, Sheet } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import type { Editor, Tab } from '../document/editor';
import { useEditor } from '../document/editor';
import { EditorContext } from '../colour/swatches';
import { setValues } from '../commands/set-values';
import { Tabs } from '../parts/tabs';
import { Opened, Row } from '../parts/row';
import { LookFields } from './look';
import { NumbersFields, PlaceFields } from './place-fields';
import { AccessFields, ACCESSES } from './access-fields';
import { madeGroupOf } from '../makers/kit/made';
import { makerOf } from '../makers/all';
import { MakerPanel } from '../makers/panel';
import { RoleField } from './role-field';
import { WordsFields } from './words-fields';
import styles from './settings.module.css';

/** The settings of the selection in its margin card, on tabs: words and colours first, numbers where things are placed. */

const kindName = (item: Item) => (item.kind === 'group' && item.maker ? 'made' : kindOf(item).name);

type Props = { editor: Editor; items: Item[]; sheet: Sheet };

function StudentFields({ editor, items }: Omit<Props, 'sheet'>) {
  const [item] = items;
  if (items.length === 1) return <AccessFields editor={editor} item={item} />;
  return (
    <Row label="may">
      <Segments
        label="What students may do with them"
        value={items.every((i) => i.touch === item.touch) ? item.touch : null}
        onChange={(touch) => setValues(editor, 'What students may do', { touch })}
        options={ACCESSES}
      />
    </Row>
  );
}

export function ItemSettings({ editor, items, sheet }: Props) {
  const wanted = useEditor(editor, 'tab');
  const [opened] = useState(() => new Set<string>());
  const [item] = items;
  const one = items.length === 1;
  const teacher = editor.rights.kind === 'all';
  const written = items.every(isWritten);
  const made = madeGroupOf(editor.page, items);
  const tabs: { id: Tab; name: string }[] = [
    ...(made ? [{ id: 'make' as const, name: makerOf(made.maker!.kind).tab }] : []),
    ...(written ? [{ id: 'words' as const, name: 'words' }] : []),
    { id: 'look', name: 'look' },
    { id: 'place', name: 'place' },
    ...(teacher ? [{ id: 'students' as const, name: 'students' }] : []),
  ];
  const tab = tabs.some(({ id }) => id === wanted) ? wanted : one ? tabs[0].id : 'place';
  return (
    <EditorContext.Provider value={editor}>
      <Opened.Provider value={opened}>
        <div className="settings">
          <h3>
            <span className={styles.name}>{one ? itemName(item) : `${items.length} things`}</span>
            <small>{one ? kindName(item) : 'together'}</small>
          </h3>
          <Tabs label="Settings" tabs={tabs} chosen={tab} onChoose={(id) => editor.put({ tab: id })} />
          <div
            role="tabpanel"
            aria-label={tabs.find(({ id }) => id === tab)?.name}
            // The recipe stays open when typing in it selects a part of what it makes.
            onFocusCapture={() => tab === 'make' && wanted !== tab && editor.put({ tab })}
          >
            {tab === 'make' && made && (
              <MakerPanel editor={editor} group={made} sheet={sheet} part={item === made ? null : item} />
            )}
            {tab === 'words' && isWritten(item) && (
              <>
                {one && item.kind === 'text' && teacher && <RoleField editor={editor} item={item} sheet={sheet} />}
                <WordsFields editor={editor} items={items.filter(isWritten)} sheet={sheet} />
              </>
            )}
            {tab === 'look' && <LookFields editor={editor} items={items} sheet={sheet} />}
            {tab === 'place' && (
              <>
                <NumbersFields editor={editor} items={items} unit={sheet.unit} />
                <PlaceFields editor={editor} items={items} />
              </>
            )}
            {tab === 'students' && <StudentFields editor={editor} items={items} />}
          </div>
        </div>
      </Opened.Provider>
    </EditorContext.Provider>
  );
}
