import { Button } from 'antd';
import { memo, useEffect, useRef, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Change } from '../../core/changes/change';
import { plain } from '../../core/schema/defaults';
import type { Page, Sheet } from '../../core/schema/sheet';
import { isSample } from '../../core/sheet/first-steps';
import { everyItem } from '../../core/sheet/tree';
import { unknownFaces } from '../../core/sheet/needs';
import { sizeName } from '../../core/sheet/units';
import { bodyLength } from '../../core/text/body';
import { isFace } from '../../core/text/catalogue';
import { cutTo } from '../../core/values/characters';
import { later } from '../browser/later';
import { all } from '../commands/steps';
import type { Editor } from '../document/editor';
import { Strip } from '../house/strip';
import type { Zoom } from '../margin/view';
import { Action } from '../parts/action';
import { Pager } from './pager';
import { SaveWords } from './save-words';
import { UndoRedo } from './undo-redo';
import styles from './workbench.module.css';
import { Sign } from '../parts/sign';

/** The strip above the workbench: the sheet's name, how it is saved, zoom, download and handing out. */

const DownloadMenu = later(
  () => import('./download-menu').then((part) => part.DownloadMenu),
  <Action disabled>
    Download <Sign of="opens" />
  </Action>,
);

/** Names the sheet, and with it a heading that still says what all new sheets say. */
function rename(editor: Editor, title: string): void {
  const changes: Change[] = [{ kind: 'sheet-set', values: { title } }];
  for (const item of everyItem(editor.sheet))
    if (item.kind === 'text' && item.role === 'title' && isSample(item))
      changes.push({ kind: 'splice', id: item.id, at: 0, remove: bodyLength(item.body), insert: plain(title) });
  editor.make('Rename', all(changes));
}

type StripProps = {
  editor: Editor;
  sheetId: string;
  sheet: Sheet;
  page: Page;
  zoom: number;
  setZoom: (zoom: Zoom) => void;
  /** How many things on the page are hard to read. */
  hard: number;
};

/** A font that is not available is drawn in another one. Said once, when the sheet is opened. */
function useFaceNotice(editor: Editor, sheet: Sheet) {
  useEffect(() => {
    const lost = unknownFaces(sheet, isFace);
    if (lost.length > 0)
      editor.say(
        `This sheet was set in ${lost.map((id) => `“${id}”`).join(', ')}, which is not here. It is shown in another face; choose one to keep.`,
      );
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [editor]);
}

export const TitleStrip = memo(function TitleStrip({ editor, sheetId, sheet, page, zoom, setZoom, hard }: StripProps) {
  useFaceNotice(editor, sheet);
  const at = sheet.pages.indexOf(page);
  const [name, setName] = useState<string | null>(null);
  const [search] = useSearchParams();
  const field = useRef<HTMLInputElement>(null);
  // A new sheet is asked for its name at once.
  useEffect(() => {
    if (search.get('named') === 'no') field.current?.select();
  }, [search]);
  const take = () => {
    const title = name === null ? null : cutTo(name.trim(), 200);
    if (title && title !== sheet.title) rename(editor, title);
    setName(null);
  };
  const step = (by: number) => setZoom(Math.max(0.1, Math.min(5, Math.round((zoom + by) * 10) / 10)));
  return (
    <Strip
      home="/desk"
      title={
        <input
          ref={field}
          className={styles.sheetName}
          aria-label="Name of the sheet"
          value={name ?? sheet.title}
          onChange={(event) => setName(event.target.value)}
          onBlur={take}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            if (event.key === 'Escape') setName(null);
          }}
        />
      }
      before={
        <>
          <SaveWords editor={editor} />
          <span className={styles.sizeWords}>{sizeName(page.width, page.height, sheet.unit)}</span>
          <Pager editor={editor} />
          {hard > 0 && <span className={styles.hardWords}>{hard === 1 ? '1 to look at' : `${hard} to look at`}</span>}
        </>
      }
    >
      <UndoRedo editor={editor} />
      <span className={styles.zoom}>
        <Action aria-label="Smaller" onClick={() => step(-0.1)}>
          <Sign of="less" />
        </Action>
        <output aria-label="Zoom" suppressHydrationWarning>
          {Math.round(zoom * 100)}%
        </output>
        <Action aria-label="Larger" onClick={() => step(0.1)}>
          <Sign of="more" />
        </Action>
        <Action onClick={() => setZoom('fit')}>fit</Action>
      </span>
      <DownloadMenu editor={editor} sheetId={sheetId} page={at} />
      <Link to={`/sheets/${sheetId}/hand-out`} onClick={() => void editor.settled()}>
        <Button type="primary" tabIndex={-1}>
          Hand out
        </Button>
      </Link>
    </Strip>
  );
});
