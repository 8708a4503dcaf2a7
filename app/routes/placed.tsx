import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { letterOf } from '../../core/values/letters';
import { workshop } from '../../server/actions/means';
import { placedView } from '../../server/views/placed-view';
import { afterReaching, orLast } from '../browser/reached';
import { Segments } from '../fields/segments';
import { Strip } from '../house/strip';
import styles from '../margin/frame.module.css';
import { Empty } from '../parts/empty';
import { PageTabs } from '../parts/page-tabs';
import { PlacedSheet } from '../placed/placed-sheet';
import type { Shown } from '../placed/placed-sheet';
import { WhatWasPut } from '../placed/what-was-put';
import { dotsOn } from '../placed/dots';
import placedStyles from '../placed/placed.module.css';
import { VersionNumber } from '../picture.server';
import { allowed, missing, requireRole } from '../who.server';
import type { Route } from './+types/placed';

/** All that a class wrote, placed and drew, on one sheet. */

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const version = VersionNumber.safeParse(new URL(request.url).searchParams.get('version') ?? 0);
  if (!version.success) throw missing();
  const { db, shelf } = context.services;
  return allowed(placedView(workshop(db, shelf), person, params.handoutId, version.data));
}

export const shouldRevalidate = afterReaching;
export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `All on one sheet: ${loaderData?.handout.title ?? ''} · Dappled Margin` },
];

const SHOWN = ['dots', 'heat', 'both'] as const satisfies readonly Shown[];
const RULED = ['all', 'right', 'not right'] as const;

export default function PlacedScreen({ loaderData }: Route.ComponentProps) {
  const { handout, version, pages, pieces, atWork } = loaderData;
  const navigate = useNavigate();
  const [pageId, setPageId] = useState(pages[0].id);
  const [shown, setShown] = useState<Shown>('dots');
  const [ruled, setRuled] = useState<(typeof RULED)[number]>('all');
  const [what, setWhat] = useState<string | null>(null);
  const [copyId, setCopyId] = useState<string | null>(null);
  const index = Math.max(
    0,
    pages.findIndex(({ id }) => id === pageId),
  );
  const page = pages[index];
  const all = useMemo(() => dotsOn(pieces, page), [pieces, page]);
  const ofRuling = useMemo(
    () => all.filter(({ right }) => ruled === 'all' || right === (ruled === 'right')),
    [all, ruled],
  );
  // The heat is drawn anew for other dots only.
  const dots = useMemo(() => ofRuling.filter((dot) => what === null || dot.what === what), [ofRuling, what]);
  const choose = (to: string | null) => {
    setWhat(to);
    setCopyId(null);
  };
  return (
    <div className={styles.frame}>
      <Strip
        home="/desk"
        title={handout.title}
        before={
          <Link to={`/handouts/${handout.id}`} className="quiet">
            The whole class
          </Link>
        }
      >
        {handout.versions > 1 && (
          <Segments
            label="Version"
            value={String(version)}
            onChange={(to) => void navigate(`?version=${to}`, { replace: true })}
            options={Array.from({ length: handout.versions }, (_, n) => ({ value: String(n), label: letterOf(n) }))}
          />
        )}
        <PageTabs pages={pages} shown={page.id} onShow={setPageId} />
        {all.some(({ right }) => right !== null) && (
          <Segments label="Which answers" value={ruled} onChange={setRuled} options={RULED} />
        )}
        <Segments label="How they are shown" value={shown} onChange={setShown} options={SHOWN} />
        <Link to={`/handouts/${handout.id}/spot`}>
          <Button tabIndex={-1}>One spot</Button>
        </Link>
      </Strip>
      <div className={placedStyles.row}>
        <main className={`${placedStyles.main} dapple`}>
          {pieces.length === 0 ? (
            <Empty>Nothing is handed in. When the first pieces are, all that was put on them shows here.</Empty>
          ) : (
            <PlacedSheet
              {...{ page, dots, shown, copyId }}
              picture={`/handouts/${handout.id}/picture.svg?page=${index}&version=${version}`}
              onChoose={setCopyId}
            />
          )}
        </main>
        <WhatWasPut
          handoutId={handout.id}
          {...{ pieces, atWork, what, copyId }}
          dots={ofRuling}
          onWhat={choose}
          onPiece={setCopyId}
        />
      </div>
    </div>
  );
}
