import { Popover } from 'antd';
import { createContext, useContext, useRef, useState } from 'react';
import { colourName } from '../../core/colour/name';
import { DRAWN } from '../../core/schema/defaults';
import { later } from '../browser/later';
import { noteColour } from '../commands/commands';
import type { Editor } from '../document/editor';
import { sentence } from '../parts/sentence';
import { rove, stopAt } from '../parts/rove';
import { Swatch } from './swatch';
import styles from './swatches.module.css';

/** Choosing a colour: the sheet's palette is always in view, everything else one press away. */

const ColourPanel = later(() => import('./colour-panel').then((part) => part.default));
/** The editor whose recent colours and sampler a colour field uses. */
export const EditorContext = createContext<Editor | null>(null);

/** Pixels from a button to the left edge of its margin card: the panel opens beside the card, not over it. */
function toEdgeOfCard(button: HTMLElement | null): number {
  const card = button?.closest('.margin-card');
  return button && card ? button.getBoundingClientRect().left - card.getBoundingClientRect().left : 0;
}

type SwatchProps = {
  label: string;
  /** Undefined where several differ. */
  value: string | null | undefined;
  palette: readonly string[];
  none?: string;
  onChange: (hex: string | null) => void;
};

export function Swatches({ label, value, palette, none, onChange }: SwatchProps) {
  const editor = useContext(EditorContext);
  const [open, setOpen] = useState(false);
  const trigger = useRef<HTMLButtonElement>(null);
  const [besideCard, setBesideCard] = useState(0);
  const other = typeof value === 'string' && !palette.includes(value);
  const members = [...(none ? [null] : []), ...palette];
  const chosen = value === undefined ? -1 : members.indexOf(value);
  const choose = (hex: string | null) => {
    onChange(hex);
    if (editor && hex && !palette.includes(hex)) noteColour(editor, hex);
  };
  return (
    <div className={styles.swatches} role="radiogroup" aria-label={label} onKeyDown={(event) => rove(event, 'radio')}>
      <span className={styles.label}>{sentence(label)}</span>
      <span className={styles.all}>
        {none && (
          <Swatch
            colour="none"
            role="radio"
            aria-checked={value === null}
            tabIndex={stopAt(chosen, 0)}
            aria-label={none}
            title={none}
            onClick={() => onChange(null)}
          />
        )}
        {palette.map((hex, i) => {
          const name = colourName(hex);
          return (
            <Swatch
              key={`${hex} ${i}`}
              colour={hex}
              role="radio"
              aria-checked={value === hex}
              tabIndex={stopAt(chosen, i + (none ? 1 : 0))}
              aria-label={`${label} ${hex}, ${name}`}
              title={`${name} ${hex}`}
              onClick={() => onChange(hex)}
            />
          );
        })}
        <Popover
          trigger="click"
          placement="leftTop"
          arrow={false}
          align={{ offset: [-besideCard, 0] }}
          open={open}
          onOpenChange={(now) => {
            setBesideCard(toEdgeOfCard(trigger.current));
            setOpen(now);
          }}
          destroyOnHidden
          content={
            <>
              <ColourPanel
                editor={editor}
                label={label}
                value={value ?? DRAWN.grey}
                onChange={choose}
                onClose={() => setOpen(false)}
              />
            </>
          }
        >
          <Swatch
            ref={trigger}
            colour={other ? value : 'other'}
            marked={other}
            aria-label={`${label}: another colour${other ? `, ${value}` : ''}`}
            aria-expanded={open}
            title="Another colour"
          />
        </Popover>
      </span>
    </div>
  );
}
