import type { TextBody, ParagraphFormat, RunStyle, Sheet } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { bodyProblem } from '../sheet/limits';
import { locate as place, withItem } from '../sheet/tree';
import type { Patch } from '../text/body';
import {
  bodyLength,
  bodyText,
  formatBody,
  isWithinCharacter,
  locate,
  paragraphStart,
  runsWithin,
  sliceBody,
  spliceBody,
  styleBody,
  unpatched,
} from '../text/body';
import type { Applied, ChangeKind } from './kind';
import { done, gone, loadRefusal, refused } from './kind';
import type { Change, ChangeOf } from './schema';

/** Changes of words: other words, another style, another format of paragraphs. */

type Stretch = { from: number; to: number };
/** A range that begins or ends within a two-unit character is extended to the whole of it. */
function wholeCharacters(body: TextBody, from: number, to: number): Stretch {
  const start = isWithinCharacter(body, from) ? from - 1 : from;
  return { from: start, to: to === from ? start : isWithinCharacter(body, to) ? to + 1 : to };
}

function words(
  sheet: Sheet,
  change: { id: string },
  { from, to }: Stretch,
  bounded: boolean,
  edit: (body: TextBody, stretch: Stretch) => TextBody,
): Applied {
  const found = place(sheet, change.id);
  if (!found) return gone();
  if (!isWritten(found.item)) return refused('This kind of thing has no text.');
  const { body } = found.item;
  if (from > to || to > bodyLength(body)) return refused('The words it was about are no longer there.');
  const next = edit(body, wholeCharacters(body, from, to));
  const no =
    bounded &&
    (bodyProblem(next, body) ??
      loadRefusal(sheet, found.page.id, { items: 0, letters: bodyLength(next) - bodyLength(body) }));
  return no ? refused(no) : done(withItem(sheet, found, { ...found.item, body: next }));
}

const bodyOf = (sheet: Sheet, id: string): TextBody => {
  const { item } = place(sheet, id)!;
  return isWritten(item) ? item.body : [];
};

/** Where a position in words lands after a splice: `sticky` positions at the splice stay before what is inserted. */
function moved(position: number, splice: ChangeOf<'splice'>, sticky: boolean): number {
  const { at, remove, insert } = splice;
  if (position < at || (position === at && sticky)) return position;
  const added = bodyLength(insert);
  if (position >= at + remove) return position + added - remove;
  return at + added;
}

function rebasedStretch<C extends ChangeOf<'style'> | ChangeOf<'paragraph'>>(change: C, over: ChangeOf<'splice'>): C {
  const from = moved(change.from, over, false);
  return { ...change, from, to: Math.max(from, moved(change.to, over, true)) };
}

export const SPLICE: ChangeKind<'splice'> = {
  apply: (sheet, change, bounded) =>
    words(sheet, change, { from: change.at, to: change.at + change.remove }, bounded, (body, { from, to }) =>
      spliceBody(body, from, to - from, change.insert),
    ),
  invert(sheet, { id, at, remove, insert }) {
    const body = bodyOf(sheet, id);
    const { from, to } = wholeCharacters(body, at, at + remove);
    return { kind: 'splice', id, at: from, remove: bodyLength(insert), insert: sliceBody(body, from, to) };
  },
  merge(first, second) {
    if (first.id !== second.id) return null;
    const typed = bodyText(second.insert);
    // A space or a break starts a new word, and with it a new step.
    if (
      second.remove === 0 &&
      first.insert.length === 1 &&
      second.insert.length === 1 &&
      second.at === first.at + bodyLength(first.insert) &&
      !/^\s/.test(typed)
    )
      return { ...first, insert: spliceBody(first.insert, bodyLength(first.insert), 0, second.insert) };
    if (
      first.remove > 0 &&
      bodyLength(first.insert) === 0 &&
      second.remove > 0 &&
      bodyLength(second.insert) === 0 &&
      second.at + second.remove === first.at
    )
      return { ...first, at: second.at, remove: first.remove + second.remove };
    return null;
  },
  rebase(change, over) {
    const at = moved(change.at, over, false);
    const end = Math.max(at, moved(change.at + change.remove, over, true));
    return { ...change, at, remove: end - at };
  },
  worksOn: ({ id }) => [id],
};

export const STYLE: ChangeKind<'style'> = {
  apply: (sheet, change, bounded) =>
    words(sheet, change, change, bounded, (body, { from, to }) =>
      styleBody(body, from, to, change.patch as Patch<RunStyle>),
    ),
  invert(sheet, { id, from, to, patch }) {
    const body = bodyOf(sheet, id);
    const whole = wholeCharacters(body, from, to);
    return {
      kind: 'all',
      changes: runsWithin(body, whole.from, whole.to).map((run) => ({
        kind: 'style',
        id,
        from: run.from,
        to: run.to,
        patch: unpatched(run.style, patch as Patch<RunStyle>),
      })),
    };
  },
  rebase: rebasedStretch,
  worksOn: ({ id }) => [id],
};

export const PARAGRAPH: ChangeKind<'paragraph'> = {
  apply: (sheet, change, bounded) =>
    words(sheet, change, change, bounded, (body, { from, to }) =>
      formatBody(body, from, to, change.patch as Patch<ParagraphFormat>),
    ),
  invert(sheet, { id, from, to, patch }) {
    const body = bodyOf(sheet, id);
    const changes: Change[] = [];
    for (let i = locate(body, from).paragraph; i <= locate(body, to).paragraph; i++) {
      const at = paragraphStart(body, i);
      changes.push({
        kind: 'paragraph',
        id,
        from: at,
        to: at,
        patch: unpatched(body[i].format, patch as Patch<ParagraphFormat>),
      });
    }
    return { kind: 'all', changes };
  },
  rebase: rebasedStretch,
  worksOn: ({ id }) => [id],
};
