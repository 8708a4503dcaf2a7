import { useState } from 'react';
import { Link, useFetcher, useSubmit } from 'react-router';
import { effectsOf, effectWords } from '../../core/handout/effects';
import { hasClosed, hasOpened } from '../../core/handout/times';
import { closesWords, dueWords, opensWords, returnsWords, useZone } from '../browser/time';
import { later } from '../browser/later';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { sentence } from '../parts/sentence';
import { Sure } from '../parts/sure';
import type { Answer } from './changing';
import { changePlace, Words } from './changing';
import type { SpreadData } from './piece-card';
import styles from './spread.module.css';

/** What students are told of a handout, and what its teacher can do with it after it went out. */

const ChangeForm = later(() => import('./change-form').then((part) => part.default));

/** What deleting takes away, and for how long it can be had back. */
function binQuestion(cards: SpreadData['cards']): string {
  const begun = cards.filter(({ state }) => state !== 'not-begun').length;
  const copies = cards.length === 1 ? 'The student’s copy goes' : `All ${cards.length} copies go`;
  const work = begun === 0 ? 'nobody has begun' : begun === 1 ? 'one was begun' : `${begun} were begun`;
  return `${copies} with it; ${work}. It can be restored from the bin of your Desk for 30 days.`;
}

export function ThisHandout({ personId, handout, cards, now }: SpreadData) {
  const [begun, setBegun] = useKept(personId, changePlace(handout.id), Words);
  const [changing, setChanging] = useState(false);
  const fetcher = useFetcher<Answer>();
  const zone = useZone();
  const act = (what: string) => void fetcher.submit({ do: what }, { method: 'post' });
  const submit = useSubmit();
  const bin = () => void submit({ do: 'bin-handout', handoutId: handout.id }, { method: 'post', action: '/desk' });
  const isClosed = hasClosed(handout.closesAt, now);
  const shut = effectWords(effectsOf(cards, handout, { ...handout, closesAt: new Date(now) }, now));
  return (
    <section className={card(`${styles.figure} ${styles.this}`)}>
      <h3>This handout</h3>
      {changing || begun ? (
        <ChangeForm
          {...{ handout, cards, now, begun }}
          onType={setBegun}
          onDone={() => {
            setBegun(null);
            setChanging(false);
          }}
        />
      ) : (
        <>
          <p className={styles.times}>
            {!hasOpened(handout.opensAt, now) && (
              <span>{sentence(opensWords(handout.opensAt, now, zone))}. Students don’t see it yet.</span>
            )}
            <span>{sentence(dueWords(handout.dueAt, now, zone))}</span>
            {returnsWords(handout.returnsAt, now, zone) && (
              <span>{sentence(returnsWords(handout.returnsAt, now, zone))}, all at once</span>
            )}
            {handout.closesAt && (
              <span className={isClosed ? styles.late : undefined}>
                {sentence(closesWords(handout.closesAt, now, zone))}
              </span>
            )}
          </p>
          {fetcher.data?.problem && <p role="alert">{fetcher.data.problem}</p>}
          <div className={styles.acts}>
            {handout.rights === 'full' && (
              <>
                <Action onClick={() => setChanging(true)}>change</Action>
                {isClosed ? (
                  <Action onClick={() => act('open')}>open again</Action>
                ) : (
                  <Sure
                    question={`${shut[0] ?? 'Nobody is shut out by it.'} Close it now?`}
                    verb="close it"
                    onSure={() => act('close')}
                  >
                    close now
                  </Sure>
                )}
                <Action onClick={() => act(handout.isPutAway ? 'bring-back' : 'put-away')}>
                  {handout.isPutAway ? 'bring back' : 'put away'}
                </Action>
              </>
            )}
            <Action onClick={() => act('use-again')}>use again</Action>
            {handout.rights === 'full' && (
              <Sure question={binQuestion(cards)} verb="put it into the bin" onSure={bin}>
                delete
              </Sure>
            )}
          </div>
          {handout.gallery && (
            <p>
              <Link to={`/handouts/${handout.id}/gallery`}>
                Gallery, {handout.gallery.open ? 'shown to the class' : 'not shown yet'}
              </Link>
            </p>
          )}
          {handout.isChanged && (
            <p>
              Its sheet was changed since.{' '}
              <Link to={`/handouts/${handout.id}/correction`}>See and send the correction</Link>
            </p>
          )}
          {handout.isPutAway && (
            <p className="quiet">
              Put away: it stands at the end of your Desk, unless a piece waits to be read. Students keep their copies.
            </p>
          )}
        </>
      )}
    </section>
  );
}
