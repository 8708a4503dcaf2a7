import { useSyncExternalStore } from 'react';
import { broughtPages } from '../../core/handout/brought';
import { PageSmall } from '../drawing/page-small';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { removePage } from '../commands/page-commands';
import { FileButton } from '../fields/file-button';
import { Action, Chip } from '../parts/action';
import type { Bringing } from './bringing';
import { ACCEPTED, bringingOf, turnBrought } from './bringing';
import styles from './brought.module.css';

/** The compartment for work made elsewhere: files become pages of the copy, and each can be turned and removed. */

function Said({ bringing }: { bringing: Bringing }) {
  const { now, troubles } = useSyncExternalStore(bringing.subscribe, bringing.state, bringing.state);
  return (
    <div className={styles.said} aria-live="polite">
      {now && (
        <p>
          {now.of > 1 ? `Adding page ${now.page} of ${now.of} of “${now.name}” …` : `Adding “${now.name}” …`}{' '}
          <Action onClick={() => bringing.stop()}>stop</Action>
        </p>
      )}
      {troubles.map((trouble) => (
        <p key={trouble.id} role="alert">
          {trouble.words} {trouble.job && <Action onClick={() => bringing.again(trouble)}>try again</Action>}{' '}
          <Action onClick={() => bringing.forget(trouble.id)}>close</Action>
        </p>
      ))}
      {!now && troubles.length === 0 && (
        <p className="quiet">
          A photo of your paper, or a file from another program: PNG, JPEG, WebP or PDF. You can drop it on the sheet,
          too.
        </p>
      )}
    </div>
  );
}

export function FromFiles({ editor }: { editor: Editor }) {
  const sheet = useEditor(editor, 'sheet');
  const current = useEditor(editor, 'pageId');
  const faces = useEditor(editor, 'faces');
  const bringing = bringingOf(editor);
  if (!bringing) return null;
  const pages = broughtPages(sheet);
  const chosen = pages.find(({ id }) => id === current);
  return (
    <>
      <div className={styles.choose}>
        <FileButton
          label="Choose files with your work"
          field="Files with your work"
          accept={ACCEPTED}
          onFiles={(files) => void bringing.add(files)}
        >
          choose files …
        </FileButton>
        <Said bringing={bringing} />
      </div>
      {pages.length > 0 && (
        <ol className={styles.pages} aria-label="Pages made elsewhere">
          {pages.map((page) => (
            <li key={page.id}>
              <button
                type="button"
                className="page-card"
                aria-current={page.id === current}
                aria-label={`Page ${page.brought!.number} of ${page.brought!.name}`}
                onClick={() => editor.turnTo(page.id)}
              >
                {faces && <PageSmall sheet={sheet} page={page} faces={faces} />}
                <span>{sheet.pages.indexOf(page) + 1}</span>
              </button>
            </li>
          ))}
        </ol>
      )}
      {chosen && (
        <div className={styles.do}>
          <Chip onClick={() => turnBrought(editor, chosen)}>turn it</Chip>
          <Chip tone="apricot" onClick={() => removePage(editor)}>
            remove it
          </Chip>
        </div>
      )}
    </>
  );
}
