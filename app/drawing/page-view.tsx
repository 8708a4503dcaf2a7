import { Fragment, memo, useDeferredValue, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import type { Drawing } from '../../core/items/kind';
import { drawItem } from '../../core/items/draw';
import { drawLine } from '../../core/items/line';
import { paintOf } from '../../core/items/paint';
import { svgMarkup } from '../../core/drawing/svg';
import type { Box } from '../../core/geometry/matrix';
import { frameMatrix } from '../../core/geometry/frame';
import { lineEnds } from '../../core/placement/line';
import { bodyText } from '../../core/text/body';
import type { FramedItem, GroupItem, Item, Page, Sheet } from '../../core/schema/sheet';
import { isFramed, isWritten } from '../../core/schema/sheet';
import { everyItem } from '../../core/sheet/tree';
import type { Faces } from '../../core/text/faces';
import { arrivals, facesNow, imageUrl, loadMissing, onArrival, pictureNow, prepare } from './resources';

/** Draws a page from the display list, with the same outlines as on paper. Each item is drawn again only when it changes. */

/** The faces once everything the sheet needs is here; redraws as more arrives. */
export function useDrawing(sheet: Sheet): { faces: Faces | null; arrived: number } {
  const [faces, setFaces] = useState<Faces | null>(facesNow);
  useEffect(() => {
    let wanted = true;
    void prepare(sheet).then((ready) => wanted && setFaces(ready));
    return () => {
      wanted = false;
    };
    // Later additions are fetched as they are drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const arrived = useSyncExternalStore(onArrival, arrivals, () => 0);
  useEffect(() => {
    if (faces) loadMissing(faces);
  });
  return { faces, arrived };
}

const NOWHERE = { items: [] } as unknown as Page;
const hasLine = (item: Item): boolean => item.kind === 'line' || (item.kind === 'group' && item.items.some(hasLine));

/** Where a line runs, as text to compare. Empty for anything but lines. */
function endsOf(page: Page, item: Item): string {
  if (item.kind !== 'line') return '';
  const { from, to } = lineEnds(page, item, pictureNow);
  return `${from.x} ${from.y} ${to.x} ${to.y}`;
}

type ItemProps = {
  item: Item;
  roles: Sheet['roles'];
  faces: Faces;
  prompts: boolean;
  arrived: number;
  page: Page | null;
  ends: string;
  dim: boolean;
};

const ItemView = memo(function ItemView({ item, roles, faces, prompts, arrived, page, ends, dim }: ItemProps) {
  const html = useMemo(() => {
    const options = { prefix: item.id, marked: false, imageUrl };
    if (item.kind === 'line' && !item.hidden) {
      const [x1, y1, x2, y2] = ends.split(' ').map(Number);
      return svgMarkup(
        [
          {
            kind: 'group',
            opacity: item.opacity < 1 ? item.opacity : undefined,
            children: drawLine(item, { x: x1, y: y1 }, { x: x2, y: y2 }),
          },
        ],
        faces,
        options,
      );
    }
    const drawing: Drawing = {
      faces,
      pictures: pictureNow,
      roles,
      page: page ?? NOWHERE,
      prompts,
    };
    const node = drawItem(item, drawing);
    return node ? svgMarkup([node], faces, options) : '';
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [item, roles, faces, prompts, arrived, page, ends]);
  return <g data-item={item.id} className={dim ? 'dim' : undefined} dangerouslySetInnerHTML={{ __html: html }} />;
});

/** A group of more parts than this is drawn part by part: so only those that changed are drawn again. */
const MANY = 24;

/** The parts of a large group, each within the group's frame. */
const PartsView = memo(function PartsView({ item, roles, faces, prompts, arrived, page, dim }: ItemProps) {
  const group = item as GroupItem;
  const around = page ?? NOWHERE;
  return (
    <g data-item={item.id} className={dim ? 'dim' : undefined}>
      <g transform={`matrix(${frameMatrix(group).join(' ')})`} opacity={item.opacity < 1 ? item.opacity : undefined}>
        {group.items.toReversed().map((part) => (
          <ItemView
            key={part.id}
            item={part}
            roles={roles}
            faces={faces}
            prompts={prompts}
            arrived={part.kind === 'line' ? 0 : arrived}
            page={part.kind === 'group' && hasLine(part) ? page : null}
            ends={endsOf(around, part)}
            dim={false}
          />
        ))}
      </g>
    </g>
  );
});

const inParts = (item: Item): item is GroupItem =>
  item.kind === 'group' && !item.hidden && item.shadow === null && item.items.length > MANY;

/** The words and pictures of a page for screen readers, in reading order: the glyphs themselves are only outlines. */
const ReadAloud = memo(function ReadAloud({ page, beside }: { page: Page; beside: Beside | undefined }) {
  const said = everyItem({ ...page, items: page.items.filter(({ id }) => !beside?.has(id)) })
    .filter((item) => !item.hidden && isFramed(item) && item.kind !== 'group')
    .map((item) => ({ item: item as FramedItem, words: isWritten(item) ? bodyText(item.body).trim() : item.alt }))
    .filter(({ words }) => words !== '')
    .sort((a, b) => (Math.abs(a.item.y - b.item.y) > 10 ? a.item.y - b.item.y : a.item.x - b.item.x));
  return (
    <ul className="sr" aria-label="What stands on the page">
      {said.map(({ item, words }) => (
        <li key={item.id}>{words}</li>
      ))}
    </ul>
  );
});

/** What things beside a page are called and cover there, by their ids. */
export type Beside = ReadonlyMap<string, { name: string; box: Box }>;

type Props = {
  sheet: Pick<Sheet, 'roles'>;
  page: Page;
  faces: Faces;
  arrived: number;
  /** Pixels to a point. */
  scale: number;
  prompts?: boolean;
  /** Accessible name of the whole picture. */
  label: string;
  /** Items that are drawn faintly for now. */
  dimmed?: ReadonlySet<string>;
  /** What lies beside the page, which is shown on the desk then. */
  beside?: Beside;
  children?: ReactNode;
};

export const PageView = memo(function PageView({
  sheet,
  page,
  faces,
  arrived,
  scale,
  prompts = false,
  label,
  dimmed,
  beside,
  children,
}: Props) {
  const { width, height, background } = page;
  const heard = useDeferredValue(page);
  const ground = useMemo(
    () =>
      background
        ? svgMarkup(
            [{ kind: 'path', d: `M0 0H${width}V${height}H0Z`, fill: paintOf(background, width, height) }],
            faces,
            { prefix: `ground-${page.id}` },
          )
        : '',
    [background, width, height, faces, page.id],
  );
  const [onIt, offIt] = useMemo(() => {
    const back = page.items.toReversed();
    return [back.filter(({ id }) => !beside?.has(id)), back.filter(({ id }) => beside?.has(id))];
  }, [page, beside]);
  const drawn = (item: Item) => {
    const View = inParts(item) ? PartsView : ItemView;
    return (
      <View
        key={item.id}
        item={item}
        roles={sheet.roles}
        faces={faces}
        prompts={prompts}
        arrived={arrived}
        page={item.kind === 'group' && hasLine(item) ? page : null}
        ends={endsOf(page, item)}
        dim={dimmed?.has(item.id) ?? false}
      />
    );
  };
  return (
    <>
      <ReadAloud page={heard} beside={beside} />
      <svg
        className="page-view"
        width={width * scale}
        height={height * scale}
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={label}
      >
        <g dangerouslySetInnerHTML={{ __html: ground }} />
        {onIt.map(drawn)}
        {children}
      </svg>
      {offIt.length > 0 && (
        <svg
          className="beside-view"
          width={width * scale}
          height={height * scale}
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-label={`Beside the page: ${offIt
            .map(({ id }) => beside!.get(id)!.name)
            .toReversed()
            .join(', ')}`}
        >
          {offIt.map((item) => (
            <Fragment key={item.id}>
              {drawn(item)}
              <rect className="beside-place" {...beside!.get(item.id)!.box} />
            </Fragment>
          ))}
        </svg>
      )}
    </>
  );
});
