import { card } from '../parts/card';
import { Alert, Button, Input } from 'antd';
import { useEffect, useState } from 'react';
import { Form, Link, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import {
  ClassCode,
  classOfCode,
  DemoDoor,
  enterAsTeacher,
  enterDemo,
  enterFirst,
  FirstSchool,
  TeacherSignIn,
} from '../../server/actions/come-in';
import { demoDoors } from '../../server/stores/demo';
import { isEmptyHouse } from '../../server/stores/people';
import { check, formOf } from '../form.server';
import { afterReaching, reached } from '../browser/reached';
import { FrontSheet } from '../house/front-sheet';
import type { LastClass } from '../house/last-class';
import { forgetClass, lastClass } from '../house/last-class';
import { forgetPages } from '../offline/offline';
import { filledIn, fromOf, placeAfter, signedIn, whoIs } from '../who.server';
import type { Route } from './+types/front';
import styles from './front.module.css';

const SignIn = z.discriminatedUnion('as', [
  TeacherSignIn.extend({ as: z.literal('teacher'), next: z.string().optional() }),
  ClassCode.extend({ as: z.literal('student') }),
  DemoDoor.extend({ as: z.literal('demo') }),
  FirstSchool.extend({ as: z.literal('first') }),
]);

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await whoIs(request, context);
  const { searchParams } = new URL(request.url);
  const next = searchParams.get('next');
  // Another window is about to sign out: this one shows nothing of theirs any more.
  if (person && !searchParams.has('signed-out')) throw redirect(placeAfter(next, person.role));
  const { db, demo } = context.services;
  return {
    next,
    doors: demo ? (await demoDoors(db)).map(({ name, what }) => ({ name, what })) : [],
    empty: await isEmptyHouse(db),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const { db, demo } = context.services;
  const read = check(SignIn, await formOf(request));
  if (!read.ok) return read.wrong;
  const given = read.value;
  const from = await fromOf(request, context);
  if (given.as === 'student') {
    const found = await filledIn(classOfCode(db, given, from));
    return 'problem' in found ? found : redirect(`/join?code=${found.code}`);
  }
  const entered = await filledIn(
    given.as === 'demo'
      ? enterDemo({ db, demo }, given)
      : given.as === 'first'
        ? enterFirst(db, given)
        : enterAsTeacher(db, given, from),
  );
  if ('problem' in entered) return entered;
  const next = given.as === 'teacher' ? (given.next ?? null) : null;
  return signedIn(request, context, entered, placeAfter(next, entered.person.role));
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Dappled Margin: sheets that come back read' }];

export default function Front({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  // Nobody is signed in: nothing of anybody's is kept.
  useEffect(() => void forgetPages().catch(() => {}), []);
  const wrong = (field: string) => actionData?.field === field || undefined;
  return (
    <div className={`${styles.front} dapple`}>
      <main>
        <FrontSheet />
        <div className={styles.margin}>
          {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
          {loaderData.empty ? (
            <FirstSchoolForm busy={busy} />
          ) : (
            <>
              <StudentDoor busy={busy} wrong={wrong('code')} />
              <Form method="post" className={card(styles.door)}>
                <h2>I am a teacher</h2>
                <input type="hidden" name="as" value="teacher" />
                {loaderData.next && <input type="hidden" name="next" value={loaderData.next} />}
                <label htmlFor="email">E-mail</label>
                <Input id="email" name="email" type="email" autoComplete="username" />
                <label htmlFor="password">Password</label>
                <Input.Password
                  id="password"
                  name="password"
                  autoComplete="current-password"
                  status={wrong('password') && 'error'}
                  aria-invalid={wrong('password')}
                />
                <Button htmlType="submit" loading={busy}>
                  Sign in
                </Button>
              </Form>
            </>
          )}
        </div>
        {loaderData.doors.length > 0 && <DemoDoors doors={loaderData.doors} />}
        <p className={`quiet ${styles.foot}`}>
          <a href="/credits">Pictures, fonts and their licences</a>
        </p>
      </main>
    </div>
  );
}

/** The last class of this browser is one press away; any other is found by its code. */
function StudentDoor({ busy, wrong }: { busy: boolean; wrong: true | undefined }) {
  const [last, setLast] = useState<LastClass | null>(null);
  // Only the browser knows it.
  useEffect(() => setLast(lastClass()), []);
  return (
    <Form method="post" className={card(`${styles.door} ${styles.student}`)}>
      <h2>I am a student</h2>
      {last && (
        <Link to={`/join?code=${encodeURIComponent(last.code)}`} className={styles.last} onClick={forgetClass}>
          <strong>{last.name}</strong>
          <span>{last.school}. The last class here</span>
        </Link>
      )}
      <input type="hidden" name="as" value="student" />
      <label htmlFor="code">Class code</label>
      <Input
        id="code"
        name="code"
        size="large"
        autoComplete="off"
        autoCapitalize="characters"
        aria-describedby="code-help"
        status={wrong && 'error'}
        aria-invalid={wrong}
        className={styles.code}
      />
      <span id="code-help" className="quiet">
        It looks like <b className={styles.example}>HERN7</b>. Your teacher has yours.
      </span>
      <Button htmlType="submit" type="primary" size="large" loading={busy}>
        Find my class
      </Button>
    </Form>
  );
}

const FirstSchoolForm = ({ busy }: { busy: boolean }) => (
  <Form method="post" className={card(`${styles.door} ${styles.student}`)}>
    <h2>Set up your school</h2>
    <p className="quiet">Nobody is here yet. You are the first teacher.</p>
    <input type="hidden" name="as" value="first" />
    <label htmlFor="school">School</label>
    <Input id="school" name="school" />
    <label htmlFor="first-name">Your name</label>
    <Input id="first-name" name="name" autoComplete="name" />
    <label htmlFor="first-email">Your e-mail</label>
    <Input id="first-email" name="email" type="email" autoComplete="username" />
    <label htmlFor="first-password">A password</label>
    <Input.Password id="first-password" name="password" autoComplete="new-password" />
    <Button htmlType="submit" type="primary" loading={busy}>
      Begin
    </Button>
  </Form>
);

const DemoDoors = ({ doors }: { doors: readonly { name: string; what: string }[] }) => (
  <Form method="post" className={card(styles.demo)}>
    <input type="hidden" name="as" value="demo" />
    <div>
      <h2>This is a demo</h2>
      <p className="quiet">
        A made-up school beside a salt marsh. Step in as one of these people, and change what you like.
      </p>
    </div>
    <div className={styles.people}>
      {doors.map((door) => (
        <button key={door.name} name="person" value={door.name} className={styles.person} type="submit">
          <strong>{door.name}</strong>
          <span>{door.what}</span>
        </button>
      ))}
    </div>
  </Form>
);
