import { sentence } from '../parts/sentence';
import type { ReactNode } from 'react';
import styles from './drawer.module.css';

type Props = {
  name: string;
  /** What a drop adds: see sorts.ts. */
  drag: string;
  onAdd: () => void;
  children: ReactNode;
};

/** A tile of the drawer: a press adds what it shows, and it can be dragged to its place. */
export function Supplied({ name, drag, onAdd, children }: Props) {
  return (
    <button
      type="button"
      className={styles.supply}
      data-supply={drag}
      draggable
      onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:${drag}`)}
      onClick={onAdd}
    >
      {children}
      <span>{sentence(name)}</span>
    </button>
  );
}
