import { Alert, Checkbox } from 'antd';
import { z } from 'zod';
import type { Phrase } from '../../core/review/phrases';
import { LONGEST_PHRASE } from '../../core/review/phrases';
import { TextLine } from '../fields/text-line';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { Ask } from '../parts/ask';
import { usePhrases } from './phrases';
import styles from './phrases.module.css';

/** All phrases of a teacher: written, changed, shared and removed. */

type Bank = ReturnType<typeof usePhrases>;
const Draft = z.string();

export default function PhraseBank({ personId, onClose }: { personId: string; onClose: () => void }) {
  const bank = usePhrases(personId);
  const [fresh, setFresh] = useKept(personId, 'phrases/new', Draft);
  const own = bank.phrases.filter(({ id, by }) => id !== null && by === null);
  const others = bank.phrases.filter(({ by }) => by !== null);
  const add = async () => {
    if (fresh?.trim() && (await bank.keep(fresh, []))) setFresh(null);
  };
  return (
    <Ask title="Your phrases" wide onCancel={onClose}>
      <p className="quiet">
        While you write a note, those that fit what you type are offered, and those about what was missed come first.
      </p>
      {bank.problem && (
        <Alert type="error" showIcon title={bank.problem} role="alert" closable={{ onClose: bank.seen }} />
      )}
      <ul className={styles.bank}>
        {own.map((phrase) => (
          <OwnPhrase key={phrase.id} {...{ personId, bank, phrase }} />
        ))}
        <li>
          <TextLine
            aria-label="A new phrase"
            placeholder="A new phrase"
            maxLength={LONGEST_PHRASE}
            value={fresh ?? ''}
            onChange={(event) => setFresh(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' && !event.nativeEvent.isComposing) void add();
            }}
          />
          <Action disabled={!fresh?.trim()} onClick={() => void add()}>
            Add
          </Action>
        </li>
      </ul>
      {others.length > 0 && (
        <>
          <h3>Shared by colleagues</h3>
          <ul className={styles.bank}>
            {others.map(({ id, body, by }) => (
              <li key={id}>
                <span>{body}</span>
                <span className="quiet">{by}</span>
                <Action onClick={() => void bank.keep(body, [])}>Make it mine</Action>
              </li>
            ))}
          </ul>
        </>
      )}
    </Ask>
  );
}

function OwnPhrase({ personId, bank, phrase }: { personId: string; bank: Bank; phrase: Phrase }) {
  const id = phrase.id!;
  const [written, setWritten] = useKept(personId, `phrases/${id}`, Draft);
  const finish = async () => {
    const body = written?.trim();
    // An empty one stays as it was; removing has its own button.
    if (!body || body === phrase.body || (await bank.word(id, body))) setWritten(null);
  };
  return (
    <li>
      <TextLine
        aria-label={`Phrase: ${phrase.body}`}
        maxLength={LONGEST_PHRASE}
        value={written ?? phrase.body}
        onChange={(event) => setWritten(event.target.value)}
        onBlur={() => void finish()}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && !event.nativeEvent.isComposing) event.currentTarget.blur();
        }}
      />
      <Checkbox checked={phrase.shared} onChange={(event) => void bank.share(id, event.target.checked)}>
        Shared
      </Checkbox>
      <Action onClick={() => void bank.remove(id)}>Delete</Action>
    </li>
  );
}
