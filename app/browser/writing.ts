/** Whether a key that is pressed here writes or chooses something, so that it is no command. */
export const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || target.matches('textarea, select, input:not([type=radio], [type=checkbox])'));
