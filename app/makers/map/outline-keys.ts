import { cutTo } from '../../../core/values/characters';
import { readOutline } from '../../../core/makers/map/files';
import { branchEnd, OutlineProblem, rowMoved, rowsOf, shifted, withRows } from '../../../core/makers/map/outline';
import type { Row } from '../../../core/makers/map/outline';
import type { MapRecipe } from '../../../core/schema/recipes/map';
import { freeId, LONGEST_NODE, MOST_NODES } from '../../../core/schema/recipes/map';

/** What keys and pasted text do to the outline of a map. */

export type Press = {
  key: string;
  shift: boolean;
  alt: boolean;
  /** Ctrl, or the command key. */
  command: boolean;
  /** The caret's place in the line, in characters. */
  start: number;
  /** Whether nothing is selected. */
  collapsed: boolean;
};

/** What a key did: steps to undo or redo, where the caret is from now on, and the new lines. Empty when it is only kept off. */
export type Pressed = {
  undo?: 1 | -1;
  caret?: { id: string; at: number | 'end' };
  edit?: { name: string; rows: readonly Row[] };
};

/** What a key does in a line. Null for keys that the field itself takes. */
export function pressed(rows: readonly Row[], at: number, press: Press): Pressed | null {
  const { key, shift, alt, command, start, collapsed } = press;
  const arrow = key === 'ArrowUp' ? -1 : key === 'ArrowDown' ? 1 : 0;
  if (command && key.toLowerCase() === 'z') return { undo: shift ? -1 : 1 };
  if (command && key.toLowerCase() === 'y') return { undo: -1 };
  if (key === 'Enter') return newLine(rows, at, start);
  if (key === 'Tab') {
    const edit = { name: shift ? 'Line out' : 'Line in', rows: shifted(rows, at, shift ? -1 : 1) };
    return { caret: { id: rows[at].id, at: start }, edit };
  }
  if (key === 'Backspace' && collapsed && start === 0 && (at > 0 || rows[at].text === '') && rows.length > 1)
    return joined(rows, at);
  if (key === 'Delete' && command) return withoutBranch(rows, at);
  if (arrow && alt) return movedBy(rows, at, arrow, start);
  if (arrow) return rows[at + arrow] ? { caret: { id: rows[at + arrow].id, at: start } } : {};
  return null;
}

/** Breaks a line at the caret. The line after a parent becomes its first child. */
function newLine(rows: readonly Row[], at: number, start: number): Pressed {
  const row = rows[at];
  const id = freeId(rows.map((one) => one.id));
  const [left, right] = [row.text.slice(0, start), row.text.slice(start)];
  const deeper = branchEnd(rows, at) > at + 1 && right === '';
  const fresh = { id, text: right, depth: row.depth + (deeper ? 1 : 0) };
  return {
    caret: { id, at: 0 },
    edit: { name: 'New line', rows: rows.toSpliced(at, 1, { ...row, text: left }, fresh) },
  };
}

/** Joins a line with the one above it. An empty first line goes. */
function joined(rows: readonly Row[], at: number): Pressed {
  const { text } = rows[at];
  const rest = rows.toSpliced(at, 1);
  if (at === 0) return { caret: { id: rest[0].id, at: 0 }, edit: { name: 'Join lines', rows: rest } };
  const before = rows[at - 1];
  const whole = { ...before, text: cutTo(before.text + text, LONGEST_NODE) };
  return {
    caret: { id: before.id, at: before.text.length },
    edit: { name: 'Join lines', rows: rest.with(at - 1, whole) },
  };
}

function withoutBranch(rows: readonly Row[], at: number): Pressed {
  const rest = rows.toSpliced(at, branchEnd(rows, at) - at);
  if (rest.length === 0) return {};
  return {
    caret: { id: (rest[at] ?? rest[at - 1]).id, at: 'end' },
    edit: { name: 'Remove branch', rows: rest },
  };
}

/** Moves a line and what is under it past the line before or after. */
function movedBy(rows: readonly Row[], at: number, by: 1 | -1, start: number): Pressed {
  const end = branchEnd(rows, at);
  const target = by === -1 ? at - 1 : end < rows.length ? end + 1 : -1;
  if (target < 0) return {};
  return {
    caret: { id: rows[at].id, at: start },
    edit: { name: 'Move line', rows: rowMoved(rows, at, target, rows[at].depth) },
  };
}

/** Pasted lines go after the line they were pasted into, or replace it if it is empty. */
export function pasted(
  recipe: MapRecipe,
  rows: readonly Row[],
  at: number,
  inPlace: boolean,
  text: string,
  onProblem: (words: string) => void,
): { recipe: MapRecipe; last: string } | null {
  try {
    const read = readOutline(
      text,
      recipe.nodes.map(({ id }) => id),
    );
    const { depth } = rows[at];
    const fresh = rowsOf(read.nodes).map((row) => ({ ...row, depth: row.depth + depth }));
    const next = [...rows.slice(0, inPlace ? at : at + 1), ...fresh, ...rows.slice(at + 1)];
    if (next.length > MOST_NODES) {
      onProblem(
        `With these ${fresh.length} lines the map would hold ${next.length}; it can hold ${MOST_NODES}. Paste a part of them.`,
      );
      return null;
    }
    const links = new Map(read.nodes.map((node) => [node.id, node.link]));
    const whole = withRows(recipe, next);
    const across = read.links.map((link, i) => ({ ...link, id: `${link.id}p${i}`.slice(0, 16) }));
    return {
      recipe: {
        ...whole,
        nodes: whole.nodes.map((node) => ({ ...node, link: links.get(node.id) ?? node.link })),
        links: [...whole.links, ...across].slice(0, MOST_NODES),
      },
      last: fresh[fresh.length - 1].id,
    };
  } catch (problem) {
    if (!(problem instanceof OutlineProblem)) throw problem;
    onProblem(problem.message);
    return null;
  }
}
