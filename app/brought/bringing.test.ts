import { beforeEach, describe, expect, test, vi } from 'vitest';
import { apply } from '../../core/changes/change';
import { refusal } from '../../core/handout/permission';
import { page, shape, sheet } from '../../core/schema/defaults';
import { Editor } from '../document/editor';
import { Bringing, bringingOf, pageFor, turnBrought } from './bringing';

/** Files on their way to a copy, with the server's part played here. */

const start = sheet({ title: 'S', pages: [page({ id: 'p', width: 600, height: 800, items: [shape({ id: 's' })] })] });
const editorOf = (supplies: 'page'[]) =>
  new Editor({
    documentId: 'd',
    personId: 'a',
    seq: 0,
    sheet: start,
    savedAt: 0,
    rights: { kind: 'student', supplies, copyId: 'c' },
  });
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const photo = (name = 'heron.png') => new File([new Uint8Array(PNG)], name);
const picture = { id: `own/${'a'.repeat(32)}`, name: 'heron', width: 400, height: 300 };
let answers: (() => Response)[];
let sent: URL[];
beforeEach(() => {
  answers = [];
  sent = [];
  vi.stubGlobal('fetch', async (url: string) => {
    sent.push(new URL(url, 'http://school'));
    const answer = answers.shift();
    if (!answer) throw new TypeError('no network');
    return answer();
  });
});

describe('a photo', () => {
  test('becomes a page behind the others, as long as the sheet is', async () => {
    const editor = editorOf(['page']);
    answers = [() => Response.json({ picture })];
    await bringingOf(editor)!.add([photo()]);
    expect(editor.sheet.pages).toHaveLength(2);
    expect(editor.page).toMatchObject({ width: 800, height: 600, brought: { name: 'heron.png', number: 1, of: 1 } });
    expect(sent[0].pathname + sent[0].search).toMatch(/^\/copies\/c\/files\?file=[\w-]{12}&name=heron.png$/);
  });
  test('that did not come is sent under the same name when it is tried again', async () => {
    const bringing = new Bringing(editorOf(['page']), 'c');
    await bringing.add([photo()]);
    const [trouble] = bringing.troubles;
    expect(trouble.words).toBe('“heron.png” was not added. The school’s server can’t be reached just now.');
    answers = [() => Response.json({ picture })];
    bringing.again(trouble);
    await vi.waitFor(() => expect(bringing.now).toBeNull());
    expect(bringing.troubles).toEqual([]);
    expect(sent[1].search).toBe(sent[0].search);
  });
  test.each<[string, File, (() => Response) | null, RegExp, boolean]>([
    ['what is no picture', new File(['words'], 'a.docx'), null, /“a.docx” can’t be shown as pages/, false],
    [
      'what the server says',
      photo(),
      () => Response.json({ message: 'It is damaged.' }, { status: 422 }),
      /damaged/,
      false,
    ],
    ['a server that failed', photo(), () => new Response('', { status: 502 }), /can’t be reached/, true],
  ])('%s is told', async (_, file, answer, words, again) => {
    const bringing = new Bringing(editorOf(['page']), 'c');
    if (answer) answers = [answer];
    await bringing.add([file]);
    expect(bringing.troubles.map((one) => [one.words, one.job !== null])).toEqual([
      [expect.stringMatching(words), again],
    ]);
  });
  test('comes to no copy where that is not opened', () => expect(bringingOf(editorOf([]))).toBeNull());
});

test('a page is turned four times and is as it was; the student may', () => {
  const editor = editorOf(['page']);
  const made = pageFor(picture, start.pages[0], { file: 'f', name: 'heron.png', number: 1, of: 1 });
  editor.make('Add', { kind: 'page-insert', behind: 'p', page: made });
  for (let turns = 1; turns <= 4; turns++) {
    turnBrought(editor, editor.sheet.pages[1]);
    const [width, height] = turns % 2 ? [600, 800] : [800, 600];
    expect(editor.sheet.pages[1]).toMatchObject({ width, height, items: [{ angle: (turns * 90) % 360 }] });
  }
  expect(editor.sheet.pages[1]).toEqual(made);
});

test('whatever its sides are, the page can be added', () => {
  for (const [width, height] of [
    [8, 240],
    [2400, 80],
    [1, 1],
  ]) {
    const made = pageFor({ ...picture, width, height }, start.pages[0], { file: 'f', name: 'x', number: 1, of: 1 });
    const change = { kind: 'page-insert' as const, behind: 'p', page: made };
    expect(refusal(start, change, ['page'])).toBeNull();
    expect(apply(start, change).ok).toBe(true);
  }
});
