import { Alert, Button, Input } from 'antd';
import { useEffect } from 'react';
import { Form, useNavigation } from 'react-router';
import { z } from 'zod';
import {
  addClassFor,
  AddingClass,
  AddingStudents,
  addStudentsTo,
  makeCardsFor,
  MakingCards,
  MovingStudent,
  moveStudentFor,
  renameClassFor,
  RenamingClass,
} from '../../server/actions/classes';
import { classesOf, membersOf } from '../../server/stores/classes';
import { check, formOf } from '../form.server';
import type { Carded } from '../classes/cards';
import { Cards } from '../classes/cards';
import { ClassCard } from '../classes/class-card';
import { NEW_CLASS, namesPlace, renamePlace } from '../classes/places';
import { Empty } from '../parts/empty';
import { HouseStrip } from '../house/house-strip';
import { keep, useKept } from '../keeping/kept';
import { orLast, reached } from '../browser/reached';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/classes';
import styles from './classes.module.css';

const Given = z.discriminatedUnion('do', [
  AddingClass.extend({ do: z.literal('add-class') }),
  AddingStudents.extend({ do: z.literal('add-students') }),
  MakingCards.extend({ do: z.literal('cards') }),
  RenamingClass.extend({ do: z.literal('rename-class') }),
  MovingStudent.extend({ do: z.literal('move-student') }),
]);

type Answer = {
  problem: string | null;
  said: string | null;
  cards: Carded[];
  /** A field whose text was taken, and what remains in it. */
  taken: { box: string; left: string } | null;
};
const NOTHING: Answer = { problem: null, said: null, cards: [], taken: null };
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

export async function action({ request, context }: Route.ActionArgs): Promise<Answer> {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  const read = check(Given, await formOf(request));
  if (!read.ok) return { ...NOTHING, ...read.wrong };
  const given = read.value;
  if (given.do === 'add-class') {
    await addClassFor(db, person, given);
    return { ...NOTHING, said: `${given.name} is there. Add its students below.`, taken: { box: NEW_CLASS, left: '' } };
  }
  if (given.do === 'cards') {
    const made = await filledIn(makeCardsFor(db, person, given));
    if ('problem' in made) return { ...NOTHING, problem: made.problem };
    return { ...NOTHING, cards: made.cards.map(({ name, pictures }) => ({ name, pictures, code: made.code })) };
  }
  if (given.do === 'rename-class') {
    const done = await filledIn(renameClassFor(db, person, given));
    if (done) return { ...NOTHING, problem: done.problem };
    return {
      ...NOTHING,
      said: `The class is called ${given.name} now.`,
      taken: { box: renamePlace(given.classId), left: '' },
    };
  }
  if (given.do === 'move-student') {
    const moved = await filledIn(moveStudentFor({ db, pictures: shelf.resources.pictures }, person, given));
    if ('problem' in moved) return { ...NOTHING, problem: moved.problem };
    return {
      ...NOTHING,
      said: moved.to ? `${moved.name} is in ${moved.to} now.` : `${moved.name} has left the class.`,
    };
  }
  const { added, there } = await allowed(addStudentsTo({ db, pictures: shelf.resources.pictures }, person, given));
  // Names already in the class may need changing: they stay in the field.
  const taken = { box: namesPlace(given.classId), left: there.join('\n') };
  return { ...NOTHING, problem: thereWords(there), said: addedWords(added), taken };
}

export async function clientAction({ serverAction }: Route.ClientActionArgs): Promise<Answer> {
  const answer = await reached(() => serverAction());
  return 'unreached' in answer ? { ...NOTHING, problem: answer.problem } : answer;
}

const listed = (names: readonly string[]) =>
  names.length <= 3 ? names.join(', ') : `${names.slice(0, 2).join(', ')} and ${names.length - 2} more`;

function addedWords(added: readonly string[]): string | null {
  if (added.length === 0) return null;
  return added.length === 1 ? `${added[0]} is in the class.` : `${added.length} students are in the class.`;
}

function thereWords(there: readonly string[]): string | null {
  if (there.length === 0) return null;
  const are = there.length === 1 ? 'is' : 'are';
  return `${listed(there)} ${are} in the class already. Somebody else of the same name needs one that tells them apart, such as “${there[0]} B.”.`;
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Classes · Dappled Margin' }];

export default function Classes({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const { classes } = loaderData;
  const { id: personId } = loaderData.person;
  const taken = actionData?.taken;
  useEffect(() => {
    if (taken) keep(personId, taken.box, taken.left || null);
  }, [personId, taken]);
  const [newClass, setNewClass] = useKept(personId, NEW_CLASS, z.string());
  return (
    <div className={`${styles.page} dapple`}>
      <HouseStrip person={loaderData.person} />
      <main className={styles.classes}>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {actionData?.said && <Alert type="success" showIcon title={actionData.said} role="status" />}
        {actionData && actionData.cards.length > 0 && <Cards cards={actionData.cards} />}
        <div className={styles.head}>
          <h2>Classes</h2>
          <Form method="post" className={styles.new} data-lit={classes.length === 0 || undefined}>
            <Input
              name="name"
              aria-label="Name of the class"
              placeholder={classes.length === 0 ? 'Name of your first class' : 'Name of the class'}
              value={newClass ?? ''}
              onChange={(event) => setNewClass(event.target.value || null)}
            />
            <Button htmlType="submit" name="do" value="add-class" loading={busy}>
              Add class
            </Button>
          </Form>
        </div>
        {classes.length === 0 && (
          <Empty>No classes yet. Give one a name, then add its students: they come in with its code.</Empty>
        )}
        {classes.map((one) => (
          <ClassCard
            key={one.id}
            personId={personId}
            given={one}
            others={classes.filter((other) => other !== one)}
            busy={busy}
          />
        ))}
      </main>
    </div>
  );
}
