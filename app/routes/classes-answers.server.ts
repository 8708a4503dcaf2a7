import { z } from 'zod';
import { inWords } from '../../core/values/listed';
import {
  addClassFor,
  AddingClass,
  AddingStudents,
  addRoster,
  addStudentsTo,
  archiveFor,
  Archiving,
  changeCode,
  ForgettingFamilies,
  forgetFamiliesFor,
  makeCardsFor,
  MakingCards,
  MergingStudents,
  mergeStudentsFor,
  MovingStudent,
  moveStudentFor,
  renameClassFor,
  RenamingClass,
  RenamingStudent,
  renameStudentFor,
  Roster,
  SettingFamily,
  setFamilyFor,
  WithCode,
} from '../../server/actions/classes';
import { removeGroupFor, RemovingGroup, setGroupFor, SettingGroup } from '../../server/actions/groups';
import type { Means } from '../../server/actions/means';
import { Refused } from '../../server/actions/refused';
import { letIn, letOut, LettingIn, LettingOut } from '../../server/actions/teachers';
import type { Person } from '../../server/stores/people';
import { check, jsonOf } from '../form.server';
import type { Answer } from '../classes/answer';
import { NOTHING } from '../classes/answer';
import {
  familyPlace,
  FILE,
  groupPlace,
  namesPlace,
  NEW_CLASS,
  renamePlace,
  studentPlace,
  teacherPlace,
} from '../classes/places';

/** What the classes screen asks for, and what it is answered. */

const Asked = z.discriminatedUnion('do', [
  AddingClass.extend({ do: z.literal('add-class') }),
  AddingStudents.extend({ do: z.literal('add-students') }),
  MakingCards.extend({ do: z.literal('cards') }),
  RenamingClass.extend({ do: z.literal('rename-class') }),
  MovingStudent.extend({ do: z.literal('move-student') }),
  RenamingStudent.extend({ do: z.literal('rename-student') }),
  MergingStudents.extend({ do: z.literal('merge-students') }),
  SettingFamily.extend({ do: z.literal('family') }),
  ForgettingFamilies.extend({ do: z.literal('forget-families') }),
  WithCode.extend({ do: z.literal('code') }),
  Archiving.extend({ do: z.literal('archive') }),
  SettingGroup.extend({ do: z.literal('set-group') }),
  RemovingGroup.extend({ do: z.literal('remove-group') }),
  LettingIn.extend({ do: z.literal('let-in') }),
  LettingOut.extend({ do: z.literal('let-out') }),
  z.object({
    do: z.literal('roster'),
    roster: z.string().max(800_000, 'The list is too long. Leave some classes out.'),
  }),
]);
type Asked = z.infer<typeof Asked>;

export async function answered(
  means: Means,
  person: Person,
  form: Record<string, FormDataEntryValue>,
): Promise<Answer> {
  const read = check(Asked, form);
  if (!read.ok) return { ...NOTHING, ...read.wrong };
  try {
    return { ...NOTHING, ...(await answer(means, person, read.value)) };
  } catch (error) {
    if (error instanceof Refused && error.status === 422) return { ...NOTHING, problem: error.message };
    throw error;
  }
}

const gone = (box: string) => ({ box, left: '' });

async function answer(means: Means, person: Person, given: Asked): Promise<Partial<Answer>> {
  const { db } = means;
  switch (given.do) {
    case 'add-class':
      await addClassFor(db, person, given);
      return { said: `${given.name} is there. Add its students below.`, taken: gone(NEW_CLASS) };
    case 'add-students': {
      const { added, there } = await addStudentsTo(means, person, given);
      // Names already in the class may need changing: they stay in the field.
      const taken = { box: namesPlace(given.classId), left: there.join('\n') };
      return { problem: thereWords(there), said: addedWords(added), taken };
    }
    case 'roster': {
      const roster = check(Roster, jsonOf(given.roster));
      if (!roster.ok) return roster.wrong;
      const { classes, added, there } = await addRoster(means, person, roster.value);
      const said = [
        classes > 0 && (classes === 1 ? '1 class was added' : `${classes} classes were added`),
        added === 1 ? '1 student was added' : `${added} students were added`,
        there > 0 && `${there} ${there === 1 ? 'was' : 'were'} there already`,
      ].filter((words) => words !== false);
      return { said: `${inWords(said)}.`, taken: gone(FILE) };
    }
    case 'cards': {
      const { code, cards } = await makeCardsFor(db, person, given);
      return { cards: cards.map(({ name, pictures }) => ({ name, pictures, code })) };
    }
    case 'rename-class':
      await renameClassFor(db, person, given);
      return { said: `The class is called ${given.name} now.`, taken: gone(renamePlace(given.classId)) };
    case 'move-student': {
      const { name, to } = await moveStudentFor(means, person, given);
      return { said: to ? `${name} is in ${to} now.` : `${name} has left the class.` };
    }
    case 'rename-student': {
      const before = await renameStudentFor(db, person, given);
      return { said: `${before} is called ${given.name} now.`, taken: gone(studentPlace(given.student)) };
    }
    case 'merge-students': {
      const { kept, gone: other } = await mergeStudentsFor(means, person, given);
      return { said: `${kept} has the work of ${other} now.` };
    }
    case 'family': {
      const name = await setFamilyFor(db, person, given);
      const { length } = given.family;
      return {
        said:
          length === 0
            ? `Nobody gets letters about ${name}.`
            : `Letters about ${name} go to ${length === 1 ? 'one address' : `${length} addresses`}.`,
        taken: gone(familyPlace(given.student)),
      };
    }
    case 'forget-families': {
      const count = await forgetFamiliesFor(db, person, given);
      return { said: `The addresses of ${count === 1 ? 'one family' : `${count} families`} are deleted.` };
    }
    case 'code': {
      const code = await changeCode(db, person, given);
      if (given.what === 'renew') return { said: `The code is ${code} now. The old one leads nowhere.` };
      return {
        said: given.what === 'close' ? `Nobody comes in with ${code} any more.` : `${code} lets students in again.`,
      };
    }
    case 'archive': {
      const name = await archiveFor(db, person, given);
      return {
        said: given.over === 'yes' ? `${name} is in the archive, at the end of this page.` : `${name} is back.`,
      };
    }
    case 'set-group':
      await setGroupFor(means, person, given);
      return { said: `The group ${given.name} is saved.`, taken: gone(groupPlace(given.classId)) };
    case 'remove-group': {
      const name = await removeGroupFor(db, person, given);
      return {
        said: `The group ${name} is removed. What it was handed out stays.`,
        taken: gone(groupPlace(given.classId)),
      };
    }
    case 'let-in': {
      const name = await letIn(db, person, given);
      const may = given.rights === 'full' ? 'teaches the class too' : 'may look at the work of the class';
      return { said: `${name} ${may}.`, taken: gone(teacherPlace(given.classId)) };
    }
    case 'let-out':
      await letOut(db, person, given);
      return { said: 'They no longer see this class.' };
  }
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
