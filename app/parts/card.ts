import styles from './card.module.css';

/** The look of a card, a piece of paper on the desk: for sections, links and forms. `own` are classes of its own. */
export const card = (own = '') => `${styles.card} ${own}`.trim();
