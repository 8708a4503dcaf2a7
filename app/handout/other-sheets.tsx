import { useMemo } from 'react';
import { givenOut } from '../../core/handout/copy';
import { variedOn } from '../../core/makers/varied';
import type { Sheet } from '../../core/schema/sheet';
import { PageView } from '../drawing/page-view';
import { SheetRoom } from '../margin/sheet-room';
import { paperStyle } from '../margin/view';
import { PageTabs } from '../parts/page-tabs';
import { LookForLight } from './lookfor-light';
import type { Shown } from './shown';
import { useShownPage } from './shown-page';
import styles from './hand-out.module.css';

/** Other sheets than the one that is handed out, to be looked at in its place. */

type Props = {
  sheet: Sheet;
  /** For screen readers. */
  label: string;
  /** What stands below it. */
  name: string;
  says: string;
  first?: string;
  shown?: Shown | null;
  scrolled?: number;
};

function OtherSheet({ sheet, label, name, says, first = sheet.pages[0].id, shown = null, scrolled = 0 }: Props) {
  const { page, setPageId, view, stage, faces, arrived } = useShownPage(sheet, first);
  return (
    <div className={styles.given}>
      <SheetRoom
        stage={stage}
        view={view}
        above={
          shown && (
            <LookForLight key={shown.id} shown={shown} scrolled={scrolled} page={page} view={view} stage={stage} />
          )
        }
      >
        <div className="paper" style={paperStyle(view, page)}>
          {faces && (
            <PageView
              sheet={sheet}
              page={page}
              faces={faces}
              arrived={arrived}
              scale={view.scale}
              prompts
              label={label}
            />
          )}
        </div>
      </SheetRoom>
      <div className={styles.touchKey}>
        <b>{name}</b>
        <span className="quiet">{says}</span>
        <PageTabs pages={sheet.pages} shown={page.id} onShow={setPageId} />
      </div>
    </div>
  );
}

/** Another version as its students get it. What may be touched is set on the first one, and goes for all that are made again. */
export function VersionSheet({ sheet, letter }: { sheet: Sheet; letter: string }) {
  const given = useMemo(() => givenOut(sheet), [sheet]);
  const first = sheet.pages.find((one) => variedOn(one).length > 0)?.id;
  return (
    <OtherSheet
      sheet={given}
      label={`Version ${letter}, as students get it`}
      name={`Version ${letter}`}
      says="What may be touched is set on version A."
      {...(first && { first })}
    />
  );
}

type PieceProps = Pick<Props, 'sheet' | 'name' | 'shown' | 'scrolled'>;

/** What look-fors are tried on: a piece that a student made of this sheet before, or the example. */
export const TriedSheet = (props: PieceProps) => (
  <OtherSheet
    {...props}
    label={`${props.name}, to try look-fors on`}
    says="Point at a look-for to see what it counts here. Nothing changes on it."
  />
);
