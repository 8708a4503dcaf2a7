import { Modal } from 'antd';
import type { ReturningPiece } from './returning';
import styles from '../student/student.module.css';

/** What is asked before a piece with unfinished notes is returned. It comes with the page: it is asked offline, too. */

export const UnfinishedNotes = ({ of: { asking, written, stay, finishAndGive } }: { of: ReturningPiece }) => (
  <Modal
    open={asking !== null}
    title={written.length === 1 ? 'One note is not finished' : `${written.length} notes are not finished`}
    okText={`Keep ${written.length === 1 ? 'it' : 'them'} and give back`}
    cancelText="Stay"
    onOk={finishAndGive}
    onCancel={stay}
  >
    {written.map(({ note, body }) => (
      <p key={note} className={styles.noteWords}>
        {body}
      </p>
    ))}
  </Modal>
);
