import { Button, Input } from 'antd';
import { useState } from 'react';
import { Form } from 'react-router';
import { z } from 'zod';
import type { ClassRow, Member } from '../../server/stores/classes';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { namesPlace } from './places';
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
function Name({
  member,
  classId,
  open,
  onOpen,
}: {
  member: Member;
  classId: string;
  open: boolean;
  onOpen: () => void;
}) {
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
        </Form>
      )}
    </li>
  );
}

type Props = {
  personId: string;
  given: ClassRow & { members: readonly Member[] };
  /** Something is on its way. */
  busy: boolean;
};

export function ClassCard({ personId, given, busy }: Props) {
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
        <h2 id={`class-${id}`}>{name}</h2>
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
              classId={id}
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
