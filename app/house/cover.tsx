import { COLOURS } from '../theme/tokens';
import type { Cover } from '../../core/sheet/cover';
import './cover.css';

/** The picture of a sheet's first page: paper of the right size and colour stands there until it is drawn. */

type Props = {
  src: string;
  /** Not known for what was damaged before sizes were kept: an upright page. */
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
      className="cover"
      style={{ width: wide, aspectRatio: `${page.width} / ${page.height}`, background: page.ground }}
    >
      <img
        src={src}
        alt=""
        loading="lazy"
        width={wide}
        height={high}
        onLoad={(event) => (event.currentTarget.hidden = false)}
        // Where it can't be had, the paper stays.
        onError={(event) => (event.currentTarget.hidden = true)}
      />
    </span>
  );
}
