import { rightMiddle } from '../../core/geometry/box';
import type { Box } from '../../core/geometry/matrix';
import { itemName } from '../../core/items/name';
import type { Difference } from '../../core/review/compare';
import { kindWords, rewording, spotOf } from '../../core/review/compare';
import type { Page } from '../../core/schema/sheet';
import { pictureNow } from '../drawing/resources';
import type { MarginEntry } from '../margin/margin';
import { sentence } from '../parts/sentence';
import styles from './differences.module.css';

/** What differs between two sheets: numbered on the sheet, and in the margin at its height. */

type Framed = { difference: Difference; box: Box; number: number };

/** The differences on a page, numbered through all pages. */
export const differencesOn = (differences: readonly Difference[], page: Page): Framed[] =>
  differences.flatMap((difference, i) => {
    const box = spotOf(difference, page, pictureNow);
    return box ? [{ difference, box, number: i + 1 }] : [];
  });

const id = (number: number) => `difference-${number}`;

export const differenceEntries = (framed: readonly Framed[], active: string | null): MarginEntry[] =>
  framed.map(({ difference, box, number }) => ({
    id: id(number),
    anchor: rightMiddle(box),
    tone: difference.after ? 'moss' : 'apricot',
    active: active === id(number),
    light: () => [box],
    label: `Difference ${number}`,
    content: <DifferenceCard difference={difference} number={number} />,
  }));

const TAGS = { same: 'span', gone: 'del', come: 'ins' } as const;

function DifferenceCard({ difference, number }: { difference: Difference; number: number }) {
  const { before, after } = difference;
  const words = rewording(difference);
  return (
    <>
      <h3>
        <span>
          <span className={styles.number}>{number}</span> {itemName((after ?? before)!)}
        </span>
        <small>{sentence(kindWords(difference))}</small>
      </h3>
      {words?.some(({ how }) => how !== 'come') && (
        <p className={styles.words}>
          {words.map(({ said, how }, i) => {
            const Tag = TAGS[how];
            return <Tag key={i}>{said}</Tag>;
          })}
        </p>
      )}
    </>
  );
}

export const DifferenceFrames = ({ framed, page }: { framed: readonly Framed[]; page: Page }) => (
  <svg className={styles.frames} viewBox={`0 0 ${page.width} ${page.height}`} aria-hidden="true">
    {framed.map(({ difference, box, number }) => (
      <g key={number} className={difference.after ? undefined : styles.removed}>
        <rect x={box.x - 4} y={box.y - 4} width={box.width + 8} height={box.height + 8} rx="6" />
        <circle cx={box.x - 4} cy={box.y - 4} r="9" />
        <text x={box.x - 4} y={box.y - 4}>
          {number}
        </text>
      </g>
    ))}
  </svg>
);
