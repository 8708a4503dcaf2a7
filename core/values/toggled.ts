/** With a member, or without it. */
export const toggled = <T>(list: readonly T[], one: T, on: boolean): T[] =>
  on ? [...list, one] : list.filter((other) => other !== one);
