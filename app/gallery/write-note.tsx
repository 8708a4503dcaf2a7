import { Button } from 'antd';
import { nanoid } from 'nanoid';
import { useEffect } from 'react';
import { useFetcher } from 'react-router';
import { z } from 'zod';
import { GALLERY_KINDS, MOST_GALLERY_LETTERS } from '../../core/review/gallery';
import type { GalleryKind } from '../../core/review/gallery';
import { Segments } from '../fields/segments';
import { useKept } from '../keeping/kept';
import { Action, Chip } from '../parts/action';
import styles from './gallery.module.css';

/** Where a student writes about a piece. What is begun is kept until it has arrived. */

const KINDS = Object.keys(GALLERY_KINDS) as [GalleryKind, ...GalleryKind[]];
const Draft = z.object({ note: z.string(), kind: z.enum(KINDS), body: z.string() });
const OPTIONS = KINDS.map((value) => ({ value, label: `${GALLERY_KINDS[value]} …` }));

type Answer = { problem: string | null; note?: string };
type Props = { personId: string; handoutId: string; piece: { id: string; called: string } };

export function WriteNote({ personId, handoutId, piece: { id, called } }: Props) {
  const [draft, put] = useKept(personId, `gallery/${handoutId}/${id}`, Draft);
  const fetcher = useFetcher<Answer>({ key: `gallery ${id}` });
  const arrived = fetcher.data?.problem === null ? fetcher.data.note : undefined;
  useEffect(() => {
    if (arrived !== undefined && arrived === draft?.note) put(null);
  }, [arrived]); // eslint-disable-line react-hooks/exhaustive-deps
  if (!draft)
    return (
      <span>
        <Chip aria-label={`Write about ${called}`} onClick={() => put({ note: nanoid(), kind: 'like', body: '' })}>
          Write about it …
        </Chip>
      </span>
    );
  const busy = fetcher.state !== 'idle';
  const problem = busy ? null : fetcher.data?.problem;
  const send = () => {
    if (busy || draft.body.trim() === '') return;
    void fetcher.submit({ do: 'note', piece: id, ...draft }, { method: 'post' });
  };
  return (
    <form
      className={styles.write}
      aria-label={`About ${called}`}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
    >
      <Segments
        label="How it begins"
        value={draft.kind}
        options={OPTIONS}
        onChange={(kind) => put({ ...draft, kind })}
      />
      <textarea
        aria-label={`${GALLERY_KINDS[draft.kind]} …`}
        autoFocus={draft.body === ''}
        rows={3}
        maxLength={MOST_GALLERY_LETTERS}
        value={draft.body}
        onChange={(event) => put({ ...draft, body: event.target.value })}
      />
      {problem && (
        <p role="alert" className={styles.problem}>
          {problem}
        </p>
      )}
      <span className={styles.by}>
        <Button htmlType="submit" type="primary" size="small" loading={busy} disabled={draft.body.trim() === ''}>
          Send to your teacher
        </Button>
        <Action onClick={() => put(null)}>cancel</Action>
      </span>
    </form>
  );
}
