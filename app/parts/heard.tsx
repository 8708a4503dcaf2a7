import { lengthWords } from '../../core/review/spoken';
import type { Spoken } from '../../core/review/said';
import styles from './heard.module.css';

/** What was spoken, to be heard. */
export const Heard = ({ spoken, src }: { spoken: Spoken; src: string | undefined }) => (
  <span className={styles.heard}>
    <audio controls preload="none" src={src} aria-label={`Spoken note, ${lengthWords(spoken)}`} />
    <span className="quiet">{lengthWords(spoken)}</span>
  </span>
);
