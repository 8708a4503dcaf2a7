import { Button } from 'antd';
import { Link } from 'react-router';
import { OUTCOME_WORDS } from '../../core/handout/state';
import { useZone, whenWords } from '../browser/time';
import { Segments } from '../fields/segments';
import { Strip } from '../house/strip';
import { PageTabs } from '../parts/page-tabs';
import type { Loaded } from './entries';
import styles from './reading.module.css';
import type { Recalling } from './recalling';
import type { ReturningPiece } from './returning';
import type { Other, Shown } from './shown';
import { OfTheClass } from './sending-words';
import type { Writing } from './writing';

/** The strip above a piece that is being read: what is shown of it, and returning it. */

type Props = {
  loaded: Loaded;
  writing: Writing;
  returning: ReturningPiece;
  recalling: Recalling;
  open: boolean;
  /** As its second reader. */
  finish: { may: boolean; finish: () => void } | null;
  shown: Shown;
  others: readonly Other[];
  onShow: (shown: Shown) => void;
  pageIndex: number;
  onTurn: (index: number) => void;
  onKeys: () => void;
};

export function ReadingStrip(props: Props) {
  const { loaded, writing, returning, recalling, open, finish, shown, others, onShow, pageIndex, onTurn, onKeys } =
    props;
  const { copy, go, goes, sheet } = loaded;
  const { busy, giveOrAsk } = returning;
  const zone = useZone();
  return (
    <Strip
      home="/desk"
      title={copy.title}
      before={<OfTheClass handoutId={copy.handoutId} sending={writing.sending} waiting={writing.waiting} />}
    >
      <Segments label="What is shown" value={shown} onChange={onShow} options={['piece', ...others, 'growth']} />
      {goes.length > 1 && (
        <span className={styles.goes} role="group" aria-label="Goes">
          {goes.map(({ number }) => (
            <Link key={number} to={`?go=${number}`} aria-current={number === go?.number} className={styles.goLink}>
              Go {number}
            </Link>
          ))}
        </span>
      )}
      {shown === 'piece' && <FromFile copyId={copy.id} brought={sheet.pages[pageIndex].brought} />}
      <PageTabs pages={sheet.pages} shown={sheet.pages[pageIndex].id} onShow={(_, index) => onTurn(index)} />
      <button
        type="button"
        className={styles.keys}
        aria-label="Keyboard shortcuts"
        title="Keyboard shortcuts"
        onClick={onKeys}
      >
        <kbd>?</kbd>
      </button>
      {loaded.mayRecall && go?.heldFor && (
        <span className="quiet">
          goes back {OUTCOME_WORDS[go.heldFor]} {whenWords(copy.returnsAt, loaded.now, zone)}
        </span>
      )}
      {finish ? (
        <Button type="primary" disabled={!finish.may} onClick={finish.finish}>
          {loaded.second?.done ? 'Next piece' : 'Finish'}
        </Button>
      ) : loaded.mayRecall ? (
        <Button loading={recalling.busy} onClick={recalling.begin}>
          Take it back
        </Button>
      ) : (
        <>
          <Button disabled={!open} loading={busy} onClick={() => giveOrAsk('another-go')}>
            Another go
          </Button>
          <Button type="primary" disabled={!open} loading={busy} onClick={() => giveOrAsk('done')}>
            Return as done
          </Button>
        </>
      )}
    </Strip>
  );
}

/** Where a page that was made elsewhere is from. */
function FromFile({ copyId, brought }: { copyId: string; brought: Loaded['sheet']['pages'][number]['brought'] }) {
  if (!brought) return null;
  const { file, name, number, of } = brought;
  return (
    <a
      className={`quiet ${styles.fromFile}`}
      href={`/copies/${copyId}/files/${file}`}
      download
      title={`Download “${name}” as it was handed in`}
    >
      {of > 1 ? `page ${number} of ` : ''}
      {name}
    </a>
  );
}
