import { Alert, Button, Input } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Form, useNavigation } from 'react-router';
import { z } from 'zod';
import { workshop } from '../../server/actions/means';
import { listedIn } from '../../server/stores/class-lists';
import { classesOf, membersOf } from '../../server/stores/classes';
import { groupsOf } from '../../server/stores/groups';
import { classTeachers, teachersIn } from '../../server/stores/teachers';
import { orLast, reached } from '../browser/reached';
import { later } from '../browser/later';
import type { Answer } from '../classes/answer';
import { NOTHING } from '../classes/answer';
import { answered } from './classes-answers.server';
import { Archived } from '../classes/archived';
import { Cards } from '../classes/cards';
import { ClassCard } from '../classes/class-card';
import { FILE, NEW_CLASS } from '../classes/places';
import { formOf } from '../form.server';
import { HouseStrip } from '../house/house-strip';
import { keep, useKept } from '../keeping/kept';
import { Empty } from '../parts/empty';
import { allowed, requireRole } from '../who.server';
import type { Route } from './+types/classes';
import styles from './classes.module.css';

const FromFile = later(() => import('../classes/from-file').then((part) => part.default));

export async function loader({ request, context }: Route.LoaderArgs) {
  const person = await requireRole(request, context, 'teacher');
  const { db } = context.services;
  const all = await classesOf(db, person.id);
  const classes = all.filter(({ archivedAt }) => archivedAt === null);
  const ids = classes.map(({ id }) => id);
  const [members, listed, groups, teachers, school] = await Promise.all([
    Promise.all(ids.map((id) => membersOf(db, id))),
    // What lists say of families is for those who may change them.
    Promise.all(classes.map(({ id, rights }) => (rights === 'full' ? listedIn(db, id) : []))),
    groupsOf(db, ids),
    classTeachers(db, ids),
    teachersIn(db, person.schoolId),
  ]);
  return {
    person,
    now: Date.now(),
    classes: classes.map((one, i) => ({
      ...one,
      members: members[i],
      listed: listed[i],
      groups: groups.filter(({ classId }) => classId === one.id),
      teachers: teachers.filter(({ classId }) => classId === one.id),
    })),
    archived: all.filter(({ archivedAt }) => archivedAt !== null),
    colleagues: school.filter(({ id }) => id !== person.id).map(({ id, name }) => ({ id, name })),
  };
}

export async function action({ request, context }: Route.ActionArgs): Promise<Answer> {
  const person = await requireRole(request, context, 'teacher');
  const { db, shelf } = context.services;
  return allowed(answered(workshop(db, shelf), person, await formOf(request)));
}

export async function clientAction({ serverAction }: Route.ClientActionArgs): Promise<Answer> {
  const answer = await reached(() => serverAction());
  return 'unreached' in answer ? { ...NOTHING, problem: answer.problem } : answer;
}

export const clientLoader = ({ request, serverLoader }: Route.ClientLoaderArgs) => orLast(request, serverLoader);
clientLoader.hydrate = true as const;

export const meta: Route.MetaFunction = () => [{ title: 'Classes · Dappled Margin' }];

export default function Classes({ loaderData, actionData }: Route.ComponentProps) {
  const busy = useNavigation().state === 'submitting';
  const { classes, archived, colleagues, now } = loaderData;
  const { id: personId } = loaderData.person;
  const [files, setFiles] = useState<readonly File[] | null>(null);
  const taken = actionData?.taken;
  useEffect(() => {
    if (!taken) return;
    keep(personId, taken.box, taken.left || null);
    if (taken.box === FILE) setFiles(null);
  }, [personId, taken]);
  const [newClass, setNewClass] = useKept(personId, NEW_CLASS, z.string());
  const full = classes.filter(({ rights }) => rights === 'full');
  return (
    <div className={`${styles.page} dapple`}>
      <HouseStrip person={loaderData.person} />
      <main className={styles.classes}>
        <div className={styles.answer}>
          {actionData?.problem && <Alert type="error" showIcon title={actionData.problem} role="alert" />}
          {actionData?.said && <Alert type="success" showIcon title={actionData.said} role="status" />}
        </div>
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
            <RosterFiles onFiles={setFiles} />
          </Form>
        </div>
        {files && <FromFile files={files} classes={full} busy={busy} onDone={() => setFiles(null)} />}
        {classes.length === 0 && !files && (
          <Empty>No classes yet. Give one a name, then add its students: they come in with its code.</Empty>
        )}
        {classes.map((one) => (
          <ClassCard
            key={one.id}
            personId={personId}
            given={one}
            others={full.filter((other) => other !== one)}
            colleagues={colleagues.filter(({ name }) => name !== one.owner)}
            now={now}
            busy={busy}
          />
        ))}
        <Archived classes={archived} now={now} />
      </main>
    </div>
  );
}

/** Asks for class lists: one file, or the three of a OneRoster export. */
function RosterFiles({ onFiles }: { onFiles: (files: readonly File[]) => void }) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={field}
        type="file"
        hidden
        multiple
        accept=".csv,.tsv,.txt,.zip,text/csv"
        aria-label="Class list"
        onChange={(event) => {
          const chosen = [...(event.target.files ?? [])];
          event.target.value = '';
          if (chosen.length > 0) onFiles(chosen);
        }}
      />
      <Button title="CSV with any columns, or a OneRoster export" onClick={() => field.current?.click()}>
        From a file
      </Button>
    </>
  );
}
