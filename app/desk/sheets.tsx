import { Link } from 'react-router';
import type { Folder } from '../../server/stores/folders';
import type { ListedSheet } from '../../server/stores/sheets';
import { later } from '../browser/later';
import { agoWords } from '../browser/time';
import { CoverPicture } from '../house/cover';
import { Action } from '../parts/action';
import { sentence } from '../parts/sentence';
import { Sure } from '../parts/sure';
import { useActing } from './acting';
import { DRAGGED } from './folders';
import { MenuButton } from './menu-button';
import styles from './sheets.module.css';

/** Sheets as pictures of their first pages. */

const Menu = later(
  () => import('./sheet-menu').then((part) => part.default),
  <MenuButton title="this sheet" disabled />,
);

/** When something in the bin is deleted. */
export function deletedWords(binnedAt: Date, now: number, days: number): string {
  const left = Math.max(0, Math.ceil((+binnedAt + days * 86_400_000 - now) / 86_400_000));
  return `deleted in ${left === 1 ? '1 day' : `${left} days`}`;
}

type CardProps = { sheet: ListedSheet; now: number; folder?: string; folders: readonly Folder[]; binDays: number };

function SheetCard({ sheet, now, folder, folders, binDays }: CardProps) {
  const { act } = useActing();
  const { id, title, handedOut, damage, binnedAt, folderId } = sheet;
  return (
    <li
      className={styles.sheet}
      draggable={binnedAt === null}
      onDragStart={(event) => {
        event.dataTransfer.setData(DRAGGED, id);
        event.dataTransfer.effectAllowed = 'move';
      }}
    >
      <span className={styles.thumb}>
        <CoverPicture src={`/sheets/${id}/picture.svg?seq=${sheet.seq}`} cover={sheet.cover} width={210} height={150} />
      </span>
      <Link to={`/sheets/${id}`} className={styles.open} draggable={false}>
        <strong>{title}</strong>
      </Link>
      {binnedAt === null && <Menu sheetId={id} title={title} folderId={folderId} folders={folders} />}
      <span className="quiet">
        {damage !== null && <strong className="damage-word">Damaged · </strong>}
        {sentence(
          [
            folder,
            binnedAt === null ? `changed ${agoWords(sheet.changedAt, now)}` : deletedWords(binnedAt, now, binDays),
            handedOut > 0 && `out ${handedOut === 1 ? 'once' : `${handedOut} times`}`,
          ]
            .filter(Boolean)
            .join(' · '),
        )}
      </span>
      {binnedAt !== null && (
        <span className={styles.rescue}>
          <Action onClick={() => act({ do: 'restore', sheetId: id })}>restore</Action>
          <Sure question="It can’t be brought back." verb="delete" onSure={() => act({ do: 'delete', sheetId: id })}>
            delete for good
          </Sure>
        </span>
      )}
    </li>
  );
}

type Props = {
  sheets: readonly ListedSheet[];
  now: number;
  folders: readonly Folder[];
  /** Whether to say in which folder each is. */
  mixed: boolean;
  /** How long the bin keeps a sheet. */
  binDays: number;
};

export function Sheets({ sheets, now, folders, mixed, binDays }: Props) {
  const nameOf = (folderId: string | null) => folders.find(({ id }) => id === folderId)?.name;
  return (
    <ul className={styles.sheets}>
      {sheets.map((sheet) => (
        <SheetCard
          key={sheet.id}
          sheet={sheet}
          now={now}
          folder={mixed ? nameOf(sheet.folderId) : undefined}
          folders={folders}
          binDays={binDays}
        />
      ))}
    </ul>
  );
}
