import { inkWords } from '../../core/review/ink';
import type { Ink } from '../../core/review/said';
import { Action } from '../parts/action';
import type { Writing } from './writing';
import styles from './reading.module.css';

type Props = {
  ink: readonly Ink[];
  page: { id: string };
  pages: readonly { id: string }[];
  /** Whether something can be said on the piece now. */
  open: boolean;
  writing: Writing;
};

/** What is drawn on the piece by hand, in words, and what came too late for the go before. */
export default function InkCard({ ink, page, pages, open, writing }: Props) {
  const { late } = writing;
  const here = ink.filter(({ pageId }) => pageId === page.id);
  const elsewhere = ink.length - here.length;
  return (
    <>
      {ink.length > 0 && (
        <>
          <h3>Drawn by hand</h3>
          <p>{here.length > 0 ? inkWords(here) : 'Nothing on this page'}</p>
          <span className={styles.noteFoot}>
            <span className="quiet">{elsewhere > 0 && `${elsewhere} on other pages`}</span>
            {open && here.length > 0 && (
              <Action onClick={() => here.forEach(({ id }) => writing.say({ do: 'rub-out', ink: id }))}>
                Delete all of it
              </Action>
            )}
          </span>
        </>
      )}
      {late.length > 0 && (
        <>
          <h3>{late.length === 1 ? 'A stroke or stamp' : `${late.length} strokes and stamps`} of the go before</h3>
          <p>They came too late: the piece had been taken back.</p>
          <span className={styles.noteFoot}>
            {open && <Action onClick={() => writing.putLate(pages)}>Put on this go</Action>}
            <Action onClick={writing.dropLate}>Delete</Action>
          </span>
        </>
      )}
    </>
  );
}
