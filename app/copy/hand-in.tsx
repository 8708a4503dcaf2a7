import { Button } from 'antd';
import { useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import { Link } from 'react-router';
import type { Box } from '../../core/geometry/matrix';
import { bringingOf } from '../brought/bringing';
import { closesWords, whenWords } from '../browser/time';
import type { Editor } from '../document/editor';
import { Leaf } from '../house/leaf';
import type { MarginEntry } from '../margin/margin';
import type { Loaded } from '../student/entries';
import type { Step } from './blanks';
import { openBlank } from './blanks';
import styles from './copy.module.css';

/** Handing in: a last look at what is still missing, then everything is saved and the copy goes to the teacher. */

type Fetcher = Pick<FetcherWithComponents<unknown>, 'submit'>;

export function useHandIn(editor: Editor, { submit }: Fetcher) {
  const [asking, setAsking] = useState(false);
  const [sending, setSending] = useState(false);
  const handIn = async () => {
    if (bringingOf(editor)?.now) return editor.say('Pages are still being added. Hand in once they are all there.');
    setSending(true);
    const seq = await editor.settled();
    setSending(false);
    if (seq === null)
      return editor.say('Your changes are still kept here: the server does not answer. Hand in when it says “Saved”.');
    setAsking(false);
    void submit({ do: 'hand-in', seq: String(seq) }, { method: 'post' });
  };
  return { asking, setAsking, sending, handIn };
}
export type Handing = ReturnType<typeof useHandIn>;

type LastLook = {
  editor: Editor;
  lookFors: Loaded['lookFors'];
  results: Loaded['results'];
  steps: readonly Step[];
  /** Of the brief. */
  briefSteps: Loaded['steps'];
  handing: Handing;
  onShow: (lookFor: string) => void;
};

function LastLookCard({ editor, lookFors, results, steps, briefSteps, handing, onShow }: LastLook) {
  const { setAsking, sending, handIn } = handing;
  const lacking = lookFors.flatMap(({ id, title }, i) => {
    const result = results[i];
    return result?.held === false ? [{ id, title, result }] : [];
  });
  const empty = steps.filter(({ filled }) => !filled);
  const unopened = briefSteps.of - briefSteps.open.length;
  const missing = lacking.length > 0 || empty.length > 0 || unopened > 0;
  const goOn = (
    <Button autoFocus={missing} type={missing ? 'primary' : 'default'} onClick={() => setAsking(false)}>
      Go on working
    </Button>
  );
  const hand = (
    <Button autoFocus={!missing} type={missing ? 'default' : 'primary'} loading={sending} onClick={() => void handIn()}>
      {missing ? 'Hand in anyway' : 'Hand it in'}
    </Button>
  );
  return (
    <div onKeyDown={(event) => event.key === 'Escape' && setAsking(false)}>
      <h3 className={styles.asked}>A last look</h3>
      <p>{missing ? 'This is still missing:' : 'Everything that can be counted is there.'}</p>
      {missing && (
        <ul className={styles.missing}>
          {unopened > 0 && (
            <li>
              {unopened === 1
                ? `Step ${briefSteps.of} has not opened yet`
                : `Steps ${briefSteps.open.length + 1} to ${briefSteps.of} have not opened yet`}
            </li>
          )}
          {empty.length > 0 && (
            <li>
              <button type="button" onClick={() => (setAsking(false), openBlank(editor, empty[0]))}>
                {empty.length === 1 ? 'One box is empty' : `${empty.length} boxes are empty`}
              </button>
            </li>
          )}
          {lacking.map(({ id, title, result }) => (
            <li key={id}>
              <button type="button" onClick={() => onShow(id)}>
                {title}{' '}
                <span className="quiet">
                  {result.got} of {result.need}
                </span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className={styles.buttons}>
        {missing ? goOn : hand}
        {missing ? hand : goOn}
      </div>
      <p className="quiet">You can take it back until your teacher begins to read it.</p>
    </div>
  );
}

/** The card of the last look, which lights every gap on the page. */
export const lastLookEntry = (of: LastLook, light: () => readonly Box[]): MarginEntry => ({
  id: 'last-look',
  anchor: null,
  end: 'top',
  tone: 'plain',
  current: true,
  label: 'A last look',
  light,
  content: <LastLookCard {...of} />,
});

/** What a copy says that is with the teacher. */
export const withTeacherEntry = ({ handedInAt, recalled, now }: Loaded, zone: string): MarginEntry => ({
  id: 'with-teacher',
  anchor: null,
  end: 'top',
  tone: 'plain',
  label: 'Handed in',
  content: (
    <div className={styles.given}>
      <Leaf state="handed-in" size={56} />
      <h3>With your teacher since {whenWords(handedInAt, now, zone)}</h3>
      {recalled !== null && (
        <p>
          Your teacher took it back: <q>{recalled}</q>
        </p>
      )}
      <Link to="/tray">Back to your tray</Link>
    </div>
  ),
});

/** What a copy says that was not handed in before handing in closed. */
export const closedEntry = ({ closesAt, now }: Loaded, zone: string): MarginEntry => ({
  id: 'closed',
  anchor: null,
  end: 'top',
  tone: 'plain',
  label: 'Closed',
  content: (
    <div className={styles.given}>
      <h3>Handing in {closesWords(closesAt, now, zone)}</h3>
      <p>What you did is kept. Ask your teacher if you need more time.</p>
      <Link to="/tray">Back to your tray</Link>
    </div>
  ),
});
