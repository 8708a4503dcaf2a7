import type { Item, Page, Sheet } from '../../core/schema/sheet';
import { later } from '../browser/later';
import type { Editor } from '../document/editor';
import { madeGroupOf } from '../makers/kit/made';
import type { MarginEntry } from '../margin/margin';

// Loaded after the page: it shows only once something is selected.
const ItemSettings = later(() => import('../settings/settings').then((part) => part.ItemSettings));

type Chosen = Pick<MarginEntry, 'anchor' | 'current'> & { sheet: Sheet; page: Page; items: Item[] };

/** The settings of the selection, beside it. */
export const chosenEntry = (editor: Editor, { sheet, page, items, anchor, current }: Chosen): MarginEntry => ({
  id: 'chosen',
  anchor,
  tone: 'apricot',
  active: true,
  current,
  label: 'Settings of the selection',
  content: (
    <ItemSettings
      key={madeGroupOf(page, items)?.id ?? items.map(({ id }) => id).join()}
      editor={editor}
      items={items}
      sheet={sheet}
    />
  ),
});
