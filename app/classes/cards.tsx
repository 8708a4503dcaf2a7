import { Button } from 'antd';
import { card } from '../parts/card';
import styles from './cards.module.css';

export type Carded = { name: string; pictures: string[]; code: string };

/** Cards to print, with pictures that are good for one sign-in. They are shown this once. */
export function Cards({ cards }: { cards: readonly Carded[] }) {
  return (
    <section className={card(styles.made)} aria-label="Cards to print">
      <header>
        <h2>{cards.length === 1 ? 'A card to print' : `${cards.length} cards to print`}</h2>
        <span className="quiet">Each is good for one sign-in, and is shown this once.</span>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      <ul className={styles.sheet}>
        {cards.map(({ name, pictures, code }) => (
          <li key={name}>
            <strong>{name}</strong>
            <span>
              Class code <b>{code}</b>
            </span>
            <span className={styles.pictures} aria-label={pictures.join(', ')}>
              {pictures.map((picture, i) => (
                <img key={i} src={`/art/pictures/secret/${picture}.svg`} alt={picture} width={44} height={44} />
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
