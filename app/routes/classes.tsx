import { Action } from '../parts/action';
import { card } from '../parts/card';
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
} from '../../server/actions/classes';
import { classesOf, membersOf } from '../../server/stores/classes';
import { check, formOf } from '../form.server';
import { HouseStrip } from '../house/house-strip';
import { keep, useKept } from '../keeping/kept';
import { orLast, reached } from '../browser/reached';
import { allowed, filledIn, requireRole } from '../who.server';
import type { Route } from './+types/classes';
import classesStyles from './classes.module.css';

const Given = z.discriminatedUnion('do', [
  AddingClass.extend({ do: z.literal('add-class') }),
  AddingStudents.extend({ do: z.literal('add-students') }),
  MakingCards.extend({ do: z.literal('cards') }),
]);

type Carded = { name: string; pictures: string[]; code: string };
type Answer = {
  problem: string | null;
  said: string | null;
  cards: Carded[];
  /** A field whose text was taken, and what remains in it. */
  taken: { box: string; left: string } | null;
};
const NOTHING: Answer = { problem: null, said: null, cards: [], taken: null };
/** Where the browser stores what is typed in a field. */
const NEW_CLASS = 'classes/new';
const boxOf = (classId: string) => `classes/${classId}/names`;

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
  const { db } = context.services;
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
  const { added, there } = await allowed(addStudentsTo(db, person, given));
  // Names already in the class may need changing: they stay in the field.
  const taken = { box: boxOf(given.classId), left: there.join('\n') };
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

/** Cards to print, with pictures that are good for one sign-in. They are shown this once. */
function Cards({ cards }: { cards: readonly Carded[] }) {
  return (
    <section className={card(classesStyles.cardsMade)} aria-label="Cards to print">
      <header>
        <h2>{cards.length === 1 ? 'A card to print' : `${cards.length} cards to print`}</h2>
        <span className="quiet">Each is good for one sign-in, and is shown this once.</span>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </header>
      <ul className={classesStyles.cardsSheet}>
        {cards.map(({ name, pictures, code }) => (
          <li key={name}>
            <strong>{name}</strong>
            <span>
              Class code <b>{code}</b>
            </span>
            <span className={classesStyles.cardsPictures} aria-label={pictures.join(', ')}>
              {pictures.map((picture, i) => (
                <img key={i} src={`/art/pictures/flat/${picture}.svg`} alt={picture} width={40} height={40} />
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Names to add. What is typed stays in the browser until it is taken. */
function AddNames({
  personId,
  classId,
  name,
  busy,
}: {
  personId: string;
  classId: string;
  name: string;
  busy: boolean;
}) {
  const [names, setNames] = useKept(personId, boxOf(classId), z.string());
  return (
    <Form method="post" className={classesStyles.classAdd}>
      <input type="hidden" name="classId" value={classId} />
      <Input.TextArea
        name="names"
        rows={2}
        aria-label={`Names to add to ${name}`}
        placeholder="Names to add, each on a line of its own"
        value={names ?? ''}
        onChange={(event) => setNames(event.target.value || null)}
      />
      <Button htmlType="submit" name="do" value="add-students" loading={busy}>
        Add
      </Button>
    </Form>
  );
}

export default function Classes({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const { id: personId } = loaderData.person;
  const taken = actionData?.taken;
  useEffect(() => {
    if (taken) keep(personId, taken.box, taken.left || null);
  }, [personId, taken]);
  const [newClass, setNewClass] = useKept(personId, NEW_CLASS, z.string());
  return (
    <div className={`${classesStyles.page} dapple`}>
      <HouseStrip person={loaderData.person} />
      <main className={classesStyles.classes}>
        {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
        {actionData?.said && <Alert type="success" showIcon title={actionData.said} role="status" />}
        {actionData && actionData.cards.length > 0 && <Cards cards={actionData.cards} />}
        {loaderData.classes.map((c) => (
          <section key={c.id} className={card(classesStyles.classCard)} aria-labelledby={`class-${c.id}`}>
            <header>
              <h2 id={`class-${c.id}`}>{c.name}</h2>
              <span className="quiet">{c.size === 1 ? '1 student' : `${c.size} students`}</span>
              <span className={classesStyles.classCode}>
                Class code <b>{c.code}</b>
              </span>
            </header>
            <ul className={classesStyles.classNames}>
              {c.members.map((member) => (
                <li key={member.id}>
                  <span>{member.name}</span>
                  <Form method="post">
                    <input type="hidden" name="classId" value={c.id} />
                    <input type="hidden" name="student" value={member.id} />
                    <Action
                      type="submit"
                      className="quiet"
                      name="do"
                      value="cards"
                      title={
                        member.hasSecret ? 'The pictures of now no longer count then' : 'To come in for the first time'
                      }
                      aria-label={`A card for ${member.name}`}
                    >
                      {member.hasSecret ? 'new card' : 'card'}
                    </Action>
                  </Form>
                </li>
              ))}
            </ul>
            {c.members.some((member) => !member.hasSecret) && (
              <Form method="post" className={classesStyles.classCards}>
                <input type="hidden" name="classId" value={c.id} />
                <Button htmlType="submit" name="do" value="cards" loading={busy}>
                  Cards for all who have no pictures yet
                </Button>
                <span className="quiet">To print and cut out; with one, a student comes in for the first time</span>
              </Form>
            )}
            <AddNames personId={personId} classId={c.id} name={c.name} busy={busy} />
          </section>
        ))}
        <Form method="post" className={card(`${classesStyles.classCard} ${classesStyles.classNew}`)}>
          <h2>Add a class</h2>
          <Input
            name="name"
            aria-label="Name of the class"
            placeholder="Name of the class"
            value={newClass ?? ''}
            onChange={(event) => setNewClass(event.target.value || null)}
          />
          <Button htmlType="submit" name="do" value="add-class" loading={busy}>
            Add class
          </Button>
        </Form>
      </main>
    </div>
  );
}
