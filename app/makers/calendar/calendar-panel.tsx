import { DayField } from '../../fields/day-field';
import { Input } from 'antd';
import { useState } from 'react';
import { dateOf, dayNumber, daysIn, MONTHS, WEEKDAYS, shownDays, writtenDay } from '../../../core/values/days';
import { readLines } from '../../../core/makers/calendar/lines';
import type { CalendarRecipe, Happening } from '../../../core/schema/recipes/calendar';
import { MOST_HAPPENINGS } from '../../../core/schema/recipes/calendar';
import { freeIds } from '../../../core/schema/recipes/map';
import { fileName } from '../../../core/items/name';
import type { Editor } from '../../document/editor';
import { files } from '../../document/helpers';
import { Swatches } from '../../colour/swatches';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { FileButton } from '../../fields/file-button';
import { downloadText } from '../../browser/download';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { FaceAndSize, Notes, TitleField } from '../kit/parts';
import { Choice } from '../../fields/choice';
import { Check } from '../../fields/check';
import styles from './calendar.module.css';
import kitStyles from '../kit/kit.module.css';
import { Sign } from '../../parts/sign';

/** A calendar's margin card: which month or week, what happens in it, and how it looks. */

const two = (value: number) => `${value}`.padStart(2, '0');
const dayIn = (year: number, month: number, day = 1) =>
  `${`${year}`.padStart(4, '0')}-${two(month)}-${two(Math.min(day, daysIn(year, month)))}`;

export function CalendarPanel({ editor, group, sheet }: PanelProps) {
  const { recipe, notes, put } = useMade(editor, group, 'calendar');
  return (
    <div className="calendar-panel">
      <SpanFields recipe={recipe} put={put} />
      <Happenings recipe={recipe} put={put} />
      <Notes {...{ notes, editor, group }} />
      <Sources editor={editor} recipe={recipe} put={put} />
      <Row label="also">
        <Toggle on={recipe.moon} label="Quarters of the moon" onClick={() => put('Moon', { moon: !recipe.moon })}>
          moon
        </Toggle>
        <Toggle on={recipe.notes} label="Lines for notes" onClick={() => put('Notes', { notes: !recipe.notes })}>
          notes
        </Toggle>
        <Toggle
          on={recipe.write}
          label="Students write into days without events"
          onClick={() => put('Students write', { write: !recipe.write })}
        >
          students write
        </Toggle>
      </Row>
      <Check checked={recipe.outside} onChange={(on) => put('Other months', { outside: on })}>
        Days of other months
      </Check>
      <More title="Shading and words">
        <Swatches
          label="weekends"
          value={recipe.weekends}
          palette={sheet.palette}
          none="not shaded"
          onChange={(weekends) => put('Weekends', { weekends })}
        />
        <Swatches
          label="rows"
          value={recipe.rows}
          palette={sheet.palette}
          none="not shaded"
          onChange={(rows) => put('Rows', { rows })}
        />
        <Swatches
          label="heads"
          value={recipe.head}
          palette={sheet.palette}
          onChange={(head) => head && put('Heads', { head })}
        />
        <Swatches
          label="bands"
          value={recipe.accent}
          palette={sheet.palette}
          onChange={(accent) => accent && put('Bands', { accent })}
        />
        <TitleField title={recipe.title} hint="the month" onChange={put} />
        <FaceAndSize face={recipe.face} size={recipe.size} onChange={put} />
      </More>
    </div>
  );
}

type Put = (name: string, values: Partial<CalendarRecipe>, keep?: 'soon' | 'now') => void;

/** Which month or week it shows, and with which day weeks begin. */
function SpanFields({ recipe, put }: { recipe: CalendarRecipe; put: Put }) {
  const { year, month, day } = dateOf(dayNumber(recipe.day));
  const goTo = (values: { year?: number; month?: number }) =>
    put('Month', { day: dayIn(values.year ?? year, values.month ?? month, day) });
  function step(by: 1 | -1) {
    if (recipe.span === 'week') return put('Week', { day: writtenDay(dayNumber(recipe.day) + 7 * by) });
    const next = year * 12 + month - 1 + by;
    if (next >= 12 && next < 120_000) put('Month', { day: dayIn(Math.floor(next / 12), (next % 12) + 1) });
  }
  return (
    <>
      <Row label="shows">
        <Choice
          label="What the calendar shows"
          value={recipe.span}
          names={{ month: 'a month', week: 'a week' }}
          onChange={(span) => put('Span', { span })}
          width={100}
        />
        <Toggle label={`The ${recipe.span} before`} onClick={() => step(-1)}>
          <Sign of="before" />
        </Toggle>
        <Toggle label={`The ${recipe.span} after`} onClick={() => step(1)}>
          <Sign of="after" />
        </Toggle>
      </Row>
      {recipe.span === 'month' ? (
        <Row label="month">
          <Choice
            label="Month"
            virtual={false}
            listHeight={330}
            value={month}
            options={MONTHS.map((label, i) => ({ value: i + 1, label }))}
            onChange={(next) => goTo({ month: next })}
            width={116}
          />
          <NumberField
            bare
            label="Year"
            value={year}
            min={1}
            max={9999}
            onChange={(next) => goTo({ year: Math.round(next) })}
          />
        </Row>
      ) : (
        <Row label="from">
          <DayField label="First day of the week" value={recipe.day} onChange={(next) => put('Week', { day: next })} />
        </Row>
      )}
      {recipe.span === 'month' && (
        <Choice
          row="weeks"
          label="Weeks begin with"
          value={recipe.first}
          options={[1, 2, 3, 4, 5, 6, 0].map((value) => ({ value, label: `from ${WEEKDAYS[value]}` }))}
          onChange={(first) => put('First day of weeks', { first })}
          width={150}
        />
      )}
    </>
  );
}

/** The events of the days shown. */
function Happenings({ recipe, put }: { recipe: CalendarRecipe; put: Put }) {
  const { happenings } = recipe;
  const { from, until } = shownDays(recipe);
  const here = happenings
    .filter((one) => dayNumber(one.from) <= until && dayNumber(one.until ?? one.from) >= from)
    .sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : a.time < b.time ? -1 : 1));
  const set = (id: string, values: Partial<Happening>, keep: 'soon' | 'now' = 'now') =>
    put('Event', { happenings: happenings.map((one) => (one.id === id ? { ...one, ...values } : one)) }, keep);
  const others = happenings.length - here.length;
  return (
    <>
      <ul className={styles.happenings} aria-label="Events">
        {here.map((one) => (
          <li key={one.id}>
            <DayField label={`Day of “${one.words}”`} value={one.from} onChange={(day) => set(one.id, { from: day })} />
            <TimeField label={`Time of “${one.words}”`} value={one.time} onChange={(time) => set(one.id, { time })} />
            <Toggle
              on={one.kind === 'holiday'}
              label={one.kind === 'holiday' ? 'A holiday' : 'Make it a holiday'}
              onClick={() => set(one.id, { kind: one.kind === 'holiday' ? 'event' : 'holiday' })}
            >
              <Sign of="flower" />
            </Toggle>
            <Toggle
              label={`Remove “${one.words}”`}
              onClick={() => put('Remove event', { happenings: happenings.filter(({ id }) => id !== one.id) })}
            >
              <Sign of="remove" />
            </Toggle>
            <input
              className={`${kitStyles.text} wide`}
              aria-label={`What happens on ${one.from}`}
              value={one.words}
              maxLength={200}
              onChange={(event) => event.target.value && set(one.id, { words: event.target.value }, 'soon')}
            />
            <span className={styles.happeningUntil}>
              to
              <DayField
                mayBeNone
                label={`Last day of “${one.words}”`}
                none="The same day"
                value={one.until ?? ''}
                min={one.from}
                onChange={(day) => set(one.id, { until: day > one.from ? day : null })}
              />
              {one.until === null && one.time && (
                <TimeField label={`End of “${one.words}”`} value={one.to} onChange={(to) => set(one.id, { to })} />
              )}
            </span>
          </li>
        ))}
      </ul>
      <div className={kitStyles.files}>
        <Toggle
          label="An event on the first day that is shown"
          disabled={happenings.length >= MOST_HAPPENINGS}
          onClick={() => {
            const id = freeIds(happenings.map((one) => one.id))();
            const day = recipe.span === 'week' ? recipe.day : `${recipe.day.slice(0, 8)}01`;
            put('New event', {
              happenings: [
                ...happenings,
                { id, kind: 'event', from: day, until: null, time: '', to: '', words: 'new event', colour: null },
              ],
            });
          }}
        >
          + event
        </Toggle>
        {others > 0 && (
          <span className="quiet">{others === 1 ? '1 more at another time' : `${others} more at other times`}</span>
        )}
      </div>
    </>
  );
}

function TimeField({ label, value, onChange }: { label: string; value: string; onChange: (time: string) => void }) {
  return (
    <input
      type="time"
      className={`${kitStyles.text} ${styles.calendarTime}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value.slice(0, 5))}
    />
  );
}

/** Larger files hold more than a printed calendar can show. */
const LARGEST_FILE = 4_000_000;

/** Events and holidays from a calendar file or a typed list, and all of them as a file. */
function Sources({ editor, recipe, put }: { editor: Editor; recipe: CalendarRecipe; put: Put }) {
  const [kind, setKind] = useState<Happening['kind']>('event');
  const [typed, setTyped] = useState('');
  const [problems, setProblems] = useState<readonly string[]>([]);
  function take(name: string, found: readonly Omit<Happening, 'id'>[], wrong: readonly string[]) {
    setProblems(wrong);
    const id = freeIds(recipe.happenings.map((one) => one.id));
    const known = new Set(recipe.happenings.map(({ from, time, words }) => `${from} ${time} ${words}`));
    const fresh = found.filter(({ from, time, words }) => !known.has(`${from} ${time} ${words}`));
    const happenings = [...recipe.happenings, ...fresh.map((one) => ({ id: id(), ...one }))];
    if (happenings.length > MOST_HAPPENINGS)
      return setProblems([...wrong, `A calendar holds at most ${MOST_HAPPENINGS} events. Remove some first.`]);
    if (fresh.length > 0) put(name, { happenings });
  }
  async function read(chosen: File) {
    if (chosen.size > LARGEST_FILE)
      return editor.say('This file is too large for a calendar. Take one of at most 4 MB.');
    const { from } = shownDays(recipe);
    const text = await chosen.text();
    const found = await files.ask((worker) => worker.calendar(text, from, from + 366, kind));
    take('Events from a file', found.happenings, found.problems);
  }
  async function write() {
    const { writtenCalendar } = await import('../../../core/makers/calendar/files');
    const name = fileName(editor.sheet.title, 'calendar');
    downloadText(`${name}.ics`, 'text/calendar', writtenCalendar(recipe.happenings, Date.now()));
  }
  return (
    <More title="From a file or a list">
      <Row label="as">
        <Choice
          label="What they are taken as"
          value={kind}
          names={{ event: 'events', holiday: 'holidays' }}
          onChange={setKind}
          width={106}
        />
        <FileButton
          label="From a calendar file (.ics); a year from here on"
          field="Calendar file"
          accept=".ics,.ical,text/calendar"
          onFile={(chosen) => void read(chosen)}
        >
          From .ics …
        </FileButton>
      </Row>
      <Input.TextArea
        size="small"
        aria-label="Days with names, one in a line"
        placeholder={'29 Feb Leap day\n8–13 March herbarium week'}
        value={typed}
        maxLength={20_000}
        autoSize={{ minRows: 2, maxRows: 6 }}
        onChange={(event) => setTyped(event.target.value)}
      />
      <div className={kitStyles.files}>
        <Toggle
          label="Add these days"
          onClick={() => {
            const found = readLines(typed, dateOf(dayNumber(recipe.day)).year, kind);
            take('Typed days', found.happenings, found.problems);
            if (found.problems.length === 0) setTyped('');
          }}
        >
          add them
        </Toggle>
        <Toggle label="All events as a calendar file" onClick={() => void write()}>
          download .ics
        </Toggle>
      </div>
      <Notes notes={problems} />
    </More>
  );
}
