import de from 'naughty-words/de.json' with { type: 'json' };
import en from 'naughty-words/en.json' with { type: 'json' };
import es from 'naughty-words/es.json' with { type: 'json' };
import fr from 'naughty-words/fr.json' with { type: 'json' };

/** Words that must never come about by chance in a square of letters for children, in capitals. */

/** Beside those of the lists: what is no swear word, but nothing to be found in a worksheet either. */
const OURS = 'arse bum crap damn die drug fart git gun hate hell kill nazi pee piss poo slut sod turd wank'.split(' ');

/** Longer ones do not come about by chance. */
const SHORT = /^\p{L}{3,6}$/u;

export const NEVER: readonly string[] = [
  ...new Set(
    [...OURS, ...en, ...es, ...fr, ...de].filter((word) => SHORT.test(word)).map((word) => word.toUpperCase()),
  ),
];
