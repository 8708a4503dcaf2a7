import { howMany, inWords } from '../../core/values/listed';
import { Link } from 'react-router';
import { addLateCopies } from '../../server/stores/handing-out';
import { galleriesFor } from '../../server/stores/gallery';
import { nextOpening, trayOf } from '../../server/stores/copies';
import { useLoadAgain } from '../browser/load-again';
import { orLast } from '../browser/reached';
import { isOpen } from '../../core/handout/state';
import { closesOf, dueOf, isClosed } from '../../core/handout/times';
import { agoWords, closesWords, dueWords, useZone } from '../browser/time';
import { HouseStrip } from '../house/house-strip';
import { useKeptPage } from '../offline/offline';
import { StateLabel } from '../house/leaf';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { sentence } from '../parts/sentence';
import { requireRole } from '../who.server';
import type { Route } from './+types/tray';
import styles from './tray.module.css';
import { Sign } from '../parts/sign';

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'student');
  await addLateCopies(context.services.db, person.id, context.services.shelf.resources.pictures);
  const { db, demo } = context.services;
  const [copies, opensNext, galleries] = await Promise.all([
    trayOf(db, person.id),
    nextOpening(db, person.id),
    galleriesFor(db, person.id),
  ]);
  return { person, copies, opensNext, galleries, now: Date.now(), demo };
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Tray · Dappled Margin' }];

type Entry = Route.ComponentProps['loaderData']['copies'][number];

/** It can no longer be handed in, and was not. */
const isShut = (copy: Entry, now: number) => isOpen(copy.state) && isClosed(copy, now);

const isBack = ({ state, unsettled }: Entry) => state === 'another-go' || (state === 'done' && unsettled > 0);
const isToDo = ({ state }: Entry) => state === 'not-begun' || state === 'under-way';
/** What came back first, then what is due first; what has no due time last. */
const inTurn = (a: Entry, b: Entry) =>
  Number(isBack(b)) - Number(isBack(a)) || +(dueOf(a) ?? Infinity) - +(dueOf(b) ?? Infinity);

/** What the student does next with a copy, as a button says it. */
function nextStep({ state, unsettled }: Entry): string {
  if (unsettled > 0) return unsettled === 1 ? 'See your note' : `See your ${unsettled} notes`;
  if (state === 'not-begun') return 'Begin';
  return state === 'under-way' ? 'Go on' : 'Have another go';
}

export default function Tray({ loaderData }: Route.ComponentProps) {
  const { person, copies, opensNext, galleries, now } = loaderData;
  // What opens meanwhile comes by itself.
  useLoadAgain(opensNext, now);
  useKeptPage(person.id, `tray ${now}`);
  const zone = useZone();
  const open = copies.filter((copy) => (isBack(copy) || isToDo(copy)) && !isShut(copy, now)).sort(inTurn);
  const shelf = copies.filter((copy) => !open.includes(copy));
  const [next, ...others] = open;
  /** What a student has to know of a copy now. */
  const newsOf = (copy: Entry): string =>
    copy.mates.length > 0 ? `${stateOf(copy)} · with ${inWords(copy.mates)}` : stateOf(copy);
  const stateOf = (copy: Entry): string => {
    if (isShut(copy, now)) return `${closesWords(closesOf(copy), now, zone)}, not handed in`;
    if (isToDo(copy)) return dueWords(dueOf(copy), now, zone);
    return copy.state === 'handed-in' ? 'with your teacher' : `came back ${agoWords(copy.returnedAt, now)}`;
  };
  const late = (copy: Entry) => isToDo(copy) && +(dueOf(copy) ?? Infinity) < now;
  const first = person.name.split(/\s+/)[0];
  return (
    <div className={`${styles.tray} dapple`}>
      <HouseStrip person={person} />
      {loaderData.demo && (
        <div className="demo-note">This is the demo school: everybody in it is made up. Change what you like.</div>
      )}
      <main>
        <h2 className={styles.hello}>
          Hello {first}.{' '}
          <span>{next ? (isBack(next) ? 'Something came back.' : 'This is next.') : 'Nothing to do just now.'}</span>
        </h2>
        {next && (
          <Link to={`/copies/${next.id}`} className={`${card(styles.next)} ${styles.copy}`}>
            <Picture copy={next} />
            <span className={styles.words}>
              <strong>{next.title}</strong>
              {next.brief && <span className={styles.brief}>{next.brief}</span>}
              <StateLabel state={next.state} />
              <span className={late(next) ? styles.late : 'quiet'}>{sentence(newsOf(next))}</span>
              {next.damage !== null && <strong className="damage-word">Damaged</strong>}
              <span className={styles.step}>
                {nextStep(next)} <Sign of="after" />
              </span>
            </span>
          </Link>
        )}
        {others.length > 0 && (
          <section aria-labelledby="then">
            <h2 id="then">Then</h2>
            <div className={styles.copies}>
              {others.map((copy) => (
                <Small key={copy.id} copy={copy} news={newsOf(copy)} late={late(copy)} step={nextStep(copy)} />
              ))}
            </div>
          </section>
        )}
        {shelf.length > 0 && (
          <section aria-labelledby="shelf">
            <h2 id="shelf">Handed in and over</h2>
            <div className={styles.copies}>
              {shelf.map((copy) => (
                <Small key={copy.id} copy={copy} news={newsOf(copy)} late={isShut(copy, now)} />
              ))}
            </div>
          </section>
        )}
        {galleries.length > 0 && (
          <section aria-labelledby="galleries">
            <h2 id="galleries">From your class</h2>
            <ul className={styles.galleries}>
              {galleries.map(({ handoutId, title, pieces }) => (
                <li key={handoutId}>
                  <Link to={`/galleries/${handoutId}`} className={card(styles.gallery)}>
                    <strong>Gallery: {title}</strong>
                    <span className="quiet">{howMany(pieces, 'piece')} to look at</span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        {copies.some(({ state, returnedAt }) => returnedAt !== null || state === 'handed-in') && (
          <p className={styles.all}>
            <Link to="/work">My work and what was said about it</Link>
          </p>
        )}
        {copies.length === 0 && <Empty>When your teacher hands something out, it is here.</Empty>}
      </main>
    </div>
  );
}

const Picture = ({ copy }: { copy: Entry }) => (
  <span className={styles.picture}>
    <img src={`/copies/${copy.id}/picture.svg?seq=${copy.seq}`} alt="" loading="lazy" />
  </span>
);

function Small({ copy, news, late, step }: { copy: Entry; news: string; late: boolean; step?: string }) {
  return (
    <Link to={`/copies/${copy.id}`} className={`${card(styles.small)} ${styles.copy}`}>
      <Picture copy={copy} />
      <strong>{copy.title}</strong>
      <StateLabel state={copy.state} />
      {copy.damage !== null && <strong className="damage-word">Damaged</strong>}
      <span className={late ? styles.late : 'quiet'}>{sentence(news)}</span>
      {step && (
        <span className={styles.step}>
          {step} <Sign of="after" />
        </span>
      )}
    </Link>
  );
}
