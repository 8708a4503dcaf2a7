import type { GivenCell, GivenRow } from '../../../core/makers/table/edit';
import { BLOCKS, DEEPEST, UNSEEN } from '../../commands/paste';

/** Tables from other programs: their cells, with line breaks and joined cells. Only read, never put into the page. */

const LINES = new Set([...BLOCKS, 'TABLE', 'UL', 'OL']);

/** The words in an element, a line for each block and break. */
function wordsIn(element: Element): string {
  let out = '';
  const walk = (node: Node, depth: number): void => {
    if (depth > DEEPEST) return;
    if (node.nodeType === Node.TEXT_NODE) {
      out += (node.textContent ?? '').replace(/[ \t\r\n\u00a0]+/g, ' ');
      return;
    }
    if (!(node instanceof Element) || UNSEEN.has(node.tagName.toUpperCase())) return;
    if (node.tagName === 'BR') out += '\n';
    const line = () => {
      if (LINES.has(node.tagName) && out.trimEnd() !== '' && !out.endsWith('\n')) out += '\n';
    };
    line();
    for (const child of node.childNodes) walk(child, depth + 1);
    line();
  };
  for (const child of element.childNodes) walk(child, 0);
  return out
    .split('\n')
    .map((line) => line.replace(/ +/g, ' ').trim())
    .filter((line, i, lines) => line !== '' || (i > 0 && lines[i - 1] !== ''))
    .join('\n')
    .trim();
}

/** The table in a piece of HTML. Null if there is anything else in it. */
export function tableFromHtml(html: string): GivenRow[] | null {
  const { body } = new DOMParser().parseFromString(html, 'text/html');
  const tables = [...body.querySelectorAll('table')].filter((table) => !table.parentElement?.closest('table'));
  if (tables.length !== 1) return null;
  const [table] = tables;
  const rows = [...table.rows].map((row, r) =>
    [...row.cells].map((cell): GivenCell => ({
      words: wordsIn(cell),
      across: Math.max(1, cell.colSpan),
      // None means all the way down.
      down: cell.rowSpan === 0 ? table.rows.length - r : cell.rowSpan,
    })),
  );
  table.remove();
  if (wordsIn(body) !== '') return null;
  const cells = rows.flat();
  return cells.length > 1 && cells.some(({ words }) => words !== '') ? rows : null;
}
