import { useEffect, useState } from 'react';
import { Link, useRevalidator } from 'react-router';
import { workshop } from '../../server/actions/means';
import { writeHome, WritingHome } from '../../server/actions/letters';
import { lettersView } from '../../server/views/letters-view';
import { afterReaching, orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Strip } from '../house/strip';
import { Families } from '../letters/families';
import { LetterPage } from '../letters/letter-page';
import { canGet, isUnderWay, lettersTo } from '../letters/letters';
import { Writing } from '../letters/writing';
import styles from '../margin/frame.module.css';
import outStyles from '../out/out.module.css';
import { Empty } from '../parts/empty';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/letters';

/** Letters home about pieces that have come back: to whom, what they say, and what became of them. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(lettersView(workshop(db, shelf), person, params.handoutId));
}

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const read = check(WritingHome, await formOf(request));
  if (!read.ok) return read.wrong;
  const { db, post } = context.services;
  const put = await filledIn(writeHome(db, person, params.handoutId, read.value));
  if (typeof put !== 'number') return put;
  post.look();
  return { problem: null, count: put };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Letters home: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

/** Milliseconds between looks at letters that are on their way. */
const LOOK_EVERY = 1500;

export default function Letters({ loaderData }: Route.ComponentProps) {
  const { handout, personId, receivers, letters, now } = loaderData;
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const [looked, setLooked] = useState<string | null>(null);
  const picked = receivers.filter((one) => canGet(one, letters) && !out.has(one.studentId));
  const shown = receivers.find(({ studentId }) => studentId === looked) ?? picked.at(0) ?? receivers.at(0);
  const { revalidate } = useRevalidator();
  const isWaiting = letters.some(isUnderWay);
  useEffect(() => {
    if (!isWaiting) return;
    const timer = setTimeout(() => void revalidate(), LOOK_EVERY);
    return () => clearTimeout(timer);
    // After each answer it is looked once more.
  }, [isWaiting, now, revalidate]);
  return (
    <div className={styles.frame}>
      <Strip
        home="/desk"
        title={`Letters home: ${handout.title}`}
        before={<span className="quiet">{handout.className}</span>}
      >
        <Link to={`/handouts/${handout.id}/out`}>Download</Link>
        <Link to={`/handouts/${handout.id}`}>The whole class</Link>
      </Strip>
      {shown ? (
        <div className={outStyles.row}>
          <Families {...{ receivers, letters, picked, shown }} onOut={setOut} onLook={setLooked} />
          <LetterPage
            key={shown.studentId}
            {...{ handout, personId, now }}
            receiver={shown}
            sent={canGet(shown, letters) ? null : (lettersTo(shown, letters).at(0) ?? null)}
          />
          <Writing {...{ handout, personId, picked, letters, now }} />
        </div>
      ) : (
        <main className={`${outStyles.nothing} dapple`}>
          <Empty>
            Nothing has come back to a student yet. Once the first piece is returned, its family can be told.
          </Empty>
        </main>
      )}
    </div>
  );
}
