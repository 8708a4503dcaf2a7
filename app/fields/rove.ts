import type { KeyboardEvent } from 'react';

/** Arrows between the members of a row of tabs or of choices, which is one stop for Tab. */

const STEP: Record<string, 1 | -1> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** The member that a key leads to from one of `count`; null for other keys. */
export function memberAfter(key: string, at: number, count: number): number | null {
  if (count === 0) return null;
  if (key === 'Home') return 0;
  if (key === 'End') return count - 1;
  const step = STEP[key];
  return step === undefined ? null : (at + step + count) % count;
}

/** Of several members the one that Tab stops at: what is chosen, else the first. */
export const stopAt = (chosen: number, index: number): 0 | -1 => (index === Math.max(0, chosen) ? 0 : -1);

/** For the container: moves the focus among its members of a role; tabs are chosen as they are reached. */
export function rove(event: KeyboardEvent<HTMLElement>, role: 'tab' | 'radio'): void {
  const members = [...event.currentTarget.querySelectorAll<HTMLElement>(`[role="${role}"]`)];
  const at = members.indexOf(document.activeElement as HTMLElement);
  const next = at < 0 ? null : memberAfter(event.key, at, members.length);
  if (next === null) return;
  event.preventDefault();
  event.stopPropagation();
  members[next].focus();
  if (role === 'tab') members[next].click();
}
