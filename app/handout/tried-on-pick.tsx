import { useZone, whenWords } from '../browser/time';
import { Choice } from '../fields/choice';
import type { HandOutDraft, HandOutView } from './draft';
import styles from './hand-out.module.css';

/** Chooses what look-fors are tried on: one's own sheet, the example, or what students made of the sheet before. */

type Props = { of: HandOutDraft; view: Pick<HandOutView, 'piecesBefore' | 'classes'> };

export function TriedOnPick({ of: { draft, tryOn }, view: { piecesBefore, classes } }: Props) {
  const zone = useZone();
  if (piecesBefore.length === 0 && draft.example === null) return null;
  const nameOf = (classId: string | null) => classes.find(({ id }) => id === classId)?.name ?? 'A class';
  return (
    <div className={`${styles.lookforLine} ${styles.triedOn}`}>
      <span className="quiet">Tried on</span>
      <Choice
        label="What look-fors are tried on"
        asIs
        value={tryOn.on}
        loading={tryOn.busy}
        showSearch={{ optionFilterProp: 'label' }}
        options={[
          { value: 'own', label: 'Your sheet, with its answers' },
          ...(draft.example === null ? [] : [{ value: 'example', label: 'The example' }]),
          ...piecesBefore.map(({ id, classId, at, pieces }) => ({
            label: `${nameOf(classId)}, ${whenWords(at, Date.now(), zone)}`,
            title: id,
            options: pieces.map((piece) => ({ value: piece.id, label: piece.name })),
          })),
        ]}
        onChange={tryOn.choose}
      />
      {tryOn.problem && <span role="alert">{tryOn.problem}</span>}
    </div>
  );
}
