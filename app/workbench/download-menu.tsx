import { Action } from '../parts/action';
import { Dropdown } from 'antd';
import { useSubmit } from 'react-router';
import type { Wanted } from '../../server/exports/exports';
import { ExportProblem, useExport } from '../browser/exported';
import type { Editor } from '../document/editor';
import styles from './workbench.module.css';
import { Sign } from '../parts/sign';

const HOW = { pdf: 'the PDF', png: 'the picture' };
/** By default as students get it, from the first page. */
type As = Pick<Wanted, 'as'> & Partial<Wanted>;

/** Downloads of the sheet, made by the server, and a copy of it. */
export function DownloadMenu({ editor, sheetId, page }: { editor: Editor; sheetId: string; page: number }) {
  const submit = useSubmit();
  const exporting = useExport((problem) => editor.say(problem));
  const take = (wanted: As) =>
    void exporting.take({
      from: `/sheets/${sheetId}/export`,
      wanted,
      what: HOW[wanted.as],
      unit: 'page',
      async before() {
        // The last letters typed belong to it.
        if ((await editor.settled()) === null)
          throw new ExportProblem('Not everything is saved yet. You can download the sheet when the network is back.');
      },
    });
  const makeCopy = async () => {
    const seq = await editor.settled();
    if (seq === null) return editor.say('You can make a copy when the network is back.');
    await submit({ do: 'copy', seq: `${seq}` }, { method: 'post', action: `/sheets/${sheetId}/history` });
  };

  if (exporting.words !== null)
    return (
      <span className={styles.exporting}>
        <span role="status">{exporting.words}</span>
        <Action onClick={exporting.stop}>stop</Action>
      </span>
    );
  return (
    <Dropdown
      trigger={['click']}
      menu={{
        items: [
          { key: 'pdf', label: 'PDF, as students get it', onClick: () => take({ as: 'pdf' }) },
          { key: 'key', label: 'PDF with the answers', onClick: () => take({ as: 'pdf', side: 'key' }) },
          { key: 'png', label: 'PNG of this page', onClick: () => take({ as: 'png', page }) },
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
