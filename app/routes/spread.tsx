import { Segments } from '../fields/segments';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { Empty } from '../parts/empty';
import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import type { PieceMark } from '../../core/review/marks';
import { spreadView } from '../../server/views/spread-view';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { orLast } from '../browser/reached';
import { Strip } from '../house/strip';
import { dueWords, useZone, whenWords } from '../browser/time';
import { useSending } from '../keeping/sender';
import { allowed, requireRole } from '../who.server';
import type { Route } from './+types/spread';
import { later } from '../browser/later';
import styles from '../margin/frame.module.css';
import spreadStyles from '../spread/spread.module.css';

const Histogram = later(
  () => import('../spread/histogram').then((part) => part.default),
  <div style={{ height: 128 }} />,
);

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(spreadView({ db, pictures: shelf.resources.pictures }, person, params.handoutId));
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

const ORDER = ['handed-in', 'another-go', 'under-way', 'not-begun', 'done'] as const;
type Card = Route.ComponentProps['loaderData']['cards'][number];

export default function Spread({ loaderData }: Route.ComponentProps) {
  const { personId, handout, cards, missed, pieces, page, now } = loaderData;
  useSending(personId);
  const [shown, setShown] = useState<'nothing' | 'look-fors'>('look-fors');
  const [sort, setSort] = useState<'name' | 'state' | 'fewest'>('state');
  const [only, setOnly] = useState<Card['state'] | null>(null);
  const zone = useZone();
  const list = cards
    .filter((card) => only === null || card.state === only)
    .sort((a, b) => {
      const byName = a.studentName.localeCompare(b.studentName);
      if (sort === 'state') return ORDER.indexOf(a.state) - ORDER.indexOf(b.state) || byName;
      return sort === 'fewest' ? (a.held ?? 99) - (b.held ?? 99) || byName : byName;
    });
  const first = cards
    .filter((card) => card.state === 'handed-in')
    .sort((a, b) => +(a.handedInAt ?? 0) - +(b.handedInAt ?? 0))[0];
  const begun = cards.filter((card) => card.state !== 'not-begun').length;
  const counts = Array.from({ length: handout.lookFors + 1 }, (_, held) => ({
    held,
    pieces: cards.filter((card) => card.held === held && card.state !== 'under-way' && card.state !== 'not-begun')
      .length,
  }));
  return (
    <div className={styles.frame}>
      <Strip
        home="/desk"
        title={handout.title}
        before={
          <span className="quiet">
            {handout.className} · {dueWords(handout.dueAt, now, zone)}
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
            {ORDER.map((state) => {
              const count = cards.filter((card) => card.state === state).length;
              return (
                <Action
                  key={state}
                  className={spreadStyles.state}
                  aria-pressed={only === state}
                  onClick={() => setOnly(only === state ? null : state)}
                >
                  <Leaf state={state} /> {STATE_WORDS[state]} <b>{count}</b>
                </Action>
              );
            })}
            <span className="spring" />
            <label className="quiet">
              First{' '}
              <select value={sort} onChange={(event) => setSort(event.target.value as typeof sort)}>
                <option value="state">What waits</option>
                <option value="fewest">Fewest look-fors</option>
                <option value="name">By name</option>
              </select>
            </label>
          </div>
          <div
            className={spreadStyles.cards}
            style={{ gridTemplateColumns: `repeat(auto-fill, minmax(${page.width > page.height ? 214 : 168}px, 1fr))` }}
          >
            {list.map((card) => (
              <Link key={card.id} to={`/handouts/${handout.id}/reading/${card.id}`} className={spreadStyles.card}>
                <span className={spreadStyles.picture} style={{ aspectRatio: `${page.width} / ${page.height}` }}>
                  {card.state === 'not-begun' ? (
                    <span className={spreadStyles.none}>Nothing yet</span>
                  ) : (
                    <img src={`/copies/${card.id}/picture.svg?${card.picture}`} alt="" loading="lazy" />
                  )}
                  {shown === 'look-fors' && <Marks marks={card.marks} page={page} />}
                </span>
                <span className={spreadStyles.name}>
                  <Leaf state={card.state} />
                  <span className="sr">{STATE_WORDS[card.state]}:</span>
                  <strong>{card.studentName}</strong>
                  <span className="spring" />
                  {card.held !== null && handout.lookFors > 0 && (
                    <span className={spreadStyles.count} title={`${card.held} of ${handout.lookFors} look-fors met`}>
                      {card.held}/{handout.lookFors}
                    </span>
                  )}
                </span>
                <span className={`quiet ${spreadStyles.when}`}>
                  {STATE_WORDS[card.state]}
                  {card.handedInAt && card.state === 'handed-in' && ` ${whenWords(card.handedInAt, now, zone)}`}
                  {card.go > 1 && ` · go ${card.go}`}
                  {card.late && <span className={spreadStyles.late}> · late</span>}
                  {card.damaged && <strong className={spreadStyles.late}> · damaged</strong>}
                </span>
              </Link>
            ))}
            {list.length === 0 && <Empty>No copy is in this state.</Empty>}
          </div>
        </main>
        <aside className={`margin-column ${spreadStyles.margin}`} aria-label="The class so far">
          <h2>The class so far</h2>
          <p className="quiet">
            {begun} of {cards.length} have begun · {pieces} {pieces === 1 ? 'piece' : 'pieces'} handed in
          </p>
          {pieces > 0 && handout.lookFors > 0 && (
            <>
              <section className={card(spreadStyles.figure)}>
                <h3>What is missed most</h3>
                {missed.length === 0 ? (
                  <p className="quiet">Nothing: every piece has all that can be counted.</p>
                ) : (
                  missed.map(({ label, count }) => (
                    <div key={label} className={spreadStyles.missed}>
                      <span>{label}</span>
                      <span className={spreadStyles.missedBar}>
                        <i style={{ width: `${(100 * count) / missed[0].count}%` }} />
                        <b>{count}</b>
                      </span>
                    </div>
                  ))
                )}
              </section>
              <section className={card(spreadStyles.figure)}>
                <h3>
                  Look-fors met <small>pieces</small>
                </h3>
                <Histogram counts={counts} />
              </section>
            </>
          )}
          {pieces === 0 && <Empty>When the first piece is handed in, this shows what the class found hard.</Empty>}
        </aside>
      </div>
    </div>
  );
}

const VERDICT_WORDS: Record<PieceMark['verdict'], string> = {
  right: 'right',
  near: 'nearly right',
  wrong: 'wrong',
  empty: 'empty',
  reversed: 'the wrong way round',
  missing: 'a link is missing here',
  extra: 'not in the key',
};

/** The look-fors on the piece: a frame around what counts, with a shape as well as a colour. */
export function Marks({ marks, page }: { marks: readonly PieceMark[]; page: { width: number; height: number } }) {
  return (
    <svg
      className={spreadStyles.pieceMarks}
      viewBox={`0 0 ${page.width} ${page.height}`}
      role="img"
      aria-label={marks.map((mark) => VERDICT_WORDS[mark.verdict]).join(', ') || 'no marks'}
    >
      {marks.map(({ item, box, verdict }) => (
        <rect
          key={item}
          className={`${spreadStyles.pieceMark} ${verdict}`}
          x={box.x - 3}
          y={box.y - 3}
          width={box.width + 6}
          height={box.height + 6}
          rx="8"
        />
      ))}
    </svg>
  );
}
