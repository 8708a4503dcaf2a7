import type { BasicColour } from '../../core/colour/main-colours';
import { BASIC_COLOURS, SHOWN_AS } from '../../core/colour/main-colours';
import { Choice } from '../fields/choice';
import { SearchLine } from '../fields/search-line';
import { sentence } from '../parts/sentence';
import type { Finding } from './finding';
import styles from './pictures.module.css';

const COLOURS = [
  { value: '' as const, label: 'any colour' },
  ...BASIC_COLOURS.map((colour) => ({
    value: colour,
    label: (
      <span className={styles.colourName}>
        <i style={{ background: SHOWN_AS[colour] }} />
        {sentence(colour)}
      </span>
    ),
  })),
];

type Props = {
  finding: Finding;
  /** What is found here, as in “Find a picture”. */
  label: string;
  /** They can be had as outlines. */
  asOutlines?: boolean;
};

/** A word, a colour, outlines: what narrows a search for pictures. */
export function FindingFields({ finding, label, asOutlines = false }: Props) {
  const { wanted, colour, outlines, setWanted, setColour, setOutlines } = finding;
  return (
    <div className={styles.findingFields}>
      <SearchLine label={label} wanted={wanted} onWanted={setWanted} />
      <Choice<BasicColour | ''>
        label="Colour of the pictures"
        virtual={false}
        width={108}
        value={colour ?? ''}
        options={COLOURS}
        onChange={(value) => setColour(value === '' ? null : value)}
      />
      {asOutlines && (
        <button
          type="button"
          className={styles.outlines}
          aria-pressed={outlines}
          title="Pictures as outlines, to be coloured in"
          onClick={() => setOutlines(!outlines)}
        >
          Outlines
        </button>
      )}
    </div>
  );
}

/** The groups to choose from; while a word is looked for, those that have something, with how much. */
export const FindingGroups = ({ finding: { group, groups, setGroup } }: { finding: Finding }) => (
  <div className={styles.groups}>
    {groups.map(({ id, count }) => (
      <button key={id} type="button" className={styles.group} aria-pressed={id === group} onClick={() => setGroup(id)}>
        {sentence(id)}
        {count !== null && <small> {count}</small>}
      </button>
    ))}
  </div>
);
