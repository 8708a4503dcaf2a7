import type { Outcome } from '../../core/handout/state';
import { longestWaiting, OUTCOME_WORDS } from '../../core/handout/state';
import { whomWords } from '../../core/handout/whom';
import { Segments } from '../fields/segments';
import { Action, Chip } from '../parts/action';
import { Empty } from '../parts/empty';
import { Sign } from '../parts/sign';
import { Button } from 'antd';
import { useState } from 'react';
import { Link, redirect } from 'react-router';
import { workshop } from '../../server/actions/means';
import { doWithHandout, sheetToUseAgain, WithHandout } from '../../server/actions/handout-life';
import { chooseSecondReader, ChoosingReader } from '../../server/actions/second-reading';
import { returnPieces, ReturningMany } from '../../server/actions/review';
import { spreadView } from '../../server/views/spread-view';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { afterReaching, orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Strip } from '../house/strip';
import { closesWords, dueWords, opensWords, useZone, whenWords } from '../browser/time';
import { useSending } from '../keeping/sender';
import { ReturnedBar, useReturned } from '../reading/recalling';
import type { Answer } from '../spread/changing';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/spread';
import { useChanged } from '../spread/changed';
import { ClassSoFar } from '../spread/class-so-far';
import { ChosenBar } from '../spread/chosen-bar';
import { useLiveCards } from '../spread/live-cards';
import type { Bar, Sort } from '../spread/picking';
import { ORDER, SORTS, withChosen } from '../spread/picking';
import type { Card } from '../spread/piece-card';
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
    if ('problem' in back) return back;
    return { problem: null, said: returnedWords(back, asked.value.outcome), until: back.until?.toISOString() };
  }
  if (form.do === 'second-reader') {
    const chosen = check(ChoosingReader, form);
    if (!chosen.ok) return chosen.wrong;
    const done = await filledIn(chooseSecondReader(context.services.db, person, params.handoutId, chosen.value));
    return done ?? { problem: null };
  }
  const read = check(WithHandout, form);
  if (!read.ok) return read.wrong;
  const done = await filledIn(doWithHandout(context.services.db, person, params.handoutId, read.value));
  return done ?? { problem: null };
}

const listed = new Intl.ListFormat('en-GB');
type Back = { returned: number; left: string[]; until: Date | null };
function returnedWords({ returned, left, until }: Back, outcome: Outcome): string {
  const [one, many] = until ? ['piece is', 'pieces are'] : ['piece was', 'pieces were'];
  const went = `${returned} ${returned === 1 ? one : many} ${until ? 'ready to go back' : 'returned'} ${OUTCOME_WORDS[outcome]}.`;
  return left.length === 0 ? went : `${went} Not with you any more: ${listed.format(left)}.`;
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

type State = Card['state'];

/** Least widths of a piece in pixels, wide and upright. */
const SIZES = { S: [150, 112], M: [214, 168], L: [340, 260] } as const;
/** About so many pieces are in view at first. */
const IN_VIEW = 12;
const SIZE_NAMES = ['S', 'M', 'L'] as const;

export default function Spread({ loaderData }: Route.ComponentProps) {
  const { personId, handout, page, now } = loaderData;
  useSending(personId);
  const cards = useLiveCards(loaderData);
  const [shown, setShown] = useState<'nothing' | 'look-fors' | 'changes'>('look-fors');
  const changed = useChanged(handout.id, cards, shown === 'changes');
  const [sort, setSort] = useState<Sort>('state');
  const [only, setOnly] = useState<State | null>(null);
  const zone = useZone();
  const [bar, setBar] = useState<Bar | null>(null);
  const [size, setSize] = useState<keyof typeof SIZES>('M');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const list = cards
    .filter((card) => (only === null || card.state === only) && (bar === null || bar.has(card)))
    .sort(SORTS[sort].by);
  const picked = cards.filter(({ id }) => chosen.has(id));
  const [beside, setBeside] = useState(false);
  /** Two pieces that are looked at side by side, as large as there is room. */
  const alike = bar?.spots ? cards.filter(bar.has) : null;
  const pair = beside && picked.length === 2 ? picked : alike;
  const choose = (ids: readonly string[], to: boolean) => {
    setBeside(false);
    setChosen((before) => withChosen(before, ids, to));
  };
  const all = list.length > 0 && list.every(({ id }) => chosen.has(id));
  const returned = useReturned(cards);
  const first = handout.second?.isMe ? cards.find((card) => card.second && !card.second.done) : longestWaiting(cards);
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
        <Link to={`/handouts/${handout.id}/spot`}>
          <Button tabIndex={-1}>One spot</Button>
        </Link>
        <Link to={`/handouts/${handout.id}/placed`}>
          <Button tabIndex={-1}>All on one sheet</Button>
        </Link>
        <Link to={`/handouts/${handout.id}/out`}>
          <Button tabIndex={-1}>Download</Button>
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
            {bar && (
              <Chip tone="apricot" asIs onClick={() => setBar(null)}>
                Only: {bar.words} <Sign of="remove" />
              </Chip>
            )}
            <span className={spreadStyles.tools}>
              {handout.rights === 'full' && (
                <label className="quiet">
                  <input
                    type="checkbox"
                    checked={all}
                    onChange={(event) =>
                      choose(
                        list.map(({ id }) => id),
                        event.target.checked,
                      )
                    }
                  />{' '}
                  Choose all
                </label>
              )}
              <span className="quiet">
                On them{' '}
                <Segments
                  label="What is shown on the pieces"
                  value={shown}
                  onChange={setShown}
                  options={['nothing', 'look-fors', 'changes']}
                />
              </span>
              <Segments label="How large the pieces are" value={size} onChange={setSize} options={SIZE_NAMES} />
              <label className="quiet">
                First{' '}
                <select className="pick" value={sort} onChange={(event) => setSort(event.target.value as Sort)}>
                  {(Object.keys(SORTS) as Sort[])
                    .filter(
                      (key) => (key !== 'version' || handout.versions > 0) && (key !== 'points' || handout.weighs),
                    )
                    .map((key) => (
                      <option key={key} value={key}>
                        {SORTS[key].words}
                      </option>
                    ))}
                </select>
              </label>
            </span>
          </div>
          <div
            className={spreadStyles.cards}
            style={{
              gridTemplateColumns: pair
                ? 'repeat(2, minmax(0, 1fr))'
                : `repeat(auto-fill, minmax(${SIZES[size][page.width > page.height ? 0 : 1]}px, 1fr))`,
            }}
          >
            {(pair ?? list).map((card, i) => (
              <PieceCard
                key={card.id}
                {...{ handout, card, now }}
                first={i < IN_VIEW}
                marked={shown === 'look-fors' && !alike}
                changed={shown === 'changes' && !alike ? (changed.get(card.id)?.changed ?? null) : null}
                alike={bar?.spots?.get(card.id) ?? null}
                chosen={handout.rights === 'full' ? chosen.has(card.id) : null}
                onChoose={(to) => choose([card.id], to)}
              />
            ))}
            {!pair && list.length === 0 && <Empty>No copy is like that.</Empty>}
          </div>
        </main>
        <ClassSoFar {...loaderData} cards={cards} marked={shown === 'look-fors'} bar={bar} onBar={setBar} />
      </div>
      {picked.length > 0 && (
        <ChosenBar
          handoutId={handout.id}
          cards={picked}
          beside={beside}
          onBeside={setBeside}
          onClear={() => choose([...chosen], false)}
        />
      )}
      {returned && (
        <ReturnedBar
          key={returned.id}
          handoutId={handout.id}
          piece={returned}
          until={whenWords(handout.returnsAt, now, zone)}
        />
      )}
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
