/** Lights a thing up on the sheet while the pointer is over its name elsewhere: past React, because it is only a glance. */
export const lightUp = (id: string, on: boolean): void =>
  void document.querySelector(`.page-view g[data-item="${id}"]`)?.classList.toggle('lit', on);
