import { sentence } from '../parts/sentence';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { Link } from 'react-router';
import { addLateCopies } from '../../server/stores/handouts';
import { trayOf } from '../../server/stores/copies';
import { StateLabel } from '../house/leaf';
import { HouseStrip } from '../house/house-strip';
import { orLast } from '../browser/reached';
import { agoWords, dueWords, useZone } from '../browser/time';
import { requireRole } from '../who.server';
import type { Route } from './+types/tray';
import styles from './desk.module.css';
import trayStyles from './tray.module.css';

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'student');
  await addLateCopies(context.services.db, person.id, context.services.shelf.resources.pictures);
  return { person, copies: await trayOf(context.services.db, person.id), now: Date.now(), demo: context.services.demo };
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Tray · Dappled Margin' }];

type Entry = Route.ComponentProps['loaderData']['copies'][number];

export default function Tray({ loaderData }: Route.ComponentProps) {
  const { copies, now } = loaderData;
  const zone = useZone();
  const back = copies.filter((copy) => copy.state === 'another-go' || (copy.state === 'done' && copy.unsettled > 0));
  const toDo = copies.filter((copy) => copy.state === 'not-begun' || copy.state === 'under-way');
  const done = copies.filter((copy) => !back.includes(copy) && !toDo.includes(copy));
  /** What a student has to know of a copy now. */
  const newsOf = (copy: Entry): string => {
    if (toDo.includes(copy)) return dueWords(copy.dueAt, now, zone);
    if (copy.state === 'handed-in') return 'with your teacher';
    const came = `came back ${agoWords(copy.returnedAt, now)}`;
    if (!back.includes(copy) || copy.unsettled === 0) return came;
    return `${came} · ${copy.unsettled} ${copy.unsettled === 1 ? 'note' : 'notes'}`;
  };
  const bands: [string, Entry[], string][] = [
    ['Back from your teacher', back, 'Nothing has come back just now.'],
    ['To do', toDo, 'Nothing is waiting for you.'],
    ['Done', done, 'What you hand in goes here.'],
  ];
  return (
    <div className={`${styles.desk} dapple`}>
      <HouseStrip person={loaderData.person} />
      {loaderData.demo && (
        <div className="demo-note">This is the demo school: everybody in it is made up. Change what you like.</div>
      )}
      <main>
        {bands.map(([name, entries, empty]) => (
          <section key={name} aria-labelledby={name}>
            <h2 id={name}>{name}</h2>
            {entries.length === 0 ? (
              <Empty>{empty}</Empty>
            ) : (
              <div className={trayStyles.copies}>
                {entries.map((copy) => (
                  <Link key={copy.id} to={`/copies/${copy.id}`} className={card(trayStyles.copy)}>
                    <span className={trayStyles.picture}>
                      <img src={`/copies/${copy.id}/picture.svg?seq=${copy.seq}`} alt="" loading="lazy" />
                    </span>
                    <strong>{copy.title}</strong>
                    <StateLabel state={copy.state} />
                    {copy.damage !== null && <strong className="damage-word">Damaged</strong>}
                    <span className={copy.dueAt && +copy.dueAt < now && toDo.includes(copy) ? styles.late : 'quiet'}>
                      {sentence(newsOf(copy))}
                    </span>
                  </Link>
                ))}
              </div>
            )}
          </section>
        ))}
      </main>
    </div>
  );
}
