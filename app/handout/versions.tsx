import { useMemo } from 'react';
import { dealt, MOST_VERSIONS } from '../../core/handout/deal';
import { letterOf } from '../../core/values/letters';
import { Choice } from '../fields/choice';
import { Segments } from '../fields/segments';
import { Action } from '../parts/action';
import type { Class, Draft, HandOutView } from './draft';
import { dealOf, teamsIn, versionCount } from './draft';
import styles from './hand-out.module.css';

/** Versions beside the sheet itself: from where they come, and who gets which. */

type Asked = Draft['versions'];
type Props = {
  draft: Pick<Draft, 'classes' | 'only' | 'together' | 'versions'>;
  view: Pick<HandOutView, 'classes' | 'otherSheets' | 'varies'>;
  set: (versions: Asked) => void;
  problem: string | null;
  shown: number;
  looking: boolean;
  onShow: (version: number) => void;
};

const COUNTS = Array.from({ length: MOST_VERSIONS - 1 }, (_, i) => i + 2);
/** How many letters stand side by side in the room there is. */
const ROOM_FOR = 4;

export function Versions({ draft, view, set, problem, shown, looking, onShow }: Props) {
  const asked = draft.versions;
  const change = (patch: Partial<Asked>) => set({ ...asked, ...patch });
  const count = versionCount(asked);
  const chosen = view.classes.filter(({ id }) => draft.classes.includes(id));
  return (
    <section>
      <h2>Versions</h2>
      <Segments
        label="Where versions come from"
        value={asked.from}
        onChange={(from) =>
          change({ from, sheets: from === 'sheets' && asked.sheets.length === 0 ? [''] : asked.sheets })
        }
        options={[
          { value: 'same', label: 'everybody the same' },
          { value: 'made', label: 'made again' },
          { value: 'sheets', label: 'chosen sheets' },
        ]}
      />
      {asked.from === 'made' && <MadeAgain asked={asked} varies={view.varies} change={change} />}
      {asked.from === 'sheets' && <ChosenSheets asked={asked} sheets={view.otherSheets} change={change} />}
      {asked.from !== 'same' && count > 1 && (
        <>
          <div className={styles.versionRow}>
            <span>look at</span>
            <Letters label="Version to look at" count={count} value={shown} onChange={onShow} />
            {looking && <span className="quiet">making it …</span>}
          </div>
          <Dealing asked={asked} count={count} classes={chosen} draft={draft} change={change} />
        </>
      )}
      {problem && (
        <p role="alert" className={styles.lacking}>
          {problem}
        </p>
      )}
    </section>
  );
}

type PartProps = { asked: Asked; change: (patch: Partial<Asked>) => void };

const MadeAgain = ({ asked, varies, change }: PartProps & { varies: boolean }) =>
  varies ? (
    <div className={styles.versionRow}>
      <span>how many</span>
      <Segments
        label="How many versions"
        value={String(asked.count)}
        onChange={(count) => change({ count: Number(count) })}
        options={COUNTS.map(String)}
      />
    </div>
  ) : (
    <p className="quiet">
      Nothing on this sheet can be made again. Practice sheets can, and diagrams where some of the labels are blank. Or
      choose other sheets.
    </p>
  );

function ChosenSheets({ asked, sheets, change }: PartProps & { sheets: HandOutView['otherSheets'] }) {
  if (sheets.length === 0) return <p className="quiet">You have no other sheet yet. Make a copy of this one first.</p>;
  const put = (at: number, id: string) => change({ sheets: asked.sheets.map((one, i) => (i === at ? id : one)) });
  return (
    <div className={styles.versionRows}>
      <div className={styles.versionRow}>
        <b>A</b> this sheet
      </div>
      {asked.sheets.map((id, i) => (
        <div key={i} className={styles.versionRow}>
          <b>{letterOf(i + 1)}</b>
          <Choice
            asIs
            showSearch={{ optionFilterProp: 'label' }}
            label={`Sheet of version ${letterOf(i + 1)}`}
            value={id === '' ? null : id}
            placeholder="choose a sheet"
            options={sheets
              .filter((one) => one.id === id || !asked.sheets.includes(one.id))
              .map((one) => ({ value: one.id, label: one.title }))}
            onChange={(to) => to !== null && put(i, to)}
          />
          <Action
            aria-label={`Leave out version ${letterOf(i + 1)}`}
            onClick={() => change({ sheets: asked.sheets.filter((_, at) => at !== i) })}
          >
            leave out
          </Action>
        </div>
      ))}
      {asked.sheets.length < Math.min(MOST_VERSIONS - 1, sheets.length) && (
        <Action onClick={() => change({ sheets: [...asked.sheets, ''] })}>add a sheet</Action>
      )}
    </div>
  );
}

type DealingProps = PartProps & { count: number; classes: readonly Class[]; draft: Pick<Draft, 'only' | 'together'> };

/** Who gets which: in turn, by group, or chosen one by one. */
function Dealing({ asked, count, classes, draft, change }: DealingProps) {
  const groups = classes.flatMap((one) => one.groups);
  return (
    <>
      <div className={styles.versionRow}>
        <span>dealt</span>
        <Segments
          label="How versions are dealt"
          value={asked.by}
          onChange={(by) => change({ by })}
          options={[
            { value: 'turn', label: 'in turn' },
            { value: 'group', label: 'by group' },
            { value: 'hand', label: 'by hand' },
          ]}
        />
        {asked.by === 'turn' && (
          <Action onClick={() => change({ seed: (asked.seed + 1) % 4_294_967_296 })}>deal again</Action>
        )}
      </div>
      {asked.by === 'group' &&
        (groups.length === 0 ? (
          <p className="quiet">
            {classes.length === 0 ? 'Choose a class first.' : 'There are no groups yet: make them under Classes.'}
          </p>
        ) : (
          <Rows
            label="Versions of groups"
            count={count}
            rows={groups.map(({ id, name }) => ({ id, name, version: asked.groups[id] ?? null }))}
            onChange={(id, version) => change({ groups: { ...asked.groups, [id]: version } })}
          />
        ))}
      {classes.map((one) => (
        <Receivers key={one.id} of={one} {...{ asked, count, draft, change }} />
      ))}
    </>
  );
}

function Receivers({
  of,
  asked,
  count,
  draft,
  change,
}: PartProps & { of: Class } & Pick<DealingProps, 'count' | 'draft'>) {
  const { receivers, versions } = useMemo(() => {
    const all = teamsIn(of, draft);
    return { receivers: all, versions: dealt(all, dealOf(asked), count) };
  }, [of, draft, asked, count]);
  if (receivers.length === 0) return null;
  if (asked.by === 'hand')
    return (
      <Rows
        label={`Versions in ${of.name}`}
        count={count}
        rows={receivers.map(({ id, name }) => ({ id, name, version: versions.get(id) ?? 0 }))}
        onChange={(id, version) => change({ students: { ...asked.students, [id]: version } })}
      />
    );
  return (
    <ul className={styles.dealtNames} aria-label={`Versions in ${of.name}`}>
      {Array.from({ length: count }, (_, n) => {
        const names = receivers.filter(({ id }) => versions.get(id) === n).map(({ name }) => name);
        return (
          <li key={n}>
            <b>{letterOf(n)}</b> <span className="quiet">{names.join(', ') || 'nobody'}</span>
          </li>
        );
      })}
    </ul>
  );
}

type RowsProps = {
  label: string;
  count: number;
  rows: readonly { id: string; name: string; version: number | null }[];
  onChange: (id: string, version: number) => void;
};

/** The version of each, to be chosen. */
const Rows = ({ label, count, rows, onChange }: RowsProps) => (
  <ul className={styles.dealt} aria-label={label}>
    {rows.map(({ id, name, version }) => (
      <li key={id}>
        <span>{name}</span>
        <Letters label={`Version of ${name}`} count={count} value={version} onChange={(to) => onChange(id, to)} />
      </li>
    ))}
  </ul>
);

type LettersProps = { label: string; count: number; value: number | null; onChange: (version: number) => void };

const Letters = ({ label, count, value, onChange }: LettersProps) =>
  count <= ROOM_FOR ? (
    <Segments
      label={label}
      value={value === null ? null : String(value)}
      onChange={(to) => onChange(Number(to))}
      options={Array.from({ length: count }, (_, n) => ({ value: String(n), label: letterOf(n) }))}
    />
  ) : (
    <Choice
      label={label}
      width={64}
      value={value}
      options={Array.from({ length: count }, (_, n) => ({ value: n, label: letterOf(n) }))}
      onChange={(to) => to !== null && onChange(to)}
    />
  );
