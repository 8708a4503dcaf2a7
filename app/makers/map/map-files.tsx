import { Key } from '../../fields/toggle';
import { Dropdown } from 'antd';
import { memo } from 'react';
import { graphmlOf, indentedOf, opmlOf, readOutline } from '../../../core/makers/map/files';
import { OutlineProblem } from '../../../core/makers/map/outline';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import { fileName } from '../../../core/items/name';
import type { Editor } from '../../document/editor';
import { useEditor } from '../../document/editor';
import { FileButton } from '../../fields/file-button';
import { downloadText } from '../../browser/download';
import styles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/** A map from a file, and as one. */

const titleOf = (editor: Editor) => editor.sheet.title;

/** Larger files than this are no outlines. */
const LARGEST_FILE = 2_000_000;

type Props = {
  editor: Editor;
  /** Returns the present map, so that typing does not redraw this. */
  recipeNow: () => MapRecipe | null;
  onEdit: (name: string, recipe: MapRecipe) => void;
};

export const InAndOut = memo(function InAndOut({ editor, recipeNow, onEdit }: Props) {
  const title = useEditor(editor, titleOf);
  const name = fileName(title, 'map');
  async function read(chosen: File) {
    if (chosen.size > LARGEST_FILE)
      return editor.say('This file is too large for an outline. Take one of at most 2 MB.');
    try {
      const { nodes, links, drawn } = readOutline(await chosen.text());
      const recipe = recipeNow();
      if (recipe) onEdit('Take in an outline', { ...recipe, ...drawn, nodes, links });
    } catch (problem) {
      if (!(problem instanceof OutlineProblem)) throw problem;
      editor.say(`“${chosen.name}”: ${problem.message}`);
    }
  }
  const give = (ending: string, type: string, words: (recipe: MapRecipe) => string) => {
    const recipe = recipeNow();
    if (recipe) downloadText(`${name}.${ending}`, type, words(recipe));
  };
  return (
    <div className={styles.files}>
      <FileButton
        label="Make the map from a file: OPML, GraphML or an indented list"
        field="File with an outline"
        accept=".opml,.graphml,.xml,.txt,.md,text/plain"
        onFile={(chosen) => void read(chosen)}
      >
        From file …
      </FileButton>
      <Dropdown
        trigger={['click']}
        menu={{
          items: [
            {
              key: 'opml',
              label: 'outline (OPML)',
              onClick: () => give('opml', 'text/x-opml', (recipe) => opmlOf(title, recipe)),
            },
            {
              key: 'graphml',
              label: 'network (GraphML)',
              onClick: () => give('graphml', 'application/xml', graphmlOf),
            },
            {
              key: 'text',
              label: 'indented text',
              onClick: () => give('txt', 'text/plain', ({ nodes }) => indentedOf(nodes)),
            },
          ],
        }}
      >
        <Key>
          download as <Sign of="opens" />
        </Key>
      </Dropdown>
    </div>
  );
});
