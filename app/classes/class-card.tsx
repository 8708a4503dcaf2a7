import { Button, Input } from 'antd';
import { useState } from 'react';
import { Form, useSubmit } from 'react-router';
import { z } from 'zod';
import type { ClassRow, Member } from '../../server/stores/classes';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { Sure } from '../parts/sure';
import { namesPlace, renamePlace } from './places';
import styles from './class-card.module.css';

const Typed = z.string();

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
  const [names, setNames] = useKept(personId, namesPlace(classId), Typed);
  return (
    <Form method="post" className={styles.add}>
      <input type="hidden" name="classId" value={classId} />
      <Input.TextArea
        name="names"
        autoSize={{ minRows: 2, maxRows: 12 }}
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

/** A student's name. What can be done for them shows when it is pressed. */
type NameProps = {
  member: Member;
  from: Pick<ClassRow, 'id' | 'name'>;
  others: readonly Pick<ClassRow, 'id' | 'name'>[];
  open: boolean;
  onOpen: () => void;
};

function Name({ member, from, others, open, onOpen }: NameProps) {
  const submit = useSubmit();
  const classId = from.id;
  const move = (to: string) => void submit({ do: 'move-student', classId, student: member.id, to }, { method: 'post' });
  const stays = 'Work that was begun stays with its handouts; what was not begun goes.';
  return (
    <li data-open={open || undefined}>
      <button type="button" className={styles.name} aria-expanded={open} onClick={onOpen}>
        {member.name}
        {!member.hasSecret && <span className={styles.without}>no pictures yet</span>}
      </button>
      {open && (
        <Form method="post" className={styles.forOne}>
          <input type="hidden" name="classId" value={classId} />
          <input type="hidden" name="student" value={member.id} />
          <span className="quiet">
            {member.hasSecret
              ? 'Forgot the pictures? With a new card the old ones end.'
              : 'A card to come in with for the first time.'}
          </span>
          <Action type="submit" className={styles.do} name="do" value="cards" aria-label={`A card for ${member.name}`}>
            Make a card
          </Action>
          {others.map(({ id, name }) => (
            <Sure
              key={id}
              question={`${member.name} leaves ${from.name} and gets what ${name} was handed out. ${stays}`}
              verb="move"
              onSure={() => move(id)}
            >
              move to {name}
            </Sure>
          ))}
          <Sure question={`${member.name} leaves ${from.name}. ${stays}`} verb="remove" onSure={() => move('')}>
            remove from the class
          </Sure>
        </Form>
      )}
    </li>
  );
}

/** The name of the class, and a field for another one on demand. */
function ClassName({ personId, given: { id, name }, busy }: Pick<Props, 'personId' | 'given' | 'busy'>) {
  const [typed, setTyped] = useKept(personId, renamePlace(id), Typed);
  if (typed === null)
    return (
      <>
        <h2 id={`class-${id}`}>{name}</h2>
        <Action aria-label={`Rename ${name}`} onClick={() => setTyped(name)}>
          rename
        </Action>
      </>
    );
  return (
    <Form method="post" className={styles.rename}>
      <h2 id={`class-${id}`} className="sr">
        {name}
      </h2>
      <input type="hidden" name="classId" value={id} />
      <Input
        name="name"
        autoFocus
        aria-label={`New name of ${name}`}
        value={typed}
        maxLength={80}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && setTyped(null)}
      />
      <Button htmlType="submit" name="do" value="rename-class" loading={busy}>
        Save
      </Button>
      <Action onClick={() => setTyped(null)}>cancel</Action>
    </Form>
  );
}

type Props = {
  personId: string;
  given: ClassRow & { members: readonly Member[] };
  /** The teacher's other classes. */
  others: readonly ClassRow[];
  /** Something is on its way. */
  busy: boolean;
};

export function ClassCard({ personId, given, others, busy }: Props) {
  const { id, name, code, size, members } = given;
  const [begun] = useKept(personId, namesPlace(id), Typed);
  const [adding, setAdding] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const without = members.filter((member) => !member.hasSecret).length;
  // Names that were typed and not taken are not hidden.
  const open = adding || size === 0 || begun !== null;
  return (
    <section className={card(styles.card)} aria-labelledby={`class-${id}`}>
      <header>
        <ClassName personId={personId} given={given} busy={busy} />
        <span className="quiet">{size === 1 ? '1 student' : `${size} students`}</span>
        <span className={styles.code}>
          Class code <b>{code}</b>
        </span>
        {!open && <Button onClick={() => setAdding(true)}>Add students</Button>}
      </header>
      {without > 0 && (
        <Form method="post" className={styles.first}>
          <input type="hidden" name="classId" value={id} />
          <span>
            {without === 1 ? '1 student has' : `${without} students have`} no pictures to sign in with yet. A card,
            printed and cut out, lets them in for the first time.
          </span>
          <Button htmlType="submit" type="primary" name="do" value="cards" loading={busy}>
            {without === 1 ? 'Make a card' : `Make ${without} cards`}
          </Button>
        </Form>
      )}
      {members.length > 0 && (
        <ul className={styles.names}>
          {members.map((member) => (
            <Name
              key={member.id}
              member={member}
              from={given}
              others={others}
              open={chosen === member.id}
              onOpen={() => setChosen(chosen === member.id ? null : member.id)}
            />
          ))}
        </ul>
      )}
      {open && <AddNames personId={personId} classId={id} name={name} busy={busy} />}
    </section>
  );
}
