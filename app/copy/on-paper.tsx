import { useState } from 'react';
import { useExport } from '../browser/exported';
import { Action } from '../parts/action';
import styles from './copy.module.css';

/** What came back, on paper: the piece with its notes, look-fors and marks. */
export function OnPaper({ copyId }: { copyId: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const exporting = useExport(setProblem);
  const take = () => {
    setProblem(null);
    void exporting.take({ from: `/copies/${copyId}/feedback`, wanted: {}, what: 'the PDF', unit: 'piece' });
  };
  return (
    <>
      {exporting.words === null ? (
        <Action onClick={take}>feedback as PDF</Action>
      ) : (
        <span className={styles.onPaper} role="status">
          {exporting.words}
        </span>
      )}
      {problem !== null && (
        <span className={styles.onPaper} role="alert">
          {problem}
        </span>
      )}
    </>
  );
}
