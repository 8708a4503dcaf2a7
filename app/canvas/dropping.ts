import type { RefObject } from 'react';
import { useEffect } from 'react';
import type { Point } from '../../core/geometry/matrix';
import type { Ground } from './gestures/ground';
import { NOTHING } from './gestures/ground';
import type { Presses } from './gestures/presses';

/** `onto`: the picture that what is dropped is to take the place of. `at` is undefined where it was dropped beside the desk. */
export type OnDrop = (data: string, at: Point | undefined, files: readonly File[], onto: string | null) => void;

/**
 * What is dropped on the sheet or the desk around it is put there. Files are taken in wherever in the window they are dropped: the
 * browser never opens them in place of the sheet.
 */
export function useDropping(
  paper: RefObject<HTMLElement | null>,
  ground: Ground,
  presses: Presses,
  onDrop: OnDrop | undefined,
): void {
  useEffect(() => {
    const stage = paper.current?.closest<HTMLElement>('[data-stage]');
    const onDesk = (event: DragEvent) => stage?.contains(event.target as Node | null) ?? false;
    const hasFiles = ({ dataTransfer }: DragEvent) => dataTransfer?.types.includes('Files') ?? false;
    let lit: string | null = null;
    const light = (onto: string | null) => {
      if (onto === lit) return;
      lit = onto;
      ground.show(onto === null ? NOTHING : { hold: { item: onto, target: null } });
    };
    const over = (event: DragEvent) => {
      if (!onDesk(event)) {
        light(null);
        if (hasFiles(event)) event.preventDefault();
        return;
      }
      // Without somebody to take them, files are still not opened.
      if (onDrop || hasFiles(event)) event.preventDefault();
      if (onDrop) light(presses.pictureUnder(event));
    };
    const drop = (event: DragEvent) => {
      const files = [...(event.dataTransfer?.files ?? [])];
      const desk = onDesk(event);
      light(null);
      // A field takes text that is dropped on it.
      if (!desk && files.length === 0) return;
      event.preventDefault();
      const onto = desk ? presses.pictureUnder(event) : null;
      onDrop?.(event.dataTransfer?.getData('text/plain') ?? '', desk ? ground.pointOf(event) : undefined, files, onto);
    };
    const left = ({ relatedTarget }: DragEvent) => relatedTarget === null && light(null);
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    window.addEventListener('dragleave', left);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
      window.removeEventListener('dragleave', left);
    };
  }, [paper, ground, presses, onDrop]);
}
