import { inWords } from '../values/listed';

type Whom = {
  className: string;
  /** Groups that it goes to; null: the whole class. Empty: students chosen one by one. */
  groups: readonly string[] | null;
};

/** To whom a handout goes, in words. */
export function whomWords({ className, groups }: Whom): string {
  if (groups === null) return className;
  return `${className}: ${groups.length === 0 ? 'some' : inWords(groups)}`;
}
