import { card } from '../parts/card';
import { Alert, Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Form, redirect, useNavigation } from 'react-router';
import { OLD_LENGTH, SECRET_LENGTH } from '../../core/handout/secret';
import { classToJoin, enterAsStudent, Joining } from '../../server/actions/come-in';
import { check, formOf } from '../form.server';
import { rememberClass } from '../house/last-class';
import { SecretPictures } from '../house/secret-pictures';
import { afterReaching, reached, wasUnreached } from '../browser/reached';
import { Strip } from '../house/strip';
import { filledIn, fromOf, signedIn } from '../who.server';
import type { Route } from './+types/join';
import styles from './join.module.css';

export async function loader({ request, context }: Route.LoaderArgs) {
  const code = new URL(request.url).searchParams.get('code') ?? '';
  const found = await classToJoin(context.services.db, code, await fromOf(request, context));
  if (!found) throw redirect('/');
  const { name, school } = found.class;
  return { class: { code: found.class.code, name, school }, members: found.members };
}

export async function action({ request, context }: Route.ActionArgs) {
  const read = check(Joining, await formOf(request));
  if (!read.ok) return read.wrong;
  const entered = await filledIn(enterAsStudent(context.services.db, read.value, await fromOf(request, context)));
  return 'problem' in entered ? entered : signedIn(request, context, entered, '/tray');
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Your class · Dappled Margin' }];

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  const { members } = loaderData;
  const [student, setStudent] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const busy = useNavigation().state === 'submitting';
  const form = useRef<HTMLFormElement>(null);
  // After the last picture one is in: nothing else is to be pressed.
  useEffect(() => {
    if (chosen.length === SECRET_LENGTH) form.current?.requestSubmit();
  }, [chosen]);
  useEffect(() => {
    if (actionData && !wasUnreached(actionData)) setChosen([]);
  }, [actionData]);
  const { code, name, school } = loaderData.class;
  useEffect(() => rememberClass({ code, name, school }), [code, name, school]);
  const member = members.find(({ ref }) => ref === student);
  return (
    <div className={`${styles.join} dapple`}>
      <Strip title={`${name} · ${school}`} home="/" />
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {!member ? (
          <section className={card(styles.card)}>
            <h2>Which name is yours?</h2>
            {members.length === 0 && <p>There is nobody in this class yet. Your teacher adds the names.</p>}
            <div className={styles.names}>
              {members.map(({ ref, name }) => (
                <button key={ref} type="button" className={styles.name} onClick={() => setStudent(ref)}>
                  {name}
                </button>
              ))}
            </div>
          </section>
        ) : (
          <Form method="post" ref={form} className={card(styles.card)}>
            <header className={styles.head}>
              <h2>{member.name}, press your pictures in your order</h2>
              <Button type="text" onClick={() => (setStudent(null), setChosen([]))}>
                That is not me
              </Button>
            </header>
            <p className="quiet">The first time, they are on the card that your teacher gave you.</p>
            <input type="hidden" name="code" value={code} />
            <input type="hidden" name="student" value={member.ref} />
            <SecretPictures chosen={chosen} onChange={setChosen}>
              {chosen.length >= OLD_LENGTH && (
                <Button type="primary" htmlType="submit" loading={busy}>
                  {chosen.length === OLD_LENGTH ? 'I have only three: go in' : 'Go in'}
                </Button>
              )}
            </SecretPictures>
          </Form>
        )}
      </main>
    </div>
  );
}
