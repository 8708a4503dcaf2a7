import { useMemo, useState } from 'react';
import { later } from '../browser/later';
import type { Point } from '../../core/geometry/matrix';
import type { Editor } from '../document/editor';
import { addBesidePage, addPicture, addPictures } from '../commands/commands';
import { BringPictures } from '../pictures/bring';
import { nothingFound, tileUrl, useFinding } from '../pictures/finding';
import { FindingFields, FindingGroups } from '../pictures/finding-fields';
import type { PictureEntry } from '../pictures/picture-index';
import { loadIndex, OWN, pictureIndex, titleOf } from '../pictures/picture-index';
import { nodeAt, pictureNode } from '../makers/map/map-commands';
import type { Sort } from './sort';
import styles from './drawer.module.css';
import picturesStyles from '../pictures/pictures.module.css';
import { PICTURE_DRAGGED } from '../parts/dragged';

/** Pictures to put on the sheet, by group, word or colour: the shipped ones and those brought along. */

/** On a node of a map a picture becomes part of the node. */
async function put(editor: Editor, id: string, at: Point | undefined, form: 'colour' | 'outline'): Promise<void> {
  const entry = (await loadIndex()).find((one) => one.id === id);
  const node = entry && at && nodeAt(editor, at);
  if (node) pictureNode(editor, node.group.id, node.node, entry.id);
  else if (entry) addPicture(editor, entry, at, { form });
}

const sortOf = (sort: string, form: 'colour' | 'outline'): Sort => ({
  sort,
  called: 'picture',
  supply: 'picture',
  named: () => pictureIndex().entries.map(({ id, name, tags }) => ({ id, name, tags })),
  put: (editor, id, at) =>
    void put(editor, id, at, form).catch(() => editor.say('Couldn’t load the picture. Try again.')),
});
export const PICTURE = sortOf('picture', 'colour');
/** A picture as an outline. */
export const OUTLINE: Sort = { ...sortOf('outline', 'outline'), twin: true };

const ShelfForm = later(() => import('../pictures/shelf-form').then((part) => part.ShelfForm));

const sectionsOf = (entries: readonly PictureEntry[]): string[] =>
  [...new Set(entries.flatMap(({ shelf }) => (shelf?.section ? [shelf.section] : [])))].sort((a, b) =>
    a.localeCompare(b),
  );

/** The most tiles shown of what was searched for. */
const SHOWN = 80;

export function Pictures({ editor }: { editor: Editor }) {
  const finding = useFinding({ first: 'diagrams' });
  const { wanted, outlines, group, loaded } = finding;
  const searching = wanted.trim() !== '';
  const found = searching ? finding.found.slice(0, SHOWN) : finding.found;
  const [about, setAbout] = useState<string | null>(null);
  const [section, setSection] = useState<string | null>(null);
  const sections = useMemo(() => sectionsOf(finding.found), [finding.found]);
  const onShelf = group === OWN && !searching;
  const shown =
    onShelf && section !== null && sections.includes(section)
      ? found.filter(({ shelf }) => shelf?.section === section)
      : found;
  const edited = about === null ? undefined : finding.found.find(({ id }) => id === about);
  const { sort } = outlines ? OUTLINE : PICTURE;
  const form = outlines ? 'outline' : 'colour';
  return (
    <div className={styles.pictures}>
      <div className={styles.picturesWays}>
        <FindingFields finding={finding} label="Find a picture" asOutlines />
        <FindingGroups finding={finding} />
      </div>
      {edited && (
        <ShelfForm
          entry={edited}
          sections={sections}
          teacher={editor.rights.kind === 'all'}
          onEnd={() => setAbout(null)}
        />
      )}
      <div className={styles.picturesFound} aria-live="polite" hidden={edited !== undefined}>
        {onShelf && (
          <div className={styles.bringLine}>
            <BringPictures
              onBrought={(entries) => addPictures(editor, entries)}
              onProblem={(words) => editor.say(words)}
            />
            <span className="quiet">Or drop them on the sheet, or paste them: PNG, JPEG, WebP, GIF, SVG, ZIP.</span>
            {sections.length > 0 && (
              <span className={picturesStyles.sections} role="group" aria-label="Sections of the shelf">
                {sections.map((name) => (
                  <button
                    key={name}
                    type="button"
                    className={picturesStyles.group}
                    aria-pressed={name === section}
                    onClick={() => setSection(name === section ? null : name)}
                  >
                    {name}
                  </button>
                ))}
              </span>
            )}
          </div>
        )}
        {found.length === 0 && loaded && !onShelf && <p className="quiet">{nothingFound(finding)}</p>}
        {shown.map((entry) => (
          <span key={entry.id} className={styles.picturePlace}>
            <button
              type="button"
              className={picturesStyles.picture}
              title={`${titleOf(entry)}\nShift and click: beside the page`}
              aria-label={entry.name}
              data-supply={`${sort} ${entry.id}`}
              draggable
              onDragStart={({ dataTransfer }) => {
                dataTransfer.setData('text/plain', `supply:${sort} ${entry.id}`);
                dataTransfer.setData(PICTURE_DRAGGED, entry.id);
              }}
              onClick={({ shiftKey }) =>
                shiftKey ? addBesidePage(editor, entry, { form }) : addPicture(editor, entry, undefined, { form })
              }
            >
              <img src={tileUrl(entry.id, outlines)} alt="" loading="lazy" draggable={false} />
            </button>
            {entry.shelf?.by === null && (
              <button
                type="button"
                className={styles.pictureAway}
                aria-label={`About “${entry.name}”: its name, section and source, or remove it`}
                title="Name, section, source; share or remove it"
                onClick={() => setAbout(entry.id)}
              >
                …
              </button>
            )}
          </span>
        ))}
      </div>
    </div>
  );
}
