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
  const page = cover ?? { width: 612, height: 792, ground: '#ffffff' };
  const scale = Math.min(width / page.width, height / page.height);
  const [wide, high] = [Math.round(page.width * scale), Math.round(page.height * scale)];
  return (
    <img
      className="cover"
      src={src}
      alt=""
      loading="lazy"
      width={wide}
      height={high}
      style={{ aspectRatio: `${page.width} / ${page.height}`, background: page.ground }}
    />
  );
}
