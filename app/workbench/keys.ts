import { useEffect } from 'react';
import { z } from 'zod';
import { Item } from '../../core/schema/sheet';
import { isWritten } from '../../core/schema/sheet';
import { addBeside, chosenNode } from '../makers/map/map-commands';
import { shiftCropped, toggleCrop, zoomCropped } from '../commands/crop-commands';
import { groupChosen, nudge, remove, reorder, stretch, turnBy, ungroupChosen } from '../commands/arrange';
import type { Editor } from '../document/editor';
import { keysComeBack } from '../fields/focus';
import { bringFiles } from '../pictures/bring-files';
import { clipOf, duplicate, pasteBody, pasteClip } from '../commands/clipboard';
import { setValues } from '../commands/set-values';
import { whenLoaded } from '../commands/when-loaded';
import { copyLook, giveLook } from '../commands/looks';
import { turnPage } from '../commands/page-commands';
import { bodyFrom } from '../commands/paste';

/** Keys of the workbench while no field has the focus. Letters follow the platform's conventions. */

const isField = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName));

const parseItems = (json: unknown) => z.array(Item).max(500).safeParse(json).data ?? null;

type Press = { event: KeyboardEvent; key: string; command: boolean };
type Command = {
  keys: string;
  says: string;
  when(press: Press, editor: Editor): boolean;
  do(editor: Editor, press: Press): void;
};

/** Loaded when first wanted. */
const withBeside = (editor: Editor, work: (commands: typeof import('../commands/beside-commands')) => unknown): void =>
  void whenLoaded(editor, import('../commands/beside-commands'), work);

const chosen = (editor: Editor) => editor.selection.length > 0;
const plainKey = (key: string) => (press: Press) => !press.command && !press.event.altKey && press.key === key;
const ARROWS: Record<string, [number, number]> = {
  arrowleft: [-1, 0],
  arrowright: [1, 0],
  arrowup: [0, -1],
  arrowdown: [0, 1],
};
const mayChoose = (editor: Editor, item: Item) =>
  !item.hidden && (editor.rights.kind === 'all' || item.touch !== 'fixed');

/** What can be chosen with Tab, front to back. */
const inReach = (editor: Editor) =>
  (editor.enteredGroup ?? editor.page).items.filter((item) => mayChoose(editor, item));

/** How much larger or smaller a picture gets in its frame with one press. */
const ZOOMS = new Map([
  ['+', 1.1],
  ['-', 1 / 1.1],
]);

/** All keys that work on the sheet, as listed for people. The first that matches is used. */
export const COMMANDS: { title: string; commands: Command[] }[] = [
  {
    title: 'Selecting',
    commands: [
      {
        keys: 'Tab · Shift+Tab',
        says: 'select the next or previous thing, front to back; Enter selects the first',
        when: ({ key, command }, editor) => key === 'tab' && !command && chosen(editor),
        do(editor, { event }) {
          const list = inReach(editor);
          const at = list.findIndex((item) => item.id === editor.selection[0]);
          const next = list[at + (event.shiftKey ? -1 : 1)];
          editor.select(next ? [next.id] : []);
        },
      },
      {
        keys: 'Enter',
        says: 'edit the text, or enter a group',
        when: ({ key, command }, editor) =>
          key === 'enter' &&
          !command &&
          (editor.chosen !== null || document.activeElement?.hasAttribute('data-stage') === true),
        do(editor) {
          const item = editor.chosen;
          if (editor.cropping !== null) editor.put({ cropping: null });
          else if (!item) {
            const [first] = inReach(editor);
            if (first) editor.select([first.id]);
          } else if (item.kind === 'group') {
            editor.enter(item.id);
            editor.select(item.items.slice(0, 1).map((part) => part.id));
          } else if (isWritten(item) && !item.locked && (editor.rights.kind === 'all' || item.touch !== 'fixed'))
            editor.openText(item);
        },
      },
      {
        keys: 'D',
        says: 'dig: what lies under the selected thing',
        when: plainKey('d'),
        do: (editor) => editor.onDig?.(),
      },
      {
        keys: 'Ctrl+A',
        says: 'select everything on the page',
        when: ({ key, command }) => command && key === 'a',
        do: (editor) =>
          editor.select(
            (editor.enteredGroup ?? editor.page).items
              .filter((item) => !item.hidden && !item.locked && (editor.rights.kind === 'all' || item.touch === 'free'))
              .map((item) => item.id),
          ),
      },
      {
        keys: 'Escape',
        says: 'deselect; leave a group; put the pen down',
        when: ({ key }) => key === 'escape',
        do(editor) {
          if (editor.tool) editor.put({ tool: null });
          else if (editor.cropping !== null) editor.put({ cropping: null });
          else if (editor.dug) editor.put({ dug: null });
          else if (editor.selection.length > 0) editor.select([]);
          else editor.enter(null);
        },
      },
    ],
  },
  {
    title: 'A picture',
    commands: [
      {
        keys: 'K',
        says: 'crop it: arrows then move it in its frame, + and − zoom, Enter ends',
        when: (press, editor) =>
          (plainKey('k')(press) && editor.chosen?.kind === 'picture') ||
          (editor.cropping !== null && !press.command && ZOOMS.has(press.event.key)),
        do(editor, { event }) {
          const by = ZOOMS.get(event.key);
          if (by === undefined) toggleCrop(editor);
          else zoomCropped(editor, by);
        },
      },
      {
        keys: 'T · Shift+T',
        says: 'try the next or last picture that waits beside the page in its place',
        when: (press, editor) => plainKey('t')(press) && editor.chosen?.kind === 'picture',
        do: (editor, { event }) => withBeside(editor, ({ tryNext }) => tryNext(editor, event.shiftKey ? -1 : 1)),
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
        when: (press, editor) => plainKey('c')(press) && chosen(editor),
        do(editor) {
          // Of text its letters are meant, of anything else its fill.
          const text = editor.selectedItems.every(({ kind }) => kind === 'text');
          editor.put({ tab: text ? 'words' : 'look' });
          // The card shows its colours only in the next frame.
          requestAnimationFrame(() =>
            document
              .querySelector<HTMLElement>(
                '.settings [role="tabpanel"] [role="radiogroup"] [role="radio"][tabindex="0"]',
              )
              ?.focus(),
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
        when: ({ key, command }, editor) => key in ARROWS && !command && chosen(editor),
        do(editor, { event, key }) {
          const step = event.altKey ? 0.25 : event.shiftKey ? 10 : 1;
          const move = editor.cropping === null ? nudge : shiftCropped;
          move(editor, { x: ARROWS[key][0] * step, y: ARROWS[key][1] * step });
        },
      },
      {
        keys: 'Ctrl+Arrows',
        says: 'make wider, narrower, taller, lower; with Shift by ten points',
        when: ({ key, command }, editor) => key in ARROWS && command && chosen(editor),
        do(editor, { event, key }) {
          const step = event.shiftKey ? 10 : 1;
          stretch(editor, { x: ARROWS[key][0] * step, y: ARROWS[key][1] * step });
        },
      },
      {
        keys: ', · .',
        says: 'rotate left or right by a degree; with Alt by 15',
        when: ({ event, command }, editor) => !command && /^(Comma|Period)$/.test(event.code) && chosen(editor),
        do: (editor, { event }) => turnBy(editor, (event.code === 'Comma' ? -1 : 1) * (event.altKey ? 15 : 1)),
      },
      {
        keys: 'B',
        says: 'put it beside the page, where it is never printed; again, back on it',
        when: (press, editor) => plainKey('b')(press) && chosen(editor),
        do: (editor) => withBeside(editor, ({ besideAndBack }) => besideAndBack(editor)),
      },
      {
        keys: 'Ctrl+] · Ctrl+[',
        says: 'one step to the front or the back; with Shift all the way',
        when: ({ event, command }) => command && /^Bracket/.test(event.code),
        do: (editor, { event }) =>
          reorder(editor, (event.code === 'BracketRight' ? 1 : -1) * (event.shiftKey ? Infinity : 1)),
      },
      {
        keys: 'Ctrl+G · Ctrl+Shift+G',
        says: 'group, ungroup',
        when: ({ key, command }) => command && key === 'g',
        do: (editor, { event }) => (event.shiftKey ? ungroupChosen(editor) : groupChosen(editor)),
      },
      {
        keys: 'Ctrl+L',
        says: 'lock, unlock',
        when: ({ key, command }, editor) => command && key === 'l' && chosen(editor) && editor.rights.kind === 'all',
        do: (editor) => setValues(editor, 'Lock', { locked: !editor.selectedItems.every((item) => item.locked) }),
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
        do: (editor, { event }) => (event.code === 'KeyC' ? copyLook(editor) : giveLook(editor)),
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
        when: ({ key, command }, editor) => key === 'enter' && command && chosenNode(editor) !== null,
        do: (editor, { event }) => addBeside(editor, event.shiftKey ? 'sibling' : 'child'),
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
        do: (editor) => editor.put({ finding: true }),
      },
      {
        keys: 'Page Up · Page Down',
        says: 'previous or next page',
        when: ({ key }) => key === 'pageup' || key === 'pagedown',
        do: (editor, { key }) => turnPage(editor, key === 'pageup' ? -1 : 1),
      },
      {
        keys: '?',
        says: 'show this list',
        when: ({ event, command }) => !command && event.key === '?',
        do: (editor) => editor.put({ keySheet: true }),
      },
    ],
  },
];

/** Keys that also work in fields or come from the browser. */
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

export function useKeys(editor: Editor) {
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
      if (event.key === 'Escape' && editor.cancelGesture) {
        editor.cancelGesture();
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
      if (press.command && press.key === 'z') return done(() => (event.shiftKey ? editor.redo() : editor.undo()));
      if (press.command && press.key === 'y') return done(() => editor.redo());
      if (!inStage() || editor.past) return;
      for (const { commands } of COMMANDS)
        for (const command of commands) if (command.when(press, editor)) return done(() => command.do(editor, press));
    };
    const onCopy = (event: ClipboardEvent) => {
      if (isField(event.target) || !inStage()) return;
      const clip = clipOf(editor);
      if (!clip) return;
      event.clipboardData?.setData('text/plain', clip);
      event.preventDefault();
      if (event.type === 'cut') remove(editor);
    };
    const onPaste = (event: ClipboardEvent) => {
      // After a press on a button, paste still goes to the page.
      const elsewhere = document.activeElement?.closest('[role="dialog"]');
      if (isField(event.target) || elsewhere || !event.clipboardData || editor.past) return;
      const words = event.clipboardData.getData('text/plain');
      if (
        pasteClip(editor, words, parseItems) ||
        editor.onSheet.some((maker) => maker.paste?.(editor, event.clipboardData!))
      )
        return event.preventDefault();
      const files = [...event.clipboardData.files];
      const body = bodyFrom(event.clipboardData);
      // Text copied together with a picture of it, as word processors do, is text.
      if (!body && files.length > 0) return (event.preventDefault(), bringFiles(editor, files));
      if (!body) return;
      event.preventDefault();
      pasteBody(editor, body);
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
  }, [editor]);
}
