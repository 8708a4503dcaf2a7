import { Action } from '../parts/action';
import { fileName } from '../../core/items/name';
import { downloadText } from '../browser/download';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import styles from '../house/save-words.module.css';
import workbenchStyles from './workbench.module.css';

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** Shows the state of saving. */
export function SaveWords({ editor }: { editor: Editor }) {
  const save = useEditor(editor, 'saveShown');
  const changes = (n: number) => `${n} ${n === 1 ? 'change' : 'changes'}`;
  return (
    <span className={`${styles.words} ${save.kind}`} role="status" suppressHydrationWarning>
      {save.kind === 'saved' && `Saved ${clock.format(save.at)}`}
      {save.kind === 'saving' && 'Saving …'}
      {save.kind === 'offline' &&
        `${save.trouble ? 'The server can’t save just now' : 'Offline'} · ${changes(save.waiting)} kept here`}
      {save.kind === 'stopped' && 'Not being saved'}
    </span>
  );
}

/** Changes that could not be saved, to be downloaded or discarded. */
function SetAside({ editor }: { editor: Editor }) {
  const aside = useEditor(editor, 'aside');
  if (aside.length === 0) return null;
  const handOver = () => {
    const words = JSON.stringify({ sheet: editor.sheet.title, notSaved: aside }, null, 2);
    downloadText(`${fileName(editor.sheet.title, 'sheet')} (not saved).json`, 'application/json', words);
  };
  return (
    <div className={workbenchStyles.notice}>
      <span>
        {aside.length === 1 ? '1 change could not be saved' : `${aside.length} changes could not be saved`} and{' '}
        {aside.length === 1 ? 'is' : 'are'} kept in this browser: {aside.at(-1)!.reason}
      </span>
      <Action onClick={handOver}>download</Action>
      <Action onClick={() => editor.forgetAside()}>discard</Action>
    </div>
  );
}

/** A message, where it is noticed and in nobody's way. */
export function Notice({ editor }: { editor: Editor }) {
  const notice = useEditor(editor, 'notice');
  return (
    <div className={workbenchStyles.noticePlace} role="alert">
      <SetAside editor={editor} />
      {notice && (
        <div key={notice.count} className={workbenchStyles.notice}>
          <span>{notice.text}</span>
          <Action onClick={() => editor.hush()}>OK</Action>
        </div>
      )}
    </div>
  );
}
