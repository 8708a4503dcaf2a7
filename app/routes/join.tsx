import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Form, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import { isSecret, SECRET_LENGTH, SECRET_PICTURES } from '../../core/handout/secret';
import { classByCode, membersOf } from '../../server/stores/classes';
import { signInStudent } from '../../server/stores/people';
import { check, formOf } from '../form.server';
import { Strip } from '../look/strip';
import { signedIn } from '../who.server';
import type { Route } from './+types/join';
import './join.css';

const Entry = z.object({
  code: z.string().max(20),
  student: z.string().min(1, 'Choose your name first.').max(40),
  secret: z.string().refine(isSecret, `Choose ${SECRET_LENGTH} pictures, in your order.`),
});

export async function loader({ request, context }: Route.LoaderArgs) {
  const code = new URL(request.url).searchParams.get('code') ?? '';
  const found = await classByCode(context.services.db, code);
  if (!found) throw redirect('/');
  return { class: found, members: await membersOf(context.services.db, found.id) };
}

export async function action({ request, context }: Route.ActionArgs) {
  const read = check(Entry, await formOf(request));
  if (!read.ok) return read.wrong;
  const result = await signInStudent(context.services.db, read.value.code, read.value.student, read.value.secret);
  if (result.ok) return signedIn(context, result.person, '/tray');
  return {
    problem:
      result.reason === 'slow'
        ? 'That was tried too often. Wait ten minutes, or ask your teacher for a new picture secret.'
        : 'Those are not your pictures. Try again: the order counts. If you have forgotten them, ask your teacher.',
  };
}

export const meta: Route.MetaFunction = () => [{ title: 'Your class · Dappled Margin' }];

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  const { members } = loaderData;
  const [student, setStudent] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const busy = useNavigation().state === 'submitting';
  const member = members.find(({ id }) => id === student);
  return (
    <div className="join dapple">
      <Strip title={`${loaderData.class.name} · ${loaderData.class.school}`} home="/" />
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {!member ? (
          <section className="card join-card">
            <h2>Which name is yours?</h2>
            {members.length === 0 && <p>There is nobody in this class yet. Your teacher adds the names.</p>}
            <div className="join-names">
              {members.map(({ id, name }) => (
                <button key={id} type="button" className="join-name" onClick={() => setStudent(id)}>
                  {name}
                </button>
              ))}
            </div>
          </section>
        ) : (
          <Form method="post" className="card join-card" onSubmit={() => setChosen([])}>
            <h2>
              {member.name},{' '}
              {member.hasSecret
                ? 'your three pictures, in your order'
                : 'choose three pictures: your secret from now on'}
            </h2>
            <input type="hidden" name="code" value={loaderData.class.code} />
            <input type="hidden" name="student" value={member.id} />
            <input type="hidden" name="secret" value={chosen.join(' ')} />
            <div className="join-pictures">
              {SECRET_PICTURES.map((picture) => (
                <button
                  key={picture}
                  type="button"
                  aria-label={picture}
                  disabled={chosen.length === SECRET_LENGTH}
                  onClick={() => setChosen([...chosen, picture])}
                >
                  <img src={`/art/pictures/flat/${picture}.svg`} alt="" width={56} height={56} />
                </button>
              ))}
            </div>
            <div className="join-chosen" aria-live="polite">
              <span className="sr">
                {chosen.length} of {SECRET_LENGTH} chosen
              </span>
              {Array.from({ length: SECRET_LENGTH }, (_, i) => (
                <span key={i} className="join-slot">
                  {chosen[i] && <img src={`/art/pictures/flat/${chosen[i]}.svg`} alt="" width={34} height={34} />}
                </span>
              ))}
              <Button onClick={() => setChosen([])} disabled={chosen.length === 0}>
                Start over
              </Button>
              <span style={{ flex: 1 }} />
              <Button onClick={() => (setStudent(null), setChosen([]))}>That is not me</Button>
              <Button type="primary" htmlType="submit" disabled={chosen.length < SECRET_LENGTH} loading={busy}>
                Go in
              </Button>
            </div>
          </Form>
        )}
      </main>
    </div>
  );
}
