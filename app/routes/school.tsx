import { Alert, Button, Input } from 'antd';
import { useEffect } from 'react';
import { Form, useNavigation, useSubmit } from 'react-router';
import { z } from 'zod';
import { doWithSchool, requireHead, WithSchool } from '../../server/actions/teachers';
import { teachersIn } from '../../server/stores/teachers';
import { orLast, reached } from '../browser/reached';
import { check, formOf } from '../form.server';
import { HouseStrip } from '../house/house-strip';
import { keep, useKept } from '../keeping/kept';
import { card } from '../parts/card';
import { Sure } from '../parts/sure';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/school';
import styles from './school.module.css';

/** The teachers of a school, for whoever looks after them. */

const NEW = 'school/new';
const Typed = z.object({ name: z.string(), email: z.string() });

type Answer = {
  problem: string | null;
  field?: string;
  /** Told this once. */
  made: { name: string; email: string; password: string } | null;
  added: boolean;
};

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  await allowed(Promise.resolve().then(() => requireHead(person)));
  return { person, teachers: await teachersIn(context.services.db, person.schoolId) };
}

export async function action({ request, context }: Route.ActionArgs): Promise<Answer> {
  const person = await requireRole(request, context, 'teacher');
  const read = check(WithSchool, await formOf(request));
  if (!read.ok) return { ...read.wrong, made: null, added: false };
  const made = await filledIn(doWithSchool(context.services.db, person, read.value));
  if ('problem' in made) return { ...made, made: null, added: false };
  return { problem: null, made, added: read.value.do === 'add' };
}

export async function clientAction({ serverAction }: Route.ClientActionArgs): Promise<Answer> {
  const answer = await reached(() => serverAction());
  return 'unreached' in answer ? { problem: answer.problem, made: null, added: false } : answer;
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Teachers · Dappled Margin' }];

export default function School({ loaderData, actionData }: Route.ComponentProps) {
  const { person, teachers } = loaderData;
  const busy = useNavigation().state === 'submitting';
  const submit = useSubmit();
  const [typed, setTyped] = useKept(person.id, NEW, Typed);
  const { name, email } = typed ?? { name: '', email: '' };
  const set = (patch: Partial<z.infer<typeof Typed>>) => setTyped({ name, email, ...patch });
  const added = actionData?.added;
  useEffect(() => {
    if (added) keep(person.id, NEW, null);
  }, [added, person.id, actionData]);
  const made = actionData?.made;
  return (
    <div className={`${styles.page} dapple`}>
      <HouseStrip person={person} />
      <main>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {made && (
          <section className={card(styles.made)} aria-label="A first password" role="status">
            <p>
              <b>{made.name}</b> signs in with <b>{made.email}</b> and
            </p>
            <p className={styles.password}>{made.password}</p>
            <p className="quiet">
              It is shown this once, and is good for one sign-in: then {made.name} chooses a password of their own.
            </p>
          </section>
        )}
        <h2>Teachers of {person.schoolName}</h2>
        <ul className={card(styles.teachers)}>
          {teachers.map((one) => (
            <li key={one.id}>
              <strong>{one.name}</strong>
              <span className="quiet">{one.email}</span>
              <span className={styles.acts}>
                {one.id === person.id ? (
                  <span className="quiet">you</span>
                ) : (
                  <Sure
                    question={`${one.name}’s password stops working, and ${one.name} is signed out everywhere. You get one to hand over.`}
                    verb="set a new one"
                    onSure={() => void submit({ do: 'reset', teacher: one.id }, { method: 'post' })}
                  >
                    forgot the password
                  </Sure>
                )}
              </span>
            </li>
          ))}
        </ul>
        <Form method="post" className={card(styles.add)}>
          <h3>Add a teacher</h3>
          <label htmlFor="name">Name</label>
          <Input
            id="name"
            name="name"
            value={name}
            maxLength={80}
            status={actionData?.field === 'name' ? 'error' : undefined}
            onChange={(event) => set({ name: event.target.value })}
          />
          <label htmlFor="email">E-mail, to sign in with</label>
          <Input
            id="email"
            name="email"
            value={email}
            maxLength={200}
            inputMode="email"
            status={actionData?.field === 'email' ? 'error' : undefined}
            onChange={(event) => set({ email: event.target.value })}
          />
          <Button htmlType="submit" type="primary" name="do" value="add" loading={busy}>
            Add teacher
          </Button>
        </Form>
      </main>
    </div>
  );
}
