import type { Page } from '../../core/schema/sheet';
import type { Bench } from '../document/bench';
import { copied } from './clipboard';
import { newId } from './steps';

/** Pages: added, doubled, moved, dropped, turned to. */

export function addPage(bench: Bench): void {
  const { page } = bench;
  const id = newId();
  const made = { ...page, id, items: [], guides: [] };
  if (bench.make('Add page', { kind: 'page-insert', behind: page.id, page: made })) bench.turnTo(id);
}

export function duplicatePage(bench: Bench, source: Page = bench.page): void {
  const id = newId();
  const page = { ...source, id, items: copied(source.items, { x: 0, y: 0 }) };
  if (bench.make('Duplicate page', { kind: 'page-insert', behind: source.id, page })) bench.turnTo(id);
}

export function movePage(bench: Bench, id: string, to: number): void {
  const others = bench.sheet.pages.filter((page) => page.id !== id);
  const at = Math.max(0, Math.min(others.length, to));
  if (bench.sheet.pages[at]?.id === id) return;
  bench.make('Move page', { kind: 'page-move', id, behind: at > 0 ? others[at - 1].id : null });
}

export function removePage(bench: Bench, id = bench.page.id): void {
  const { pages } = bench.sheet;
  const at = pages.findIndex((page) => page.id === id);
  const next = pages[at + 1] ?? pages[at - 1];
  if (bench.make('Remove page', { kind: 'page-remove', id }) && next && bench.pageId === id) bench.turnTo(next.id);
}

export function turnPage(bench: Bench, by: 1 | -1): void {
  const { pages } = bench.sheet;
  const next = pages[pages.findIndex((page) => page.id === bench.page.id) + by];
  if (next) bench.turnTo(next.id);
}
