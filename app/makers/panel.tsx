import { useMemo } from 'react';
import { alteredCount } from '../../core/makers/remake';
import { Toggle } from '../fields/toggle';
import { makerOf } from './all';
import type { PanelProps } from './kit/parts';
import styles from './kit/kit.module.css';

/** The recipe of what is chosen, in its margin card. */
export function MakerPanel(props: PanelProps) {
  const { editor, group } = props;
  const altered = useMemo(() => alteredCount(group), [group]);
  if (!group.maker) return null;
  const { Panel } = makerOf(group.maker.kind);
  return (
    <>
      <Panel {...props} />
      {altered > 0 && (
        <p className={styles.altered}>
          {altered === 1 ? '1 part was changed by hand' : `${altered} parts were changed by hand`}
          <Toggle
            label="Put all back to where they would be made; looks stay"
            onClick={() => editor.making?.tidy(group.id, 'places')}
          >
            tidy
          </Toggle>
          <Toggle
            label="Make everything anew, as if nothing had been done by hand"
            onClick={() => editor.making?.tidy(group.id, 'all')}
          >
            make anew
          </Toggle>
        </p>
      )}
    </>
  );
}
