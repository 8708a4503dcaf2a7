import type { ComponentProps } from 'react';
import { Stage } from '../canvas/stage';
import type { Editor } from '../document/editor';
import styles from './sheet-stage.module.css';

type Props = Pick<ComponentProps<typeof Stage>, 'view' | 'arrived' | 'onDropSupply'> & {
  editor: Editor;
  /** The sheet's title, for its picture. */
  title: string;
  /** What can be done here by keyboard. */
  label: string;
};

/** The place of the sheet, which has the focus while no field has. A press beside the paper deselects. */
export function SheetStage({ editor, title, label, ...rest }: Props) {
  return (
    <div
      data-stage
      tabIndex={0}
      role="application"
      aria-label={label}
      className={styles.stage}
      onPointerDown={(event) => {
        if (event.target !== event.currentTarget) return;
        editor.select([]);
        editor.enter(null);
      }}
    >
      <Stage editor={editor} label={title} {...rest} />
    </div>
  );
}
