/** Where the browser stores what is typed in the fields of the classes. */
export const NEW_CLASS = 'classes/new';
export const namesPlace = (classId: string) => `classes/${classId}/names`;
export const renamePlace = (classId: string) => `classes/${classId}/rename`;
