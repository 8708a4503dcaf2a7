import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher, useNavigate } from 'react-router';
import { z } from 'zod';
import { givenOut } from '../../core/handout/copy';
import { SUPPLIES } from '../../core/handout/permission';
import { countAll, LookFor, rekeyed, suggested } from '../../core/lookfors/all';
import type { Result } from '../../core/lookfors/kind';
import type { Rubric } from '../../core/lookfors/rubric';
import type { Sheet } from '../../core/schema/sheet';
import type { HandingOut } from '../../server/actions/hand-out';
import type { Editor } from '../document/editor';
import { pictureNow } from '../drawing/resources';
import { momentOf } from '../fields/day-words';
import { keep, useKept } from '../keeping/kept';

/** What is filled in before a sheet is handed out, stored in the browser from the first letter on. `v`: its version. */
const Draft = z.object({
  v: z.literal(1),
  classes: z.array(z.string()),
  title: z.string(),
  brief: z.string(),
  due: z.string(),
  closes: z.string().default(''),
  lookFors: z.array(z.custom<LookFor>((one) => Kept.safeParse(one).success)),
  rubric: z.custom<Rubric>(
    (one) => z.object({ rows: z.array(z.looseObject({ id: z.string() })) }).safeParse(one).success,
  ),
  supplies: z.array(z.enum(SUPPLIES)),
  ids: z.record(z.string(), z.string()),
});
export type Draft = z.infer<typeof Draft>;
const Kept = z.looseObject({ id: z.string(), kind: z.string(), title: z.string() });

type Class = { id: string; name: string; size: number };
/** What the screen was loaded with. */
export type HandOutView = { id: string; personId: string; personName: string; sheet: Sheet; classes: readonly Class[] };
/** What the server answers: what is wrong, or where to go. */
type Answer = { problem: string; field?: string } | { problem: null; to: string };

const begun = ({ classes, sheet }: HandOutView): Draft => ({
  v: 1,
  classes: classes.length === 1 ? [classes[0].id] : [],
  title: sheet.title,
  brief: '',
  due: '',
  closes: '',
  lookFors: suggested(sheet, () => nanoid(8)),
  rubric: { rows: [] },
  supplies: [],
  ids: {},
});

/** A look-for that was kept before there was so much to set; its title may still be empty. */
function completed(kept: LookFor): LookFor {
  const read = LookFor.safeParse({ ...kept, title: kept.title || '…' });
  return read.success ? { ...read.data, title: kept.title } : kept;
}

/** What is filled in, as it can be sent: classes that are still there, and look-fors of the sheet as it is now. */
function useDraft(view: HandOutView, sheet: Sheet) {
  const [first] = useState(() => begun(view));
  const [kept, setKept] = useKept(view.personId, `hand-out/${view.id}`, Draft);
  const chosen = kept ?? first;
  const draft = useMemo(
    () => ({
      ...chosen,
      classes: chosen.classes.filter((id) => view.classes.some((one) => one.id === id)),
      lookFors: rekeyed(chosen.lookFors.map(completed), sheet),
    }),
    [chosen, sheet, view.classes],
  );
  return { draft, isKept: kept !== null, setKept };
}

/** What a look-for counts on the teacher's own sheet, and on the sheet as students get it. */
export type Tried = { own: Result; given: Result };

export type HandOutDraft = {
  draft: Draft;
  set: (patch: Partial<Draft>) => void;
  /** Whether something was filled in and is kept in this browser. */
  isKept: boolean;
  startOver: () => void;
  /** Each look-for, tried at once. */
  tried: Tried[];
  send: () => Promise<void>;
  sending: boolean;
  wrong: { problem: string; field?: string } | null;
};

/** What is filled in on the hand-out screen, and how it is sent. */
export function useHandOut(editor: Editor, sheet: Sheet, view: HandOutView): HandOutDraft {
  const { personId, personName, id } = view;
  const { draft, isKept, setKept } = useDraft(view, sheet);
  const fetcher = useFetcher<Answer>();
  const navigate = useNavigate();
  const [saving, setSaving] = useState(false);
  const tried = useMemo(() => {
    const handedOut = givenOut(sheet);
    const context = { handedOut, studentName: personName, pictures: pictureNow };
    const given = countAll(draft.lookFors, handedOut, context);
    return countAll(draft.lookFors, sheet, context).map((own, i) => ({ own, given: given[i] }));
  }, [draft.lookFors, sheet, personName]);
  const answer = fetcher.data;
  const to = answer && answer.problem === null ? answer.to : null;
  useEffect(() => {
    if (to === null) return;
    keep(personId, `hand-out/${id}`, null);
    void navigate(to);
  }, [to, personId, id, navigate]);
  const set = (patch: Partial<Draft>) => setKept({ ...draft, ...patch });
  const send = async () => {
    setSaving(true);
    const saved = await editor.settled();
    setSaving(false);
    if (saved === null)
      return editor.say('The sheet is not saved yet: the server does not answer. Try again when it says “Saved”.');
    const { v: _, due, closes, ...rest } = draft;
    const sent = (local: string) => momentOf(local)?.toISOString() ?? null;
    // Sent again because no answer came, it is handed out once.
    const ids = Object.fromEntries(draft.classes.map((one) => [one, draft.ids[one] ?? nanoid(12)]));
    set({ ids });
    const handout: HandingOut = { ...rest, ids, dueAt: sent(due), closesAt: sent(closes) };
    void fetcher.submit({ handout: JSON.stringify(handout) }, { method: 'post' });
  };
  return {
    draft,
    set,
    isKept,
    startOver: () => setKept(null),
    tried,
    send,
    sending: saving || fetcher.state !== 'idle' || to !== null,
    wrong: answer && answer.problem !== null ? answer : null,
  };
}
