import { useMemo, useState } from 'react';
import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { useSearch } from '../browser/search';
import { addPicture } from '../commands/commands';
import { BringPicture } from '../pictures/bring';
import { loadIndex, OWN, pictureIndex, putPictureAway, titleOf, usePictures } from '../pictures/picture-index';
import { nodeAt, pictureNode } from '../makers/map/map-commands';
import type { Sort } from './sort';
import { Ways } from './ways';
import styles from './drawer.module.css';
import picturesStyles from '../pictures/pictures.module.css';
import { PICTURE_DRAGGED } from '../parts/dragged';
import { Sign } from '../parts/sign';

/** Pictures to put on the sheet, by group or by a word: the shipped ones and those brought along. */

/** On a node of a map a picture becomes part of the node. */
async function put(editor: Editor, id: string, at?: Point): Promise<void> {
  const entry = (await loadIndex()).find((one) => one.id === id);
  const node = entry && at && nodeAt(editor, at);
  if (node) pictureNode(editor, node.group.id, node.node, entry.id);
  else if (entry) addPicture(editor, entry, at);
}

export const PICTURE: Sort = {
  sort: 'picture',
  called: 'picture',
  supply: 'picture',
  named: () => pictureIndex().entries.map(({ id, name, tags }) => ({ id, name, tags })),
  put: (editor, id, at) => void put(editor, id, at).catch(() => editor.say('Couldn’t load the picture. Try again.')),
};

export function Pictures({ editor }: { editor: Editor }) {
  const { entries: index, mayBring } = usePictures();
  const [wanted, setWanted] = useState('');
  const [group, setGroup] = useState('diagrams');
  const search = useSearch(index);
  const groups = useMemo(
    () => [...new Set([...(mayBring ? [OWN] : []), ...index.map((entry) => entry.group)])],
    [index, mayBring],
  );
  const found = wanted.trim() ? search(wanted).slice(0, 80) : index.filter((entry) => entry.group === group);
  return (
    <div className={styles.pictures}>
      <Ways
        label="Find a picture"
        wanted={wanted}
        group={group}
        groups={groups.map((name) => ({ id: name, name }))}
        onWanted={setWanted}
        onGroup={(id) => id && setGroup(id)}
      />
      <div className={styles.picturesFound} aria-live="polite">
        {group === OWN && !wanted.trim() && (
          <div className={styles.bringLine}>
            <BringPicture onBrought={(entry) => addPicture(editor, entry)} onProblem={(words) => editor.say(words)} />
            <span className="quiet">A PNG, JPEG or WebP file. It can be dropped or pasted on the sheet as well.</span>
          </div>
        )}
        {found.length === 0 && index.length > 0 && wanted.trim() && (
          <p className="quiet">
            No picture is called “{wanted}”. Try a simpler word: “bird” rather than “oystercatcher”.
          </p>
        )}
        {found.map((entry) => (
          <span key={entry.id} className={styles.picturePlace}>
            <button
              type="button"
              className={picturesStyles.picture}
              title={titleOf(entry)}
              aria-label={entry.name}
              data-supply={`picture ${entry.id}`}
              draggable
              onDragStart={({ dataTransfer }) => {
                dataTransfer.setData('text/plain', `supply:picture ${entry.id}`);
                dataTransfer.setData(PICTURE_DRAGGED, entry.id);
              }}
              onClick={() => addPicture(editor, entry)}
            >
              <img src={`/art/pictures/${entry.id}.svg`} alt="" loading="lazy" draggable={false} />
            </button>
            {entry.group === OWN && (
              <button
                type="button"
                className={styles.pictureAway}
                aria-label={`Remove “${entry.name}” from this list; sheets that show it keep it`}
                title={`Remove “${entry.name}” from this list; sheets that show it keep it`}
                onClick={() => void putPictureAway(entry.id).then((problem) => problem && editor.say(problem))}
              >
                <Sign of="remove" />
              </button>
            )}
          </span>
        ))}
      </div>
    </div>
  );
}
