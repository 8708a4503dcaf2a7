import { useMemo, useState } from 'react';
import type { useFetcher } from 'react-router';
import type { Box } from '../../core/geometry/matrix';
import { rightMiddle } from '../../core/geometry/box';
import { boxOf } from '../../core/items/hit';
import { isOpen } from '../../core/handout/state';
import type { Result } from '../../core/lookfors/kind';
import type { Page } from '../../core/schema/sheet';
import { findOn } from '../../core/sheet/tree';
import { later } from '../browser/later';
import { useZone } from '../browser/time';
import type { Editor } from '../document/editor';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import type { Lit } from '../margin/light';
import type { MarginEntry } from '../margin/margin';
import type { View } from '../margin/view';
import type { Loaded } from '../student/entries';
import { bankOf, noteEntries } from '../student/entries';
import { findEntry } from '../workbench/aids';
import { chosenEntry } from '../workbench/chosen-entry';
import type { Part } from './about';
import { aboutEntry } from './about';
import { openSpots } from '../../core/lookfors/spots';
import { blankEntry, stepsOf } from './blanks';
import type { Checking } from './checking';
import type { Handing } from './hand-in';
import { closedEntry, lastLookEntry, withTeacherEntry } from './hand-in';

/** The margin of a student's copy, and where its light falls: what is asked, the next blank, the teacher's notes. */

const TeacherInkCard = later(() => import('./teacher-ink').then((part) => part.TeacherInkCard));

/** Opens the first part that a look-for still misses. */
function goTo(editor: Editor, id: string) {
  const item = findOn(editor.page, id)?.item;
  if (item?.kind === 'text' && !editor.shut) editor.openText(item);
  else if (item) editor.select([id]);
}

/** The spots on a page that a look-for is about: where it is not met those that it misses, else all. */
const spotsOf = (page: Page, result: Result | null | undefined): Box[] =>
  result ? openSpots(page, result, pictureNow) : [];

/** With less height than this, in pixels, the checklist is folded at first. */
const ROOMY = 600;

type Fetcher = Pick<ReturnType<typeof useFetcher>, 'formData' | 'submit'>;
type Of = {
  editor: Editor;
  loaded: Loaded;
  results: Loaded['results'];
  view: View;
  fetcher: Fetcher;
  handing: Handing;
  checking: Checking;
  /** What the teacher drew on the go that came back. */
  ink: { all: Loaded['ink']; shown: boolean; toggle: () => void };
};

function inkEntry({ all, shown, toggle }: Of['ink']): MarginEntry[] {
  if (all.length === 0) return [];
  return [
    {
      id: 'ink',
      anchor: null,
      end: 'bottom',
      tone: 'apricot',
      label: 'Drawn by your teacher',
      content: <TeacherInkCard ink={all} shown={shown} onToggle={toggle} />,
    },
  ];
}

export function useCopyMargin({ editor, loaded, results, view, fetcher, handing, checking, ink }: Of) {
  const { state, lookFors } = loaded;
  const { sheet, page, editing, selection, selectedItems, shut } = editor;
  const zone = useZone();
  const [note, setNote] = useState<string | null>(null);
  // A look-for is lit until something else is edited or selected, or a last look begins.
  const [shown, setShown] = useState<{ lookFor: string; editing: unknown; selection: unknown; asking: boolean } | null>(
    null,
  );
  const lookFor =
    shown?.editing === editing?.id && shown?.selection === selection && shown.asking === handing.asking
      ? shown.lookFor
      : null;
  const setLookFor = (id: string | null) =>
    setShown(id === null ? null : { lookFor: id, editing: editing?.id, selection, asking: handing.asking });
  const steps = useMemo(() => stepsOf(sheet), [sheet]);

  // A tick shows at once, before the server has saved it.
  const ticked = fetcher.formData?.get('note');
  const notes = loaded.notes.map((one) =>
    one.id === ticked ? { ...one, settled: fetcher.formData?.get('settled') === 'yes' } : one,
  );
  const noteCards = noteEntries(notes, page, fetcher.submit);
  const back = state === 'another-go' || state === 'done';
  const unsettled = new Set(notes.flatMap(({ id, settled }) => (settled ? [] : [id])));
  const firstOpen = back ? noteCards.find(({ id }) => unsettled.has(id))?.id : undefined;

  const here = editing ? steps.findIndex(({ item }) => item.id === editing.id) : -1;
  const nextBlank = steps.findIndex((step) => !step.filled && step.page === page.id);
  const resting = !editing && selectedItems.every(({ touch }) => touch === 'fill');
  const at = here >= 0 ? here : resting && !back ? nextBlank : -1;
  const blank = !shut && at >= 0 && !handing.asking ? blankEntry(editor, steps, at, bankOf(sheet)) : null;

  // A step that has just opened is to be read.
  const [opened] = useState(loaded.steps.open.length);
  const begun = editing !== null || steps.some(({ filled }) => filled);
  /** What is open of the first card until the student opens something else. */
  const first = (): Part | null => {
    if (back || shut !== null) return null;
    if (!begun || loaded.steps.open.length > opened) return 'brief';
    return view.stageHeight >= ROOMY && lookFors.length > 0 ? 'list' : null;
  };
  const about = aboutEntry({
    editor,
    loaded,
    results,
    first: first(),
    chosen: lookFor,
    onShow: (id) => setLookFor(id === lookFor ? null : id),
    onGo: (id) => goTo(editor, id),
    checking,
    light: () => spotsOf(page, results[lookFors.findIndex(({ id }) => id === lookFor)]),
  });
  const gaps = () => [
    ...steps.filter((step) => !step.filled && step.page === page.id).map(({ box }) => box),
    ...results.flatMap((result) => (result?.held === false ? spotsOf(page, result) : [])),
  ];
  const chosen =
    !shut && here < 0 && selection.length > 0 && selectedItems.every(({ touch }) => touch === 'free')
      ? chosenEntry(editor, {
          sheet,
          page,
          items: selectedItems,
          anchor: rightMiddle(boxOf(page, selectedItems[0], pictureNow)),
          current: true,
        })
      : null;

  const entries: MarginEntry[] = [
    ...(editor.finding ? [findEntry(editor)] : []),
    ...(state === 'handed-in' ? [withTeacherEntry(loaded, zone)] : []),
    ...(loaded.isClosed && isOpen(state) ? [closedEntry(loaded, zone)] : []),
    ...(handing.asking
      ? [
          lastLookEntry(
            { editor, briefSteps: loaded.steps, lookFors, results, steps, handing, onShow: setLookFor },
            gaps,
          ),
        ]
      : []),
    ...(handing.asking && lookFor === null ? [] : [about]),
    ...noteCards,
    ...inkEntry(ink),
    ...(blank ? [blank] : []),
    ...(chosen ? [chosen] : []),
  ];
  const noteHere = editing && noteCards.find(({ id }) => notes.find((one) => one.id === id)?.itemId === editing.id)?.id;
  const chosenNote = note && (unsettled.has(note) || !firstOpen) ? note : firstOpen;
  /** The first that applies is lit. */
  const source =
    (lookFor && 'about') ||
    (handing.asking && 'last-look') ||
    noteHere ||
    (here >= 0 && 'blank') ||
    chosenNote ||
    blank?.id;
  const lit: Lit | null = source && !chosen ? litFrom(source, page) : null;
  return {
    entries,
    lit,
    /** What is still to be filled in on the page, besides what is being filled in. */
    open: shut
      ? []
      : steps.filter((step, i) => !step.filled && step.page === page.id && i !== here).map(({ box }) => box),
    choose: (id: string) => {
      setNote(noteCards.some((card) => card.id === id) ? id : null);
      if (id !== 'about') setLookFor(null);
    },
  };
}
