import { readdirSync } from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { DATABASES } from '../../tests/support/databases';
import { fillManySchools } from '../../tests/support/many-schools';
import { ownPicture } from '../../tests/support/own';
import { saidNote, stampSaid } from '../../tests/support/said';
import { sampleSheet } from '../../tests/support/sheets';
import { SheetProblem } from '../../core/schema/read';
import { forgetAllowances, giveBack, take } from '../accounts/allowance';
import type { Database, Queries, Row } from '../database/connection';
import { migrate } from '../database/migrate';
import { projectRoot } from '../process/place';
import { openPictures } from '../art/shipped';
import * as brought from './brought';
import * as checks from './checks';
import * as classLife from './class-life';
import * as lists from './class-lists';
import * as classes from './classes';
import * as copies from './copies';
import * as corrections from './corrections';
import * as demo from './demo';
import * as documents from './documents';
import * as folders from './folders';
import * as gallery from './gallery';
import * as goes from './goes';
import * as groups from './groups';
import * as history from './history';
import * as life from './handout-life';
import * as handingOut from './handing-out';
import * as handouts from './handouts';
import * as letters from './letters';
import * as mates from './mates';
import * as mending from './mending';
import * as people from './people';
import * as phrases from './phrases';
import * as pictures from './pictures';
import * as reviews from './reviews';
import * as second from './second-reading';
import * as sheets from './sheets';
import * as signIn from './sign-in';
import * as teachers from './teachers';

/**
 * No statement of the stores may grow slower with the number of schools: each is explained on a thousand of them, after ANALYZE
 * and with the planner's own settings, and a scan of a whole table that grows with schools is refused.
 */

/** Tables that do not grow with schools. */
const SMALL = new Set(['house', 'migration']);
/** One row of a table, whichever comes first, is no scan of it. */
const FIRST_ROW = /^select 1 from school limit 1$/;

type Plan = { 'Node Type': string; 'Relation Name'?: string; Plans?: Plan[] };
const scans = (plan: Plan): string[] => [
  ...(plan['Node Type'] === 'Seq Scan' && !SMALL.has(plan['Relation Name']!) ? [plan['Relation Name']!] : []),
  ...(plan.Plans ?? []).flatMap(scans),
];

const found = new Map<string, string[]>();
const explained = (queries: Queries): Queries => ({
  async query<T extends Row>(sql: string, parameters: unknown[] = []) {
    if (/^\s*(select|insert|update|delete|with)\b/i.test(sql) && !FIRST_ROW.test(sql)) {
      const [row] = await queries.query<{ 'QUERY PLAN': [{ Plan: Plan }] }>(`explain (format json) ${sql}`, parameters);
      const whole = scans(row['QUERY PLAN'][0].Plan);
      if (whole.length > 0) found.set(sql.replace(/\s+/g, ' ').trim(), whole);
    }
    return queries.query<T>(sql, parameters);
  },
});

const NEW_HANDOUT = {
  schoolId: 's900',
  teacherId: 't900-1',
  sheetId: null,
  classId: 'c900-0',
  title: 'T',
  brief: '',
  dueAt: null,
  sheet: sampleSheet(),
  lookFors: [],
  rubric: { rows: [] },
  supplies: [],
};

const ANSWERED = { id: 'a', held: false, got: 0, need: 1, evidence: [] };

let db: Database;
beforeAll(async () => {
  const plain = await DATABASES.at(-1)![1]();
  await migrate(plain);
  await fillManySchools(plain);
  db = { ...plain, ...explained(plain), transaction: (work) => plain.transaction((tx) => work(explained(tx))) };
}, 300_000);
afterAll(() => db.close());

/** Calls that reach every statement, by the names of what they call. A sheet that is none is no matter here. */
const CALLS: Record<string, () => unknown> = {
  addClass: () => classes.addClass(db, { schoolId: 's7', teacherId: 't7-1', name: 'New' }),
  classesOf: () => classes.classesOf(db, 't1-1'),
  classByCode: () => classes.classByCode(db, 'C5X0'),
  membersOf: () => classes.membersOf(db, 'c5-1'),
  addStudents: () => classes.addStudents(db, { schoolId: 's7', classId: 'c7-1', names: ['Newer'] }),
  renameClass: () => classes.renameClass(db, 'c7-1', 'Newer'),
  joinClass: () => classes.joinClass(db, 'c5-1', 'p5-3'),
  leaveClass: () => db.transaction((tx) => classes.leaveClass(tx, 'c5-1', 'p5-3')),
  taughtBy: () => classes.taughtBy(db, 't1-1'),
  newCode: () => classes.newCode(),
  takesHandouts: () => classes.takesHandouts({ rights: 'read', archivedAt: null }),
  archiveClass: () => classLife.archiveClass(db, 'c7-1', null),
  renewCode: () => classLife.renewCode(db, 'c7-1'),
  closeCode: () => classLife.closeCode(db, 'c7-1', false),
  renameStudent: () => classLife.renameStudent(db, 'p5-3', 'Newer'),
  begunByBoth: () => classLife.begunByBoth(db, 'p3-40', 'p3-41'),
  mergeStudents: () => db.transaction((tx) => classLife.mergeStudents(tx, 'p9-40', 'p9-70')),
  groupsOf: () => groups.groupsOf(db, ['c5-0', 'c5-1']),
  addGroup: () => groups.addGroup(db, 'c7-1', 'New'),
  setGroup: () =>
    db.transaction((tx) => groups.setGroup(tx, { id: 'gc5-1', classId: 'c5-1', name: 'Newer' }, ['p5-30', 'p5-31'])),
  removeGroup: () => groups.removeGroup(db, 'gc7-1'),
  teachersIn: () => teachers.teachersIn(db, 's7'),
  isRegistered: () => teachers.isRegistered(db, 't1@s7.example'),
  classTeachers: () => teachers.classTeachers(db, ['c5-0', 'c5-1']),
  setClassTeacher: () =>
    teachers.setClassTeacher(db, { classId: 'c5-1', personId: 't5-3', rights: 'read', endsAt: null }),
  removeClassTeacher: () => teachers.removeClassTeacher(db, 'c5-1', 't5-3'),
  studentOf: () => classes.studentOf(db, 't3-2', 'p3-40'),
  addStudent: () => classes.addStudent(db, { schoolId: 's7', classId: 'c7-1', name: 'New' }),
  workersOn: () => mates.workersOn(db, 'h9-0', ['y9-40-1']),
  addMates: () => mates.addMates(db, 'y9-40-1', ['p9-41']),
  joinGroupCopies: () => mates.joinGroupCopies(db, 'p5-30', 5),
  leaveCopies: () => db.transaction((tx) => mates.leaveCopies(tx, 'p9-41', 'c9-1')),
  mergeMates: () => db.transaction((tx) => mates.mergeMates(tx, 'p9-40', 'p9-70')),
  sharesOf: () => mates.sharesOf(db, 'y3-40-1'),
  trayOf: () => copies.trayOf(db, 'p3-40'),
  nextOpening: () => copies.nextOpening(db, 'p3-40'),
  copyOfStudent: () => copies.copyOfStudent(db, 'p3-40', 'y3-40-1'),
  copyToPicture: () => copies.copyToPicture(db, 't3-2', 'y3-40-1', 'gy3-42-0'),
  copyForTeacher: () => copies.copyForTeacher(db, 't3-2', 'y3-40-1'),
  copiesWith: () => copies.copiesWith(db, 't3-2', 'p3-40', 60),
  copiesOf: () => copies.copiesOf(db, 'o1-4-1'),
  documentAccess: () => copies.documentAccess(db, 'p3-40', 'dc3-40-1'),
  isTeacherOfCopy: () => copies.isTeacherOfCopy(db, 't3-2', 'dc3-40-1'),
  openStepsOf: () => copies.openStepsOf(db, 'y3-40-1'),
  setOpenSteps: () => copies.setOpenSteps(db, 'y3-40-1', 2),
  timesOf: () => goes.timesOf(db, 'y3-40-1'),
  checksOf: () => checks.checksOf(db, 'y3-42-0'),
  addCheck: () => checks.addCheck(db, 'y3-42-0', { lookForId: 'a', asked: 'a', result: ANSWERED }, 3),
  correctHandout: () =>
    db.transaction((tx) =>
      corrections.correctHandout(tx, 'o1-4-1', 0, { sheets: [sampleSheet(), sampleSheet()], lookFors: [] }),
    ),
  sheetBefore: () => corrections.sheetBefore(db, 'o1-4-1', { version: 0, corrections: 0 }),
  openCopies: () => corrections.openCopies(db, 'o1-4-1'),
  setCorrections: () => corrections.setCorrections(db, 'y3-40-1', 1),
  goesOf: () => goes.goesOf(db, 'y3-42-0'),
  newestGoes: () => goes.newestGoes(db, 'o3-1-0'),
  goesById: () => goes.goesById(db, ['gy3-42-0']),
  galleryOf: () => gallery.galleryOf(db, 'o3-1-0'),
  galleryPieces: () => gallery.galleryPieces(db, 'o3-1-0'),
  galleryNotes: () => gallery.galleryNotes(db, 'o3-1-0'),
  hangPieces: () => gallery.hangPieces(db, 'o3-1-0', ['y3-42-0']),
  setShown: () => gallery.setShown(db, 'o3-1-0', 'gy3-42-0', true),
  setGallery: () => gallery.setGallery(db, 'o3-1-0', { open: true }),
  judgeNotes: () => gallery.judgeNotes(db, 'o3-1-0', ['gy3-42-0'], 'shown'),
  galleriesFor: () => gallery.galleriesFor(db, 'p3-42', 'o3-1-0'),
  ownCopies: () => gallery.ownCopies(db, 'p3-42', 'o3-1-0'),
  writeNote: () =>
    gallery.writeNote(db, 'p3-43', { note: 'note-new', piece: 'gy3-42-0', kind: 'like', body: 'the neck' }),
  takeNoteBack: () => gallery.takeNoteBack(db, 'p3-43', 'note-new'),
  handIn: () => goes.handIn(db, { id: 'y3-40-1', documentId: 'dc3-40-1' }, 2),
  takeBack: () => goes.takeBack(db, 'y3-42-0'),
  returnGo: () => goes.returnGo(db, 'gy3-46-0', 'done'),
  markSeen: () => goes.markSeen(db, 'p3-46', 'y3-46-0'),
  hasGoneOn: () => goes.hasGoneOn(db, 'y3-46-0'),
  async releaseHeld() {
    await db.query(`update go set held_for = 'done' where copy_id = 'y3-46-0'`);
    await goes.releaseHeld(db);
  },
  recall: () => goes.recall(db, 'y3-46-0', 'One more thing'),
  keepFile: () =>
    brought.keepFile(db, {
      id: 'new',
      schoolId: 's9',
      copyId: 'y9-40-1',
      personId: 'p9-40',
      name: 'w.pdf',
      type: 'application/pdf',
      bytes: Buffer.from('x'),
    }),
  filesOf: () => brought.filesOf(db, 'y3-40-1'),
  fileOf: () => brought.fileOf(db, 'y3-40-1', 'y3-40-1'),
  countPictures: () => pictures.countPictures(db, 't3-1'),
  demoDoors: () => demo.demoDoors(db),
  createDocument: () => documents.createDocument(db, 's7', sampleSheet()),
  keepSnapshot: () => documents.keepSnapshot(db, 'ds7-0', 5, sampleSheet()),
  rowsBetween: () => documents.rowsBetween(db, 'dc3-41-1', 0, 0),
  loadDocument: () => documents.loadDocument(db, 'dc3-40-1'),
  loadDocuments: () => documents.loadDocuments(db, ['dc3-40-1', 'dc4-1-1']),
  changesSince: () => documents.changesSince(db, 'dc3-41-1', 99),
  async saveChanges() {
    const id = await documents.createDocument(db, 's7', sampleSheet());
    const save = { documentId: id, authorId: 't7-1', batch: 'abcdef' };
    const changes = Array.from({ length: 100 }, (_, i) => ({ kind: 'set' as const, id: 'box', values: { x: i } }));
    await documents.saveChanges(db, { ...save, base: 0, changes }, () => null);
    await documents.saveChanges(db, { ...save, base: 3, changes: changes.slice(0, 1) }, () => null, 'y3-40-1');
  },
  historySheetAt: () => history.sheetAt(db, 'dc3-41-1', 0),
  momentsOf: () => history.momentsOf(db, 'ds7-0'),
  peopleNamed: () => people.peopleNamed(db, ['p3-40', 't3-1']),
  historyOf: () => history.historyOf(db, 'dc3-41-1'),
  addMoment: () => history.addMoment(db, { documentId: 'ds7-0', authorId: 't7-1', seq: 1, name: 'x' }),
  dropMoment: () => history.dropMoment(db, 'ds7-0', 'mds7-0'),
  handoutById: () => handouts.handoutById(db, 'o3-1-0'),
  createHandout: () => handingOut.createHandout(db, NEW_HANDOUT, openPictures()),
  addHandout: () => db.transaction((tx) => handingOut.addHandout(tx, NEW_HANDOUT, openPictures())),
  async addLateCopies() {
    const late = await classes.addStudent(db, { schoolId: 's900', classId: 'c900-0', name: 'Late' });
    await handingOut.addLateCopies(db, late, openPictures());
  },
  changeHandout: () =>
    life.changeHandout(db, 'o3-1-0', {
      title: 'T',
      brief: '',
      opensAt: null,
      dueAt: null,
      closesAt: null,
      returnsAt: null,
    }),
  closeHandout: () => life.closeHandout(db, 'o3-1-0', null),
  putHandoutAway: () => life.putHandoutAway(db, 'o3-1-0', null),
  extendCopies: () => life.extendCopies(db, 'o3-1-0', ['y3-40-1'], null),
  setHandoutBinned: () => life.setHandoutBinned(db, 'o3-1-0', false),
  binnedHandouts: () => life.binnedHandouts(db, 't3-2'),
  deleteHandouts: () => life.deleteHandouts(db, ['o9-1-0']),
  forgetTrials: () => life.forgetTrials(db, 't3-2'),
  forgetBinnedHandouts: () => life.forgetBinnedHandouts(db),
  handedOutBefore: () => handouts.handedOutBefore(db, 'h1-0'),
  handedOutAt: () => handouts.handedOutAt(db, 'o3-1-0'),
  listedIn: () => lists.listedIn(db, 'c3-1'),
  sourceOf: () => lists.sourceOf(db, 'c3-1'),
  sourcesOn: () => lists.sourcesOn(db, 'o3-1-0'),
  keepListed: () =>
    lists.keepListed(db, 'c3-1', { id: 'c', students: [{ name: 'Student 30', id: 'u', family: ['a@x.example'] }] }),
  setFamily: () => lists.setFamily(db, 'p3-30', ['a@x.example']),
  forgetFamilies: () => lists.forgetFamilies(db, 'c3-1'),
  lettersOn: () => letters.lettersOn(db, 'o3-1-0'),
  receiversOf: () => letters.receiversOf(db, 'o3-1-0'),
  putLetters: () =>
    letters.putLetters(
      db,
      { handoutId: 'o3-1-0', senderId: 't3-2', words: '', shows: { lookFors: true, marks: true } },
      [{ copyId: 'y3-42-0', goId: 'gy3-42-0', studentId: 'p3-42', student: 'x', addresses: ['new@x.example'] }],
    ),
  takeLetter: () => letters.takeLetter(db, 180),
  keepSent: () => letters.keepSent(db, 'lgy3-42-0', null),
  keepEml: () => letters.keepEml(db, 'lgy3-42-0', Buffer.from('x')),
  emlFor: () => letters.emlFor(db, 't3-2', { handoutId: 'o3-1-0', letterId: 'lgy3-42-0' }),
  forgetAddresses: () => letters.forgetAddresses(db, ['p3-43']),
  senderOf: () => letters.senderOf(db, 't3-2'),
  rightsOn: () => handouts.rightsOn(db, 't3-2', 'o3-1-0'),
  handoutOf: () => handouts.handoutOf(db, 't3-2', 'o3-1-0'),
  begunCopies: () => handouts.begunCopies(db, 'o3-1-0'),
  progressOf: () => handouts.progressOf(db, 't3-2'),
  lastReadable: () => mending.lastReadable(db, 'dc3-41-1'),
  mend: () => mending.mend(db, 'dc3-41-2'),
  addSchool: () => people.addSchool(db, 'New'),
  isEmptyHouse: () => people.isEmptyHouse(db),
  beginSchool: () => people.beginSchool(db, { school: 'S', name: 'N', email: 'n@x.example', password: 'p' }),
  addPerson: () => people.addPerson(db, { schoolId: 's7', role: 'student', name: 'New' }),
  personById: () => people.personById(db, 'p3-40'),
  namesAround: () => people.namesAround(db, 't1-1'),
  keepPicture: () =>
    pictures.keepPicture(
      db,
      { schoolId: 's7', ownerId: 't7-1' },
      {
        drawn: ownPicture(`own/${'ab'.repeat(16)}`),
        colours: ['grey'],
        pixels: { type: 'image/jpeg', image: Buffer.from([1]), screen: null, lines: Buffer.from([1]) },
        leftOut: [],
      },
    ),
  countOffered: () => pictures.countOffered(db, 't3-1'),
  shelfOf: () => pictures.shelfOf(db, 't7-1'),
  changeShelf: () => pictures.changeShelf(db, 't7-1', ['own/t7-1'], { section: 'Birds' }),
  keepCleared: () =>
    pictures.keepCleared(
      db,
      {
        schoolId: 's7',
        pictureId: 'own/t7-1',
        recipe: { border: true, spots: [], tolerance: 0.2, soft: 0, strokes: [] },
      },
      {
        drawn: ownPicture('own/t7-1-0123456789abcdef'),
        mask: Buffer.from([1]),
        screen: Buffer.from([1]),
        lines: Buffer.from([1]),
      },
    ),
  countCleared: () => pictures.countCleared(db, 'own/t7-1'),
  shownPicture: () => pictures.shownPicture(db, 's7', 'own/t7-1'),
  putAway: () => pictures.putAway(db, 't7-1', 'own/t7-1'),
  knownPictures: () => pictures.knownPictures(db, 's7', ['own/t7-1']),
  picturesOf: () => pictures.picturesOf(db, 's7', ['own/t7-1', 'own/t8-1']),
  drawnPictures: () => pictures.drawnPictures(db, ['own/t7-1', 'own/t8-1']),
  pictureFiles: () => pictures.pictureFiles(db, ['own/none']),
  drawnPicture: () => pictures.drawnPicture(db, 's7', 'own/t7-1'),
  pictureFile: () =>
    Promise.all(
      (['image', 'screen', 'lines'] as const).map((file) => pictures.pictureFile(db, 's7', 'own/t7-1', file)),
    ),
  notesOf: () => reviews.notesOf(db, ['gy3-46-0', 'gy3-42-0']),
  signedNotesOf: () => reviews.signedNotesOf(db, ['gy3-46-0', 'gy3-42-0']),
  rulingsOf: () => reviews.rulingsOf(db, ['gy3-46-0']),
  timeAtWork: () => history.timeAtWork(db, ['dc3-46-0', 'dc3-42-0']),
  inkOf: () => reviews.inkOf(db, ['gy3-46-0']),
  inkCountOn: () => reviews.inkCountOn(db, 'gy3-46-0'),
  saidCounts: () => reviews.saidCounts(db, ['gy3-46-0', 'gy3-42-0']),
  allSaidOn: () => reviews.allSaidOn(db, ['gy3-46-0', 'gy3-42-0']),
  sayOn: () =>
    reviews.sayOn(db, { copyId: 'y3-50-0', goId: 'gy3-50-0', authorId: 't3-2' }, [
      saidNote('note-01'),
      { do: 'edit-note', note: 'ngy3-50-0', body: 'y' },
      { do: 'remove-note', note: 'ngy3-50-0' },
      stampSaid('stamp-01'),
      { do: 'rub-out', ink: 'stamp-01' },
      { do: 'rule', lookFor: 'l', held: true },
      { do: 'rule', lookFor: 'l', held: null },
      { do: 'rule', lookFor: 'l', item: 'i', held: true, reason: 'x' },
      { do: 'mark', row: 'r', level: 1 },
    ]),
  secondReaderOf: () => second.secondReaderOf(db, 'o3-1-0'),
  readersFor: () => second.readersFor(db, 'o3-1-0'),
  setSecondReader: () => second.setSecondReader(db, 'o3-1-0', 't3-2'),
  secondReadingsOf: () => second.secondReadingsOf(db, 't3-2', ['gy3-46-0', 'gy3-42-0']),
  saySecond: () =>
    second.saySecond(db, { copyId: 'y3-50-0', goId: 'gy3-50-0', authorId: 't3-2' }, [
      { do: 'rule', lookFor: 'l', held: true },
      { do: 'rule', lookFor: 'l', item: 'i', held: null },
      { do: 'mark', row: 'r', level: 1 },
      { do: 'mark', row: 'r', level: null },
      { do: 'finish', word: '' },
    ]),
  colleaguesOf: () => phrases.colleaguesOf(db, 't3-1'),
  phrasesOf: () => phrases.phrasesOf(db, 't3-1'),
  keepPhrase: () => phrases.keepPhrase(db, 't3-1', { id: 'phrase-1', body: 'y', about: ['words'] }),
  changePhrase: () => phrases.changePhrase(db, 't3-1', 'rt3-1', { body: 'z', shared: false }),
  countUse: () => phrases.countUse(db, 't3-1', 'z', 'words'),
  removePhrase: () => phrases.removePhrase(db, 't3-1', 'rt3-1'),
  soundFor: () => reviews.soundFor(db, 't3-2', 'ngy3-46-0'),
  settleNote: () => reviews.settleNote(db, 'p3-46', 'ngy3-46-0', true),
  createSheet: () =>
    sheets.createSheet(db, { schoolId: 's7', ownerId: 't7-1', purpose: 'blank', sheet: sampleSheet() }),
  sheetOf: () => sheets.sheetOf(db, 't1-1', 'h1-0'),
  sheetsOf: () => sheets.sheetsOf(db, 't1-1'),
  putIntoFolder: () => sheets.putIntoFolder(db, 't1-1', 'h1-0', 'ft1-1'),
  setBinned: () => sheets.setBinned(db, 't1-1', 'h1-0', true),
  emptyBin: () => sheets.emptyBin(db, 't1-1', 'h1-0'),
  forgetBinned: () => sheets.forgetBinned(db),
  foldersOf: () => folders.foldersOf(db, 't1-1'),
  addFolder: () => folders.addFolder(db, { schoolId: 's7', ownerId: 't7-1', name: 'New' }),
  renameFolder: () => folders.renameFolder(db, 't1-1', 'ft1-1', 'Newer'),
  removeFolder: () => folders.removeFolder(db, 't1-1', 'ft1-1'),
  async openSession() {
    const { token } = await signIn.openSession(db, 't7-1', 'teacher');
    await signIn.personOf(db, token);
    await signIn.closeSession(db, token);
  },
  knowDevice: () => signIn.knowDevice(db, 't7-1', null),
  signInTeacher: () => signIn.signInTeacher(db, 't1@s7.example', 'x', { address: '192.0.2.1', device: 'v'.repeat(30) }),
  signInStudent: () => signIn.signInStudent(db, 'C5X0', 'none', 'x', { address: '192.0.2.1', device: null }),
  namesIn: () => signIn.namesIn(db, 'c5-1'),
  sealKey: () => signIn.sealKey(db, 't7-1'),
  chooseSecret: () => signIn.chooseSecret(db, 'p3-40', 'x', 'token'),
  makeCards: () => signIn.makeCards(db, 't5-1', 'c5-0', 'p5-3'),
  isOwnSecret: () => signIn.isOwnSecret(db, 't7-1', 'x'),
  setOnce: () => db.transaction((tx) => signIn.setOnce(tx, 'p5-3', 'x')),
  forgetSessions: () => signIn.forgetSessions(db),
  async take() {
    const tries = [{ subject: 'account t1-1', burst: 2, every: 60 }];
    for (let i = 0; i < 3; i++) await take(db, tries);
    await giveBack(db, tries);
    await forgetAllowances(db);
  },
};
/** What is called by one of the calls above, or needs no database. */
const WITHIN = new Set([
  'asVersion',
  'worksOn',
  'sheetAt',
  'closeSession',
  'personOf',
  'codeTries',
  'bytesOf',
  'grownFrom',
  'reasonOf',
  'readOr',
  'Damaged',
]);

test('no statement scans a table that grows with schools', { timeout: 120_000 }, async () => {
  const problems: string[] = [];
  for (const [name, call] of Object.entries(CALLS))
    await Promise.resolve()
      .then(call)
      // Sheets of this school are none: that is noticed after the statements.
      .catch((error: unknown) =>
        error instanceof documents.Damaged || error instanceof SheetProblem
          ? null
          : problems.push(`${name}: ${String(error)}`),
      );
  expect(problems).toEqual([]);
  expect(Object.fromEntries(found)).toEqual({});
});

test('every function of the stores is called here', () => {
  const all = [
    brought,
    checks,
    classLife,
    lists,
    classes,
    copies,
    goes,
    corrections,
    demo,
    documents,
    folders,
    groups,
    history,
    handingOut,
    handouts,
    life,
    letters,
    mates,
    mending,
    people,
    pictures,
    gallery,
    phrases,
    reviews,
    second,
    sheets,
    signIn,
    teachers,
  ];
  const files = readdirSync(path.join(projectRoot(), 'server/stores')).filter(
    (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && file !== 'beginnings.ts',
  );
  expect(files).toHaveLength(all.length);
  const names = all.flatMap((store) =>
    Object.entries(store as Record<string, unknown>).flatMap(([name, value]) =>
      typeof value === 'function' ? [name] : [],
    ),
  );
  expect(names.filter((name) => !(name in CALLS) && !WITHIN.has(name))).toEqual([]);
});
