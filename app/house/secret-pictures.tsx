import { Button } from 'antd';
import { SECRET_LENGTH, SECRET_PICTURES } from '../../core/handout/secret';
import styles from './secret-pictures.module.css';

const source = (picture: string) => `/art/pictures/secret/${picture}.svg`;
/** At which places of the order a picture was chosen, from 1. */
const placesOf = (picture: string, chosen: readonly string[]) =>
  chosen.flatMap((one, i) => (one === picture ? [i + 1] : []));

type Props = { chosen: readonly string[]; onChange: (chosen: string[]) => void; children?: React.ReactNode };

/** Choosing pictures in an order: to sign in, or as a new secret. What is chosen is marked on its tile, too. */
export function SecretPictures({ chosen, onChange, children }: Props) {
  return (
    <>
      <input type="hidden" name="secret" value={chosen.join(' ')} />
      <div className={styles.chosen} aria-live="polite">
        <span className="sr">
          {chosen.length} of {SECRET_LENGTH} chosen
        </span>
        {Array.from({ length: SECRET_LENGTH }, (_, i) => (
          <span key={i} className={styles.slot} data-next={i === chosen.length || undefined}>
            {chosen[i] ? <img src={source(chosen[i])} alt="" width={56} height={56} /> : i + 1}
          </span>
        ))}
        <Button onClick={() => onChange([])} disabled={chosen.length === 0}>
          Start over
        </Button>
        <span className={styles.next}>{children}</span>
      </div>
      <div className={styles.pictures}>
        {SECRET_PICTURES.map((picture) => {
          const places = placesOf(picture, chosen);
          return (
            <button
              key={picture}
              type="button"
              aria-label={picture}
              data-chosen={places.length > 0 || undefined}
              disabled={chosen.length === SECRET_LENGTH}
              onClick={() => onChange([...chosen, picture])}
            >
              <img src={source(picture)} alt="" width={64} height={64} />
              {places.length > 0 && (
                <span className={styles.places} aria-hidden="true">
                  {places.map((place) => (
                    <b key={place}>{place}</b>
                  ))}
                </span>
              )}
            </button>
          );
        })}
      </div>
    </>
  );
}
