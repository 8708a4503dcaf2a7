import { caretAt } from '../../text/caret';
import { grownHeight, layOut } from '../../text/fit';
import { roleOf } from '../../text/style';
import { normalised } from '../../language/spelling';
import { shuffled } from '../kit/shuffle';
import { styled } from '../kit/measure';
import type { PracticeDraft as Draft } from './draft';
import type { GapKind, RecipeFor } from '../../schema/recipes/practice';

/** A text with words left out. */

export type Part = { text: string; gap: boolean };

const JOINING = new Set(
  'and but or so because although though if unless while when whereas since until nor yet'.split(' '),
);
const PLACING = new Set(
  'in on at under over above below behind beside between into onto through across along around near from to off up down inside outside towards against among'.split(
    ' ',
  ),
);
const KINDS: Record<Exclude<GapKind, 'every' | 'chosen'>, (word: string) => boolean> = {
  long: (word) => [...word].length >= 7,
  numbers: (word) => /^\d/.test(word),
  joining: (word) => JOINING.has(word.toLowerCase()),
  placing: (word) => PLACING.has(word.toLowerCase()),
};

/** The text in parts; words in [square brackets] are always gaps. */
export function partsOf(
  text: string,
  { kind, every, chosen }: Pick<RecipeFor<'gaps'>, 'kind' | 'every' | 'chosen'>,
): Part[] {
  const wanted = new Set(chosen.map(normalised));
  const out: Part[] = [];
  const add = (part: string, gap: boolean) => {
    const last = out.at(-1);
    if (last && !gap && !last.gap) last.text += part;
    else if (part) out.push({ text: part, gap });
  };
  let count = 0;
  for (const [part] of text.matchAll(/\[[^\]\n]{1,60}\]|[\p{L}\p{N}]+(?:['’-][\p{L}\p{N}]+)*|[^\p{L}\p{N}[]+|\[/gu)) {
    if (/^\[.+\]$/.test(part)) add(part.slice(1, -1), true);
    else if (!/^[\p{L}\p{N}]/u.test(part)) add(part, false);
    else {
      count++;
      const gap =
        kind === 'every' ? count % every === 0 : kind === 'chosen' ? wanted.has(normalised(part)) : KINDS[kind](part);
      add(part, gap);
    }
  }
  return out;
}

export function drawGaps(draft: Draft, recipe: RecipeFor<'gaps'>): void {
  const { area, em, kit, random } = draft;
  if (recipe.text.trim() === '')
    return void draft.notes.push('Write or paste the text. Words in [square brackets] are left out.');
  const parts = partsOf(recipe.text, recipe);
  const right = parts.filter(({ gap }) => gap).map(({ text }) => text);
  if (right.length === 0)
    draft.notes.push('No word is left out yet. Put one in [square brackets], or choose another kind.');
  // All gaps are as long as the longest word: their length tells nothing.
  const longest = Math.max(4, ...right.map((word) => [...word].length));
  const blank = '_'.repeat(Math.min(24, longest + 2));
  const said = parts.map(({ text, gap }) => (gap ? blank : text)).join('');
  const bank = recipe.bank && right.length > 0 ? shuffled([...new Set(right)], random).join('     ') : '';
  const banked = bank ? draft.sizeOf(bank, area.width - em * 2).height + em * 1.6 : 0;
  const room = { ...area, y: area.y + banked, height: area.height - banked };
  const role = roleOf(kit, 'label');
  let size = em;
  const box = { width: room.width, height: room.height, padding: 0, vertical: 'top' as const, fit: 'grow' as const };
  const bodyAt = (at: number) =>
    styled(said, draft.style({ size: at }), 'left').map((p) => ({ ...p, format: { ...p.format, lineSpacing: 1.5 } }));
  while (size > 8 && grownHeight(bodyAt(size), role, box, kit.faces) > room.height) size *= 0.95;
  if (grownHeight(bodyAt(size), role, box, kit.faces) > room.height + 1)
    draft.notes.push('The text is longer than its frame, even in small words. Shorten it, or make the frame taller.');
  const layout = layOut(bodyAt(size), role, { ...box, fit: 'keep' }, kit.faces);
  draft.words('text', '', room, { body: bodyAt(size), fit: 'keep', vertical: 'top' });
  let at = 0;
  for (const { text, gap } of parts) {
    const length = gap ? blank.length : text.length;
    if (gap) {
      const [start, end] = [caretAt(layout, at), caretAt(layout, at + length - 1)];
      const line = layout.lines.find(({ start: from, end: to }) => at >= from && at < to) ?? layout.lines[0];
      const high = size * 1.35;
      const wide = Math.max(size * 2, end.x - start.x + size * 0.5);
      draft.answer(
        'gap',
        text,
        { x: room.x + start.x, y: room.y + line.baseline - size * 1.02, width: wide, height: high },
        {
          fill: null,
          outline: null,
          style: { size },
        },
      );
    }
    at += length;
  }
  if (bank) {
    draft.words('bank', bank, { ...area, height: banked - em * 0.8 });
    draft.frame('bankbox', { ...area, height: banked - em * 0.8 });
  }
}
