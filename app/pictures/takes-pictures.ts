import type { Editor } from '../document/editor';

/** Whether picture files are taken in as pictures: on a student's copy only where their teacher allows it. */
export const takesPictures = ({ rights }: Pick<Editor, 'rights'>): boolean =>
  rights.kind === 'all' || rights.mayUpload === true;
