import { letterOf } from '../../core/values/letters';
import styles from './version-mark.module.css';

/** Which version of a handout a piece is. */
export const VersionMark = ({ version }: { version: number }) => (
  <span className={styles.mark} title={`Version ${letterOf(version)}`}>
    <span className="sr">Version </span>
    {letterOf(version)}
  </span>
);
