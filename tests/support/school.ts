import type { Change } from '../../core/changes/change';
import type { Sheet } from '../../core/schema/sheet';
import type { Database } from '../../server/database/connection';
import { migrate } from '../../server/database/migrate';
import type { Faces } from '../../core/text/faces';
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
