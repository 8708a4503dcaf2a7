import type { LabelsRecipe, Spot } from '../../../core/schema/recipes/labels';
import { Toggle } from '../../fields/toggle';
import { Sign } from '../../parts/sign';
import { listed } from '../../../core/values/listed';
import styles from '../kit/kit.module.css';

/** The spots of a labelled diagram, with what each is called. */

type Props = {
  recipe: LabelsRecipe;
  /** The spot whose label is selected on the sheet. */
  current: string | null;
  onSet: (id: string, values: Partial<Spot>, keep?: 'soon') => void;
  onPoint: (id: string) => void;
  onRemove: (id: string) => void;
};

export const SpotList = ({ recipe, current, ...on }: Props) => (
  <ul className={styles.spotList} aria-label="Spots">
    {recipe.spots.map((spot, i) => (
      <SpotRow
        key={spot.id}
        {...on}
        spot={spot}
        number={i + 1}
        isCurrent={spot.id === current}
        lines={recipe.form === 'traits' ? recipe.lines : null}
      />
    ))}
  </ul>
);

type RowProps = Omit<Props, 'recipe' | 'current'> & {
  spot: Spot;
  number: number;
  isCurrent: boolean;
  /** What the two lines of a call-out hold. Null for labels of a word. */
  lines: LabelsRecipe['lines'] | null;
};

function SpotRow({ spot, number, isCurrent, lines, onSet, onPoint, onRemove }: RowProps) {
  return (
    <li className={isCurrent ? 'current' : undefined}>
      <input
        className={styles.text}
        value={spot.words}
        maxLength={200}
        placeholder="What is it called?"
        aria-label={`Spot ${number}`}
        onChange={(event) => onSet(spot.id, { words: event.target.value }, 'soon')}
      />
      <Toggle label="Point it at another place on the picture" onClick={() => onPoint(spot.id)}>
        <Sign of="target" />
      </Toggle>
      <Toggle label={`Remove “${spot.words || 'this spot'}”`} onClick={() => onRemove(spot.id)}>
        <Sign of="remove" />
      </Toggle>
      {lines &&
        (['definition', 'reason'] as const).map((field, i) => (
          <input
            key={field}
            className={`${styles.text} wide`}
            value={spot[field]}
            maxLength={400}
            placeholder={lines[i].name.toLowerCase()}
            aria-label={`${lines[i].name}, of spot ${number}`}
            onChange={(event) => onSet(spot.id, { [field]: event.target.value }, 'soon')}
          />
        ))}
      {!lines && isCurrent && (
        <input
          className={`${styles.text} wide`}
          defaultValue={spot.also.join(', ')}
          placeholder="Other right words, with commas"
          aria-label={`Other right words of spot ${number}`}
          onBlur={(event) => onSet(spot.id, { also: listed(event.target.value, 19, 200) })}
        />
      )}
    </li>
  );
}
