import { useEffect, useState } from 'react';
import { Link, useNavigate, useRevalidator } from 'react-router';
import type { Judging } from '../../core/review/judging';
import { verdictOn } from '../../core/review/judging';
import type { Picked } from '../../core/review/spot';
import { areaText, Picked as PickedSchema, sameAnswers } from '../../core/review/spot';
import { workshop } from '../../server/actions/means';
import { spotView } from '../../server/views/spot-view';
import { later } from '../browser/later';
import { orLast } from '../browser/reached';
import { Strip } from '../house/strip';
import { card } from '../parts/card';
import { Action } from '../parts/action';
import { Empty } from '../parts/empty';
import { OfTheClass } from '../reading/sending-words';
import { AnswerGroup } from '../spot/answer-group';
import { useGroupDrafts } from '../spot/group-drafts';
import type { Piece, SpotData } from '../spot/spot-data';
import { mayJudge, useSpotPieces } from '../spot/spot-data';
import { SpotSheet } from '../spot/spot-sheet';
import { useSpotKeys } from '../spot/use-keys';
import { allowed, refuse, requireRole } from '../who.server';
import type { Route } from './+types/spot';
import styles from '../margin/frame.module.css';
import spotStyles from '../spot/spot.module.css';

/** One spot of a sheet on all pieces of a class, equal answers together. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const asked = Object.fromEntries(new URL(request.url).searchParams);
  const picked = 'item' in asked || 'area' in asked ? PickedSchema.safeParse(asked) : null;
  if (picked?.success === false) throw refuse(400, 'There is no such spot. Go back to the class and choose another.');
  const data = await allowed(spotView(workshop(db, shelf), person, params.handoutId, picked?.data ?? null));
  return { ...data, begun: 0 };
}

export async function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  const begun = Date.now();
  return orLast(request, async () => ({ ...(await serverLoader()), begun }));
}
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `One spot: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

const KeySheet = later(() => import('../spot/key-sheet').then((part) => part.default), null);

const spotText = (spot: Picked) =>
  'item' in spot ? `item=${spot.item}` : `page=${spot.page}&area=${areaText(spot.area)}`;

export default function Spot({ loaderData }: Route.ComponentProps) {
  const data: SpotData = loaderData;
  const { handout, pages, spots, spot } = data;
  const navigate = useNavigate();
  const here = spot && ('item' in spot ? spots.find(({ item }) => item === spot.item)?.page : spot.page);
  const [turned, setTurned] = useState<string | null>(null);
  const pick = (to: Picked) => {
    setTurned(null);
    void navigate(`/handouts/${handout.id}/spot?${spotText(to)}`, { replace: true });
  };
  return (
    <div className={styles.frame}>
      <SpotScreen
        key={spot ? spotText(spot) : ''}
        data={data}
        sheet={<SpotSheet data={data} pageId={turned ?? here ?? pages[0].id} onTurn={setTurned} onPick={pick} />}
        onPick={pick}
      />
    </div>
  );
}

type ScreenProps = { data: SpotData; sheet: React.ReactNode; onPick: (to: Picked) => void };

/** What can be judged in a spot; the answers in it first, where there are any, then what only a teacher can judge. */
function judgingsOf({ pieces, handout }: SpotData): { judging: Judging; words: string }[] {
  const isAsked = (id: string) =>
    pieces.some(({ results }) => results.some((one) => one.id === id && one.held === null));
  const lookFors = handout.lookFors.map(({ id, title }) => ({
    judging: { ask: 'look-for', id } as const,
    words: title,
  }));
  return [
    ...(pieces.some(({ answer }) => answer) ? [{ judging: { ask: 'answer' } as const, words: 'this answer' }] : []),
    ...lookFors.filter(({ judging }) => isAsked(judging.id)),
    ...lookFors.filter(({ judging }) => !isAsked(judging.id)),
    ...handout.rubric.rows.map(({ id, name }) => ({ judging: { ask: 'row', id } as const, words: name })),
  ];
}

/** What a note on such an answer would be about. */
const aboutOf = ({ handout }: SpotData, { answer }: Piece): string[] =>
  answer && !answer.right ? handout.lookFors.filter(({ id }) => id === answer.lookFor).map(({ kind }) => kind) : [];

function SpotScreen({ data, sheet, onPick }: ScreenProps) {
  const { personId, mayChange, handout, spots, spot, without, atWork } = data;
  const { pieces, sending, waiting, reasons, seen, judge, note, removeNotes } = useSpotPieces(data);
  const { revalidate } = useRevalidator();
  useEffect(() => {
    // The pieces are other ones now.
    if (reasons.length > 0) void revalidate();
  }, [reasons.length, revalidate]);
  const groups = sameAnswers(pieces);
  const judgings = judgingsOf(data);
  const [chosen, setChosen] = useState(0);
  const judging = judgings[chosen]?.judging ?? null;
  const [key, setKey] = useState<string | null>(null);
  const at = Math.max(
    0,
    groups.findIndex((group) => group.key === key),
  );
  const current = groups[at] as (typeof groups)[number] | undefined;
  const [keySheet, setKeySheet] = useState(false);

  const place = `spot-notes/${handout.id}/${spot ? spotText(spot) : ''}/`;
  const { draftOf, setDraft, lost, forget } = useGroupDrafts(personId, place, groups);

  const step = (by: 1 | -1) => setKey(groups[Math.min(groups.length - 1, Math.max(0, at + by))]?.key ?? null);
  const open = mayChange && current?.pieces.some(mayJudge);
  useSpotKeys(judging, handout.rubric, Boolean(open), {
    judge(to) {
      if (!judging || !current) return;
      judge(judging, current.pieces, to);
      step(1);
    },
    step,
    turn(by) {
      const now = spots.findIndex(({ item }) => spot && 'item' in spot && spot.item === item);
      const next = spots[now < 0 ? 0 : now + by] as (typeof spots)[number] | undefined;
      if (next) onPick({ item: next.item });
    },
    write: () => current && draftOf(current.key) === null && setDraft(current.key, ''),
    showKeys: () => setKeySheet(true),
  });

  return (
    <>
      <Strip
        home="/desk"
        title={handout.title}
        before={<OfTheClass handoutId={handout.id} {...{ sending, waiting }} />}
      >
        {judgings.length > 0 && mayChange && (
          <label className="quiet">
            Judge{' '}
            <select
              className="pick"
              value={chosen}
              onChange={(event) => {
                setChosen(Number(event.target.value));
                // Keys go on from here.
                event.currentTarget.blur();
              }}
            >
              {judgings.map(({ words }, i) => (
                <option key={i} value={i}>
                  {words}
                </option>
              ))}
            </select>
          </label>
        )}
        <Link to={`/handouts/${handout.id}/placed`}>All on one sheet</Link>
        <Action onClick={() => setKeySheet(true)}>Keys</Action>
      </Strip>
      <div className={spotStyles.row}>
        {sheet}
        <main className={`${spotStyles.answers} dapple`} aria-label="One spot of all pieces">
          <p className={spotStyles.sum}>
            <Sum {...{ data, groups, judging }} pieces={pieces} />
          </p>
          {reasons.length > 0 && (
            <p className={card(spotStyles.lost)} role="alert">
              Something came too late. {reasons.join(' ')} A note that you wrote waits on the piece itself.{' '}
              <Action onClick={seen}>OK</Action>
            </p>
          )}
          {lost.map(({ place: where, value }) => (
            <p key={where} className={card(spotStyles.lost)}>
              You wrote for an answer that no piece has any more: “{value}”{' '}
              <Action onClick={() => forget(where)}>Discard</Action>
            </p>
          ))}
          {groups.map((group, i) => (
            <AnswerGroup
              key={group.key}
              {...{ handout, group, judging, mayChange }}
              current={i === at}
              draft={draftOf(group.key)}
              onChoose={() => setKey(group.key)}
              onJudge={(to) => judging && judge(judging, group.pieces, to)}
              onDraft={(draft) => setDraft(group.key, draft)}
              personId={personId}
              about={aboutOf(data, group.pieces[0])}
              onNote={(body) => {
                note(group.pieces, body.trim(), aboutOf(data, group.pieces[0])[0]);
                setDraft(group.key, null);
              }}
              onRemoveNotes={(body) => removeNotes(group.pieces, body)}
            />
          ))}
          {pieces.length === 0 && (
            <Empty>
              {spot
                ? 'No piece with this spot is handed in yet.'
                : 'Nothing can be written on this sheet. Draw a box around a part.'}
            </Empty>
          )}
          {pieces.length > 0 && (without > 0 || atWork > 0) && (
            <p className="quiet">
              {[without > 0 && `${without} without this spot`, atWork > 0 && `${atWork} not handed in`]
                .filter(Boolean)
                .join(' · ')}
            </p>
          )}
        </main>
      </div>
      {keySheet && <KeySheet onClose={() => setKeySheet(false)} />}
    </>
  );
}

type SumProps = { data: SpotData; groups: readonly unknown[]; judging: Judging | null; pieces: readonly Piece[] };

/** What this is, and how it stands. */
function Sum({ data: { spot, spots }, groups, judging, pieces }: SumProps) {
  const name = spot && 'item' in spot ? spots.find(({ item }) => item === spot.item)?.name : undefined;
  const verdicts = judging ? pieces.map((piece) => verdictOn(judging, piece)) : [];
  const open = verdicts.filter((one) => one === null).length;
  const wrong = verdicts.filter((one) => one === false).length;
  const [yes, no] = judging?.ask === 'answer' ? ['right', 'not right'] : ['met', 'not met'];
  return (
    <>
      <strong>{name ?? 'This part of the page'}</strong>
      <span className="quiet">
        {[
          `${groups.length === 1 ? '1 answer' : `${groups.length} different answers`}`,
          judging && judging.ask !== 'row' && `${verdicts.filter((one) => one === true).length} ${yes}, ${wrong} ${no}`,
          judging && judging.ask !== 'answer' && open > 0 && `${open} to judge`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </span>
    </>
  );
}
