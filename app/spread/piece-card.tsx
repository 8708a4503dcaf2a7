import { Link } from 'react-router';
import type { Box } from '../../core/geometry/matrix';
import { isOpen, isWaiting, OUTCOME_WORDS } from '../../core/handout/state';
import { isMarked, pointsWords, sumWords } from '../../core/lookfors/rubric';
import type { spreadView } from '../../server/views/spread-view';
import { useZone, whenWords } from '../browser/time';
import { Leaf, STATE_WORDS } from '../house/leaf';
import { AlikeFrames } from '../parts/alike-frames';
import { NearPicture } from '../parts/near-picture';
import { VersionMark } from '../parts/version-mark';
import type { Changed } from './changed';
import { Changes, changesWords } from './changed';
import { Marks } from './marks';
import styles from './spread.module.css';

export type SpreadData = Awaited<ReturnType<typeof spreadView>>;
export type Card = SpreadData['cards'][number];

type Props = {
  handout: SpreadData['handout'];
  card: Card;
  now: SpreadData['now'];
  /** Whether it is one of the first, which are in view. */
  first: boolean;
  /** Whether the look-fors are shown on the piece. */
  marked: boolean;
  /** What is changed on it, where that is to be shown. */
  changed: Changed | null;
  /** Where it is like another piece, where that is to be shown. */
  alike: readonly Box[] | null;
  /** Whether it is one of those that something will be done with; null where nothing can be. */
  chosen: boolean | null;
  onChoose: (chosen: boolean) => void;
};

const pointsSoFar = ({ got, of, open }: NonNullable<Card['points']>): string =>
  open > 0 ? `${pointsWords(got)} points so far` : `${pointsWords(got)}/${pointsWords(of)} points`;

/** One student's copy among all of the class: its picture, whose it is, and how far it has come. */
export function PieceCard({ handout, card, now, first, marked, changed, alike, chosen, onChoose }: Props) {
  const { page } = card;
  const zone = useZone();
  return (
    <div className={`${styles.cell} ${chosen ? styles.isChosen : ''}`}>
      <Link to={`/handouts/${handout.id}/reading/${card.id}`} className={styles.card}>
        <span className={styles.picture} style={{ aspectRatio: `${page.width} / ${page.height}` }}>
          {card.state === 'not-begun' ? (
            <span className={styles.none}>Nothing yet</span>
          ) : (
            <NearPicture src={`/copies/${card.id}/picture.svg?${card.picture}`} atOnce={first} />
          )}
          {marked && <Marks marks={card.marks} page={page} />}
          {changed && <Changes changed={changed} page={page} />}
          {alike && <AlikeFrames spots={alike} page={page} />}
        </span>
        <span className={styles.name}>
          <Leaf state={card.state} />
          <span className="sr">{STATE_WORDS[card.state]}:</span>
          <strong>{card.studentName}</strong>
          <span className="spring" />
          {handout.versions > 0 && <VersionMark version={card.version} />}
          {card.held !== null && card.lookFors > 0 && (
            <span className={styles.count} title={`${card.held} of ${card.lookFors} look-fors met`}>
              {card.held}/{card.lookFors}
            </span>
          )}
        </span>
        <span className={`quiet ${styles.when}`}>
          {STATE_WORDS[card.state]}
          {card.handedInAt && isWaiting(card) && ` ${whenWords(card.handedInAt, now, zone)}`}
          {card.heldFor && ` · goes back ${OUTCOME_WORDS[card.heldFor]} ${whenWords(handout.returnsAt, now, zone)}`}
          {card.extendedTo && isOpen(card.state) && ` · until ${whenWords(card.extendedTo, now, zone)}`}
          {handout.steps > 0 &&
            isOpen(card.state) &&
            ` · step ${Math.min(card.openSteps, handout.steps)} of ${handout.steps}`}
          {card.brought > 0 && ` · ${card.brought} ${card.brought === 1 ? 'page' : 'pages'} made elsewhere`}
          {card.go > 1 && ` · go ${card.go}`}
          {card.points && isMarked(card.points) && (
            <span title={sumWords(card.points)}> · {pointsSoFar(card.points)}</span>
          )}
          {card.second?.done &&
            ` · read twice${card.second.apart > 0 ? `, ${card.second.apart} judged differently` : ''}`}
          {changed && ` · ${changesWords(changed)}`}
          {card.late && <span className={styles.late}> · late</span>}
          {card.overdue && <span className={styles.late}> · overdue</span>}
          {card.uncorrected && <span title="Handed in before the sheet was corrected"> · before the correction</span>}
          {card.damaged && <strong className={styles.late}> · damaged</strong>}
        </span>
      </Link>
      {chosen !== null && (
        <input
          type="checkbox"
          className={styles.tick}
          aria-label={`Choose ${card.studentName}’s piece`}
          checked={chosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      )}
    </div>
  );
}
