import { afterAll, beforeAll, beforeEach, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { SmallSchool } from '../../tests/support/school';
import { isSecret, SECRET_LENGTH, SECRET_PICTURES } from '../../core/handout/secret';
import { take } from '../accounts/allowance';
import { hashSecret } from '../accounts/secret';
import type { Database } from '../database/connection';
import { addPerson } from './people';
import type { SignIn } from './sign-in';
import {
  chooseSecret,
  closeSession,
  codeTries,
  knowDevice,
  makeCards,
  namesIn,
  openSession,
  personOf,
  signInStudent,
  signInTeacher,
} from './sign-in';

test('there are at least 100,000 secrets', () => {
  expect(new Set(SECRET_PICTURES).size ** SECRET_LENGTH).toBeGreaterThanOrEqual(100_000);
  expect(isSecret('owl frog snail')).toBe(false);
});

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  let ids: { ada: string; ben: string; old: string; teacher: string };
  const OWN = 'owl frog snail crab';
  /** Each test comes from addresses of its own. */
  let net = 0;
  const from = (host = 1, device: string | null = null) => ({ address: `10.0.${net}.${host}`, device });
  const refOf = async (name: string) => (await namesIn(db, school.classId)).find((one) => one.name === name)!.ref;
  const asAda = async (secret: string, where = from()) => signInStudent(db, 'abcde', await refOf('Ada'), secret, where);
  const outcome = (result: SignIn) => (result.ok ? 'in' : result.reason);

  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
    const secretHash = await hashSecret(OWN);
    const [ada, ben, old] = [await school.student('Ada'), await school.student('Ben'), await school.student('Old')];
    await db.query('update person set secret_hash = $2 where id = $1', [ada, secretHash]);
    await db.query('update person set secret_hash = $2 where id = $1', [old, await hashSecret('owl frog snail')]);
    const teacher = await addPerson(db, {
      schoolId: school.schoolId,
      role: 'teacher',
      name: 'C',
      email: 'C@school.example',
      secret: 'right horse',
    });
    ids = { ada, ben, old, teacher };
  });
  beforeEach(async () => {
    net++;
    await db.query('delete from allowance');
  });
  afterAll(() => db.close());

  test('a teacher comes in with address and password, whatever the case of the address', async () => {
    expect(await signInTeacher(db, ' c@School.example ', 'right horse', from())).toMatchObject({
      ok: true,
      person: { id: ids.teacher, role: 'teacher' },
    });
    expect(await signInTeacher(db, 'c@school.example', 'wrong', from())).toEqual({ ok: false, reason: 'wrong' });
    expect(await signInTeacher(db, 'nobody@school.example', 'x', from())).toEqual({ ok: false, reason: 'wrong' });
  });

  test('a burst of guesses at the same moment counts each of them', async () => {
    const burst = await Promise.all(
      Array.from({ length: 40 }, (_, i) => asAda(`whale whale whale ${SECRET_PICTURES[i % 18]}`)),
    );
    const tried = burst.filter((result) => outcome(result) === 'wrong');
    expect(tried.length).toBeLessThanOrEqual(6);
    const late = burst.find((result) => outcome(result) === 'slow');
    expect(late).toMatchObject({ reason: 'slow', seconds: expect.any(Number) });
    expect(late && 'seconds' in late ? late.seconds : 0).toBeGreaterThan(60);
  });

  test('guesses from many addresses are counted together, and slowed, not locked', async () => {
    const all: string[] = [];
    for (let host = 1; host <= 12; host++)
      for (let i = 0; i < 4; i++) all.push(outcome(await asAda('kite kite kite kite', from(host))));
    expect(all.filter((one) => one === 'wrong')).toHaveLength(30);
    // A few minutes later it can be tried again.
    await db.query(`update allowance set full_at = full_at - interval '10 minutes'`);
    expect(outcome(await asAda(OWN, from(99)))).toBe('in');
  });

  test('a device on which somebody was before is not slowed by others', async () => {
    const device = await knowDevice(db, ids.ada, null);
    for (let i = 0; i < 45; i++) await asAda('kite kite kite kite', from(1 + (i % 9)));
    expect(outcome(await asAda(OWN, from(1)))).toBe('slow');
    expect(outcome(await asAda(OWN, from(1, device)))).toBe('in');
    // It is known for this account only.
    const other = await knowDevice(db, ids.ben, null);
    expect(outcome(await asAda(OWN, from(1, other)))).toBe('slow');
  });

  test('thirty children behind one address in one minute, six of them mistyping: nobody waits', async () => {
    const names = Array.from({ length: 30 }, (_, i) => `Child ${net}-${i}`);
    const hash = await hashSecret(OWN);
    for (const name of names)
      await db.query('update person set secret_hash = $2 where id = $1', [await school.student(name), hash]);
    const refs = new Map((await namesIn(db, school.classId)).map(({ name, ref }) => [name, ref]));
    const results = await Promise.all(
      names.map(async (name, i) => {
        const enter = (secret: string) => signInStudent(db, 'ABCDE', refs.get(name)!, secret, from());
        if (i % 5 === 0) for (let slip = 0; slip < 3; slip++) await enter('owl frog crab snail');
        return enter(OWN);
      }),
    );
    expect(results.map(outcome)).toEqual(names.map(() => 'in'));
  });

  test('codes are not guessed without end, while a class looks for its own', async () => {
    const tries = codeTries(from());
    let allowed = 0;
    for (let i = 0; i < 100; i++) if ((await take(db, tries)) === 0) allowed++;
    expect(allowed).toBe(60);
  });

  test('a secret of before counts until it is renewed', async () => {
    expect(outcome(await signInStudent(db, 'ABCDE', await refOf('Old'), 'owl frog snail', from()))).toBe('in');
    await makeCards(db, school.teacherId, school.classId, ids.old);
    expect(outcome(await signInStudent(db, 'ABCDE', await refOf('Old'), 'owl frog snail', from()))).toBe('wrong');
  });

  test('who has no pictures yet comes in by the teacher’s card alone, once, and chooses pictures then', async () => {
    const ben = await refOf('Ben');
    const enter = (secret: string) => signInStudent(db, 'ABCDE', ben, secret, from());
    expect(outcome(await enter(OWN))).toBe('wrong');
    const [card] = await makeCards(db, school.teacherId, school.classId, ids.ben);
    const secret = card.pictures.join(' ');
    const both = await Promise.all([enter(secret), enter(secret)]);
    expect(both.map(outcome).sort()).toEqual(['in', 'wrong']);
    expect(both.find(({ ok }) => ok)).toMatchObject({ mustChoose: true });
    const { token } = await openSession(db, ids.ben, 'student', true);
    expect(await personOf(db, token)).toMatchObject({ mustChoose: true });
    await chooseSecret(db, ids.ben, 'kite kite owl owl', token);
    expect(await personOf(db, token)).toMatchObject({ mustChoose: false });
    expect(outcome(await enter(secret))).toBe('wrong');
    expect(await enter('kite kite owl owl')).toMatchObject({ ok: true, mustChoose: false });
  });

  test('a new card, and new pictures, end the sessions of before', async () => {
    const [one, two] = [await openSession(db, ids.ada, 'student'), await openSession(db, ids.ada, 'student')];
    await chooseSecret(db, ids.ada, OWN, two.token);
    expect([await personOf(db, one.token), await personOf(db, two.token)]).toMatchObject([undefined, { id: ids.ada }]);
    await makeCards(db, 'somebody else', school.classId, ids.ada);
    expect(await personOf(db, two.token)).toBeDefined();
    await makeCards(db, school.teacherId, school.classId, ids.ada);
    expect(await personOf(db, two.token)).toBeUndefined();
    expect(outcome(await asAda(OWN))).toBe('wrong');
  });

  test('before sign-in a student is told by a word that is no identity, and stays the same', async () => {
    const names = await namesIn(db, school.classId);
    const known = await db.query<{ id: string }>('select id from person');
    for (const { ref } of names) expect(known.map(({ id }) => id)).not.toContain(ref);
    expect(await namesIn(db, school.classId)).toEqual(names);
    expect(Object.keys(names[0]).sort()).toEqual(['name', 'ref']);
    expect(outcome(await signInStudent(db, 'ABCDE', ids.ada, OWN, from()))).toBe('wrong');
  });

  test('a session ends when it is closed, or old; its token is nowhere in the database', async () => {
    const { token } = await openSession(db, ids.teacher, 'teacher');
    expect(await personOf(db, token)).toMatchObject({ id: ids.teacher });
    expect(await db.query('select 1 from session where token_hash = $1', [token])).toEqual([]);
    await closeSession(db, token);
    expect(await personOf(db, token)).toBeUndefined();
    const old = await openSession(db, ids.teacher, 'teacher');
    await db.query(`update session set expires_at = now() - interval '1 minute'`);
    expect(await personOf(db, old.token)).toBeUndefined();
  });
});
