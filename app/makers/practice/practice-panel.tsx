import { beginPractice, PRACTICES, tell } from '../../../core/makers/practice/begin';
import type { PracticeRecipe, PracticeType } from '../../../core/schema/recipes/practice';
import { Swatches } from '../../colour/swatches';
import { Toggle } from '../../fields/toggle';
import { More, Row } from '../../parts/row';
import { useMade } from '../kit/made';
import type { PanelProps } from '../kit/parts';
import { FaceAndSize, Notes, TitleField } from '../kit/parts';
import type { Values } from './practice-field';
import { PracticeField } from './practice-field';
import { FIELDS } from './practice-fields';
import { makeVersions } from '../kit/versions';
import { Choice } from '../../fields/choice';
import { Check } from '../../fields/check';
import styles from './practice.module.css';
import kitStyles from '../kit/kit.module.css';

/** A practice sheet's margin card: what is practised, how hard it is, and other versions of it. */

export function PracticePanel({ editor, group, sheet }: PanelProps) {
  const { recipe, seed, notes, edit, reseed } = useMade(editor, group, 'practice');
  const put = (name: string, values: Values, keep: 'soon' | 'now' = 'now') =>
    edit(name, { ...recipe, ...values } as PracticeRecipe, keep);
  return (
    <div className="practice-panel">
      <Choice
        row="kind"
        label="What is practised"
        value={recipe.type}
        options={Object.entries(PRACTICES).map(([value, { name }]) => ({
          value: value as PracticeType,
          label: name,
        }))}
        onChange={(type) => {
          const { nameLine, face, size, ink, tint } = recipe;
          edit('Another practice', {
            ...beginPractice(type, sheet.palette),
            nameLine,
            face,
            size,
            ink,
            tint,
          } as PracticeRecipe);
        }}
      />
      <p className={styles.practiceTells}>{tell(recipe)}</p>
      <Notes {...{ notes, editor, group }} />
      {FIELDS[recipe.type].map((field) => (
        <PracticeField
          key={`${recipe.type} ${field.key}`}
          field={field}
          recipe={recipe as unknown as Values}
          put={put}
        />
      ))}
      <div className={kitStyles.files}>
        <Toggle
          label="The same practice with other numbers, words or places"
          onClick={() => reseed('Another version', seed + 1)}
        >
          another version
        </Toggle>
        <Toggle label="29 pages more, each a version of its own" onClick={() => makeVersions(editor, group.id, 30)}>
          30 versions
        </Toggle>
      </div>
      <More title="Title and words">
        <TitleField title={recipe.title} onChange={put} />
        <Row label="task">
          <input
            className={kitStyles.text}
            aria-label="Instruction"
            value={recipe.instruction}
            maxLength={300}
            onChange={(event) => put('Instruction', { instruction: event.target.value }, 'soon')}
          />
        </Row>
        <Check checked={recipe.nameLine} onChange={(on) => put('Name line', { nameLine: on })}>
          A line for the name
        </Check>
        <FaceAndSize face={recipe.face} size={recipe.size} early onChange={put} />
        <Swatches
          label="words"
          value={recipe.ink}
          palette={sheet.palette}
          onChange={(ink) => ink && put('Colour', { ink })}
        />
        <Swatches
          label="tint"
          value={recipe.tint}
          palette={sheet.palette}
          onChange={(tint) => tint && put('Tint', { tint })}
        />
      </More>
    </div>
  );
}
