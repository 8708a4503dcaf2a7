import { Alert, Button, Input } from 'antd';
import { Form, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import { classByCode } from '../../server/stores/classes';
import { demoDoors } from '../../server/stores/demo';
import { beginSchool, isEmptyHouse, personById } from '../../server/stores/people';
import { codeTries, signInTeacher } from '../../server/stores/sign-in';
import { giveBack, take } from '../../server/accounts/allowance';
import { check, formOf } from '../form.server';
import { afterReaching, reached } from '../browser/reached';
import { Mark } from '../house/strip';
import { fromOf, placeAfter, signedIn, waitWords, whoIs } from '../who.server';
import type { Route } from './+types/front';
import './front.css';

const SignIn = z.discriminatedUnion('as', [
  z.object({
    as: z.literal('teacher'),
    email: z.string().trim().min(1, 'Type the e-mail address you were registered with.').max(200),
    password: z.string().min(1, 'Type your password.').max(200),
    next: z.string().optional(),
  }),
  z.object({
    as: z.literal('student'),
    code: z.string().trim().min(1, 'Type the code your teacher gave you.').max(20),
  }),
  z.object({ as: z.literal('demo'), person: z.string().max(80) }),
  z.object({
    as: z.literal('first'),
    school: z.string().trim().min(1, 'Type the name of your school.').max(120),
    name: z.string().trim().min(1, 'Type your name.').max(80),
    email: z.email('Type your e-mail address: you sign in with it.').max(200),
    password: z
      .string()
      .min(10, 'Choose a password of at least 10 letters; a few words in a row are easy to keep.')
      .max(200),
  }),
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
  if (given.as === 'demo') {
    const door = demo ? (await demoDoors(db)).find(({ name }) => name === given.person) : undefined;
    const person = door && (await personById(db, door.id));
    return person
      ? signedIn(request, context, person, placeAfter(null, person.role))
      : { problem: 'This is not a demo, so there is no way in without a password.' };
  }
  if (given.as === 'first') {
    const person = await beginSchool(db, given);
    return person
      ? signedIn(request, context, person, '/desk')
      : { problem: 'A school has been set up here already. Sign in with your address, or ask whoever did it.' };
  }
  if (given.as === 'student') {
    const tries = codeTries(await fromOf(request, context));
    const seconds = await take(db, tries);
    if (seconds > 0)
      return { problem: `Too many codes were tried from here. Try again in ${waitWords(seconds)}.`, field: 'code' };
    const found = await classByCode(db, given.code);
    if (found) await giveBack(db, tries);
    return found
      ? redirect(`/join?code=${found.code}`)
      : {
          problem: `There is no class with the code “${given.code}”. Look at it again, or ask your teacher.`,
          field: 'code',
        };
  }
  const result = await signInTeacher(db, given.email, given.password, await fromOf(request, context));
  if (result.ok) return signedIn(request, context, result.person, placeAfter(given.next ?? null, 'teacher'));
  return result.reason === 'slow'
    ? {
        problem: `Too many tries. Try again in ${waitWords(result.seconds)}.`,
        field: 'password',
      }
    : {
        problem: 'This e-mail and password don’t match. Check both; capitals count in the password.',
        field: 'password',
      };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Dappled Margin: sheets that come back read' }];

export default function Front({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const wrong = (field: string) => actionData?.field === field || undefined;
  return (
    <div className="front dapple">
      <main>
        <section className="front-name">
          <Mark size={54} />
          <h1>Dappled Margin</h1>
          <p>
            Make a sheet. Hand it out. Read what each one made of it, with everything you have to say beside the spot it
            is about.
          </p>
        </section>
        {actionData?.problem && (
          <Alert type="error" showIcon title={actionData.problem} role="alert" className="front-problem" />
        )}
        {loaderData.empty && (
          <Form method="post" className="card front-door">
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
        )}
        <div className="front-doors" hidden={loaderData.empty}>
          <Form method="post" className="card front-door front-student">
            <h2>I am a student</h2>
            <input type="hidden" name="as" value="student" />
            <label htmlFor="code">Class code</label>
            <Input
              id="code"
              name="code"
              size="large"
              autoComplete="off"
              autoCapitalize="characters"
              status={wrong('code') && 'error'}
              aria-invalid={wrong('code')}
              style={{ letterSpacing: '0.2em', textTransform: 'uppercase' }}
            />
            <Button htmlType="submit" type="primary" size="large" loading={busy}>
              Find my class
            </Button>
          </Form>
          <Form method="post" className="card front-door">
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
        </div>
        {loaderData.doors.length > 0 && (
          <Form method="post" className="card front-demo">
            <input type="hidden" name="as" value="demo" />
            <div>
              <h2>This is a demo</h2>
              <p className="quiet">
                A made-up school beside a salt marsh. Step in as one of these people; nothing here is real, so change
                what you like.
              </p>
            </div>
            <div className="front-people">
              {loaderData.doors.map((door) => (
                <button key={door.name} name="person" value={door.name} className="front-person" type="submit">
                  <strong>{door.name}</strong>
                  <span>{door.what}</span>
                </button>
              ))}
            </div>
          </Form>
        )}
        <p className="quiet front-foot">
          <a href="/credits">Pictures, fonts and their licences</a>
        </p>
      </main>
    </div>
  );
}
