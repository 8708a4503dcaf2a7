import { Dropdown } from 'antd';
import { useNavigate } from 'react-router';
import type { Folder } from '../../server/stores/folders';
import { useActing } from './acting';
import { MenuButton } from './menu-button';

type Props = { sheetId: string; title: string; folderId: string | null; folders: readonly Folder[] };

/** What can be done with a sheet without opening it. */
export default function SheetMenu({ sheetId, title, folderId, folders }: Props) {
  const { act } = useActing();
  const navigate = useNavigate();
  const put = (id: string) => act({ do: 'put', sheetId, folderId: id });
  return (
    <Dropdown
      trigger={['click']}
      placement="bottomRight"
      menu={{
        items: [
          { key: 'hand-out', label: 'Hand out', onClick: () => void navigate(`/sheets/${sheetId}/hand-out`) },
          { key: 'copy', label: 'Make a copy', onClick: () => act({ do: 'copy', sheetId }) },
          { type: 'divider' },
          ...folders
            .filter(({ id }) => id !== folderId)
            .map(({ id, name }) => ({ key: id, label: `Put into “${name}”`, onClick: () => put(id) })),
          ...(folderId === null ? [] : [{ key: 'none', label: 'Take out of its folder', onClick: () => put('') }]),
          { key: 'bin', label: 'Put into the bin', onClick: () => act({ do: 'bin', sheetId }) },
        ],
      }}
    >
      <MenuButton title={title} />
    </Dropdown>
  );
}
