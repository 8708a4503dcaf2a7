import type { Outcome } from '../../core/handout/state';
import { longestWaiting, OUTCOME_WORDS } from '../../core/handout/state';
import { whomWords } from '../../core/handout/whom';
import { Segments } from '../fields/segments';
import { Action } from '../parts/action';
import { Empty } from '../parts/empty';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, redirect } from 'react-router';
import { workshop } from '../../server/actions/means';
import { doWithHandout, sheetToUseAgain, WithHandout } from '../../server/actions/handout-life';
import { returnPieces, ReturningMany } from '../../server/actions/review';
import { spreadView } from '../../server/views/spread-view';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { afterReaching, orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Strip } from '../house/strip';
import { closesWords, dueWords, opensWords, useZone } from '../browser/time';
import { useSending } from '../keeping/sender';
import { ReturnedBar, useReturned } from '../reading/recalling';
import type { Answer } from '../spread/changing';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/spread';
import { ClassSoFar } from '../spread/class-so-far';
import { PieceCard } from '../spread/piece-card';
import { ReturnPieces } from '../spread/return-pieces';
import styles from '../margin/frame.module.css';
import spreadStyles from '../spread/spread.module.css';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(spreadView(workshop(db, shelf), person, params.handoutId));
}

export async function action({ request, context, params }: Route.ActionArgs): Promise<Answer> {
  const person = await requireRole(request, context, 'teacher');
  const form = await formOf(request);
  if (form.do === 'use-again') {
    const sheetId = await allowed(sheetToUseAgain(context.services.db, person, params.handoutId));
    throw redirect(`/sheets/${sheetId}/hand-out?like=${params.handoutId}`);
  }
  if (form.do === 'return') {
    const { do: _, ...given } = form;
    const asked = check(ReturningMany, given);
    if (!asked.ok) return asked.wrong;
    const back = await filledIn(returnPieces(context.services.db, person, params.handoutId, asked.value));
    return 'problem' in back ? back : { problem: null, said: returnedWords(back, asked.value.outcome) };
  }
  const read = check(WithHandout, form);
  if (!read.ok) return read.wrong;
  const done = await filledIn(doWithHandout(context.services.db, person, params.handoutId, read.value));
  return done ?? { problem: null };
}

const listed = new Intl.ListFormat('en-GB');
function returnedWords({ returned, left }: { returned: number; left: string[] }, outcome: Outcome): string {
  const went = `${returned} ${returned === 1 ? 'piece was' : 'pieces were'} returned ${OUTCOME_WORDS[outcome]}.`;
  return left.length === 0 ? went : `${went} Not with you any more: ${listed.format(left)}.`;
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

const ORDER = ['handed-in', 'another-go', 'under-way', 'not-begun', 'done'] as const;
type Card = Route.ComponentProps['loaderData']['cards'][number];
type State = Card['state'];
type Sort = 'name' | 'state' | 'fewest' | 'version';

const byName = (a: Card, b: Card) => a.studentName.localeCompare(b.studentName);
const SORTS: Record<Sort, { words: string; by: (a: Card, b: Card) => number }> = {
  state: { words: 'What waits', by: (a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || byName(a, b) },
  fewest: { words: 'Fewest look-fors', by: (a, b) => (a.held ?? 99) - (b.held ?? 99) || byName(a, b) },
  version: { words: 'By version', by: (a, b) => a.version - b.version || byName(a, b) },
  name: { words: 'By name', by: byName },
};

export default function Spread({ loaderData }: Route.ComponentProps) {
  const { personId, handout, cards, page, now } = loaderData;
  useSending(personId);
  const [shown, setShown] = useState<'nothing' | 'look-fors'>('look-fors');
  const [sort, setSort] = useState<Sort>('state');
  const [only, setOnly] = useState<State | null>(null);
  const zone = useZone();
  const list = cards.filter((card) => only === null || card.state === only).sort(SORTS[sort].by);
  const returned = useReturned(cards);
  const first = longestWaiting(cards);
  return (
    <div className={styles.frame}>
      <Strip
        home="/desk"
        title={handout.title}
        before={
          <span className="quiet">
            {[
              whomWords(handout),
              opensWords(handout.opensAt, now, zone),
              dueWords(handout.dueAt, now, zone),
              closesWords(handout.closesAt, now, zone),
            ]
              .filter(Boolean)
              .join(' · ')}
          </span>
        }
      >
        <span className="quiet">On the pieces</span>
        <Segments
          label="What is shown on the pieces"
          value={shown}
          onChange={setShown}
          options={['nothing', 'look-fors']}
        />
        <Link to={`/handouts/${handout.id}/spot`}>
          <Button tabIndex={-1}>One spot …</Button>
        </Link>
        {handout.rights === 'full' && <ReturnPieces cards={cards} />}
        {first ? (
          <Link to={`/handouts/${handout.id}/reading/${first.id}`}>
            <Button type="primary" tabIndex={-1}>
              Start reading
            </Button>
          </Link>
        ) : (
          <Button type="primary" disabled title="Nothing is handed in at the moment">
            Start reading
          </Button>
        )}
      </Strip>
      <div className={spreadStyles.row}>
        <main className={`${spreadStyles.spread} dapple`}>
          <div className={spreadStyles.states}>
            <States cards={cards} only={only} onOnly={setOnly} />
            <span className="spring" />
            <label className="quiet">
              First{' '}
              <select className="pick" value={sort} onChange={(event) => setSort(event.target.value as Sort)}>
                {(Object.keys(SORTS) as Sort[])
                  .filter((key) => key !== 'version' || handout.versions > 0)
                  .map((key) => (
                    <option key={key} value={key}>
                      {SORTS[key].words}
                    </option>
                  ))}
              </select>
            </label>
          </div>
          <div
            className={spreadStyles.cards}
            style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${page.width > page.height ? 214 : 168}px, 1fr))` }}
          >
            {list.map((card) => (
              <PieceCard key={card.id} {...{ handout, card, now }} marked={shown === 'look-fors'} />
            ))}
            {list.length === 0 && <Empty>No copy is in this state.</Empty>}
          </div>
        </main>
        <ClassSoFar {...loaderData} marked={shown === 'look-fors'} />
      </div>
      {returned && <ReturnedBar key={returned.id} handoutId={handout.id} piece={returned} />}
    </div>
  );
}

type StatesProps = { cards: readonly Card[]; only: State | null; onOnly: (state: State | null) => void };

/** How many copies are in each state. Each button shows only those of its state. */
const States = ({ cards, only, onOnly }: StatesProps) =>
  ORDER.map((state) => (
    <Action
      key={state}
      className={spreadStyles.state}
      aria-pressed={only === state}
      onClick={() => onOnly(only === state ? null : state)}
    >
      <Leaf state={state} /> {STATE_WORDS[state]} <b>{cards.filter((card) => card.state === state).length}</b>
    </Action>
  ));
