import type { Note, Spoken } from './said';

/** Spoken notes in words. */

/** “0:07” */
export const lengthWords = ({ seconds }: Pick<Spoken, 'seconds'>): string => {
  const whole = Math.max(1, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** A note as it is read where it can't be heard. */
export const noteWords = ({ body, spoken }: Pick<Note, 'body' | 'spoken'>): string =>
  [...(spoken ? [`Spoken, ${lengthWords(spoken)}`] : []), ...(body ? [body] : [])].join(': ');
