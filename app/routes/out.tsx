import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { whomWords } from '../../core/handout/whom';
import { workshop } from '../../server/actions/means';
import { outView } from '../../server/views/feedback-view';
import { afterReaching, orLast } from '../browser/reached';
import { Strip } from '../house/strip';
import { FeedbackView } from '../out/feedback-view';
import { Pieces } from '../out/pieces';
import type { Shows } from '../out/taking';
import { TakeOut } from '../out/taking';
import styles from '../margin/frame.module.css';
import outStyles from '../out/out.module.css';
import { Empty } from '../parts/empty';
import { allowed, requireRole } from '../who.server';
import type { Route } from './+types/out';

/** What came of a handout, to be taken out: feedback on paper, marks as a table, notes in an open format. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(outView(workshop(db, shelf), person, params.handoutId));
}

export const shouldRevalidate = afterReaching;
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Download: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

export default function Out({ loaderData }: Route.ComponentProps) {
  const { handout, hasSource, pieces } = loaderData;
  const [search] = useSearchParams();
  const [chosen, setChosen] = useState((): ReadonlySet<string> => {
    const asked = new Set((search.get('of') ?? '').split(' '));
    const those = pieces.filter(({ id }) => asked.has(id));
    return new Set((those.length > 0 ? those : pieces).map(({ id }) => id));
  });
  const [looked, setLooked] = useState<string | null>(null);
  const [shows, setShows] = useState<Shows>({ lookFors: handout.counts, marks: handout.weighs });
  const picked = pieces.filter(({ id }) => chosen.has(id));
  const shown = pieces.find(({ id }) => id === looked) ?? picked.at(0) ?? pieces.at(0);
  return (
    <div className={styles.frame}>
      <Strip
        home="/desk"
        title={`Download: ${handout.title}`}
        before={<span className="quiet">{whomWords(handout)}</span>}
      >
        <Link to={`/handouts/${handout.id}`}>The whole class</Link>
      </Strip>
      {shown ? (
        <div className={outStyles.row}>
          <Pieces {...{ pieces, chosen, shown }} onChoose={setChosen} onLook={setLooked} />
          <FeedbackView key={shown.id} {...{ handout, shows }} piece={shown} />
          <TakeOut {...{ handout, hasSource, shows, picked }} onShows={setShows} />
        </div>
      ) : (
        <main className={`${outStyles.nothing} dapple`}>
          <Empty>
            Nothing was handed in yet. When the first piece is, its feedback and marks can be downloaded here.
          </Empty>
        </main>
      )}
    </div>
  );
}
