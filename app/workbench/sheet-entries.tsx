import { union } from '../../core/geometry/box';
import { boxOf } from '../../core/items/hit';
import type { Page, Sheet } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import type { Found } from '../../workers/studio';
import type { Editing, Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import type { MarginEntry } from '../margin/margin';
import { findEntry } from './aids';
import { chosenEntry } from './chosen-entry';
import type { useFirstSteps } from './first-steps';
import { stepsEntry } from './first-steps';
import { PageCard } from './page-card';
import { readableEntries, smallEntries, undrawnEntries } from './proof';

export type Shown = {
  sheet: Sheet;
  page: Page;
  selection: readonly string[];
  editing: Editing | null;
  finding: boolean;
  found: Found;
  past: Editor['past'];
  steps: ReturnType<typeof useFirstSteps>;
  rulers: boolean;
  setRulers: (on: boolean) => void;
};

/** What stands in the margin: the search, what can't be read, and the settings of what is chosen or of the page. */
export function entriesFor(editor: Editor, shown: Shown): MarginEntry[] {
  const { sheet, page, selection, finding, found } = shown;
  if (shown.past)
    return [
      {
        id: 'past',
        anchor: null,
        end: 'top',
        tone: 'straw',
        label: 'The sheet as it was',
        content: (
          <>
            <h3>
              As it was <small>{shown.past.label}</small>
            </h3>
            <p className="quiet">
              You are looking back; nothing is changed by that. Go on with the slider below, go back to this state, or
              come back to now.
            </p>
          </>
        ),
      },
    ];
  const items = selection.flatMap((id) => findOn(page, id)?.item ?? []);
  const entries = [
    ...readableEntries(editor, page, found.findings),
    ...undrawnEntries(page, found.undrawn),
    ...smallEntries(page, found.small),
  ];
  if (finding) entries.unshift(findEntry(editor));
  if (shown.steps) entries.unshift(stepsEntry(editor, shown.steps, items.length > 0));
  if (items.length === 0)
    return [
      ...entries,
      {
        id: 'page',
        anchor: null,
        end: finding ? 'bottom' : 'top',
        tone: 'plain',
        label: 'Settings of the page',
        content: (
          <PageCard editor={editor} sheet={sheet} page={page} rulers={shown.rulers} setRulers={shown.setRulers} />
        ),
      },
    ];
  const box = union(items.map((item) => boxOf(page, item, pictureNow)));
  return [
    ...entries,
    chosenEntry(editor, {
      sheet,
      page,
      items,
      anchor: { x: box.x + box.width, y: box.y + Math.min(box.height / 2, 60) },
      current: !finding,
    }),
  ];
}
