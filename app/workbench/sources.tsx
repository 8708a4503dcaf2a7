import { hasCreditLine, sourcesOf } from '../../core/proof/credits';
import type { Page, Sheet } from '../../core/schema/sheet';
import { howMany, inWords } from '../../core/values/listed';
import { placeCreditLine } from '../commands/credit-commands';
import type { Editor } from '../document/editor';
import { Chip } from '../parts/action';
import styles from './page-card.module.css';

/** Where the pictures of a sheet are from. */
export function Sources({ editor, sheet, page }: { editor: Editor; sheet: Sheet; page: Page }) {
  const { sources, without } = sourcesOf(sheet.pages);
  const here = sourcesOf([page]);
  const [first] = here.without;
  return (
    <div className={styles.sources}>
      {sources.length === 0 && without.length === 0 && <p className="quiet">No pictures are on this sheet.</p>}
      <ul>
        {sources.map(({ credit, licence, names }) => (
          <li key={`${credit} ${licence}`}>
            {credit}
            {licence && <span className="quiet"> · {licence}</span>}
            <small className="quiet">{inWords(names)}</small>
          </li>
        ))}
      </ul>
      {first && (
        <p>
          {howMany(here.without.length, 'picture')} on this page without a source{' '}
          <Chip onClick={() => editor.select(here.without.map(({ id }) => id))}>show</Chip>
        </p>
      )}
      {hasCreditLine({ pages: [page] }) ? (
        <p className="quiet">The credit line on this page follows its pictures.</p>
      ) : (
        here.sources.length > 0 && <Chip onClick={() => placeCreditLine(editor)}>place a credit line on this page</Chip>
      )}
    </div>
  );
}
