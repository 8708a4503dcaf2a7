/** Where the keyboard focus goes. One rule: after a setting is made it returns to the text being edited, or to the sheet. */

/** Focuses the text being edited, or the sheet. */
export function focusSheet(): void {
  const stage = document.querySelector<HTMLElement>('[data-stage]');
  const words = stage?.querySelector<HTMLElement>('.words-input');
  (words ?? stage)?.focus({ preventScroll: true });
}

const CONTROLS = 'button, summary, label, [role="radio"], [role="tab"], .ant-segmented-item';
/** Controls that keep the focus after a press: pages are moved with the arrow keys. */
const OWN_KEYS = '[role="dialog"], .ant-select, .page-card';
const BESIDE = '.margin-column, .stack, .drawer';

/**
 * After a press on a control beside the sheet that is not typed into, the focus returns to the sheet. Whoever moves there by
 * keyboard stays until Escape. Returns a function that ends this.
 */
export function keysComeBack(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const onClick = ({ detail, target }: MouseEvent) => {
    // A button pressed by keyboard has no click count.
    if (detail === 0 || !(target instanceof Element)) return;
    const control = target.closest(CONTROLS);
    if (!control?.closest(BESIDE) || control.closest(OWN_KEYS)) return;
    clearTimeout(timer);
    // Something opened by the press may have taken the focus: it keeps it.
    timer = setTimeout(() => {
      const active = document.activeElement;
      const typed = active?.matches('textarea, input:not([type="checkbox"], [type="radio"])');
      if (active === document.body || (!typed && control.contains(active))) focusSheet();
    });
  };
  /** Escape leads back to the sheet, unless the control used the key itself. */
  const onKey = (event: KeyboardEvent) => {
    const { target } = event;
    if (event.key !== 'Escape' || event.defaultPrevented || !(target instanceof Element)) return;
    if (!target.closest(BESIDE) || target.closest('[role="dialog"]')) return;
    // The sheet's own Escape would deselect.
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
