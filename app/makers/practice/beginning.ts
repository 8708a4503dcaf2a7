import { beginPractice } from '../../../core/makers/practice/begin';
import type { Beginning } from '../kit/begin';

export const BEGINNING: Beginning<'practice'> = {
  kind: 'practice',
  recipe: (palette) => beginPractice('matching', palette),
  width: 1,
  height: 1,
};
