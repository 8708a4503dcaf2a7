import { memo, useSyncExternalStore } from 'react';
import type { Editor } from '../document/editor';
import { sentence } from '../parts/sentence';
import { tileUrl } from '../pictures/finding';
import { ShapeDrawing } from './shapes';
import { findSupply } from './sorts';
import styles from './recent.module.css';

/** What was put on a sheet last in this window, newest first, as “SORT ID”. */
let recent: readonly string[] = [];
const MOST = 6;
const listeners = new Set<() => void>();

export function noteRecent(supply: string): void {
  recent = [supply, ...recent.filter((one) => one !== supply)].slice(0, MOST);
  listeners.forEach((listener) => listener());
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
const NONE: readonly string[] = [];

function Drawing({ sort, id, name }: { sort: string; id: string; name: string }) {
  if (sort === 'picture' || sort === 'outline')
    return <img src={tileUrl(id, sort === 'outline')} alt="" draggable={false} />;
  if (sort === 'shape') return <ShapeDrawing shape={id} />;
  return <span>{sentence(name)}</span>;
}

/** Tiles of what was used last. */
export const Recent = memo(function Recent({ editor }: { editor: Editor }) {
  const used = useSyncExternalStore(
    subscribe,
    () => recent,
    () => NONE,
  );
  const found = used.flatMap((supply) => findSupply(editor, supply) ?? []);
  if (found.length === 0) return null;
  return (
    <div className={styles.recent} role="group" aria-label="Used last">
      <span className={styles.title}>Used last</span>
      {found.map(({ sort, id, name, put }) => (
        <button
          key={`${sort} ${id}`}
          type="button"
          className={styles.tile}
          title={sentence(name)}
          aria-label={sentence(name)}
          data-supply={`${sort} ${id}`}
          draggable
          onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:${sort} ${id}`)}
          onClick={() => put()}
        >
          <Drawing sort={sort} id={id} name={name} />
        </button>
      ))}
    </div>
  );
});
