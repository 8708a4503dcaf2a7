import { pointsWords } from '../lookfors/rubric';
import type { Outcome } from '../handout/state';
import type { Feedback } from './feedback';

/** A letter to a student's family about a piece that has come back: plain text, with the piece attached. */

export type LetterHome = {
  student: string;
  teacher: string;
  school: string;
  /** What was handed out. */
  title: string;
  /** What the teacher writes to all families. */
  words: string;
  outcome: Outcome | null;
  /** As far as the student is told it. */
  feedback: Pick<Feedback, 'sum' | 'lookFors' | 'rows'> & { notes: readonly Pick<Feedback['notes'][number], 'body'>[] };
};

/** Letters of what a teacher writes to all. */
export const MOST_LETTER_WORDS = 3000;

export const letterSubject = ({ title, student }: Pick<LetterHome, 'title' | 'student'>): string =>
  `${title}: the work of ${student}`;

const HELD = { true: 'met', false: 'not met', null: 'not judged yet' };

/** What stands in a letter besides its notes. */
export type Shows = { lookFors: boolean; marks: boolean };
export const asShown = <F extends Pick<Feedback, 'sum' | 'lookFors' | 'rows'>>(
  feedback: F,
  { lookFors, marks }: Shows,
): F => ({
  ...feedback,
  lookFors: lookFors ? feedback.lookFors : [],
  rows: marks ? feedback.rows : [],
  sum: marks ? feedback.sum : null,
});

/** The letter, its lines not broken. What there is nothing to say of is left out. */
export function letterText({ student, teacher, school, title, words, outcome, feedback }: LetterHome): string {
  const { sum, lookFors, rows, notes } = feedback;
  const part = (heading: string, lines: readonly string[]) =>
    lines.length === 0 ? [] : [[heading, ...lines].join('\n')];
  return [
    `Dear family of ${student},`,
    ...(words.trim() ? [words.trim()] : []),
    outcome === 'another-go'
      ? `“${title}” has come back to ${student} for another go.`
      : `“${title}” has come back to ${student}, and is done.`,
    ...part('What was looked for', [
      ...lookFors.flatMap(({ title: name, held, counted, reasons }) => [
        `- ${name}: ${counted && held === null ? counted : HELD[`${held}`]}${counted && held !== null ? ` (${counted})` : ''}`,
        ...reasons.map((reason) => `  ${reason}`),
      ]),
    ]),
    ...part('Marks', [
      ...rows.flatMap(({ name, level, of }) =>
        level
          ? [`- ${name}: ${pointsWords(level.points)} of ${pointsWords(of)}${level.text ? ` (${level.text})` : ''}`]
          : [`- ${name}: not marked yet`],
      ),
      ...(sum ? [`Together: ${sum}`] : []),
    ]),
    ...part(
      'Notes on the piece',
      notes.map(({ body }, i) => `${i + 1}. ${body}`),
    ),
    'The piece with these notes is attached.',
    `${teacher}\n${school}`,
  ].join('\n\n');
}
