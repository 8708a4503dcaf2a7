import { Form } from 'react-router';
import type { Purpose } from '../../server/stores/sheets';
import { PurposeDrawing } from '../house/purposes';
import { card } from '../parts/card';
import styles from './beginnings.module.css';

type Props = {
  purposes: readonly { id: Purpose; name: string }[];
  /** The folder that is open: a new sheet goes there. */
  folderId: string | null;
  /** Nothing is there yet: the light falls here. */
  lit: boolean;
};

/** What a new sheet can be. */
export const Beginnings = ({ purposes, folderId, lit }: Props) => (
  <Form
    method="post"
    action="/desk"
    className={styles.row}
    aria-label="Start something new"
    data-lit={lit || undefined}
  >
    <input type="hidden" name="do" value="begin" />
    <input type="hidden" name="folderId" value={folderId ?? ''} />
    {purposes.map(({ id, name }) => (
      <button key={id} name="purpose" value={id} className={card(styles.purpose)}>
        <PurposeDrawing purpose={id} />
        <span>{name}</span>
      </button>
    ))}
  </Form>
);
