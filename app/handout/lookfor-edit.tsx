import { Action } from '../parts/action';
import { Input, InputNumber } from 'antd';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import type { LookFor } from '../../core/lookfors/all';
import {
  anyAsksSpelling,
  begun,
  contradictionOf,
  countWords,
  lookForKindOf,
  OFFERED,
  openedFor,
  titled,
} from '../../core/lookfors/all';
import { isChecked, triesOf } from '../../core/lookfors/checks';
import { MOST_POINTS, MOST_TRIES } from '../../core/lookfors/kind';
import type { Supply } from '../../core/handout/supplies';
import type { Sheet } from '../../core/schema/sheet';
import { Beside } from './lookfors/all';
import { FurtherSettings, Sentence } from './lookfors/sentence';
import { Choice } from '../fields/choice';
import type { Tried } from './lookfor-tools';
import type { Point } from './shown';
import styles from './hand-out.module.css';
import { Sign } from '../parts/sign';

/** Choosing look-fors. Each is tried at once on the teacher's own sheet. */

type Props = {
  sheet: Sheet;
  lookFors: LookFor[];
  tried: Tried[];
  /** Whose piece they are tried on; null for the teacher's own sheet. */
  on: string | null;
  onChange: (lookFors: LookFor[]) => void;
  /** With one more, and what it needs. */
  onAdd: (lookFors: LookFor[], supplies: Supply[]) => void;
  supplies: readonly Supply[];
  onRefuse: (reason: string) => void;
  point: Point;
};

export function LookForEdit({ sheet, lookFors, tried, onChange, onAdd, supplies, on, onRefuse, point }: Props) {
  const set = (index: number, patch: Partial<LookFor>) =>
    onChange(
      lookFors.map((lookFor, i) => (i === index ? titled({ ...lookFor, ...patch } as LookFor, sheet) : lookFor)),
    );
  return (
    <div className={styles.lookforEdit}>
      {lookFors.map((lookFor, i) => (
        <LookForCard
          key={lookFor.id}
          lookFor={lookFor}
          sheet={sheet}
          tried={tried[i]}
          on={on}
          set={(patch) => set(i, patch)}
          onRemove={() => onChange(lookFors.filter((_, j) => j !== i))}
          onRefuse={onRefuse}
          point={point}
        />
      ))}
      <Choice
        label="Add a look-for"
        value={null}
        options={OFFERED.map(({ heading, kinds }) => ({
          label: heading,
          options: kinds.map(({ kind, name }) => ({ value: kind, label: name })),
        }))}
        showSearch={{ optionFilterProp: 'label' }}
        // All of them can be reached, whatever fits into the window.
        virtual={false}
        onChange={(kind: LookFor['kind'] | null) => {
          const made = kind && begun(kind, sheet, nanoid(8), lookFors);
          if (typeof made === 'string') onRefuse(made);
          else if (made) onAdd([...lookFors, made], openedFor([made], supplies));
        }}
        placeholder="Add a look-for …"
        listHeight={420}
      />
    </div>
  );
}

type CardProps = {
  lookFor: LookFor;
  sheet: Sheet;
  tried: Tried | undefined;
  on: string | null;
  set: (patch: Partial<LookFor>) => void;
  onRemove: () => void;
  onRefuse: (reason: string) => void;
  point: Point;
};

function LookForCard({ lookFor, sheet, tried, on, set, onRemove, onRefuse, point }: CardProps) {
  const [more, setMore] = useState(false);
  const wrong = contradictionOf(lookFor, sheet);
  const bySentence = lookFor.kind !== 'teacher' && lookFor.kind !== 'unknown';
  const titleShown = !bySentence || !lookFor.follows;
  return (
    <div
      className={styles.lookforRow}
      onPointerEnter={({ currentTarget }) => point(lookFor.id, currentTarget)}
      onPointerLeave={({ currentTarget }) =>
        // What is being written on stays lit.
        currentTarget.contains(document.activeElement) ? undefined : point(null)
      }
      onFocus={({ currentTarget }) => point(lookFor.id, currentTarget)}
      onBlur={() => point(null)}
    >
      <div className={styles.lookforLine}>
        {titleShown ? (
          <Input
            size="small"
            value={lookFor.title}
            aria-label="What you will look for, as students read it"
            onChange={(event) => set({ title: event.target.value, follows: undefined })}
          />
        ) : (
          <Sentence lookFor={lookFor} sheet={sheet} set={set} />
        )}
        <Action aria-label={`Remove: ${lookFor.title}`} onClick={onRemove}>
          <Sign of="remove" />
        </Action>
      </div>
      {titleShown && bySentence && <Sentence lookFor={lookFor} sheet={sheet} set={set} />}
      <Beside lookFor={lookFor} sheet={sheet} set={set} onRefuse={onRefuse} />
      {more && (
        <div className={styles.further}>
          {bySentence && (
            <>
              <FurtherSettings lookFor={lookFor} sheet={sheet} set={set} />
              <Telling lookFor={lookFor} set={set} />
            </>
          )}
          <Worth lookFor={lookFor} set={set} />
          {bySentence && (
            <Action onClick={() => set({ follows: titleShown ? true : undefined })}>
              {titleShown ? 'Use the sentence as title' : 'Write a title of your own'}
            </Action>
          )}
        </div>
      )}
      {wrong && (
        <p className={styles.contradiction} role="alert">
          {wrong}
        </p>
      )}
      <p className={`quiet ${styles.lookforTried}`}>
        <span>{on === null ? triedWords(lookFor, tried) : triedOnWords(lookFor, tried, on)}</span>
        {lookFor.kind !== 'unknown' && (
          <Action aria-expanded={more} onClick={() => setMore(!more)}>
            {more ? 'Less' : 'More'}
          </Action>
        )}
      </p>
    </div>
  );
}

const TELL: Record<LookFor['tell'], string> = {
  result: 'students see the count',
  filled: 'students see what is filled',
  after: 'told when returned',
};

/** What students are told while they work; of answers from a key, how often they may ask. */
function Telling({ lookFor, set }: Pick<CardProps, 'lookFor' | 'set'>) {
  const keyed = lookForKindOf(lookFor.kind).keyed === true;
  return (
    <div className={styles.lookforLine}>
      <Choice
        label="What students are told while they work"
        value={lookFor.tell}
        names={keyed ? { ...TELL, result: 'students may check answers' } : TELL}
        onChange={(tell) => set({ tell })}
        width={205}
      />
      {isChecked(lookFor) && (
        <>
          <InputNumber
            size="small"
            style={{ width: 54 }}
            aria-label="How often students may check"
            min={1}
            max={MOST_TRIES}
            precision={0}
            value={triesOf(lookFor)}
            onChange={(tries) => tries !== null && set({ tries } as Partial<LookFor>)}
          />
          <span className="quiet">{triesOf(lookFor) === 1 ? 'time' : 'times'}</span>
        </>
      )}
    </div>
  );
}

/** What it brings towards the marks. */
function Worth({ lookFor, set }: Pick<CardProps, 'lookFor' | 'set'>) {
  const { points } = lookFor;
  const keyed = lookForKindOf(lookFor.kind).keyed === true;
  return (
    <div className={styles.lookforLine}>
      <span>brings</span>
      <InputNumber
        size="small"
        style={{ width: 62 }}
        aria-label="Points that it brings"
        placeholder="no"
        min={0.5}
        max={MOST_POINTS}
        step={1}
        value={points ?? null}
        onChange={(to) => set({ points: to ?? undefined })}
      />
      <span>{points === 1 ? 'point' : 'points'}</span>
      {keyed && points !== undefined && (
        <Choice
          label="When it brings them"
          value={'partly' in lookFor && lookFor.partly ? 'each' : 'all'}
          names={{ all: 'when all are right', each: 'a share for each right one' }}
          onChange={(to) => set({ partly: to === 'each' ? true : undefined } as Partial<LookFor>)}
        />
      )}
    </div>
  );
}

/** How it counts on a piece of a student, or on the example. */
function triedOnWords(lookFor: LookFor, tried: Tried | undefined, name: string): string {
  if (!tried) return '';
  if (tried.own.held === null) return triedWords(lookFor, tried);
  return `${name}: ${countWords(lookFor, tried.own)}${tried.own.held ? ', met' : ''}`;
}

/** How it counts on the teacher's own sheet, which may be an example, and on the sheet as students get it. */
function triedWords(lookFor: LookFor, tried: Tried | undefined): string {
  if (!tried) return '';
  if (tried.own.held === null)
    return anyAsksSpelling([lookFor]) ? 'The words are being looked up.' : 'You tick this while reading.';
  const own = `On yours: ${countWords(lookFor, tried.own)}`;
  if (tried.given.held) return `${own}. It is met before students begin!`;
  if (lookFor.kind === 'sorted' && tried.own.got === 0) return 'On yours, the things still lie below their boxes.';
  return lookFor.kind === 'items' && tried.own.got === 0 ? `${own}. What you mark as answer key is tried, too.` : own;
}
