import { useState } from 'react';
import { page as pageOf } from '../../core/schema/defaults';
import type { Ink } from '../../core/review/said';
import type { Faces } from '../../core/text/faces';
import { later } from '../browser/later';
import { PageTabs } from '../parts/page-tabs';
import type { Loaded } from '../student/entries';
import styles from './beside.module.css';

/** What is looked at beside one's own sheet: the go that came back, or an example. */

type Props = {
  copyId: string;
  go: NonNullable<Loaded['lastGo']>;
  /** The page that the new go shows. */
  pageId: string;
  ink: readonly Ink[];
  faces: Faces | null;
};

const InkLayer = later(() => import('../ink/ink-layer').then((part) => part.default), null);

/** The go that came back, beside the new one: as it was handed in, with its notes by number. */
export function LastGo({ copyId, go, pageId, ink, faces }: Props) {
  const index = Math.max(
    0,
    go.pages.findIndex(({ id }) => id === pageId),
  );
  const { id: shown, width, height, notes } = go.pages[index];
  return (
    <section className={styles.last} aria-label={`Go ${go.number}, as it was handed in`}>
      <h2>Go {go.number}</h2>
      <div className={styles.page} style={{ aspectRatio: `${width} / ${height}` }}>
        <img src={`/copies/${copyId}/picture.svg?go=${go.id}&page=${index}`} alt={`Your go ${go.number}`} />
        {faces && ink.length > 0 && (
          <InkLayer page={pageOf({ id: shown, width, height })} ink={ink} faces={faces} scale={1} />
        )}
        {notes.map(
          ({ id, at }, i) =>
            at && (
              <span
                key={id}
                className={styles.tick}
                style={{ left: `${(at.x / width) * 100}%`, top: `${(at.y / height) * 100}%` }}
              >
                {i + 1}
              </span>
            ),
        )}
      </div>
      {notes.length > 0 && (
        <ol className={styles.notes}>
          {notes.map(({ id, body }) => (
            <li key={id}>{body}</li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** What the teacher gave as an example, beside one's own sheet. */
export function Example({ copyId, pages }: { copyId: string; pages: NonNullable<Loaded['example']> }) {
  const [index, setIndex] = useState(0);
  const { id, width, height } = pages[index];
  return (
    <section className={styles.last} aria-label="An example to look at">
      <h2>An example</h2>
      <div className={styles.page} style={{ aspectRatio: `${width} / ${height}` }}>
        <img src={`/copies/${copyId}/picture.svg?example=1&page=${index}`} alt="An example of what to make" />
      </div>
      <div className={styles.pages}>
        <PageTabs pages={pages} shown={id} onShow={(_, at) => setIndex(at)} />
      </div>
    </section>
  );
}
