import type { Page } from '../../core/schema/sheet';
import type { Editor } from '../document/editor';
import { copied } from './clipboard';
import { newId } from './steps';

/** Adding, duplicating, moving, removing and turning pages. */

export function addPage(editor: Editor): void {
  const { page } = editor;
  const id = newId();
  const made = { ...page, id, items: [], guides: [], brought: null };
  if (editor.make('Add page', { kind: 'page-insert', behind: page.id, page: made })) editor.turnTo(id);
}

export function duplicatePage(editor: Editor, source: Page = editor.page): void {
  const id = newId();
  const page = { ...source, id, brought: null, items: copied(source.items, { x: 0, y: 0 }) };
  if (editor.make('Duplicate page', { kind: 'page-insert', behind: source.id, page })) editor.turnTo(id);
}

export function movePage(editor: Editor, id: string, to: number): void {
  const others = editor.sheet.pages.filter((page) => page.id !== id);
  const at = Math.max(0, Math.min(others.length, to));
  if (editor.sheet.pages[at]?.id === id) return;
  editor.make('Move page', { kind: 'page-move', id, behind: at > 0 ? others[at - 1].id : null });
}

export function removePage(editor: Editor, id = editor.page.id): void {
  const { pages } = editor.sheet;
  const at = pages.findIndex((page) => page.id === id);
  const next = pages[at + 1] ?? pages[at - 1];
  if (editor.make('Remove page', { kind: 'page-remove', id }) && next && editor.pageId === id) editor.turnTo(next.id);
}

export function turnPage(editor: Editor, by: 1 | -1): void {
  const { pages } = editor.sheet;
  const next = pages[pages.findIndex((page) => page.id === editor.page.id) + by];
  if (next) editor.turnTo(next.id);
}
