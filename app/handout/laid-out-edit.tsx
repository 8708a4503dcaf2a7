import { Checkbox } from 'antd';
import { useState } from 'react';
import type { LaidOut } from '../../core/handout/laid-out';
import { MOST_LAID_OUT } from '../../core/handout/laid-out';
import { toggled } from '../../core/values/toggled';
import { PicturePick } from '../makers/kit/picture-pick';
import { Action } from '../parts/action';
import { tileUrl } from '../pictures/finding';
import { usePictures } from '../pictures/picture-index';
import styles from './hand-out.module.css';

/** The shelf of a handout: which pictures its students find first, whether there are others, and whether they may upload some. */

type Props = {
  laidOut: LaidOut;
  onChange: (laidOut: LaidOut) => void;
};

export function LaidOutEdit({ laidOut, onChange }: Props) {
  const { pictures, only, uploads } = laidOut;
  const { entries } = usePictures();
  const [picking, setPicking] = useState(false);
  const nameOf = (id: string) => entries.find((entry) => entry.id === id)?.name ?? 'picture';
  const put = (next: readonly string[]) => onChange({ ...laidOut, pictures: next.slice(0, MOST_LAID_OUT) });
  const full = pictures.length >= MOST_LAID_OUT;
  return (
    <div className={styles.laidOut} role="group" aria-label="Pictures for students">
      {pictures.length > 0 && (
        <ul aria-label="Pictures laid out">
          {pictures.map((id) => (
            <li key={id}>
              <button
                type="button"
                title={`${nameOf(id)}: take it away`}
                aria-label={`Take “${nameOf(id)}” away`}
                onClick={() => put(pictures.filter((one) => one !== id))}
              >
                <img src={tileUrl(id)} alt="" />
              </button>
            </li>
          ))}
        </ul>
      )}
      <p>
        <Action aria-expanded={picking} onClick={() => setPicking(!picking)}>
          {picking ? 'that is all' : 'lay out pictures …'}
        </Action>{' '}
        <span className="quiet">
          {full
            ? `${MOST_LAID_OUT} are laid out, the most there can be.`
            : pictures.length > 0
              ? 'Students find these first.'
              : 'What students find first among the pictures.'}
        </span>
      </p>
      {picking && (
        <PicturePick
          label="Find a picture to lay out"
          chosen={pictures}
          onChoose={({ id }) => put(toggled(pictures, id, !pictures.includes(id)))}
          onBrought={(brought) => put([...new Set([...pictures, ...brought.map(({ id }) => id)])])}
        />
      )}
      <Checkbox checked={only} onChange={(event) => onChange({ ...laidOut, only: event.target.checked })}>
        No other pictures
      </Checkbox>
      <Checkbox checked={uploads} onChange={(event) => onChange({ ...laidOut, uploads: event.target.checked })}>
        Students may upload their own
      </Checkbox>
    </div>
  );
}
