import { useEffect, useMemo, useRef } from 'react';
import { itemName } from '../../core/items/name';
import { partsOn } from '../../core/review/parts';
import type { Page } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import styles from './reading.module.css';

/** The parts of a piece, reached one after another by keyboard. */

type Props = {
  page: Page;
  scale: number;
  /** Pictures that have arrived: they say where their parts are. */
  arrived: number;
  /** Whether a note is being written. */
  writing: boolean;
  /** The part with the focus; null when it goes elsewhere. */
  onFocus: (item: string | null) => void;
  /** Something is to be said about a part. */
  onChoose: (item: string) => void;
};

export default function PartsByKey({ page, scale, arrived, writing, onFocus, onChoose }: Props) {
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const parts = useMemo(() => partsOn(page, pictureNow), [page, arrived]);
  const list = useRef<HTMLOListElement>(null);
  /** The part that had the focus last. */
  const last = useRef<string | null>(null);

  // Tab leads into the piece where nothing has the focus, and not through all that stands above it.
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Tab' || event.defaultPrevented || document.activeElement !== document.body) return;
      const buttons = [...(list.current?.querySelectorAll('button') ?? [])];
      const at = buttons.findIndex(({ dataset }) => dataset.part === last.current);
      const next = event.shiftKey ? (at < 0 ? buttons.length - 1 : at - 1) : at + 1;
      const button = buttons.at(next) ?? buttons.at(0);
      if (!button) return;
      event.preventDefault();
      button.focus();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);

  // After a note the next part is one Tab away.
  const wrote = useRef(false);
  useEffect(() => {
    if (wrote.current && !writing && document.activeElement === document.body)
      list.current?.querySelector<HTMLElement>(`[data-part="${CSS.escape(last.current ?? '')}"]`)?.focus();
    wrote.current = writing;
  }, [writing]);

  return (
    <ol ref={list} className={styles.parts} aria-label="Parts of the piece">
      {parts.map(({ item, box }) => (
        <li key={item.id}>
          <button
            type="button"
            data-part={item.id}
            aria-label={`Note on ${itemName(item)}`}
            style={{ left: box.x * scale, top: box.y * scale, width: box.width * scale, height: box.height * scale }}
            onFocus={() => {
              last.current = item.id;
              onFocus(item.id);
            }}
            onBlur={() => onFocus(null)}
            onClick={(event) => {
              event.stopPropagation();
              onChoose(item.id);
            }}
          />
        </li>
      ))}
    </ol>
  );
}
