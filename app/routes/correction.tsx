import { useMemo, useState } from 'react';
import { Link, redirect, useFetcher } from 'react-router';
import { Correcting, sendCorrection } from '../../server/actions/correct';
import { correctionView } from '../../server/views/correction-view';
import { letterOf } from '../../core/values/letters';
import { workshop } from '../../server/actions/means';
import { afterReaching, reached } from '../browser/reached';
import type { Loaded } from '../correction/entries';
import { correctionEntries } from '../correction/entries';
import { DifferenceFrames, differencesOn } from '../differences/differences';
import { litFrom } from '../drawing/lit';
import { PageView, useDrawing } from '../drawing/page-view';
import { Segments } from '../fields/segments';
import { check, formOf } from '../form.server';
import { Strip } from '../house/strip';
import { SheetFrame } from '../margin/frame';
import { paperStyle, useView } from '../margin/view';
import { PageTabs } from '../parts/page-tabs';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/correction';

/** What a correction of a handout would change, as pictures, before it is sent. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(correctionView(workshop(db, shelf), person, params.handoutId));
}

export async function action({ request, context, params }: Route.ActionArgs): Promise<Answer | Response> {
  const person = await requireRole(request, context, 'teacher');
  const read = check(Correcting, await formOf(request));
  if (!read.ok) return read.wrong;
  const { db, shelf } = context.services;
  const means = workshop(db, shelf);
  const done = await filledIn(sendCorrection(means, person, params.handoutId, read.value));
  return typeof done === 'number' ? redirect(`/handouts/${params.handoutId}`) : done;
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Correction: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

/** What the server says, where it does not lead back to the class. */
type Answer = { problem: string | null; field?: string };

const SHOWN = ['as it was', 'as it will be'] as const;

export default function Correction({ loaderData }: Route.ComponentProps) {
  const loaded = loaderData as Loaded;
  const { handout, versions, seq } = loaded;
  // Where several versions change, the first of those is looked at first.
  const [number, setNumber] = useState(
    Math.max(
      0,
      versions.findIndex(({ differs }) => differs),
    ),
  );
  const version = versions[number] ?? versions[0];
  const { before, after } = version;
  const [shown, setShown] = useState<(typeof SHOWN)[number]>('as it will be');
  const [pageId, setPageId] = useState(after.pages[0].id);
  const [active, setActive] = useState<string | null>(null);
  const source = shown === 'as it was' ? before : after;
  const page = source.pages.find(({ id }) => id === pageId) ?? source.pages[0];
  const { view, stage } = useView(page, 'fit');
  const { faces, arrived } = useDrawing(source);
  const fetcher = useFetcher<typeof clientAction>();
  const answer = fetcher.data;
  const problem = answer?.problem ?? null;
  const entries = correctionEntries(
    page,
    version,
    {
      loaded,
      problem,
      sending: fetcher.state !== 'idle',
      onSend: () => void fetcher.submit({ seq }, { method: 'post' }),
    },
    active,
  );
  const from = entries.find(({ id }) => id === active);
  const framed = useMemo(() => differencesOn(version.differences, page), [version, page]);
  return (
    <SheetFrame
      strip={
        <Strip
          home="/desk"
          title={`Correction: ${handout.title}`}
          before={<span className="quiet">{handout.className}</span>}
        >
          {versions.length > 1 && (
            <Segments
              label="Version"
              value={String(number)}
              onChange={(to) => {
                setNumber(Number(to));
                setActive(null);
              }}
              options={versions.map((_, n) => ({ value: String(n), label: letterOf(n) }))}
            />
          )}
          <PageTabs pages={source.pages} shown={page.id} onShow={setPageId} />
          <Link to={`/handouts/${handout.id}`}>Back to the class</Link>
          <Segments label="Which sheet is shown" value={shown} onChange={setShown} options={SHOWN} />
        </Strip>
      }
      stage={stage}
      view={view}
      entries={entries}
      marginLabel="What changes"
      lit={from?.light ? litFrom(from.id, page) : null}
      ticksFrom={page.width}
      onChooseEntry={setActive}
    >
      <div className="paper" style={paperStyle(view, page)}>
        {faces && (
          <PageView
            sheet={source}
            page={page}
            faces={faces}
            arrived={arrived}
            scale={view.scale}
            prompts
            label={`${handout.title}, ${shown}`}
          />
        )}
        <DifferenceFrames framed={framed} page={page} />
      </div>
    </SheetFrame>
  );
}
