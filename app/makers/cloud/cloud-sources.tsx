import { Input } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { readCells } from '../../../core/formats/tables';
import type { Table } from '../../../core/makers/cloud/columns';
import { columnWords, numbersAfter, tablesOn } from '../../../core/makers/cloud/columns';
import type { Weighted } from '../../../core/schema/recipes/cloud';
import { countWords } from '../../../core/makers/cloud/words';
import { bodyText } from '../../../core/text/body';
import { itemName } from '../../../core/items/name';
import type { GroupItem } from '../../../core/schema/sheet';
import { isWritten } from '../../../core/schema/sheet';
import { everyItem } from '../../../core/sheet/tree';
import type { WrittenAnswer } from './written-answer';
import type { Editor } from '../../document/editor';
import { Toggle } from '../../fields/toggle';
import { Row } from '../../parts/row';
import { Choice } from '../../fields/choice';
import styles from './cloud.module.css';
import kitStyles from '../kit/kit.module.css';

/** Where the words of a cloud may come from, besides being typed. */

const WAYS = {
  text: 'a text',
  box: 'a text box',
  column: 'a column',
  class: 'a class',
} as const;
type Way = keyof typeof WAYS;
const WAY_TELLS: Record<Way, string> = {
  text: 'Counts the words of a text that you paste',
  box: 'Counts the words of a box on this sheet',
  column: 'Takes a column of a table: of one on this sheet, or one that you paste',
  class: 'Counts what all students of a class wrote in one box of a handout',
};

type Props = { editor: Editor; group: GroupItem; onWords: (words: Weighted[]) => void };

export function CloudSources({ editor, group, onWords }: Props) {
  const [way, setWay] = useState<Way | null>(null);
  const teacher = editor.rights.kind === 'all';
  const take = (words: Weighted[], from: string) => {
    if (words.length === 0) return editor.say(`There are no words to count in ${from}.`);
    onWords(words);
    setWay(null);
  };
  return (
    <div className={styles.cloudSources}>
      <Row label="from">
        {(Object.keys(WAYS) as Way[])
          .filter((key) => key !== 'class' || teacher)
          .map((key) => (
            <Toggle key={key} on={way === key} label={WAY_TELLS[key]} onClick={() => setWay(way === key ? null : key)}>
              {WAYS[key]} …
            </Toggle>
          ))}
      </Row>
      {way === 'text' && <FromText onTake={(text) => take(countWords([text]), 'this text')} />}
      {way === 'box' && <FromBox {...{ editor, group }} onTake={(text) => take(countWords([text]), 'this box')} />}
      {way === 'column' && <FromColumn editor={editor} onTake={(words) => take(words, 'this column')} />}
      {way === 'class' && <FromClass onTake={(words) => take(words, 'what the class wrote')} />}
    </div>
  );
}

function FromText({ onTake }: { onTake: (text: string) => void }) {
  const [text, setText] = useState('');
  return (
    <>
      <Input.TextArea
        size="small"
        aria-label="Text whose words are counted"
        placeholder="Paste a text. Words such as “the” and “of” are left out; “crab” and “crabs” count as one."
        value={text}
        maxLength={200_000}
        autoSize={{ minRows: 3, maxRows: 7 }}
        onChange={(event) => setText(event.target.value)}
      />
      <div className={kitStyles.files}>
        <Toggle label="Replace the words above with these" onClick={() => onTake(text)}>
          count its words
        </Toggle>
      </div>
    </>
  );
}

function FromBox({ editor, group, onTake }: { editor: Editor; group: GroupItem; onTake: (text: string) => void }) {
  const own = new Set(group.items.map(({ id }) => id));
  const boxes = editor.sheet.pages.flatMap((page) =>
    everyItem(page)
      .filter(isWritten)
      .filter((item) => !own.has(item.id) && bodyText(item.body).trim() !== ''),
  );
  if (boxes.length === 0) return <p className="quiet">There is no box with words on this sheet.</p>;
  return (
    <Choice
      label="Box whose words are counted"
      asIs
      options={boxes.map((item) => ({ value: item.id, label: itemName(item) }))}
      onChange={(id: string) => onTake(bodyText(boxes.find((item) => item.id === id)!.body))}
      placeholder="Which box?"
    />
  );
}

/** No column of weights; no table of the sheet. */
const COUNTED = -1;
const PASTED = '';

function FromColumn({ editor, onTake }: { editor: Editor; onTake: (words: Weighted[]) => void }) {
  const [tables] = useState(() => tablesOn(editor.sheet));
  const [chosen, setChosen] = useState(tables[0]?.id ?? PASTED);
  const [pasted, setPasted] = useState('');
  const [column, setColumn] = useState(0);
  const [weights, setWeights] = useState<number | null>(null);
  const table = useMemo((): Table | null => {
    if (chosen !== PASTED) return tables.find(({ id }) => id === chosen) ?? null;
    const [head, ...rows] = readCells(pasted);
    return head && rows.length > 0 ? { head, rows } : null;
  }, [chosen, pasted, tables]);
  // The first column of numbers gives the weights until another one is chosen.
  const numbers = table ? numbersAfter(table, column) : null;
  const by = weights ?? numbers ?? COUNTED;
  const names = (table?.head ?? []).map((name, i) => ({ value: i, label: name || `column ${i + 1}` }));
  function take() {
    const { words, left } = columnWords(table!, column, by === COUNTED ? null : by);
    if (words.length > 0 && left > 0)
      editor.say(
        `${left === 1 ? 'One row is' : `${left} rows are`} left out: no number above 0 stands beside its words.`,
      );
    onTake(words);
  }
  return (
    <>
      {tables.length > 0 && (
        <Choice
          label="Table with the words"
          value={chosen}
          options={[
            ...tables.map(({ id, name }) => ({ value: id, label: name })),
            { value: PASTED, label: 'one that I paste' },
          ]}
          onChange={(id) => (setChosen(id), setColumn(0), setWeights(null))}
        />
      )}
      {chosen === PASTED && (
        <Input.TextArea
          size="small"
          aria-label="Pasted table"
          placeholder="Paste cells from a spreadsheet, with what the columns are called in the first row."
          value={pasted}
          maxLength={200_000}
          autoSize={{ minRows: 3, maxRows: 6 }}
          onChange={(event) => setPasted(event.target.value)}
        />
      )}
      {table && (
        <>
          <Choice
            row="words"
            label="Column of words"
            value={Math.min(column, names.length - 1)}
            asIs
            options={names}
            onChange={setColumn}
          />
          <Choice
            row="as large as"
            label="Column of weights"
            value={by}
            options={[
              { value: COUNTED, label: 'how often each stands' },
              ...names.filter(({ value }) => value !== column),
            ]}
            onChange={setWeights}
          />
          <div className={kitStyles.files}>
            <Toggle label="Replace the words above with this column" onClick={take}>
              use these words
            </Toggle>
          </div>
        </>
      )}
    </>
  );
}

/** Asks the server; what can't be had is told in its own words. */
function useWritten(query: string | null): { answer: WrittenAnswer | null; problem: string | null } {
  const [got, setGot] = useState<{ query: string; answer: WrittenAnswer | null; problem: string | null } | null>(null);
  useEffect(() => {
    if (query === null) return;
    const ended = new AbortController();
    fetch(`/written${query}`, { signal: ended.signal })
      .then(async (reply) => {
        const body = (await reply.json()) as WrittenAnswer & { message?: string };
        setGot(
          reply.ok
            ? { query, answer: body, problem: null }
            : { query, answer: null, problem: body.message ?? 'Couldn’t load. Try again.' },
        );
      })
      .catch((error: unknown) => {
        if (!ended.signal.aborted) setGot({ query, answer: null, problem: 'There is no connection right now.' });
        return error;
      });
    return () => ended.abort();
  }, [query]);
  return got && got.query === query ? got : { answer: null, problem: null };
}

function FromClass({ onTake }: { onTake: (words: Weighted[]) => void }) {
  const [handout, setHandout] = useState<string | null>(null);
  const all = useWritten('');
  const one = useWritten(handout === null ? null : `?handout=${handout}`);
  const boxes = one.answer?.boxes;
  async function take(box: string) {
    const reply = await fetch(`/written?handout=${handout}&box=${box}`);
    if (reply.ok) onTake(((await reply.json()) as WrittenAnswer).words ?? []);
  }
  return (
    <>
      <Choice
        asIs
        label="Handout"
        placeholder="Which handout?"
        loading={!all.answer && !all.problem}
        value={handout}
        options={(all.answer?.handouts ?? []).map(({ id, title, className }) => ({
          value: id,
          label: `${title} · ${className}`,
        }))}
        onChange={setHandout}
      />
      {boxes && boxes.length > 0 && (
        <Choice
          key={handout}
          asIs
          label="Box that the class wrote in"
          placeholder="Which box?"
          options={boxes.map(({ id, name, page, filled }) => ({
            value: id,
            label: `${name} · page ${page} · ${filled} written`,
            disabled: filled === 0,
          }))}
          onChange={(box: string) => void take(box)}
        />
      )}
      {boxes?.length === 0 && <p className="quiet">Students write in no box of this handout.</p>}
      {(all.problem ?? one.problem) && <p role="alert">{all.problem ?? one.problem}</p>}
    </>
  );
}
