import styles from './proof.module.css';
import { Chip, Chips } from '../parts/action';
import { DRAWN } from '../../core/schema/defaults';
import type { ReactNode } from 'react';
import { useEffect, useState } from 'react';
import type { Point } from '../../core/geometry/matrix';
import { lightOn } from '../../core/handout/spots';
import { needsOf } from '../../core/sheet/needs';
import type { Page, Sheet } from '../../core/schema/sheet';
import { onPaper } from '../../core/items/beside';
import { findOn } from '../../core/sheet/tree';
import { itemName } from '../../core/items/name';
import type { Small } from '../../core/proof/small';
import type { Undrawn } from '../../core/proof/undrawn';
import { LEAST_PRINTED } from '../../core/text/style';
import type { Finding, Found } from '../../workers/studio';
import type { MarginEntry } from '../margin/margin';
import type { Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import { studio } from '../document/helpers';
import settingsStyles from '../settings/settings.module.css';

/**
 * Text that can't be read: for lack of contrast or of signs in the font, or because it is too small in print. Found off the
 * main thread and marked in the margin.
 */

const NONE: Found = { findings: [], undrawn: [], small: [] };
export const countOf = ({ findings, undrawn, small }: Found) => findings.length + undrawn.length + small.length;
/** Milliseconds of rest after the last change before the page is looked at. */
const REST = 500;

export function useProof(sheet: Sheet, page: Page, on: boolean): Found {
  const [found, setFound] = useState<(Found & { page: Page }) | null>(null);
  useEffect(() => {
    if (!on) return;
    let current = true;
    const timer = setTimeout(() => {
      // What waits beside the page is not looked at.
      const one = onPaper({ ...sheet, pages: [page] });
      studio
        .ask((worker) => worker.readable(one, needsOf(one)))
        .then(
          ({ findings, undrawn, small }) => current && setFound({ page, findings, undrawn, small }),
          () => {},
        );
    }, REST);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [sheet, page, on]);
  // Findings of an earlier state stay until the next check, as long as their item is there.
  return found && found.page.id === page.id ? found : NONE;
}

/** How many are shown beside the sheet at once. */
const SHOWN = 4;

type FoundAt = { item: string; at: Point };

/** Findings about items that are still there, as cards in the margin. */
function entriesOf<F extends FoundAt>(
  page: Page,
  list: readonly F[],
  kind: string,
  label: string,
  what: string,
  facts: (found: F) => ReactNode,
): MarginEntry[] {
  return list
    .flatMap((found) => {
      const item = findOn(page, found.item)?.item;
      if (!item) return [];
      const name = itemName(item);
      return {
        id: `${kind}-${found.item}`,
        anchor: found.at,
        tone: 'straw' as const,
        label: `${label}: ${name}`,
        light: () => lightOn(page, item, pictureNow),
        content: (
          <div className="finding">
            <h3>
              <span className={settingsStyles.name}>{name}</span>
              <small>{what}</small>
            </h3>
            {facts(found)}
          </div>
        ),
      };
    })
    .slice(0, SHOWN);
}

/** Signs that no face has. */
export const undrawnEntries = (page: Page, undrawn: readonly Undrawn[]): MarginEntry[] =>
  entriesOf(page, undrawn, 'undrawn', 'Can’t be drawn', 'can’t be drawn', ({ signs }) => (
    <p className={styles.facts}>
      No face here has {signs.length === 1 ? 'this sign' : 'these signs'}: {signs.join(' ')}. On screen and in print a
      box stands in {signs.length === 1 ? 'its' : 'their'} place.
    </p>
  ));

const boxes = (count: number) => (count === 1 ? 'one box' : `${count} boxes`);

/** Words that would be too small in print. */
export const smallEntries = (page: Page, small: readonly Small[]): MarginEntry[] =>
  entriesOf(page, small, 'small', 'Text', 'too small', ({ size, count, over }) => (
    <p className={styles.facts}>
      {size !== null &&
        `The words of ${boxes(count)} are ${size.toFixed(1)} pt high${count > 1 ? ' or little more' : ''}; under ${LEAST_PRINTED} pt they can’t be read in print. `}
      {over > 0 && `The text of ${boxes(over)} does not fit. `}
      Make {count + over > 1 ? 'them' : 'it'} larger, or write less.
    </p>
  ));

export const readableEntries = (editor: Editor, page: Page, findings: readonly Finding[]): MarginEntry[] =>
  entriesOf(page, findings, 'readable', 'Hard to read', 'hard to read', (finding) => (
    <>
      <p className={styles.facts}>
        <span className={styles.sample} style={{ background: finding.behind, color: finding.colour || DRAWN.grey }}>
          Aa
        </span>
        contrast {finding.worst.toFixed(1)}, should be {finding.needed}
        {finding.share < 0.995 && `: too little for ${Math.max(1, Math.round(finding.share * 100))}% of the letters`}
      </p>
      <Chips>
        {finding.mends.map(({ name: mend, change }) => {
          const hex = /#[0-9a-f]{6}/.exec(mend)?.[0];
          return (
            <Chip
              key={mend}
              onClick={() => editor.make('Make readable', change)}
              aria-label={hex ? `words in another colour, ${hex}` : mend}
            >
              {hex ? (
                <>
                  words in <i className={styles.colour} style={{ background: hex }} />
                </>
              ) : (
                mend
              )}
            </Chip>
          );
        })}
      </Chips>
    </>
  ));
