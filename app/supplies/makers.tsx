import { sentence } from '../parts/sentence';
import { PRACTICES } from '../../core/makers/practice/begin';
import type { PracticeType } from '../../core/schema/recipes/practice';
import type { Editor } from '../document/editor';
import { MAKERS } from '../makers/all';
import { addMade } from '../makers/kit/begin';
import { PRACTICE_SHEET } from './made';
import styles from './drawer.module.css';

/** Makers: what takes longest by hand. A press puts one on the sheet; its recipe then stands in the margin. */

export function Makers({ editor }: { editor: Editor }) {
  const { rights } = editor;
  const tiles = MAKERS.filter(
    ({ kind }) => rights.kind === 'all' || (rights.supplies as readonly string[]).includes(kind),
  ).map(({ kind, begin, tile: { name, says, drawing } }) => (
    <button
      key={kind}
      type="button"
      className={`${styles.supply} ${styles.makerSupply}`}
      data-supply={`made ${kind}`}
      draggable
      onDragStart={(event) => event.dataTransfer.setData('text/plain', `supply:made ${kind}`)}
      onClick={() => void addMade(editor, begin)}
    >
      <svg width="80" height="54" viewBox="0 0 80 54" aria-hidden="true">
        {drawing}
      </svg>
      <span>
        {sentence(name)} <small>{says}</small>
      </span>
    </button>
  ));
  if (rights.kind !== 'all') return tiles;
  // The kinds of practice sheets stand beside their tile.
  const practice = MAKERS.findIndex(({ kind }) => kind === 'practice') + 1;
  return (
    <>
      {tiles.slice(0, practice)}
      <div className={styles.practiceKinds} role="group" aria-label="Kinds of practice sheets">
        {(Object.keys(PRACTICES) as PracticeType[]).map((type) => (
          <button
            key={type}
            type="button"
            className={styles.picturesGroup}
            onClick={() => PRACTICE_SHEET.put(editor, type)}
          >
            {sentence(PRACTICES[type].name)}
          </button>
        ))}
      </div>
      {tiles.slice(practice)}
    </>
  );
}
