/**
 * Highlights an item on the sheet while the pointer is over its name elsewhere. Without React, since it only lasts a moment.
 */
export const lightUp = (id: string, on: boolean): void =>
  void document.querySelector(`.page-view g[data-item="${id}"]`)?.classList.toggle('lit', on);
