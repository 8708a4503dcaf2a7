import { nanoid } from 'nanoid';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useFetcher, useNavigate, useSearchParams } from 'react-router';
import { z } from 'zod';
import { LaidOut, NOTHING_LAID_OUT } from '../../core/handout/laid-out';
import { SupplyLimits } from '../../core/handout/limits';
import { MOST_VERSIONS, teamsOf } from '../../core/handout/deal';
import type { Supply } from '../../core/handout/supplies';
import { SUPPLIES } from '../../core/handout/supplies';
import type { LookFor } from '../../core/lookfors/all';
import type { Rubric } from '../../core/lookfors/rubric';
import type { Sheet } from '../../core/schema/sheet';
import type { HandingOut } from '../../server/actions/hand-out';
import type { Versions } from '../../server/actions/versions';
import { fetched, useFetched } from '../browser/later';
import type { Editor } from '../document/editor';
import { arrivals, onArrival } from '../drawing/resources';
import { momentOf } from '../fields/day-words';
import { keep, keptAt, useKept } from '../keeping/kept';
import type { Tried } from './lookfor-tools';
import type { TryOn } from './tried-on';
import { useTryOn } from './tried-on';

/** What is chosen of versions at first. */
const ONE_FOR_ALL = {
  from: 'same' as const,
  count: 2,
  sheets: [],
  by: 'turn' as const,
  seed: 1,
  groups: {},
  students: {},
};

/** What is filled in before a sheet is handed out, stored in the browser from the first letter on. `v`: its version. */
const Draft = z.object({
  v: z.literal(1),
  classes: z.array(z.string()),
  /** Of which classes only some get it. */
  only: z.record(z.string(), z.object({ groups: z.array(z.string()), students: z.array(z.string()) })).default({}),
  /** Each group on one copy. */
  together: z.boolean().default(false),
  title: z.string(),
  brief: z.string(),
  /** A sheet to look at; null for none. */
  example: z.string().nullable().default(null),
  opens: z.string().default(''),
  due: z.string(),
  closes: z.string().default(''),
  lookFors: z.array(z.custom<LookFor>((one) => Kept.safeParse(one).success)),
  /** Parts of the brief that open one after another, also while they are not finished. */
  steps: z.array(z.object({ id: z.string(), text: z.string(), lookFors: z.array(z.string()) })).default([]),
  rubric: z.custom<Rubric>(
    (one) => z.object({ rows: z.array(z.looseObject({ id: z.string() })) }).safeParse(one).success,
  ),
  supplies: z.array(z.enum(SUPPLIES)),
  limits: SupplyLimits.default({}),
  laidOut: LaidOut.default(NOTHING_LAID_OUT),
  /** What was chosen of each way stays while another is tried. */
  versions: z
    .object({
      from: z.enum(['same', 'made', 'sheets']),
      count: z.number().int().min(2).max(MOST_VERSIONS),
      /** Sheets of the versions after the first; empty where none is chosen yet. */
      sheets: z.array(z.string()),
      by: z.enum(['turn', 'group', 'hand']),
      seed: z.number(),
      groups: z.record(z.string(), z.number()),
      students: z.record(z.string(), z.number()),
    })
    .default(ONE_FOR_ALL),
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
  /** What that needs to be open. */
  supplies: readonly Supply[];
  /** A handout that is used again. */
  like:
    | (Pick<Draft, 'title' | 'brief' | 'lookFors' | 'steps' | 'rubric' | 'supplies' | 'limits' | 'laidOut'> & {
        id: string;
      })
    | null;
  classes: readonly Class[];
  /** Students of a class that it was chosen for, on the way here. */
  meant: { classId: string; students: readonly string[] } | null;
  /** Whether the sheet can be made again, so that versions of it differ. */
  varies: boolean;
  otherSheets: readonly { id: string; title: string }[];
  /** What students made of this sheet before. */
  piecesBefore: readonly { id: string; classId: string | null; at: Date; pieces: readonly Named[] }[];
};
/** What the server answers: what is wrong, or where to go. */
type Answer = { problem: string; field?: string } | { problem: null; to: string };
const placeIn = (answer: Answer | undefined): string | null => (answer?.problem === null ? answer.to : null);

const begun = ({ classes, sheet, suggested, supplies, like }: HandOutView): Draft => ({
  v: 1,
  classes: classes.length === 1 ? [classes[0].id] : [],
  only: {},
  together: false,
  title: like?.title ?? sheet.title,
  brief: like?.brief ?? '',
  example: null,
  opens: '',
  due: '',
  closes: '',
  lookFors: like?.lookFors ?? suggested,
  steps: like?.steps ?? [],
  rubric: like?.rubric ?? { rows: [] },
  supplies: like?.supplies ?? [...supplies],
  limits: like?.limits ?? {},
  laidOut: like?.laidOut ?? NOTHING_LAID_OUT,
  versions: ONE_FOR_ALL,
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

/** Those of a class who get it, with their groups in the order of their names. */
export function receiversOf({ id, groups, members }: Class, only: Draft['only']) {
  const some = only[id];
  const inGroups = (member: string) =>
    groups.filter((group) => group.members.includes(member)).map((group) => group.id);
  return members
    .map((member) => ({ ...member, groups: inGroups(member.id) }))
    .filter(
      (member) =>
        !some || some.students.includes(member.id) || member.groups.some((group) => some.groups.includes(group)),
    );
}

/** Those of a class who work on one copy, by name; everybody alone unless groups work together. */
export function teamsIn(one: Class, { only, together }: Pick<Draft, 'only' | 'together'>) {
  const receivers = receiversOf(one, only);
  const nameOf = new Map(receivers.map(({ id, name }) => [id, name]));
  const teams = together
    ? teamsOf(receivers, only[one.id]?.groups ?? null)
    : receivers.map((receiver) => ({ ...receiver, people: [receiver.id] }));
  return teams.map(({ id, groups, people }) => ({
    id,
    groups,
    name: people.map((each) => nameOf.get(each)).join(', '),
  }));
}

/** How many of a class get it. */
export const countOf = (one: Class, only: Draft['only']): number => receiversOf(one, only).length;

/** How many versions there are to be, with the sheet itself. */
export function versionCount({ from, count, sheets }: Draft['versions']): number {
  if (from === 'same') return 1;
  return from === 'made' ? count : 1 + sheets.filter((id) => id !== '').length;
}

/** Where versions come from, as the server is asked; null where everybody gets the same. */
export function versionsFrom({ from, count, sheets }: Draft['versions']): Versions['from'] | null {
  if (from === 'same') return null;
  return from === 'made' ? { kind: 'made', count } : { kind: 'sheets', ids: sheets.filter((id) => id !== '') };
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
      example: view.otherSheets.some(({ id }) => id === chosen.example) ? chosen.example : null,
      lookFors: tools ? tools.prepared(chosen.lookFors, sheet) : chosen.lookFors,
    }),
    [chosen, sheet, view.classes, view.otherSheets, tools],
  );
  return { draft, isKept: kept !== null, setKept, tools };
}

const NONE: Tried[] = [];

/** Only what belongs to the chosen way counts; the rest is kept for when it is chosen again. */
export const dealOf = ({ by, seed, groups, students }: Draft['versions']): Versions['deal'] => ({
  seed,
  groups: by === 'group' ? groups : {},
  students: by === 'hand' ? students : {},
});

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
  looking: Looking;
  tryOn: TryOn;
  /** Some of the classes have it already. */
  again: boolean;
  wrong: { problem: string; field?: string } | null;
};

export type Looking = {
  /** The version that is looked at, from 0. */
  shown: number;
  show: (version: number) => void;
  /** Its sheet; null where it is the first one, which can be changed here, or not here yet. */
  sheet: Sheet | null;
  busy: boolean;
  problem: string | null;
};
type Shown = { problem: string } | { problem: null; versions: Sheet[] };

/** Versions as they would be handed out, asked for when one is looked at. */
function useVersions(editor: Editor, draft: Draft, sheet: Sheet, isReady: () => Promise<boolean>): Looking {
  const fetcher = useFetcher<Shown>();
  const [wanted, setWanted] = useState(0);
  /** What the answer is for: asked for again once the sheet, or what is asked, has changed. */
  const [asked, setAsked] = useState<{ sheet: Sheet; from: string } | null>(null);
  const from = JSON.stringify(versionsFrom(draft.versions));
  const shown = wanted < versionCount(draft.versions) ? wanted : 0;
  const isFor = asked !== null && asked.from === from && asked.sheet === sheet;
  const answer = isFor && fetcher.state === 'idle' ? fetcher.data : undefined;
  const show = async (version: number) => {
    setWanted(version);
    if (version === 0 || isFor || !(await isReady())) return;
    setAsked({ sheet: editor.sheet, from });
    const looking = { from: versionsFrom(draft.versions), lookFors: draft.lookFors };
    void fetcher.submit({ do: 'versions', handout: JSON.stringify(looking) }, { method: 'post' });
  };
  return {
    shown: shown > 0 && !isFor && fetcher.state === 'idle' ? 0 : shown,
    show: (version) => void show(version),
    sheet: answer?.problem === null ? (answer.versions[shown - 1] ?? null) : null,
    busy: fetcher.state !== 'idle',
    problem: answer?.problem ?? null,
  };
}

/** What is filled in on the hand-out screen, and how it is sent. */
export function useHandOut(editor: Editor, sheet: Sheet, view: HandOutView): HandOutDraft {
  const { personId, personName, like } = view;
  const place = placeOf(view);
  const { draft, isKept, setKept, tools } = useDraft(view, sheet);
  const fetcher = useFetcher<Answer>();
  const trial = useFetcher<Answer>();
  const navigate = useNavigate();
  const [saving, setSaving] = useState(false);
  // Whether words can be read is only known once their faces are here.
  const arrived = useSyncExternalStore(onArrival, arrivals, () => 0);
  const tryOn = useTryOn(draft.example);
  const { other } = tryOn;
  const looked = other?.sheet ?? sheet;
  /** The sheet whose words were looked up. */
  const [spelt, setSpelt] = useState<Sheet | null>(null);
  useEffect(() => {
    // Without a dictionary spelling is not tried here.
    tools?.spelt(draft.lookFors, looked).then(
      (done) => done && setSpelt(looked),
      () => {},
    );
  }, [tools, draft.lookFors, looked]);
  const tried = useMemo(
    () => tools?.tried(draft.lookFors, sheet, { name: personName, known: spelt === looked, other }) ?? NONE,
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [draft.lookFors, sheet, personName, tools, arrived, spelt, looked, other],
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
  const { meant } = view;
  const [search, setSearch] = useSearchParams();
  const isMeant = meant !== null && search.has('after');
  useEffect(() => {
    if (!isMeant) return;
    // Once: whoever is chosen here afterwards stays chosen over a reload.
    setSearch({}, { replace: true });
    const only = { [meant.classId]: { groups: [], students: [...meant.students] } };
    // Where the page has just come from the server, what is kept here is not drawn yet.
    setKept({ ...(keptAt(personId, place, Draft) ?? draft), classes: [meant.classId], only });
  }, [isMeant]); // eslint-disable-line react-hooks/exhaustive-deps
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
  const looking = useVersions(editor, draft, sheet, isReady);
  const tryOut = async () => {
    if (!(await isReady())) return;
    const { title, brief, example, lookFors, steps, rubric, supplies, limits, laidOut } = draft;
    void trial.submit(
      {
        do: 'try',
        handout: JSON.stringify({ title, brief, example, lookFors, steps, rubric, supplies, limits, laidOut }),
      },
      { method: 'post' },
    );
  };
  const send = async () => {
    if (!(await isReady())) return;
    const { v: _, opens, due, closes, versions, ...rest } = draft;
    const sent = (local: string) => momentOf(local)?.toISOString() ?? null;
    // Sent again because no answer came, it is handed out once.
    const ids = Object.fromEntries(draft.classes.map((one) => [one, draft.ids[one] ?? nanoid(12)]));
    set({ ids });
    const from = versionsFrom(versions);
    const handout: HandingOut = {
      ...rest,
      ids,
      again,
      opensAt: sent(opens),
      dueAt: sent(due),
      closesAt: sent(closes),
      versions: from && { from, deal: dealOf(versions) },
    };
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
    looking,
    tryOn,
    send,
    sending: saving || fetcher.state !== 'idle' || to !== null,
    again,
    wrong,
  };
}
