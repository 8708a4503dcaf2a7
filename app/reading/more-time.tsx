import { useFetcher } from 'react-router';
import { dueOf, isClosed } from '../../core/handout/times';
import { closesWords, dueWords } from '../browser/time';
import { DayField } from '../fields/day-field';
import { localOf, momentOf } from '../fields/day-words';
import { sentence } from '../parts/sentence';
import type { Route } from '../routes/+types/reading';
import styles from './reading.module.css';

/** Until when this student may hand in, and more time for them alone. */

type Props = { loaded: Route.ComponentProps['loaderData']; zone: string };

export default function MoreTime({ loaded, zone }: Props) {
  const { copy, goes, now } = loaded;
  const fetcher = useFetcher<{ problem: string | null }>();
  const asked = fetcher.formData?.get('to');
  const to = asked === undefined || asked === null ? copy.extendedTo : asked === '' ? null : new Date(String(asked));
  const own = { dueAt: copy.dueAt, closesAt: copy.closesAt, extendedTo: to, returnedAt: null };
  const give = (local: string) =>
    void fetcher.submit(
      { do: 'extend', copies: copy.id, to: momentOf(local)?.toISOString() ?? '' },
      { method: 'post', action: `/handouts/${copy.handoutId}` },
    );
  const words = [
    dueWords(dueOf(own), now, zone),
    goes.length === 0 && isClosed(own, now) && closesWords(copy.closesAt, now, zone),
  ];
  return (
    <p className={styles.time}>
      <span className="quiet">{sentence(words.filter(Boolean).join(', '))}</span>
      <DayField
        time
        mayBeNone
        label="More time, for this student"
        none="Give more time"
        value={localOf(to)}
        onChange={give}
      />
      {fetcher.data?.problem && fetcher.state === 'idle' && <span role="alert">{fetcher.data.problem}</span>}
    </p>
  );
}
