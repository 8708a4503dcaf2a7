import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState } from 'react';
import { useFetcher, useNavigate } from 'react-router';
import { z } from 'zod';
import { SupplyLimits } from '../../core/handout/limits';
import { SUPPLIES } from '../../core/handout/supplies';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import type { Sheet } from '../../core/schema/sheet';
import type { HandingOut } from '../../server/actions/hand-out';
import { fetched, useFetched } from '../browser/later';
import type { Editor } from '../document/editor';
import { momentOf } from '../fields/day-words';
import { keep, useKept } from '../keeping/kept';
import type { Tried } from './lookfor-tools';

/** What is filled in before a sheet is handed out, stored in the browser from the first letter on. `v`: its version. */
const Draft = z.object({
  v: z.literal(1),
  classes: z.array(z.string()),
  /** Of which classes only some get it. */
  only: z.record(z.string(), z.object({ groups: z.array(z.string()), students: z.array(z.string()) })).default({}),
  title: z.string(),
  brief: z.string(),
  opens: z.string().default(''),
  due: z.string(),
  closes: z.string().default(''),
  lookFors: z.array(z.custom<LookFor>((one) => Kept.safeParse(one).success)),
  rubric: z.custom<Rubric>(
    (one) => z.object({ rows: z.array(z.looseObject({ id: z.string() })) }).safeParse(one).success,
  ),
  supplies: z.array(z.enum(SUPPLIES)),
  limits: SupplyLimits.default({}),
  ids: z.record(z.string(), z.string()),
});
export type Draft = z.infer<typeof Draft>;
const Kept = z.looseObject({ id: z.string(), kind: z.string(), title: z.string() });

type Named = { id: string; name: string };
export type Class = Named & {
  size: number;
  groups: readonly (Named & { members: readonly string[] })[];
  members: readonly Named[];
  /** When it had this sheet the last time. */
  hadAt: Date | null;
};
/** What the screen was loaded with. */
export type HandOutView = {
  id: string;
  personId: string;
  personName: string;
  sheet: Sheet;
  /** What the sheet most likely wants looked for. */
  suggested: LookFor[];
  /** A handout that is used again. */
  like: (Pick<Draft, 'title' | 'brief' | 'lookFors' | 'rubric' | 'supplies' | 'limits'> & { id: string }) | null;
  classes: readonly Class[];
};
/** What the server answers: what is wrong, or where to go. */
type Answer = { problem: string; field?: string } | { problem: null; to: string };
const placeIn = (answer: Answer | undefined): string | null => (answer?.problem === null ? answer.to : null);

const begun = ({ classes, sheet, suggested, like }: HandOutView): Draft => ({
  v: 1,
  classes: classes.length === 1 ? [classes[0].id] : [],
  only: {},
  title: like?.title ?? sheet.title,
  brief: like?.brief ?? '',
  opens: '',
  due: '',
  closes: '',
  lookFors: like?.lookFors ?? suggested,
  rubric: like?.rubric ?? { rows: [] },
  supplies: like?.supplies ?? [],
  limits: like?.limits ?? {},
  ids: {},
});

/** What used to be chosen of a class, without what is no longer there. */
function onlyIn(classes: readonly Class[], only: Draft['only']): Draft['only'] {
  const left = classes.flatMap(({ id, groups, members }) => {
    const some = only[id];
    if (!some) return [];
    const there = (ids: readonly string[], of: readonly Named[]) =>
      ids.filter((one) => of.some((known) => known.id === one));
    return [[id, { groups: there(some.groups, groups), students: there(some.students, members) }]];
  });
  return Object.fromEntries(left) as Draft['only'];
}

/** How many of a class get it. */
export function countOf({ id, size, groups }: Class, only: Draft['only']): number {
  const some = only[id];
  if (!some) return size;
  const chosen = groups.filter((group) => some.groups.includes(group.id)).flatMap(({ members }) => members);
  return new Set([...chosen, ...some.students]).size;
}

const placeOf = ({ id, like }: HandOutView) => (like ? `hand-out/${id}/like/${like.id}` : `hand-out/${id}`);

/** All that look-fors are made with: fetched while the rest of the form is filled in. */
const TOOLS = fetched(() => import('./lookfor-tools'));

/** What is filled in, as it can be sent: classes that are still there, and look-fors of the sheet as it is now. */
function useDraft(view: HandOutView, sheet: Sheet) {
  const [first] = useState(() => begun(view));
  const [kept, setKept] = useKept(view.personId, placeOf(view), Draft);
  const chosen = kept ?? first;
  const now = useFetched(TOOLS);
  const tools = now.kind === 'here' ? now.value : null;
  const draft = useMemo(
    () => ({
      ...chosen,
      classes: chosen.classes.filter((id) => view.classes.some((one) => one.id === id)),
      only: onlyIn(view.classes, chosen.only),
      lookFors: tools ? tools.prepared(chosen.lookFors, sheet) : chosen.lookFors,
    }),
    [chosen, sheet, view.classes, tools],
  );
  return { draft, isKept: kept !== null, setKept, tools };
}

const NONE: Tried[] = [];

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
  /** Opens a copy of the teacher's own, as students get it. */
  tryOut: () => Promise<void>;
  trying: boolean;
  /** Some of the classes have it already. */
  again: boolean;
  wrong: { problem: string; field?: string } | null;
};

/** What is filled in on the hand-out screen, and how it is sent. */
export function useHandOut(editor: Editor, sheet: Sheet, view: HandOutView): HandOutDraft {
  const { personId, personName, like } = view;
  const place = placeOf(view);
  const { draft, isKept, setKept, tools } = useDraft(view, sheet);
  const fetcher = useFetcher<Answer>();
  const trial = useFetcher<Answer>();
  const navigate = useNavigate();
  const [saving, setSaving] = useState(false);
  const tried = useMemo(
    () => tools?.tried(draft.lookFors, sheet, personName) ?? NONE,
    [draft.lookFors, sheet, personName, tools],
  );
  const answer = fetcher.data;
  const to = placeIn(answer);
  useEffect(() => {
    if (to === null) return;
    keep(personId, place, null);
    void navigate(to);
  }, [to, personId, place, navigate]);
  const wrong = [answer, trial.data].find((one) => one !== undefined && one.problem !== null) ?? null;
  const had = view.classes.filter(({ id, hadAt }) => hadAt !== null && draft.classes.includes(id));
  const again = had.length > 0 || wrong?.field === 'again';
  const opened = placeIn(trial.data);
  useEffect(() => {
    if (opened !== null) void navigate(like ? `${opened}?like=${like.id}` : opened);
  }, [opened, like, navigate]);
  const set = (patch: Partial<Draft>) => setKept({ ...draft, ...patch });
  const isReady = async (): Promise<boolean> => {
    if (!tools) {
      editor.say('The look-fors are not here yet. Try again in a moment.');
      return false;
    }
    setSaving(true);
    const saved = await editor.settled();
    setSaving(false);
    if (saved === null)
      editor.say('The sheet is not saved yet: the server does not answer. Try again when it says “Saved”.');
    return saved !== null;
  };
  const tryOut = async () => {
    if (!(await isReady())) return;
    const { title, brief, lookFors, rubric, supplies, limits } = draft;
    void trial.submit(
      { do: 'try', handout: JSON.stringify({ title, brief, lookFors, rubric, supplies, limits }) },
      { method: 'post' },
    );
  };
  const send = async () => {
    if (!(await isReady())) return;
    const { v: _, opens, due, closes, ...rest } = draft;
    const sent = (local: string) => momentOf(local)?.toISOString() ?? null;
    // Sent again because no answer came, it is handed out once.
    const ids = Object.fromEntries(draft.classes.map((one) => [one, draft.ids[one] ?? nanoid(12)]));
    set({ ids });
    const handout: HandingOut = { ...rest, ids, again, opensAt: sent(opens), dueAt: sent(due), closesAt: sent(closes) };
    void fetcher.submit({ handout: JSON.stringify(handout) }, { method: 'post' });
  };
  return {
    draft,
    set,
    isKept,
    startOver: () => setKept(null),
    tried,
    tryOut,
    trying: trial.state !== 'idle' || opened !== null,
    send,
    sending: saving || fetcher.state !== 'idle' || to !== null,
    again,
    wrong,
  };
}
