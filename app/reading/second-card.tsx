import { Input } from 'antd';
import { pointsWords } from '../../core/lookfors/rubric';
import { MOST_WORD } from '../../core/review/said';
import type { Judgement, Verdict } from '../../core/review/second';
import { compareJudgements } from '../../core/review/second';
import { howMany } from '../../core/values/listed';
import { Action, Chip, Chips } from '../parts/action';
import type { readingView } from '../../server/views/reading-view';
import type { Finishing } from './finishing';
import styles from './second-card.module.css';
import type { Writing } from './writing';

/** Where a piece is read twice: on what the two readers are apart, and what the second tells the first. */

type Read = Awaited<ReturnType<typeof readingView>>;
type Props = {
  loaded: Pick<Read, 'rubric' | 'lookFors'>;
  counted: Read['results'];
  writing: Pick<Writing, 'said' | 'say'>;
  judging: boolean;
  second: NonNullable<Read['second']>;
  finishing: Finishing;
};

export default function SecondCard(props: Props) {
  const { second, finishing, judging } = props;
  const { name, other, word } = second;
  if (second.role === 'first')
    return (
      <>
        <h3>
          Second reader <small>{name}</small>
        </h3>
        {other ? <Apart {...props} other={other} /> : <p className="quiet">Has not finished this piece yet.</p>}
        {word && <blockquote className={styles.word}>{word}</blockquote>}
      </>
    );
  const first = name.split(' ')[0] || 'the first reader';
  return (
    <>
      <h3>You are the second reader</h3>
      {other ? (
        <Apart {...props} other={other} />
      ) : (
        <p className="quiet">
          {finishing.isDone
            ? 'Finished. It is on its way.'
            : `You and ${first} see each other’s marks once you have finished.`}
        </p>
      )}
      {judging && (
        <>
          <Input.TextArea
            size="small"
            className={styles.field}
            autoSize={{ minRows: 1, maxRows: 5 }}
            maxLength={MOST_WORD}
            aria-label={`A word for ${first}`}
            placeholder={`A word for ${first}`}
            value={finishing.word}
            onChange={(event) => finishing.write(event.target.value)}
          />
          {finishing.isDone && finishing.isNew && <Action onClick={finishing.tell}>Tell {first}</Action>}
        </>
      )}
    </>
  );
}

const verdictWords = ({ held, got }: Verdict, need: number): string =>
  `${held ? 'met' : 'not met'}${got === null || need < 2 ? '' : `, ${got} of ${need}`}`;

/** What the two judge differently, with what the other says to be taken over. */
function Apart({ loaded, counted, writing, judging, second, other }: Props & { other: Judgement }) {
  const { rubric, lookFors } = loaded;
  const { said, say } = writing;
  const { both, apart } = compareJudgements(counted, rubric, said, other);
  // Marked by the other alone.
  const open = rubric.rows.filter(({ id }) => !(id in said.marks) && id in other.marks);
  const mark = (row: string) => say({ do: 'mark', row, level: other.marks[row] });
  const rule = (lookFor: string) => {
    const ours = said.rulings.filter(({ lookForId }) => lookForId === lookFor);
    const theirs = other.rulings.filter(({ lookForId }) => lookForId === lookFor);
    for (const { itemId } of ours)
      if (!theirs.some((one) => one.itemId === itemId))
        say({ do: 'rule', lookFor, item: itemId ?? undefined, held: null });
    for (const { itemId, held } of theirs) say({ do: 'rule', lookFor, item: itemId ?? undefined, held });
  };
  const rowOf = (row: string) => rubric.rows.find(({ id }) => id === row)!;
  const lines = [
    ...apart.map((one) =>
      one.of === 'row'
        ? {
            id: one.id,
            title: rowOf(one.id).name,
            mine: pointsWords(one.mine),
            theirs: pointsWords(one.theirs),
            take: () => mark(one.id),
          }
        : {
            id: one.id,
            title: lookFors.find(({ id }) => id === one.id)?.title ?? 'A look-for',
            mine: verdictWords(one.mine, counted.find(({ id }) => id === one.id)?.need ?? 0),
            theirs: verdictWords(one.theirs, counted.find(({ id }) => id === one.id)?.need ?? 0),
            take: () => rule(one.id),
          },
    ),
    ...open.map(({ id, name, levels }) => ({
      id,
      title: name,
      mine: 'not marked',
      theirs: pointsWords(levels[other.marks[id]]?.points ?? 0),
      take: () => mark(id),
    })),
  ];
  return (
    <>
      <p className="quiet">
        {apart.length === 0
          ? `You agree on all ${howMany(both, 'thing')} that both of you judged.`
          : `You differ on ${apart.length} of ${howMany(both, 'thing')} that both of you judged.`}
      </p>
      {lines.length > 0 && (
        <ul className={styles.apart} aria-label="What the two readers judge differently">
          {lines.map(({ id, title, mine, theirs, take }) => (
            <li key={id}>
              <span className={styles.title}>{title}</span>
              <span>
                you <b>{mine}</b> · {second.name.split(' ')[0] || 'the other'} <b>{theirs}</b>
              </span>
              {judging && (
                <Chips>
                  <Chip aria-label={`Take over ${theirs} for ${title}`} onClick={take}>
                    Take over
                  </Chip>
                </Chips>
              )}
            </li>
          ))}
        </ul>
      )}
    </>
  );
}
