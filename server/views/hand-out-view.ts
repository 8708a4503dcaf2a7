import { openedFor, rekeyed, suggested } from '../../core/lookfors/all';
import { variedOn } from '../../core/makers/varied';
import { newId } from '../database/id';
import { piecesBefore } from '../actions/try-on';
import { ownSheet, whole } from '../actions/opened';
import type { Database } from '../database/connection';
import { classesOf, membersOf, takesHandouts } from '../stores/classes';
import { groupsOf } from '../stores/groups';
import { handedOutBefore, handoutOf } from '../stores/handouts';
import { workersOn } from '../stores/mates';
import type { Person } from '../stores/people';
import { sheetsOf } from '../stores/sheets';

/**
 * A sheet about to be handed out, with the classes of its teacher.
 * @param likeId a handout whose brief, look-fors and rubric are used again; one that is not theirs is passed over
 * @param after a handout, and copies of it: those who work on them are who it is meant for
 * @throws Refused where the sheet is not theirs or is damaged
 */
export async function handOutView(
  db: Database,
  person: Pick<Person, 'id' | 'name'>,
  sheetId: string,
  likeId: string | null = null,
  after: { handoutId: string; copyIds: readonly string[] } | null = null,
) {
  const found = await ownSheet(db, person.id, sheetId);
  const document = await whole(db, found.documentId);
  const classes = (await classesOf(db, person.id)).filter(takesHandouts);
  const ids = classes.map(({ id }) => id);
  const [groups, before, like, sheets, pieces, members] = await Promise.all([
    groupsOf(db, ids),
    handedOutBefore(db, found.id),
    likeId === null ? undefined : handoutOf(db, person.id, likeId),
    sheetsOf(db, person.id),
    piecesBefore(db, person, found.id),
    Promise.all(ids.map((id) => membersOf(db, id))),
  ]);
  const from = after && (await handoutOf(db, person.id, after.handoutId));
  const suggestions = suggested(document.sheet, newId);
  return {
    personId: person.id,
    personName: person.name,
    id: found.id,
    documentId: document.id,
    seq: document.seq,
    sheet: document.sheet,
    suggested: suggestions,
    supplies: openedFor(suggestions, []),
    like: like
      ? {
          id: like.id,
          title: like.title,
          brief: like.brief,
          lookFors: rekeyed(like.lookFors, document.sheet),
          steps: like.steps,
          rubric: like.rubric,
          supplies: like.supplies,
          limits: like.limits,
          laidOut: like.laidOut,
        }
      : null,
    savedAt: +document.changedAt,
    /** Students of a class that it is meant for. */
    meant:
      after && from?.classId ? { classId: from.classId, students: await workersOn(db, from.id, after.copyIds) } : null,
    /** Whether it can be made again, so that versions of it differ. */
    varies: variedOn(document.sheet).length > 0,
    /** The teacher's other sheets, each of which can be a version. */
    otherSheets: sheets.flatMap(({ id, title, binnedAt }) => (id === found.id || binnedAt ? [] : [{ id, title }])),
    piecesBefore: pieces,
    classes: classes.map(({ id, name, size }, i) => ({
      id,
      name,
      size,
      groups: groups.filter(({ classId }) => classId === id),
      members: members[i].map((member) => ({ id: member.id, name: member.name })),
      /** When it had this sheet the last time. */
      hadAt: before.find(({ classId }) => classId === id)?.at ?? null,
    })),
  };
}
