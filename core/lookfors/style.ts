import { bodyText, isEmpty } from '../text/body';
import type { Sheet, WrittenItem } from '../schema/sheet';
import { isWritten } from '../schema/sheet';
import { everyItem } from '../sheet/tree';
import { fullStyle, roleOf } from '../text/style';
import { z } from 'zod';
import { roleIds } from '../schema/defaults';
import { Hex } from '../values/primitives';
import type { Counted, LookForKind } from './kind';
import { base } from './kind';

const StyleLookFor = z.strictObject({
  kind: z.literal('style'),
  ...base,
  role: z.string().max(40),
  bold: z.boolean().nullable(),
  italic: z.boolean().nullable(),
  colour: Hex.nullable(),
});
export type StyleLookFor = z.infer<typeof StyleLookFor>;

/** Every text of a role that the student wrote has the given style throughout; at least one must be there. */
function countStyle(lookFor: StyleLookFor, sheet: Sheet): Counted {
  const role = roleOf(sheet, lookFor.role);
  const asked = (item: WrittenItem) =>
    item.body.every((p) =>
      p.runs.every((run) => {
        if (run.text.trim() === '') return true;
        const style = fullStyle(role, run.style);
        return (
          (lookFor.bold === null || style.bold === lookFor.bold) &&
          (lookFor.italic === null || style.italic === lookFor.italic) &&
          (lookFor.colour === null || style.colour === lookFor.colour)
        );
      }),
    );
  const written: WrittenItem[] = [];
  for (const item of everyItem(sheet))
    if (isWritten(item) && item.role === lookFor.role && item.touch !== 'fixed' && !isEmpty(item.body))
      written.push(item);
  const evidence = written.map((item) => ({
    items: [item.id],
    verdict: asked(item) ? ('right' as const) : ('wrong' as const),
    said: bodyText(item.body),
    meant: '',
  }));
  return { got: evidence.filter((e) => e.verdict === 'right').length, need: Math.max(1, evidence.length), evidence };
}

export const STYLE: LookForKind<StyleLookFor> = {
  schema: StyleLookFor,
  kind: 'style',
  name: 'words in a style',
  begin: ({ roles }) => ({
    settings: {
      title: 'Headings are bold',
      tell: 'result',
      role: roles.heading ? 'heading' : (roleIds(roles)[0] ?? 'body'),
      bold: true,
      italic: null,
      colour: null,
    },
  }),
  count: countStyle,
  sources: (_, sheet) => [...sheet.pages, sheet.roles],
};
