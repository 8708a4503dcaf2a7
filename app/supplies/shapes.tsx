import { useState } from 'react';
import type { ShapeName } from '../../core/geometry/shapes/shapes';
import { FAMILIES, OUTLINES, shapePath } from '../../core/geometry/shapes/shapes';
import { shapeName } from '../../core/items/name';
import { useSearch } from '../browser/search';
import type { Editor } from '../document/editor';
import { addShape } from '../commands/commands';
import type { Sort } from './sort';
import { Ways } from './ways';
import styles from './drawer.module.css';
import picturesStyles from '../pictures/pictures.module.css';

/** The shapes, by family or by a word. */

export function ShapeDrawing({ shape: name }: { shape: string }) {
  const shape = name as ShapeName;
  const { ratio = 1 } = OUTLINES[shape];
  const [w, h] = ratio > 52 / 40 ? [54, 54 / ratio] : [40 * ratio, 40];
  return (
    <svg width="64" height="50" viewBox="-4 -3 66 50" aria-hidden="true">
      <path
        d={shapePath(shape, w, h, [])}
        transform={`translate(${(58 - w) / 2} ${(44 - h) / 2})`}
        fill="var(--moss-soft)"
        stroke="var(--moss)"
        strokeWidth="1.6"
        strokeLinejoin="round"
      />
    </svg>
  );
}

const ALL = FAMILIES.flatMap(({ name: group, shapes }) =>
  shapes.map((id) => ({ id, name: shapeName(id), tags: ['shape', group], group })),
);

export const SHAPE: Sort = {
  sort: 'shape',
  called: 'shape',
  supply: 'shape',
  named: () => ALL,
  put: (editor, id, at) => addShape(editor, id as ShapeName, at),
};

export function Shapes({ editor }: { editor: Editor }) {
  const [family, setFamily] = useState(FAMILIES[0].name);
  const [wanted, setWanted] = useState('');
  const search = useSearch(ALL);
  const found = wanted.trim()
    ? search(wanted).map(({ id }) => id)
    : (FAMILIES.find(({ name }) => name === family)?.shapes ?? []);
  return (
    <div className={`${styles.pictures} shapes`}>
      <Ways
        label="Find a shape"
        wanted={wanted}
        group={family}
        groups={FAMILIES.map(({ name }) => ({ id: name, name }))}
        onWanted={setWanted}
        onGroup={(id) => id && setFamily(id)}
      />
      <div className={styles.shapesFound}>
        {found.length === 0 && <p className="quiet">No shape is called “{wanted}”.</p>}
        {found.map((shape) => (
          <button
            key={shape}
            type="button"
            className={picturesStyles.picture}
            title={shapeName(shape)}
            aria-label={shapeName(shape)}
            data-supply={`shape ${shape}`}
            draggable
            onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:shape ${shape}`)}
            onClick={() => addShape(editor, shape)}
          >
            <ShapeDrawing shape={shape} />
          </button>
        ))}
      </div>
    </div>
  );
}
