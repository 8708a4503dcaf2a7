import Papa from 'papaparse';
import { cutTo } from '../values/characters';
import type { NamedText } from './roster-file';

/** Marks as the tables of OneRoster 1.1 for results, which go back to the program that the class list is from. */

export type RosterTask = {
  id: string;
  title: string;
  description: string;
  /** When it was handed out, and when it is due. */
  assigned: Date;
  due: Date | null;
  /** What that program calls the class. */
  classId: string;
  /** The most points that there are. */
  most: number;
};
export type RosterResult = {
  id: string;
  /** What that program calls the student. */
  studentId: string;
  /** Points; null while something is still to be marked. */
  score: number | null;
  /** Whether anything was handed in, and whether any of it is marked. */
  handedIn: boolean;
  begun: boolean;
  at: Date | null;
};

/** Identities of ours begin with letters: some programs take a leading “-” for a sign. */
const own = (id: string) => `dm-${id}`;
const CATEGORY = own('worksheets');
const FILES = [
  'academicSessions',
  'categories',
  'classes',
  'classResources',
  'courses',
  'courseResources',
  'demographics',
  'enrollments',
  'lineItems',
  'orgs',
  'resources',
  'results',
  'users',
] as const;
const WRITTEN: ReadonlySet<(typeof FILES)[number]> = new Set(['categories', 'lineItems', 'results']);
const LONGEST = 1000;

const csv = (rows: readonly (readonly (string | number)[])[]) => `${Papa.unparse(rows as (string | number)[][])}\r\n`;

const statusOf = ({ score, handedIn, begun }: RosterResult): string =>
  !handedIn ? 'not submitted' : score !== null ? 'fully graded' : begun ? 'partially graded' : 'submitted';

/**
 * The files, to be put into one ZIP. What is not marked to the end has a status and no score, so that it never reads as zero.
 * @param zone a time zone by its name, for days
 */
export function oneRosterResults(task: RosterTask, results: readonly RosterResult[], zone: string): NamedText[] {
  const day = (at: Date | null) =>
    at ? new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short' }).format(at) : '';
  return [
    {
      name: 'manifest.csv',
      text: csv([
        ['propertyName', 'value'],
        ['manifest.version', '1.0'],
        ['oneroster.version', '1.1'],
        ...FILES.map((file) => [`file.${file}`, WRITTEN.has(file) ? 'bulk' : 'absent']),
        ['source.systemName', 'Dappled Margin'],
        ['source.systemCode', 'dappled-margin'],
      ]),
    },
    {
      name: 'categories.csv',
      text: csv([
        ['sourcedId', 'status', 'dateLastModified', 'title'],
        [CATEGORY, '', '', 'Worksheets'],
      ]),
    },
    {
      name: 'lineItems.csv',
      text: csv([
        [
          'sourcedId',
          'status',
          'dateLastModified',
          'title',
          'description',
          'assignDate',
          'dueDate',
          'classSourcedId',
          'categorySourcedId',
          'gradingPeriodSourcedId',
          'resultValueMin',
          'resultValueMax',
        ],
        [
          own(task.id),
          '',
          '',
          task.title,
          cutTo(task.description, LONGEST),
          day(task.assigned),
          // The table wants a day: without one it is due when it was handed out.
          day(task.due ?? task.assigned),
          task.classId,
          CATEGORY,
          '',
          0,
          task.most,
        ],
      ]),
    },
    {
      name: 'results.csv',
      text: csv([
        [
          'sourcedId',
          'status',
          'dateLastModified',
          'lineItemSourcedId',
          'studentSourcedId',
          'scoreStatus',
          'score',
          'scoreDate',
          'comment',
        ],
        ...results.map((one) => [
          own(one.id),
          '',
          '',
          own(task.id),
          one.studentId,
          statusOf(one),
          statusOf(one) === 'fully graded' ? Number(one.score!.toFixed(2)) : '',
          day(one.at),
          '',
        ]),
      ]),
    },
  ];
}
