import { sentence } from '../parts/sentence';
import { Chip } from '../parts/action';
import { cutTo } from '../../core/values/characters';
import { useDeferredValue, useMemo, useState } from 'react';
import { arranged } from '../../core/arrange/arrange';
import { LAYOUTS } from '../../core/arrange/layouts';
import { paired, PAIRS } from '../../core/arrange/pairs';
import { shuffled } from '../../core/palettes/palette';
import { withPalette } from '../../core/palettes/recolour';
import { between } from '../../core/changes/between';
import { bodyText, isEmpty } from '../../core/text/body';
import { page as makePage, plain, text } from '../../core/schema/defaults';
import { everyItem } from '../../core/sheet/tree';
import type { Page, Sheet } from '../../core/schema/sheet';
import { refitted } from '../../core/changes/refit';
import { faceById } from '../../core/text/catalogue';
import { pictureNow } from '../drawing/resources';
import { SmallPicture } from '../drawing/small-picture';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { all } from '../commands/steps';
import { exchangePalette } from '../commands/palettes';
import styles from './drawer.module.css';

/** Other looks for the same content: arrangements, palettes, font pairs. Each is previewed, and is one step. */

const MODES = [
  { id: 'places', name: 'arrangements' },
  { id: 'colours', name: 'palettes' },
  { id: 'faces', name: 'font pairs' },
] as const;
/** How many palettes are shown at once. */
const PALETTES = 7;

type Choice = { id: string; name: string; sheet: Sheet; page?: Page; take: () => void };

/** The first text of the sheet in a role, for its specimen. */
function wordsOf(sheet: Sheet, role: string, other: string): string {
  for (const item of everyItem(sheet))
    if (item.kind === 'text' && item.role === role && !isEmpty(item.body)) return cutTo(bodyText(item.body), 90);
  return other;
}

/** A small page that shows how a pair of faces looks, in the sheet's own words. */
function specimen(sheet: Sheet): Page {
  const title = text({
    id: 'title',
    role: 'title',
    x: 10,
    y: 8,
    width: 230,
    height: 40,
    fit: 'shrink',
    body: plain(wordsOf(sheet, 'title', sheet.title)),
  });
  const words = text({
    id: 'words',
    role: 'body',
    x: 10,
    y: 52,
    width: 230,
    height: 66,
    fit: 'shrink',
    body: plain(wordsOf(sheet, 'body', 'Read, look closely, and say what you see.')),
  });
  return makePage({ id: 'specimen', width: 250, height: 124, items: [title, words] });
}

export function Looks({ editor }: { editor: Editor }) {
  const now = useEditor(editor, 'sheet');
  const page = useEditor(editor, 'page');
  const selection = useEditor(editor, 'selection');
  const faces = useEditor(editor, 'faces');
  const [mode, setMode] = useState<(typeof MODES)[number]['id']>('places');
  const [seed, setSeed] = useState(1);
  const sheet = useDeferredValue(now);
  const ids = selection.length > 1 ? selection : null;
  const choices = useMemo((): Choice[] => {
    if (!faces) return [];
    if (mode === 'places')
      return LAYOUTS.map((layout) => {
        const current = sheet.pages.find((one) => one.id === page.id) ?? sheet.pages[0];
        const next = arranged(sheet, current, layout, ids, { faces, pictures: pictureNow });
        const after = { ...sheet, pages: sheet.pages.map((one) => (one === current ? next : one)) };
        return {
          id: layout.id,
          name: layout.name,
          sheet: after,
          take: () => editor.make('Other arrangement', between(editor.sheet, after)),
        };
      });
    if (mode === 'colours')
      return Array.from({ length: PALETTES }, (_, i) => {
        const palette = shuffled(sheet.palette, seed * 100 + i);
        return {
          id: `${seed} ${i}`,
          name: `palette ${(seed - 1) * PALETTES + i + 1}`,
          sheet: withPalette(sheet, palette),
          take: () => exchangePalette(editor, palette),
        };
      });
    return PAIRS.map((pair) => {
      const after = paired(sheet, pair);
      return {
        id: pair.id,
        name: `${faceById(pair.large).name} + ${faceById(pair.small).name}`,
        sheet: after,
        page: specimen(after),
        take: () => {
          const next = paired(editor.sheet, pair);
          editor.make('Font pair', all([between(editor.sheet, next), ...refitted(editor.sheet, next, faces)]));
        },
      };
    });
  }, [editor, faces, mode, seed, sheet, page.id, ids]);
  return (
    <div className={styles.looks}>
      <div className={styles.otherLooks} role="tablist" aria-label="Other looks">
        {MODES.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            role="tab"
            aria-selected={id === mode}
            className={`${styles.picturesGroup}${id === mode ? ' on' : ''}`}
            onClick={() => setMode(id)}
          >
            {sentence(name)}
          </button>
        ))}
        {mode === 'colours' && <Chip onClick={() => setSeed(seed + 1)}>shuffle</Chip>}
        <p className="quiet">
          {mode === 'places'
            ? ids
              ? `Of the ${ids.length} selected things`
              : 'Of the whole page'
            : mode === 'colours'
              ? 'All stay as readable as now'
              : 'For all text roles'}
        </p>
      </div>
      {choices.map(({ id, name, sheet: after, page: own, take }) => {
        const shown = own ?? after.pages.find((one) => one.id === page.id) ?? after.pages[0];
        return (
          <button key={id} type="button" className={styles.look} aria-label={name} title={name} onClick={take}>
            <SmallPicture sheet={after} page={shown} faces={faces} />
            <span>{sentence(name)}</span>
          </button>
        );
      })}
    </div>
  );
}
