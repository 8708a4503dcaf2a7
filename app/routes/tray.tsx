import { Link } from 'react-router';
import { addLateCopies } from '../../server/stores/handouts';
import { trayOf } from '../../server/stores/copies';
import { StateLabel } from '../house/leaf';
import { HouseStrip } from '../house/house-strip';
import { orLast } from '../browser/reached';
import { agoWords, dueWords, useZone } from '../browser/time';
import { requireRole } from '../who.server';
import type { Route } from './+types/tray';
import './tray.css';

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
  const bands: [string, Entry[], string][] = [
    ['Back from your teacher', back, 'Nothing has come back just now.'],
    ['To do', toDo, 'Nothing is waiting for you.'],
    ['Done', done, 'What you hand in goes here.'],
  ];
  return (
    <div className="desk dapple">
      <HouseStrip person={loaderData.person} />
      {loaderData.demo && (
        <div className="demo-note">This is the demo school: everybody in it is made up. Change what you like.</div>
      )}
      <main>
        {bands.map(([name, entries, empty]) => (
          <section key={name} aria-labelledby={name}>
            <h2 id={name}>{name}</h2>
            {entries.length === 0 ? (
              <p className="desk-empty">{empty}</p>
            ) : (
              <div className="tray-copies">
                {entries.map((copy) => (
                  <Link key={copy.id} to={`/copies/${copy.id}`} className="card tray-copy">
                    <span className="tray-picture">
                      <img src={`/copies/${copy.id}/picture.svg?seq=${copy.seq}`} alt="" loading="lazy" />
                    </span>
                    <strong>{copy.title}</strong>
                    <StateLabel state={copy.state} />
                    {copy.damage !== null && <strong className="damage-word">damaged</strong>}
                    <span className={copy.dueAt && +copy.dueAt < now && toDo.includes(copy) ? 'desk-late' : 'quiet'}>
                      {back.includes(copy)
                        ? `came back ${agoWords(copy.returnedAt, now)}${copy.unsettled ? ` · ${copy.unsettled} ${copy.unsettled === 1 ? 'note' : 'notes'}` : ''}`
                        : toDo.includes(copy)
                          ? dueWords(copy.dueAt, now, zone)
                          : copy.state === 'handed-in'
                            ? 'with your teacher'
                            : `came back ${agoWords(copy.returnedAt, now)}`}
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
