import { useEffect, useState } from 'react';
import { useRevalidator } from 'react-router';
import { boxOf } from '../../core/items/hit';
import { find } from '../../core/sheet/tree';
import type { Page } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import type { Other } from '../document/others';
import { Others } from '../document/others';
import { pictureNow } from '../drawing/resources';
import type { View } from '../margin/view';
import type { Loaded } from '../student/entries';
import styles from './together.module.css';

/** Several students on one copy: who is here, and where they are. */

/** Colours in which the others are shown; there are at most four of them. */
const COLOURS = 4;

/** Follows what the others do, while the copy is open to several. */
export function useTogether(editor: Editor, { documentId, mates }: Loaded, open: boolean): readonly Other[] {
  const [others, setOthers] = useState<readonly Other[]>([]);
  const { revalidate } = useRevalidator();
  const isShared = open && mates.length > 0;
  useEffect(() => {
    if (!isShared) return;
    const live = new Others(documentId, {
      changed: (seq) => editor.othersChanged(seq),
      moved: () => void revalidate(),
      others: setOthers,
    });
    const tellWhere = () => {
      const items = editor.editing ? [editor.editing.id] : editor.selection;
      live.at({ page: editor.page.id, items: items.slice(0, 20) });
    };
    editor.withOthers(true);
    live.open();
    tellWhere();
    const stop = editor.subscribe(tellWhere);
    return () => {
      stop();
      live.close();
      editor.withOthers(false);
      setOthers([]);
    };
  }, [editor, documentId, isShared, revalidate]);
  return others;
}

/** The colour of somebody, by their place among all. */
const colourOf = (mates: readonly string[], name: string) => Math.max(0, mates.indexOf(name)) % COLOURS;

type WhoProps = { mates: readonly string[]; others: readonly Other[] };

/** The names of the others; who has the copy open just now is marked, and said so. */
export function Who({ mates, others }: WhoProps) {
  if (mates.length === 0) return null;
  return (
    <ul className={styles.who} aria-label="You work on this together with">
      {mates.map((name) => {
        const isHere = others.some((other) => other.name === name);
        return (
          <li
            key={name}
            className={isHere ? styles.here : undefined}
            data-colour={colourOf(mates, name)}
            title={isHere ? `${name} is here now` : `${name} is not here at the moment`}
          >
            <span className={styles.dot} aria-hidden="true" />
            {name.split(' ')[0]}
            {isHere && <span className="sr"> is here now</span>}
          </li>
        );
      })}
    </ul>
  );
}

/** Frames around what the others have selected or write in, each with a name. */
export function OthersOnPage({
  editor,
  view,
  page,
  mates,
  others,
}: WhoProps & { editor: Editor; view: View; page: Page }) {
  const sheet = useEditor(editor, 'sheet');
  const { inset, scale } = view;
  return others
    .filter((other) => other.page === page.id)
    .flatMap(({ window, name, items }) =>
      items.flatMap((id, i) => {
        const item = find(sheet, id)?.item;
        if (!item) return [];
        const box = boxOf(page, item, pictureNow);
        return [
          <div
            key={`${window} ${id}`}
            className={styles.frame}
            data-colour={colourOf(mates, name)}
            style={{
              left: inset.x + box.x * scale - 3,
              top: inset.y + box.y * scale - 3,
              width: box.width * scale + 6,
              height: box.height * scale + 6,
            }}
          >
            {i === 0 && <span>{name.split(' ')[0]}</span>}
          </div>,
        ];
      }),
    );
}
