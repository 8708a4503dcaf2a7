import { calledLine, rolesForLines, spotsOf } from '../../../core/makers/labels/begin';
import type { CallOutLine, Edition, LabelsRecipe, Spot } from '../../../core/schema/recipes/labels';
import { EDITIONS, MOST_LABELS } from '../../../core/schema/recipes/labels';
import { freeId, freeIds } from '../../../core/schema/recipes/map';
import { pictureNow } from '../../drawing/resources';
import type { Editor } from '../../document/editor';
import { Swatches } from '../../colour/swatches';
import { NumberField } from '../../fields/number-field';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { spotsIn } from './beginning';
import type { Place } from './pointing';
import { pointOn } from './pointing';
import { SpotList } from './spot-list';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { listed } from '../../../core/values/listed';
import { Notes, WordsSize } from '../kit/parts';
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

export function LabelsPanel({ editor, group, sheet, part }: PanelProps) {
  const made = useMade(editor, group, 'labels');
  const { recipe, notes, put } = made;
  const setSpot = (id: string, values: Partial<Spot>, keep?: 'soon') =>
    put(
      'Label',
      ({ spots }) => ({ spots: spots.map((spot) => (spot.id === id ? { ...spot, ...values } : spot)) }),
      keep,
    );
  const addSpot = (place: Place) => {
    const { spots } = made.now() ?? recipe;
    if (spots.length >= MOST_LABELS) return editor.say(`A diagram holds at most ${MOST_LABELS} labels.`);
    const id = freeId(spots.map((spot) => spot.id));
    put('New spot', { spots: [...spots, { id, words: '', also: [], definition: '', reason: '', ...place }] });
  };
  return (
    <div className="labels-panel">
      <EditionFields {...made} />
      <Notes {...{ notes, editor, group }} />
      <SpotList
        recipe={recipe}
        current={/-(.+)$/.exec(part?.made?.part ?? '')?.[1] ?? null}
        onSet={setSpot}
        onPoint={(id) => pointOn(editor, group, (place) => setSpot(id, place))}
        onRemove={(id) => put('Remove spot', ({ spots }) => ({ spots: spots.filter((spot) => spot.id !== id) }))}
      />
      <div className={styles.files}>
        <Toggle
          label="Press on the picture for a point, or pull a box there for a region"
          onClick={() => pointOn(editor, group, addSpot)}
        >
          + new spot
        </Toggle>
        <Missing recipe={recipe} onAdd={(spots) => put('Label parts', { spots: [...recipe.spots, ...spots] })} />
      </div>
      <FormFields editor={editor} recipe={recipe} put={put} />
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

type Made = ReturnType<typeof useMade<'labels'>>;

/** Which edition of the diagram this is, and what there is to set about it. */
function EditionFields({ recipe, seed, put, reseed }: Made) {
  const traits = recipe.form === 'traits';
  const choices = EDITIONS.filter((edition) => !traits || TRAIT_EDITIONS.has(edition));
  return (
    <>
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
          <Toggle label="Pick others" onClick={() => reseed('Another version', seed + 1)}>
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
          <Toggle label="Shuffle the bank" onClick={() => reseed('Shuffle bank', seed + 1)}>
            shuffle
          </Toggle>
        </Row>
      )}
    </>
  );
}

/** Whether a word or a call-out stands at each spot, and what the lines of a call-out hold. */
function FormFields({ editor, recipe, put }: Pick<Made, 'recipe' | 'put'> & { editor: Editor }) {
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
  return (
    <>
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
      {recipe.form === 'traits' &&
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
    </>
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
