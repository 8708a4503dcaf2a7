import { Mark } from './strip';
import styles from './front-sheet.module.css';

/** Sizes of the drawing, in pixels. */
const [WIDTH, HEIGHT] = [620, 560];
const BLANK = { x: 436, y: 262, width: 132, height: 40 };
/** Where the thread meets the card beside the sheet. */
const CARD = { x: WIDTH + 40, y: 92 };

/** Boxes with the words of parts, and the points that their lines lead to. */
const LABELS = [
  { word: 'crest', x: 44, y: 236, at: [240, 266] },
  { word: 'wing', x: 44, y: 372, at: [226, 372] },
  { word: 'leg', x: 436, y: 440, at: [237, 442] },
] as const;

/** What this is about, as a sheet and its margin: a label is missing, and light falls on it from the card that asks. */
export const FrontSheet = () => (
  <section className={styles.sheet}>
    <header className={styles.name}>
      <Mark size={46} />
      <h1>Dappled Margin</h1>
      <p>
        Make a sheet. Hand it out. Read what each one made of it, with everything you have to say beside the spot it is
        about.
      </p>
    </header>
    <svg className={styles.drawing} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width={WIDTH} height={HEIGHT} aria-hidden="true">
      <defs>
        <radialGradient id="front-light" cx={BLANK.x + 40} cy={BLANK.y - 6} r="250" gradientUnits="userSpaceOnUse">
          <stop offset="0.35" stopColor="var(--sun)" stopOpacity="0.75" />
          <stop offset="1" stopColor="var(--sun)" stopOpacity="0" />
        </radialGradient>
      </defs>
      <rect className={styles.shade} width={WIDTH} height={HEIGHT} />
      <rect width={WIDTH} height={HEIGHT} fill="url(#front-light)" />
      <image href="/art/pictures/diagram/heron.svg" x="104" y="206" width="297" height="340" />
      {LABELS.map(({ word, x, y, at: [toX, toY] }) => (
        <g key={word}>
          <path className={styles.leader} d={`M${toX} ${toY}L${x < 300 ? x + 100 : x} ${y + 17}`} />
          <circle className={styles.end} cx={toX} cy={toY} r="3.5" />
          <rect className={styles.box} x={x} y={y} width="100" height="34" rx="8" />
          <text className={styles.word} x={x + 50} y={y + 23}>
            {word}
          </text>
        </g>
      ))}
      <path className={styles.leader} d={`M352 255L${BLANK.x} ${BLANK.y + 20}`} />
      <circle className={styles.end} cx="352" cy="255" r="3.5" />
      <rect className={styles.blank} {...BLANK} rx="8" />
      <text className={styles.word} x={BLANK.x + BLANK.width / 2} y={BLANK.y + 26}>
        ?
      </text>
      <path
        className={styles.thread}
        d={`M${BLANK.x + BLANK.width} ${BLANK.y + 20}C${WIDTH + 14} ${BLANK.y + 20} ${WIDTH - 30} ${CARD.y} ${CARD.x} ${CARD.y}`}
      />
    </svg>
  </section>
);
