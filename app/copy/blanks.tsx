import type { Blank } from '../../core/handout/blanks';
import { blanksOn } from '../../core/handout/blanks';
import { lightOn } from '../../core/handout/spots';
import { rightMiddle } from '../../core/geometry/box';
import type { Box } from '../../core/geometry/matrix';
import { cutTo } from '../../core/values/characters';
import type { Page, Sheet, WrittenItem } from '../../core/schema/sheet';
import { bodyLength } from '../../core/text/body';
import { typeWords } from '../commands/word-commands';
import type { Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import type { MarginEntry } from '../margin/margin';
import type { View } from '../margin/view';
import { Chip, Chips } from '../parts/action';
import { sentence } from '../parts/sentence';
import { usedElsewhere } from '../student/entries';
import styles from './copy.module.css';
import { Sign } from '../parts/sign';

/** What a student fills in, one blank after another. */

export type Step = Blank & { page: string };

/** All blanks of a sheet, page by page, in reading order. */
export const stepsOf = (sheet: Sheet): Step[] =>
  sheet.pages.flatMap((page) => blanksOn(page, pictureNow).map((blank) => ({ ...blank, page: page.id })));

/** Opens a blank for typing, on whichever page it is. */
export function openBlank(editor: Editor, { item, page }: Pick<Step, 'item' | 'page'>): void {
  if (editor.page.id !== page) editor.turnTo(page);
  editor.openText(item);
}

/** What is asked for in a blank, as a question or a request. */
function askedIn(item: WrittenItem): string {
  if (item.kind === 'text' && item.role === 'name') return 'Write your name';
  if (item.kind === 'text' && item.role === 'label') return 'Which part is this?';
  const prompt = item.kind === 'text' ? item.prompt.trim() : '';
  return prompt.length > 2 ? sentence(cutTo(prompt, 60)) : 'Fill in this box';
}

type Props = { editor: Editor; page: Page; steps: readonly Step[]; at: number; bank: readonly string[] };

function BlankCard({ editor, page, steps, at, bank }: Props) {
  const { item } = steps[at];
  const begun = editor.editing?.id === item.id;
  const next = steps.find((step, i) => i > at && !step.filled) ?? steps.find((step, i) => i !== at && !step.filled);
  const take = (word: string) => {
    if (!begun) openBlank(editor, steps[at]);
    if (editor.editing && typeWords(editor, editor.editing, 0, bodyLength(item.body), word))
      editor.edit({ ...editor.editing, anchor: word.length, focus: word.length });
  };
  const first = steps.every(({ filled }) => !filled);
  return (
    <>
      <p className={styles.where}>
        {begun ? '' : first ? 'Begin here · ' : 'Go on here · '}
        {at + 1} of {steps.length}
      </p>
      <h3 className={styles.asked}>{askedIn(item)}</h3>
      {item.kind === 'text' && item.role === 'label' && bank.length > 0 && (
        <Chips>
          {bank.map((word) => (
            <Chip
              asIs
              key={word}
              tone={usedElsewhere(page, word, item.id) ? 'used' : 'moss'}
              onMouseDown={(event) => event.preventDefault()}
              onClick={() => take(word)}
            >
              {word}
            </Chip>
          ))}
        </Chips>
      )}
      <div className={styles.ways}>
        {begun ? (
          <span className="quiet">Type your answer</span>
        ) : (
          <button type="button" className={styles.go} onClick={() => openBlank(editor, steps[at])}>
            Write here
          </button>
        )}
        {next && (
          <button type="button" className={styles.go} onClick={() => openBlank(editor, next)}>
            Next one <Sign of="after" />
          </button>
        )}
      </div>
    </>
  );
}

/** The card of the blank that is being filled in, or of the next one. */
export function blankEntry(editor: Editor, steps: readonly Step[], at: number, bank: readonly string[]): MarginEntry {
  const { page } = editor;
  const { box } = steps[at];
  return {
    id: 'blank',
    anchor: rightMiddle(box),
    tone: 'apricot',
    active: true,
    current: editor.editing !== null,
    label: 'What to fill in',
    light: () => lightOn(page, steps[at].item, pictureNow),
    content: <BlankCard {...{ editor, page, steps, at, bank }} />,
  };
}

/** A tint on what is still to be filled in, so that it looks like it. */
export function BlankTints({ view, boxes }: { view: View; boxes: readonly Box[] }) {
  const { inset, scale } = view;
  return boxes.map(({ x, y, width, height }, i) => (
    <span
      key={i}
      className={styles.tint}
      style={{ left: inset.x + x * scale, top: inset.y + y * scale, width: width * scale, height: height * scale }}
    />
  ));
}
