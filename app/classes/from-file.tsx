import { Alert, Button, Checkbox, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Form } from 'react-router';
import type { Column, ReadClass, ReadStudent } from '../../core/formats/roster-file';
import { classesIn, COLUMNS, doubled, guessColumns, toldApart } from '../../core/formats/roster-file';
import { howMany, inWords } from '../../core/values/listed';
import { sameName } from '../../core/values/roster';
import { toggled } from '../../core/values/toggled';
import type { Listed } from '../../server/stores/class-lists';
import { card } from '../parts/card';
import { Action } from '../parts/action';
import type { Found } from './read-files';
import { readFiles } from './read-files';
import styles from './from-file.module.css';

/** Classes and students from a file: what is in it is shown first, and nothing is added until that is agreed to. */

const COLUMN_NAMES: Record<Column, string> = {
  none: 'leave out',
  name: 'whole name',
  first: 'first name',
  last: 'last name',
  class: 'class',
  id: 'id in another program',
  family: 'e-mail of the family',
};
/** Rows shown of a table, and names of a class. */
const SHOWN = 5;
const NAMES = 6;

type Known = {
  id: string;
  name: string;
  members: readonly { id: string; name: string }[];
  listed: readonly Listed[];
};
type Props = { files: readonly File[]; classes: readonly Known[]; busy: boolean; onDone: () => void };

export default function FromFile({ files, classes, busy, onDone }: Props) {
  const [found, setFound] = useState<Found | null>(null);
  useEffect(() => {
    let isNew = true;
    setFound(null);
    void readFiles(files).then(
      (read) => isNew && setFound(read),
      () => isNew && setFound({ kind: 'nothing', problem: 'The file could not be read. Choose it once more.' }),
    );
    return () => void (isNew = false);
  }, [files]);
  if (!found) return <p role="status">Reading the file…</p>;
  return (
    <section className={card(styles.file)} aria-label="From a file">
      {found.kind === 'nothing' ? (
        <Alert type="error" showIcon role="alert" title={found.problem} />
      ) : found.kind === 'table' ? (
        <Table key={found.file} {...{ found, classes, busy }} />
      ) : (
        <>
          <h3>{found.file}</h3>
          {found.lost > 0 && (
            <p className={styles.note}>
              {found.lost === 1 ? '1 enrolment belongs' : `${found.lost} enrolments belong`} to a student or class that
              is not in the files, and {found.lost === 1 ? 'is' : 'are'} left out.
            </p>
          )}
          <Chosen key={found.file} {...{ classes, busy }} read={found.classes} />
        </>
      )}
      <Action onClick={onDone}>cancel</Action>
    </section>
  );
}

type TableProps = Pick<Props, 'classes' | 'busy'> & { found: Found & { kind: 'table' } };

function Table({ found: { file, rows, left }, classes, busy }: TableProps) {
  const [told, setTold] = useState(() => guessColumns(rows));
  const [otherwise, setOtherwise] = useState(file.replace(/\.\w+$/, ''));
  const { classes: read, nameless, unread } = classesIn(rows, told, otherwise.trim() || 'New class');
  const hasName = told.columns.some((column) => column === 'name' || column === 'first' || column === 'last');
  const choose = (at: number, column: Column) =>
    setTold({
      ...told,
      // Each kind has one column.
      columns: told.columns.map((other, i) => (i === at ? column : other === column ? 'none' : other)),
    });
  return (
    <>
      <h3>{file}: what each column holds</h3>
      <div className={styles.scroll}>
        <table>
          <thead>
            <tr>
              {told.columns.map((column, i) => (
                <th key={i} scope="col">
                  <select
                    className="pick"
                    aria-label={`Column ${i + 1}`}
                    value={column}
                    onChange={(event) => choose(i, COLUMNS.find((one) => one === event.target.value) ?? 'none')}
                  >
                    {COLUMNS.map((one) => (
                      <option key={one} value={one}>
                        {COLUMN_NAMES[one]}
                      </option>
                    ))}
                  </select>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.slice(0, SHOWN + (told.head ? 1 : 0)).map((row, i) => (
              <tr key={i} data-head={(told.head && i === 0) || undefined}>
                {told.columns.map((column, at) => (
                  <td key={at} data-out={column === 'none' || undefined}>
                    {row[at] ?? ''}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className={styles.line}>
        <Checkbox checked={told.head} onChange={(event) => setTold({ ...told, head: event.target.checked })}>
          The first row is a heading
        </Checkbox>
        <span className="quiet">
          {rows.length + left === 1 ? '1 row' : `${(rows.length + left).toLocaleString('en')} rows`} in all
          {left > 0 && `, of which the first ${rows.length.toLocaleString('en')} are read`}
          {nameless > 0 && `, ${nameless} without a name`}
          {unread > 0 && `, ${unread} ${unread === 1 ? 'address' : 'addresses'} that can’t be read`}
        </span>
      </p>
      {!told.columns.includes('class') && (
        <label className={styles.line}>
          Name of the class
          <Input value={otherwise} maxLength={80} onChange={(event) => setOtherwise(event.target.value)} />
        </label>
      )}
      {hasName ? (
        <Chosen {...{ read, classes, busy }} />
      ) : (
        <Alert type="warning" showIcon title="Say above which column holds the names." />
      )}
    </>
  );
}

const addWords = (classes: number, students: number): string =>
  `Add ${inWords([
    ...(classes > 0 ? [classes === 1 ? '1 class' : `${classes} classes`] : []),
    students === 1 ? '1 student' : `${students} students`,
  ])}`;

/** What a list says of students besides their names. */
function aboutWords(students: readonly ReadStudent[]): string {
  const ids = students.filter(({ id }) => id).length;
  const families = students.filter(({ family }) => family).length;
  const words = [
    ...(ids > 0 ? [`${ids} with an id`] : []),
    ...(families > 0 ? [`${families} with an address of the family`] : []),
  ];
  return words.length === 0 ? '' : ` · ${inWords(words)}`;
}

type ChosenProps = Pick<Props, 'classes' | 'busy'> & { read: readonly ReadClass[] };

/** The classes of the file: into which class of the teacher's each goes, and who is new in it. */
function Chosen({ read, classes, busy }: ChosenProps) {
  const [out, setOut] = useState<readonly string[]>([]);
  const [into, setInto] = useState<Readonly<Record<string, string>>>({});
  const [apart, setApart] = useState<readonly string[]>([]);
  const rows = read.map(({ name, id, students: listed }) => {
    const key = sameName(name);
    const target = into[key] ?? classes.find((one) => sameName(one.name) === key)?.id ?? '';
    const known = classes.find(({ id }) => id === target);
    const there = new Map(known?.members.map((member) => [sameName(member.name), member.id]));
    const names = listed.map((student) => student.name);
    const twice = doubled(names);
    const all = toldApart(
      listed,
      new Set(twice.filter((one) => apart.includes(`${key} ${sameName(one)}`)).map(sameName)),
    );
    const fresh = all.filter((one) => !there.has(sameName(one.name))).map((one) => one.name);
    /** Those who are there, of whom the list says something new. */
    const told = all.filter((one) => {
      const before = known?.listed.find(({ personId }) => personId === there.get(sameName(one.name)));
      return (
        there.has(sameName(one.name)) &&
        ((one.id && one.id !== before?.sourceId) || one.family?.some((address) => !before?.family.includes(address)))
      );
    }).length;
    return { key, name, id, target, twice, all, fresh, told };
  });
  const chosen = rows.filter(({ key }) => !out.includes(key));
  const students = chosen.reduce((sum, { fresh }) => sum + fresh.length, 0);
  const added = chosen.filter(({ target }) => target === '').length;
  const told = chosen.reduce((sum, one) => sum + one.told, 0);
  const roster = chosen.map(({ name, id, target, all }) => ({
    into: target,
    name: name.slice(0, 80),
    id,
    students: all,
  }));
  return (
    <Form method="post" className={styles.chosen} preventScrollReset>
      <input type="hidden" name="roster" value={JSON.stringify(roster)} />
      <ul>
        {rows.map(({ key, name, target, twice, all, fresh }) => (
          <li key={key}>
            <Checkbox
              checked={!out.includes(key)}
              onChange={(event) => setOut(toggled(out, key, !event.target.checked))}
            >
              <b>{name}</b>
            </Checkbox>
            <label>
              goes into{' '}
              <select
                className="pick"
                aria-label={`${name} goes into`}
                value={target}
                onChange={(event) => setInto({ ...into, [key]: event.target.value })}
              >
                <option value="">a new class</option>
                {classes.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
            <span className="quiet">
              {fresh.length} new{all.length > fresh.length && `, ${all.length - fresh.length} there already`}:{' '}
              {fresh.slice(0, NAMES).join(', ')}
              {fresh.length > NAMES && ` and ${fresh.length - NAMES} more`}
              {aboutWords(all)}
            </span>
            {twice.map((one) => (
              <span key={one} className={styles.note}>
                {one} stands here more than once.{' '}
                <Checkbox
                  checked={apart.includes(`${key} ${sameName(one)}`)}
                  onChange={(event) => setApart(toggled(apart, `${key} ${sameName(one)}`, event.target.checked))}
                >
                  These are different children: call the next “{one} 2”
                </Checkbox>
              </span>
            ))}
          </li>
        ))}
      </ul>
      <Button
        type="primary"
        htmlType="submit"
        name="do"
        value="roster"
        loading={busy}
        disabled={chosen.length === 0 || students + added + told === 0}
      >
        {students + added === 0 && told > 0
          ? `Keep what it says of ${howMany(told, 'student')}`
          : addWords(added, students)}
      </Button>
    </Form>
  );
}
