import { useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { z } from 'zod';
import type { FirstStep } from '../../core/sheet/first-steps';
import { firstSteps, isSample } from '../../core/sheet/first-steps';
import type { Page, Sheet } from '../../core/schema/sheet';
import { find } from '../../core/sheet/tree';
import { lightOn } from '../../core/handout/spots';
import { addMade } from '../makers/kit/begin';
import { BEGINNING as MAP } from '../makers/map/beginning';
import type { Editor } from '../document/editor';
import { useEditor } from '../document/editor';
import { litFrom } from '../drawing/lit';
import { pictureNow } from '../drawing/resources';
import { keep, useKept } from '../keeping/kept';
import type { MarginEntry } from '../margin/margin';
import type { Lit } from '../margin/light';
import { Action } from '../parts/action';
import styles from './first-steps.module.css';

/** What comes first on a new sheet: three steps in the margin that are ticked as the sheet shows them. */

const WORDS: Record<FirstStep['id'], { says: string; compartment: string }> = {
  title: { says: 'Give it a title', compartment: 'words' },
  task: { says: 'Write what to do', compartment: 'words' },
  answers: { says: 'Add something to fill in', compartment: 'labels' },
  map: { says: 'Write your ideas in the outline', compartment: 'makers' },
  picture: { says: 'Add a picture', compartment: 'pictures' },
  background: { says: 'Choose a background', compartment: 'words' },
  labels: { says: 'Label three parts', compartment: 'labels' },
  bank: { says: 'Add a word bank', compartment: 'labels' },
};

/** The compartment that a new sheet of a purpose opens with. */
const COMPARTMENTS: Record<string, string> = { poster: 'pictures', map: 'makers', diagram: 'labels' };

/** Begins a new sheet: what it is for is selected or put there, and what it needs is open. */
function begin(editor: Editor, purpose: string): void {
  const compartment = COMPARTMENTS[purpose];
  if (compartment) editor.put({ compartment });
  if (purpose === 'map') void addMade(editor, MAP);
  const picture = editor.page.items.find(({ kind }) => kind === 'picture');
  if (purpose === 'diagram' && picture) editor.select([picture.id]);
}

const Open = z.literal(true);
const placeOf = (sheetId: string) => `sheets/${sheetId}/first-steps`;

/** The steps while they are shown: from the sheet's beginning, over reloads, until they are closed. */
export function useFirstSteps(
  editor: Editor,
  { personId, id, purpose, seq }: { personId: string; id: string; purpose: string; seq: number },
): { steps: FirstStep[]; close: () => void } | null {
  const sheet = useEditor(editor, 'sheet');
  const [search] = useSearchParams();
  const [open, setOpen] = useKept(personId, placeOf(id), Open);
  const isNew = search.get('named') === 'no' && seq === 0;
  const [begun, setBegun] = useState(false);
  const faces = useEditor(editor, 'faces');
  useEffect(() => {
    if (isNew && firstSteps(purpose, editor.sheet).length > 0) keep(personId, placeOf(id), true);
  }, [isNew, editor, personId, id, purpose]);
  useEffect(() => {
    // What is put there is measured with its font.
    if (!isNew || begun || !faces) return;
    setBegun(true);
    begin(editor, purpose);
  }, [isNew, begun, faces, editor, purpose]);
  const steps = useMemo(() => (open ? firstSteps(purpose, sheet) : []), [open, purpose, sheet]);
  return useMemo(
    () => (steps.length > 0 ? { steps, close: () => setOpen(null) } : null),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [steps],
  );
}

/** Leads to where a step is done. */
function goTo(editor: Editor, { id, item }: FirstStep): void {
  editor.put({ compartment: WORDS[id].compartment });
  if (id === 'background') return editor.select([]);
  const found = item === null ? undefined : find(editor.sheet, item);
  if (!found) return;
  if (found.page.id !== editor.pageId) editor.turnTo(found.page.id);
  if (found.item.kind === 'text' && (id === 'title' || id === 'task')) editor.openText(found.item);
  else editor.select([found.item.id]);
  if (id === 'map') editor.put({ tab: 'make' });
}

type CardProps = {
  editor: Editor;
  steps: readonly FirstStep[];
  /** As one line. */ folded: boolean;
  close: () => void;
};

function StepsCard({ editor, steps, folded, close }: CardProps) {
  const done = steps.filter((step) => step.done).length;
  const next = steps.find((step) => !step.done);
  if (!next)
    return (
      <p className={styles.line}>
        All three steps are done. Hand it out when it is ready. <Action onClick={close}>close</Action>
      </p>
    );
  if (folded)
    return (
      <p className={styles.line}>
        Next:{' '}
        <Action className={styles.go} onClick={() => goTo(editor, next)}>
          {WORDS[next.id].says}
        </Action>
        <small>
          {done} of {steps.length} done
        </small>
      </p>
    );
  return (
    <>
      <h3>
        Three steps{' '}
        <small>
          {done} of {steps.length} done
        </small>
      </h3>
      <ol className={styles.steps}>
        {steps.map((step) => (
          <li key={step.id} data-done={step.done || undefined} data-next={step === next || undefined}>
            <svg className={styles.tick} viewBox="0 0 20 20" width="20" height="20" aria-hidden="true">
              <circle cx="10" cy="10" r="8.4" />
              {step.done && <path d="M5.8 10.4L8.8 13.4L14.4 7" />}
            </svg>
            <Action onClick={() => goTo(editor, step)}>{WORDS[step.id].says}</Action>
            {step.done && <span className="sr">done</span>}
          </li>
        ))}
      </ol>
      <Action className={styles.close} onClick={close}>
        close
      </Action>
    </>
  );
}

/** Sample words to be written over; anything else is drawn under even light, so that its colours are seen as they are. */
const sampleOf = (sheet: Sheet, page: Page, steps: readonly FirstStep[]) => {
  const next = steps.find((step) => !step.done);
  const found = next?.item ? find(sheet, next.item) : undefined;
  return found?.page.id === page.id && found.item.kind === 'text' && isSample(found.item) ? found.item : null;
};

export function stepsEntry(
  editor: Editor,
  { steps, close }: { steps: FirstStep[]; close: () => void },
  folded: boolean,
): MarginEntry {
  const { page } = editor;
  const sample = folded ? null : sampleOf(editor.sheet, page, steps);
  return {
    id: 'steps',
    anchor: null,
    end: 'top',
    tone: 'straw',
    label: 'First steps',
    light: sample ? () => lightOn(page, sample, pictureNow) : undefined,
    content: <StepsCard editor={editor} steps={steps} folded={folded} close={close} />,
  };
}

/** The light on what the next step is about. */
export const stepsLit = (sheet: Sheet, page: Page, steps: readonly FirstStep[]): Lit | null =>
  sampleOf(sheet, page, steps) && litFrom('steps', page);
