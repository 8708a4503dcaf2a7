/** Where the browser stores what is typed in the fields of the classes. */
export const NEW_CLASS = 'classes/new';
export const FILE = 'classes/file';
export const namesPlace = (classId: string) => `classes/${classId}/names`;
export const renamePlace = (classId: string) => `classes/${classId}/rename`;
export const groupPlace = (classId: string) => `classes/${classId}/group`;
export const teacherPlace = (classId: string) => `classes/${classId}/teacher`;
export const studentPlace = (studentId: string) => `classes/student/${studentId}`;
export const familyPlace = (studentId: string) => `classes/student/${studentId}/family`;
