import { Alert, Button, Input } from 'antd';
import { Form, useNavigation } from 'react-router';
import { z } from 'zod';
import { addClass, addStudent, classesOf, isTeacherOf, membersOf } from '../../server/stores/classes';
import { clearSecret } from '../../server/stores/people';
import { check, formOf } from '../form.server';
import { HouseStrip } from '../look/strip';
import { missing, requireRole } from '../who.server';
import type { Route } from './+types/classes';
import './classes.css';

const Name = z.string().trim().min(1, 'Type a name.').max(80, 'Names have at most 80 letters.');
const Action = z.discriminatedUnion('do', [
  z.object({ do: z.literal('add-class'), name: Name }),
  z.object({
    do: z.literal('add-students'),
    classId: z.string().max(40),
    names: z
      .string()
      .max(10_000)
      .transform((text) =>
        text
          .split('\n')
          .map((line) => line.trim())
          .filter(Boolean),
      )
      .pipe(
        z
          .array(Name)
          .min(1, 'Type at least one name, each on a line of its own.')
          .max(100, 'At most 100 names at once.'),
      ),
  }),
  z.object({ do: z.literal('new-secret'), classId: z.string().max(40), student: z.string().max(40) }),
]);

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const classes = await classesOf(context.services.db, person.id);
  return {
    person,
    classes: await Promise.all(
      classes.map(async (c) => ({ ...c, members: await membersOf(context.services.db, c.id) })),
    ),
  };
}

export async function action({ request, context }: Route.ActionArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db } = context.services;
  const read = check(Action, await formOf(request));
  if (!read.ok) return { ...read.wrong, said: null };
  const given = read.value;
  if (given.do === 'add-class') {
    await addClass(db, { schoolId: person.schoolId, teacherId: person.id, name: given.name });
    return { problem: null, said: `${given.name} is there. Add its students below.` };
  }
  if (!(await isTeacherOf(db, person.id, given.classId))) throw missing();
  if (given.do === 'new-secret') {
    await clearSecret(db, person.id, given.student);
    return { problem: null, said: 'The old pictures no longer count. At the next sign-in new ones are chosen.' };
  }
  for (const name of given.names) await addStudent(db, { schoolId: person.schoolId, classId: given.classId, name });
  return {
    problem: null,
    said:
      given.names.length === 1
        ? `${given.names[0]} is in the class.`
        : `${given.names.length} students are in the class.`,
  };
}

export const meta: Route.MetaFunction = () => [{ title: 'Classes · Dappled Margin' }];

export default function Classes({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  return (
    <div className="desk dapple">
      <HouseStrip person={loaderData.person} />
      <main className="classes">
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {actionData?.said && <Alert type="success" showIcon title={actionData.said} role="status" />}
        {loaderData.classes.map((c) => (
          <section key={c.id} className="card class-card" aria-labelledby={`class-${c.id}`}>
            <header>
              <h2 id={`class-${c.id}`}>{c.name}</h2>
              <span className="quiet">{c.size === 1 ? '1 student' : `${c.size} students`}</span>
              <span className="class-code">
                class code <b>{c.code}</b>
              </span>
            </header>
            <ul className="class-names">
              {c.members.map((member) => (
                <li key={member.id}>
                  <span>{member.name}</span>
                  <Form method="post">
                    <input type="hidden" name="classId" value={c.id} />
                    <input type="hidden" name="student" value={member.id} />
                    <button
                      className="plainbtn quiet"
                      name="do"
                      value="new-secret"
                      disabled={!member.hasSecret}
                      aria-label={`New pictures for ${member.name}`}
                    >
                      {member.hasSecret ? 'new pictures' : 'no pictures yet'}
                    </button>
                  </Form>
                </li>
              ))}
            </ul>
            <Form method="post" className="class-add">
              <input type="hidden" name="classId" value={c.id} />
              <Input.TextArea
                name="names"
                rows={2}
                aria-label={`Names to add to ${c.name}`}
                placeholder="Names to add, each on a line of its own"
              />
              <Button htmlType="submit" name="do" value="add-students" loading={busy}>
                Add
              </Button>
            </Form>
          </section>
        ))}
        <Form method="post" className="card class-card class-new">
          <h2>Another class</h2>
          <Input name="name" aria-label="Name of the class" placeholder="Name of the class" />
          <Button htmlType="submit" name="do" value="add-class" loading={busy}>
            Begin it
          </Button>
        </Form>
      </main>
    </div>
  );
}
