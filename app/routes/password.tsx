import { Alert, Button, Input } from 'antd';
import { Form, redirect, useNavigation } from 'react-router';
import { chooseOwnPassword, ChoosingPassword } from '../../server/actions/teachers';
import { afterReaching, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { Strip } from '../house/strip';
import { card } from '../parts/card';
import { filledIn, tokenOf, whoIs } from '../who.server';
import type { Route } from './+types/password';
import styles from './join.module.css';

/** A teacher's own password: chosen for the first time by who came in with one from the head, or changed. */

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await whoIs(request, context);
  if (person?.role !== 'teacher') throw redirect('/');
  return { name: person.name, mustChoose: person.mustChoose };
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await whoIs(request, context);
  const token = await tokenOf(request, context);
  if (person?.role !== 'teacher' || !token) throw redirect('/');
  const read = check(ChoosingPassword, await formOf(request));
  if (!read.ok) return read.wrong;
  return (await filledIn(chooseOwnPassword(context.services.db, person, token, read.value))) ?? redirect('/desk');
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Your password · Dappled Margin' }];

export default function PasswordScreen({ loaderData, actionData }: Route.ComponentProps) {
  const { name, mustChoose } = loaderData;
  const busy = useNavigation().state === 'submitting';
  const wrong = (field: string) => (actionData && 'field' in actionData && actionData.field === field) || undefined;
  return (
    <div className={`${styles.join} dapple`}>
      <Strip title="Your password" home={mustChoose ? '/' : '/desk'} />
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        <Form method="post" className={card(styles.card)}>
          <h2>{mustChoose ? `${name}, choose your own password` : 'Change your password'}</h2>
          <p className="quiet">
            {mustChoose
              ? 'The one you came in with does not count any more.'
              : 'You stay signed in here, and are signed out everywhere else.'}
          </p>
          {!mustChoose && (
            <>
              <label htmlFor="current">Password until now</label>
              <Input.Password
                id="current"
                name="current"
                autoComplete="current-password"
                status={wrong('current') && 'error'}
                aria-invalid={wrong('current')}
              />
            </>
          )}
          <label htmlFor="password">New password</label>
          <Input.Password
            id="password"
            name="password"
            autoComplete="new-password"
            aria-describedby="password-help"
            status={wrong('password') && 'error'}
            aria-invalid={wrong('password')}
          />
          <span id="password-help" className="quiet">
            At least 10 letters. A few words in a row are easy to remember.
          </span>
          <Button type="primary" htmlType="submit" loading={busy}>
            Save
          </Button>
        </Form>
      </main>
    </div>
  );
}
