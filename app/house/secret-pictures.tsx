import { Button } from 'antd';
import { SECRET_LENGTH, SECRET_PICTURES } from '../../core/handout/secret';
import styles from './secret-pictures.module.css';

/** Choosing pictures in an order: to sign in, or as a new secret. */
export function SecretPictures({
  chosen,
  onChange,
  children,
}: {
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
  children?: React.ReactNode;
}) {
  return (
    <>
      <input type="hidden" name="secret" value={chosen.join(' ')} />
      <div className={styles.pictures}>
        {SECRET_PICTURES.map((picture) => (
          <button
            key={picture}
            type="button"
            aria-label={picture}
            disabled={chosen.length === SECRET_LENGTH}
            onClick={() => onChange([...chosen, picture])}
          >
            <img src={`/art/pictures/flat/${picture}.svg`} alt="" width={56} height={56} />
          </button>
        ))}
      </div>
      <div className={styles.chosen} aria-live="polite">
        <span className="sr">
          {chosen.length} of {SECRET_LENGTH} chosen
        </span>
        {Array.from({ length: SECRET_LENGTH }, (_, i) => (
          <span key={i} className={styles.slot}>
            {chosen[i] && <img src={`/art/pictures/flat/${chosen[i]}.svg`} alt="" width={34} height={34} />}
          </span>
        ))}
        <Button onClick={() => onChange([])} disabled={chosen.length === 0}>
          Start over
        </Button>
        <span className={styles.next}>{children}</span>
      </div>
    </>
  );
}
