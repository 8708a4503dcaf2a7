/** Where keys go. One rule: after a setting is made, they go to the text that is being edited, or to the sheet. */

/** Gives the keys to the text that is being edited, else to the sheet. */
export function focusSheet(): void {
  const stage = document.querySelector<HTMLElement>('[data-stage]');
  const words = stage?.querySelector<HTMLElement>('.words-input');
  (words ?? stage)?.focus({ preventScroll: true });
}

const CONTROLS = 'button, summary, label, [role="radio"], [role="tab"], .ant-segmented-item';
/** What has keys of its own after a press: pages are moved with the arrows. */
const OWN_KEYS = '[role="dialog"], .ant-select, .page-card';
const BESIDE = '.margin-column, .stack, .drawer';

/**
 * After a press on something beside the sheet that nobody types into, keys go back to the sheet. Who goes there by keyboard stays
 * there until Escape. Gives what ends it.
 */
export function keysComeBack(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const onClick = ({ detail, target }: MouseEvent) => {
    // A key that presses a button counts no clicks.
    if (detail === 0 || !(target instanceof Element)) return;
    const control = target.closest(CONTROLS);
    if (!control?.closest(BESIDE) || control.closest(OWN_KEYS)) return;
    clearTimeout(timer);
    // What the press opens may have taken the focus by then: it keeps it.
    timer = setTimeout(() => {
      const active = document.activeElement;
      const typed = active?.matches('textarea, input:not([type="checkbox"], [type="radio"])');
      if (active === document.body || (!typed && control.contains(active))) focusSheet();
    });
  };
  /** Escape leads back from whatever stands beside the sheet, once nothing there took it for itself. */
  const onKey = (event: KeyboardEvent) => {
    const { target } = event;
    if (event.key !== 'Escape' || event.defaultPrevented || !(target instanceof Element)) return;
    if (!target.closest(BESIDE) || target.closest('[role="dialog"]')) return;
    // On the sheet it would deselect.
    event.preventDefault();
    focusSheet();
  };
  document.addEventListener('click', onClick);
  document.addEventListener('keydown', onKey);
  return () => {
    clearTimeout(timer);
    document.removeEventListener('click', onClick);
    document.removeEventListener('keydown', onKey);
  };
}
