import { useState } from 'react';
import type { Sheet } from '../../core/schema/sheet';
import { useDrawing } from '../drawing/page-view';
import { useView } from '../margin/view';

/** One page of a sheet beside the form, in view as a whole. `first`: the page to begin with. */
export function useShownPage(sheet: Sheet, first: string) {
  const [pageId, setPageId] = useState(first);
  const page = sheet.pages.find(({ id }) => id === pageId) ?? sheet.pages[0];
  return { page, setPageId, ...useView(page, 'fit'), ...useDrawing(sheet) };
}
