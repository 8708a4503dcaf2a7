import type { Item, ParagraphFormat, RunStyle } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { kindOf } from './all';

/** The look of an item without place and content, to be applied to others or to the next of its kind. */
export type Look = {
  kind: Item['kind'];
  values: Record<string, unknown>;
  run: RunStyle | null;
  paragraph: ParagraphFormat | null;
};

/** The look of an item: its settings, and how its first words are set. */
export function lookOf(item: Item): Look {
  const values = Object.fromEntries(kindOf(item).look.map((key) => [key, item[key as keyof Item]]));
  const first = isWritten(item) ? item.body.find((p) => p.runs.length > 0) : undefined;
  return {
    kind: item.kind,
    values,
    run: first ? first.runs[0].style : null,
    paragraph: first ? withoutList(first.format) : null,
  };
}

/** Being a list is content, not look. */
function withoutList(format: ParagraphFormat): ParagraphFormat {
  const { align, lineSpacing, before } = format;
  return {
    ...(align !== undefined && { align }),
    ...(lineSpacing !== undefined && { lineSpacing }),
    ...(before !== undefined && { before }),
  };
}

/** The item with the parts of a look that its kind has. A role goes from text to text only. */
export function withLook(item: Item, look: Look): Item {
  const keys = kindOf(item).look as readonly string[];
  const values = Object.fromEntries(
    Object.entries(look.values).filter(
      ([key, value]) => keys.includes(key) && (key !== 'outline' || item.kind !== 'line' || value !== null),
    ),
  );
  const dressed = { ...item, ...values } as Item;
  if (!isWritten(dressed) || !look.run) return dressed;
  const { run, paragraph } = look;
  return {
    ...dressed,
    body: dressed.body.map((p) => ({
      format: { ...onlyList(p.format), ...paragraph },
      runs: p.runs.map(({ text }) => ({ text, style: run })),
    })),
  };
}

function onlyList({ list, level }: ParagraphFormat): ParagraphFormat {
  return { ...(list !== undefined && { list }), ...(level !== undefined && { level }) };
}
