import type { Editor } from '../document/editor';
import { KeyList } from '../parts/key-list';
import { COMMANDS, OTHER_KEYS } from './keys';

/** The list of all keys of the workbench. */
export default function KeySheet({ editor }: { editor: Editor }) {
  const parts = [
    ...COMMANDS.map(({ title, commands }) => ({ title, rows: commands })),
    { title: 'Everywhere', rows: OTHER_KEYS },
  ];
  return <KeyList parts={parts} onClose={() => editor.put({ keySheet: false })} />;
}
