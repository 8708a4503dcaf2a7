import { useMemo, useState } from 'react';
import { evidenceOn, openSpots } from '../../core/lookfors/spots';
import type { Tried } from './lookfor-tools';
import type { Box } from '../../core/geometry/matrix';
import type { Page } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';

/** The look-for that is pointed at or worked on: light falls from its card onto what it is about. */

export type Shown = {
  id: string;
  card: HTMLElement;
  /** Its spots on a page, in points. */
  spotsOn: (page: Page) => Box[];
};

/** For the cards: the pointer or the focus is on one, or on none. */
export type Point = (id: string | null, card?: HTMLElement) => void;

/** @param missed on a piece of a student: what is still missed, where something is */
export function useShownLookFor(tried: readonly Tried[], missed: boolean): { shown: Shown | null; point: Point } {
  const [at, setAt] = useState<{ id: string; card: HTMLElement } | null>(null);
  const shown = useMemo(() => {
    const found = at && tried.find(({ own }) => own.id === at.id);
    if (!found) return null;
    const spotsOn = (page: Page) =>
      missed ? openSpots(page, found.own, pictureNow) : evidenceOn(page, found.own.evidence, pictureNow);
    return { ...at, spotsOn };
  }, [at, tried, missed]);
  return { shown, point: (id, card) => setAt(id !== null && card ? { id, card } : null) };
}
