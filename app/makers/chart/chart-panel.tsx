import { useState } from 'react';
import type { ReactNode } from 'react';
import type { Data } from '../../../core/makers/chart/data';
import { dataOf, KIND_NAMES, nearestKind, straysIn, whyNot } from '../../../core/makers/chart/data';
import type { ChartKind, ChartRecipe, DataTable } from '../../../core/schema/recipes/chart';
import { CHART_KINDS } from '../../../core/schema/recipes/chart';
import type { GroupItem } from '../../../core/schema/sheet';
import { everyItem } from '../../../core/sheet/tree';
import type { Editor } from '../../document/editor';
import { Swatches } from '../../colour/swatches';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import type { State } from '../../document/makes';
import { newId } from '../../commands/steps';
import { addMade } from '../kit/begin';
import { BEGINNING } from './beginning';
import { DataGrid } from './data-grid';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { FaceAndSize, Notes, TitleField } from '../kit/parts';
import { PicturePick } from '../kit/picture-pick';
import { Choice } from '../../fields/choice';
import { Segments } from '../../fields/segments';
import styles from './chart.module.css';
import kitStyles from '../kit/kit.module.css';

/** A chart's margin card: its table, the kinds that can show it, and what students do with it. */

const VALUE_NAMES = { off: 'no numbers', axis: 'at the axis', direct: 'at what is drawn', both: 'at both' } as const;
const TASK_NAMES = {
  shown: 'look at it',
  read: 'read it: numbers left empty',
  make: 'draw it from the table',
} as const;
const CAN_LIE = new Set<ChartKind>(['bar', 'grouped', 'stacked']);

/** All charts of the sheet that share a table, besides one. */
const sharing = (editor: Editor, table: string, but: string): GroupItem[] =>
  editor.sheet.pages.flatMap((page) =>
    everyItem(page).filter(
      (item): item is GroupItem =>
        item.kind === 'group' &&
        item.id !== but &&
        item.maker?.kind === 'chart' &&
        item.maker.recipe.table.id === table,
    ),
  );

export function ChartPanel({ editor, group, sheet }: PanelProps) {
  const { recipe, notes, edit, put } = useMade(editor, group, 'chart');
  const data = dataOf(recipe.table);
  const others = sharing(editor, recipe.table.id, group.id);

  /** The table of this chart and of all that share it. */
  function setTable(name: string, table: DataTable, keep: 'soon' | 'now' = 'now') {
    edit(name, { ...recipe, table }, keep, () => {
      for (const other of sharing(editor, table.id, group.id)) {
        const state = editor.making?.state(other.id);
        if (state?.kind === 'chart') {
          const followed = { ...state, recipe: { ...(state.recipe as ChartRecipe), table } } as State;
          editor.making?.edit(other.id, name, followed, 'with last');
        }
      }
    });
  }
  function another() {
    const kind = kindsFor(editor).find((one) => one !== recipe.kind && whyNot(one, data) === null);
    void addMade(editor, BEGINNING, undefined, { ...recipe, kind: kind ?? recipe.kind });
  }

  return (
    <div className="chart-panel">
      <DataGrid
        table={recipe.table}
        stray={strayCells(data)}
        onChange={setTable}
        onProblem={(words) => editor.say(words)}
      />
      {data.columns.some(({ doubtful }) => doubtful) && (
        <Row label="dates">
          <Segments
            label="Which comes first in the dates of the table"
            value={recipe.table.dates ?? 'day'}
            onChange={(dates) => setTable('Order of dates', { ...recipe.table, dates })}
            options={[
              { value: 'day' as const, label: '4/5 is 4 May' },
              { value: 'month' as const, label: '4/5 is 5 April' },
            ]}
          />
        </Row>
      )}
      <Kinds
        kinds={kindsFor(editor)}
        kind={recipe.kind}
        data={data}
        onChoose={(kind) => put('Kind of chart', { kind })}
      />
      <Notes {...{ notes, editor, group }} />
      <Sharing
        others={others.length}
        onAnother={another}
        onSeparate={() => put('Own table', { table: { ...recipe.table, id: newId().slice(0, 12) } })}
      />
      {recipe.kind === 'pictogram' && <PictogramFields recipe={recipe} put={put} />}
      <TitleField title={recipe.title} onChange={put} />
      <Row label="values">
        <Choice
          label="Where numbers stand"
          value={recipe.values}
          names={VALUE_NAMES}
          onChange={(values) => put('Numbers', { values })}
          width={150}
        />
        {CAN_LIE.has(recipe.kind) && (
          <Toggle on={recipe.lying} label="Horizontal bars" onClick={() => put('Lying', { lying: !recipe.lying })}>
            horizontal bars
          </Toggle>
        )}
      </Row>
      {editor.rights.kind === 'all' && (
        <Choice
          row="task"
          label="What students do with it"
          value={recipe.task}
          names={TASK_NAMES}
          onChange={(task) => put('Task', { task })}
        />
      )}
      <More title="Colours and words">
        <Row label="colours">
          <span className={kitStyles.cloudColours}>
            {recipe.colours.map((hex, i) => (
              <Swatches
                key={i}
                label={`${i + 1}`}
                value={hex}
                palette={sheet.palette}
                onChange={(next) =>
                  next && put('Colours', { colours: recipe.colours.map((one, n) => (n === i ? next : one)) })
                }
              />
            ))}
          </span>
        </Row>
        <FaceAndSize face={recipe.face} size={recipe.size} onChange={put} />
      </More>
    </div>
  );
}

type SharingProps = { others: number; onAnother: () => void; onSeparate: () => void };

/** How many other charts show the same table, and a way to have one more or to leave them. */
const Sharing = ({ others, onAnother, onSeparate }: SharingProps) => (
  <p className={styles.chartShares}>
    {others > 0 && <span>{others === 1 ? 'Another chart shares' : `${others} other charts share`} this table.</span>}
    <Toggle label="Another chart that follows the same table" onClick={onAnother}>
      another chart of this table
    </Toggle>
    {others > 0 && (
      <Toggle label="This chart no longer follows the others" onClick={onSeparate}>
        separate table
      </Toggle>
    )}
  </p>
);

/** How many one picture stands for, and which picture. */
function PictogramFields({ recipe, put }: Pick<ReturnType<typeof useMade<'chart'>>, 'recipe' | 'put'>) {
  return (
    <>
      <Row label="one is">
        <NumberField
          bare
          label="How many one picture stands for; 0 to choose"
          value={recipe.each}
          min={0}
          max={1_000_000}
          onChange={(each) => put('One picture', { each })}
        />
        <span className="quiet">{recipe.each === 0 ? 'chosen to suit' : ''}</span>
      </Row>
      <PicturePick
        label="a word for the picture: fish, tree …"
        groups={['silhouettes']}
        chosen={recipe.picture}
        onChoose={({ id }) => put('Picture', { picture: id })}
      />
    </>
  );
}

/** Cells that are not numbers in a column of numbers, by row and column of the whole table. Its head is row 0. */
const strayCells = (data: Data): Set<string> =>
  new Set(straysIn(data).map(({ row, column }) => `${row + 1} ${column.at}`));

/** Kinds that somebody may make: pictures are a supply of their own. */
const kindsFor = ({ rights }: Editor): readonly ChartKind[] =>
  rights.kind === 'all' || rights.supplies.includes('picture')
    ? CHART_KINDS
    : CHART_KINDS.filter((kind) => kind !== 'pictogram');

type KindsProps = {
  kinds: readonly ChartKind[];
  kind: ChartKind;
  data: Data;
  onChoose: (kind: ChartKind) => void;
};

/** All kinds. Those that can't show the table say why, and which is nearest. */
function Kinds({ kinds, kind, data, onChoose }: KindsProps) {
  const [asked, setAsked] = useState<ChartKind | null>(null);
  const reason = asked && whyNot(asked, data);
  const found = asked && nearestKind(asked, data);
  const nearest = found && kinds.includes(found) ? found : null;
  return (
    <>
      <div className={styles.chartKinds} role="radiogroup" aria-label="Kind of chart">
        {kinds.map((one) => {
          const why = whyNot(one, data);
          return (
            <button
              key={one}
              type="button"
              role="radio"
              aria-checked={one === kind}
              aria-label={why ? `${KIND_NAMES[one]}. ${why}` : KIND_NAMES[one]}
              title={why ? `${KIND_NAMES[one]}: ${why}` : KIND_NAMES[one]}
              className={why ? `${styles.chartKind} ${styles.starved}` : styles.chartKind}
              onClick={() => {
                setAsked(why ? one : null);
                if (!why) onChoose(one);
              }}
            >
              <svg viewBox="0 0 34 26" aria-hidden="true">
                {ICONS[one]}
              </svg>
            </button>
          );
        })}
      </div>
      {asked && reason && (
        <p className={kitStyles.notes} role="status">
          {reason}
          {nearest && (
            <>
              {' '}
              <Toggle
                label={`Take the nearest kind that this table can feed: ${KIND_NAMES[nearest]}`}
                onClick={() => {
                  setAsked(null);
                  onChoose(nearest);
                }}
              >
                take {KIND_NAMES[nearest]}
              </Toggle>
            </>
          )}
        </p>
      )}
    </>
  );
}

const [A, B, C] = ['var(--moss)', 'var(--terracotta)', 'var(--sky)'];
const stroke = { fill: 'none', strokeWidth: 2 };
const ICONS: Record<ChartKind, ReactNode> = {
  bar: <path d="M4 24V12h6v12zM14 24V4h6v20zM24 24V9h6v15z" fill={A} />,
  grouped: (
    <>
      <path d="M3 24V10h5v14zM18 24V14h5v10z" fill={A} />
      <path d="M9 24V5h5v19zM24 24V8h5v16z" fill={B} />
    </>
  ),
  stacked: (
    <>
      <path d="M6 24V14h8v10zM20 24V17h8v7z" fill={A} />
      <path d="M6 13V5h8v8zM20 16V8h8v8z" fill={B} />
    </>
  ),
  line: (
    <>
      <path d="M3 20L12 9L20 14L31 4" stroke={A} {...stroke} />
      <path d="M3 24H31" stroke="var(--stone)" strokeWidth="1" />
    </>
  ),
  dots: (
    <g fill={C}>
      <circle cx="7" cy="19" r="2.3" />
      <circle cx="13" cy="13" r="2.3" />
      <circle cx="19" cy="15" r="2.3" />
      <circle cx="24" cy="8" r="2.3" />
      <circle cx="29" cy="5" r="2.3" />
    </g>
  ),
  area: <path d="M3 24V18L12 8L20 13L31 5V24Z" fill={A} />,
  pie: (
    <>
      <circle cx="17" cy="13" r="11" fill={A} />
      <path d="M17 13V2A11 11 0 0 1 27 17.5Z" fill={B} />
    </>
  ),
  ring: (
    <>
      <circle cx="17" cy="13" r="8.5" stroke={A} fill="none" strokeWidth="5" />
      <path d="M17 4.5A8.5 8.5 0 0 1 24.5 17" stroke={B} fill="none" strokeWidth="5" />
    </>
  ),
  pictogram: (
    <g fill={A}>
      <path d="M4 4h6v6H4zM12 4h6v6h-6zM20 4h6v6h-6zM4 15h6v6H4zM12 15h6v6h-6z" />
    </g>
  ),
  numberline: (
    <>
      <path d="M2 17H32M7 13V21M15 13V21M23 13V21" stroke="var(--soft)" strokeWidth="1.4" />
      <circle cx="11" cy="17" r="2.6" fill={B} />
      <circle cx="23" cy="17" r="2.6" fill={B} />
    </>
  ),
  timeline: (
    <>
      <path d="M2 14H32M9 14V7M24 14V21" stroke="var(--soft)" strokeWidth="1.4" />
      <path d="M4 3H15V7H4zM18 20H31V24H18z" fill={A} />
    </>
  ),
  sets2: (
    <g stroke={C} fill={C} fillOpacity="0.25" strokeWidth="1.5">
      <circle cx="12.5" cy="13" r="9" />
      <circle cx="21.5" cy="13" r="9" />
    </g>
  ),
  sets3: (
    <g stroke={C} fill={C} fillOpacity="0.25" strokeWidth="1.5">
      <circle cx="12.5" cy="9" r="7" />
      <circle cx="21.5" cy="9" r="7" />
      <circle cx="17" cy="17" r="7" />
    </g>
  ),
};
