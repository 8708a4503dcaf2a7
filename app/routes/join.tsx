import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Form, redirect, useNavigation } from 'react-router';
import { z } from 'zod';
import { maybeSecret, OLD_LENGTH, SECRET_LENGTH } from '../../core/handout/secret';
import { giveBack, take } from '../../server/accounts/allowance';
import { classByCode } from '../../server/stores/classes';
import { codeTries, namesIn, signInStudent } from '../../server/stores/sign-in';
import { check, formOf } from '../form.server';
import { SecretPictures } from '../house/secret-pictures';
import { afterReaching, reached } from '../browser/reached';
import { Strip } from '../house/strip';
import { fromOf, signedIn, waitWords } from '../who.server';
import type { Route } from './+types/join';
import './join.css';

const Entry = z.object({
  code: z.string().max(20),
  student: z.string().min(1, 'Choose your name first.').max(40),
  secret: z.string().refine(maybeSecret, `Choose your ${SECRET_LENGTH} pictures, in your order.`),
});

/** Names are told to whoever knows the code of a class, and no more than names. */
export async function loader({ request, context }: Route.LoaderArgs) {
  const { db } = context.services;
  const code = new URL(request.url).searchParams.get('code') ?? '';
  const tries = codeTries(await fromOf(request, context));
  const found = (await take(db, tries)) === 0 ? await classByCode(db, code) : undefined;
  if (!found) throw redirect('/');
  await giveBack(db, tries);
  const { name, school } = found;
  return { class: { code: found.code, name, school }, members: await namesIn(db, found.id) };
}

export async function action({ request, context }: Route.ActionArgs) {
  const read = check(Entry, await formOf(request));
  if (!read.ok) return read.wrong;
  const { code, student, secret } = read.value;
  const result = await signInStudent(context.services.db, code, student, secret, await fromOf(request, context));
  if (result.ok) return signedIn(request, context, result.person, '/tray', result.mustChoose);
  return {
    problem:
      result.reason === 'slow'
        ? `That was tried too often just now. Try again in ${waitWords(result.seconds)}, or ask your teacher for a card.`
        : 'Those are not your pictures. Try again: the order counts. If you have forgotten them or have none yet, ask your teacher for a card.',
  };
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Your class · Dappled Margin' }];

export default function Join({ loaderData, actionData }: Route.ComponentProps) {
  const { members } = loaderData;
  const [student, setStudent] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const busy = useNavigation().state === 'submitting';
  const member = members.find(({ ref }) => ref === student);
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
              {members.map(({ ref, name }) => (
                <button key={ref} type="button" className="join-name" onClick={() => setStudent(ref)}>
                  {name}
                </button>
              ))}
            </div>
          </section>
        ) : (
          <Form method="post" className="card join-card" onSubmit={() => setChosen([])}>
            <h2>{member.name}, your pictures in your order</h2>
            <p className="quiet">The first time, they are on the card that your teacher gave you.</p>
            <input type="hidden" name="code" value={loaderData.class.code} />
            <input type="hidden" name="student" value={member.ref} />
            <SecretPictures chosen={chosen} onChange={setChosen}>
              <Button onClick={() => (setStudent(null), setChosen([]))}>That is not me</Button>
              <Button type="primary" htmlType="submit" disabled={chosen.length < OLD_LENGTH} loading={busy}>
                Go in
              </Button>
            </SecretPictures>
          </Form>
        )}
      </main>
    </div>
  );
}
