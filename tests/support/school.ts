import type { z } from 'zod';
import type { Change } from '../../core/changes/change';
import type { Sheet } from '../../core/schema/sheet';
import type { Database } from '../../server/database/connection';
import { migrate } from '../../server/database/migrate';
import type { Faces } from '../../core/text/faces';
import { setGroupFor, SettingGroup } from '../../server/actions/groups';
import { HandingOut } from '../../server/actions/hand-out';
import type { Workshop } from '../../server/actions/means';
import { openPictures } from '../../server/art/shipped';
import { addClass, addStudent } from '../../server/stores/classes';
import { copiesOf } from '../../server/stores/copies';
import { saveChanges } from '../../server/stores/documents';
import { createHandout } from '../../server/stores/handing-out';
import { addPerson, addSchool } from '../../server/stores/people';
import { allFaces } from './fonts';

/** A school with one class and one handout of a sheet, for tests of stores. */
export class SmallSchool {
  readonly pictures = openPictures();
  /** What use cases work with. */
  readonly means: Workshop;
  private batches = 0;
  private constructor(
    readonly db: Database,
    readonly schoolId: string,
    readonly teacherId: string,
    readonly classId: string,
    faces: Faces,
  ) {
    const { pictures } = this;
    this.means = { db, pictures, faces, withOwn: () => Promise.resolve(pictures) };
  }

  static async open(db: Database): Promise<SmallSchool> {
    await migrate(db);
    const schoolId = await addSchool(db, 'School');
    const teacherId = await addPerson(db, { schoolId, role: 'teacher', name: 'T', email: 't@school.example' });
    const classId = await addClass(db, { schoolId, teacherId, name: 'Curlew', code: 'ABCDE' });
    return new SmallSchool(db, schoolId, teacherId, classId, await allFaces());
  }

  student(name: string): Promise<string> {
    return addStudent(this.db, { schoolId: this.schoolId, classId: this.classId, name });
  }

  /** The teacher, and a student by name, as use cases want them. */
  get teacher() {
    return { id: this.teacherId, schoolId: this.schoolId, name: 'T' };
  }
  async pupil(name: string) {
    return { id: await this.student(name), schoolId: this.schoolId, name };
  }

  handOut(sheet: Sheet, sheetId: string | null = null): Promise<string> {
    const { schoolId, teacherId, classId } = this;
    return createHandout(
      this.db,
      {
        schoolId,
        teacherId,
        classId,
        sheetId,
        title: 'Bird',
        brief: '',
        dueAt: null,
        sheet,
        lookFors: [],
        rubric: { rows: [] },
        supplies: [],
      },
      this.pictures,
    );
  }

  /** What is asked for when something is handed out to the class, where nothing else is said. */
  asked(given: Partial<z.input<typeof HandingOut>> = {}): HandingOut {
    const plain = { title: 'Bird', brief: '', dueAt: null, lookFors: [], rubric: { rows: [] }, supplies: [] };
    return HandingOut.parse({ classes: [this.classId], ...plain, ...given });
  }

  /** Makes a group of the class, or puts these students into it and nobody else. */
  group(id: string, name: string, members: readonly string[]): Promise<void> {
    const given = { classId: this.classId, group: id, name, members: members.join(' ') };
    return setGroupFor(this.means, { id: this.teacherId, schoolId: this.schoolId }, SettingGroup.parse(given));
  }

  async copy(handoutId: string, studentId: string) {
    return (await copiesOf(this.db, handoutId)).find((copy) => copy.studentId === studentId)!;
  }

  save(copy: { id: string; documentId: string; studentId: string }, base: number, changes: Change[]) {
    const batch = `batch-${this.batches++}`;
    return saveChanges(
      this.db,
      { documentId: copy.documentId, authorId: copy.studentId, base, batch, changes },
      () => null,
      copy.id,
    );
  }
}
