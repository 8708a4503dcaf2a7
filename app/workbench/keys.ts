import { useEffect } from 'react';
import type { MutableRefObject, RefObject } from 'react';
import { z } from 'zod';
import { bodyLength } from '../../core/sheet/body';
import { Item } from '../../core/sheet/schema';
import { isWritten } from '../../core/sheet/schema';
import type { Bench } from './bench';
import { groupChosen, nudge, remove, reorder, ungroupChosen } from './arrange';
import { clipOf, duplicate, pasteClip, pasteWords } from './clipboard';

/** Keys of the workbench, where no field has the focus. Letters follow the platform's conventions. */

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const parseItems = (json: unknown) => z.array(Item).max(500).safeParse(json).data ?? null;

export function useKeys(
  bench: Bench,
  paper: RefObject<HTMLElement | null>,
  cancel: MutableRefObject<(() => void) | null>,
) {
  useEffect(() => {
    const inStage = () => {
      const stage = paper.current?.closest('[data-stage]');
      return (
        document.activeElement === stage ||
        document.activeElement === document.body ||
        (stage?.contains(document.activeElement) ?? false)
      );
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && cancel.current) {
        cancel.current();
        event.preventDefault();
        return;
      }
      if (event.defaultPrevented || isField(event.target)) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      const done = (work: () => void) => {
        event.preventDefault();
        work();
      };
      if (command && key === 'z') return done(() => (event.shiftKey ? bench.redo() : bench.undo()));
      if (command && key === 'y') return done(() => bench.redo());
      if (!inStage()) return;
      const { page } = bench;
      const step = event.altKey ? 0.25 : event.shiftKey ? 10 : 1;
      const moves: Record<string, [number, number]> = {
        ArrowLeft: [-step, 0],
        ArrowRight: [step, 0],
        ArrowUp: [0, -step],
        ArrowDown: [0, step],
      };
      if (moves[event.key] && bench.selection.length > 0)
        return done(() => nudge(bench, { x: moves[event.key][0], y: moves[event.key][1] }));
      if (command && key === 'a')
        return done(() =>
          bench.select(
            (bench.enteredGroup ?? page).items
              .filter((item) => !item.hidden && (bench.rights.kind === 'all' || item.touch === 'free'))
              .map((item) => item.id),
          ),
        );
      if (command && key === 'd') return done(() => duplicate(bench));
      if (command && key === 'g') return done(() => (event.shiftKey ? ungroupChosen(bench) : groupChosen(bench)));
      if (command && event.key === ']') return done(() => reorder(bench, event.shiftKey ? Infinity : 1));
      if (command && event.key === '[') return done(() => reorder(bench, event.shiftKey ? -Infinity : -1));
      if (command) return;
      if (event.key === 'Delete' || event.key === 'Backspace') return done(() => remove(bench));
      if (event.key === 'Escape')
        return done(() => {
          if (bench.selection.length > 0) bench.select([]);
          else bench.enter(null);
        });
      if (event.key === 'Enter' && bench.chosen) {
        const item = bench.chosen;
        if (item.kind === 'group')
          return done(() => (bench.enter(item.id), bench.select(item.items.slice(0, 1).map((part) => part.id))));
        if (isWritten(item) && !item.locked && (bench.rights.kind === 'all' || item.touch !== 'fixed'))
          return done(() => bench.edit({ id: item.id, anchor: 0, focus: bodyLength(item.body), typing: null }));
      }
      // Through the things of the page, front to back, once one is chosen; without one Tab leaves the sheet.
      if (event.key === 'Tab' && bench.selection.length > 0) {
        const list = (bench.enteredGroup ?? page).items.filter(
          (item) => !item.hidden && (bench.rights.kind === 'all' || item.touch !== 'fixed'),
        );
        const at = list.findIndex((item) => item.id === bench.selection[0]);
        const next = list[at + (event.shiftKey ? -1 : 1)];
        return done(() => bench.select(next ? [next.id] : []));
      }
      if (event.key === 'Enter' && bench.selection.length === 0 && document.activeElement?.hasAttribute('data-stage')) {
        const first = page.items.find(
          (item) => !item.hidden && (bench.rights.kind === 'all' || item.touch !== 'fixed'),
        );
        if (first) return done(() => bench.select([first.id]));
      }
    };
    const onCopy = (event: ClipboardEvent) => {
      if (isField(event.target) || !inStage()) return;
      const clip = clipOf(bench);
      if (!clip) return;
      event.clipboardData?.setData('text/plain', clip);
      event.preventDefault();
      if (event.type === 'cut') remove(bench);
    };
    const onPaste = (event: ClipboardEvent) => {
      if (isField(event.target) || !inStage()) return;
      const words = event.clipboardData?.getData('text/plain') ?? '';
      if (!words.trim()) return;
      event.preventDefault();
      if (!pasteClip(bench, words, parseItems)) pasteWords(bench, words);
    };
    window.addEventListener('keydown', onKey);
    document.addEventListener('copy', onCopy);
    document.addEventListener('cut', onCopy);
    document.addEventListener('paste', onPaste);
    return () => {
      window.removeEventListener('keydown', onKey);
      document.removeEventListener('copy', onCopy);
      document.removeEventListener('cut', onCopy);
      document.removeEventListener('paste', onPaste);
    };
  }, [bench, paper, cancel]);
}
