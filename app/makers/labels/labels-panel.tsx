import { contains } from '../../../core/geometry/box';
import { pageMatrix } from '../../../core/placement/on-page';
import type { Point } from '../../../core/geometry/matrix';
import { inverse, transform } from '../../../core/geometry/matrix';
import { calledLine, rolesForLines, spotsOf } from '../../../core/makers/labels/begin';
import type { CallOutLine, Edition, LabelsRecipe, Spot } from '../../../core/schema/recipes/labels';
import { DRAWING, EDITIONS, MOST_LABELS } from '../../../core/schema/recipes/labels';
import { freeId, freeIds } from '../../../core/schema/recipes/map';
import type { GroupItem } from '../../../core/schema/sheet';
import { isFramed } from '../../../core/schema/sheet';
import { find } from '../../../core/sheet/tree';
import { pictureNow } from '../../drawing/resources';
import type { Editor } from '../../document/editor';
import { Swatches } from '../../colour/swatches';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { spotsIn } from './beginning';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { listed, Notes, WordsSize } from '../kit/parts';
import { PicturePick } from '../kit/picture-pick';
import { Choice } from '../../fields/choice';
import styles from '../kit/kit.module.css';

/** A labelled diagram's margin card: the picture, its spots and what they are called, and which edition of it this is. */

const EDITION_NAMES: Record<Edition, string> = {
  filled: 'all filled in',
  first: 'first letters',
  some: 'some left empty',
  blank: 'all empty',
  bank: 'empty, with a word bank',
  swapped: 'some swapped, to be put right',
  explain: 'filled, each to be explained',
  numbers: 'numbers and a list',
};
const TRAIT_EDITIONS = new Set<Edition>(['filled', 'blank']);
const SIDE_NAMES = { both: 'both sides', left: 'the left', right: 'the right' };

/** Where a point of the page is on the picture, as shares. Null beside it. */
function onBase(editor: Editor, group: GroupItem, point: Point): Point | null {
  const live = find(editor.sheet, group.id)?.item;
  // Spots can be set on a drawing at once, also before it has been made the base.
  const parts = live?.kind === 'group' ? live.items : [];
  const base = parts.find(({ made }) => made?.part === 'base') ?? parts.find(({ made }) => made?.part === DRAWING);
  if (!base || !isFramed(base)) return null;
  const local = transform(inverse(pageMatrix(editor.page, base)), point);
  const box = { x: 0, y: 0, width: base.width, height: base.height };
  return contains(box, local) ? { x: local.x / base.width, y: local.y / base.height } : null;
}

export function LabelsPanel({ editor, group, sheet, part }: PanelProps) {
  const { recipe, seed, notes, put, reseed } = useMade(editor, group, 'labels');
  const current = /-(.+)$/.exec(part?.made?.part ?? '')?.[1] ?? null;
  const setSpot = (id: string, values: Partial<Spot>, keep: 'soon' | 'now' = 'now') =>
    put('Label', { spots: recipe.spots.map((spot) => (spot.id === id ? { ...spot, ...values } : spot)) }, keep);

  /** Lets a spot be set on the sheet: a press for a point, a drag for a region. */
  function point(id: string | null) {
    editor.put({
      tool: {
        kind: 'spot',
        taken: (from, to) => {
          const [a, b] = [onBase(editor, group, from), onBase(editor, group, to)];
          if (!a) return editor.say('Press on the picture itself, where the label is to point.');
          const region = b && Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y)) > 0.03;
          const round = (share: number) => Math.round(share * 10_000) / 10_000;
          const place = region
            ? {
                x: round((a.x + b.x) / 2),
                y: round((a.y + b.y) / 2),
                wide: round(Math.abs(a.x - b.x)),
                high: round(Math.abs(a.y - b.y)),
                target: null,
              }
            : { x: round(a.x), y: round(a.y), wide: 0, high: 0, target: null };
          if (id !== null) return setSpot(id, place);
          if (recipe.spots.length >= MOST_LABELS) return editor.say(`A diagram holds at most ${MOST_LABELS} labels.`);
          const fresh = freeId(recipe.spots.map((spot) => spot.id));
          put('New spot', {
            spots: [...recipe.spots, { id: fresh, words: '', also: [], definition: '', reason: '', ...place }],
          });
        },
      },
    });
  }

  /** The sheet gets the roles that the lines are set in. */
  function bringRoles(lines: readonly CallOutLine[]) {
    const changes = rolesForLines(lines, editor.sheet);
    if (changes.length > 0) editor.make('Roles of call-outs', { kind: 'all', changes });
  }
  function nameLine(i: number, name: string) {
    if (!name || name === recipe.lines[i].name) return;
    const lines = recipe.lines.map((line, n) => (n === i ? calledLine(name) : line)) as LabelsRecipe['lines'];
    bringRoles(lines);
    put('Line of call-outs', { lines });
  }

  const traits = recipe.form === 'traits';
  const choices = EDITIONS.filter((edition) => !traits || TRAIT_EDITIONS.has(edition));
  return (
    <div className="labels-panel">
      <Choice
        row="edition"
        label="Edition"
        value={choices.includes(recipe.edition) ? recipe.edition : choices[1]}
        options={choices.map((value) => ({ value, label: EDITION_NAMES[value] }))}
        onChange={(edition) => put('Edition', { edition })}
      />
      {(recipe.edition === 'some' || recipe.edition === 'swapped') && !traits && (
        <Row label="how many">
          <NumberField
            bare
            label="How many"
            value={recipe.some}
            min={1}
            max={MOST_LABELS}
            onChange={(some) => put('How many', { some: Math.round(some) })}
          />
          <Toggle label="Picks others" onClick={() => reseed('Another version', seed + 1)}>
            another version
          </Toggle>
        </Row>
      )}
      {recipe.edition === 'bank' && !traits && (
        <Row label="decoys">
          <input
            className={styles.text}
            aria-label="Decoys: words in the bank that belong nowhere"
            placeholder="None; separate them by commas"
            defaultValue={recipe.decoys.join(', ')}
            onBlur={(event) => {
              const decoys = listed(event.target.value, 20, 200);
              if (decoys.join() !== recipe.decoys.join()) put('Decoys', { decoys });
            }}
          />
          <Toggle label="Shuffles the bank" onClick={() => reseed('Shuffle bank', seed + 1)}>
            shuffle
          </Toggle>
        </Row>
      )}
      <Notes {...{ notes, editor, group }} />
      <ul className={styles.spotList} aria-label="Spots">
        {recipe.spots.map((spot, i) => (
          <li key={spot.id} className={spot.id === current ? 'current' : undefined}>
            <input
              className={styles.text}
              value={spot.words}
              maxLength={200}
              placeholder="What is it called?"
              aria-label={`Spot ${i + 1}`}
              onChange={(event) => setSpot(spot.id, { words: event.target.value }, 'soon')}
            />
            <Toggle label="Points it at another place on the picture" onClick={() => point(spot.id)}>
              <svg className="glyph" viewBox="0 0 16 16" aria-hidden="true">
                <circle cx="8" cy="8" r="4.5" fill="none" stroke="currentColor" strokeWidth="1.3" />
                <path d="M8 1v5M8 10v5M1 8h5M10 8h5" stroke="currentColor" strokeWidth="1.3" />
              </svg>
            </Toggle>
            <Toggle
              label={`Removes “${spot.words || 'this spot'}”`}
              onClick={() => put('Remove spot', { spots: recipe.spots.filter((one) => one !== spot) })}
            >
              ✕
            </Toggle>
            {traits && (
              <>
                <input
                  className={`${styles.text} wide`}
                  value={spot.definition}
                  maxLength={400}
                  placeholder={recipe.lines[0].name.toLowerCase()}
                  aria-label={`${recipe.lines[0].name}, of spot ${i + 1}`}
                  onChange={(event) => setSpot(spot.id, { definition: event.target.value }, 'soon')}
                />
                <input
                  className={`${styles.text} wide`}
                  value={spot.reason}
                  maxLength={400}
                  placeholder={recipe.lines[1].name.toLowerCase()}
                  aria-label={`${recipe.lines[1].name}, of spot ${i + 1}`}
                  onChange={(event) => setSpot(spot.id, { reason: event.target.value }, 'soon')}
                />
              </>
            )}
            {!traits && spot.id === current && (
              <input
                className={`${styles.text} wide`}
                defaultValue={spot.also.join(', ')}
                placeholder="Other right words, with commas"
                aria-label={`Other right words of spot ${i + 1}`}
                onBlur={(event) =>
                  setSpot(spot.id, {
                    also: listed(event.target.value, 19, 200),
                  })
                }
              />
            )}
          </li>
        ))}
      </ul>
      <div className={styles.files}>
        <Toggle label="Press on the picture for a point, or pull a box there for a region" onClick={() => point(null)}>
          + new spot
        </Toggle>
        <Missing recipe={recipe} onAdd={(spots) => put('Label parts', { spots: [...recipe.spots, ...spots] })} />
      </div>
      <Choice
        row="form"
        label="What stands at each spot"
        value={recipe.form}
        names={{ word: 'a word', traits: 'a title with two lines' }}
        onChange={(form) => {
          if (form === 'traits') bringRoles(recipe.lines);
          put('Form of labels', { form });
        }}
        width={172}
      />
      {traits &&
        recipe.lines.map(({ name, role }, i) => (
          <Row key={role} label={i === 0 ? 'first line' : 'second line'}>
            <input
              className={`${styles.text} wide`}
              defaultValue={name}
              maxLength={40}
              aria-label={`What the ${i === 0 ? 'first' : 'second'} line holds`}
              onBlur={(event) => nameLine(i, event.target.value.trim())}
            />
          </Row>
        ))}
      <Row label="stand">
        <Choice
          label="Where labels stand"
          value={recipe.sides}
          names={SIDE_NAMES}
          onChange={(sides) => put('Sides', { sides })}
          width={106}
        />
        <WordsSize size={recipe.size} onChange={put} />
      </Row>
      <More title="Colours">
        <Swatches
          label="fill"
          value={recipe.fill}
          palette={sheet.palette}
          none="no fill"
          onChange={(fill) => put('Fill of labels', { fill })}
        />
        <Swatches
          label="edge"
          value={recipe.edge}
          palette={sheet.palette}
          onChange={(edge) => edge && put('Edge of labels', { edge })}
        />
        <Swatches
          label="lines"
          value={recipe.line}
          palette={sheet.palette}
          onChange={(line) => line && put('Colour of lines', { line })}
        />
      </More>
      <More title="Another picture" open={recipe.spots.length === 0}>
        <PicturePick
          label="a word for it: bird, leaf …"
          groups={['diagrams', 'maps']}
          chosen={recipe.drawing ? null : recipe.picture}
          onChoose={({ id }) => void spotsIn(id).then((spots) => put('Picture', { picture: id, spots, drawing: null }))}
        />
      </More>
    </div>
  );
}

/** Parts of the picture that have no label now. */
function Missing({ recipe, onAdd }: { recipe: LabelsRecipe; onAdd: (spots: Spot[]) => void }) {
  const used = new Set(recipe.spots.map(({ target }) => target));
  const left = spotsOf(recipe.drawing ? undefined : pictureNow(recipe.picture)).filter(
    ({ target }) => !used.has(target),
  );
  if (left.length === 0) return null;
  const nextId = freeIds(recipe.spots.map(({ id }) => id));
  const fresh = left.map((spot) => ({ ...spot, id: nextId() }));
  return (
    <Toggle
      label={left.map(({ words }) => words).join(', ')}
      onClick={() => onAdd(fresh.slice(0, MOST_LABELS - recipe.spots.length))}
    >
      + {left.length === 1 ? '1 part' : `${left.length} parts`} without a label
    </Toggle>
  );
}
