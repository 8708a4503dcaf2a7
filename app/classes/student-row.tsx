import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { z } from 'zod';
import type { Listed } from '../../server/stores/class-lists';
import type { ClassRow, Member } from '../../server/stores/classes';
import { useKept } from '../keeping/kept';
import { Action } from '../parts/action';
import { Sure } from '../parts/sure';
import { useAsking } from './asking';
import { familyPlace, studentPlace } from './places';
import styles from './class-card.module.css';

type Props = {
  personId: string;
  member: Member;
  /** What a list says of them besides the name. */
  listed: Listed | undefined;
  from: Pick<ClassRow, 'id' | 'name'>;
  /** Where they could go. */
  others: readonly Pick<ClassRow, 'id' | 'name'>[];
  /** Everybody else in the class. */
  beside: readonly Member[];
  open: boolean;
  onOpen: () => void;
};

/** A student's name. What can be done for them shows when it is pressed. */
export const StudentRow = ({ open, onOpen, ...rest }: Props) => (
  <li data-open={open || undefined}>
    <button type="button" className={styles.name} aria-expanded={open} onClick={onOpen}>
      {rest.member.name}
      {!rest.member.hasSecret && <span className={styles.without}>no pictures yet</span>}
    </button>
    {open && <ForOne {...rest} />}
  </li>
);

const STAYS = 'Work that was begun stays with its handouts; what was not begun goes.';

function ForOne({ personId, member, listed, from, others, beside }: Omit<Props, 'open' | 'onOpen'>) {
  const [typed, setTyped] = useKept(personId, studentPlace(member.id), z.string());
  const classId = from.id;
  const ask = useAsking(classId);
  const send = (fields: Record<string, string>) => ask({ student: member.id, ...fields });
  return (
    <div className={styles.forOne}>
      <span className="quiet">
        {member.hasSecret
          ? 'Forgot the pictures? With a new card the old ones end.'
          : 'A card to come in with for the first time.'}
      </span>
      <Action className={styles.do} aria-label={`A card for ${member.name}`} onClick={() => send({ do: 'cards' })}>
        Make a card
      </Action>
      <Link to={`/students/${member.id}`}>All their work</Link>
      {typed === null ? (
        <Action onClick={() => setTyped(member.name)}>change the name</Action>
      ) : (
        <Line
          label={`New name of ${member.name}`}
          most={80}
          {...{ typed, setTyped }}
          onSave={() => send({ do: 'rename-student', name: typed })}
        />
      )}
      <FamilyOf
        {...{ personId, member }}
        family={listed?.family ?? []}
        onSave={(family) => send({ do: 'family', family })}
      />
      {others.map(({ id, name }) => (
        <Sure
          key={id}
          question={`${member.name} leaves ${from.name} and gets what ${name} was handed out. ${STAYS}`}
          verb="move"
          onSure={() => send({ do: 'move-student', to: id })}
        >
          move to {name}
        </Sure>
      ))}
      {beside.length > 0 && (
        <SameChild member={member} beside={beside} onSure={(other) => send({ do: 'merge-students', other })} />
      )}
      <Sure
        question={`${member.name} leaves ${from.name}. ${STAYS}`}
        verb="remove"
        onSure={() => send({ do: 'move-student', to: '' })}
      >
        remove from the class
      </Sure>
    </div>
  );
}

type FamilyProps = Pick<Props, 'personId' | 'member'> & {
  family: readonly string[];
  onSave: (typed: string) => void;
};

/** Where letters about a student go. What is typed stays in the browser until it is taken. */
function FamilyOf({ personId, member, family, onSave }: FamilyProps) {
  const [typed, setTyped] = useKept(personId, familyPlace(member.id), z.string());
  if (typed === null)
    return (
      <span className={styles.family}>
        <span className="quiet">
          {family.length === 0 ? 'No address of the family' : `Letters go to ${family.join(', ')}`}
        </span>
        <Action onClick={() => setTyped(family.join(', '))}>{family.length === 0 ? 'add one' : 'change'}</Action>
      </span>
    );
  return (
    <Line
      label={`E-mail of the family of ${member.name}`}
      placeholder="E-mail, with commas between several"
      most={2000}
      {...{ typed, setTyped }}
      onSave={() => onSave(typed)}
    />
  );
}

type LineProps = {
  label: string;
  placeholder?: string;
  most: number;
  typed: string;
  setTyped: (typed: string | null) => void;
  onSave: () => void;
};

/** A field for one thing, with its button. Enter saves this and nothing else. */
const Line = ({ label, placeholder, most, typed, setTyped, onSave }: LineProps) => (
  <span className={styles.rename}>
    <Input
      autoFocus
      aria-label={label}
      placeholder={placeholder}
      value={typed}
      maxLength={most}
      onChange={(event) => setTyped(event.target.value)}
      onKeyDown={(event) => event.key === 'Escape' && setTyped(null)}
      onPressEnter={(event) => {
        if (!event.nativeEvent.isComposing) onSave();
      }}
    />
    <Button onClick={onSave}>Save</Button>
  </span>
);

type SameProps = Pick<Props, 'member' | 'beside'> & { onSure: (other: string) => void };

/** Makes one of two entries for the same child. */
function SameChild({ member, beside, onSure }: SameProps) {
  const [chosen, setChosen] = useState('');
  const other = beside.find(({ id }) => id === chosen);
  return (
    <label className={styles.same}>
      Same child as{' '}
      <select
        className="pick"
        value={chosen}
        aria-label={`${member.name} is the same child as`}
        onChange={(event) => setChosen(event.target.value)}
      >
        <option value="">choose a name</option>
        {beside.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      {other && (
        <span className={styles.asked} role="group" aria-label="Make them one?">
          All work of {other.name} goes to {member.name}, and {other.name} is removed. This can’t be undone.
          <Action className={styles.do} onClick={() => onSure(other.id)}>
            make them one
          </Action>
          <Action onClick={() => setChosen('')}>cancel</Action>
        </span>
      )}
    </label>
  );
}
