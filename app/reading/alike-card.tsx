import { Link } from 'react-router';
import { cutTo } from '../../core/values/characters';
import { howMany } from '../../core/values/listed';
import type { readingView } from '../../server/views/reading-view';
import { AlikeFrames } from '../parts/alike-frames';
import styles from './alike-card.module.css';

type Read = Awaited<ReturnType<typeof readingView>>;
type Props = { loaded: Pick<Read, 'copy' | 'handedOut'>; alike: Read['alike'][number] };

const LONGEST_SAMPLE = 110;

/** Another piece that this one is like: a question, with what both have. */
export default function AlikeCard({ loaded, alike }: Props) {
  const { id, goId, name, words, sample, things, of, theirs } = alike;
  const [page] = loaded.handedOut.pages;
  const to = `/handouts/${loaded.copy.handoutId}/reading/${id}`;
  return (
    <>
      <h3>Did they work together?</h3>
      {things > 0 && (
        <p>
          {things} of {howMany(of, 'thing')} are as in <Link to={to}>{name}’s piece</Link>.
        </p>
      )}
      {words > 0 && (
        <p>
          {words} words also stand in <Link to={to}>{name}’s piece</Link>: “{cutTo(sample, LONGEST_SAMPLE)}
          {sample.length > LONGEST_SAMPLE && ' …'}”
        </p>
      )}
      {theirs.length > 0 && (
        <Link to={to} className={styles.picture} style={{ aspectRatio: `${page.width} / ${page.height}` }}>
          <img src={`/copies/${id}/picture.svg?go=${goId}`} alt={`${name}’s piece`} />
          <AlikeFrames spots={theirs} page={page} />
        </Link>
      )}
    </>
  );
}
