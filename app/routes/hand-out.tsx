import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { HandingOut, handOut, TryingOut, tryOut } from '../../server/actions/hand-out';
import { triedOn, TryingOn } from '../../server/actions/try-on';
import { LookingAt, versionsShown } from '../../server/actions/versions';
import { SpacedIds } from '../../server/actions/spaced';
import { handOutView } from '../../server/views/hand-out-view';
import { letterOf } from '../../core/values/letters';
import { workshop } from '../../server/actions/means';
import { reached } from '../browser/reached';
import { Editor, useEditor } from '../document/editor';
import { check, formOf, jsonOf } from '../form.server';
import { useHandOut } from '../handout/draft';
import { GivenSheet } from '../handout/given-sheet';
import { HandoutForm } from '../handout/handout-form';
import { TriedSheet, VersionSheet } from '../handout/other-sheets';
import { useShownLookFor } from '../handout/shown';
import { Strip } from '../house/strip';
import { useSending } from '../keeping/sender';
import { allowed, filledIn, requireRole } from '../who.server';
import { Notice, SaveWords } from '../workbench/save-words';
import type { Route } from './+types/hand-out';
import styles from '../margin/frame.module.css';
import handOutStyles from '../handout/hand-out.module.css';

export async function loader({ request, context, params }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { searchParams } = new URL(request.url);
  const handoutId = searchParams.get('after');
  const copies = SpacedIds.safeParse(searchParams.get('of') ?? '');
  const after = handoutId !== null && copies.success ? { handoutId, copyIds: copies.data } : null;
  return allowed(handOutView(context.services.db, person, params.sheetId, searchParams.get('like'), after));
}

export const shouldRevalidate = () => false;

export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const means = workshop(db, shelf);
  const form = await formOf(request);
  const given = jsonOf(form.handout);
  if (form.do === 'try') {
    const trial = check(TryingOut, given);
    if (!trial.ok) return trial.wrong;
    const copy = await filledIn(tryOut(means, person, params.sheetId, trial.value));
    return typeof copy === 'string' ? { problem: null, to: `/copies/${copy}` } : copy;
  }
  if (form.do === 'versions') {
    const wanted = check(LookingAt, given);
    if (!wanted.ok) return wanted.wrong;
    const versions = await filledIn(versionsShown(means, person, params.sheetId, wanted.value));
    return 'problem' in versions ? versions : { problem: null, versions };
  }
  if (form.do === 'try-on') {
    const wanted = check(TryingOn, given);
    if (!wanted.ok) return wanted.wrong;
    const tried = await filledIn(triedOn(means, person, wanted.value));
    return 'problem' in tried ? tried : { problem: null, tried };
  }
  const read = check(HandingOut, given);
  if (!read.ok) return read.wrong;
  const done = await filledIn(handOut(means, person, params.sheetId, read.value));
  if ('problem' in done) return done;
  return { problem: null, to: done.length === 1 ? `/handouts/${done[0]}` : '/desk' };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `Hand out: ${loaderData?.sheet.title ?? ''} · Dappled Margin` },
];

export default function HandOut({ loaderData }: Route.ComponentProps) {
  const [editor] = useState(() => new Editor({ ...loaderData, rights: { kind: 'all' } }));
  useEffect(() => {
    void editor.open();
    return () => editor.close();
  }, [editor]);
  useSending(loaderData.personId);
  const sheet = useEditor(editor, 'sheet');
  const handOut = useHandOut(editor, sheet, loaderData);
  const { other } = handOut.tryOn;
  const { shown, point } = useShownLookFor(handOut.tried, other !== null);
  const [scrolled, setScrolled] = useState(0);
  const version = handOut.looking.sheet;
  return (
    <div className={`${styles.frame} ${handOutStyles.handing}`}>
      <Strip home="/desk" title={`Hand out: ${sheet.title}`} before={<SaveWords editor={editor} />}>
        <Link to={`/sheets/${loaderData.id}`}>Back to the sheet</Link>
        <Button loading={handOut.trying} onClick={() => void handOut.tryOut()}>
          As a student sees it
        </Button>
      </Strip>
      <div className={styles.row}>
        <div className={`${styles.main} ${styles.wide}`}>
          {other ? (
            <TriedSheet
              key={handOut.tryOn.on}
              sheet={other.sheet}
              name={other.name}
              shown={shown}
              scrolled={scrolled}
            />
          ) : version ? (
            <VersionSheet sheet={version} letter={letterOf(handOut.looking.shown)} />
          ) : (
            <GivenSheet editor={editor} sheet={sheet} shown={shown} scrolled={scrolled} />
          )}
          <aside className="margin-column" aria-label="Who, when and what">
            <HandoutForm
              of={handOut}
              view={loaderData}
              sheet={sheet}
              onRefuse={(reason) => editor.say(reason)}
              point={point}
              onScroll={() => setScrolled((times) => times + 1)}
            />
          </aside>
        </div>
      </div>
      <Notice editor={editor} />
    </div>
  );
}
