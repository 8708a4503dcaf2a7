import { Button, Input } from 'antd';
import { useState } from 'react';
import { Form } from 'react-router';
import { z } from 'zod';
import type { Listed } from '../../server/stores/class-lists';
import type { ClassRow, Member } from '../../server/stores/classes';
import type { Group } from '../../server/stores/groups';
import type { ClassTeacher } from '../../server/stores/teachers';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { card } from '../parts/card';
import { Sure } from '../parts/sure';
import { useAsking } from './asking';
import { ClassCode } from './class-code';
import { ClassGroups } from './class-groups';
import { ClassTeachers } from './class-teachers';
import { namesPlace, renamePlace } from './places';
import { StudentRow } from './student-row';
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
    <Form method="post" className={styles.add} preventScrollReset>
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
    <Form method="post" className={styles.rename} preventScrollReset>
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
  given: ClassRow & {
    members: readonly Member[];
    listed: readonly Listed[];
    groups: readonly Group[];
    teachers: readonly ClassTeacher[];
  };
  /** The teacher's other classes that students can go to. */
  others: readonly ClassRow[];
  /** The other teachers of the school. */
  colleagues: readonly { id: string; name: string }[];
  now: number;
  /** Something is on its way. */
  busy: boolean;
};

export function ClassCard({ personId, given, others, colleagues, now, busy }: Props) {
  const { id, name, size, members, rights, owner } = given;
  const [begun] = useKept(personId, namesPlace(id), Typed);
  const [adding, setAdding] = useState(false);
  const [chosen, setChosen] = useState<string | null>(null);
  const without = members.filter((member) => !member.hasSecret).length;
  const full = rights === 'full';
  // Names that were typed and not taken are not hidden.
  const open = full && (adding || size === 0 || begun !== null);
  return (
    <section className={card(styles.card)} aria-labelledby={`class-${id}`}>
      <header>
        {full ? <ClassName personId={personId} given={given} busy={busy} /> : <h2 id={`class-${id}`}>{name}</h2>}
        <span className="quiet">{size === 1 ? '1 student' : `${size} students`}</span>
        {owner && (
          <span className="quiet">
            {owner}’s class{!full && ': you may look at its work, not change it'}
          </span>
        )}
        <ClassCode given={given} />
        {full && !open && <Button onClick={() => setAdding(true)}>Add students</Button>}
      </header>
      {full && without > 0 && (
        <Form method="post" className={styles.first} preventScrollReset>
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
      {members.length > 0 && full && (
        <ul className={styles.names}>
          {members.map((member) => (
            <StudentRow
              key={member.id}
              personId={personId}
              member={member}
              listed={given.listed.find(({ personId: of }) => of === member.id)}
              from={given}
              others={others}
              beside={members.filter((other) => other !== member)}
              open={chosen === member.id}
              onOpen={() => setChosen(chosen === member.id ? null : member.id)}
            />
          ))}
        </ul>
      )}
      {!full && <p className={styles.only}>{members.map((member) => member.name).join(', ')}</p>}
      {open && <AddNames personId={personId} classId={id} name={name} busy={busy} />}
      <div className={styles.about}>
        {full && size > 0 && (
          <ClassGroups {...{ personId, members, busy }} classId={id} className={name} groups={given.groups} />
        )}
        {!owner && (
          <ClassTeachers
            {...{ personId, now, busy }}
            classId={id}
            className={name}
            teachers={given.teachers}
            others={colleagues}
          />
        )}
      </div>
      {full && size > 0 && (
        <WholeClass
          given={given}
          without={without}
          families={given.listed.filter(({ family }) => family.length > 0).length}
        />
      )}
    </section>
  );
}

type WholeProps = {
  given: ClassRow;
  /** How many have no pictures yet, and of how many the families get letters. */
  without: number;
  families: number;
};

/** What is done with a class as a whole. */
function WholeClass({ given: { id, name, size, owner }, without, families }: WholeProps) {
  const ask = useAsking(id);
  return (
    <footer className={styles.whole}>
      {without < size && (
        <Sure
          question={`A new card for each of the ${size}. The pictures that they have chosen end, and who is signed in is signed out.`}
          verb="make the cards"
          onSure={() => ask({ do: 'cards', student: 'all' })}
        >
          cards for everybody
        </Sure>
      )}
      {families > 0 && (
        <Sure
          question={`The addresses of ${families === 1 ? 'one family' : `${families} families`} are deleted, and nobody gets letters any more until addresses are added again.`}
          verb="delete them"
          onSure={() => ask({ do: 'forget-families' })}
        >
          delete the families’ addresses
        </Sure>
      )}
      {!owner && (
        <Sure
          question={`${name} and what it was handed out leave your Desk and its students’ trays, and its code ends. All of it stays here, and can be brought back.`}
          verb="put it into the archive"
          onSure={() => ask({ do: 'archive', over: 'yes' })}
        >
          archive this class
        </Sure>
      )}
    </footer>
  );
}
