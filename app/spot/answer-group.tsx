import { howMany } from '../../core/values/listed';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Judging, Verdict } from '../../core/review/judging';
import { verdictOn } from '../../core/review/judging';
import type { SameAnswer } from '../../core/review/spot';
import { areaText } from '../../core/review/spot';
import { cutTo } from '../../core/values/characters';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { Action } from '../parts/action';
import { NoteField } from '../phrases/note-field';
import { Sign } from '../parts/sign';
import { VersionMark } from '../parts/version-mark';
import type { Piece, SpotData } from './spot-data';
import { mayJudge, notesHere } from './spot-data';
import styles from './spot.module.css';

/** Pieces that say the same in a spot: each as a picture of it, one ruling and one note for all of them. */

type Props = {
  personId: string;
  handout: SpotData['handout'];
  group: SameAnswer<Piece>;
  judging: Judging | null;
  mayChange: boolean;
  /** It is the one that keys speak of. */
  current: boolean;
  draft: string | null;
  onChoose: () => void;
  /** null takes back what was said. */
  onJudge: (to: Verdict | null) => void;
  onDraft: (draft: string | null) => void;
  onNote: (body: string) => void;
  /** The kind of the look-for that the spot is about, where the answer is not right. */
  about: readonly string[];
  onRemoveNotes: (body: string) => void;
};

/** Letters of an answer that stand above its pieces. */
const LONGEST = 160;
/** So many pieces that say the same are all shown. */
const FEW = 2;

export function AnswerGroup(props: Props) {
  const {
    personId,
    about,
    handout,
    group,
    judging,
    mayChange,
    current,
    draft,
    onChoose,
    onJudge,
    onDraft,
    onNote,
    onRemoveNotes,
  } = props;
  const { pieces, written } = group;
  const open = pieces.filter(mayJudge);
  // Equal words look alike: one picture of them is enough, unless each is asked for.
  const [all, setAll] = useState(false);
  const pictured = all || pieces.length <= FEW || written === '' ? pieces : pieces.slice(0, 1);
  const here = useRef<HTMLElement>(null);
  useEffect(() => {
    if (current) here.current?.scrollIntoView({ block: 'nearest' });
  }, [current]);
  const bodies = new Map<string, number>();
  for (const { body } of pieces.flatMap(notesHere)) bodies.set(body, (bodies.get(body) ?? 0) + 1);
  return (
    <section
      ref={here}
      className={`${styles.group} ${current ? styles.current : ''}`}
      aria-current={current ? 'true' : undefined}
      aria-label={`${written || 'Nothing there'}: ${howMany(pieces.length, 'piece')}`}
      onClick={onChoose}
    >
      <header className={styles.head}>
        <h2>{written === '' ? 'Nothing there' : cutTo(written, LONGEST) + (written.length > LONGEST ? ' …' : '')}</h2>
        <span className="quiet">
          {howMany(pieces.length, 'piece')}
          {open.length < pieces.length &&
            ` · ${open.length === 0 ? 'returned' : `${pieces.length - open.length} returned`}`}
        </span>
        {pieces[0].words !== '' && <span className="quiet">{pieces[0].words}</span>}
        <span className="spring" />
        {judging && <Verdicts {...{ handout, judging, onJudge }} pieces={pieces} may={mayChange && open.length > 0} />}
        {mayChange && open.length > 0 && draft === null && (
          <Action onClick={() => onDraft('')}>
            {open.length === 1 ? 'Write a note' : `Note for all ${open.length}`}
          </Action>
        )}
      </header>
      {draft !== null && (
        <div className={styles.draft}>
          <NoteField
            label={open.length === 1 ? 'Note on this spot' : `Note on this spot of ${open.length} pieces`}
            save={open.length === 1 ? 'Save' : `Save on ${open.length} pieces`}
            body={draft}
            may={open.length > 0}
            focus
            {...{ personId, about }}
            onWrite={onDraft}
            onFinish={onNote}
            onDrop={() => onDraft(null)}
          />
        </div>
      )}
      {[...bodies].map(([body, count]) => (
        <p key={body} className={styles.note}>
          <span>{body}</span>
          <span className="quiet">
            on {count === pieces.length ? (count === 1 ? 'it' : `all ${count}`) : `${count} of ${pieces.length}`}
          </span>
          {mayChange && open.length > 0 && <Action onClick={() => onRemoveNotes(body)}>Delete</Action>}
        </p>
      ))}
      <ul className={styles.pieces}>
        {pictured.map((piece) => (
          <PieceSpot key={piece.copyId} {...{ handout, piece, judging }} />
        ))}
        {pictured.length < pieces.length && (
          <li className={styles.others}>
            {pieces.slice(pictured.length).map((piece) => (
              <PieceName key={piece.copyId} {...{ handout, piece, judging }} />
            ))}
            <Action onClick={() => setAll(true)}>Show each</Action>
          </li>
        )}
      </ul>
    </section>
  );
}

type VerdictsProps = Pick<Props, 'handout' | 'onJudge'> & { judging: Judging; pieces: readonly Piece[]; may: boolean };

/** How the pieces stand, and the buttons that say otherwise. Pressed is what all of them have. */
function Verdicts({ handout, judging, pieces, may, onJudge }: VerdictsProps) {
  const verdicts = pieces.map((piece) => verdictOn(judging, piece));
  const all = verdicts.every((one) => one === verdicts[0]) ? verdicts[0] : null;
  const press = (to: Verdict) => onJudge(all === to ? null : to);
  if (judging.ask === 'row') {
    const row = handout.rubric.rows.find(({ id }) => id === judging.id);
    return (
      <span className={styles.verdicts} role="group" aria-label={row?.name}>
        {row?.levels.map((level, i) => (
          <button
            key={i}
            type="button"
            disabled={!may}
            title={level.text}
            aria-pressed={all === i}
            onClick={() => press(i)}
          >
            {level.points}
          </button>
        ))}
      </span>
    );
  }
  // Where there is no answer that could be ruled on, nothing can be pressed.
  if (judging.ask === 'answer' && pieces.every(({ answer }) => answer === null)) return null;
  const [yes, no] = judging.ask === 'answer' ? ['Right', 'Not right'] : ['Met', 'Not met'];
  return (
    <span
      className={styles.verdicts}
      data-two
      role="group"
      aria-label={judging.ask === 'answer' ? 'This answer' : 'This look-for'}
    >
      <button type="button" disabled={!may} aria-pressed={all === true} onClick={() => press(true)}>
        <Sign of="met" /> {yes}
      </button>
      <button type="button" disabled={!may} aria-pressed={all === false} onClick={() => press(false)}>
        <Sign of="remove" /> {no}
      </button>
    </span>
  );
}

const VERDICT_SIGNS = { true: 'met', false: 'remove' } as const;

/** Pixels to a point, at which a spot is large and still fits. */
const shownAt = ({ width, height }: Piece['view']): number => Math.min(1.7, 460 / width, 300 / height);

type PieceProps = { handout: SpotData['handout']; piece: Piece; judging: Judging | null };

function PieceName({ handout, piece, judging }: PieceProps) {
  const { copyId, studentName, state, version } = piece;
  const verdict = judging && verdictOn(judging, piece);
  return (
    <Link to={`/handouts/${handout.id}/reading/${copyId}`} className={styles.name} title="Read the whole piece">
      {typeof verdict === 'boolean' && (
        <span className={verdict ? styles.right : styles.wrong}>
          <Sign of={VERDICT_SIGNS[`${verdict}`]} />
          <span className="sr">{verdict ? 'Right:' : 'Not right:'}</span>
        </span>
      )}
      {!mayJudge(piece) && (
        <>
          <Leaf state={state} />
          <span className="sr">{STATE_WORDS[state]}:</span>
        </>
      )}
      {studentName}
      {handout.versions > 0 && <VersionMark version={version} />}
    </Link>
  );
}

function PieceSpot(props: PieceProps) {
  const { copyId, goId, studentName, pageIndex, view } = props.piece;
  return (
    <li>
      <img
        src={`/copies/${copyId}/picture.svg?go=${goId}&page=${pageIndex}&area=${areaText(view)}`}
        alt={`${studentName}’s answer`}
        loading="lazy"
        style={{ width: view.width * shownAt(view), aspectRatio: `${view.width} / ${view.height}` }}
      />
      <PieceName {...props} />
    </li>
  );
}
