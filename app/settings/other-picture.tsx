import type { PictureItem } from '../../core/schema/sheet';
import { replaceWith } from '../commands/replace';
import type { Editor } from '../document/editor';
import { PicturePick } from '../makers/kit/picture-pick';
import { usePictures } from '../pictures/picture-index';

/** Choosing the picture that another is replaced by: those beside it first. */
export function OtherPicture({ editor, items }: { editor: Editor; items: readonly PictureItem[] }) {
  const { entries } = usePictures();
  const group = entries.find(({ id }) => id === items[0].picture)?.group;
  return (
    <PicturePick
      label="Find another picture"
      chosen={items[0].picture}
      groups={group === undefined ? undefined : [group]}
      onChoose={({ id }) =>
        void replaceWith(
          editor,
          items.map((item) => item.id),
          id,
        )
      }
    />
  );
}
