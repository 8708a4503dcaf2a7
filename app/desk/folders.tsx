import type { DragEvent, ReactNode } from 'react';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Folder } from '../../server/stores/folders';
import { Action } from '../parts/action';
import { later } from '../browser/later';
import { useActing } from './acting';
import styles from './folders.module.css';

/** Where the sheets are: all of them, each folder, and the bin. A sheet can be dropped on any of them. */

const NameForm = later(() => import('./name-form').then((part) => part.default), null);

/** The sheet being dragged, as the browser carries it. */
export const DRAGGED = 'application/x-dappled-sheet';
export const BIN = 'bin';

type PlaceProps = {
  to: string;
  here: boolean;
  count: number;
  onSheet: (sheetId: string) => void;
  children: ReactNode;
};

function Place({ to, here, count, onSheet, children }: PlaceProps) {
  const [over, setOver] = useState(false);
  const takes = ({ dataTransfer }: DragEvent) => dataTransfer.types.includes(DRAGGED);
  return (
    <Link
      to={to}
      preventScrollReset
      className={styles.place}
      aria-current={here ? 'page' : undefined}
      data-over={over || undefined}
      onDragEnter={(event) => takes(event) && event.preventDefault()}
      onDragOver={(event) => {
        if (!takes(event)) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        setOver(false);
        if (!takes(event)) return;
        event.preventDefault();
        onSheet(event.dataTransfer.getData(DRAGGED));
      }}
    >
      {children} <b>{count}</b>
    </Link>
  );
}

type Props = {
  personId: string;
  folders: readonly Folder[];
  /** `null`: all of them; else a folder, or the bin. */
  chosen: string | null;
  /** How many sheets are in a place. */
  countIn: (place: string | null) => number;
};

export function Folders({ personId, folders, chosen, countIn }: Props) {
  const { act } = useActing();
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  return (
    <nav className={styles.places} aria-label="Folders">
      <Place
        to="/desk"
        here={chosen === null}
        count={countIn(null)}
        onSheet={(sheetId) => act({ do: 'put', sheetId, folderId: '' })}
      >
        All sheets
      </Place>
      {folders.map(({ id, name }) => (
        <Place
          key={id}
          to={`/desk?in=${id}`}
          here={chosen === id}
          count={countIn(id)}
          onSheet={(sheetId) => act({ do: 'put', sheetId, folderId: id })}
        >
          {name}
        </Place>
      ))}
      {naming ? (
        <NameForm
          personId={personId}
          fields={{ do: 'add-folder' }}
          verb="Add folder"
          onDone={(folderId) => {
            setNaming(false);
            if (folderId) void navigate(`/desk?in=${folderId}`, { preventScrollReset: true });
          }}
        />
      ) : (
        <Action className={styles.add} onClick={() => setNaming(true)}>
          + New folder
        </Action>
      )}
      {(countIn(BIN) > 0 || chosen === BIN) && (
        <Place
          to={`/desk?in=${BIN}`}
          here={chosen === BIN}
          count={countIn(BIN)}
          onSheet={(sheetId) => act({ do: 'bin', sheetId })}
        >
          Bin
        </Place>
      )}
    </nav>
  );
}

/** What can be done with the folder that is open. */
export function FolderActions({ personId, folder }: { personId: string; folder: Folder }) {
  const { act } = useActing();
  const navigate = useNavigate();
  const [naming, setNaming] = useState(false);
  if (naming)
    return (
      <NameForm
        personId={personId}
        fields={{ do: 'rename-folder', folderId: folder.id }}
        verb="Save"
        now={folder.name}
        onDone={() => setNaming(false)}
      />
    );
  return (
    <>
      <Action onClick={() => setNaming(true)}>Rename folder</Action>
      <Action
        title="Its sheets stay, outside of folders"
        onClick={() => {
          act({ do: 'remove-folder', folderId: folder.id });
          void navigate('/desk', { preventScrollReset: true });
        }}
      >
        Remove folder
      </Action>
    </>
  );
}
