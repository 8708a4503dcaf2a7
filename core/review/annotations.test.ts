import { expect, test } from 'vitest';
import { sampleSheet } from '../../tests/support/sheets';
import { annotationsOf } from './annotations';

const at = new Date('2026-11-03T14:05:00Z');
const note = (id: string, more: object) => ({
  id,
  pageId: 'p1',
  itemId: null,
  x: null,
  y: null,
  body: `about ${id}`,
  author: 'Maren Oduya',
  at,
  ...more,
});
const items = (notes: ReturnType<typeof note>[]) => {
  const piece = { copyId: 'c1', student: 'Ada', goId: 'g1', sheet: sampleSheet(), notes };
  const all = annotationsOf({ title: 'Heron', base: 'http://school' }, [piece], () => undefined);
  return (all as { first: { items: { target: { source: string; selector?: { value: string } } }[] } }).first.items;
};

test('a note is an annotation with its place on the page', () => {
  const [thing, spot, gone, nowhere] = items([
    note('a', { itemId: 'words' }),
    note('b', { x: 396, y: 153 }),
    note('c', { itemId: 'no longer', x: 79.2, y: 61.2 }),
    note('d', { pageId: 'no longer', x: 5, y: 5 }),
  ]);
  expect(thing).toEqual({
    id: 'http://school/notes/a',
    type: 'Annotation',
    motivation: 'commenting',
    created: '2026-11-03T14:05:00.000Z',
    creator: { type: 'Person', name: 'Maren Oduya' },
    audience: { type: 'schema:Person', 'schema:name': 'Ada' },
    body: { type: 'TextualBody', value: 'about a', format: 'text/plain', purpose: 'commenting' },
    target: {
      source: 'http://school/copies/c1/picture.svg?go=g1&page=0',
      selector: {
        type: 'FragmentSelector',
        conformsTo: 'http://www.w3.org/TR/media-frags/',
        value: 'xywh=percent:7.58,49.02,25.25,19.61',
      },
    },
  });
  expect(spot.target.selector?.value).toBe('xywh=percent:50,25,0,0');
  expect(gone.target.selector?.value).toBe('xywh=percent:10,10,0,0');
  expect(nowhere.target.selector).toBeUndefined();
});

test('the collection says how many there are, and is in the context of the standard', () => {
  const piece = { copyId: 'c1', student: 'Ada', goId: 'g1', sheet: sampleSheet(), notes: [note('a', {})] };
  expect(annotationsOf({ title: 'Heron', base: '' }, [piece, { ...piece, notes: [] }], () => undefined)).toMatchObject({
    '@context': 'http://www.w3.org/ns/anno.jsonld',
    type: 'AnnotationCollection',
    label: 'Heron',
    total: 1,
  });
});
