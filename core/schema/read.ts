import { Sheet, SHEET_VERSION } from './sheet';

/** Stored and sent documents, brought up to the current version. */

/** Steps from one version of the document to the next, by the version they start from. */
const UPGRADES: Record<number, (old: Record<string, unknown>) => Record<string, unknown>> = {
  // What version 2 added has defaults in the schema, so that changes logged before it can be read as well.
  1: (old) => ({ ...old, version: 2 }),
  // So has what version 3 added: makers, and lines led around things.
  2: (old) => ({ ...old, version: 3 }),
};

/** A stored or sent document that this program can't use; the message says what to do. */
export class SheetProblem extends Error {
  override name = 'SheetProblem';
}

/** Groups that lie deeper than this are taken apart on reading: a program before could lay them so deep that none could read them. */
const DEEPEST = 40;

/** A sheet whose groups lie at most so deep; what was in deeper ones stands in the last that is kept. Not recursive, on purpose. */
function flattened(data: Record<string, unknown>): Record<string, unknown> {
  type Raw = { kind?: unknown; items?: unknown };
  const partsOf = (raw: Raw | null): Raw[] | null => (raw && Array.isArray(raw.items) ? (raw.items as Raw[]) : null);
  const pages = Array.isArray(data.pages) ? (data.pages as Raw[]) : [];
  let level = pages.flatMap((page) => partsOf(page) ?? []);
  for (let depth = 1; depth < DEEPEST && level.length > 0; depth++) level = level.flatMap((raw) => partsOf(raw) ?? []);
  for (const deepest of level) {
    if (!partsOf(deepest)) continue;
    const kept: Raw[] = [];
    const left = [...partsOf(deepest)!];
    for (let raw = left.shift(); raw !== undefined; raw = left.shift()) {
      const inner = partsOf(raw);
      if (inner) left.unshift(...inner);
      else kept.push(raw);
    }
    deepest.items = kept;
  }
  return data;
}

/**
 * Reads a sheet from JSON, brought up to the current version.
 * @throws SheetProblem when it is none, or was made by a newer program.
 */
export function readSheet(json: unknown): Sheet {
  let data = json as Record<string, unknown>;
  if (!data || typeof data !== 'object' || typeof data.version !== 'number')
    throw new SheetProblem('This is not a sheet: it carries no version.');
  if (data.version > SHEET_VERSION)
    throw new SheetProblem('This sheet was made by a newer version of Dappled Margin. Update the program to open it.');
  while ((data.version as number) < SHEET_VERSION) {
    const step = UPGRADES[data.version as number];
    if (!step) throw new SheetProblem(`There is no way from sheet version ${data.version} to ${SHEET_VERSION}.`);
    data = step(data);
  }
  const read = Sheet.safeParse(flattened(data));
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new SheetProblem(`This sheet is damaged at ${issue.path.join('.') || 'its root'}: ${issue.message}.`);
  }
  return read.data;
}
