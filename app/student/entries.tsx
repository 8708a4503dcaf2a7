import { Heard } from '../parts/heard';
import { Checkbox } from 'antd';
import { bodyText } from '../../core/text/body';
import { pointsWords } from '../../core/lookfors/rubric';
import { anchorAt, lightAt } from '../../core/handout/spots';
import type { Page, Sheet } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import type { MarginEntry } from '../margin/margin';
import type { copyView } from '../../server/views/copy-view';
import { pictureNow } from '../drawing/resources';
import styles from './student.module.css';

/** What stands in the margin of a student's copy: what came back, notes on their spots, the word bank. */

/** A copy that can be read, as its screen was loaded. */
export type Loaded = Extract<Awaited<ReturnType<typeof copyView>>, { damage: null }>;

/** The words of the banks on a sheet: parted by dots, lines or gaps. */
export const bankOf = (sheet: Sheet): string[] =>
  everyItem(sheet)
    .flatMap((item) =>
      item.kind === 'text' && item.role === 'bank' ? bodyText(item.body).split(/\s*[·\n]\s*|\s{2,}/) : [],
    )
    .map((word) => word.trim())
    .filter(Boolean);

export const usedElsewhere = (page: Page, word: string, but: string) =>
  everyItem(page).some(
    (item) =>
      item.kind === 'text' &&
      item.role === 'label' &&
      item.id !== but &&
      bodyText(item.body).trim().toLowerCase() === word.toLowerCase(),
  );

export const BackMarks = ({ marks }: { marks: NonNullable<Loaded['marks']> }) => (
  <div className={styles.backMarks}>
    {marks.lookFors.map(({ id, title, got, of }) => (
      <span key={id}>
        {title} <b>{got === null ? '–' : pointsWords(got)}</b> <span className="quiet">of {pointsWords(of)}</span>
      </span>
    ))}
    {marks.rubric.rows.map(({ id, name, levels }) => {
      const level = levels[marks.marks[id]] as (typeof levels)[number] | undefined;
      return (
        <span key={id}>
          {name} <b>{level ? pointsWords(level.points) : '–'}</b>
          <span className="quiet">
            {' '}
            of {pointsWords(Math.max(...levels.map(({ points }) => points)))}
            {level?.text && `: ${level.text}`}
          </span>
        </span>
      );
    })}
  </div>
);

export function noteEntries(
  notes: Loaded['notes'],
  page: Page,
  submit: (data: Record<string, string>, options: { method: 'post' }) => unknown,
): MarginEntry[] {
  return notes
    .filter((note) => note.pageId === page.id)
    .map((note): MarginEntry => {
      const spot = { item: note.itemId, x: note.x, y: note.y };
      return {
        id: note.id,
        anchor: anchorAt(page, spot, pictureNow),
        light: () => lightAt(page, spot, pictureNow),
        tone: note.settled ? 'moss' : 'apricot',
        active: !note.settled,
        label: note.earlier === null ? 'A note from your teacher' : `A note on go ${note.earlier}`,
        content: (
          <>
            {note.earlier !== null && <p className="quiet">On go {note.earlier}</p>}
            {note.spoken && <Heard spoken={note.spoken} src={`/notes/${note.id}/sound`} />}
            {note.body && <p className={styles.noteWords}>{note.body}</p>}
            <Checkbox
              checked={note.settled}
              onChange={(event) =>
                void submit(
                  { do: 'settle', note: note.id, settled: event.target.checked ? 'yes' : 'no' },
                  { method: 'post' },
                )
              }
            >
              Done
            </Checkbox>
          </>
        ),
      };
    })
    .sort((a, b) => (a.anchor?.y ?? 0) - (b.anchor?.y ?? 0));
}
