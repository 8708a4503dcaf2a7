import * as hb from 'harfbuzzjs';
import { fontBytes, openFaces } from '../server/art/shipped';
import { plain } from '../core/schema/defaults';
import { defaultRoles } from '../core/schema/defaults';
import { layOut } from '../core/text/fit';
import { figure, inTurn, wordsOf } from './measure';

/** Shaping and breaking 10,000 words against HarfBuzz alone. */
export async function run() {
  const words = wordsOf(10_000);
  const paragraphs = Array.from({ length: 100 }, (_, i) => words.slice(i * 100, i * 100 + 100).join(' '));
  const file = 'Andika_400Regular.ttf';
  const font = new hb.Font(new hb.Face(new hb.Blob(fontBytes(file))));
  const buffer = new hb.Buffer();
  const alone = (list: readonly string[] = paragraphs) => {
    for (const text of list) {
      buffer.reset();
      buffer.addText(text);
      buffer.setDirection(hb.Direction.LTR);
      buffer.guessSegmentProperties();
      hb.shape(font, buffer);
      buffer.getGlyphInfos();
      buffer.getGlyphPositions();
    }
  };
  // A salt keeps our cache from answering: the words are new each time.
  let salt = 0;
  const faces = await openFaces();
  const fresh = () => {
    salt++;
    return paragraphs.map((text) => `${salt} ${text}`);
  };
  const [shape, bare] = await inTurn(
    9,
    () => fresh().forEach((text) => faces.shape(file, text)),
    () => alone(),
  );
  const body = defaultRoles().body;
  const box = { width: 400, height: 100_000, padding: 4, vertical: 'top' as const, fit: 'keep' as const };
  const [lay, again] = await inTurn(
    9,
    () => layOut(plain(fresh().join('\n')), body, box, faces),
    () => alone(),
  );
  // None of these words has been seen before: each has letters of its own put into it. Both sides get the same.
  let round = 0;
  const unseen = () => {
    const letters = (n: number) => n.toString(26).replace(/./g, (c) => String.fromCharCode(97 + parseInt(c, 26)));
    round++;
    return paragraphs.map((text, p) =>
      text
        .split(' ')
        .map((word, i) => `${word.slice(0, 2)}${letters((round * 100 + p) * 100 + i)}${word.slice(2)}`)
        .join(' '),
    );
  };
  const [first, firstBare] = await inTurn(
    9,
    () => layOut(plain(unseen().join('\n')), body, box, faces),
    () => alone(unseen()),
  );
  return [
    figure('shaping 10,000 words, against HarfBuzz alone', shape, bare, 1.5),
    figure('the same broken into lines and placed', lay, again, 4),
    figure('10,000 words never seen before, shaped, broken and placed, against shaping', first, firstBare, 6),
  ];
}
