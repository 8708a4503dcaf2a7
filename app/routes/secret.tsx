import { card } from '../parts/card';
import { Alert, Button } from 'antd';
import { useState } from 'react';
import { Form, redirect, useNavigation } from 'react-router';
import { SECRET_LENGTH } from '../../core/handout/secret';
import { chooseOwnSecret, ChoosingSecret } from '../../server/actions/come-in';
import { check, formOf } from '../form.server';
import { SecretPictures } from '../house/secret-pictures';
import { afterReaching, reached } from '../browser/reached';
import { Strip } from '../house/strip';
import { filledIn, tokenOf, whoIs } from '../who.server';
import type { Route } from './+types/secret';
import styles from './join.module.css';

/** Whoever signed in with a card chooses their own pictures, twice, so that a slip doesn't lock them out. */

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await whoIs(request, context);
  if (!person) throw redirect('/');
  if (person.role === 'teacher') throw redirect('/password');
  if (!person.mustChoose) throw redirect('/tray');
  return { name: person.name };
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await whoIs(request, context);
  const token = await tokenOf(request, context);
  if (!person?.mustChoose || person.role === 'teacher' || !token) throw redirect('/');
  const read = check(ChoosingSecret, await formOf(request));
  if (!read.ok) return read.wrong;
  const refused = await filledIn(chooseOwnSecret(context.services.db, person, token, read.value));
  if (refused) return refused;
  return redirect('/tray');
}

export const clientAction = ({ serverAction }: Route.ClientActionArgs) => reached(() => serverAction());
export const shouldRevalidate = afterReaching;

export const meta: Route.MetaFunction = () => [{ title: 'Your pictures · Dappled Margin' }];

export default function Secret({ loaderData, actionData }: Route.ComponentProps) {
  const [first, setFirst] = useState<string | null>(null);
  const [chosen, setChosen] = useState<string[]>([]);
  const busy = useNavigation().state === 'submitting';
  return (
    <div className={`${styles.join} dapple`}>
      <Strip title="Your pictures" home="/" />
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        <Form method="post" className={card(styles.card)} onSubmit={() => (setFirst(null), setChosen([]))}>
          <h2>
            {first === null
              ? `${loaderData.name}, choose ${SECRET_LENGTH} pictures: your secret from now on`
              : 'Once more, the same ones in the same order'}
          </h2>
          <p className="quiet">The card does not count any more. Tell your pictures to nobody.</p>
          <input type="hidden" name="first" value={first ?? ''} />
          <SecretPictures chosen={chosen} onChange={setChosen}>
            {first === null ? (
              <Button
                type="primary"
                disabled={chosen.length < SECRET_LENGTH}
                onClick={() => (setFirst(chosen.join(' ')), setChosen([]))}
              >
                These are mine
              </Button>
            ) : (
              <Button type="primary" htmlType="submit" disabled={chosen.length < SECRET_LENGTH} loading={busy}>
                Keep them
              </Button>
            )}
          </SecretPictures>
        </Form>
      </main>
    </div>
  );
}
