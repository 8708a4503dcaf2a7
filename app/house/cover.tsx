import { COLOURS } from '../theme/tokens';
import type { Cover } from '../../core/sheet/cover';
import styles from './cover.module.css';

/** The picture of a sheet's first page. Until it is drawn, paper of the right size and colour stands in its place. */

type Props = {
  src: string;
  /** Unknown for sheets damaged before sizes were stored: a portrait page. */
  cover: Cover | null;
  /** The room it has, in pixels. */
  width: number;
  height: number;
};

export function CoverPicture({ src, cover, width, height }: Props) {
  const page = cover ?? { width: 612, height: 792, ground: COLOURS.white };
  const scale = Math.min(width / page.width, height / page.height);
  const [wide, high] = [Math.round(page.width * scale), Math.round(page.height * scale)];
  return (
    <span
      className={styles.cover}
      style={{ width: wide, aspectRatio: `${page.width} / ${page.height}`, background: page.ground }}
    >
      <img
        src={src}
        alt=""
        loading="lazy"
        width={wide}
        height={high}
        onLoad={(event) => (event.currentTarget.hidden = false)}
        // If it can't be loaded the paper stays.
        onError={(event) => (event.currentTarget.hidden = true)}
      />
    </span>
  );
}
