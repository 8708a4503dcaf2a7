import type { Sheet } from '../schema/sheet';
import { Page } from '../schema/sheet';
import { LIMITS, loadOfAll, PAGES_FULL, pageProblem } from '../sheet/limits';
import { idsWithin, isThere, withPages } from '../sheet/tree';
import type { ChangeKind } from './kind';
import { clash, done, firstIssue, loadRefusal, pick, refused, twice } from './kind';

/** Changes of pages. */

/** Pages by their identities: an index into them, or undefined. */
function behindPage(sheet: Sheet, behind: string | null): number {
  return behind === null ? 0 : sheet.pages.findIndex((p) => p.id === behind) + 1;
}

export const PAGE_INSERT: ChangeKind<'page-insert'> = {
  apply(sheet, { behind, page }, bounded) {
    if (sheet.pages.some((p) => p.id === page.id)) return refused('Two pages can’t share one identity.');
    if (clash(sheet, page.items.flatMap(idsWithin))) return twice();
    const no =
      bounded &&
      (sheet.pages.length >= LIMITS.pages
        ? PAGES_FULL
        : (pageProblem(page) ?? loadRefusal(sheet, page.id, loadOfAll(page.items))));
    if (no) return refused(no);
    const at = behindPage(sheet, behind);
    return done(withPages(sheet, [...sheet.pages.slice(0, at), page, ...sheet.pages.slice(at)]));
  },
  invert: (_, { page }) => ({ kind: 'page-remove', id: page.id }),
  worksOn: () => [],
  items: (change, map) => ({ ...change, page: { ...change.page, items: change.page.items.map(map) } }),
};

export const PAGE_REMOVE: ChangeKind<'page-remove'> = {
  apply(sheet, { id }) {
    if (!sheet.pages.some((p) => p.id === id)) return refused('This page is no longer in the sheet.');
    if (sheet.pages.length === 1) return refused('A sheet needs at least one page.');
    return done(
      withPages(
        sheet,
        sheet.pages.filter((p) => p.id !== id),
      ),
    );
  },
  invert(sheet, { id }) {
    const at = sheet.pages.findIndex((p) => p.id === id);
    return { kind: 'page-insert', behind: at > 0 ? sheet.pages[at - 1].id : null, page: sheet.pages[at] };
  },
  worksOn: () => [],
  removes(sheet, { id }) {
    const page = sheet.pages.find((p) => p.id === id);
    return page ? [page.id, ...page.items.flatMap(idsWithin)] : [];
  },
  revive(before, after, { id }) {
    const at = before.pages.findIndex((p) => p.id === id);
    const page = before.pages[at];
    const stays =
      after.pages.some((p) => p.id === id) || page.items.flatMap(idsWithin).some((one) => isThere(after, one));
    return stays ? null : { kind: 'page-insert', behind: before.pages[at - 1]?.id ?? null, page };
  },
};

export const PAGE_MOVE: ChangeKind<'page-move'> = {
  apply(sheet, { id, behind }) {
    const page = sheet.pages.find((p) => p.id === id);
    if (!page) return refused('This page is no longer in the sheet.');
    const rest = sheet.pages.filter((p) => p !== page);
    const at = behind === null ? 0 : rest.findIndex((p) => p.id === behind) + 1;
    return done(withPages(sheet, [...rest.slice(0, at), page, ...rest.slice(at)]));
  },
  invert(sheet, { id }) {
    const at = sheet.pages.findIndex((p) => p.id === id);
    return { kind: 'page-move', id, behind: at > 0 ? sheet.pages[at - 1].id : null };
  },
  worksOn: () => [],
};

export const PAGE_SET: ChangeKind<'page-set'> = {
  apply(sheet, { id, values }) {
    const page = sheet.pages.find((p) => p.id === id);
    if (!page) return refused('This page is no longer in the sheet.');
    const wrong = Object.keys(values).find((key) => key === 'id' || key === 'items' || !Object.hasOwn(page, key));
    if (wrong) return refused(`“${wrong}” can’t be set on a page.`);
    const read = Page.safeParse({ ...page, ...values, items: [] });
    if (!read.success) return refused(firstIssue(read.error));
    const next = { ...read.data, items: page.items };
    return done(
      withPages(
        sheet,
        sheet.pages.map((p) => (p === page ? next : p)),
      ),
    );
  },
  invert: (sheet, { id, values }) => ({
    kind: 'page-set',
    id,
    values: pick(
      sheet.pages.find((p) => p.id === id)!,
      Object.keys(values),
    ),
  }),
  worksOn: ({ id }) => [id],
};
