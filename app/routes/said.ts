import { z } from 'zod';
import { Saying } from '../../core/review/said';
import { Id } from '../../core/schema/sheet';
import { copyForTeacher } from '../../server/stores/copies';
import { sayOn } from '../../server/stores/reviews';
import { check, jsonOf } from '../form.server';
import { missing, refuse, requirePerson } from '../who.server';
import type { Route } from './+types/said';

const Given = z.strictObject({ go: Id, steps: z.array(Saying).min(1).max(100) });

/** Takes what a teacher says on a go: all of it or, with the reason, nothing. */
export async function action({ request, context, params }: Route.ActionArgs) {
  const person = await requirePerson(request, context);
  const { db } = context.services;
  const copy = await copyForTeacher(db, person.id, params.copyId);
  if (!copy || copy.handout.id !== params.handoutId) throw missing();
  const read = check(Given, jsonOf(await request.text()));
  if (!read.ok) throw refuse(400, read.wrong.problem);
  const { go, steps } = read.value;
  for (const step of steps) {
    if (step.do !== 'mark' || step.level === null) continue;
    const row = copy.handout.rubric.rows.find(({ id }) => id === step.row);
    if (!row || step.level >= row.levels.length) throw refuse(400, 'This rubric has no such level.');
  }
  if (!(await sayOn(db, { goId: go, copyId: copy.id, authorId: person.id }, steps)))
    throw refuse(409, `This piece is with ${copy.studentName} again.`);
  return Response.json({ taken: steps.length });
}
