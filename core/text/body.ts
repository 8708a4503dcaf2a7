import type { TextBody, Paragraph, ParagraphFormat, Run, RunStyle } from '../schema/sheet';

/**
 * The words of a box. Positions are flat: UTF-16 units, with one unit for the break between two paragraphs.
 * A fragment is a TextBody as well; its breaks are the gaps between its paragraphs.
 */

export const runLength = (runs: readonly Run[]) => runs.reduce((sum, run) => sum + run.text.length, 0);
export const bodyLength = (body: TextBody) => body.reduce((sum, p) => sum + runLength(p.runs), body.length - 1);
export const bodyText = (body: TextBody) => body.map((p) => p.runs.map((run) => run.text).join('')).join('\n');
export const isEmpty = (body: TextBody) => body.every((p) => p.runs.every((run) => run.text.trim() === ''));

const sameStyle = (a: RunStyle, b: RunStyle) => {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof RunStyle>;
  for (const key of keys) if (a[key] !== b[key]) return false;
  return true;
};

/** Neighbouring runs of one style become one; empty runs go. */
export function tidyRuns(runs: readonly Run[]): Run[] {
  const out: Run[] = [];
  for (const run of runs) {
    if (!run.text) continue;
    const last = out[out.length - 1];
    if (last && sameStyle(last.style, run.style)) out[out.length - 1] = { ...last, text: last.text + run.text };
    else out.push(run);
  }
  return out;
}

function sliceRuns(runs: readonly Run[], from: number, to: number): Run[] {
  const out: Run[] = [];
  let at = 0;
  for (const run of runs) {
    const start = Math.max(from, at);
    const end = Math.min(to, at + run.text.length);
    if (start < end) out.push({ ...run, text: run.text.slice(start - at, end - at) });
    at += run.text.length;
  }
  return out;
}

/** The paragraph that holds a flat position, and the offset within it. */
export function locate(body: TextBody, position: number): { paragraph: number; offset: number } {
  let left = position;
  for (let i = 0; i < body.length; i++) {
    const length = runLength(body[i].runs);
    if (left <= length) return { paragraph: i, offset: left };
    left -= length + 1;
  }
  const last = body.length - 1;
  return { paragraph: last, offset: runLength(body[last].runs) };
}

/** The style that words typed at a position take: that of the letter before it. */
export function styleAt(body: TextBody, position: number): RunStyle {
  const { paragraph, offset } = locate(body, position);
  let at = 0;
  for (const run of body[paragraph].runs) {
    at += run.text.length;
    if (offset <= at) return run.style;
  }
  return body[paragraph].runs.at(-1)?.style ?? {};
}

/** Whether a flat position lies in the middle of a character of two units, such as an emoji. */
export function isWithinCharacter(body: TextBody, position: number): boolean {
  const { paragraph, offset } = locate(body, position);
  let at = 0;
  for (const { text } of body[paragraph].runs) {
    const i = offset - at;
    if (i > 0 && i < text.length) return isHigh(text.charCodeAt(i - 1)) && isLow(text.charCodeAt(i));
    at += text.length;
  }
  return false;
}
const isHigh = (unit: number) => unit >= 0xd800 && unit <= 0xdbff;
const isLow = (unit: number) => unit >= 0xdc00 && unit <= 0xdfff;

/** The flat position at which a paragraph begins. */
export function paragraphStart(body: TextBody, paragraph: number): number {
  let at = 0;
  for (let i = 0; i < paragraph; i++) at += runLength(body[i].runs) + 1;
  return at;
}

/** The stretch [from, to) as a fragment: its first and last paragraph may be parts of one. */
export function sliceBody(body: TextBody, from: number, to: number): TextBody {
  const start = locate(body, from);
  const end = locate(body, to);
  const out: Paragraph[] = [];
  for (let i = start.paragraph; i <= end.paragraph; i++) {
    const { format, runs } = body[i];
    const first = i === start.paragraph ? start.offset : 0;
    const last = i === end.paragraph ? end.offset : runLength(runs);
    out.push({ format, runs: tidyRuns(sliceRuns(runs, first, last)) });
  }
  return out;
}

/**
 * Replaces [at, at + remove) by a fragment. With a fragment of one paragraph the surroundings join and keep the format of
 * the first; with more, the rest of the broken paragraph takes the format of the fragment's last. So a splice by the slice
 * that it removed restores the body exactly.
 */
export function spliceBody(body: TextBody, at: number, remove: number, insert: TextBody): TextBody {
  const start = locate(body, at);
  const end = locate(body, at + remove);
  const head = sliceRuns(body[start.paragraph].runs, 0, start.offset);
  const tailRuns = body[end.paragraph].runs;
  const tail = sliceRuns(tailRuns, end.offset, runLength(tailRuns));
  const format = body[start.paragraph].format;
  const middle: Paragraph[] =
    insert.length === 1
      ? [{ format, runs: tidyRuns([...head, ...insert[0].runs, ...tail]) }]
      : insert.map((p, i) => {
          if (i === 0) return { format, runs: tidyRuns([...head, ...p.runs]) };
          if (i === insert.length - 1) return { format: p.format, runs: tidyRuns([...p.runs, ...tail]) };
          return { format: p.format, runs: tidyRuns(p.runs) };
        });
  return [...body.slice(0, start.paragraph), ...middle, ...body.slice(end.paragraph + 1)];
}

/** A patch: a value sets a key, null removes it, so that the role's setting shows again. */
export type Patch<T> = { [K in keyof T]?: T[K] | null };

function patched<T extends object>(old: T, patch: Patch<T>): T {
  const next = { ...old } as Record<string, unknown>;
  for (const [key, value] of Object.entries(patch)) {
    if (value === null) delete next[key];
    else next[key] = value;
  }
  return next as T;
}

/** The patch that undoes a patch over these values. */
export function unpatched<T extends object>(old: T, patch: Patch<T>): Patch<T> {
  const back: Record<string, unknown> = {};
  for (const key of Object.keys(patch)) back[key] = (old as Record<string, unknown>)[key] ?? null;
  return back as Patch<T>;
}

/** Styles the words in [from, to). */
export function styleBody(body: TextBody, from: number, to: number, patch: Patch<RunStyle>): TextBody {
  let at = 0;
  return body.map((p) => {
    const length = runLength(p.runs);
    const start = Math.max(0, Math.min(length, from - at));
    const end = Math.max(0, Math.min(length, to - at));
    at += length + 1;
    if (start >= end) return p;
    const changed = sliceRuns(p.runs, start, end).map((run) => ({ ...run, style: patched(run.style, patch) }));
    return {
      ...p,
      runs: tidyRuns([...sliceRuns(p.runs, 0, start), ...changed, ...sliceRuns(p.runs, end, length)]),
    };
  });
}

/** Formats every paragraph that [from, to] touches. */
export function formatBody(body: TextBody, from: number, to: number, patch: Patch<ParagraphFormat>): TextBody {
  const first = locate(body, from).paragraph;
  const last = locate(body, to).paragraph;
  return body.map((p, i) => (i >= first && i <= last ? { ...p, format: patched(p.format, patch) } : p));
}

/** The runs that overlap [from, to), each with its flat position. */
export function runsWithin(body: TextBody, from: number, to: number): { from: number; to: number; style: RunStyle }[] {
  const out: { from: number; to: number; style: RunStyle }[] = [];
  let at = 0;
  for (const p of body) {
    for (const run of p.runs) {
      const start = Math.max(from, at);
      const end = Math.min(to, at + run.text.length);
      if (start < end) out.push({ from: start, to: end, style: run.style });
      at += run.text.length;
    }
    at += 1;
  }
  return out;
}
