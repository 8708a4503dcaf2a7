/** What stands between the names of several who work on one copy. */
const BETWEEN = ' & ';

/** The names of all who work on a copy, from how its students are called as one. */
export const namesOf = (names: string): string[] => names.split(BETWEEN);
