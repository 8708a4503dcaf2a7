import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { refusalOf, why } from '../../tests/support/refused';
import { saidNote } from '../../tests/support/said';
import { SmallSchool } from '../../tests/support/school';
import { sampleSheet } from '../../tests/support/sheets';
import { forgetFamiliesFor } from '../actions/classes';
import { writeHome, WritingHome } from '../actions/letters';
import { recallPiece, returnPiece, review } from '../actions/review';
import type { Database } from '../database/connection';
import type { Mail, Mailer } from '../post/mailer';
import { emlOf, MailProblem, StandInMailer } from '../post/mailer';
import { setFamily } from '../stores/class-lists';
import { goesOf, handIn } from '../stores/goes';
import { emlFor, keepEml, lettersOn, takeLetter } from '../stores/letters';
import { addPerson } from '../stores/people';
import { setClassTeacher } from '../stores/teachers';
import { lettersView, letterView } from '../views/letters-view';
import { sendLettersInTime, sendNext } from './sending-letters';

/** Letters home: each goes once, to one address, about a piece that is with its student. */

const PDF = new Uint8Array([37, 80, 68, 70]);
const exporter = { run: () => Promise.resolve(PDF) };

/** Keeps what is sent in memory, or refuses addresses. */
class Box implements Mailer {
  readonly mails: Mail[] = [];
  constructor(private refuses: (address: string) => boolean = () => false) {}
  send(_: string, mail: Mail): Promise<void> {
    if (this.refuses(mail.to)) return Promise.reject(new MailProblem(`${mail.to} does not exist.`));
    this.mails.push(mail);
    return Promise.resolve();
  }
}

describe.each(DATABASES)('on the %s database', (_, open) => {
  let db: Database;
  let school: SmallSchool;
  beforeAll(async () => {
    db = await open();
    school = await SmallSchool.open(db);
  });
  afterAll(() => db.close());
  const writer = () => ({ ...school.teacher, schoolName: 'School' });

  let number = 0;
  /** A piece that has come back to a student whose family has these addresses. */
  async function returned(...addresses: string[]) {
    const ada = await school.pupil(`Ada ${number++}`);
    await setFamily(db, ada.id, addresses);
    const handoutId = await school.handOut(sampleSheet());
    const copy = await school.copy(handoutId, ada.id);
    await handIn(db, copy, 0);
    const [go] = await goesOf(db, copy.id);
    const piece = { handoutId, copyId: copy.id };
    await review(db, school.teacher, piece, {
      go: go.id,
      steps: [saidNote(`note-${number}`, { body: 'Which wing?' })],
    });
    await returnPiece(db, school.teacher, piece, { go: go.id, outcome: 'done' });
    const write = (words = 'We went to the marsh.', students = ada.id) =>
      writeHome(db, school.teacher, handoutId, WritingHome.parse({ students, words, lookFors: 'yes', marks: 'yes' }));
    const sendAll = async (mailer: Mailer) => {
      while (await sendNext(school.means, exporter, mailer));
    };
    return { ada, piece, handoutId, write, sendAll, letters: () => lettersOn(db, handoutId) };
  }

  test('each address gets a letter of its own, once, however often it is asked for', async () => {
    const { ada, write, sendAll, letters } = await returned('m@x.example', 'd@x.example');
    const box = new Box();
    expect(await write()).toBe(2);
    expect(await write('And again')).toBe(0);
    await sendAll(box);
    expect(await write('And again')).toBe(0);
    await sendAll(box);
    expect(box.mails.map(({ to }) => to).sort()).toEqual(['d@x.example', 'm@x.example']);
    for (const { text, subject, from, attachments } of box.mails) {
      expect(from).toEqual({ name: 'T', address: 't@school.example' });
      expect(subject).toBe(`Bird: the work of ${ada.name}`);
      expect(text).toContain('We went to the marsh.');
      expect(text).toContain('1. Which wing?');
      expect(attachments).toEqual([{ name: 'Bird.pdf', type: 'application/pdf', bytes: PDF }]);
    }
    expect((await letters()).map(({ sentAt, problem }) => [sentAt !== null, problem])).toEqual([
      [true, null],
      [true, null],
    ]);
    // An address that was added since gets one, too.
    await setFamily(db, ada.id, ['m@x.example', 'new@x.example']);
    expect(await write()).toBe(1);
    await sendAll(box);
    expect(box.mails.at(-1)!.to).toBe('new@x.example');
  });

  test('a piece that was taken back before its letter went is not told of; what could not be sent is tried when asked again', async () => {
    const recalled = await returned('m@x.example');
    await recalled.write();
    await recallPiece(db, school.teacher, recalled.piece, { word: '' });
    const box = new Box();
    await recalled.sendAll(box);
    expect(box.mails).toEqual([]);
    expect((await recalled.letters())[0].problem).toContain('taken back');
    expect(await why(recalled.write())).toMatch(/^422/);

    const { write, sendAll, letters } = await returned('gone@x.example', 'm@x.example');
    await write();
    await sendAll(new Box((address) => address.startsWith('gone')));
    expect((await letters()).map(({ address, problem }) => [address, problem]).sort()).toEqual([
      ['gone@x.example', 'gone@x.example does not exist.'],
      ['m@x.example', null],
    ]);
    expect(await write('Once more')).toBe(1);
    await sendAll(box);
    expect(box.mails.map(({ to }) => to)).toEqual(['gone@x.example']);
  });

  test('a letter that one process stopped halfway with is sent by another, and never by two at once', async () => {
    const { write, sendAll } = await returned('m@x.example');
    await write();
    expect(await takeLetter(db, 60)).toBeDefined();
    const box = new Box();
    await sendAll(box);
    expect(box.mails).toEqual([]);
    await db.query(`update letter set begun_at = now() - interval '10 minutes' where sent_at is null`);
    const [one, two] = [1, 2].map(() => sendLettersInTime(school.means, exporter, box, 10));
    await expect.poll(() => box.mails.length).toBe(1);
    await Promise.all([one.end(), two.end()]);
    expect(box.mails).toHaveLength(1);
  });

  test('the stand-in keeps a mail that other programs read, for those who may change the class alone', async () => {
    const { ada, handoutId, write, sendAll, letters } = await returned('m@x.example');
    await write('Grüße: 1 < 2 & Ünïcode');
    await sendAll(new StandInMailer((id, eml) => keepEml(db, id, eml)));
    const [{ id, kept }] = await letters();
    expect(kept).toBe(true);
    const found = (await emlFor(db, school.teacherId, { handoutId, letterId: id }))!;
    const eml = Buffer.from(found.eml).toString();
    expect(eml).toMatch(/^To: m@x\.example$/m);
    expect(eml).toMatch(/^From: "?T"? <t@school\.example>$/m);
    expect(eml).toContain('filename=Bird.pdf');
    const { schoolId, classId } = school;
    const reader = await addPerson(db, { schoolId, role: 'teacher', name: 'R', email: `r${number}@letters.example` });
    await setClassTeacher(db, { classId, personId: reader, rights: 'read', endsAt: null });
    for (const other of [reader, ada.id]) expect(await emlFor(db, other, { handoutId, letterId: id })).toBeUndefined();
    const asked = { id: reader, name: 'R', schoolName: 'School' };
    expect((await refusalOf(lettersView(school.means, asked, handoutId))).status).toBe(403);
    const given = WritingHome.parse({ students: ada.id, words: '', lookFors: 'no', marks: 'no' });
    expect((await refusalOf(writeHome(db, asked, handoutId, given))).status).toBe(403);
  });

  test('addresses that are deleted leave the letters, too; what was not sent is not sent any more', async () => {
    const { write, sendAll, letters } = await returned('m@x.example');
    const waiting = await returned('w@x.example');
    await write();
    await sendAll(new StandInMailer((id, eml) => keepEml(db, id, eml)));
    await waiting.write();
    await forgetFamiliesFor(db, school.teacher, { classId: school.classId });
    expect(await letters()).toMatchObject([{ address: null, kept: false }]);
    expect(await waiting.letters()).toEqual([]);
  });

  test('nothing is written about a piece that has not come back, or to nobody; a letter is looked at first', async () => {
    const { ada, handoutId, piece } = await returned('m@x.example');
    expect((await letterView(school.means, writer(), { ...piece, studentId: ada.id })).feedback.notes).toHaveLength(1);
    const ben = await school.pupil(`Ben ${number}`);
    await setFamily(db, ben.id, ['b@x.example']);
    expect((await lettersView(school.means, writer(), handoutId)).receivers.map(({ student }) => student)).toEqual([
      ada.name,
    ]);
    const copy = await school.copy(handoutId, ben.id);
    const asked = { handoutId, copyId: copy?.id ?? 'none', studentId: ben.id };
    expect((await refusalOf(letterView(school.means, writer(), asked))).status).toBe(404);
    const given = WritingHome.parse({ students: ben.id, words: '', lookFors: 'no', marks: 'no' });
    expect(await why(writeHome(db, school.teacher, handoutId, given))).toMatch(/^422 .*come back/);
    expect(WritingHome.safeParse({ students: '', words: '', lookFors: 'no', marks: 'no' }).success).toBe(false);
  });
});

test('words that look like parts of a mail stay words', async () => {
  const mail: Mail = {
    from: { name: 'Zoë\r\nBcc: x@x.example', address: 'z@x.example' },
    to: 'm@x.example',
    subject: 'A\r\nBcc: x@x.example',
    text: '.\r\n\r\nBcc: y@x.example',
    attachments: [],
  };
  const [head] = (await emlOf('letter-1', mail)).toString().split('\r\n\r\n');
  expect(head).not.toMatch(/^Bcc:/im);
});
