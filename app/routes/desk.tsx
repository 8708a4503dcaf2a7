import { sentence } from '../parts/sentence';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { CoverPicture } from '../house/cover';
import { Alert } from 'antd';
import { Form, Link, redirect } from 'react-router';
import { z } from 'zod';
import { BEGINNINGS } from '../../server/stores/beginnings';
import { progressOf } from '../../server/stores/handouts';
import { createSheet, PURPOSES, sheetsOf } from '../../server/stores/sheets';
import { Leaf, STATE_COLOURS, STATE_WORDS } from '../house/leaf';
import { PurposeDrawing } from '../house/purposes';
import { HouseStrip } from '../house/house-strip';
import { afterReaching, orLast, reached } from '../browser/reached';
import { agoWords, dueWords, useZone } from '../browser/time';
import { formOf } from '../form.server';
import { refuse, requireRole } from '../who.server';
import type { Route } from './+types/desk';
import styles from './desk.module.css';

const STATES = ['done', 'handed-in', 'another-go', 'under-way', 'not-begun'] as const;

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, demo } = context.services;
  const [sheets, handouts] = await Promise.all([sheetsOf(db, person.id), progressOf(db, person.id)]);
  return {
    person,
    demo,
    now: Date.now(),
    handouts,
    sheets: sheets.map((sheet) => ({
      ...sheet,
      title: sheet.title || 'Untitled sheet',
    })),
    purposes: PURPOSES.map((id) => ({ id, name: BEGINNINGS[id].name })),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const purpose = z.enum(PURPOSES).safeParse((await formOf(request)).purpose);
  if (!purpose.success) throw refuse(400, 'Choose what to begin with from the row on the Desk.');
  const id = await createSheet(context.services.db, {
    schoolId: person.schoolId,
    ownerId: person.id,
    purpose: purpose.data,
    sheet: BEGINNINGS[purpose.data].sheet(),
  });
  return redirect(`/sheets/${id}?named=no`);
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Desk · Dappled Margin' }];

type Progress = Route.ComponentProps['loaderData']['handouts'][number];

function ProgressLine({ handout }: { handout: Progress }) {
  const all = Math.max(
    1,
    STATES.reduce((sum, state) => sum + handout.counts[state], 0),
  );
  return (
    <div
      className={styles.progress}
      role="img"
      aria-label={
        STATES.filter((s) => handout.counts[s])
          .map((s) => `${handout.counts[s]} ${STATE_WORDS[s]}`)
          .join(', ') || 'No copies'
      }
    >
      {STATES.map(
        (state) =>
          handout.counts[state] > 0 && (
            <span
              key={state}
              style={{ width: `${(100 * handout.counts[state]) / all}%`, background: STATE_COLOURS[state] }}
              title={`${handout.counts[state]} ${STATE_WORDS[state]}`}
            >
              {handout.counts[state]}
            </span>
          ),
      )}
    </div>
  );
}

export default function Desk({ loaderData, actionData }: Route.ComponentProps) {
  const { person, demo, now, handouts, sheets, purposes } = loaderData;
  const zone = useZone();
  const waiting = handouts
    .filter((h) => h.counts['handed-in'] > 0)
    .sort((a, b) => +(a.oldestWaiting ?? 0) - +(b.oldestWaiting ?? 0));
  return (
    <div className={`${styles.desk} dapple`}>
      <HouseStrip person={person} />
      {demo && (
        <div className="demo-note">This is the demo school: everybody in it is made up. Change what you like.</div>
      )}
      <main>
        {actionData && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        <Form method="post" className={styles.new} aria-label="Start something new">
          {purposes.map(({ id, name }) => (
            <button key={id} name="purpose" value={id} className={card(styles.purpose)}>
              <PurposeDrawing purpose={id} />
              <span>{name}</span>
            </button>
          ))}
        </Form>

        <section aria-labelledby="waiting">
          <h2 id="waiting">Waiting for you</h2>
          {waiting.length === 0 ? (
            <Empty>Nothing to read yet. What students hand in shows here, oldest first.</Empty>
          ) : (
            <div className={styles.waiting}>
              {waiting.map((h) => (
                <Link key={h.id} to={`/handouts/${h.id}`} className={card(styles.waiter)}>
                  <CoverPicture src={`/handouts/${h.id}/picture.svg`} cover={h.cover} width={140} height={108} />
                  <span>
                    <strong>{h.title}</strong>
                    <span className="quiet">{h.className}</span>
                    <span className={styles.count}>
                      <Leaf state="handed-in" size={20} /> <b>{h.counts['handed-in']}</b> to read
                    </span>
                    <span className="quiet">Oldest {agoWords(h.oldestWaiting, now)}</span>
                  </span>
                </Link>
              ))}
            </div>
          )}
        </section>

        <section aria-labelledby="out">
          <h2 id="out">Out with students</h2>
          {handouts.length === 0 ? (
            <Empty>Nothing is handed out. Open a sheet below and press “Hand out”.</Empty>
          ) : (
            <div className={card(styles.out)}>
              {handouts.map((h) => (
                <Link key={h.id} to={`/handouts/${h.id}`} className={styles.row}>
                  <strong>{h.title}</strong>
                  <span className="quiet">{h.className}</span>
                  <ProgressLine handout={h} />
                  <span className={h.dueAt && +h.dueAt < now ? styles.late : 'quiet'}>
                    {sentence(dueWords(h.dueAt, now, zone))}
                  </span>
                </Link>
              ))}
              <div className={styles.legend} aria-hidden="true">
                {STATES.map((state) => (
                  <span key={state} className="state">
                    <i style={{ background: STATE_COLOURS[state] }} />
                    <Leaf state={state} size={14} /> {STATE_WORDS[state]}
                  </span>
                ))}
              </div>
            </div>
          )}
        </section>

        <section aria-labelledby="made">
          <h2 id="made">Being made</h2>
          {sheets.length === 0 ? (
            <Empty>No sheets yet. Start one with the row above.</Empty>
          ) : (
            <div className={styles.sheets}>
              {sheets.map((s) => (
                <Link key={s.id} to={`/sheets/${s.id}`} className={styles.sheet}>
                  <span className={styles.thumb}>
                    <CoverPicture
                      src={`/sheets/${s.id}/picture.svg?seq=${s.seq}`}
                      cover={s.cover}
                      width={210}
                      height={150}
                    />
                  </span>
                  <strong>{s.title}</strong>
                  <span className="quiet">
                    {s.damage !== null && <strong className="damage-word">Damaged · </strong>}
                    Changed {agoWords(s.changedAt, now)}
                    {s.handedOut > 0 && ` · out ${s.handedOut === 1 ? 'once' : `${s.handedOut} times`}`}
                  </span>
                </Link>
              ))}
            </div>
          )}
        </section>
      </main>
    </div>
  );
}
