import { creditLine } from '../../core/proof/credits';
import { text } from '../../core/schema/defaults';
import type { Editor } from '../document/editor';
import { add, newId } from './steps';

/** How high a credit line is, in points: two rows of small words. */
const HIGH = 22;

/** Puts a line at the foot of the page that says where its pictures are from, and goes on doing so. */
export function placeCreditLine(editor: Editor): void {
  const { page, sheet } = editor;
  const item = text({
    id: newId(),
    role: 'caption' in sheet.roles ? 'caption' : 'body',
    touch: 'fixed',
    follows: 'credits',
    fit: 'shrink',
    least: 4,
    vertical: 'bottom',
    x: page.margin,
    y: page.height - page.margin - HIGH,
    width: Math.max(72, page.width - 2 * page.margin),
    height: HIGH,
    body: [{ format: {}, runs: [{ text: creditLine(page), style: { size: 8 } }] }],
  });
  add(editor, 'Add credit line', [item], [item.id], null);
}
