import Papa from 'papaparse';
import { addressesIn, MOST_FAMILY } from '../values/addresses';
import { sameName } from '../values/roster';

/** Lists of classes and students as files have them: a table with any columns, or the tables of OneRoster 1.1 and 1.2. */

/** A student of a list. `id`: what the program that wrote it calls them; `family`: addresses of whoever gets letters about them. */
export type ReadStudent = { name: string; id?: string; family?: string[] };
/** A class with its students, before anything is done with it. */
export type ReadClass = { name: string; id?: string; students: ReadStudent[] };

/** How many rows are read of a file. */
const MOST_ROWS = 20_000;

/** The text of a file, in the encodings that spreadsheets write: UTF-8, UTF-16 with a mark, or Windows-1252. */
export function textOf(bytes: Uint8Array): string {
  const marked =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  if (marked) return new TextDecoder(marked).decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** The cells of a table, without empty rows; `left` rows are beyond those that fit. */
export function rosterRows(text: string): { rows: string[][]; left: number } {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const tidy = (cell: string) => cell.normalize('NFC').replace(/\s+/g, ' ').trim();
  return { rows: data.slice(0, MOST_ROWS).map((row) => row.map(tidy)), left: Math.max(0, data.length - MOST_ROWS) };
}

/** What a column can hold; `none` is passed over. */
export const COLUMNS = ['none', 'name', 'first', 'last', 'class', 'id', 'family'] as const;
export type Column = (typeof COLUMNS)[number];

const HEADS: readonly [Column, RegExp][] = [
  ['first', /^(first|given|fore)[ _-]?names?$|^(preferred|known)[ _-]?(as|name)$|^vorname$|^prénom$|^nombre$/i],
  ['last', /^(last|family|sur)[ _-]?names?$|^nachname$|^nom de famille$|^apellidos?$/i],
  ['class', /^(class|group|form|homeroom|section|year group|klasse|classe|clase)([ _-]?name)?$/i],
  // A bare “No” counts rows.
  ['id', /^(student|pupil|person|user)[ _-]?(id|number|no\.?)$|^(sourced[ _-]?)?id$/i],
  [
    'family',
    /^(parents?|guardians?|family|home|carers?|contact|mother|father)[ _-]?\d?('s)?[ _-]?(e-?mail|address)( address)?(es)?$/i,
  ],
  ['name', /^(full|student|pupil)?[ _-]?names?$|^(student|pupil|child)s?$|^schüler(in)?$|^élève$|^alumno$/i],
];
const headOf = (cell: string): Column => HEADS.find(([, pattern]) => pattern.test(cell))?.[0] ?? 'none';

/** What each column most likely holds, and whether the first row names them. */
export function guessColumns(rows: readonly (readonly string[])[]): { columns: Column[]; head: boolean } {
  const wide = Math.max(0, ...rows.slice(0, 100).map((row) => row.length));
  const cells = Array.from({ length: wide }, (_, i) => rows[0]?.[i] ?? '');
  // Each kind once: the second column of a kind is not meant.
  const named = cells.map((cell, i) => {
    const column = headOf(cell);
    return cells.findIndex((other) => headOf(other) === column) === i ? column : 'none';
  });
  const whole = named.includes('first') || named.includes('last');
  if (whole || named.includes('name'))
    return { columns: named.map((column) => (whole && column === 'name' ? 'none' : column)), head: true };
  // No heading: the first column whose cells are mostly words is the name.
  const wordy = (i: number) => {
    const filled = rows.slice(0, 50).filter((row) => row[i]);
    return filled.length > 0 && filled.filter((row) => /^\D*\p{L}{2}\D*$/u.test(row[i])).length > filled.length / 2;
  };
  const first = cells.findIndex((_, i) => wordy(i));
  const head = named.includes('class');
  return { columns: named.map((column, i) => (i === first && column === 'none' ? 'name' : column)), head };
}

/** “Oduya, Maren” as it is said. */
const inOrder = (name: string): string => {
  const parts = name.split(',').map((part) => part.trim());
  return parts.length === 2 && parts.every(Boolean) ? `${parts[1]} ${parts[0]}` : name;
};

/** Letters of an id. */
export const LONGEST_ID = 120;
const studentOf = (name: string, id: string, family: readonly string[]): ReadStudent => ({
  name,
  ...(id && { id: id.slice(0, LONGEST_ID) }),
  ...(family.length > 0 && { family: family.slice(0, MOST_FAMILY) }),
});

/**
 * The classes of a table.
 * @param otherwise the class of rows without one, and of a table that has no such column
 * @returns also how many rows have no name, and how many addresses are none
 */
export function classesIn(
  rows: readonly (readonly string[])[],
  { columns, head }: { columns: readonly Column[]; head: boolean },
  otherwise: string,
): { classes: ReadClass[]; nameless: number; unread: number } {
  const at = (row: readonly string[], column: Column) => {
    const i = columns.indexOf(column);
    return i < 0 ? '' : (row[i] ?? '');
  };
  const classes = new Map<string, ReadClass>();
  let [nameless, unread] = [0, 0];
  for (const row of head ? rows.slice(1) : rows) {
    const name = inOrder(at(row, 'name')) || [at(row, 'first'), at(row, 'last')].filter(Boolean).join(' ');
    if (!name) {
      nameless++;
      continue;
    }
    const className = at(row, 'class') || otherwise;
    const known = classes.get(sameName(className)) ?? { name: className, students: [] };
    const family = addressesIn(at(row, 'family'));
    unread += family.unread.length;
    known.students.push(studentOf(name, at(row, 'id'), family.addresses));
    classes.set(sameName(className), known);
  }
  return { classes: [...classes.values()], nameless, unread };
}

/** Names that stand more than once in a list, each as it stands first. */
export function doubled(names: readonly string[]): string[] {
  const seen = new Map<string, { name: string; times: number }>();
  for (const name of names) {
    const known = seen.get(sameName(name));
    if (known) known.times++;
    else seen.set(sameName(name), { name, times: 1 });
  }
  return [...seen.values()].flatMap(({ name, times }) => (times > 1 ? [name] : []));
}

/** Everybody once by name, or, of the names in `apart`, told apart by numbers: “Ana”, “Ana 2”. */
export function toldApart<S extends { name: string }>(students: readonly S[], apart: ReadonlySet<string>): S[] {
  const out = new Map<string, S>();
  for (const student of students) {
    const { name } = student;
    let free = name;
    for (let n = 2; out.has(sameName(free)) && apart.has(sameName(name)); n++) free = `${name} ${n}`;
    if (!out.has(sameName(free))) out.set(sameName(free), { ...student, name: free });
  }
  return [...out.values()];
}

/** A file by its name and its text. */
export type NamedText = { name: string; text: string };

const ONE_ROSTER = ['users', 'classes', 'enrollments'] as const;
type Table = Record<string, string>[];

function tableOf(text: string): Table {
  const { rows } = rosterRows(text);
  const [head = [], ...rest] = rows;
  const keys = head.map((cell) => cell.toLowerCase());
  return rest.map((row) => Object.fromEntries(keys.map((key, i) => [key, row[i] ?? ''])));
}

/** Whether these files are those of a OneRoster export. */
export const isOneRoster = (files: readonly NamedText[]): boolean =>
  ONE_ROSTER.every((table) => files.some(({ name }) => fileIs(name, table)));
const fileIs = (name: string, table: string) => new RegExp(`(^|[\\\\/])${table}\\.csv$`, 'i').test(name);

/**
 * The classes of a OneRoster export, by its enrolments of students. What is marked as deleted is left out.
 * @returns also how many enrolments name a user or class that is not in the files
 */
export function oneRoster(files: readonly NamedText[]): { classes: ReadClass[]; lost: number } {
  const [users, classes, enrollments] = ONE_ROSTER.map((table) =>
    tableOf(files.find(({ name }) => fileIs(name, table))?.text ?? '').filter(
      ({ status }) => !/tobedeleted/i.test(status ?? ''),
    ),
  );
  const nameOf = (user: Record<string, string>) =>
    [
      user.preferredfirstname || user.preferredgivenname || user.givenname,
      user.preferredlastname || user.preferredfamilyname || user.familyname,
    ]
      .filter(Boolean)
      .join(' ');
  const known = new Map(users.map((user) => [user.sourcedid, user]));
  /** Of those who are named as responsible for a student. */
  const familyOf = ({ agentsourceids = '' }: Record<string, string>) =>
    agentsourceids.split(/[\s,;]+/).flatMap((id) => addressesIn(known.get(id)?.email ?? '').addresses);
  const people = new Map(
    users.map((user) => [user.sourcedid, { name: nameOf(user), id: user.sourcedid, family: familyOf(user) }]),
  );
  const read = new Map(
    classes.map((one): [string, ReadClass] => [
      one.sourcedid,
      { name: one.title || one.classcode, id: one.sourcedid.slice(0, LONGEST_ID), students: [] },
    ]),
  );
  let lost = 0;
  for (const { role, usersourcedid, classsourcedid } of enrollments) {
    if (role?.toLowerCase() !== 'student') continue;
    const [person, into] = [people.get(usersourcedid), read.get(classsourcedid)];
    if (person?.name && into) into.students.push(studentOf(person.name, person.id, person.family));
    else lost++;
  }
  return { classes: [...read.values()].filter(({ students }) => students.length > 0), lost };
}
