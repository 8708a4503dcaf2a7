import { noteWords } from './spoken';
import type { Pictures } from '../pictures/picture';
import { boxOf } from '../items/hit';
import type { Sheet } from '../schema/sheet';
import { find } from '../sheet/tree';
import { hundredths } from '../values/hundredths';
import type { Note } from './said';

/** Notes as an open format: the Web Annotation Data Model of the W3C (https://www.w3.org/TR/annotation-model/), as JSON-LD. */

export type AnnotatedPiece = {
  copyId: string;
  student: string;
  goId: string;
  sheet: Sheet;
  notes: readonly (Pick<Note, 'id' | 'pageId' | 'itemId' | 'x' | 'y' | 'body'> & { author: string; at: Date })[];
};

/** The place of a note: an area or a point of a page, in shares of the page as media fragments give them. */
function selectorOf(sheet: Sheet, { pageId, itemId, x, y }: AnnotatedPiece['notes'][number], pictures: Pictures) {
  const page = sheet.pages.find(({ id }) => id === pageId);
  if (!page) return null;
  const place = itemId === null ? undefined : find(sheet, itemId);
  const box =
    place?.page === page
      ? boxOf(page, place.item, pictures)
      : x !== null && y !== null
        ? { x, y, width: 0, height: 0 }
        : null;
  if (!box) return null;
  const share = (value: number, of: number) => hundredths((100 * value) / of);
  const area = [
    share(box.x, page.width),
    share(box.y, page.height),
    share(box.width, page.width),
    share(box.height, page.height),
  ];
  return {
    type: 'FragmentSelector',
    conformsTo: 'http://www.w3.org/TR/media-frags/',
    value: `xywh=percent:${area.join(',')}`,
  };
}

/**
 * All notes on the pieces of a handout.
 * @param base address of the school, without a slash at its end
 */
export function annotationsOf(
  { title, base }: { title: string; base: string },
  pieces: readonly AnnotatedPiece[],
  pictures: Pictures,
): object {
  const items = pieces.flatMap(({ copyId, student, goId, sheet, notes }) =>
    notes.map((note) => {
      const selector = selectorOf(sheet, note, pictures);
      const number = sheet.pages.findIndex(({ id }) => id === note.pageId);
      return {
        id: `${base}/notes/${note.id}`,
        type: 'Annotation',
        motivation: 'commenting',
        created: note.at.toISOString(),
        creator: { type: 'Person', name: note.author },
        audience: { type: 'schema:Person', 'schema:name': student },
        body: { type: 'TextualBody', value: noteWords(note), format: 'text/plain', purpose: 'commenting' },
        target: {
          source: `${base}/copies/${copyId}/picture.svg?go=${goId}&page=${Math.max(0, number)}`,
          ...(selector && { selector }),
        },
      };
    }),
  );
  return {
    '@context': 'http://www.w3.org/ns/anno.jsonld',
    type: 'AnnotationCollection',
    label: title,
    total: items.length,
    first: { type: 'AnnotationPage', startIndex: 0, items },
  };
}
