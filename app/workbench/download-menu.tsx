import { sentence } from '../parts/sentence';
import { Action } from '../parts/action';
import { Dropdown } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { useSubmit } from 'react-router';
import { download } from '../browser/download';
import type { Editor } from '../document/editor';
import type { ExportState, Wanted } from './export-file';
import { exportFile, ExportProblem } from './export-file';
import styles from './workbench.module.css';
import { Sign } from '../parts/sign';

const HOW = { pdf: 'the PDF', png: 'the picture' };

function wordsOf(what: string, making: ExportState): string {
  if (making.kind === 'unreached') return `${sentence(what)}: the school can’t be reached, trying again …`;
  if (making.kind === 'making' && making.of > 1) return `Making ${what}: page ${making.done} of ${making.of} …`;
  return `Making ${what} …`;
}

/** Downloads of the sheet, made by the server, and a copy of it. */
export function DownloadMenu({ editor, sheetId, page }: { editor: Editor; sheetId: string; page: number }) {
  const submit = useSubmit();
  const [now, setNow] = useState<{ what: string; making: ExportState } | null>(null);
  const stop = useRef<AbortController | null>(null);
  useEffect(() => () => stop.current?.abort(), []);

  const take = async (wanted: Wanted) => {
    const what = HOW[wanted.as];
    const control = new AbortController();
    stop.current = control;
    setNow({ what, making: { kind: 'asked' } });
    try {
      // The last letters typed belong to it.
      if ((await editor.settled()) === null)
        throw new ExportProblem('Not everything is saved yet. You can download the sheet when the network is back.');
      const place = await exportFile(sheetId, wanted, control.signal, (making) => setNow({ what, making }));
      if (place) download(place);
    } catch (error) {
      editor.say(error instanceof ExportProblem ? error.message : 'Couldn’t make the file. Try again.');
    } finally {
      setNow(null);
    }
  };
  const makeCopy = async () => {
    const seq = await editor.settled();
    if (seq === null) return editor.say('You can make a copy when the network is back.');
    await submit({ do: 'copy', seq: `${seq}` }, { method: 'post', action: `/sheets/${sheetId}/history` });
  };

  if (now)
    return (
      <span className={styles.exporting}>
        <span role="status">{wordsOf(now.what, now.making)}</span>
        <Action onClick={() => stop.current?.abort()}>stop</Action>
      </span>
    );
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: [
          { key: 'pdf', label: 'PDF, as students get it', onClick: () => void take({ as: 'pdf' }) },
          { key: 'key', label: 'PDF with the answers', onClick: () => void take({ as: 'pdf', side: 'key' }) },
          { key: 'png', label: 'PNG of this page', onClick: () => void take({ as: 'png', page }) },
          { type: 'divider' },
          { key: 'copy', label: 'Make a copy', onClick: () => void makeCopy() },
        ],
      }}
    >
      <Action>
        download <Sign of="opens" />
      </Action>
    </Dropdown>
  );
}
