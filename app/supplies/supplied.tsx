import type { ReactNode } from 'react';

type Props = {
  name: string;
  /** What is put down where it is dragged to: see sorts.ts. */
  drag: string;
  onAdd: () => void;
  children: ReactNode;
};

/** A tile of the drawer: a press adds what it shows, and it can be dragged to its place. */
export function Supplied({ name, drag, onAdd, children }: Props) {
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
