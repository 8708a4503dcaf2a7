import { isWellFormed, wellFormed } from '../values/characters';

/** JSON from outside. */

/** What may hold text that no database takes: in JSON such units can only be written as escapes. */
const SUSPECT = /\\u(0000|d[89a-f])/i;
/** Nothing of ours is nested deeper, and deeper nesting could break recursion. */
const DEEPEST = 120;

export class JsonProblem extends Error {
  override name = 'JsonProblem';
}

/**
 * Reads JSON whose texts can all be stored: halves of characters and NUL become the sign for what can't be read; keys that
 * hold such go.
 * @throws JsonProblem when it is none, or lies too deep
 */
export function readJson(text: string): unknown {
  if (depthOf(text) > DEEPEST) throw new JsonProblem('it lies too deep');
  try {
    return JSON.parse(text, SUSPECT.test(text) ? cleaned : undefined) as unknown;
  } catch (error) {
    throw new JsonProblem((error as Error).message);
  }
}

function cleaned(_: string, value: unknown): unknown {
  if (typeof value === 'string') return wellFormed(value);
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  for (const key of Object.keys(value)) if (!isWellFormed(key)) delete (value as Record<string, unknown>)[key];
  return value;
}

/** How deep arrays and objects lie within each other. */
function depthOf(text: string): number {
  let [depth, most, quoted] = [0, 0, false];
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (quoted) {
      if (unit === 92) i++;
      else if (unit === 34) quoted = false;
    } else if (unit === 34) quoted = true;
    else if (unit === 123 || unit === 91) most = Math.max(most, ++depth);
    else if (unit === 125 || unit === 93) depth--;
  }
  return most;
}
