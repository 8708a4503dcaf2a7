import styles from '../out/out.module.css';
import type { LettersData, Receiver } from './letters';
import { canGet, isUnderWay, lettersTo } from './letters';

type Props = {
  receivers: readonly Receiver[];
  letters: LettersData['letters'];
  picked: readonly Receiver[];
  shown: Receiver;
  onOut: (out: ReadonlySet<string>) => void;
  onLook: (studentId: string) => void;
};

/** Whose families are written to, and whose letter is looked at. */
export function Families({ receivers, letters, picked, shown, onOut, onLook }: Props) {
  const could = receivers.filter((one) => canGet(one, letters));
  const isPicked = ({ studentId }: Receiver) => picked.some((one) => one.studentId === studentId);
  const leaveOut = (those: readonly Receiver[]) => onOut(new Set(those.map(({ studentId }) => studentId)));
  return (
    <nav className={styles.pieces} aria-label="Families">
      <label className={styles.all}>
        <input
          type="checkbox"
          checked={could.length > 0 && picked.length === could.length}
          disabled={could.length === 0}
          ref={(box) => {
            if (box) box.indeterminate = picked.length > 0 && picked.length < could.length;
          }}
          onChange={(event) => leaveOut(event.target.checked ? [] : receivers)}
        />
        <b>All that can get one</b>
      </label>
      <ul>
        {receivers.map((receiver) => (
          <li key={receiver.studentId} className={shown.studentId === receiver.studentId ? styles.looked : undefined}>
            <input
              type="checkbox"
              aria-label={`Write to the family of ${receiver.student}`}
              checked={isPicked(receiver)}
              disabled={!canGet(receiver, letters)}
              onChange={(event) =>
                leaveOut(receivers.filter((one) => (one === receiver ? !event.target.checked : !isPicked(one))))
              }
            />
            <button
              type="button"
              aria-pressed={shown.studentId === receiver.studentId}
              onClick={() => onLook(receiver.studentId)}
            >
              <span>{receiver.student}</span>
              <small className="quiet">{stateWords(receiver, letters)}</small>
            </button>
          </li>
        ))}
      </ul>
    </nav>
  );
}

function stateWords(receiver: Receiver, letters: LettersData['letters']): string {
  const those = lettersTo(receiver, letters);
  if (those.some(isUnderWay)) return 'on its way';
  if (those.some(({ problem }) => problem !== null)) return 'not sent';
  if (receiver.addresses.length === 0) return 'no address';
  return those.length > 0 && !canGet(receiver, letters) ? 'sent' : '';
}
