import { Key } from '../../fields/toggle';
import { useState } from 'react';
import type { At, Scope } from '../../../core/makers/table/edit';
import {
  cellAt,
  holderOf,
  lookAt,
  merged,
  split,
  withColumn,
  withLook,
  withoutColumn,
  withoutRow,
  withRow,
} from '../../../core/makers/table/edit';
import type { CellLook, TableRecipe } from '../../../core/schema/recipes/table';
import { Swatches } from '../../colour/swatches';
import { NumberField } from '../../fields/number-field';
import { Segments } from '../../fields/segments';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { useMade } from '../kit/made';
import type { Sheet } from '../../../core/schema/sheet';
import type { Editor } from '../../document/editor';
import type { TablePart } from './long-tables';
import { partsOf } from './long-tables';
import type { PanelProps } from '../kit/parts';
import { FaceAndSize, Notes } from '../kit/parts';
import { placeOf } from './table-commands';
import { Choice } from '../../fields/choice';
import { Check } from '../../fields/check';
import { Sign } from '../../parts/sign';

/** A table's margin card: its rows and columns, and looks by cell, row, column or whole. */

const SCOPES: { id: Scope; name: string }[] = [
  { id: 'cell', name: 'cell' },
  { id: 'row', name: 'row' },
  { id: 'column', name: 'column' },
  { id: 'all', name: 'whole table' },
];

export function TablePanel({ editor, group, sheet, part }: PanelProps) {
  const { recipe, notes, edit, put } = useMade(editor, group, 'table');
  const at = placeOf(part);
  return (
    <div className="table-panel">
      {at && recipe.rows.includes(at.row) ? (
        <Lines recipe={recipe} at={at} onEdit={edit} />
      ) : (
        <p className="quiet">
          Press twice on a cell to write in it; Tab goes on to the next. Choose a cell to add rows and columns, to join
          cells, or to shade one.
        </p>
      )}
      <Looks key={at ? 'cell' : 'table'} recipe={recipe} at={at} palette={sheet.palette} onEdit={edit} />
      <Notes notes={notes} />
      {recipe.part && <OverPages editor={editor} sheet={sheet} id={group.id} />}
      <Check checked={recipe.header} onChange={(on) => put('Head', { header: on })}>
        First row is a header
      </Check>
      <Check checked={recipe.side} onChange={(on) => put('Head', { side: on })}>
        First column too
      </Check>
      <Choice
        row="bands"
        label="Bands"
        value={recipe.banding}
        names={{ none: 'none', rows: 'every other row', columns: 'every other column' }}
        onChange={(banding) => put('Bands', { banding })}
        width={160}
      />
      <Choice
        row="widths"
        label="Widths of columns"
        value={recipe.widths}
        names={{ equal: 'all equal', content: 'by what they hold', own: 'my own' }}
        onChange={(widths) => put('Widths', { widths })}
        width={160}
      />
      {recipe.widths === 'own' && at && (
        <Row label="">
          <NumberField
            bare
            label="Share of this column"
            value={recipe.columns.find(({ id }) => id === at.column)?.share ?? 1}
            min={0.1}
            max={20}
            onChange={(share) =>
              put('Width', { columns: recipe.columns.map((one) => (one.id === at.column ? { ...one, share } : one)) })
            }
          />
          <span className="quiet">parts of the width</span>
        </Row>
      )}
      <More title="Text and headers">
        <FaceAndSize face={recipe.face} size={recipe.size} onChange={put} />
        {(['head', 'band', 'ink'] as const).map((key) => (
          <Swatches
            key={key}
            label={{ head: 'heads', band: 'bands', ink: 'words' }[key]}
            value={recipe[key]}
            palette={sheet.palette}
            onChange={(hex) => hex && put('Colours', { [key]: hex })}
          />
        ))}
      </More>
    </div>
  );
}

/** On which other pages the table is. */
function OverPages({ editor, sheet, id }: { editor: Editor; sheet: Sheet; id: string }) {
  const parts = partsOf(sheet, id);
  const at = parts.findIndex(({ group }) => group.id === id);
  const [before, after] = [parts[at - 1], parts[at + 1]];
  const go = (part: TablePart, words: string) => (
    <Key
      onClick={() => {
        editor.turnTo(part.page.id);
        editor.select([part.group.id]);
      }}
    >
      {words} {sheet.pages.findIndex((page) => page.id === part.page.id) + 1}
    </Key>
  );
  return (
    <Row label="pages">
      {before && go(before, 'starts on page')}
      {after && go(after, 'continues on page')}
    </Row>
  );
}

type EditProps = { recipe: TableRecipe; onEdit: (name: string, recipe: TableRecipe) => void };

/** Rows and columns around the selected cell, and joining cells. */
function Lines({ recipe, at, onEdit }: EditProps & { at: At }) {
  const cell = cellAt(recipe, at);
  const here = holderOf(recipe, at);
  const beside = here && recipe.columns[here.column + here.across];
  const below = here && recipe.rows[here.row + here.down];
  return (
    <>
      <Row label="rows">
        <Toggle label="A row above this one" onClick={() => onEdit('Add row', withRow(recipe, at.row, 'before'))}>
          + above
        </Toggle>
        <Toggle label="A row below this one" onClick={() => onEdit('Add row', withRow(recipe, at.row, 'behind'))}>
          + below
        </Toggle>
        <Toggle label="Remove this row" onClick={() => onEdit('Remove row', withoutRow(recipe, at.row))}>
          <Sign of="less" />
        </Toggle>
      </Row>
      <Row label="columns">
        <Toggle
          label="A column to the left"
          onClick={() => onEdit('Add column', withColumn(recipe, at.column, 'before'))}
        >
          + left
        </Toggle>
        <Toggle
          label="A column to the right"
          onClick={() => onEdit('Add column', withColumn(recipe, at.column, 'behind'))}
        >
          + right
        </Toggle>
        <Toggle label="Remove this column" onClick={() => onEdit('Remove column', withoutColumn(recipe, at.column))}>
          <Sign of="less" />
        </Toggle>
      </Row>
      <Row label="merge">
        {beside && (
          <Toggle
            label="Merge this cell with the one to its right"
            onClick={() => onEdit('Merge cells', merged(recipe, at, { row: at.row, column: beside.id }))}
          >
            right
          </Toggle>
        )}
        {below && (
          <Toggle
            label="Merge this cell with the one below it"
            onClick={() => onEdit('Merge cells', merged(recipe, at, { row: below, column: at.column }))}
          >
            below
          </Toggle>
        )}
        {(cell.across > 1 || cell.down > 1) && (
          <Toggle label="Split the merged cells" onClick={() => onEdit('Split cells', split(recipe, at))}>
            split cells
          </Toggle>
        )}
      </Row>
    </>
  );
}

function Looks({ recipe, at, palette, onEdit }: EditProps & { at: At | null; palette: readonly string[] }) {
  const [wanted, setWanted] = useState<Scope>('cell');
  const scope = at ? wanted : 'all';
  const shown: CellLook = at ? lookAt(recipe, at) : recipe.look.all;
  const set = (name: string, values: CellLook) => onEdit(name, withLook(recipe, scope, at, values));
  const edge = shown.edge ?? null;
  return (
    <>
      {at && (
        <Segments
          label="What a look is for"
          value={scope}
          options={SCOPES.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setWanted}
        />
      )}
      <Swatches
        label="fill"
        value={shown.fill ?? null}
        palette={palette}
        none="no fill"
        onChange={(fill) => set('Fill', { fill })}
      />
      <Swatches
        label="border"
        value={edge?.colour ?? null}
        palette={palette}
        none="no border"
        onChange={(colour) =>
          set('Border', { edge: colour === null ? null : { dash: 'solid', width: 0.8, ...edge, colour } })
        }
      />
      <Row label="">
        {edge && (
          <NumberField
            bare
            label="Width of the border"
            value={edge.width}
            suffix="pt"
            min={0.2}
            max={12}
            onChange={(width) => set('Border', { edge: { ...edge, width } })}
          />
        )}
        {(['left', 'centre', 'right'] as const).map((align) => (
          <Toggle
            key={align}
            on={shown.align === align}
            label={`Words ${align === 'centre' ? 'in the middle' : `to the ${align}`}`}
            onClick={() => set('Align', { align })}
          >
            {{ left: '⇤', centre: '↔', right: '⇥' }[align]}
          </Toggle>
        ))}
        <Toggle on={shown.bold === true} label="Bold" onClick={() => set('Bold', { bold: !shown.bold })}>
          <b>b</b>
        </Toggle>
      </Row>
      <Check checked={shown.write === true} onChange={(on) => set('Students write', { write: on })}>
        Students write here; it is given out empty
      </Check>
    </>
  );
}
