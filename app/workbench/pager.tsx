import { Action } from '../parts/action';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { turnPage } from '../commands/page-commands';
import styles from './workbench.module.css';

/** Turns the pages of a sheet that has several. */
export function Pager({ editor }: { editor: Editor }) {
  const { pages } = useEditor(editor, 'sheet');
  const page = useEditor(editor, 'page');
  if (pages.length < 2) return null;
  const at = pages.indexOf(page);
  const turn = (by: 1 | -1, name: string, sign: string) => (
    <Action aria-label={name} disabled={!pages[at + by]} onClick={() => turnPage(editor, by)}>
      {sign}
    </Action>
  );
  return (
    <span className={styles.pager}>
      {turn(-1, 'Previous page', '‹')}
      Page {at + 1} of {pages.length}
      {turn(1, 'Next page', '›')}
    </span>
  );
}
