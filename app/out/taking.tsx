import { howMany } from '../../core/values/listed';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { downloadFrom } from '../browser/download';
import { useExport } from '../browser/exported';
import { useZone } from '../browser/time';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import type { OutData, OutPiece } from './pieces';
import styles from './out.module.css';

/** What stands on paper besides the piece and its notes. */
export type Shows = { lookFors: boolean; marks: boolean };

type Props = {
  handout: OutData['handout'];
  /** Whether the class list is from a program that marks can go back to. */
  hasSource: boolean;
  picked: readonly OutPiece[];
  shows: Shows;
  onShows: (shows: Shows) => void;
};

/** What can be taken out of the chosen pieces. */
export function TakeOut({ handout, hasSource, picked, shows, onShows }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const zone = useZone();
  const exporting = useExport(setProblem);
  const copies = picked.map(({ id }) => id);
  const none = copies.length === 0;
  const without = picked.filter((piece) => !piece.hasSource).length;
  const of = `of=${copies.join('+')}`;
  const fetched = (place: string) => {
    setProblem(null);
    void downloadFrom(`/handouts/${handout.id}/${place}`).then(setProblem);
  };
  const feedback = () => {
    setProblem(null);
    const from = `/handouts/${handout.id}/feedback`;
    void exporting.take({ from, wanted: { copies, ...shows }, what: 'the PDF', unit: 'piece' });
  };
  return (
    <aside className={`margin-column ${styles.taking}`} aria-label="What is downloaded">
      <p className="quiet" role="status">
        {none ? 'Choose whose pieces on the left.' : `Of ${howMany(copies.length, 'piece')}:`}
      </p>
      {problem !== null && (
        <Alert type="error" showIcon title={problem} role="alert" closable={{ onClose: () => setProblem(null) }} />
      )}
      <section className={card(styles.way)}>
        <h2>Feedback on paper</h2>
        <p>The piece with numbered notes, to print or to send home.</p>
        {handout.counts && (
          <label>
            <input
              type="checkbox"
              checked={shows.lookFors}
              onChange={(event) => onShows({ ...shows, lookFors: event.target.checked })}
            />{' '}
            with what was looked for
          </label>
        )}
        {handout.weighs && (
          <label>
            <input
              type="checkbox"
              checked={shows.marks}
              onChange={(event) => onShows({ ...shows, marks: event.target.checked })}
            />{' '}
            with points
          </label>
        )}
        {exporting.words === null ? (
          <Button type="primary" disabled={none} onClick={feedback}>
            Download as PDF
          </Button>
        ) : (
          <p className={styles.making}>
            <span role="status">{exporting.words}</span> <Action onClick={exporting.stop}>stop</Action>
          </p>
        )}
      </section>
      <section className={card(styles.way)}>
        <h2>Marks as a table</h2>
        <p>A row for each student, for any spreadsheet (CSV). What nobody has judged stays empty.</p>
        <Button disabled={none} onClick={() => fetched(`marks.csv?${of}&zone=${encodeURIComponent(zone)}`)}>
          Download as CSV
        </Button>
      </section>
      {handout.weighs && (
        <section className={card(styles.way)}>
          <h2>Marks for the school’s register</h2>
          {hasSource ? (
            <>
              <p>
                Results as OneRoster tables (ZIP), under the ids of the class list.
                {without > 0 &&
                  ` ${howMany(without, 'piece')} of students without an id ${without === 1 ? 'is' : 'are'} left out.`}
              </p>
              <Button
                disabled={none || without === picked.length}
                onClick={() => fetched(`oneroster?${of}&zone=${encodeURIComponent(zone)}`)}
              >
                Download as OneRoster
              </Button>
            </>
          ) : (
            <p>
              Marks can go back to the program that the class list is from, once the list was read from its OneRoster
              export (under <Link to="/classes">Classes</Link>).
            </p>
          )}
        </section>
      )}
      {handout.rights === 'full' && (
        <section className={card(styles.way)}>
          <h2>Letters home</h2>
          <p>To the families of those whose pieces have come back, with the piece as PDF.</p>
          <Link to={`/handouts/${handout.id}/letters`}>Write home</Link>
        </section>
      )}
      <section className={card(styles.way)}>
        <h2>Notes for other programs</h2>
        <p>Each note with its place on the page, in the open format of the W3C (Web Annotation).</p>
        <Button disabled={none} onClick={() => fetched(`notes.jsonld?${of}`)}>
          Download as JSON-LD
        </Button>
      </section>
    </aside>
  );
}
