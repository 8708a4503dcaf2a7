import InkLayer from '../ink/ink-layer';
import { inkWords } from '../../core/review/ink';
import type { Ink } from '../../core/review/said';
import type { Page } from '../../core/schema/sheet';
import type { Faces } from '../../core/text/faces';
import { paperStyle } from '../margin/view';
import type { View } from '../margin/view';
import { Action } from '../parts/action';
import styles from './teacher-ink.module.css';

/** What the teacher drew on the go that came back, over the sheet that is worked on. */

type Props = { view: View; page: Page; ink: readonly Ink[]; faces: Faces };

export const TeacherInk = ({ view, page, ink, faces }: Props) => (
  <div className={styles.over} style={paperStyle(view, page)}>
    <InkLayer page={page} ink={ink} faces={faces} scale={view.scale} />
  </div>
);

/** The same in words, with a way to put it out of sight. */
export const TeacherInkCard = ({
  ink,
  shown,
  onToggle,
}: {
  ink: readonly Ink[];
  shown: boolean;
  onToggle: () => void;
}) => (
  <>
    <h3>Your teacher drew on your sheet</h3>
    <p>{inkWords(ink)}</p>
    <Action onClick={onToggle}>{shown ? 'Hide it' : 'Show it'}</Action>
  </>
);
