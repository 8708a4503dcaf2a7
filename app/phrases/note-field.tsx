import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import type { KeyboardEvent, ReactNode } from 'react';
import { LONGEST_PHRASE, phrasesFor } from '../../core/review/phrases';
import { MOST_LETTERS } from '../../core/review/said';
import { later } from '../browser/later';
import { Action } from '../parts/action';
import { usePhrases } from './phrases';
import styles from './phrases.module.css';

/** A note being written, with the phrases that fit. Enter saves, Shift+Enter starts a new line, ↓ goes to the phrases. */

const PhraseBank = later(() => import('./phrase-bank').then((part) => part.default), null);

type Props = {
  personId: string;
  label: string;
  body: string;
  focus: boolean;
  /** Whether it can be said at this moment. */
  may: boolean;
  /** Kinds of the look-fors that are missed there. */
  about: readonly string[];
  save: string;
  /** Something was spoken: no text is needed. */
  isSpoken?: boolean;
  /** Its text is there already, and only changed. */
  changes?: boolean;
  onWrite: (body: string) => void;
  onFinish: (body: string) => void;
  onDrop: () => void;
  /** Under the text: why it can't be said. */
  children?: ReactNode;
};

export function NoteField(props: Props) {
  const { personId, label, body, focus, may, about, save, changes = false, isSpoken = false } = props;
  const { onWrite, onFinish, onDrop } = props;
  const { phrases, keep } = usePhrases(personId);
  const [here, setHere] = useState(focus);
  /** The phrase that Enter takes; -1 for what is typed. */
  const [at, setAt] = useState(-1);
  const [bank, setBank] = useState(false);
  const id = useId();
  const found = here && may ? phrasesFor(body, about, phrases) : [];
  const chosen = found[at] as (typeof found)[number] | undefined;
  const written = body.trim();
  const isKept = phrases.some((one) => one.body === written && one.id !== null && one.by === null);
  const finish = (text: string) => may && (text.trim() !== '' || isSpoken) && onFinish(text);
  const onKey = (event: KeyboardEvent<HTMLTextAreaElement>) => {
    event.stopPropagation();
    if (event.nativeEvent.isComposing) return;
    const atEnd = event.currentTarget.selectionStart >= body.length;
    if (event.key === 'ArrowDown' && found.length > 0 && (at >= 0 || atEnd)) setAt(Math.min(found.length - 1, at + 1));
    else if (event.key === 'ArrowUp' && at >= 0) setAt(at - 1);
    else if (event.key === 'Escape') {
      // Written text stays, an empty note is removed.
      if (chosen) setAt(-1);
      else if (body === '' && !isSpoken) onDrop();
      else event.currentTarget.blur();
    } else if (event.key === 'Enter' && !event.shiftKey) finish(chosen?.body ?? body);
    else return;
    event.preventDefault();
  };
  return (
    <div className={styles.field}>
      <Input.TextArea
        autoFocus={focus}
        autoSize={{ minRows: 2, maxRows: 8 }}
        aria-label={label}
        aria-controls={found.length > 0 ? id : undefined}
        aria-activedescendant={chosen ? `${id} ${at}` : undefined}
        placeholder="Write here"
        maxLength={MOST_LETTERS}
        value={body}
        onFocus={() => setHere(true)}
        onBlur={() => {
          setHere(false);
          setAt(-1);
        }}
        onChange={(event) => {
          setAt(-1);
          onWrite(event.target.value);
        }}
        onKeyDown={onKey}
      />
      {found.length > 0 && (
        <ul id={id} className={styles.found} role="listbox" aria-label="Phrases">
          {found.map((phrase, i) => (
            <li
              key={phrase.body}
              id={`${id} ${i}`}
              role="option"
              aria-selected={i === at}
              // The text keeps the focus.
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => finish(phrase.body)}
              title={phrase.by ? `${phrase.body} (${phrase.by})` : phrase.body}
            >
              {phrase.body}
            </li>
          ))}
        </ul>
      )}
      {props.children}
      <span>
        <Button
          size="small"
          type="primary"
          disabled={!may || (written === '' && !isSpoken)}
          onClick={() => finish(body)}
        >
          {save}
        </Button>
        <Button size="small" type="text" onClick={onDrop}>
          {(body === '' && !isSpoken) || changes ? 'Cancel' : 'Discard'}
        </Button>
        <span className="spring" />
        {written !== '' && !isKept && written.length <= LONGEST_PHRASE ? (
          <Action onMouseDown={(event) => event.preventDefault()} onClick={() => void keep(written, about)}>
            Keep as phrase
          </Action>
        ) : (
          <Action onMouseDown={(event) => event.preventDefault()} onClick={() => setBank(true)}>
            Phrases …
          </Action>
        )}
      </span>
      {bank && <PhraseBank personId={personId} onClose={() => setBank(false)} />}
    </div>
  );
}
