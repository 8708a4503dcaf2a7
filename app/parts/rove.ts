import type { KeyboardEvent } from 'react';

/** Arrow keys within a row of tabs or choices, which is one stop for Tab. */

const STEP: Record<string, 1 | -1> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** The member a key leads to. Null for other keys. */
export function memberAfter(key: string, at: number, count: number): number | null {
  if (count === 0) return null;
  if (key === 'Home') return 0;
  if (key === 'End') return count - 1;
  const step = STEP[key];
  return step === undefined ? null : (at + step + count) % count;
}

/** The tab index of a member: Tab stops at the chosen one, or at the first. */
export const stopAt = (chosen: number, index: number): 0 | -1 => (index === Math.max(0, chosen) ? 0 : -1);

/** For the container: moves the focus among its members. Tabs are selected as they are reached. */
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
