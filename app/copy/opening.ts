import { useEffect, useMemo, useRef } from 'react';
import { useRevalidator } from 'react-router';
import { isStepMet, toldById } from '../../core/lookfors/step-open';
import type { Editor } from '../document/editor';
import type { Loaded } from '../student/entries';

/**
 * The steps of a brief while they open. The server decides, and tells nothing of what is shut: once everything of the present
 * step is met, the copy's screen is loaded again.
 * @returns what is open of the loaded screen, with the results that belong to it
 */
export function useSteps(editor: Editor, loaded: Loaded, all: Loaded['results']) {
  const { revalidate } = useRevalidator();
  const { steps, lookFors } = loaded;
  const present = steps.open.at(-1);
  const opens = present !== undefined && steps.open.length < steps.of && isStepMet(present, toldById(lookFors, all));
  useEffect(() => {
    // Without a network it stays as it is, and is asked again with the next count.
    if (opens) void revalidate();
  }, [opens, all]); // eslint-disable-line react-hooks/exhaustive-deps
  const before = useRef(steps.open.length);
  useEffect(() => {
    if (steps.open.length <= before.current) return;
    before.current = steps.open.length;
    // What was counted before says nothing of the new step.
    editor.results = loaded.results;
    editor.say(`Step ${steps.open.length} has opened.`);
  }, [editor, steps.open.length, loaded.results]);
  return useMemo(() => {
    const open = lookFors.map(({ shut }) => !shut);
    return {
      shown: { ...loaded, lookFors: lookFors.filter((_, i) => open[i]) },
      results: all.filter((_, i) => open[i]),
    };
  }, [loaded, lookFors, all]);
}
