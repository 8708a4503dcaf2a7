import { useEffect } from 'react';
import { z } from 'zod';
import { bodyLength } from '../../core/text/body';
import { Item } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { addBeside, chosenNode } from '../makers/map/map-commands';
import { groupChosen, nudge, remove, reorder, stretch, turnBy, ungroupChosen } from '../commands/arrange';
import type { Bench } from '../document/bench';
import { keysComeBack } from '../fields/focus';
import { bringTo } from '../pictures/bring-to';
import { clipOf, duplicate, pasteBody, pasteClip } from '../commands/clipboard';
import { setValues } from '../commands/commands';
import { copyLook, giveLook } from '../commands/looks';
import { turnPage } from '../commands/page-commands';
import { bodyFrom } from '../commands/paste';

/** Keys of the workbench, where no field has the focus. Letters follow the platform's conventions. */

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const parseItems = (json: unknown) => z.array(Item).max(500).safeParse(json).data ?? null;

type Press = { event: KeyboardEvent; key: string; command: boolean };
type Command = {
  keys: string;
  says: string;
  when(press: Press, bench: Bench): boolean;
  do(bench: Bench, press: Press): void;
};

const chosen = (bench: Bench) => bench.selection.length > 0;
const plainKey = (key: string) => (press: Press) => !press.command && !press.event.altKey && press.key === key;
const ARROWS: Record<string, [number, number]> = {
  arrowleft: [-1, 0],
  arrowright: [1, 0],
  arrowup: [0, -1],
  arrowdown: [0, 1],
};
const mayChoose = (bench: Bench, item: Item) => !item.hidden && (bench.rights.kind === 'all' || item.touch !== 'fixed');

/** What can be chosen with Tab, front to back. */
const inReach = (bench: Bench) => (bench.enteredGroup ?? bench.page).items.filter((item) => mayChoose(bench, item));

/** All keys that work on the sheet, as the sheet of keys lists them. The first that fits is done. */
export const COMMANDS: { title: string; commands: Command[] }[] = [
  {
    title: 'Selecting',
    commands: [
      {
        keys: 'Tab · Shift+Tab',
        says: 'select the next or previous thing, front to back; Enter selects the first',
        when: ({ key, command }, bench) => key === 'tab' && !command && chosen(bench),
        do(bench, { event }) {
          const list = inReach(bench);
          const at = list.findIndex((item) => item.id === bench.selection[0]);
          const next = list[at + (event.shiftKey ? -1 : 1)];
          bench.select(next ? [next.id] : []);
        },
      },
      {
        keys: 'Enter',
        says: 'edit the text, or enter a group',
        when: ({ key, command }, bench) =>
          key === 'enter' &&
          !command &&
          (bench.chosen !== null || document.activeElement?.hasAttribute('data-stage') === true),
        do(bench) {
          const item = bench.chosen;
          if (!item) {
            const [first] = inReach(bench);
            if (first) bench.select([first.id]);
          } else if (item.kind === 'group') {
            bench.enter(item.id);
            bench.select(item.items.slice(0, 1).map((part) => part.id));
          } else if (isWritten(item) && !item.locked && (bench.rights.kind === 'all' || item.touch !== 'fixed'))
            bench.edit({ id: item.id, anchor: 0, focus: bodyLength(item.body), typing: null });
        },
      },
      {
        keys: 'D',
        says: 'dig: what lies under the selected thing',
        when: plainKey('d'),
        do: (bench) => bench.onDig?.(),
      },
      {
        keys: 'Ctrl+A',
        says: 'select everything on the page',
        when: ({ key, command }) => command && key === 'a',
        do: (bench) =>
          bench.select(
            (bench.enteredGroup ?? bench.page).items
              .filter((item) => !item.hidden && !item.locked && (bench.rights.kind === 'all' || item.touch === 'free'))
              .map((item) => item.id),
          ),
      },
      {
        keys: 'Escape',
        says: 'deselect; leave a group; put the pen down',
        when: ({ key }) => key === 'escape',
        do(bench) {
          if (bench.tool) bench.put({ tool: null });
          else if (bench.dug) bench.put({ dug: null });
          else if (bench.selection.length > 0) bench.select([]);
          else bench.enter(null);
        },
      },
    ],
  },
  {
    title: 'Adding and colouring',
    commands: [
      {
        keys: '+',
        says: 'add something by its name: oval, arrow, heron; Enter adds the first that is found',
        when: ({ event, command }) => !command && !event.altKey && event.key === '+',
        do: () => document.querySelector<HTMLElement>('[data-add-by-name] input')?.focus(),
      },
      {
        keys: 'C',
        says: 'choose a colour: arrows, then Enter; Escape goes back to the sheet',
        when: (press, bench) => plainKey('c')(press) && chosen(bench),
        do(bench) {
          bench.put({ tab: 'look' });
          // The card shows its colours a moment later.
          requestAnimationFrame(() =>
            document.querySelector<HTMLElement>('.settings [role="tabpanel"] .swatch[tabindex="0"]')?.focus(),
          );
        },
      },
    ],
  },
  {
    title: 'Placing',
    commands: [
      {
        keys: 'Arrows',
        says: 'move by a point; with Shift by ten, with Alt by a quarter',
        when: ({ key, command }, bench) => key in ARROWS && !command && chosen(bench),
        do(bench, { event, key }) {
          const step = event.altKey ? 0.25 : event.shiftKey ? 10 : 1;
          nudge(bench, { x: ARROWS[key][0] * step, y: ARROWS[key][1] * step });
        },
      },
      {
        keys: 'Ctrl+Arrows',
        says: 'make wider, narrower, taller, lower; with Shift by ten points',
        when: ({ key, command }, bench) => key in ARROWS && command && chosen(bench),
        do(bench, { event, key }) {
          const step = event.shiftKey ? 10 : 1;
          stretch(bench, { x: ARROWS[key][0] * step, y: ARROWS[key][1] * step });
        },
      },
      {
        keys: ', · .',
        says: 'rotate left or right by a degree; with Alt by 15',
        when: ({ event, command }, bench) => !command && /^(Comma|Period)$/.test(event.code) && chosen(bench),
        do: (bench, { event }) => turnBy(bench, (event.code === 'Comma' ? -1 : 1) * (event.altKey ? 15 : 1)),
      },
      {
        keys: 'Ctrl+] · Ctrl+[',
        says: 'one step to the front or the back; with Shift all the way',
        when: ({ event, command }) => command && /^Bracket/.test(event.code),
        do: (bench, { event }) =>
          reorder(bench, (event.code === 'BracketRight' ? 1 : -1) * (event.shiftKey ? Infinity : 1)),
      },
      {
        keys: 'Ctrl+G · Ctrl+Shift+G',
        says: 'group, ungroup',
        when: ({ key, command }) => command && key === 'g',
        do: (bench, { event }) => (event.shiftKey ? ungroupChosen(bench) : groupChosen(bench)),
      },
      {
        keys: 'Ctrl+L',
        says: 'lock, unlock',
        when: ({ key, command }, bench) => command && key === 'l' && chosen(bench) && bench.rights.kind === 'all',
        do: (bench) => setValues(bench, 'Lock', { locked: !bench.selectedItems.every((item) => item.locked) }),
      },
    ],
  },
  {
    title: 'Copying and deleting',
    commands: [
      {
        keys: 'Ctrl+D',
        says: 'duplicate; press again to repeat the same step',
        when: ({ key, command }) => command && key === 'd',
        do: duplicate,
      },
      {
        keys: 'Ctrl+Alt+C · Ctrl+Alt+V',
        says: 'copy a look, apply it',
        when: ({ event, command }) => command && event.altKey && /^Key[CV]$/.test(event.code),
        do: (bench, { event }) => (event.code === 'KeyC' ? copyLook(bench) : giveLook(bench)),
      },
      {
        keys: 'Delete',
        says: 'delete',
        when: ({ key, command }) => !command && (key === 'delete' || key === 'backspace'),
        do: remove,
      },
    ],
  },
  {
    title: 'On a concept map',
    commands: [
      {
        keys: 'Ctrl+Enter · Ctrl+Shift+Enter',
        says: 'add a node under the selected one, or beside it; while typing, too',
        when: ({ key, command }, bench) => key === 'enter' && command && chosenNode(bench) !== null,
        do: (bench, { event }) => addBeside(bench, event.shiftKey ? 'sibling' : 'child'),
      },
    ],
  },
  {
    title: 'The sheet',
    commands: [
      {
        keys: 'Ctrl+F',
        says: 'find text on all pages, and replace it',
        when: ({ key, command }) => command && key === 'f',
        do: (bench) => bench.put({ finding: true }),
      },
      {
        keys: 'Page Up · Page Down',
        says: 'previous or next page',
        when: ({ key }) => key === 'pageup' || key === 'pagedown',
        do: (bench, { key }) => turnPage(bench, key === 'pageup' ? -1 : 1),
      },
      {
        keys: '?',
        says: 'show this list',
        when: ({ event, command }) => !command && event.key === '?',
        do: (bench) => bench.put({ keySheet: true }),
      },
    ],
  },
];

/** What works too, in a field or by the browser's own means. */
export const OTHER_KEYS: { keys: string; says: string }[] = [
  { keys: 'Ctrl+Z · Ctrl+Shift+Z', says: 'undo, redo, without limit, even after a reload' },
  { keys: 'F6 · Shift+F6', says: 'go to the margin, the supplies, the title, the sheet; the selection stays' },
  { keys: 'Ctrl+C · Ctrl+X · Ctrl+V', says: 'copy, cut, paste; text from elsewhere keeps paragraphs and lists' },
  { keys: 'Ctrl+B · Ctrl+I · Ctrl+U', says: 'bold, italic, underline, while editing text' },
  { keys: 'Ctrl+. · Ctrl+,', says: 'superscript, subscript, while editing text' },
  {
    keys: 'Shift while dragging',
    says: 'keep or release the proportions; 45 degrees for lines, 15 when rotating',
  },
  { keys: 'Alt while dragging', says: 'from the centre' },
  { keys: 'Ctrl while dragging', says: 'without snapping; Ctrl with a click digs' },
];

/** The parts of the workbench in the order in which F6 goes through them. */
const PARTS = ['[data-stage]', '.margin-card.active, .margin-card', '.drawer', '.strip'];
const FOCUSABLE = 'input:not([type=hidden]), button:not([disabled]), [href], select, textarea, summary, [tabindex="0"]';

function goToPart(by: 1 | -1): void {
  const now = PARTS.findIndex((part) => document.activeElement?.closest(part));
  for (let step = 1; step <= PARTS.length; step++) {
    const part = PARTS[((((now < 0 ? 0 : now) + by * step) % PARTS.length) + PARTS.length) % PARTS.length];
    const [first] = part
      .split(',')
      .map((one) => document.querySelector<HTMLElement>(one))
      .filter(Boolean);
    const target = first?.matches('[data-stage]') ? first : first?.querySelector<HTMLElement>(FOCUSABLE);
    if (target) return target.focus({ preventScroll: true });
  }
}

export function useKeys(bench: Bench) {
  useEffect(keysComeBack, []);
  useEffect(() => {
    const inStage = () => {
      const stage = document.querySelector('[data-stage]');
      return (
        document.activeElement === stage ||
        document.activeElement === document.body ||
        (stage?.contains(document.activeElement) ?? false)
      );
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.key === 'Escape' && bench.cancelGesture) {
        bench.cancelGesture();
        event.preventDefault();
        return;
      }
      if (event.key === 'F6') {
        event.preventDefault();
        return goToPart(event.shiftKey ? -1 : 1);
      }
      if (event.defaultPrevented || isField(event.target)) return;
      const press = { event, key: event.key.toLowerCase(), command: event.ctrlKey || event.metaKey };
      const done = (work: () => void) => {
        event.preventDefault();
        work();
      };
      if (press.command && press.key === 'z') return done(() => (event.shiftKey ? bench.redo() : bench.undo()));
      if (press.command && press.key === 'y') return done(() => bench.redo());
      if (!inStage() || bench.past) return;
      for (const { commands } of COMMANDS)
        for (const command of commands) if (command.when(press, bench)) return done(() => command.do(bench, press));
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
      // After a press on a button what is pasted still goes onto the page.
      const elsewhere = document.activeElement?.closest('[role="dialog"]');
      if (isField(event.target) || elsewhere || !event.clipboardData || bench.past) return;
      const words = event.clipboardData.getData('text/plain');
      if (
        pasteClip(bench, words, parseItems) ||
        bench.onSheet.some((maker) => maker.paste?.(bench, event.clipboardData!))
      )
        return event.preventDefault();
      const files = [...event.clipboardData.files];
      const body = bodyFrom(event.clipboardData);
      // Words copied together with their picture, as from a word processor, are words.
      if (!body && files.length > 0) return (event.preventDefault(), void bringTo(bench, files));
      if (!body) return;
      event.preventDefault();
      pasteBody(bench, body);
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
  }, [bench]);
}
